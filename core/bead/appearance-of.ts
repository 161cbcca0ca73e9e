import { beadWidth, crownHeight, depositedArea } from '../arc/bead';
import { heatInput } from '../arc/heat';
import type { ArcReading } from '../arc/reading';
import type { ArcSetup } from '../arc/setup';
import type { Settings } from '../setting/table';
import { SOUND_BEAD, type BeadAppearance } from './appearance';
import { clamp } from '../quantity/clamp';

/** Width, crown and depth of a bead from its settings, as far as they are known. */
function fromSettings(setup: ArcSetup, arc: ArcReading, settings: Settings): Partial<BeadAppearance> {
  const speed = settings.wireSpeedMPerMin;
  const plateMm = clamp(setup.thinnestMm ?? SOUND_BEAD.plateMm, 0.8, 8);
  if (setup.wire === null || speed === undefined || arc.currentA === null || arc.balancedVoltageV === null)
    return { plateMm };
  const travel = settings.travelSpeedMmPerMin ?? arc.expectedTravelMmPerMin ?? 350;
  const volts = settings.voltageV ?? arc.balancedVoltageV;
  const off = arc.voltageErrorV ?? 0;
  const area = depositedArea(speed, setup.wire, setup.gas, travel);
  const widthMm = clamp(beadWidth(heatInput(volts, arc.currentA, travel), off), 2.5, 13);
  const heat = arc.heatRatio ?? 1;
  const halfWidths = off / (arc.balanceHalfWidthV ?? 1);
  return {
    plateMm,
    widthMm,
    crownMm: clamp(crownHeight(area, widthMm), 0.5, 5),
    penetrationMm: clamp(
      (arc.penetrationMm ?? 0.45 * plateMm * heat) * (halfWidths < -2 ? 0.6 : 1),
      0.2,
      plateMm * 1.2,
    ),
    coldLap: clamp(0.45 * (-halfWidths - 1.5), 0, 1),
    undercut: clamp(0.4 * (halfWidths - 2), 0, 1),
    backBulge: clamp(1.6 * (heat - 1.35), 0, 1),
    spatter: clamp(0.04 + 0.12 * (Math.abs(halfWidths) - 1), 0.04, 0.8),
  };
}

/** Of two values, the one further from a sound bead's: a mark that was seen is not washed out by the next. */
function further(key: 'widthMm' | 'crownMm' | 'penetrationMm', a: number, b: number): number {
  return Math.abs(a - SOUND_BEAD[key]) > Math.abs(b - SOUND_BEAD[key]) ? a : b;
}

/** Lays what was seen over the bead; the plate stays what it is. */
function overlay(bead: BeadAppearance, seen: Partial<BeadAppearance>, marked: Partial<BeadAppearance>): BeadAppearance {
  const merged: BeadAppearance = { ...bead, ...seen, plateMm: bead.plateMm };
  for (const key of ['widthMm', 'crownMm', 'penetrationMm'] as const) {
    const [now, before] = [seen[key], marked[key]];
    if (now !== undefined && before !== undefined) merged[key] = further(key, now, before);
  }
  return { ...merged, penetrationMm: Math.min(merged.penetrationMm, bead.plateMm * 1.2) };
}

/**
 * Returns what a bead looks like: shaped by its settings through the arc model, then marked by what was seen on it.
 * @param setup the surroundings
 * @param arc what the arc model says of these settings
 * @param settings the figures that were set
 * @param marks what each finding that was seen leaves on a bead, in the order of the lexicon
 */
export function beadAppearance(
  setup: ArcSetup,
  arc: ArcReading,
  settings: Settings,
  marks: readonly Partial<BeadAppearance>[],
): BeadAppearance {
  let marked: Partial<BeadAppearance> = {};
  return marks.reduce<BeadAppearance>(
    (bead, mark) => {
      const next = overlay(bead, mark, marked);
      marked = { ...marked, ...mark };
      return next;
    },
    { ...SOUND_BEAD, ...fromSettings(setup, arc, settings) },
  );
}
