import { COVER_CAUSES } from './causes/cover';
import { ELECTRIC_CAUSES } from './causes/electrics';
import { FEED_CAUSES } from './causes/feed';
import { PLATE_CAUSES } from './causes/plate';
import { HEAT_CAUSES } from './causes/heat';
import { RUN_CAUSES } from './causes/runs';
import { SETTINGS_CAUSES } from './causes/settings';
import { TECHNIQUE_CAUSES } from './causes/technique';
import { TRANSFER_CAUSES } from './causes/transfer';
import { CHECKS } from './checks';
import { FINDINGS } from './findings';
import type { Cause, Check, Finding } from './types';

export { CAUTIONS, type Caution } from './cautions';
export { CHECKS } from './checks';
export { FINDINGS } from './findings';
export { OPPOSITES } from './opposites';
export type * from './types';

/** Every cause, in trade order of groups: gas, plate, settings, technique, feed, electrics. Ids are stable. */
export const CAUSES: readonly Cause[] = [
  ...COVER_CAUSES,
  ...PLATE_CAUSES,
  ...SETTINGS_CAUSES,
  ...TRANSFER_CAUSES,
  ...HEAT_CAUSES,
  ...TECHNIQUE_CAUSES,
  ...RUN_CAUSES,
  ...FEED_CAUSES,
  ...ELECTRIC_CAUSES,
];

const findingById = new Map(FINDINGS.map((finding) => [finding.id, finding]));
const checkById = new Map(CHECKS.map((check) => [check.id, check]));
const causeById = new Map(CAUSES.map((cause) => [cause.id, cause]));

/** Ids that a case may carry under `findings`: findings and checks. */
export const EVIDENCE_IDS: readonly string[] = [...findingById.keys(), ...checkById.keys()];

function found<T>(entry: T | undefined, kind: string, id: string): T {
  if (entry === undefined) throw new RangeError(`there is no ${kind} "${id}"`);
  return entry;
}

/** @throws RangeError for an unknown id */
export const cause = (id: string): Cause => found(causeById.get(id), 'cause', id);
/** @throws RangeError for an unknown id */
export const finding = (id: string): Finding => found(findingById.get(id), 'finding', id);
/** @throws RangeError for an unknown id */
export const check = (id: string): Check => found(checkById.get(id), 'check', id);

/** The trade name of a finding or check. @throws RangeError for an unknown id */
export function evidenceName(id: string): string {
  return findingById.get(id)?.name ?? check(id).name;
}
