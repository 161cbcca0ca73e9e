import { and, eq, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import { perStore } from '../engine/prepared';
import type { Store } from '../engine/store';
import { beads, coupons, proven, welds } from '../tables/schema';

/*
 * What the record counts of its own things, and where it stands: the beads of a coupon and its first sound one, the welds of a saved
 * setting. Whoever writes or takes back a bead or a weld has them counted anew, here alone.
 */

/** The revision that is set, where one is given. */
const revisionOf = (column: SQLiteColumn): SQL => sql`coalesce(${sql.placeholder('revision')}, ${column})`;
const among = (column: SQLiteColumn): SQL => sql`${column} IN (SELECT value FROM json_each(${sql.placeholder('ids')}))`;

const beadsCounted = perStore((store) => {
  const standing = sql`${beads.couponId} = ${coupons.id} AND NOT ${beads.takenBack}`;
  return store
    .update(coupons)
    .set({
      beadCount: sql`(SELECT count(*) FROM ${beads} WHERE ${standing})`,
      soundNumber: sql`(SELECT min(${beads.number}) FROM ${beads} WHERE ${standing} AND ${beads.outcome} = 'sound')`,
      revision: revisionOf(coupons.revision),
    })
    .where(among(coupons.id))
    .prepare();
});

const weldsCounted = perStore((store) =>
  store
    .update(proven)
    .set({
      weldCount: sql`(SELECT count(*) FROM ${welds} WHERE ${and(eq(welds.provenId, proven.id), eq(welds.putAway, false))})`,
      revision: revisionOf(proven.revision),
    })
    .where(among(proven.id))
    .prepare(),
);

const asText = (ids: Iterable<string>): string => JSON.stringify([...new Set(ids)]);

/** Counts the beads of coupons anew, and the first sound one of each. @param revision the one they get; null leaves theirs */
export function recountBeads(store: Store, couponIds: Iterable<string>, revision: number | null): void {
  beadsCounted(store).run({ ids: asText(couponIds), revision });
}

/** Counts the welds of saved settings anew. @param revision the one they get; null leaves theirs */
export function recountWelds(store: Store, provenIds: Iterable<string>, revision: number | null): void {
  weldsCounted(store).run({ ids: asText(provenIds), revision });
}
