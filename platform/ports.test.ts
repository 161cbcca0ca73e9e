import { platform } from './ports';

const AHEAD = globalThis as { answersAhead?: Record<string, Promise<Response>>; fetch: unknown };
const answer = (name: string): Response => ({ name }) as unknown as Response;
const asked: string[] = [];
let now = 0;
beforeEach(() => {
  asked.length = 0;
  now = 500;
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  AHEAD.fetch = (path: string) => {
    asked.push(path);
    return Promise.resolve(answer('fetched'));
  };
});
afterEach(() => {
  jest.restoreAllMocks();
  delete AHEAD.answersAhead;
});
const request = (path: string, method = 'GET') => platform().request(path, { method });

describe('a request', () => {
  it('is given the answer that was asked for ahead, once', async () => {
    AHEAD.answersAhead = { '/api/a': Promise.resolve(answer('ahead')) };
    expect(await request('/api/a')).toEqual(answer('ahead'));
    expect(await request('/api/a')).toEqual(answer('fetched'));
    expect(await request('/api/b')).toEqual(answer('fetched'));
    expect(asked).toEqual(['/api/a', '/api/b']);
  });

  it('is sent anew where the one ahead failed, and a write always is', async () => {
    AHEAD.answersAhead = { '/api/a': Promise.reject(new TypeError('x')), '/api/b': Promise.resolve(answer('ahead')) };
    expect(await request('/api/a')).toEqual(answer('fetched'));
    expect(await request('/api/b', 'PUT')).toEqual(answer('fetched'));
  });

  it('takes none that may be stale by now', async () => {
    AHEAD.answersAhead = { '/api/a': Promise.resolve(answer('ahead')) };
    now = 10_001;
    expect(await request('/api/a')).toEqual(answer('fetched'));
    expect(AHEAD.answersAhead).toBeUndefined();
  });

  it('goes straight to the server where nothing was asked ahead', async () => {
    expect(await request('/api/a')).toEqual(answer('fetched'));
  });
});
