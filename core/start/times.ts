import type { ArcSetup } from '../arc/setup';
import { CONTROLS, type Control } from '../case/schema';
import { clamp } from '../quantity/clamp';

/** The times of start and end, for machines that let them be set; by hand they are a wait before and after the arc. */
export type Times = {
  /** Gas before the arc and after it, s; null for a wire that needs none and a machine that does not let it be set. */
  preFlowS: number | null;
  postFlowS: number | null;
  /** How long the wire burns on after the trigger is let go, s; null where it cannot be set. */
  burnBackS: number | null;
  /** Wire speed until the arc stands, m/min; null where it cannot be set. */
  runInMPerMin: number | null;
  /** How the crater is filled. */
  crater: string;
  /** Trigger held, or let go and pressed again to stop. */
  trigger: '2T' | '4T';
  /** What the hand does in place of what the machine has not. */
  byHand: string[];
};

/**
 * Source: the trade's windows: pre-flow 0.2 to 0.5 s, post-flow 1 to 3 s by current, burn-back 0.1 to 0.2 s (the thicker the
 * wire the longer), run-in 30 to 50 % of the wire speed and about 1.5 m/min for thin wire.
 */
const PRE_FLOW_S = { usual: 0.3, tender: 0.5 };
const POST_FLOW = { leastS: 1, mostS: 3, fromA: 60, toA: 280 };
const BURN_BACK = { leastS: 0.1, mostS: 0.2, fromMm: 0.8, toMm: 1.2 };
const RUN_IN = { share: 0.4, leastMPerMin: 1.5 };
/** From here a crater is large enough to be filled on purpose, A. */
const CRATER_FROM_A = 120;

/** A figure that runs straight from one end to the other and stays there. */
const between = (x: number, from: number, to: number, least: number, most: number): number =>
  least + (most - least) * clamp((x - from) / (to - from), 0, 1);

const tenth = (seconds: number): number => Math.round(seconds * 10) / 10;
const hundredth = (seconds: number): number => Math.round(seconds * 100) / 100;

/** What the hand does where a machine has no setting for it. Source: the trade's habits at machines without timers. */
const BY_HAND: { [control in Control]?: string } = {
  'pre-flow':
    'No pre-flow: pull the trigger once, gun clear of work and hands, to fill it with gas; clip the wire again.',
  'post-flow':
    'No post-flow: hold the nozzle over the crater until it is dark; what is left in the gun still covers it.',
  'burn-back': 'No burn-back: draw the gun back a little as you let go, and clip the wire.',
  'run-in': 'No run-in: strike with a short stick-out and a clipped wire.',
};
/** What a wire without gas does not miss. */
const OF_THE_GAS: readonly Control[] = ['pre-flow', 'post-flow'];

type Run = { currentA: number; wireSpeedMPerMin: number; stitched: boolean };

/**
 * The times of start and end of a job.
 * @param run expected current in A, wire speed to start with in m/min, and whether the sheet is stitched
 * @param controls what the machine lets be set; all of it where that is not known
 */
export function timesFor(
  setup: ArcSetup,
  { currentA, wireSpeedMPerMin, stitched }: Run,
  controls: readonly Control[] = CONTROLS,
): Times {
  const has = (control: Control): boolean => controls.includes(control);
  // Aluminium and stainless show every breath of air, and a draught takes the first of the gas.
  const tender = setup.baseMetal !== 'mild-steel' || setup.draught !== 'still';
  const { leastS, mostS, fromA, toA } = POST_FLOW;
  const runIn = clamp(RUN_IN.share * wireSpeedMPerMin, RUN_IN.leastMPerMin, wireSpeedMPerMin);
  const burnBack = between(
    setup.wire?.diameterMm ?? 1,
    BURN_BACK.fromMm,
    BURN_BACK.toMm,
    BURN_BACK.leastS,
    BURN_BACK.mostS,
  );
  return {
    preFlowS: setup.usesGas && has('pre-flow') ? (tender ? PRE_FLOW_S.tender : PRE_FLOW_S.usual) : null,
    postFlowS:
      setup.usesGas && has('post-flow')
        ? tenth(Math.min(mostS, between(currentA, fromA, toA, leastS, mostS) + (tender ? 0.5 : 0)))
        : null,
    burnBackS: has('burn-back') ? hundredth(burnBack) : null,
    runInMPerMin: has('run-in') ? tenth(runIn) : null,
    crater: craterOf(setup, currentA, stitched, has('crater-fill')),
    trigger: stitched || !has('four-step') ? '2T' : '4T',
    byHand: CONTROLS.flatMap((control) => {
      const instead = BY_HAND[control];
      const isMissed = !has(control) && (setup.usesGas || !OF_THE_GAS.includes(control));
      return isMissed && instead !== undefined ? [instead] : [];
    }),
  };
}

function craterOf({ baseMetal }: ArcSetup, currentA: number, stitched: boolean, fills: boolean): string {
  if (stitched) return 'A stitch fills itself: stop, wait with the nozzle over it, then the next.';
  if (baseMetal === 'aluminium')
    return `Aluminium cracks from its crater: ${fills ? 'crater fill, or ' : ''}turn back 20 mm onto the bead and speed up before letting go.`;
  if (currentA < CRATER_FROM_A) return 'Pause at the end until the crater is level, then let go.';
  return fills
    ? 'Crater fill at about two thirds for a second, or a step back of 10 mm before letting go; hold the nozzle over it.'
    : 'A step back of 10 mm onto the bead and a pause before letting go; hold the nozzle over it.';
}

/** Arc control from which the steep tap comes nearest to it, per cent: the softer half of a dial. */
const SLOPE_STEEP_FROM_PCT = 50;

/**
 * The tap for the slope of the source, on machines that have one: steep holds back the current of a short circuit, which
 * softens the arc as arc control does; flat gives a spray its steady length.
 * @param arcControlPct as wanted, 0 crisp to 100 soft
 * @param sprays whether the arc is a spray
 * @returns null where the machine has none, or sets its own arc by pulse
 */
export function slopeFor(
  arcControlPct: number,
  sprays: boolean,
  controls: readonly Control[] | undefined,
): 'steep' | 'flat' | null {
  if (!controls?.includes('slope')) return null;
  return sprays || arcControlPct < SLOPE_STEEP_FROM_PCT ? 'flat' : 'steep';
}
