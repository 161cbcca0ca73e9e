import { v7 } from 'uuid';
import type { ChangeKind, CouponChange, RigChange } from '../../core/record/change-schema';
import type { FieldsOf } from '../../core/record/change';
import type { BeadChange, NewBead, NewCoupon, NewRig } from '../../core/record/schema';
import { applyChange, type Incoming } from './apply';
import { beadNow } from './beads';
import { newestRevision } from './changes';
import { couponNow } from './coupons';
import { rigNow } from './rigs';
import type { Writing } from './write';

/**
 * Whole records as a program sends them: each becomes the changes that make what is kept into what was sent, so that
 * the history tells of these writes as of any other. A program reads what is newest and so overrides nothing unseen.
 */
function apply<Kind extends ChangeKind>(writing: Writing, kind: Kind, of: string, fields: FieldsOf[Kind]): void {
  const change = {
    ...{ id: v7(), kind, of, device: null, madeAt: new Date().toISOString(), fields },
    against: newestRevision(writing.store),
  };
  applyChange(writing, change as unknown as Incoming);
}

/** Only what is stated and differs. */
function differing<T extends object>(stated: { [Field in keyof T]?: T[Field] | undefined }, now: T): Partial<T> {
  const fields = Object.entries(stated).filter(
    ([field, value]) => value !== undefined && now[field as keyof T] !== value,
  );
  return Object.fromEntries(fields) as Partial<T>;
}

const isEmpty = (fields: object): boolean => Object.keys(fields).length === 0;

/** Logs a bead; the same one again changes nothing. @throws Refusal as `applyChange` */
export function putBead(writing: Writing, { id, ...fields }: NewBead): void {
  apply(writing, 'log-bead', id, fields);
}

/** Changes what is named of a bead. @returns false where there is no such bead */
export function changeBead(writing: Writing, id: string, change: BeadChange): boolean {
  const now = beadNow(writing.store, id);
  if (now === null) return false;
  const fields = differing<BeadChange>(change, now);
  if (!isEmpty(fields)) apply(writing, 'change-bead', id, fields);
  return true;
}

/** Begins a coupon, or makes the one that is kept like this one; a job that is new corrects the one before. */
export function putCoupon(writing: Writing, { id, ...coupon }: NewCoupon): void {
  const now = couponNow(writing.store, id);
  if (now === null) return apply(writing, 'begin-coupon', id, coupon);
  const { title, rigId, putAway, job } = coupon;
  const fields = differing<CouponChange>({ title, rigId, putAway }, now);
  if (!isEmpty(fields)) apply(writing, 'change-coupon', id, fields);
  apply(writing, 'correct-job', id, job);
}

/** Begins a rig, or makes the one that is kept like this one; a setup that is new is fitted. */
export function putRig(writing: Writing, { id, ...rig }: NewRig): void {
  const now = rigNow(writing.store, id);
  if (now === null) return apply(writing, 'begin-rig', id, rig);
  const { name, note, putAway, setup } = rig;
  const fields = differing<RigChange>({ name, note, putAway }, now);
  if (!isEmpty(fields)) apply(writing, 'change-rig', id, fields);
  apply(writing, 'refit', id, setup);
}
