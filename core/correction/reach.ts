import { withinCurrentRange } from '../arc/balance';
import { passesFor } from '../arc/passes';
import { balancedVolts, currentAt, isColdInOnePass } from '../arc/setup';
import { isTubular } from '../arc/wire';
import { wireWindow } from '../arc/wire-window';
import type { Situation, Target } from './objective';
import type { Bounds } from './solver';

/** This near its end the wire speed or the voltage stands at it: a step and a half of a usual machine. */
const AT_THE_END = { wireMPerMin: 0.15, volts: 0.15 };
/** Under this share of what the plate wants it stays cold, over that one a sheet does not stand it. */
const SHORT = { cold: 0.85, hot: 1.2 };
/** Volts this far under what the current wants, in half-widths of the window, and the arc stubs. */
const VOLTS_SHORT_V = 1;

const OUT_OF_POSITION = { 'vertical-up': 'Vertical-up', overhead: 'Overhead' } as const;

/** What is short of the plate's want: the position, the wire, or the machine by its wire drive or its volts. */
function limitOf({ setup }: Situation, bounds: Bounds, corrected: Target, currentA: number): string | null {
  const { ceiling, position, wire } = setup;
  const { voltageV, wireSpeedMPerMin: speed } = bounds;
  const wanted = withinCurrentRange(setup.currentAskedA ?? currentA);
  const atTopOfWire = corrected.wireSpeedMPerMin >= speed.high - AT_THE_END.wireMPerMin;
  const volts = balancedVolts(setup, wanted);
  if (corrected.voltageV >= voltageV.high - AT_THE_END.volts && volts > voltageV.high + VOLTS_SHORT_V)
    return `this machine stops at ${voltageV.high} V, which holds an arc of about ${Math.round(currentA)} A; that current would want ${volts.toFixed(1)} V`;
  if (ceiling?.by === 'position' && currentA >= SHORT.cold * ceiling.currentA)
    return `${OUT_OF_POSITION[position as keyof typeof OUT_OF_POSITION].toLowerCase()} a pass of this wire holds up about ${Math.round(ceiling.currentA)} A`;
  const asked = setup.currentAskedA;
  if (!atTopOfWire)
    // Between the short arc and a spray that nothing here carries lies a zone where no bead is quiet.
    return asked !== null && currentA >= SHORT.cold * asked && isColdInOnePass(setup.plateWantsA ?? 0, Infinity, asked)
      ? `this wire runs quietly in this gas up to about ${Math.round(currentA)} A`
      : null;
  const top = wireWindow(wire).highA;
  return currentA >= SHORT.cold * top
    ? `this wire carries about ${Math.round(top)} A`
    : `this machine feeds ${corrected.wireSpeedMPerMin.toFixed(1)} m/min at most, which is ${Math.round(currentA)} A`;
}

/**
 * What the machine, the wire, the position or the plate does not allow, and what then: which of them is the limit, and
 * how many passes take its place.
 * @param bounds what can be set
 * @param corrected the best that can be set
 */
export function outOfReach(situation: Situation, bounds: Bounds, corrected: Target): string[] {
  const { setup, gapShare } = situation;
  const wanted = setup.plateWantsA;
  if (wanted === null || setup.thinnestMm === null) return [];
  const current = currentAt(setup, corrected.wireSpeedMPerMin, corrected.stickOutMm);
  const atBottom = corrected.wireSpeedMPerMin <= bounds.wireSpeedMPerMin.low + AT_THE_END.wireMPerMin;
  if (current < SHORT.cold * wanted) {
    const limit = limitOf(situation, bounds, corrected, current);
    if (limit === null) return [];
    const { count, legMm } = passesFor(setup.thinnestMm, setup.joint, setup.position, gapShare * setup.thinnestMm);
    const other = isTubular(setup.wire.class) ? 'thicker wire' : 'thicker or tubular wire';
    return [
      `The plate wants about ${Math.round(wanted)} A in one pass; ${limit}. ${count} passes, each as a ${legMm.toFixed(0)} mm leg, on a bevel where it is thick; preheat by procedure; or ${other}.`,
    ];
  }
  if (atBottom && current > SHORT.hot * wanted) {
    return [
      `The sheet wants about ${Math.round(wanted)} A; this wire and machine go down to ${Math.round(current)} A. Thinner wire, stitch, or a backing bar.`,
    ];
  }
  return [];
}
