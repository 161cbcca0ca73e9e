import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { replacePlatform } from '@/platform/ports';
import { askAgain, fetchAhead, useCoupon, useLog, useRigs } from './use-records';

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
