import { answerCalls, workerCall, type CalledWorker, type ToWorker } from './call';

/** A worker that replies when it is told to. */
function held() {
  const worker = {
    asked: [] as ToWorker<string>[],
    stopped: 0,
    onmessage: null as CalledWorker['onmessage'],
    onerror: null as CalledWorker['onerror'],
    postMessage: (message: ToWorker<string>) => void worker.asked.push(message),
    terminate: () => void (worker.stopped += 1),
    say: (data: object) => void worker.onmessage?.call({} as Worker, { data } as MessageEvent),
    breaks: () => void worker.onerror?.call({} as Worker, {} as ErrorEvent),
  };
  return worker;
}
const shop = (keeps: boolean) => {
  const workers: ReturnType<typeof held>[] = [];
  const call = workerCall<string, string, number>(
    () => {
      workers.push(held());
      return workers[workers.length - 1] as never;
    },
    'It broke',
    keeps,
  );
  return { call, workers };
};

describe('a call of a worker', () => {
  it('gets the reply that bears its number, in whatever order they come', async () => {
    const { call, workers } = shop(true);
    const [a, b] = [call('3 mm'), call('8 mm')];
    const [worker] = workers;
    const [first, second] = worker.asked.map(({ id }) => id);
    worker.say({ id: second, reply: 'of 8' });
    worker.say({ id: 99, reply: 'of nothing' });
    worker.say({ id: first, reply: 'of 3' });
    expect([await a, await b, workers.length, worker.stopped]).toEqual(['of 3', 'of 8', 1, 0]);
  });

  it('hears what comes on the way, and fails with what the worker says', async () => {
    const { call, workers } = shop(false);
    const parts: number[] = [];
    const asked = call('x', { onPart: (part) => parts.push(part) });
    const [{ id }] = workers[0].asked;
    workers[0].say({ id, part: 1 });
    workers[0].say({ id: id + 1, part: 2 });
    workers[0].say({ id, failed: 'no such plate' });
    await expect(asked).rejects.toThrow('no such plate');
    expect([parts, workers[0].stopped]).toEqual([[1], 1]);
  });

  it('is cancelled, and ends a worker that has nothing else to do', async () => {
    const { call, workers } = shop(true);
    const [one, two] = [new AbortController(), new AbortController()];
    const calls = [call('a', { signal: one.signal }), call('b', { signal: two.signal })];
    one.abort();
    await expect(calls[0]).rejects.toThrow('cancelled');
    expect(workers[0].stopped).toBe(0);
    two.abort();
    await expect(calls[1]).rejects.toThrow('cancelled');
    expect(workers[0].stopped).toBe(1);
    await expect(call('c', { signal: two.signal })).rejects.toThrow('cancelled');
    expect(workers).toHaveLength(1);
    const again = call('d');
    workers[1].say({ id: workers[1].asked[0].id, reply: 'd' });
    expect(await again).toBe('d');
  });

  it('fails with every other where the worker broke; the next call starts another', async () => {
    const { call, workers } = shop(true);
    const calls = [call('a'), call('b')];
    workers[0].breaks();
    for (const one of calls) await expect(one).rejects.toThrow('It broke');
    void call('c');
    expect([workers.length, workers[0].stopped]).toEqual([2, 1]);
  });
});

it('a worker answers each call under its number, what it throws among them', () => {
  const sent: unknown[] = [];
  const here = { postMessage: (message: unknown) => sent.push(message), onmessage: null as unknown };
  const before = Object.getOwnPropertyDescriptor(globalThis, 'self');
  Object.defineProperty(globalThis, 'self', { value: here, configurable: true });
  answerCalls<number, number, string>((asked, part) => {
    if (asked < 0) throw new Error('below nothing');
    part('begun');
    return 2 * asked;
  });
  const hear = here.onmessage as (event: { data: ToWorker<number> }) => void;
  hear({ data: { id: 7, asked: 4 } });
  hear({ data: { id: 8, asked: -1 } });
  if (before === undefined) Reflect.deleteProperty(globalThis, 'self');
  else Object.defineProperty(globalThis, 'self', before);
  expect(sent).toEqual([
    { id: 7, part: 'begun' },
    { id: 7, reply: 8 },
    { id: 8, failed: 'below nothing' },
  ]);
});
