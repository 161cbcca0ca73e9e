import { CASE_FORMAT } from '../case/schema';
import { ajv, validateCase, type Validated } from '../case/validate';
import { fieldProblems, type FieldProblem } from '../case/problems';
import { BEAD_SCHEMA, COUPON_SCHEMA, RIG_RECORD_SCHEMA, type Bead, type Coupon, type RigRecord } from './schema';

const matchesRig = ajv.compile<RigRecord>(RIG_RECORD_SCHEMA);
const matchesCoupon = ajv.compile<Coupon>(COUPON_SCHEMA);
const matchesBead = ajv.compile<Bead>(BEAD_SCHEMA);

function result<T>(value: unknown, problems: FieldProblem[]): Validated<T> {
  return problems.length === 0 ? { value: value as T, problems: null } : { value: null, problems };
}

/** A rig record, or every wrong field with what it takes. */
export function validateRig(input: unknown): Validated<RigRecord> {
  if (!matchesRig(input)) return result(input, fieldProblems(matchesRig.errors));
  return result(input, validateCase({ format: CASE_FORMAT, rig: input.rig }).problems ?? []);
}

/** A coupon, or every wrong field with what it takes. */
export function validateCoupon(input: unknown): Validated<Coupon> {
  return result(input, matchesCoupon(input) ? [] : fieldProblems(matchesCoupon.errors));
}

/** A bead, or every wrong field with what it takes. */
export function validateBead(input: unknown): Validated<Bead> {
  if (!matchesBead(input)) return result(input, fieldProblems(matchesBead.errors));
  return result(input, validateCase({ format: CASE_FORMAT, findings: input.findings }).problems ?? []);
}
