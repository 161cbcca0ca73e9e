import { completeMix } from '@/core/case/gas-mix';
import type { Gas, Rig } from '@/core/case/schema';
import { fromUser, readable, toUser, unitOf, type UnitSystem } from '@/core/quantity/units';
import { ballFor, litresLeft, supplyFor, type Supply } from '@/core/start/gas-supply';
import { typedAboveZero, typedFigure } from '../../shared/record-form';

type Cylinder = NonNullable<Rig['cylinder']>;

/** What is typed of a cylinder and its regulator, as it was typed, in the reader's units. */
export type GasWork = {
  kind: Cylinder['kind'];
  pressure: string;
  /** Its water volume in litres, or in cubic feet what it holds when it is full. */
  volume: string;
  weight: string;
  price: string;
  /** What the flowmeter was made for; null where it is for what flows. */
  madeFor: string | null;
};

/** The work as it begins: what is known of the cylinder but for its content, which is read anew. */
export function gasWorkOf(cylinder: Cylinder | undefined, units: UnitSystem): GasWork {
  const { kind = 'compressed', volumeL } = cylinder ?? {};
  return {
    kind,
    pressure: '',
    volume: volumeL === undefined ? '' : volumeText(volumeL, units),
    weight: '',
    price: '',
    madeFor: null,
  };
}

/** Gases that flowmeters are made for. */
export const METERS: readonly { name: string; gas: Gas }[] = [
  { name: 'argon', gas: { argonPct: 100 } },
  { name: 'CO2', gas: { argonPct: 0, co2Pct: 100 } },
  { name: '82 Ar / 18 CO2', gas: { argonPct: 82, co2Pct: 18 } },
];

/** A full cylinder as it is filled today, bar: 200 bar, and 2200 psi where it is sold by the cubic foot. */
const FULL_BAR: Record<UnitSystem, number> = { metric: 200, inch: fromUser(2200, 'pressure', 'inch') };

/** A cylinder's size as the reader says it: litres of water it holds, or cubic feet of gas when full. */
function volumeText(volumeL: number, units: UnitSystem): string {
  if (units === 'metric') return String(volumeL);
  return String(Math.round(toUser(volumeL * FULL_BAR.inch, 'gasVolume', 'inch')));
}

const volumeFrom = (typed: number, units: UnitSystem): number =>
  units === 'metric' ? typed : fromUser(typed, 'gasVolume', 'inch') / FULL_BAR.inch;

/** What its fields are called in each family of units. */
export const VOLUME_FIELD: Record<UnitSystem, { label: string; unit: string }> = {
  metric: { label: 'Volume', unit: 'L' },
  inch: { label: 'Full it holds', unit: 'cu ft' },
};

const WRONG_CYLINDER: Record<UnitSystem, string> = {
  metric: 'A cylinder takes 0 to 350 bar and 0.2 to 200 L of water volume, as stamped on its neck.',
  inch: 'A cylinder takes 0 to 5076 psi, and 1.1 to 1071 cu ft when it is full.',
};
const wrongWeight = (units: UnitSystem): string =>
  `CO2 takes 0 to ${units === 'metric' ? '100 kg' : '220 lb'}: weigh it, and take off what is stamped as empty.`;

type Read = { cylinder: Cylinder; litres: number; problem: null } | { cylinder: null; problem: string | null };

/**
 * The cylinder that was typed, with its content.
 * @returns the sentence of a field that cannot be; neither while something is still empty
 */
export function cylinderFrom({ kind, pressure, volume, weight }: GasWork, units: UnitSystem): Read {
  const texts = kind === 'compressed' ? [pressure, volume] : [weight];
  if (texts.some((text) => text.trim() === '')) return { cylinder: null, problem: null };
  const [first, second] = texts.map((text) => typedFigure(text) ?? NaN);
  try {
    if (kind === 'liquid-co2') {
      const contentKg = fromUser(first, 'mass', units);
      return { cylinder: { kind, contentKg }, litres: litresLeft({ kind, contentKg }), problem: null };
    }
    const [pressureBar, volumeL] = [fromUser(first, 'pressure', units), volumeFrom(second, units)];
    const litres = litresLeft({ kind, pressureBar, waterVolumeL: volumeL });
    return { cylinder: { kind, pressureBar, volumeL }, litres, problem: null };
  } catch {
    return { cylinder: null, problem: kind === 'compressed' ? WRONG_CYLINDER[units] : wrongWeight(units) };
  }
}

type Reckoned = { supply: Supply; problem: null } | { supply: null; problem: string | null };

/**
 * Returns what the cylinder that was typed does for a job.
 * @param flowLPerMin that has to flow
 * @param travelMmPerMin of a pass
 * @param job its length, null where it is not known, and its passes
 * @returns the sentence of a field that cannot be; neither while something is still empty
 */
export function reckon(
  work: GasWork,
  flowLPerMin: number,
  travelMmPerMin: number,
  job: { lengthMm: number | null; passes: number },
  units: UnitSystem,
): Reckoned {
  const read = cylinderFrom(work, units);
  if (read.cylinder === null) return { supply: null, problem: read.problem };
  const { cylinder, litres } = read;
  const paid = typedAboveZero(work.price);
  if (work.price.trim() !== '' && paid === null)
    return { supply: null, problem: 'A price takes a figure above 0, or nothing.' };
  const full = cylinder.volumeL === undefined ? litres : FULL_BAR[units] * cylinder.volumeL;
  return {
    supply: supplyFor(litres, flowLPerMin, travelMmPerMin, job, paid === null ? null : { price: paid, litres: full }),
    problem: null,
  };
}

/** Where the ball of a flowmeter has to stand for what has to flow. @param madeFor name of what it was made for; null for what flows */
export function ballOf(madeFor: string | null, flowLPerMin: number, used: Gas): number {
  const meter = METERS.find(({ name }) => name === madeFor);
  return meter === undefined ? flowLPerMin : ballFor(flowLPerMin, completeMix(meter.gas), completeMix(used));
}

/** Litres as the reader counts gas, no finer than a gauge is read: "1200 L", "42.4 cu ft". */
export const gasText = (litres: number, units: UnitSystem): string =>
  `${readable(litres < 100 ? litres : Math.round(litres / 10) * 10, 'gasVolume', units)} ${unitOf('gasVolume', units)}`;

/** Minutes of arc as they are said: "2 h 40 min", "9 min". */
export function arcTimeWords(minutes: number): string {
  const whole = Math.floor(minutes);
  const hours = Math.floor(whole / 60);
  return hours === 0 ? `${whole} min` : `${hours} h ${whole % 60} min`;
}
