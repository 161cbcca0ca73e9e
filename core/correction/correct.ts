import { readArc, type ArcReading } from '../arc/reading';
import { currentAt } from '../arc/setup';
import { expectedTravel } from '../arc/pace';
import { transferMode } from '../arc/transfer';
import { isTubular } from '../arc/wire';
import type { Case } from '../case/schema';
import type { Diagnosis } from '../diagnosis/diagnose';
import { causeOf, type Engine } from '../diagnosis/engine';
import type { CauseVerdict } from '../diagnosis/verdict';
import type { CauseId } from '../evidence/ids';
import type { Cause } from '../knowledge/shapes/types';
import { MAIN_SETTINGS, toGoOnWith, type MainSetting, type Settings } from '../setting/table';
import { boundsFor, searchStarts } from './bounds';
import { effectOf, orderByGain, settingMove, type Effect, type Move, type RemedyMove } from './moves';
import type { Situation, Target } from './objective';
import { procedureNotes, withinProcedure } from './procedure';
import { outOfReach } from './reach';
import { wordsFor, type ArcKind } from './reason';
import { probabilityOf, type Turned } from './scenarios';
import { ACT_ABOVE, freeSettings, recordedMismatches, situationOf, turnedBySchool, type Work } from './situation';
import { RESET_BY_CURE } from './reset-by-cure';
import { solve, type Bounds } from './solver';
import { harmsBy, inBalance, isUnquiet, notColder, withheldWords } from './fit-to-weld';
import { techniqueMoves } from './technique';

/** The other school's way; `withheld` says why it is none, where it would harm. */
export type Alternative = { moves: Move[]; after: Effect | null; withheld: string | null };

/** No other way. */
export const NO_OTHER_WAY: Alternative = { moves: [], after: null, withheld: null };

/** The corrected settings, the moves to get there one at a time, and the other school's way. */
export type Correction = {
  settings: Settings;
  moves: Move[];
  alternative: Alternative;
  /** Whether volts and wire are as likely to be the one that is wrong, and both ways are offered: either will do. */
  either: boolean;
  before: Effect | null;
  after: Effect | null;
  /** What the machine, the wire or the plate does not allow, and what then. */
  outOfReach: string[];
  /** Where today's figures or what the bead wants leave the procedure of the job. */
  procedure: string[];
};

/** A correction with what the arc model says of the corrected settings. */
export type Corrected = { correction: Correction; arcAfter: ArcReading };

/** The figure that a school holds while it seeks balance with the other. */
const HELD_FOR: Record<Turned, MainSetting> = { volts: 'wireSpeedMPerMin', wire: 'voltageV' };

function remedyMove(entry: Cause, seen: boolean): RemedyMove {
  const { plain, caution } = entry.remedy;
  return {
    kind: 'remedy',
    cause: entry.id,
    seen,
    do: plain,
    because: entry.plain,
    expect: 'run the same settings again and compare',
    ...(caution === undefined ? {} : { caution }),
  };
}

const OF_VOLTS = ['voltage-low', 'voltage-high'] as const;
const OF_WIRE = ['wire-fast', 'wire-slow'] as const;
/** So near to each other, and both so likely, it is the one as well as the other. */
const EITHER = { apart: 0.15, least: 0.2 };

/** Of volts and wire the one that is said to be wrong is turned before the one that only follows it. */
function wrongFirst(order: readonly MainSetting[], chance: (causes: readonly CauseId[]) => number): MainSetting[] {
  const [volts, wire] = [order.indexOf('voltageV'), order.indexOf('wireSpeedMPerMin')];
  if (volts < 0 || wire < 0) return [...order];
  const [byVolts, byWire] = [chance(OF_VOLTS), chance(OF_WIRE)];
  // What heats or cools the plate is the wire: the volts follow it.
  const byHeat = chance(['heat-low', 'heat-high']);
  if (byHeat > byVolts && byHeat > byWire)
    return order.map((name, i) =>
      i === Math.min(volts, wire) ? 'wireSpeedMPerMin' : i === Math.max(volts, wire) ? 'voltageV' : name,
    );
  const first = byVolts === byWire ? order[Math.min(volts, wire)] : byVolts > byWire ? 'voltageV' : 'wireSpeedMPerMin';
  const second = first === 'voltageV' ? 'wireSpeedMPerMin' : 'voltageV';
  const [sooner, later] = [Math.min(volts, wire), Math.max(volts, wire)];
  return order.map((name, i) => (i === sooner ? first : i === later ? second : name));
}

/** Returns whether volts and wire are as likely to be the one that is wrong. */
function isEither(chance: (causes: readonly CauseId[]) => number): boolean {
  const [byVolts, byWire] = [chance(OF_VOLTS), chance(OF_WIRE)];
  return Math.abs(byVolts - byWire) <= EITHER.apart && Math.min(byVolts, byWire) >= EITHER.least;
}

/** Returns whether a target runs in another transfer than today's figures would in balance. */
function carriedOver({ setup }: Situation, from: Target, to: Target): 'to-spray' | 'to-short-arc' | null {
  if (setup.pulse) return null;
  const [was, is] = [from, to].map(({ wireSpeedMPerMin, stickOutMm }) =>
    transferMode(currentAt(setup, wireSpeedMPerMin, stickOutMm), setup.wire, setup.gas),
  );
  if (was === is) return null;
  return is === 'spray' ? 'to-spray' : was === 'spray' && is === 'short-circuit' ? 'to-short-arc' : null;
}

/** The kind of arc that figures burn, by whose words it is looked and listened for. */
function arcKind({ setup }: Situation, { wireSpeedMPerMin, stickOutMm }: Target): ArcKind {
  const { wire, gas, pulse } = setup;
  if (wire.class === 'tubular-self-shielded') return 'self-shielded';
  if (isTubular(wire.class)) return 'slag';
  if (pulse) return 'pulse';
  const currentA = currentAt(setup, wireSpeedMPerMin, stickOutMm);
  return transferMode(currentA, wire, gas) === 'short-circuit' && wire.class !== 'solid-aluminium' ? 'short' : 'open';
}

/** The moves of a solved target in the order to make them. @param from today, with model values where unknown */
function movesTo({ input, diagnosis }: Work, situation: Situation, from: Target, to: Target): Move[] {
  const changed = MAIN_SETTINGS.filter((name) => situation.today[name] !== null && to[name] !== from[name]);
  const together = changed.includes('voltageV') && changed.includes('wireSpeedMPerMin');
  const chance = (causes: readonly CauseId[]): number => probabilityOf(diagnosis, ...causes);
  const over = carriedOver(situation, from, to);
  const arc = arcKind(situation, to);
  const order = wrongFirst(orderByGain(situation, from, to, changed), chance);
  return order.map((name) => {
    const words = wordsFor(name, to[name] > from[name] ? 'up' : 'down', chance, together, over, arc);
    return settingMove(input.rig?.dials, name, from[name], to[name], words);
  });
}

/** Of volts and wire, the one that is turned first: the other way round is shown beside it. */
function turnedFirst(moves: readonly Move[]): MainSetting | null {
  const turned = moves.flatMap((move) => (move.kind === 'setting' ? [move.setting] : []));
  return turned.find((name): name is MainSetting => name === 'voltageV' || name === 'wireSpeedMPerMin') ?? null;
}

const TRIM: readonly string[] = ['pulse-trim-low', 'pulse-trim-high'];

/** A fault that a look showed is put right unless the bead speaks clearly against it. */
const SEEN_ABOVE = 0.15;

/** A cause that is likelier than not. */
const LIKELY = 0.5;

/** Causes that a look showed and that hold: all of them are put right, whichever is the likeliest. */
function seenFaults({ engine, input, diagnosis }: Work): CauseId[] {
  return diagnosis.causes.flatMap(({ cause, probability }) => {
    const { check, remedy } = causeOf(engine, cause);
    return remedy.kind !== 'setting' && input.findings?.[check] === 'present' && probability > SEEN_ABOVE
      ? [cause]
      : [];
  });
}

type Remedies = { moves: RemedyMove[]; numbersStay: boolean };

/**
 * Returns what comes before any number: a mismatch that the record itself shows, what a look showed, and the likeliest cause where
 * it is no knob.
 */
function remediesOf(work: Work): Remedies {
  const { engine, input, diagnosis } = work;
  const recorded = recordedMismatches(diagnosis);
  const [top] = diagnosis.causes;
  const likeliest = top === undefined ? null : causeOf(engine, top.cause);
  const isRemedy = likeliest !== null && top.probability > ACT_ABOVE && likeliest.remedy.kind !== 'setting';
  // A trim that is known is a move of its own, with its figures.
  const hasMove = (id: CauseId): boolean => TRIM.includes(id) && input.settings?.trimPct !== undefined;
  const seen = seenFaults(work);
  const ids = [...new Set([...recorded, ...(isRemedy ? [top.cause] : []), ...seen])].filter((id) => !hasMove(id));
  // A part that a look has shown to be wrong leads, and a figure that is wrong as well is put right with it.
  const isFigure = ({ cause, probability }: CauseVerdict): boolean =>
    probability > LIKELY && causeOf(engine, cause).remedy.kind === 'setting';
  const ofThePart =
    likeliest !== null &&
    ['part', 'plate'].includes(likeliest.remedy.kind) &&
    !(seen.includes(top.cause) && diagnosis.causes.some(isFigure));
  return {
    moves: ids.map((id) => remedyMove(causeOf(engine, id), recorded.includes(id) || seen.includes(id))),
    numbersStay: recorded.length > 0 || ofThePart,
  };
}

/**
 * The corrected settings of a case: least expected risk over the ways things may stand, each with what is right and stays
 * and what is wrong, inside the machine's range and the wire's. Where the likeliest cause is a part or the plate, or the
 * record itself shows a mismatch, that comes first and the numbers stay.
 * @param engine what the case was judged by
 * @param input the case
 * @param diagnosis its diagnosis
 */
export function correct(engine: Engine, input: Case, diagnosis: Diagnosis): Corrected {
  const work: Work = { engine, input, diagnosis };
  const today = toGoOnWith(input.settings ?? {});
  const { moves: remedies, numbersStay } = remediesOf(work);
  const reset = remedies.flatMap(({ cause: id }) => RESET_BY_CURE[id] ?? []);
  const school = turnedBySchool(input);
  const situation = situationOf(work, school, reset);
  if (situation === null) {
    const moves = [...remedies, ...techniqueMoves(work, null)];
    return {
      correction: {
        settings: { ...today },
        moves,
        alternative: NO_OTHER_WAY,
        either: false,
        before: null,
        after: null,
        outOfReach: [],
        procedure: [],
      },
      arcAfter: diagnosis.arc,
    };
  }

  const machine = boundsFor(input, situation);
  const procedure = input.job?.procedure;
  const bounds = withinProcedure(machine, situation.setup, procedure);
  const starts = searchStarts(situation, bounds);
  const free = freeSettings(situation, numbersStay, reset);
  const held = school === null ? null : HELD_FOR[school];
  const mayTurn = free.filter((name) => name !== held || situation.today[name] === null);
  const solved = (of: Situation, limits: Bounds, turning: readonly MainSetting[]): Target =>
    inBalance(of, limits, input.rig?.dials, notColder(work, of, solve(of, limits, starts, turning, input.rig?.dials)));
  const byHeat = school === null ? null : situationOf(work, null, reset);
  // A school yields where the figure that it holds leaves no quiet arc, or one that the plate does not fuse by or does not stand.
  const within = (limits: Bounds): Target => {
    const target = solved(situation, limits, mayTurn);
    if (byHeat === null) return target;
    const plain = solved(byHeat, limits, free);
    return isUnquiet(situation, target) || harmsBy(situation, target, plain) !== null ? plain : target;
  };
  const to = within(bounds);
  const unbound = procedure === undefined ? to : within(machine);
  const moves = movesTo(work, situation, starts[0], to);
  const isTurned = moves.some(({ kind }) => kind === 'setting');
  const technique = techniqueMoves(work, expectedTravel(situation.setup, to.wireSpeedMPerMin));

  // A pulsing machine sets the volts itself: there is no other way round.
  const other = situation.setup.pulse ? null : turnedFirst(moves);
  const otherWay = other === null ? null : situationOf(work, other === 'voltageV' ? 'wire' : 'volts', reset);
  const isDistanceKnown = situation.today.stickOutMm !== null;
  const otherStickOut = (one: Target): number => (isDistanceKnown ? one.stickOutMm : to.stickOutMm);
  const otherSolved =
    other === null || otherWay === null || situation.today[other] === null
      ? null
      : inBalance(
          otherWay,
          bounds,
          input.rig?.dials,
          solve(
            otherWay,
            bounds,
            // A distance that is not known is the same in either way.
            starts.map((one) => ({ ...one, stickOutMm: otherStickOut(one) })),
            free.filter((name) => name !== other && (name !== 'stickOutMm' || isDistanceKnown)),
            input.rig?.dials,
          ),
        );

  // A way that leaves no quiet arc is none, and one that the plate does not fuse by or does not stand is withheld.
  const harms = otherSolved === null ? null : harmsBy(situation, otherSolved, to);
  const otherTarget = otherSolved === null || harms !== null || isUnquiet(situation, otherSolved) ? null : otherSolved;
  const otherMoves = otherTarget === null ? [] : movesTo(work, situation, starts[0], otherTarget);
  // A pulsing machine sets its own volts, and wire that needs no gas gets none.
  const isProposed = (name: MainSetting): boolean =>
    name === 'gasFlowLPerMin'
      ? situation.setup.usesGas
      : name !== 'voltageV' || !situation.setup.pulse || situation.today.voltageV !== null;
  const proposed = MAIN_SETTINGS.filter(isProposed);
  const settings: Settings = {
    ...today,
    ...Object.fromEntries(proposed.map((name) => [name, to[name]])),
    ...Object.fromEntries(technique.flatMap((move) => (move.kind === 'setting' ? [[move.setting, move.to]] : []))),
  };
  const arcAfter = readArc(diagnosis.setup, settings);
  const showsCold = probabilityOf(diagnosis, 'heat-low') > LIKELY;
  const correction: Correction = {
    settings,
    // Where a current in the wild zone is turned out of it, the figures are the remedy.
    moves: [...remedies.filter(({ cause: id }) => !(isTurned && id === 'transfer-between')), ...moves, ...technique],
    alternative: {
      moves: otherMoves,
      after: otherTarget === null ? null : effectOf(readArc(diagnosis.setup, { ...today, ...otherTarget })),
      withheld:
        otherSolved === null || harms === null
          ? null
          : withheldWords(situation, otherSolved, other === 'voltageV' ? 'wireSpeedMPerMin' : 'voltageV', harms),
    },
    before: effectOf(diagnosis.arc),
    after: effectOf(arcAfter),
    either: otherMoves.length > 0 && isEither((causes) => probabilityOf(diagnosis, ...causes)),
    // What the procedure holds back is said as that, not as a machine's end.
    outOfReach:
      procedure === undefined
        ? outOfReach(situation, bounds, to, showsCold)
        : outOfReach(situation, machine, unbound, showsCold),
    procedure: procedureNotes(
      procedure,
      situation.setup,
      situation.today,
      { to, free: unbound },
      situation.travelMmPerMin,
    ),
  };
  return { correction, arcAfter };
}
