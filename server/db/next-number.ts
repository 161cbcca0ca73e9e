import { eq, max } from 'drizzle-orm';
import { beads } from './schema';
import type { Store } from './store';

/** The number after the highest that was ever given on a coupon. */
export function nextNumber(store: Store, couponId: string): number {
  const [{ highest }] = store
    .select({ highest: max(beads.number) })
    .from(beads)
    .where(eq(beads.couponId, couponId))
    .all();
  return (highest ?? 0) + 1;
}
