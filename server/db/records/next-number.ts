import { eq, max, sql } from 'drizzle-orm';
import { perStore } from '../engine/prepared';
import { beads } from '../tables/schema';
import type { Store } from '../engine/store';

const highestOf = perStore((store) =>
  store
    .select({ highest: max(beads.number) })
    .from(beads)
    .where(eq(beads.couponId, sql.placeholder('couponId')))
    .prepare(),
);

/** The number after the highest that was ever given on a coupon. */
export function nextNumber(store: Store, couponId: string): number {
  return (highestOf(store).get({ couponId })?.highest ?? 0) + 1;
}
