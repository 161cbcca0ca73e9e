import { eq, max, sql } from 'drizzle-orm';
import { once } from './once';
import { beads } from './schema';
import type { Store } from './store';

const highestOf = once((store) =>
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
