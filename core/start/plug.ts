import { depositedArea } from '../arc/bead';
import type { WireSetup } from '../arc/setup';

/** A plug: the hole that is drilled in the upper sheet, and how long it takes to fill. */
export type PlugPlan = { holeMm: number; fillS: number };

/**
 * How much wider a hole is than its sheet is thick, mm: so much that the arc reaches the plate under it all round. Source: rules
 * for structures ask for 8 mm; on sheet of a body 6 to 8 mm holes are usual.
 */
const WIDER_MM = { sheetUpToMm: 2, sheet: 6, plate: 8 };
/** Filled a little over its rim. */
const CROWN = 1.25;

/**
 * The hole of a plug weld, and the time to fill it.
 * @param upperMm thickness of the sheet with the hole
 * @param wireSpeedMPerMin above 0
 */
export function plugPlan(setup: WireSetup, upperMm: number, wireSpeedMPerMin: number): PlugPlan {
  const holeMm = Math.round(upperMm + (upperMm <= WIDER_MM.sheetUpToMm ? WIDER_MM.sheet : WIDER_MM.plate));
  // Metal of a minute: what would lie in a bead of one metre, mm3.
  const perMinute = 1000 * depositedArea(wireSpeedMPerMin * setup.machine.wireScale, setup.wire, setup.gas, 1000);
  const volume = (Math.PI / 4) * holeMm ** 2 * upperMm * CROWN;
  return { holeMm, fillS: Math.max(1, Math.round((60 * volume) / perMinute)) };
}
