import type { ArcReading } from '../arc/reading';
import { withWire, type ArcSetup } from '../arc/setup';
import { isSheathed } from '../arc/wire';
import type { Case, Heard } from '../case/schema';
import { HEARD_IDS, type HeardId } from '../evidence/table';
import { balancedClicksPerS, heardWeights } from '../hearing/likelihood';
import type { Engine } from './engine';
import type { Graded } from './observed';

/** What says less than this changes nothing. */
const SILENT = 0.02;

/** Clicks a second that an arc in balance has on this wire at this speed; null where either is not known. */
export function balancedOn({ wire, machine }: ArcSetup, { settings = {} }: Pick<Case, 'settings'>): number | null {
  const speed = settings.wireSpeedMPerMin;
  return wire === null || speed === undefined ? null : balancedClicksPerS(wire.diameterMm, speed * machine.wireScale);
}

/**
 * Returns what a recording speaks of, as graded evidence. Only of the short arc with solid wire is known how it counts out. What the welder
 * has stated of a sound stands: there the recording is silent.
 */
export function gradedByEar(engine: Engine, input: Case, setup: ArcSetup, { transfer }: ArcReading): Graded[] {
  const { heard, findings = {} } = input;
  if (heard === undefined || !speaksOf(setup, transfer)) return [];
  const weights = heardWeights(heard, balancedOn(setup, input));
  return HEARD_IDS.flatMap((id) => {
    const node = engine.nodeById.get(id);
    const isStated = (findings[id] ?? 'unknown') !== 'unknown';
    return node === undefined || isStated || Math.abs(weights[id]) < SILENT ? [] : [{ node, weight: weights[id] }];
  });
}

/** Returns whether anything is known of how such an arc should count out. */
function speaksOf(setup: ArcSetup, transfer: ArcReading['transfer']): boolean {
  const known = withWire(setup);
  if (setup.pulse || (known !== null && isSheathed(known.wire.class))) return false;
  return transfer === null || transfer === 'short-circuit';
}

/** A rate as it is said: to the nearest five, to the nearest one under twenty. */
const counted = (perS: number): number => (perS < 20 ? Math.round(perS) : 5 * Math.round(perS / 5));

/** Returns what of a recording speaks, in words. */
export function heardBecause(
  id: HeardId,
  { clicksPerS, unevenness, gapShare, trend }: Heard,
  speaksFor: boolean,
): string {
  const clicks = `${counted(clicksPerS)} clicks a second`;
  switch (id) {
    case 'bead-fades':
      return `the clicks ${trend < -0.05 ? `thin out by ${Math.round(-100 * trend)} %` : 'stay as dense'} along the run`;
    case 'sound-sputter':
      return `${Math.round(100 * gapShare)} % of the time without a click`;
    case 'sound-popping':
      return `${clicks}, ${unevenness > 0.5 ? 'uneven' : 'even'} (${unevenness.toFixed(1)})`;
    default:
      return speaksFor ? `only ${clicks}` : `${clicks}: it crackles`;
  }
}
