import type { FieldProblem } from '../../core/schema/problems';

/** A write that the kept records do not allow: fields that name what is not there, or what may not change. */
export class Refusal extends Error {
  constructor(
    readonly kind: 'wrong-fields' | 'conflict' | 'touched-since' | 'not-found',
    readonly fields: FieldProblem[],
  ) {
    super(fields.map(({ field, takes }) => `${field} takes ${takes}`).join('; '));
  }
}
