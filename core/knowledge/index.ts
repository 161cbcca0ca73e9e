import { isCheckId, type CauseId, type CheckId, type FindingId, type StatedId } from '../evidence/ids';
import { CAUTIONS } from './cautions';
import { COVER_CAUSES } from './causes/cover';
import { ELECTRIC_CAUSES } from './causes/electrics';
import { FEED_CAUSES } from './causes/feed';
import { HEAT_CAUSES } from './causes/heat';
import { METAL_CAUSES } from './causes/metals';
import { PLATE_CAUSES } from './causes/plate';
import { RUN_CAUSES } from './causes/runs';
import { SETTINGS_CAUSES } from './causes/settings';
import { TECHNIQUE_CAUSES } from './causes/technique';
import { TRANSFER_CAUSES } from './causes/transfer';
import { WIRE_CAUSES } from './causes/wire';
import { CHECKS } from './checks';
import { FINDINGS } from './findings';
import { OPPOSITES } from './opposites';
import type { Cause, Check, Finding, Knowledge } from './shapes/types';

export { CHECKS } from './checks';
export { FINDINGS } from './findings';
export { marksOf } from './marks';
export { meanOf } from './strength';
export type * from './shapes/types';

/** Every cause, in trade order of groups: gas, plate, settings, technique, feed, electrics. Ids are stable. */
export const CAUSES: readonly Cause[] = [
  ...COVER_CAUSES,
  ...PLATE_CAUSES,
  ...METAL_CAUSES,
  ...SETTINGS_CAUSES,
  ...TRANSFER_CAUSES,
  ...HEAT_CAUSES,
  ...TECHNIQUE_CAUSES,
  ...RUN_CAUSES,
  ...FEED_CAUSES,
  ...WIRE_CAUSES,
  ...ELECTRIC_CAUSES,
];

/** What the product knows. */
export const KNOWLEDGE: Knowledge = {
  findings: FINDINGS,
  checks: CHECKS,
  causes: CAUSES,
  cautions: CAUTIONS,
  opposites: OPPOSITES,
};

const findingById = new Map<string, Finding>(FINDINGS.map((finding) => [finding.id, finding]));
const checkById = new Map<string, Check>(CHECKS.map((check) => [check.id, check]));
const causeById = new Map<string, Cause>(CAUSES.map((cause) => [cause.id, cause]));

function found<T>(entry: T | undefined, kind: string, id: string): T {
  if (entry === undefined) throw new RangeError(`there is no ${kind} "${id}"`);
  return entry;
}

/** @throws RangeError for an unknown id */
export const cause = (id: CauseId): Cause => found(causeById.get(id), 'cause', id);
/** @throws RangeError for an unknown id */
export const finding = (id: FindingId): Finding => found(findingById.get(id), 'finding', id);
/** @throws RangeError for an unknown id */
export const check = (id: CheckId): Check => found(checkById.get(id), 'check', id);

/** One of the two answers to a finding or check: how a case states it, and what is seen. */
export type StatedAnswer = { state: 'present' | 'absent'; text: string };

const SEEN: readonly StatedAnswer[] = [
  { state: 'present', text: 'Seen' },
  { state: 'absent', text: 'Not there' },
];

/**
 * The answers to a finding or check in the words of what is seen, in the order they are offered everywhere: of a check the
 * all-clear first.
 * @throws RangeError for an unknown id
 */
export function answersOf(id: StatedId): readonly StatedAnswer[] {
  if (!isCheckId(id)) return SEEN;
  const { clear, fault } = check(id);
  return [
    { state: 'absent', text: clear },
    { state: 'present', text: fault },
  ];
}

/**
 * Returns what is stated of a finding or check: of a check what was seen, "Nozzle: spatter in it, or holes shut"; of a finding its name.
 * @throws RangeError for an unknown id
 */
export function statedWords(id: StatedId, state: 'present' | 'absent' | 'unknown'): string {
  const seen = isCheckId(id) ? answersOf(id).find((answer) => answer.state === state) : undefined;
  const name = evidenceName(id);
  return seen === undefined ? name : `${name}: ${seen.text.charAt(0).toLowerCase()}${seen.text.slice(1)}`;
}

/** The trade name of a finding or check. @throws RangeError for an unknown id */
export function evidenceName(id: StatedId): string {
  return isCheckId(id) ? check(id).name : finding(id).name;
}
