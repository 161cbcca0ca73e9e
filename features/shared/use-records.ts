import {
  skipToken,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
} from '@tanstack/react-query';
import type { Bead, Coupon, RigRecord } from '@/core/record/schema';
import {
  changeBead,
  fetchCoupon,
  fetchLogPage,
  fetchNewestCouponId,
  fetchRigs,
  isWorthRepeating,
  putBead,
  putCoupon,
  putRig,
  type LogFilter,
} from './api';

const RIGS = ['rigs'];
const LOG = ['log'];
const NEWEST = ['newest-coupon'];
const coupon = (id: string): string[] => ['coupon', id];

/** Every rig; a workshop has few. */
export const useRigs = () => useQuery({ queryKey: RIGS, queryFn: fetchRigs });

/** One coupon with its beads. @param id null while it is not known which */
export const useCoupon = (id: string | null) =>
  useQuery({ queryKey: coupon(id ?? ''), queryFn: id === null ? skipToken : () => fetchCoupon(id) });

/** The coupon to open the bench with where none was chosen. @param asked whether it is wanted at all */
export const useNewestCouponId = (asked: boolean) =>
  useQuery({ queryKey: NEWEST, queryFn: fetchNewestCouponId, enabled: asked });

/** Asks for the coupon in work before any screen does. @param chosen the one that was chosen on this device */
export async function fetchAhead(client: QueryClient, chosen: string | null): Promise<void> {
  const id = chosen ?? (await client.fetchQuery({ queryKey: NEWEST, queryFn: fetchNewestCouponId }));
  if (id !== null) await client.prefetchQuery({ queryKey: coupon(id), queryFn: () => fetchCoupon(id) });
}

/** Asks again for what failed, and for nothing else. */
export function askAgain(queries: readonly { isError: boolean; refetch: () => Promise<unknown> }[]): void {
  for (const query of queries) if (query.isError) void query.refetch();
}

/** The log, a page at a time. */
export const useLog = (filter: LogFilter) =>
  useInfiniteQuery({
    queryKey: [...LOG, filter],
    queryFn: ({ pageParam }) => fetchLogPage(filter, pageParam),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
  });

/** The beads of a coupon with one put in its place, in order; without those that were taken back. */
function withBead(kept: Coupon, bead: Bead): Coupon {
  const beads = [...kept.beads.filter(({ id }) => id !== bead.id), ...(bead.takenBack ? [] : [bead])];
  const setups = kept.setups.some(({ id }) => id === bead.setupId) ? kept.setups : [...kept.setups, kept.rig.setup];
  const nextNumber = Math.max(kept.nextNumber, bead.number + 1);
  return { ...kept, setups, nextNumber, beads: beads.sort((a, b) => a.number - b.number) };
}

/** What the server answered to a bead stands in the coupon at once; the log is fetched when it is next looked at. */
function beadWritten(client: QueryClient, bead: Bead): void {
  client.setQueryData<Coupon>(coupon(bead.couponId), (kept) => (kept === undefined ? kept : withBead(kept, bead)));
  void client.invalidateQueries({ queryKey: LOG });
}

/** The device is beside the server: a request is worth sending whatever the browser thinks of the internet. */
const WRITE = { retry: isWorthRepeating, networkMode: 'always' } as const;

export function usePutBead() {
  const client = useQueryClient();
  return useMutation({ ...WRITE, mutationFn: putBead, onSuccess: (bead) => beadWritten(client, bead) });
}

export function useChangeBead() {
  const client = useQueryClient();
  return useMutation({ ...WRITE, mutationFn: changeBead, onSuccess: (bead) => beadWritten(client, bead) });
}

export function usePutCoupon() {
  const client = useQueryClient();
  return useMutation({
    ...WRITE,
    mutationFn: putCoupon,
    onSuccess: (written) => {
      client.setQueryData(coupon(written.id), written);
      void client.invalidateQueries({ queryKey: LOG });
      void client.invalidateQueries({ queryKey: NEWEST });
    },
  });
}

export function usePutRig() {
  const client = useQueryClient();
  return useMutation({
    ...WRITE,
    mutationFn: putRig,
    onSuccess: (written) => {
      client.setQueryData<RigRecord[]>(RIGS, (rigs) => rigs?.map((rig) => (rig.id === written.id ? written : rig)));
      void client.invalidateQueries({ queryKey: RIGS });
      // Every coupon carries its rig as it is fitted now.
      void client.invalidateQueries({ queryKey: ['coupon'] });
    },
  });
}
