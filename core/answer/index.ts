import { balanceCurve, type BalanceCurve } from '../arc/balance-curve';
import type { Hand } from '../arc/hand';
import type { ArcReading } from '../arc/reading';
import { withWire, type ArcSetup, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { assumedIn } from './assumed';
import { firstStep, type FirstStep } from './first-step';
import { heldBack } from './held-back';
import type { BeadAppearance } from '../bead/appearance';
import { beadAppearance } from '../bead/appearance-of';
import type { Case } from '../case/schema';
import { correct, type Correction } from '../correction/correct';
import type { Move } from '../correction/moves';
import { movesNow } from '../correction/next-settings';
import { nextBeadAt, type NextBead } from '../correction/next-bead';
import { nothingInProcedure, transferOutOfReach } from '../correction/procedure';
import type { CautionNote } from '../diagnosis/cautions';
import { safetyGate, type SafetyGate } from '../diagnosis/safety-gate';
import { diagnose } from '../diagnosis/diagnose';
import { causeOf, type Engine } from '../diagnosis/engine';
import type { NextCheck, WouldBe } from '../diagnosis/next-check';
import type { NextFigure } from '../diagnosis/next-figure';
import type { Note } from '../diagnosis/notes';
import type { CauseVerdict } from '../diagnosis/verdict';
import type { Reason } from '../diagnosis/weight-of-evidence';
import { ENGINE } from './engine';
import { isCheckId, isStatedId, type CheckId, type StatedId } from '../evidence/ids';
import { FIELD_WORDS, statedOfEvidence, type FieldEvidence } from '../evidence/table';
import { answersOf, check, finding, marksOf, statedWords, type Check, type StatedAnswer } from '../knowledge';
import { leavesOf, type Leaves } from '../correction/carry-over';
import { readArc } from '../arc/reading';
import { misfitsOf, tooThickWire, type Misfit } from '../start/rig-check';
import { startOf, withoutBead, type Start } from '../start/start';
import type { Settings } from '../setting/table';

/** A reason with the name of what speaks. */
export type NamedReason = Reason & { name: string };

/** A cause with all that is said of it, so that whoever asks needs no knowledge of their own. */
export type NamedCause = Omit<CauseVerdict, 'because'> & {
  name: string;
  plain: string;
  because: NamedReason[];
  toBeSure: string;
  cure: string;
  prevent: string;
};

/** An answer to a finding or check, and the cause that would lead the list after it. */
export type NamedAnswer = StatedAnswer & { leadsTo: (WouldBe & { name: string }) | null };

/** A finding or check to answer next, with how it is done, what can be seen, and what either would mean. */
export type NamedCheck = Omit<NextCheck, 'ifPresent' | 'ifAbsent'> & {
  name: string;
  plain: string;
  /** What a finding is easily taken for; null for a check. */
  mistakenFor: string | null;
  caution: string | null;
  answers: NamedAnswer[];
};

/** A look before the first bead: how it is done, and what can be seen. */
export type NamedLook = Pick<Check, 'name' | 'plain' | 'minutes'> & {
  check: CheckId;
  caution: string | null;
  answers: readonly StatedAnswer[];
};

/** What a case gets back: the arc, the causes, what to check next, the corrected numbers, the cautions. */
export type Answer = {
  arc: ArcReading;
  causes: NamedCause[];
  noCause: number;
  nextChecks: NamedCheck[];
  /** What to do first: the step that loses the fewest minutes on the way to a good bead; null where there is nothing to do. */
  first: FirstStep | null;
  /** Looks before the first bead, with their words; none once a bead has shown something. */
  firstLooks: NamedLook[];
  /** Findings that would tell the most, by id. */
  telling: StatedId[];
  askFor: NextFigure | null;
  notes: Note[];
  /** What stands in for what was not said and the figures rest on: "13 mm nozzle". */
  assumed: string[];
  correction: Correction;
  cautions: CautionNote[];
  /** What has to be said and done before figures are given. */
  gate: SafetyGate;
  /** What the findings and checks of the case are called, by id. */
  names: Record<string, string>;
  /** What the bead leaves for the next, with one change made or with all. */
  leaves: Record<'one' | 'all', Leaves>;
  /** How gun and puddle are led on this job, and why. */
  hand: Hand;
  /** Volts against wire speed; null where the arc is not set by volts, or no wire speed is known. */
  balance: BalanceCurve | null;
  /** What of the rig makes every figure wrong: until it is put right none is given. */
  held: Misfit[];
  /** What to start with, and how to run it; null once something of a bead is stated, where the wire is not known, or while the figures are held back. */
  start: Start | null;
  /** How the next bead should look and sound when the change was right; null where nothing steady can be expected. */
  nextBead: NextBead | null;
  /** How the bead looks, and how the corrected settings should lay the next one. */
  appearance: { now: BeadAppearance; next: BeadAppearance };
  /** Which coefficients and knowledge judged it. */
  judgedBy: string;
};

type Findings = NonNullable<Case['findings']>;

function named(engine: Engine, findings: Findings, { because, ...verdict }: CauseVerdict): NamedCause {
  const { name, plain, check: checkId, remedy } = causeOf(engine, verdict.cause);
  return {
    ...verdict,
    name,
    plain,
    because: because.map((reason) => ({ ...reason, name: evidenceWords(reason, findings) })),
    toBeSure: check(checkId).plain,
    cure: remedy.plain,
    prevent: remedy.prevent,
  };
}

function evidenceWords({ evidence }: Reason, findings: Findings): string {
  const stated = statedOfEvidence(evidence);
  return stated === null ? FIELD_WORDS[evidence as FieldEvidence] : statedWords(stated, findings[stated] ?? 'unknown');
}

function namedCheck(engine: Engine, { ifPresent, ifAbsent, ...next }: NextCheck): NamedCheck {
  const then = { present: ifPresent, absent: ifAbsent };
  const answers = answersOf(next.check).map(({ state, text }): NamedAnswer => {
    const would = then[state];
    return { state, text, leadsTo: would === null ? null : { ...would, name: causeOf(engine, would.cause).name } };
  });
  if (isCheckId(next.check)) {
    const { name, plain, caution } = check(next.check);
    return { ...next, name, plain, mistakenFor: null, caution: caution ?? null, answers };
  }
  const { name, plain, mistakenFor } = finding(next.check);
  return { ...next, name, plain, mistakenFor, caution: null, answers };
}

/** Volts against wire speed around today's figures and the corrected ones. */
function curveOf(setup: ArcSetup, { settings = {} }: Case, { settings: to }: Correction): BalanceCurve | null {
  const known = withWire(setup);
  if (known === null) return null;
  const looked = [settings.wireSpeedMPerMin, to.wireSpeedMPerMin].filter((speed) => speed !== undefined);
  return balanceCurve(known, looked, to.stickOutMm ?? settings.stickOutMm ?? usualStickOut(setup, null).wanted);
}

/**
 * A wire that the plate is too thin for: of figures it was run with something can still be said, but for a wire that cannot be run
 * here at all.
 */
function wireTooThick(setup: WireSetup, input: Case): Misfit[] {
  const { job = {}, settings = {} } = input;
  const wasRun = settings.wireSpeedMPerMin !== undefined;
  if (job.thicknessMm === undefined || (wasRun && !setup.runsNowhere)) return [];
  const found = tooThickWire(setup, Math.max(job.thicknessMm, job.otherThicknessMm ?? 0));
  return found === null ? [] : [found];
}

/** A procedure for a transfer that wire, gas, position or machine do not have: a bead in another is not in the procedure. */
function procedureOutOfReach(setup: WireSetup, input: Case, { moves, settings }: Correction): Misfit[] {
  const procedure = input.job?.procedure;
  const today = input.settings ?? {};
  // Where only a fault is put right no figure is proposed, and none leaves the procedure.
  const isFilledIn = (['voltageV', 'wireSpeedMPerMin'] as const).some((name) => settings[name] !== today[name]);
  const proposes = moves.length === 0 || isFilledIn || moves.some(({ kind }) => kind === 'setting');
  const why =
    transferOutOfReach(procedure?.transfer, setup) ??
    (proposes ? nothingInProcedure(procedure, setup, settings) : null);
  return why === null ? [] : [{ part: 'procedure', holds: true, text: why }];
}

/** Returns whether the bead is still to be run: nothing that only a bead shows is stated. */
const isToStart = ({ findings = {}, heard }: Case): boolean =>
  heard === undefined && Object.entries(findings).every(([id, state]) => state === 'unknown' || isCheckId(id));

/**
 * Diagnosis and correction in one: the whole answer to a case, for the page's worker and the server alike. The arc is
 * read once for today's settings and once for the corrected ones; everything else is drawn from those two readings.
 * @param input a valid case
 * @param engine what to judge by
 */
export function answer(input: Case, engine: Engine = ENGINE): Answer {
  const diagnosis = diagnose(engine, input);
  const { setup, arc, causes, noCause, nextChecks, telling, askFor, notes, cautions } = diagnosis;
  const { correction: free, arcAfter } = correct(engine, input, diagnosis);
  const known = withWire(setup);
  const held =
    known === null
      ? []
      : [
          ...misfitsOf(known, input.rig ?? {}, arcAfter.currentA ?? arc.currentA ?? 0).filter(({ holds }) => holds),
          ...wireTooThick(known, input),
          ...procedureOutOfReach(known, input, free),
        ];
  const correction = held.length > 0 ? heldBack(free, input) : free;
  const suspects = Object.fromEntries((input.experience?.suspects ?? []).map(({ cause, times }) => [cause, times]));
  const leavesAfter = (moves: readonly Move[]): Leaves =>
    leavesOf(causes, { findings: input.findings ?? {}, suspects }, moves);
  const [one, all] = [movesNow(correction, 'one'), movesNow(correction, 'all')];
  const leavesOne = leavesAfter(one);
  return {
    arc,
    causes: causes.map((verdict) => named(engine, input.findings ?? {}, verdict)),
    noCause,
    nextChecks: nextChecks.map((next) => namedCheck(engine, next)),
    first: firstStep(engine, causes, nextChecks, correction.moves),
    firstLooks: diagnosis.firstLooks.map((look) => {
      const { name, plain, caution } = check(look.check);
      const answers = answersOf(look.check);
      return { check: look.check, minutes: look.minutes, name, plain, caution: caution ?? null, answers };
    }),
    telling,
    askFor,
    notes,
    assumed: assumedIn(input, setup),
    correction,
    cautions,
    gate: safetyGate(engine.knowledge.cautions, input, setup),
    leaves: { one: leavesOne, all: all.length === one.length ? leavesOne : leavesAfter(all) },
    hand: setup.hand,
    balance: curveOf(setup, input, correction),
    held,
    start:
      isToStart(input) && held.length === 0
        ? startOf(
            input,
            correction,
            known,
            (settings) => readArc(setup, settings),
            (other) => correct(engine, other, diagnose(engine, other)).correction.settings,
          )
        : null,
    nextBead: held.length > 0 ? null : nextBeadAt(arcAfter.transfer, input.rig?.wire?.class),
    names: Object.fromEntries(
      Object.entries(input.findings ?? {}).flatMap(([id, state]) =>
        isStatedId(id) ? [[id, statedWords(id, state)] as const] : [],
      ),
    ),
    appearance: {
      now: beadAppearance(setup, arc, input.settings ?? {}, marksOf(input.findings ?? {})),
      next: beadAppearance(setup, arcAfter, correction.settings, []),
    },
    judgedBy: engine.version,
  };
}

/** What goes with a start whether it has figures or not. */
type BesideStart = Pick<Answer, 'cautions' | 'gate' | 'assumed' | 'held'>;
/** What to start a job with, the cautions that go with it, and what has to be dealt with before anything is struck. */
export type StartAnswer = Start & BesideStart;
/** A start whose figures wait until the rig is put right: `held` says what and why. */
export type HeldStart = { settings: Settings; marks: Start['marks']; passes: Start['passes'] } & BesideStart;

/** Returns whether a start has figures. */
export const hasFigures = (start: StartAnswer | HeldStart): start is StartAnswer => start.held.length === 0;

/**
 * Returns what to start a job with, whatever was set before: a case without settings gets the figures that a correction proposes
 * where nothing is known, with the hand, the passes and the times that go with them.
 * @param input a valid case; figures and findings of a bead are not asked
 * @returns the start; without figures where the rig has to be put right first
 * @throws RangeError where the wire is not known: nothing can be said of its current
 */
export function startAnswer(input: Case, engine: Engine = ENGINE): StartAnswer | HeldStart {
  const { start, cautions, gate, assumed, held } = answer(withoutBead(input), engine);
  if (held.length > 0) return { settings: {}, marks: {}, passes: [], cautions, gate, assumed, held };
  if (start === null) throw new RangeError('starting settings need the class and the diameter of the wire');
  return { ...start, cautions, gate, assumed, held };
}
