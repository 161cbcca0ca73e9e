import { skipToken, useInfiniteQuery, useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { LEVELS } from '@/core/inspection/levels';
import type { Level } from '@/core/inspection/level-schema';
import type { SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { couponBegun, couponWith } from '@/core/record/pending/pending-record';
import {
  levelsWith,
  provenBegun,
  pendingSavedSettings,
  provenWith,
  weldBegun,
  pendingWelds,
  weldWith,
} from '@/core/record/pending/pending-welds';
import type { Weld } from '@/core/record/shapes/weld-schema';
import { fetchCoupon } from './api';
import { couponKey, LEVELS_SEEN, SAVED_SETTINGS, provenKey, WELDS, weldKey } from './records-client';
import { isGone, known, useRigs, useStandingChanges, type Known } from './use-records';
import {
  fetchLevels,
  fetchSavedSetting,
  fetchSavedSettingPage,
  fetchWeld,
  fetchWelds,
  type SavedSettingQuery,
  type WeldsAsked,
} from './weld-api';

/**
 * Settings that wait to be kept. Each is made of its coupon, which is asked for by itself: after a reload no screen may have
 * opened it yet.
 */
function useBegunProven(): SavedSetting[] {
  const changes = useStandingChanges();
  const begun = useMemo(() => pendingSavedSettings(changes), [changes]);
  const couponIds = useMemo(() => [...new Set(begun.map(({ couponId }) => couponId))], [begun]);
  const rigs = useRigs(begun.length > 0).data;
  const seen = useQueries({
    queries: couponIds.map((id) => ({
      queryKey: couponKey(id),
      // The server does not know yet of a coupon that waits to be begun.
      queryFn: changes.some(({ kind, of }) => kind === 'begin-coupon' && of === id) ? skipToken : () => fetchCoupon(id),
    })),
    combine: dataOf<Coupon>,
  });
  return useMemo(() => {
    const coupons = couponIds.flatMap((id) => {
      const base = seen.find((coupon) => coupon.id === id) ?? couponBegun(id, changes, rigs ?? []);
      return base === null ? [] : [couponWith(base, changes, rigs)];
    });
    return begun.flatMap(({ id }) => provenBegun(id, changes, coupons) ?? []);
  }, [begun, couponIds, seen, changes, rigs]);
}

/** Returns what is known of several records. */
const dataOf = <T>(queries: readonly { data: unknown }[]): T[] =>
  queries.flatMap(({ data }) => (data === undefined ? [] : [data as T]));

/** Every setting that a weld which waits to be logged is made with: those that wait too, and those that are kept. */
function useProvenOfWaiting(): SavedSetting[] {
  const begun = useBegunProven();
  const changes = useStandingChanges();
  const ids = useMemo(
    () =>
      [...new Set(pendingWelds(changes).map(({ provenId }) => provenId))].filter(
        (id) => !changes.some(({ kind, of }) => kind === 'prove' && of === id),
      ),
    [changes],
  );
  const kept = useQueries({
    queries: ids.map((id) => ({ queryKey: provenKey(id), queryFn: () => fetchSavedSetting(id) })),
    combine: dataOf<SavedSetting>,
  });
  return useMemo(() => [...begun, ...kept], [begun, kept]);
}

/** Kept settings, a page at a time; those that wait stand first. */
export function useSavedSettingPages(asked: SavedSettingQuery) {
  const changes = useStandingChanges();
  const begun = useBegunProven();
  const pages = useInfiniteQuery({
    queryKey: [...SAVED_SETTINGS, 'list', asked],
    queryFn: ({ pageParam }) => fetchSavedSettingPage(asked, pageParam),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
  });
  const { data } = pages;
  const settings = useMemo(() => {
    const kept = data?.pages.flatMap(({ proven }) => proven.map((one) => provenWith(one, changes)));
    if (kept === undefined) return begun.length > 0 ? begun : undefined;
    return [...begun.filter(({ id }) => !kept.some((one) => one.id === id)), ...kept];
  }, [data, begun, changes]);
  return { pages, settings };
}

/** One kept setting. */
export function useSavedSetting(id: string): Known<SavedSetting> {
  const changes = useStandingChanges();
  const begun = useBegunProven().find((one) => one.id === id);
  const query = useQuery({
    queryKey: provenKey(id),
    queryFn: begun === undefined ? () => fetchSavedSetting(id) : skipToken,
  });
  const kept = isGone(query.error) ? undefined : query.data;
  const data = useMemo(() => (kept === undefined ? begun : provenWith(kept, changes)), [kept, begun, changes]);
  return known(query, data);
}

/** Welds, a page at a time; those that wait to be logged stand first. */
export function useWeldPages(asked: WeldsAsked) {
  const changes = useStandingChanges();
  const settings = useProvenOfWaiting();
  const pages = useInfiniteQuery({
    queryKey: [...WELDS, 'list', asked],
    queryFn: ({ pageParam }) => fetchWelds(asked, pageParam),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
  });
  const { data } = pages;
  const welds = useMemo(() => {
    const kept = data?.pages.flatMap((page) => page.welds.map((one) => weldWith(one, changes)));
    const begun = pendingWelds(changes)
      .flatMap(({ id }) => weldBegun(id, changes, settings) ?? [])
      .filter(({ id, provenId }) => (asked.proven ?? provenId) === provenId && !kept?.some((one) => one.id === id));
    return kept === undefined && begun.length === 0 ? undefined : [...begun, ...(kept ?? [])];
  }, [data, changes, settings, asked.proven]);
  return { pages, welds };
}

/** One weld with its inspections and repairs. */
export function useWeld(id: string): Known<Weld> {
  const changes = useStandingChanges();
  const settings = useProvenOfWaiting();
  const isBegun = changes.some(({ kind, of }) => kind === 'log-weld' && of === id);
  const query = useQuery({ queryKey: weldKey(id), queryFn: isBegun ? skipToken : () => fetchWeld(id) });
  const kept = isGone(query.error) && !isBegun ? undefined : query.data;
  const data = useMemo(() => {
    if (kept !== undefined) return weldWith(kept, changes);
    return weldBegun(id, changes, settings) ?? undefined;
  }, [kept, id, changes, settings]);
  return known(query, data);
}

/** The levels of acceptance; the program's own where the workshop's were never seen here. */
export function useLevels(): Level[] {
  const query = useQuery({ queryKey: LEVELS_SEEN, queryFn: fetchLevels });
  const changes = useStandingChanges();
  return useMemo(() => levelsWith(query.data ?? LEVELS, changes), [query.data, changes]);
}
