import { CARE, type CareTask } from '../../care/tasks';
import type { FittedPart } from '../../case/terms';
import { FITTED_PARTS } from '../../case/terms';
import { isCauseId, isCheckId, isStatedId } from '../../evidence/ids';
import { DEFECT_WORDS } from '../../inspection/defects';
import { cause, evidenceName, finding } from '../../knowledge';
import type { EntryOutcome } from '../shapes/log-entry-schema';
import { firstShown, OUTCOME_WORDS } from './outcome';
import { PART_NAMES } from './part-words';
import { proofWords } from './proof-words';
import type { Proof } from '../../start/proofs';
import type { Bead, Setup } from '../shapes/record-schema';
import type { Inspection, NewRepair, WeldState } from '../shapes/weld-schema';
import { capitalized } from '../../quantity/capitalized';

/** What the log says of a thing, and what it is found by; in the words of the day it is listed. */
export type EntryWords = {
  title: string;
  says: string;
  outcome: EntryOutcome | null;
  cause: string | null;
  findings: string[];
  /** Everything it is found by in a search: its own words, and the trade's other ones for them. */
  words: string[];
};

/** The names of findings with the other words the trade has for them. */
const wordsOf = (ids: readonly string[]): string[] =>
  ids.flatMap((id) => {
    if (!isStatedId(id)) return [id.replace(/-/g, ' ')];
    return isCheckId(id) ? [evidenceName(id)] : [finding(id).name, ...(finding(id).words ?? [])];
  });

/** The entry of a bead on its coupon. */
export function beadEntry(
  { findings, names, verdict, outcome, note }: Pick<Bead, 'findings' | 'names' | 'verdict' | 'outcome' | 'note'>,
  title: string,
): EntryWords {
  const present = Object.keys(findings).filter((id) => findings[id] === 'present');
  const judged = outcome === null ? null : capitalized(OUTCOME_WORDS[outcome]);
  const shown = firstShown({ findings, names });
  const said = outcome === 'sound' ? [judged] : [verdict?.name ?? shown, judged];
  return {
    title,
    says: said.filter((one) => one !== null).join(' · ') || 'Not judged',
    outcome: outcome ?? 'trial',
    cause: outcome === 'sound' ? null : (verdict?.cause ?? null),
    findings: present,
    words: [
      ...[title, note, judged ?? '', verdict?.name ?? ''],
      ...Object.values(names),
      ...wordsOf(present),
      ...(verdict !== null && isCauseId(verdict.cause) ? [cause(verdict.cause).name] : []),
    ],
  };
}

/** The entry of a coupon that was begun, of a setting that was kept, of a part that was welded. */
export const couponEntry = (title: string): EntryWords => plain(title, 'Put on the bench', []);
export const provenEntry = (title: string, by: string, how: readonly Proof[], note: string): EntryWords =>
  plain(title, `Setting kept, ${proofWords(how)}`, [by, note, 'proven']);
export const weldEntry = (title: string, state: WeldState, by: string, note: string): EntryWords => ({
  ...plain(title, 'Welded', [by, note]),
  outcome: state,
});

const plain = (title: string, says: string, words: string[]): EntryWords => ({
  ...{ title, says, outcome: null, cause: null, findings: [] },
  words: [title, says, ...words],
});

/** The entry of an inspection: how it ended, and what was over its limit. */
export function inspectionEntry({ judged, by, note, level }: Inspection, title: string): EntryWords {
  const over = [...new Set(judged.lines.flatMap((line) => (line.over ? [line.defect] : [])))];
  return {
    title,
    says: judged.because,
    outcome: judged.verdict,
    cause: null,
    findings: over,
    words: [title, judged.because, by, note, level.name, judged.verdict, ...over.map((one) => DEFECT_WORDS[one])],
  };
}

/** The entry of a repair. */
export function repairEntry({ defects, by, note, done }: NewRepair, title: string): EntryWords {
  const says = `Repaired: ${defects.map((one) => DEFECT_WORDS[one].toLowerCase()).join(', ')}`;
  return { ...plain(title, says, [by, note, ...done]), findings: [...defects] };
}

/** Something that was looked after. */
export function careEntry(task: CareTask, by: string): EntryWords {
  return plain(CARE.find(({ id }) => id === task)?.name ?? task, `Done by ${by}`, [by, 'care']);
}

type Fitted = Pick<Setup, 'rig' | 'display'>;

/** Returns what of a machine was changed from one setup to the next, in a few words. @param before null for its first */
export function refitEntry(now: Fitted, before: Fitted | null, rigName: string): EntryWords {
  if (before === null) return plain(rigName, 'Set down for the first time', []);
  const anew = FITTED_PARTS.filter((part) => now.rig.fittedAt?.[part] !== before.rig.fittedAt?.[part]);
  const differs = (of: keyof Setup['rig']): boolean => JSON.stringify(now.rig[of]) !== JSON.stringify(before.rig[of]);
  const what = [
    ...anew.map((part: FittedPart) => `New ${PART_NAMES[part].toLowerCase()}`),
    ...(differs('wire') ? ['Another wire'] : []),
    ...(differs('gas') ? ['Another gas'] : []),
    ...(differs('polarity') ? ['Another pole'] : []),
    ...(differs('dials') ? ['Knobs taken down'] : []),
    ...(!anew.includes('cylinder') && differs('cylinder') ? ['Cylinder read'] : []),
    ...(!anew.includes('spool') && differs('spool') ? ['Spool weighed'] : []),
  ];
  const title = what.length === 0 ? 'Set down anew' : capitalized(what.join(', ').toLowerCase());
  return plain(title, rigName, []);
}
