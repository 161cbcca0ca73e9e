import { v7 } from 'uuid';
import type { ChangeKind, FieldsOf } from '../../core/record/kinds/all';
import type { CouponChange } from '../../core/record/kinds/coupons';
import type { RigChange } from '../../core/record/kinds/rigs';
import type { BeadChange, NewBead, NewCoupon, NewRig } from '../../core/record/shapes/record-schema';
import { applyChange } from '../db/changes/apply';
import type { Incoming } from '../db/kinds/storage';
import { beadNow } from '../db/records/beads';
import { newestRevision } from '../db/changes/changes-since';
import { couponNow } from '../db/records/coupons';
import { rigNow } from '../db/records/rigs';
import type { Writing } from '../db/records/write';

/** Where something is put, and when. */
type Put = { writing: Writing; now: Date };

/** Whole records, for tests of what is stored: each becomes the changes that make what is stored into it. */
function apply<Kind extends ChangeKind>({ writing, now }: Put, kind: Kind, of: string, fields: FieldsOf[Kind]): void {
  const change = {
    ...{ id: v7(), kind, of, device: null, madeAt: now.toISOString(), fields },
    against: newestRevision(writing.store),
  };
  applyChange(writing, change as unknown as Incoming);
}

/** Only what is stated; what stands there already is left alone by `applyChange`. */
const stated = <T extends object>(fields: { [Field in keyof T]?: T[Field] | undefined }): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;

/** Logs a bead; the same one again changes nothing. @throws Refusal as `applyChange` */
export function putBead(writing: Writing, { id, ...fields }: NewBead, now: Date): void {
  apply({ writing, now }, 'log-bead', id, fields);
}

/** Changes what is named of a bead. @returns false where there is no such bead */
export function changeBead(writing: Writing, id: string, change: BeadChange, now: Date): boolean {
  if (beadNow(writing.store, id) === null) return false;
  apply({ writing, now }, 'change-bead', id, change);
  return true;
}

/** Begins a coupon, or makes the one that is kept like this one; a job that is new corrects the one before. */
export function putCoupon(writing: Writing, { id, ...coupon }: NewCoupon, now: Date): void {
  if (couponNow(writing.store, id) === null) return apply({ writing, now }, 'begin-coupon', id, coupon);
  const { title, rigId, putAway, job } = coupon;
  apply({ writing, now }, 'change-coupon', id, stated<CouponChange>({ title, rigId, putAway }));
  apply({ writing, now }, 'correct-job', id, job);
}

/** Begins a rig, or makes the one that is kept like this one; a setup that is new is fitted. */
export function putRig(writing: Writing, { id, ...rig }: NewRig, now: Date): void {
  if (rigNow(writing.store, id) === null) return apply({ writing, now }, 'begin-rig', id, rig);
  const { name, note, putAway, setup } = rig;
  apply({ writing, now }, 'change-rig', id, stated<RigChange>({ name, note, putAway }));
  apply({ writing, now }, 'refit', id, setup);
}
