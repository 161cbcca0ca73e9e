import type { FindingState, Heard } from '../../case/schema';
import type { StatedId } from '../../evidence/ids';
import { takesFigure, type ReadSetting, type Reading, type SettingName } from '../../setting/table';
import { LONGEST_PAST, PARTS } from '../shapes/draft-fields';
import type { Draft, DraftHistory, FieldBefore } from '../shapes/draft-schema';

export type { Draft, DraftHistory } from '../shapes/draft-schema';

type Field = string | number;
const fieldsOf = (draft: Draft, part: FieldBefore['part']): Record<string, Field> => draft[part] ?? {};

/** Returns what the bead before left, as a case takes it. */
export const suspectsOf = ({ suspects = {} }: Pick<Draft, 'suspects'>): { cause: string; times: number }[] =>
  Object.entries(suspects).map(([cause, times]) => ({ cause, times }));

/** A draft in which nothing is known. @param id made by the device */
export const emptyDraft = (id: string): Draft => ({
  ...{ id, settings: {}, readings: {}, findings: {}, suspects: {}, typed: {} },
});

/** Every field that differs, as it stood before. */
function fieldsBefore(before: Draft, after: Draft): FieldBefore[] {
  return PARTS.flatMap((part) => {
    const [old, now] = [fieldsOf(before, part), fieldsOf(after, part)];
    const keys = [...new Set([...Object.keys(old), ...Object.keys(now)])];
    return keys.filter((key) => old[key] !== now[key]).map((key) => ({ part, key, was: old[key] ?? null }));
  });
}

type Step = DraftHistory['past'][number];
export type Judged = NonNullable<Step['judged']>;

const after = (history: DraftHistory, now: Draft, made: Step): DraftHistory => ({
  now,
  past: [...history.past, made].slice(-LONGEST_PAST),
});

/** The next state of a draft, with the way back kept. @param logged id of a bead this step logged */
export function step(history: DraftHistory, next: Draft, logged: string | null = null): DraftHistory {
  const before = fieldsBefore(history.now, next);
  if (before.length === 0 && logged === null) return history;
  return after(history, next, { before, logged });
}

/** A step that judged a bead: the draft stays, the way back is kept. */
export const judgedStep = (history: DraftHistory, judged: Judged): DraftHistory =>
  after(history, history.now, { before: [], logged: null, judged });

/** A step back, and what of it has to be made good in the record: a bead to take back, or to judge as it was. */
export type Undone = { history: DraftHistory; unlog: string | null; rejudge: Judged | null };

/**
 * One step back. A bead that was taken back keeps its id, so the draft goes on under a new one.
 * @param newId for the draft where that step had logged it
 */
export function undo(history: DraftHistory, newId: string): Undone {
  const last = history.past[history.past.length - 1];
  if (last === undefined) return { history, unlog: null, rejudge: null };
  const now: Draft = { ...history.now, id: last.logged === null ? history.now.id : newId };
  for (const part of PARTS) {
    const fields = { ...fieldsOf(now, part) };
    for (const { key, was } of last.before.filter((field) => field.part === part)) {
      if (was === null) delete fields[key];
      else fields[key] = was;
    }
    Object.assign(now, { [part]: fields });
    // Heard is all of its figures, or nothing.
    if (part === 'heard' && Object.keys(fields).length === 0) delete now.heard;
  }
  return { history: { now, past: history.past.slice(0, -1) }, unlog: last.logged, rejudge: last.judged ?? null };
}

/** A tap on a finding: seen, and not said any more. "Not there" is the opposite evidence: it is said on purpose only. */
export function tapFinding(draft: Draft, id: StatedId): Draft {
  return setFinding(draft, id, draft.findings[id] === 'present' ? 'unknown' : 'present');
}

export function setFinding(draft: Draft, id: StatedId, state: FindingState): Draft {
  const { [id]: _, ...rest } = draft.findings;
  return { ...draft, findings: state === 'unknown' ? rest : { ...rest, [id]: state } };
}

/** Puts what was heard in a recording with the bead, or takes it off again. */
export function setHeard({ heard: _, ...draft }: Draft, heard: Heard | null): Draft {
  return heard === null ? draft : { ...draft, heard };
}

/** Says how a figure was got. */
export function setReading(draft: Draft, setting: ReadSetting, reading: Reading): Draft {
  return { ...draft, readings: { ...draft.readings, [setting]: reading } };
}

/** Sets a figure in the inside unit, or makes it unknown. */
export function setSetting(draft: Draft, setting: SettingName, value: number | null): Draft {
  const { [setting]: _, ...rest } = draft.settings;
  const { [setting]: __, ...typed } = draft.typed;
  return { ...draft, settings: value === null ? rest : { ...rest, [setting]: value }, typed };
}

/**
 * Takes a typed figure: a good one is set, a bad one is kept as typed beside the last good one.
 * @param text what was typed, decimal point or comma
 * @param toInside converts from the unit on the screen
 */
export function typeSetting(
  draft: Draft,
  setting: SettingName,
  text: string,
  toInside: (value: number) => number,
): Draft {
  if (text.trim() === '') return setSetting(draft, setting, null);
  const value = toInside(Number(text.replace(',', '.')));
  if (takesFigure(setting, value)) return setSetting(draft, setting, value);
  return { ...draft, typed: { ...draft.typed, [setting]: text.slice(0, 200) } };
}
