import { SAMPLE_RATE } from '../sound/sample-rate';

/** A beat for each so much of travel, mm: a thumb's breadth is near half of it, and the eye can hold it. */
export const BEAT_MM = 10;
/** Every tenth beat, a hand's length of weld, is higher. */
export const BEATS_A_BAR = 10;
/** Travel speeds that a hand keeps, mm/min. */
export const PACES = { least: 100, most: 800, usual: 350, step: 10 } as const;

const TICK_S = 0.03;
const { exp, PI, round, sin } = Math;

/** Time from one beat to the next, s. @param travelSpeedMmPerMin above 0 */
export const beatS = (travelSpeedMmPerMin: number): number => (60 * BEAT_MM) / travelSpeedMmPerMin;

/**
 * One bar of the beat as sound: ten beats, the first of them higher, with what follows the last.
 * @param travelSpeedMmPerMin above 0
 * @returns samples at the rate of the simulated arc, so long that the next bar goes on in step
 */
export function beatBar(travelSpeedMmPerMin: number): Float32Array<ArrayBuffer> {
  const everyS = beatS(travelSpeedMmPerMin);
  const bar = new Float32Array(round(BEATS_A_BAR * everyS * SAMPLE_RATE));
  for (let beat = 0; beat < BEATS_A_BAR; beat++) {
    const from = round(beat * everyS * SAMPLE_RATE);
    const hz = beat === 0 ? 1760 : 1100;
    for (let i = 0; i < TICK_S * SAMPLE_RATE && from + i < bar.length; i++) {
      const age = i / SAMPLE_RATE;
      bar[from + i] = 0.6 * exp(-age / 0.008) * sin(2 * PI * hz * age);
    }
  }
  return bar;
}
