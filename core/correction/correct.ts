import { readArc, type ArcReading } from '../arc/reading';
import { expectedTravel } from '../arc/setup';
import type { Case } from '../case/schema';
import type { Diagnosis } from '../diagnosis/diagnose';
import { causeOf, type Engine } from '../diagnosis/engine';
import type { Cause } from '../knowledge/types';
import { MAIN_SETTINGS, type MainSetting, type Settings } from '../setting/table';
import { boundsFor, searchStarts } from './bounds';
import { withFewestTurns } from './fewest-turns';
import { effectOf, orderByGain, settingMove, type Effect, type Move, type RemedyMove } from './moves';
import type { Situation, Target } from './objective';
import { outOfReach } from './reach';
import { ACT_ABOVE, freeSettings, heldBySchool, MOVED_BY, settled, situationOf, type Work } from './situation';
import { solve } from './solver';
import { techniqueMoves } from './technique';

/** The corrected settings, the moves to get there one at a time, and the other school's way. */
export type Correction = {
  settings: Settings;
  moves: Move[];
  alternative: { moves: Move[]; after: Effect | null };
  before: Effect | null;
  after: Effect | null;
  /** What the machine, the wire or the plate does not allow, and what then. */
  outOfReach: string[];
};

/** A correction with what the arc model says of the corrected settings. */
export type Corrected = { correction: Correction; arcAfter: ArcReading };

/** The cause that a turn of a knob cures: the likeliest of those that speak for it. */
function curedBy({ engine, diagnosis }: Work, setting: MainSetting): Cause | null {
  const verdict = diagnosis.causes.find(({ cause }) => MOVED_BY[setting].includes(cause));
  return verdict === undefined ? null : causeOf(engine, verdict.cause);
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

/** The moves of a solved target in the order to make them. @param from today, with model values where unknown */
function movesTo(work: Work, situation: Situation, from: Target, to: Target): Move[] {
  const changed = MAIN_SETTINGS.filter((name) => situation.today[name] !== null && to[name] !== from[name]);
  return orderByGain(situation, from, to, changed).map((name) =>
    settingMove(work.input.rig?.dials, name, from[name], to[name], curedBy(work, name)),
  );
}

/** Of volts and wire, the one that was turned: the other way round is shown beside it. */
function turnedFirst(moves: readonly Move[]): MainSetting | null {
  const turned = moves.flatMap((move) => (move.kind === 'setting' ? [move.setting] : []));
  return (['voltageV', 'wireSpeedMPerMin'] as const).find((name) => turned.includes(name)) ?? null;
}

/**
 * The corrected settings of a case: least expected risk over what may be wrong, plus the cost of moving,
 * inside the machine's range and the wire's. Where the likeliest cause is no setting, its remedy comes first
 * and the numbers stay.
 * @param engine what the case was judged by
 * @param input the case
 * @param diagnosis its diagnosis
 */
export function correct(engine: Engine, input: Case, diagnosis: Diagnosis): Corrected {
  const work: Work = { engine, input, diagnosis };
  const today = input.settings ?? {};
  const [top] = diagnosis.causes;
  const topCause = top !== undefined && top.probability > ACT_ABOVE ? causeOf(engine, top.cause) : null;
  const remedies = topCause !== null && topCause.remedy.kind !== 'setting' ? [remedyMove(topCause)] : [];
  const situation = situationOf(work);
  if (situation === null) {
    const moves = [...remedies, ...techniqueMoves(work, null)];
    const alternative = { moves: [], after: null };
    return {
      correction: { settings: { ...today }, moves, alternative, before: null, after: null, outOfReach: [] },
      arcAfter: diagnosis.arc,
    };
  }

  const bounds = boundsFor(input, situation);
  const starts = searchStarts(situation, bounds);
  const free = freeSettings(work, situation);
  const solveWith = (names: readonly MainSetting[], from?: Target): Target => {
    const all = names.length === MAIN_SETTINGS.length ? starts : starts.slice(0, names.includes('voltageV') ? 2 : 1);
    const ends = from === undefined ? all : [from];
    return settled(situation, solve(situation, bounds, ends, names, input.rig?.dials), names);
  };
  const fewestTurns = (names: readonly MainSetting[]): Target => withFewestTurns(situation, names, solveWith);
  const held = heldBySchool(input, situation);
  const to = fewestTurns(free.filter((name) => name !== held));
  const moves = movesTo(work, situation, starts[0], to);
  const technique = techniqueMoves(work, expectedTravel(situation.setup, to.wireSpeedMPerMin));

  const other = turnedFirst(moves);
  const otherTarget =
    other === null || situation.today[other] === null ? null : fewestTurns(free.filter((name) => name !== other));

  const proposed = MAIN_SETTINGS.filter((name) => name !== 'gasFlowLPerMin' || situation.setup.usesGas);
  const settings: Settings = {
    ...today,
    ...Object.fromEntries(proposed.map((name) => [name, to[name]])),
    ...Object.fromEntries(technique.flatMap((move) => (move.kind === 'setting' ? [[move.setting, move.to]] : []))),
  };
  const arcAfter = readArc(diagnosis.setup, settings);
  const correction: Correction = {
    settings,
    moves: [...remedies, ...moves, ...technique],
    alternative: {
      moves: otherTarget === null ? [] : movesTo(work, situation, starts[0], otherTarget),
      after: otherTarget === null ? null : effectOf(readArc(diagnosis.setup, { ...today, ...otherTarget })),
    },
    before: effectOf(diagnosis.arc),
    after: effectOf(arcAfter),
    outOfReach: outOfReach(situation, bounds, to),
  };
  return { correction, arcAfter };
}
