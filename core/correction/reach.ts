import { currentAt } from '../arc/setup';
import { isTubular } from '../arc/wire';
import type { Situation, Target } from './objective';
import type { Bounds } from './solver';

/** This near its end the wire speed stands at it: a step and a half of a usual machine. */
const AT_THE_END_M_PER_MIN = 0.15;
/** Under this share of the current wanted the plate stays cold, over that one a sheet does not stand it. */
const SHORT = { cold: 0.85, hot: 1.2 };

/**
 * What the machine, the wire or the plate does not allow, and what then.
 * Tubular wire is left out: its current does not follow from the plate by the same rule.
 * @param bounds what can be set
 * @param corrected the best that can be set
 */
export function outOfReach({ setup }: Situation, { wireSpeedMPerMin: wire }: Bounds, corrected: Target): string[] {
  const wanted = setup.currentWantedA;
  if (wanted === null || isTubular(setup.wire.class)) return [];
  const current = currentAt(setup, corrected.wireSpeedMPerMin, corrected.stickOutMm);
  const atTop = corrected.wireSpeedMPerMin >= wire.high - AT_THE_END_M_PER_MIN;
  const atBottom = corrected.wireSpeedMPerMin <= wire.low + AT_THE_END_M_PER_MIN;
  const amps = `${Math.round(current)} A`;
  if (atTop && current < SHORT.cold * wanted) {
    return [
      `The plate wants about ${Math.round(wanted)} A; this wire and machine reach ${amps}. Thicker wire, bevel and more passes, or preheat by procedure.`,
    ];
  }
  if (atBottom && current > SHORT.hot * wanted) {
    return [
      `The sheet wants about ${Math.round(wanted)} A; this wire and machine go down to ${amps}. Thinner wire, stitch, or a backing bar.`,
    ];
  }
  return [];
}
