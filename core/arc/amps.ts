import type { Settings } from '../setting/table';
import { BURN_OFF } from './coefficients';
import { currentAt, wireSpeedAt, withWire, type ArcSetup } from './setup';
import { usualStickOut } from './stick-out';
import { clamp } from '../quantity/clamp';

/** Amps off a meter, as a share: its figure dances with every short circuit. Judged: 110 to 122 is read as 116. */
export const AMPS_OFF = 0.05;

/** A meter that says more than this beside the wire was misread, or the wire speed was: the arc is not bent any further. */
const MOST_BENT = 1.3;

/** What the meter says over what the wire should carry, by the laws and by what the machine has taught. */
export type AmpsRead = { ratio: number; expectedA: number };

/**
 * Amps that were read while welding against those that wire speed and stick-out give.
 * @param settings as recorded; the usual stick-out stands in for one that is not known
 * @returns null where no amps were read, or the wire or its speed are not known
 */
export function ampsRead(setup: ArcSetup, settings: Settings): AmpsRead | null {
  const known = withWire(setup);
  const { currentA, wireSpeedMPerMin, stickOutMm = usualStickOut(setup, null).wanted } = settings;
  if (known === null || currentA === undefined || wireSpeedMPerMin === undefined) return null;
  const expectedA = currentAt(known, wireSpeedMPerMin, stickOutMm);
  return { ratio: currentA / expectedA, expectedA };
}

/** Returns how far the laws of current may be off on this machine, as a share. */
export const currentLawOff = ({ machine: { sure } }: ArcSetup): number =>
  sure === null ? BURN_OFF.arcTerm.tolerance : sure.wireScaleSd;

/**
 * The setup with its machine brought to the amps that were read: as if its wire ran faster or slower by so much. Between
 * laws and meter each counts by how sure it is, so that a meter is believed nearly whole on a machine that is not known.
 * The metal laid down is scaled with it; where it was the stick-out, that is off by as much as the amps.
 * @returns the setup as it is where no amps were read
 */
export function setupByAmps(setup: ArcSetup, settings: Settings): ArcSetup {
  const [known, read] = [withWire(setup), ampsRead(setup, settings)];
  if (known === null || read === null) return setup;
  const law = currentLawOff(setup) ** 2;
  const believed = read.ratio ** (law / (law + AMPS_OFF ** 2));
  const { wireSpeedMPerMin = 0, stickOutMm = usualStickOut(setup, null).wanted } = settings;
  const factor = wireSpeedAt(known, read.expectedA * believed, stickOutMm) / wireSpeedMPerMin;
  const wireScale = setup.machine.wireScale * clamp(factor, 1 / MOST_BENT, MOST_BENT);
  return { ...setup, machine: { ...setup.machine, wireScale } };
}
