import type { FieldProblem } from '../../schema/problems';

/**
 * A kind of thing that the record holds, said once: what the published description, what reads changes and files, and what takes them in
 * ask here. What the page says of a change stands in `words/change-words.ts`, where the schemas would weigh on it; how it is stored, in
 * `server/db/records/`.
 */
export type ThingDescriptor<Row = unknown> = {
  /** One of it, in words. */
  readonly name: string;
  /** The schema of one in the file of a record. */
  readonly schema: { readonly required: readonly string[]; readonly properties: object };
  /** Returns what the schema cannot say of it. */
  readonly problems?: (row: never) => FieldProblem[];
  /** The fields that may be otherwise later: everything else is written once. */
  readonly mayChange: readonly string[];
  /** The fields that name other things, and the list each of those stands in. */
  readonly names: readonly (readonly [field: string, list: string])[];
  /** Everything that can be done to it. */
  readonly changes: { readonly [kind: string]: ChangeDescriptor };
  /** What one is, for the compiler alone. */
  readonly row?: Row;
};

/** A kind of change: one thing that can be done to a thing of the record. */
export type ChangeDescriptor<Fields = unknown> = {
  /** What it is of: the id in `of`, and the name under which its answer says what is now so. */
  readonly of: 'bead' | 'coupon' | 'rig' | 'proven' | 'weld' | 'level' | 'picture';
  /** The schema of its fields; of what it begins, with the id, which a change has in `of`. */
  readonly fields: object;
  /** Whether the thing begins with it. */
  readonly begins: boolean;
  /** Returns what the schema cannot say of its fields. */
  readonly problems?: (fields: never) => FieldProblem[];
  /** Of what has an id of its own: the field that names it in the history. */
  readonly puts?: string;
  /** Whether it stands beside others of its kind, so that none overrides another. */
  readonly beside?: true;
  /** What its fields are, for the compiler alone. */
  readonly takes?: Fields;
};

/** Returns the descriptor of a kind of thing. */
export const thing =
  <Row>() =>
  <const Said extends Omit<ThingDescriptor, 'row'>>(said: Said): Said & Pick<ThingDescriptor<Row>, 'row'> =>
    said;

type Besides<Value> = { problems?: (value: Value) => FieldProblem[] };
type Said = Pick<ChangeDescriptor, 'of' | 'fields'>;

/** Returns the kind of change that begins a thing, whose id a change has in `of`. */
export const beginning = <Begun>(said: Said & Besides<Begun>): ChangeDescriptor<Omit<Begun, 'id'>> => ({
  ...said,
  begins: true,
});

/** Returns a kind of change of a thing that is there: fields of it, or something with an id of its own that is put to it. */
export const changing = <Fields>(
  said: Said & Besides<Fields> & Pick<ChangeDescriptor, 'puts' | 'beside'>,
): ChangeDescriptor<Fields> => ({ ...said, begins: false });
