import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { replacePlatform } from '@/platform/ports';
import '@/platform/testing/device';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { resetOutbox, enqueue, pendingNow } from '@/client/outbox/outbox';
import { makeChange } from './send-changes';
import {
  askAgain,
  fetchAhead,
  useCare,
  useCoupon,
  useHistory,
  useLog,
  useRigs,
  useSubmit,
  useTaken,
} from './use-records';

const asked: string[] = [];
let away = false;
const client = () => new QueryClient({ defaultOptions: { queries: { retry: false } } });
const within = (held: QueryClient) =>
  function Within({ children }: { children: ReactNode }) {
    return <QueryClientProvider client={held}>{children}</QueryClientProvider>;
  };
/** What the server keeps, by address. */
const kept: Record<string, unknown> = {};

beforeEach(() => {
  asked.length = 0;
  away = false;
  for (const path of Object.keys(kept)) delete kept[path];
  replacePlatform({
    request: async (path, { method, body }) => {
      asked.push(`${method} ${path}`);
      if (away) throw new TypeError('Failed to fetch');
      const said = body === undefined ? kept[path] : { ...JSON.parse(String(body)), revision: 9 };
      return {
        ok: said !== undefined,
        status: said === undefined ? 404 : 200,
        json: async () => said ?? {},
      } as Response;
    },
  });
});
afterEach(() => replacePlatform(null));

describe('a coupon', () => {
  it('is never asked for without an id, not even when it is asked again', async () => {
    const { result } = renderHook(() => useCoupon(null), { wrapper: within(client()) });
    act(() => askAgain([result.current]));
    await new Promise((later) => setTimeout(later, 10));
    expect(asked).toEqual([]);
    expect(result.current.data).toBeUndefined();
  });

  it('that failed is asked for again, and what stands is not', async () => {
    kept['/api/coupons/a'] = { id: 'a' };
    kept['/api/rigs'] = [];
    away = true;
    const { result } = renderHook(() => ({ coupon: useCoupon('a'), rigs: useRigs() }), { wrapper: within(client()) });
    await waitFor(() => expect(result.current.coupon.error && result.current.rigs.error).toBeTruthy());
    away = false;
    act(() => void result.current.rigs.refetch());
    await waitFor(() => expect(result.current.rigs.data).toEqual([]));
    asked.length = 0;
    act(() => askAgain([result.current.coupon, result.current.rigs]));
    await waitFor(() => expect(result.current.coupon.data).toEqual({ id: 'a' }));
    expect(asked).toEqual(['GET /api/coupons/a']);
  });

  it('in work is fetched ahead: the chosen one, else the newest, else none', async () => {
    kept['/api/coupons/chosen'] = { id: 'chosen' };
    kept['/api/coupons/new'] = { id: 'new' };
    kept['/api/coupons?limit=1'] = { coupons: [{ id: 'new' }], next: null };
    const held = client();
    await fetchAhead(held, 'chosen');
    await fetchAhead(held, null);
    expect(asked).toEqual(['GET /api/coupons/chosen', 'GET /api/coupons?limit=1', 'GET /api/coupons/new']);
    expect(held.getQueryData(['coupon', 'new'])).toEqual({ id: 'new' });
    kept['/api/coupons?limit=1'] = { coupons: [], next: null };
    asked.length = 0;
    await fetchAhead(client(), null);
    expect(asked).toEqual(['GET /api/coupons?limit=1']);
  });
});

describe('the log', () => {
  it('goes on from the cursor until there is no more', async () => {
    kept['/api/coupons?limit=30'] = { coupons: [{ id: 'a' }], next: 'after-a' };
    kept['/api/coupons?after=after-a&limit=30'] = { coupons: [{ id: 'b' }], next: null };
    const { result } = renderHook(() => useLog({ state: 'all', text: '', putAway: false }), {
      wrapper: within(client()),
    });
    await waitFor(() => expect(result.current.hasNextPage).toBe(true));
    act(() => void result.current.fetchNextPage());
    await waitFor(() => expect(result.current.hasNextPage).toBe(false));
    expect(result.current.data?.flatMap(({ coupons }) => coupons.map(({ id }) => id))).toEqual(['a', 'b']);
  });
});

describe('what was seen before', () => {
  it('stands without a word while it is asked for again, and where that fails', async () => {
    kept['/api/rigs'] = [{ id: 'r' }];
    const held = client();
    const { result } = renderHook(() => useRigs(), { wrapper: within(held) });
    expect([result.current.data, result.current.isLoading]).toEqual([undefined, true]);
    await waitFor(() => expect(result.current.data).toEqual([{ id: 'r' }]));
    expect([result.current.error, result.current.isLoading]).toEqual([null, false]);
    away = true;
    await act(() => result.current.refetch() as Promise<void>);
    expect(result.current.data).toEqual([{ id: 'r' }]);
    expect([result.current.error, result.current.isLoading]).toEqual([null, false]);
  });

  it('is an error where nothing was, and no longer loading', async () => {
    away = true;
    const { result } = renderHook(() => useRigs(), { wrapper: within(client()) });
    await waitFor(() => expect(result.current.error).toBeTruthy());
    expect([result.current.data, result.current.isLoading]).toEqual([undefined, false]);
  });
});

describe('the history of a coupon', () => {
  it('is asked for once it is looked at, coupon by coupon', async () => {
    kept['/api/coupons/a/history'] = [{ id: 'x' }];
    kept['/api/coupons/b/history'] = [];
    const { result, rerender } = renderHook(({ id, open }) => useHistory(id, open), {
      wrapper: within(client()),
      initialProps: { id: 'a', open: false },
    });
    await new Promise((later) => setTimeout(later, 10));
    expect(asked).toEqual([]);
    rerender({ id: 'a', open: true });
    await waitFor(() => expect(result.current.data).toEqual([{ id: 'x' }]));
    rerender({ id: 'b', open: true });
    await waitFor(() => expect(result.current.data).toEqual([]));
    expect(asked).toEqual(['GET /api/coupons/a/history', 'GET /api/coupons/b/history']);
  });
});

describe('what the beads took of a rig', () => {
  const rig = (fitted: object) => ({ id: 'r', setup: { rig: fitted } }) as unknown as Parameters<typeof useTaken>[0];
  it('is asked for where spool or cylinder were read, and nowhere else', async () => {
    kept['/api/rigs/r/parts'] = [
      { part: 'tip', taken: null },
      { part: 'spool', taken: 1.5 },
    ];
    const { result, rerender } = renderHook(({ of }) => useTaken(of), {
      wrapper: within(client()),
      initialProps: { of: rig({ spool: { fullKg: 15 } }) },
    });
    await new Promise((later) => setTimeout(later, 10));
    expect(asked).toEqual([]);
    expect(result.current).toEqual({ spool: null, cylinder: null });
    rerender({ of: rig({ spool: { leftKg: 4, at: '2026-05-04T09:00:00.000Z' } }) });
    await waitFor(() => expect(result.current).toEqual({ spool: 1.5, cylinder: null }));
  });
});

describe('the care of a rig', () => {
  it('that waits on the device counts as done', async () => {
    await clearDeviceDatabase();
    resetOutbox();
    const due = { task: 'nozzle', since: '2026-05-01T09:00:00.000Z', arcMinutes: 90, beads: 12, showing: 1 };
    const rig = '0190b000-0000-7000-8000-000000000002';
    kept[`/api/rigs/${rig}/care`] = [due];
    const { result } = renderHook(() => useCare(rig), { wrapper: within(client()) });
    await waitFor(() => expect(result.current.data).toEqual([due]));
    const doneAt = '2026-05-04T09:00:00.000Z';
    await act(() =>
      enqueue([
        makeChange('care', rig, { id: '0190b000-0000-7000-8000-000000000077', by: 'Ada', task: 'nozzle', doneAt }, 3),
      ]),
    );
    await waitFor(() =>
      expect(result.current.data).toEqual([{ task: 'nozzle', since: doneAt, arcMinutes: 0, beads: 0, showing: 0 }]),
    );
  });
});

describe('a change from a screen', () => {
  const change = () => makeChange('change-bead', '0190b000-0000-7000-8000-000000000020', { note: 'a' }, 3);
  beforeEach(async () => {
    await clearDeviceDatabase();
    resetOutbox();
  });

  it('is under way until the device keeps it, and then is not', async () => {
    const { result } = renderHook(() => useSubmit(), { wrapper: within(client()) });
    expect([result.current.busy, result.current.problem]).toEqual([false, null]);
    let done: Promise<boolean> = Promise.resolve(false);
    act(() => void (done = result.current.put([change()])));
    expect(result.current.busy).toBe(true);
    await act(async () => expect(await done).toBe(true));
    expect([result.current.busy, result.current.problem]).toEqual([false, null]);
    expect(pendingNow()).toHaveLength(1);
  });

  it('says what is wrong where it can be neither kept nor sent, and lets it be tried again', async () => {
    away = true;
    const { result } = renderHook(() => useSubmit(), { wrapper: within(client()) });
    // What can be neither copied nor written out: a change that holds itself.
    const bad = change();
    Object.assign(bad.fields, { note: bad });
    await act(async () => expect(await result.current.put([bad])).toBe(false));
    expect(result.current.busy).toBe(false);
    expect(result.current.problem).toBeTruthy();
    await act(async () => expect(await result.current.put([change()])).toBe(true));
    expect(result.current.problem).toBeNull();
  });
});
