import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { EVIDENCE_IDS } from '../knowledge';
import { statedTotal } from './gas-mix';
import { fieldProblems, type FieldProblem } from './problems';
import { CASE_SCHEMA, type Case } from './schema';

/** One Ajv for all of the product's schemas: every error reported, nothing coerced. */
export const ajv = addFormats(new Ajv({ allErrors: true, verbose: true, strict: true, allowUnionTypes: true }));

const matchesSchema = ajv.compile<Case>(CASE_SCHEMA);
const knownEvidence = new Set(EVIDENCE_IDS);

export type Validated<T> = { value: T; problems: null } | { value: null; problems: FieldProblem[] };

/** What a schema cannot say: the gas adds up, every finding is in the lexicon, dials have two different points. */
function beyondSchema(input: Case): FieldProblem[] {
  const problems: FieldProblem[] = [];
  const gas = input.rig?.gas;
  if (gas) {
    const total = statedTotal(gas);
    const open = gas.argonPct === undefined && total < 100;
    if (!open && Math.abs(total - 100) > 1)
      problems.push({ field: 'rig.gas', takes: `shares that add up to 100 %, not ${total} %` });
  }
  for (const id of Object.keys(input.findings ?? {})) {
    if (!knownEvidence.has(id))
      problems.push({ field: `findings.${id}`, takes: 'nothing: the lexicon holds no such finding' });
  }
  for (const [name, dial] of Object.entries(input.rig?.dials ?? {})) {
    const distinct = (key: 'mark' | 'value'): boolean =>
      new Set(dial.points.map((point) => point[key])).size === dial.points.length;
    if (!distinct('mark') || !distinct('value'))
      problems.push({ field: `rig.dials.${name}.points`, takes: 'points that differ in mark and value' });
  }
  for (const [name, range] of Object.entries(input.rig?.range ?? {})) {
    if (range.low >= range.high) problems.push({ field: `rig.range.${name}`, takes: 'a low below its high' });
  }
  return problems;
}

/**
 * Reads anything as a case.
 * @param input parsed JSON
 * @returns the case, or every wrong field with what it takes
 */
export function validateCase(input: unknown): Validated<Case> {
  const problems = matchesSchema(input) ? beyondSchema(input) : fieldProblems(matchesSchema.errors);
  return problems.length === 0 ? { value: input as Case, problems: null } : { value: null, problems };
}
