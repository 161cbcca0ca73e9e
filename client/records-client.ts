import { experimental_createQueryPersister as createPersister } from '@tanstack/query-persist-client-core';
import { QueryClient, type Query, type QueryKey } from '@tanstack/react-query';
import type { Level } from '@/core/inspection/level-schema';
import type { Changed } from '@/core/record/change/change-schema';
import type { SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import type { PictureOwner, Picture } from '@/core/record/shapes/picture-schema';
import type { Bead, Coupon, RigRecord } from '@/core/record/shapes/record-schema';
import type { Weld } from '@/core/record/shapes/weld-schema';
import { deviceDatabase } from '@/client/outbox/device-database';
import { fetchCoupon, fetchRigs, isWorthRepeating } from './api';

/** What the device has seen of the records, by the questions that were asked. */
export const RIGS = ['rigs'];
export const LOG = ['log'];
/** Everything by the day, what it can be narrowed to, and the charts of it: any change may change them. */
export const DAYS = ['days'];
export const NEWEST = ['newest-coupon'];
export const COUPONS = ['coupon'];
export const TAUGHT = ['taught'];
export const SAVED_SETTINGS = ['proven'];
export const WELDS = ['welds'];
export const LEVELS_SEEN = ['levels'];
const PICTURES = ['pictures'];
export const picturesKey = (owner: PictureOwner): string[] => [
  ...PICTURES,
  ...('weldId' in owner ? ['weld', owner.weldId] : ['coupon', owner.couponId]),
];
export const provenKey = (id: string): string[] => [...SAVED_SETTINGS, 'one', id];
export const weldKey = (id: string): string[] => [...WELDS, 'one', id];
export const couponKey = (id: string): string[] => [...COUPONS, id];

/** Raised when what a record looks like changes: what was seen before is then fetched anew. */
const SEEN_VERSION = 'records-3';
/** Records last seen longer ago are not shown any more. */
const SEEN_FOR = 90 * 24 * 60 * 60 * 1000;

/** The device's shelf of what it has seen. It is only a memory: where there is none, the server is asked. */
const shelf = {
  getItem: async (key: string): Promise<string | undefined> => {
    try {
      return await (await deviceDatabase()).get('seen', key);
    } catch {
      return undefined;
    }
  },
  setItem: async (key: string, text: string): Promise<void> => {
    await deviceDatabase()
      .then((database) => database.put('seen', text, key))
      .catch(() => undefined);
  },
  removeItem: async (key: string): Promise<void> => {
    await deviceDatabase()
      .then((database) => database.delete('seen', key))
      .catch(() => undefined);
  },
};
/** Pages of a list that the device remembers. */
const MOST_PAGES_SEEN = 3;
const pagesOf = (data: unknown): number => (data as { pages?: unknown[] } | undefined)?.pages?.length ?? 0;

const persister = createPersister<string>({
  storage: shelf,
  maxAge: SEEN_FOR,
  buster: SEEN_VERSION,
  refetchOnRestore: false,
  // A list that is scrolled far is not written down anew at each of its pages.
  filters: { predicate: ({ state }) => pagesOf(state.data) <= MOST_PAGES_SEEN },
});

/** Returns what was seen on an earlier visit is shown at once and asked for anew; where that fails it goes on standing. */
const remembering: typeof persister.persisterFn = async (ask, context, query) => {
  if (query.state.data === undefined) {
    const seen = await persister.retrieveQuery<Awaited<ReturnType<typeof ask>>>(query.queryHash, ({ state }) => {
      query.setState({ dataUpdatedAt: state.dataUpdatedAt });
      query.fetch().catch(() => undefined);
    });
    if (seen !== undefined) return seen;
  }
  return persister.persisterFn(ask, context, query);
};

/** Returns what asks the server and remembers. The server stands beside the app, whatever the browser thinks of the internet. */
export function recordsClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        networkMode: 'always',
        retry: isWorthRepeating,
        staleTime: 30_000,
        persister: remembering as never,
      },
    },
  });
}

/**
 * Everything by the day and its charts are behind: fetched anew where they are looked at. A list that was scrolled far is not, for
 * all its pages would be, one after the other, and the one that is coming be dropped; it is when it is next opened.
 */
export function daysAreBehind(client: QueryClient): void {
  void client.invalidateQueries({ queryKey: DAYS, refetchType: 'none' });
  void client.refetchQueries({
    queryKey: DAYS,
    type: 'active',
    predicate: ({ state }) => pagesOf(state.data) <= MOST_PAGES_SEEN && !isPageComing(state),
  });
}

const isPageComing = ({ fetchStatus, fetchMeta }: Query['state']): boolean =>
  fetchStatus === 'fetching' && fetchMeta?.fetchMore !== undefined;

/** Puts something better in the place of what was seen, on the device too. */
async function see<T>(client: QueryClient, key: QueryKey, next: (seen: T | undefined) => T | undefined): Promise<void> {
  client.setQueryData<T>(key, next);
  askAnewIfAsked(client, key);
  if (client.getQueryData(key) !== undefined) await persister.persistQueryByKey(key, client);
}

/** An answer on its way was perhaps written before what is seen now, and would stand over it: it is asked for anew. */
function askAnewIfAsked(client: QueryClient, key: QueryKey): void {
  const query = client.getQueryCache().find({ queryKey: key, exact: true });
  if (query?.state.fetchStatus !== 'fetching') return;
  const again = (): unknown => query.fetch(undefined, { cancelRefetch: true }).catch(() => undefined);
  // What stands already may be dropped; a first answer is waited for, by those who asked for it.
  if (query.state.data !== undefined) again();
  else void query.promise?.then(again, () => undefined);
}

/** The beads of a coupon with one put in its place, in order; without those that were taken back. */
function withBead(kept: Coupon, bead: Bead): Coupon {
  const beads = [...kept.beads.filter(({ id }) => id !== bead.id), ...(bead.takenBack ? [] : [bead])];
  const knowsSetup = kept.setups.some(({ id }) => id === bead.setupId) || kept.rig.setup.id !== bead.setupId;
  return {
    ...kept,
    setups: knowsSetup ? kept.setups : [...kept.setups, kept.rig.setup],
    nextNumber: Math.max(kept.nextNumber, bead.number + 1),
    beads: beads.sort((a, b) => a.number - b.number),
  };
}

/** A bead as the server has it now stands in its coupon at once, unless something newer does. */
export function seeBead(client: QueryClient, bead: Bead): Promise<void> {
  return see<Coupon>(client, couponKey(bead.couponId), (kept) => {
    const before = kept?.beads.find(({ id }) => id === bead.id);
    return kept === undefined || (before !== undefined && before.revision >= bead.revision)
      ? kept
      : withBead(kept, bead);
  });
}

/** Every coupon that was seen; what else was asked of a coupon stands under longer keys. */
export function seenCoupons(client: QueryClient): [QueryKey, Coupon][] {
  const found = client.getQueriesData<Coupon>({ queryKey: COUPONS });
  return found.flatMap(([key, coupon]) =>
    key.length === couponKey('').length && coupon !== undefined ? [[key, coupon]] : [],
  );
}

/** A kept setting, a weld or a level as the server has it now; lists are fetched when they are next looked at. */
export async function seeWork(
  client: QueryClient,
  { proven, welds, levels }: { proven: readonly SavedSetting[]; welds: readonly Weld[]; levels: readonly Level[] },
): Promise<void> {
  await Promise.all([
    ...proven.map((one) => see<SavedSetting>(client, provenKey(one.id), () => one)),
    ...welds.map((one) => see<Weld>(client, weldKey(one.id), () => one)),
  ]);
  if (proven.length > 0 || welds.length > 0) void client.invalidateQueries({ queryKey: [...SAVED_SETTINGS, 'list'] });
  if (welds.length > 0) void client.invalidateQueries({ queryKey: [...WELDS, 'list'] });
  if (proven.length > 0) void client.invalidateQueries({ queryKey: TAUGHT });
  if (levels.length > 0) void client.invalidateQueries({ queryKey: LEVELS_SEEN });
  // A setting counts the welds made with it.
  for (const { provenId } of welds) void client.invalidateQueries({ queryKey: provenKey(provenId) });
}

/** A picture as the server has it now, among those of its coupon or weld; without those that were taken back. */
export async function seePicture(client: QueryClient, picture: Picture): Promise<void> {
  const { id, couponId, weldId } = picture;
  const owner = weldId === null ? { couponId: couponId ?? '' } : { weldId };
  await see<Picture[]>(client, picturesKey(owner), (seen) =>
    seen === undefined ? seen : [...seen.filter((one) => one.id !== id), ...(picture.takenBack ? [] : [picture])],
  );
}

/** A rig as the server has it now, in the list and on every coupon it stands on. */
export async function seeRig(client: QueryClient, rig: RigRecord): Promise<void> {
  const coupons = seenCoupons(client).filter(([, kept]) => kept.rig.id === rig.id);
  await Promise.all([
    see<RigRecord[]>(client, RIGS, (rigs) =>
      rigs === undefined
        ? rigs
        : [...rigs.filter(({ id }) => id !== rig.id), rig].sort((a, b) => (a.name < b.name ? -1 : 1)),
    ),
    ...coupons.map(([key]) => see<Coupon>(client, key, (coupon) => coupon && { ...coupon, rig, rigName: rig.name })),
  ]);
}

/** What stands in no screen now, but may on the device from an earlier visit, is fetched, so that it is not behind. */
async function seeAnew<T>(client: QueryClient, key: QueryKey, fetchIt: () => Promise<T>): Promise<void> {
  if (client.getQueryData(key) !== undefined) return;
  const fetched = await fetchIt().catch(() => undefined);
  if (fetched !== undefined) await see<T>(client, key, (seen) => seen ?? fetched);
}

/**
 * What the server answered to a change stands in the records at once; the log is fetched when it is next looked at.
 * @returns when it stands on the device too, so that the change need not wait there any more
 */
export async function seeAnswer(
  client: QueryClient,
  { bead, coupon, rig, proven, weld, level, picture }: Changed,
): Promise<void> {
  void client.invalidateQueries({ queryKey: LOG });
  daysAreBehind(client);
  if (coupon !== undefined) void client.invalidateQueries({ queryKey: NEWEST });
  await Promise.all([
    bead === undefined ? null : seeBead(client, bead),
    coupon === undefined ? null : see<Coupon>(client, couponKey(coupon.id), () => coupon),
    rig === undefined ? null : seeRig(client, rig),
    picture === undefined ? null : seePicture(client, picture),
    seeWork(client, {
      proven: proven === undefined ? [] : [proven],
      welds: weld === undefined ? [] : [weld],
      levels: level === undefined ? [] : [level],
    }),
  ]);
  // A bead that was judged teaches; what a rig forgets or was timed at does as well.
  if (bead !== undefined || rig !== undefined) void client.invalidateQueries({ queryKey: TAUGHT });
  if (bead !== undefined) await seeAnew(client, couponKey(bead.couponId), () => fetchCoupon(bead.couponId));
  if (rig !== undefined) await seeAnew(client, RIGS, fetchRigs);
}
