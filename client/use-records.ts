import {
  skipToken,
  useInfiniteQuery,
  useQuery,
  useQueryClient,
  type InfiniteData,
  type QueryClient,
} from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import type { CareKnown } from '@/core/care/due';
import type { Teaching } from '@/core/learning/teaching';
import type { ChartCell } from '@/core/answer/own-chart';
import type { Worn } from '@/core/record/shapes/part-wear';
import type { Taken } from '@/core/start/stock';
import type { Change } from '@/core/record/change/change';
import type { Coupon, CouponPage, RigRecord } from '@/core/record/shapes/record-schema';
import {
  couponBegun,
  couponsBegun,
  couponWith,
  rigsWith,
  summaryOf,
  summaryWith,
} from '@/core/record/pending/pending-record';
import { careWith } from '@/core/record/pending/pending-care';
import { useOutbox, type Files } from '@/client/outbox/outbox';
import {
  fetchCare,
  fetchCoupon,
  fetchHistory,
  fetchLogPage,
  fetchNewestCouponId,
  fetchOwnChart,
  fetchRigs,
  fetchTeaching,
  fetchWorn,
  RequestProblem,
  type LogFilter,
} from './api';
import { couponKey, LOG, NEWEST, RIGS, TAUGHT } from './records-client';
import { submit } from './send-changes';

/** What is known of a record: what the server said last with what waits laid over it, or why nothing is known. */
export type Known<T> = {
  data: T | undefined;
  error: Error | null;
  isLoading: boolean;
  refetch: () => Promise<unknown>;
};

/** Returns what waits and was not refused, for laying over what is kept. */
export function useStandingChanges(): readonly Change[] {
  const waiting = useOutbox();
  return useMemo(() => waiting.filter(({ refused }) => refused === null).map(({ change }) => change), [waiting]);
}

/** Something seen before stands as long as the server does not say that it is gone. */
export function known<T>(
  query: { error: Error | null; isLoading: boolean; refetch: () => Promise<unknown> },
  data: T | undefined,
): Known<T> {
  const { error, isLoading, refetch } = query;
  return { data, error: data === undefined ? error : null, isLoading: isLoading && data === undefined, refetch };
}

/** Returns whether a bead waits to be logged: its number is not given yet. */
export const useWaits = (beadId: string): boolean =>
  useOutbox().some(({ change, refused }) => change.of === beadId && change.kind === 'log-bead' && refused === null);

/** Every rig; a workshop has few. */
export function useRigs(asked = true): Known<RigRecord[]> {
  const query = useQuery({ queryKey: RIGS, queryFn: fetchRigs, enabled: asked });
  const changes = useStandingChanges();
  const { data } = query;
  return known(
    query,
    useMemo(() => (data === undefined ? undefined : rigsWith(data, changes)), [data, changes]),
  );
}

/** Returns what a rig has taught, as the server last made it of the beads it knows. */
export function useTeaching(rigId: string): Known<Teaching> {
  const waits = useStandingChanges().some(({ kind, of }) => kind === 'begin-rig' && of === rigId);
  const query = useQuery({
    queryKey: [...TAUGHT, rigId],
    // The server does not know yet of a rig that waits to be begun.
    queryFn: waits ? skipToken : () => fetchTeaching(rigId),
  });
  return known(query, query.data);
}

/** The own settings chart of a rig, as the server last made it; what teaches the rig anew makes it anew. */
export function useOwnChart(rigId: string): Known<ChartCell[]> {
  const query = useQuery({ queryKey: [...TAUGHT, rigId, 'chart'], queryFn: () => fetchOwnChart(rigId) });
  return known(query, query.data);
}

/** Returns what the parts of a rig have done, as the server last counted it. */
export function useWorn(rigId: string, enabled = true): Known<Worn[]> {
  const query = useQuery({ queryKey: [...TAUGHT, rigId, 'parts'], queryFn: () => fetchWorn(rigId), enabled });
  return known(query, query.data);
}

/** Returns what is known of the care of a rig, with what waits laid over it. */
export function useCare(rigId: string): Known<CareKnown[]> {
  const query = useQuery({ queryKey: [...TAUGHT, rigId, 'care'], queryFn: () => fetchCare(rigId) });
  const changes = useStandingChanges();
  const { data } = query;
  return known(
    query,
    useMemo(() => (data === undefined ? undefined : careWith(data, rigId, changes)), [data, rigId, changes]),
  );
}

/** Returns what the beads of a rig took of spool and cylinder since each was read; null where that is not known, or nobody read them. */
export function useTaken({ id, setup: { rig } }: RigRecord): Taken {
  const { data = [] } = useWorn(id, (rig.spool?.at ?? rig.cylinder?.at) !== undefined);
  const of = (part: Worn['part']): number | null => data.find((one) => one.part === part)?.taken ?? null;
  return { spool: of('spool'), cylinder: of('cylinder') };
}

export const isGone = (error: Error | null): boolean => error instanceof RequestProblem && error.code === 'not-found';

/** One coupon with its beads. @param id null while it is not known which */
export function useCoupon(id: string | null): Known<Coupon> {
  const changes = useStandingChanges();
  const isBegun = changes.some(({ kind, of }) => kind === 'begin-coupon' && of === id);
  const moves = changes.some(({ kind, of }) => kind === 'change-coupon' && of === id);
  const query = useQuery({
    queryKey: couponKey(id ?? ''),
    // The server does not know yet of what waits to be begun.
    queryFn: id === null || isBegun ? skipToken : () => fetchCoupon(id),
  });
  const rigs = useRigs(isBegun || moves).data;
  const kept = isGone(query.error) && !isBegun ? undefined : query.data;
  const data = useMemo(() => {
    const base = kept ?? (id === null ? null : couponBegun(id, changes, rigs ?? []));
    return base === null ? undefined : couponWith(base, changes, rigs);
  }, [kept, id, changes, rigs]);
  return known(query, data);
}

/** The coupon to open the bench with where none was chosen. @param asked whether it is wanted at all */
export const useNewestCouponId = (asked: boolean): Known<string | null> => {
  const query = useQuery({ queryKey: NEWEST, queryFn: fetchNewestCouponId, enabled: asked });
  return known(query, query.data);
};

/** Asks for the coupon in work before any screen does. @param chosen the one that was chosen on this device */
export async function fetchAhead(client: QueryClient, chosen: string | null): Promise<void> {
  const id = chosen ?? (await client.fetchQuery({ queryKey: NEWEST, queryFn: fetchNewestCouponId }));
  if (id !== null) await client.prefetchQuery({ queryKey: couponKey(id), queryFn: () => fetchCoupon(id) });
}

const EVERYTHING: LogFilter = { state: 'all', text: '', putAway: false };

/** Sees the rigs and the newest coupons while the server is there, so that those places open without it. */
export async function seeForLater(client: QueryClient): Promise<void> {
  const rigs = await client.fetchQuery({ queryKey: RIGS, queryFn: fetchRigs }).catch(() => []);
  await client.prefetchInfiniteQuery({
    queryKey: [...LOG, EVERYTHING],
    queryFn: ({ pageParam }) => fetchLogPage(EVERYTHING, pageParam),
    initialPageParam: null as string | null,
  });
  for (const { id } of rigs)
    await client.prefetchQuery({ queryKey: [...TAUGHT, id], queryFn: () => fetchTeaching(id) });
}

/** Asks again for what failed, and for nothing else. */
export function askAgain(queries: readonly { error: Error | null; refetch: () => Promise<unknown> }[]): void {
  for (const query of queries) if (query.error !== null) void query.refetch();
}

/** A page of the log with what waits laid over it; what waits to be begun stands on the first. */
function pageWith(
  page: CouponPage,
  isFirst: boolean,
  { state, text, putAway }: LogFilter,
  changes: readonly Change[],
  rigs: readonly RigRecord[],
): CouponPage {
  const begun = isFirst && state !== 'sound' && !putAway ? couponsBegun(changes, rigs) : [];
  const lines = begun
    .filter(({ id, title }) => title.includes(text.trim()) && !page.coupons.some((kept) => kept.id === id))
    .map((coupon) => summaryOf(couponWith(coupon, changes, rigs)));
  return { ...page, coupons: [...lines, ...page.coupons.map((line) => summaryWith(line, changes))] };
}

/** The log, a page at a time. */
export function useLog(filter: LogFilter) {
  const changes = useStandingChanges();
  const rigs = useRigs(changes.some(({ kind }) => kind === 'begin-coupon')).data;
  const lay = useCallback(
    (data: InfiniteData<CouponPage, string | null>) =>
      data.pages.map((page, i) => pageWith(page, i === 0, filter, changes, rigs ?? [])),
    [filter, changes, rigs],
  );
  return useInfiniteQuery({
    queryKey: [...LOG, filter],
    queryFn: ({ pageParam }) => fetchLogPage(filter, pageParam),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
    select: lay,
  });
}

/** Every change of a coupon and its beads. @param asked whether it is looked at */
export const useHistory = (couponId: string, asked: boolean) =>
  useQuery({ queryKey: [...couponKey(couponId), 'history'], queryFn: () => fetchHistory(couponId), enabled: asked });

/** Makes changes from a screen: whether that is under way, and what went wrong where they could not even be kept. */
export function useSubmit() {
  const client = useQueryClient();
  const [state, setState] = useState<{ busy: boolean; problem: string | null }>({ busy: false, problem: null });
  const put = useCallback(
    async (changes: readonly Change[], files?: Files): Promise<boolean> => {
      setState({ busy: true, problem: null });
      try {
        await submit(client, changes, files);
        setState({ busy: false, problem: null });
        return true;
      } catch (error) {
        setState({ busy: false, problem: error instanceof Error ? error.message : String(error) });
        return false;
      }
    },
    [client],
  );
  return { ...state, put };
}
