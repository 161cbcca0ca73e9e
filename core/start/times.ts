import type { ArcSetup } from '../arc/setup';

/** The times of start and end, for machines that let them be set; by hand they are a wait before and after the arc. */
export type Times = {
  /** Gas before the arc and after it, s; null for a wire that needs none. */
  preFlowS: number | null;
  postFlowS: number | null;
  /** How long the wire burns on after the trigger is let go, s. */
  burnBackS: number;
  /** Wire speed until the arc stands, m/min. */
  runInMPerMin: number;
  /** How the crater is filled. */
  crater: string;
  /** Trigger held, or let go and pressed again to stop. */
  trigger: '2T' | '4T';
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
  least + (most - least) * Math.min(1, Math.max(0, (x - from) / (to - from)));

const tenth = (seconds: number): number => Math.round(seconds * 10) / 10;
const hundredth = (seconds: number): number => Math.round(seconds * 100) / 100;

/**
 * The times of start and end of a job.
 * @param currentA expected
 * @param wireSpeedMPerMin to start with
 * @param stitched whether the sheet is stitched
 */
export function timesFor(setup: ArcSetup, currentA: number, wireSpeedMPerMin: number, stitched: boolean): Times {
  // Aluminium and stainless show every breath of air, and a draught takes the first of the gas.
  const tender = setup.baseMetal !== 'mild-steel' || setup.draught !== 'still';
  const { leastS, mostS, fromA, toA } = POST_FLOW;
  return {
    preFlowS: setup.usesGas ? (tender ? PRE_FLOW_S.tender : PRE_FLOW_S.usual) : null,
    postFlowS: setup.usesGas
      ? tenth(Math.min(mostS, between(currentA, fromA, toA, leastS, mostS) + (tender ? 0.5 : 0)))
      : null,
    burnBackS: hundredth(
      between(setup.wire?.diameterMm ?? 1, BURN_BACK.fromMm, BURN_BACK.toMm, BURN_BACK.leastS, BURN_BACK.mostS),
    ),
    runInMPerMin: tenth(Math.min(wireSpeedMPerMin, Math.max(RUN_IN.leastMPerMin, RUN_IN.share * wireSpeedMPerMin))),
    crater: craterOf(setup, currentA, stitched),
    trigger: stitched ? '2T' : '4T',
  };
}

function craterOf({ baseMetal }: ArcSetup, currentA: number, stitched: boolean): string {
  if (stitched) return 'A stitch fills itself: stop, wait with the nozzle over it, then the next.';
  if (baseMetal === 'aluminium')
    return 'Aluminium cracks from its crater: crater fill, or turn back 20 mm onto the bead and speed up before letting go.';
  if (currentA < CRATER_FROM_A) return 'Pause at the end until the crater is level, then let go.';
  return 'Crater fill at about two thirds for a second, or a step back of 10 mm before letting go; hold the nozzle over it.';
}
