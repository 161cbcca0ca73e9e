import type { FindingState, Reading, SettingName, Settings } from '@/core/case/schema';
import { settingLimits } from '@/core/case/schema';

/** Settings whose figure may be read off, estimated or only marked on a knob. */
export const READ_SETTINGS = [
  'voltageV',
  'wireSpeedMPerMin',
  'stickOutMm',
  'gasFlowLPerMin',
  'travelSpeedMmPerMin',
] as const;
export type ReadSetting = (typeof READ_SETTINGS)[number];

/**
 * The bead in front of the welder, not yet logged. It lives on this device and outlives a reload.
 * `typed` holds what was typed and cannot be taken, so that nothing typed is lost.
 */
export type Draft = {
  settings: Settings;
  readings: Partial<Record<ReadSetting, Reading>>;
  findings: Record<string, FindingState>;
  typed: Partial<Record<SettingName, string>>;
};

/** A draft with its past, for undo. `logged` is the bead that the last step stored, if it did. */
export type DraftHistory = { now: Draft; past: { draft: Draft; loggedBead: string | null }[] };

const LONGEST_PAST = 50;

export const EMPTY_DRAFT: Draft = { settings: {}, readings: {}, findings: {}, typed: {} };

/** The next state of a draft, with the old one kept for undo. @param loggedBead id of a bead this step stored */
export function step(history: DraftHistory, next: Draft, loggedBead: string | null = null): DraftHistory {
  return { now: next, past: [...history.past, { draft: history.now, loggedBead }].slice(-LONGEST_PAST) };
}

/** One step back; the id of a bead to take out of the record when that step had stored one. */
export function undo(history: DraftHistory): { history: DraftHistory; unlog: string | null } {
  const last = history.past[history.past.length - 1];
  if (last === undefined) return { history, unlog: null };
  return { history: { now: last.draft, past: history.past.slice(0, -1) }, unlog: last.loggedBead };
}

const AFTER: Record<FindingState, FindingState> = { unknown: 'present', present: 'absent', absent: 'unknown' };

/** A tap on a finding: unknown, seen, not there, unknown again. */
export function tapFinding(draft: Draft, id: string): Draft {
  return setFinding(draft, id, AFTER[draft.findings[id] ?? 'unknown']);
}

export function setFinding(draft: Draft, id: string, state: FindingState): Draft {
  const { [id]: _, ...rest } = draft.findings;
  return { ...draft, findings: state === 'unknown' ? rest : { ...rest, [id]: state } };
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
  const { minimum, maximum } = settingLimits(setting);
  if (value >= minimum && value <= maximum) return setSetting(draft, setting, value);
  return { ...draft, typed: { ...draft.typed, [setting]: text } };
}
