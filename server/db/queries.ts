import { asc, count, desc, eq } from 'drizzle-orm';
import type { Bead, Coupon, CouponSummary, RigRecord } from '../../core/record/schema';
import type { Store } from './open';
import { beads, coupons, rigs } from './schema';

export function listRigs(store: Store): RigRecord[] {
  return store.select().from(rigs).orderBy(asc(rigs.name)).all();
}

/** Writes a rig, new or again; the same write twice changes nothing. */
export function putRig(store: Store, rig: RigRecord): void {
  store.insert(rigs).values(rig).onConflictDoUpdate({ target: rigs.id, set: rig }).run();
}

export function rigExists(store: Store, id: string): boolean {
  return store.select({ id: rigs.id }).from(rigs).where(eq(rigs.id, id)).get() !== undefined;
}

export function couponExists(store: Store, id: string): boolean {
  return store.select({ id: coupons.id }).from(coupons).where(eq(coupons.id, id)).get() !== undefined;
}

/** Coupons newest first, each with its beads in order. */
export function listCoupons(store: Store): CouponSummary[] {
  const rows = store
    .select({ coupon: coupons, rigName: rigs.name })
    .from(coupons)
    .innerJoin(rigs, eq(coupons.rigId, rigs.id))
    .orderBy(desc(coupons.createdAt))
    .all();
  const byCoupon = new Map<string, Bead[]>();
  for (const bead of store.select().from(beads).orderBy(asc(beads.number), asc(beads.ranAt)).all()) {
    byCoupon.set(bead.couponId, [...(byCoupon.get(bead.couponId) ?? []), toBead(bead)]);
  }
  return rows.map(({ coupon, rigName }) => ({ ...coupon, rigName, beads: byCoupon.get(coupon.id) ?? [] }));
}

/** One coupon with its beads, or null. */
export function findCoupon(store: Store, id: string): CouponSummary | null {
  const row = store
    .select({ coupon: coupons, rigName: rigs.name })
    .from(coupons)
    .innerJoin(rigs, eq(coupons.rigId, rigs.id))
    .where(eq(coupons.id, id))
    .get();
  if (row === undefined) return null;
  const its = store
    .select()
    .from(beads)
    .where(eq(beads.couponId, id))
    .orderBy(asc(beads.number), asc(beads.ranAt))
    .all();
  return { ...row.coupon, rigName: row.rigName, beads: its.map(toBead) };
}

export function putCoupon(store: Store, coupon: Coupon): void {
  store.insert(coupons).values(coupon).onConflictDoUpdate({ target: coupons.id, set: coupon }).run();
}

function toBead({ readings, ...row }: typeof beads.$inferSelect): Bead {
  return readings === null ? row : { ...row, readings };
}

/** Writes a bead, new or again; the same write twice changes nothing. */
export function putBead(store: Store, bead: Bead): void {
  const row = { ...bead, readings: bead.readings ?? null };
  store.insert(beads).values(row).onConflictDoUpdate({ target: beads.id, set: row }).run();
}

/** Takes a bead out of the record (undo of a log); gone twice is gone. */
export function deleteBead(store: Store, id: string): void {
  store.delete(beads).where(eq(beads.id, id)).run();
}

/** Whether nothing is kept yet: a new database. */
export function isEmpty(store: Store): boolean {
  return (store.select({ n: count() }).from(rigs).get()?.n ?? 0) === 0;
}
