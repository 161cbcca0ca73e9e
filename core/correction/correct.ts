import { arcSettings, currentAt, expectedTravel } from '../arc/reading';
import { isTubular, type Wire } from '../arc/wire';
import type { Case, SettingName } from '../case/schema';
import { cause, type Cause } from '../knowledge';
import type { Diagnosis } from '../diagnosis/diagnose';
import { effectAt, orderByGain, settingMove, type Effect, type Move, type RemedyMove } from './moves';
import type { Situation, Target, TargetName } from './objective';
import { boundsFor, searchStarts, TARGET_NAMES } from './bounds';
import { probabilityOf, scenariosOf } from './scenarios';
import { solve, type Bounds } from './solver';

/** The corrected settings, the moves to get there one at a time, and the other school's way. */
export type Correction = {
  settings: Partial<Record<SettingName, number>>;
  moves: Move[];
  alternative: { moves: Move[]; after: Effect | null };
  before: Effect | null;
  after: Effect | null;
  /** What the machine, the wire or the plate does not allow, and what then. */
  outOfReach: string[];
};

/** Causes under this do not move a knob or bring a remedy. */
const ACT_ABOVE = 0.3;
/** A change smaller than this is left alone: the hand on the knob is no finer. */
const WORTH_MOVING: Target = { voltageV: 0.3, wireSpeedMPerMin: 0.2, stickOutMm: 1.5, gasFlowLPerMin: 1 };
/** Travel this much off, as a ratio, is worth a word. */
const PACE_TOLERANCE = 1.2;
/** Which causes speak for moving which setting. */
const MOVED_BY: Record<TargetName, string[]> = {
  voltageV: ['voltage-low', 'wire-fast', 'voltage-high', 'wire-slow', 'heat-low', 'heat-high'],
  wireSpeedMPerMin: ['voltage-low', 'wire-fast', 'voltage-high', 'wire-slow', 'heat-low', 'heat-high'],
  stickOutMm: ['stickout-long', 'stickout-short'],
  gasFlowLPerMin: ['gas-low', 'gas-high'],
};

/** The cause that a turn of a knob cures. */
function curedBy(setting: TargetName, from: number, to: number, diagnosis: Diagnosis): string | null {
  if (setting === 'stickOutMm') return to > from ? 'stickout-short' : 'stickout-long';
  if (setting === 'gasFlowLPerMin') return to > from ? 'gas-low' : 'gas-high';
  return diagnosis.causes.find((verdict) => MOVED_BY[setting].includes(verdict.cause))?.cause ?? null;
}

function remedyMove(entry: Cause): RemedyMove {
  const { plain, caution } = entry.remedy;
  return {
    kind: 'remedy',
    cause: entry.id,
    do: plain,
    because: entry.plain,
    expect: 'run the same settings again and compare',
    ...(caution === undefined ? {} : { caution }),
  };
}

/** Travel, angle and arc control move by their causes; their "to" comes from the arc model or a fifth of the dial. */
function techniqueMoves(input: Case, diagnosis: Diagnosis, wantedTravel: number | null): Move[] {
  const { settings = {} } = input;
  const moves: Move[] = [];
  const likely = (id: string): boolean => probabilityOf(diagnosis, id) > ACT_ABOVE;
  const control = settings.arcControlPct;
  if (control !== undefined && likely('arc-control-crisp'))
    moves.push(settingMove(input, 'arcControlPct', control, Math.min(100, control + 20), 'arc-control-crisp'));
  if (control !== undefined && likely('arc-control-soft'))
    moves.push(settingMove(input, 'arcControlPct', control, Math.max(0, control - 20), 'arc-control-soft'));
  const travel = settings.travelSpeedMmPerMin;
  const offPace = ['travel-fast', 'travel-slow'].find(likely);
  if (travel !== undefined && wantedTravel !== null && offPace !== undefined) {
    const change = wantedTravel / travel;
    // The pace the corrected wire speed wants may be today's: then nothing is to be said.
    const stillOff = offPace === 'travel-fast' ? change < 1 / PACE_TOLERANCE : change > PACE_TOLERANCE;
    if (stillOff)
      moves.push(settingMove(input, 'travelSpeedMmPerMin', travel, Math.round(wantedTravel / 10) * 10, offPace));
  }
  const angle = settings.travelAngleDeg;
  const steep = ['angle-push-steep', 'angle-drag-steep'].find(likely);
  if (angle !== undefined && steep !== undefined && Math.abs(angle) > 15)
    moves.push(settingMove(input, 'travelAngleDeg', angle, Math.sign(angle) * 10, steep));
  return moves;
}

function reachNotes(situation: Situation, bounds: Bounds, corrected: Target): string[] {
  const { setup } = situation;
  const wanted = setup.currentWantedA;
  if (wanted === null) return [];
  const current = currentAt(setup, corrected.wireSpeedMPerMin, corrected.stickOutMm);
  const atTop = corrected.wireSpeedMPerMin >= bounds.wireSpeedMPerMin.high - 0.15;
  const atBottom = corrected.wireSpeedMPerMin <= bounds.wireSpeedMPerMin.low + 0.15;
  const amps = `${Math.round(current)} A`;
  if (atTop && current < 0.85 * wanted) {
    return [
      `The plate wants about ${Math.round(wanted)} A; this wire and machine reach ${amps}. Thicker wire, bevel and more passes, or preheat by procedure.`,
    ];
  }
  if (atBottom && current > 1.2 * wanted) {
    return [
      `The sheet wants about ${Math.round(wanted)} A; this wire and machine go down to ${amps}. Thinner wire, stitch, or a backing bar.`,
    ];
  }
  return [];
}

const NOTHING_TO_SOLVE = (input: Case): Correction => ({
  settings: { ...input.settings },
  moves: [],
  alternative: { moves: [], after: null },
  before: null,
  after: null,
  outOfReach: [],
});

function situationOf(input: Case, diagnosis: Diagnosis, wire: Wire): Situation {
  const { voltageV, wireSpeedMPerMin, stickOutMm, gasFlowLPerMin, travelSpeedMmPerMin } = arcSettings(input);
  return {
    setup: { ...diagnosis.setup, wire },
    scenarios: scenariosOf(diagnosis),
    today: { voltageV, wireSpeedMPerMin, stickOutMm, gasFlowLPerMin },
    flowWindow: diagnosis.arc.flowWindow,
    gapShare: (input.job?.gapMm ?? 0) / (diagnosis.setup.thinnestMm ?? 3),
    travelMmPerMin: travelSpeedMmPerMin,
    arcControlPct: input.settings?.arcControlPct ?? 50,
  };
}

/** Settings that may move: those unknown, and those a likely cause speaks for. */
function freeSettings(input: Case, situation: Situation, diagnosis: Diagnosis): TargetName[] {
  return TARGET_NAMES.filter((name) => {
    // A pulsing machine is set by trim, not by volts.
    if (name === 'voltageV' && input.rig?.mode === 'pulse') return false;
    if (name === 'gasFlowLPerMin' && (!situation.setup.usesGas || situation.flowWindow === null)) return false;
    return situation.today[name] === null || probabilityOf(diagnosis, ...MOVED_BY[name]) > ACT_ABOVE;
  });
}

/** The moves of a solved target in the order to make them. */
function movesTo(input: Case, diagnosis: Diagnosis, situation: Situation, from: Target, to: Target): Move[] {
  const { today } = situation;
  const changed = TARGET_NAMES.filter((name) => {
    const value = today[name];
    return value !== null && Math.abs(to[name] - value) >= WORTH_MOVING[name];
  });
  return orderByGain(situation, from, to, changed).flatMap((name) => {
    const value = today[name];
    return value === null ? [] : [settingMove(input, name, value, to[name], curedBy(name, value, to[name], diagnosis))];
  });
}

/**
 * Keeps today's value where the solved one is not worth a turn of the knob; what is not known stays out
 * unless it was free to be proposed.
 */
function settled(situation: Situation, solved: Target, free: readonly TargetName[]): Target {
  const keep = (name: TargetName): number => {
    const today = situation.today[name];
    return today !== null && (!free.includes(name) || Math.abs(solved[name] - today) < WORTH_MOVING[name])
      ? today
      : solved[name];
  };
  return {
    voltageV: keep('voltageV'),
    wireSpeedMPerMin: keep('wireSpeedMPerMin'),
    stickOutMm: keep('stickOutMm'),
    gasFlowLPerMin: keep('gasFlowLPerMin'),
  };
}

/**
 * The corrected settings of a case: least expected risk over what may be wrong, plus the cost of moving,
 * inside the machine's range and the wire's. Where the likeliest cause is no setting, its remedy comes first
 * and the numbers stay.
 * @param input the case
 * @param diagnosis its diagnosis
 */
export function correct(input: Case, diagnosis: Diagnosis): Correction {
  const top = diagnosis.causes[0];
  const topCause = top !== undefined && top.probability > ACT_ABOVE ? cause(top.cause) : null;
  const remedies = topCause !== null && topCause.remedy.kind !== 'setting' ? [remedyMove(topCause)] : [];
  const { wire } = diagnosis.setup;
  if (wire === null)
    return { ...NOTHING_TO_SOLVE(input), moves: [...remedies, ...techniqueMoves(input, diagnosis, null)] };

  const situation = situationOf(input, diagnosis, wire);
  const bounds = boundsFor(input, situation);
  const starts = searchStarts(situation, bounds);
  const dials = input.rig?.dials ?? {};
  const free = freeSettings(input, situation, diagnosis);
  const { today } = situation;
  const imbalance = input.preferences?.imbalance ?? 'by-heat';
  const held: TargetName[] =
    imbalance === 'volts' && today.wireSpeedMPerMin !== null
      ? ['wireSpeedMPerMin']
      : imbalance === 'wire' && today.voltageV !== null
        ? ['voltageV']
        : [];
  const solveWith = (names: readonly TargetName[]): Target =>
    settled(
      situation,
      solve(
        situation,
        bounds,
        names.length === TARGET_NAMES.length ? starts : starts.slice(0, names.includes('voltageV') ? 2 : 1),
        names,
        dials,
      ),
      names,
    );
  const chosen = free.filter((name) => !held.includes(name));
  const to = solveWith(chosen);
  const moves = movesTo(input, diagnosis, situation, starts[0], to);
  const technique = techniqueMoves(input, diagnosis, expectedTravel(situation.setup, to.wireSpeedMPerMin));

  const turned = moves.flatMap((move) => (move.kind === 'setting' ? [move.setting] : []));
  const other: TargetName | null = turned.includes('voltageV')
    ? 'voltageV'
    : turned.includes('wireSpeedMPerMin')
      ? 'wireSpeedMPerMin'
      : null;
  const otherTarget = other === null || today[other] === null ? null : solveWith(free.filter((name) => name !== other));
  const alternativeMoves = otherTarget === null ? [] : movesTo(input, diagnosis, situation, starts[0], otherTarget);

  const known = Object.fromEntries(
    TARGET_NAMES.filter((name) => name !== 'gasFlowLPerMin' || situation.setup.usesGas).map((name) => [name, to[name]]),
  );
  return {
    settings: {
      ...input.settings,
      ...known,
      ...Object.fromEntries(technique.flatMap((move) => (move.kind === 'setting' ? [[move.setting, move.to]] : []))),
    },
    moves: [...remedies, ...moves, ...technique],
    alternative: {
      moves: alternativeMoves,
      after: otherTarget === null ? null : effectAt(input, situation, otherTarget),
    },
    before: effectAt(input, situation, {}),
    after: effectAt(input, situation, to),
    outOfReach: isTubular(wire.class) ? [] : reachNotes(situation, bounds, to),
  };
}
