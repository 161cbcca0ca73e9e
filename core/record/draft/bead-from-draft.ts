import type { Answer } from '../../answer';
import { appearanceDifference } from '../../bead/appearance';
import type { Case } from '../../case/schema';
import { movesNow, nextSettings } from '../../correction/next-settings';
import { isStatedId } from '../../evidence/ids';
import { emptyDraft, type Draft } from './draft';
import { toGoOnWith } from '../../setting/table';
import type { Habits } from './habits';
import { takenMove, turnedBy } from '../words/move-words';
import type { Bead, NewBead } from '../shapes/record-schema';

/** Suspects by cause. */
const byCause = (suspects: readonly { cause: string; times: number }[]): Record<string, number> =>
  Object.fromEntries(suspects.map(({ cause, times }) => [cause, times]));

/** Findings that the lexicon still holds. */
const knownOnly = (findings: Record<string, 'present' | 'absent' | 'unknown'>): Draft['findings'] =>
  Object.fromEntries(Object.entries(findings).filter(([id]) => isStatedId(id)));

/** Where and with what a bead was run. */
export type RunWith = { couponId: string; setupId: string; jobId: string };

/**
 * A draft as the bead that is logged: everything that its case asks for, what was made of it, and by what.
 * @param draft the bead in front of the welder
 * @param input the case it was judged as
 * @param answer what that case was answered with
 * @param ranAt now, as the device's clock has it
 */
export function beadFrom(
  draft: Draft,
  input: Case,
  answer: Answer,
  ran: RunWith,
  { changes, schools }: Pick<Habits, 'changes' | 'schools'>,
  ranAt: Date,
): NewBead {
  const [top] = answer.causes;
  const { cured, ...leaves } = answer.leaves[changes];
  return {
    id: draft.id,
    ...ran,
    ranAt: ranAt.toISOString(),
    settings: draft.settings,
    readings: input.readings ?? {},
    schools,
    findings: draft.findings,
    ...(draft.heard === undefined ? {} : { heard: draft.heard }),
    names: answer.names,
    verdict: top === undefined ? null : { cause: top.cause, name: top.name, probability: top.probability },
    move: takenMove(movesNow(answer.correction, changes)),
    ...(input.experience === undefined ? {} : { experience: input.experience }),
    cured,
    leaves,
    appearance: appearanceDifference(answer.appearance.now),
    judgedBy: answer.judgedBy,
    outcome: null,
    note: '',
  };
}

/**
 * The draft of the bead after one that was logged: its settings with the change that was decided on, and of what was
 * found only what still holds.
 * @param id of the new draft
 */
export function draftAfter(draft: Draft, answer: Answer, changes: Habits['changes'], id: string): Draft {
  const { findings, suspects } = answer.leaves[changes];
  return {
    ...emptyDraft(id),
    readings: draft.readings,
    settings: nextSettings(draft.settings, answer.correction, changes),
    findings,
    suspects: byCause(suspects),
  };
}

type LastBead = Pick<Bead, 'settings' | 'readings' | 'move' | 'leaves' | 'outcome'>;

/** Returns how figures were got that the rig does not say by itself: a guess stays one, and a pace is as sure as it was. */
const saidOf = (readings: Bead['readings']): Bead['readings'] =>
  Object.fromEntries(
    Object.entries(readings).filter(([name, how]) => how === 'estimate' || name === 'travelSpeedMmPerMin'),
  );

/** The draft of the next bead on a coupon, from the last one that was logged on it; empty where there is none. */
export function draftFromLast(last: LastBead | null, id: string): Draft {
  if (last === null) return emptyDraft(id);
  const { settings, readings, move, leaves = { findings: {}, suspects: [] }, outcome } = last;
  return {
    ...emptyDraft(id),
    readings: saidOf(readings),
    settings: { ...toGoOnWith(settings), ...turnedBy(move) },
    findings: knownOnly(leaves.findings),
    // After a sound bead nothing is under suspicion.
    suspects: outcome === 'sound' ? {} : byCause(leaves.suspects),
  };
}

/** The draft that a bead was logged from, to go on with it. @param id of the new draft */
export function draftFromBead(bead: Omit<NewBead, 'id'>, id: string): Draft {
  const { settings, readings, findings, heard, experience } = bead;
  return {
    ...emptyDraft(id),
    ...{ settings, readings, findings, suspects: byCause(experience?.suspects ?? []) },
    ...(heard === undefined ? {} : { heard }),
  };
}
