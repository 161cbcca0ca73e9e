import matchesChange from '../../compiled/change';
import matchesFields from '../../compiled/fields-of';
import type { FieldProblem } from '../../schema/problems';
import { validateWith, type Validated } from '../../schema/validate';
import { CHANGES, type ChangeKind, type FieldsOf } from '../kinds/all';
import type { ChangeDescriptor } from '../kinds/descriptor';
import type { ChangeEnvelope } from './change-schema';

/** One change, by its kind. */
export type ChangeOf<Kind extends ChangeKind> = Omit<ChangeEnvelope, 'kind' | 'fields'> & {
  kind: Kind;
  fields: FieldsOf[Kind];
};
export type Change = { [Kind in ChangeKind]: ChangeOf<Kind> }[ChangeKind];

/** The wrong fields of a change, each with what it takes; of what it begins, with the id that stands in `of`. */
export function fieldsProblems(kind: ChangeKind, fields: object, of: string): FieldProblem[] {
  const { begins, problems }: ChangeDescriptor = CHANGES[kind];
  const besides = problems as ((fields: object) => FieldProblem[]) | undefined;
  return validateWith<object>(matchesFields[kind], begins ? { ...fields, id: of } : fields, besides).problems ?? [];
}

/** A change, or every wrong field with what it takes. */
export const validateChange = (input: unknown): Validated<Change> =>
  validateWith<Change>(matchesChange, input, ({ kind, fields, of }) => fieldsProblems(kind, fields, of));
