import { completeMix } from '@/core/case/gas-mix';
import type { Gas } from '@/core/case/schema';
import { ballFor, litresLeft, supplyFor, type Supply } from '@/core/start/gas-supply';
import { typedAboveZero, typedFigure } from '../shared/record-form';

/** What is typed of a cylinder and its regulator, as it was typed. */
export type GasWork = {
  kind: 'compressed' | 'liquid-co2';
  pressure: string;
  volume: string;
  weight: string;
  price: string;
  /** What the flowmeter was made for; null where it is for what flows. */
  madeFor: string | null;
};

export const NO_GAS_WORK: GasWork = {
  kind: 'compressed',
  pressure: '',
  volume: '',
  weight: '',
  price: '',
  madeFor: null,
};

/** Gases that flowmeters are made for. */
export const METERS: readonly { name: string; gas: Gas }[] = [
  { name: 'argon', gas: { argonPct: 100 } },
  { name: 'CO2', gas: { argonPct: 0, co2Pct: 100 } },
  { name: '82 Ar / 18 CO2', gas: { argonPct: 82, co2Pct: 18 } },
];

/** A full cylinder, for what it cost: as compressed gas is filled today, bar. */
const FULL_BAR = 200;

type Reckoned = { supply: Supply; problem: null } | { supply: null; problem: string | null };
const wrong = (problem: string): Reckoned => ({ supply: null, problem });

/**
 * What the cylinder that was typed does for a job.
 * @param flowLPerMin that has to flow
 * @param travelMmPerMin of a pass
 * @param job its length, null where it is not known, and its passes
 * @returns the sentence of a field that cannot be; neither while something is still empty
 */
export function reckon(
  { kind, pressure, volume, weight, price }: GasWork,
  flowLPerMin: number,
  travelMmPerMin: number,
  job: { lengthMm: number | null; passes: number },
): Reckoned {
  const figures = kind === 'compressed' ? [pressure, volume] : [weight];
  if (figures.some((text) => text.trim() === '')) return { supply: null, problem: null };
  const [first, second] = figures.map((text) => typedFigure(text) ?? NaN);
  try {
    const litres =
      kind === 'compressed'
        ? litresLeft({ kind, pressureBar: first, waterVolumeL: second })
        : litresLeft({ kind, contentKg: first });
    const paid = typedAboveZero(price);
    if (price.trim() !== '' && paid === null) return wrong('A price takes a figure above 0, or nothing.');
    const full = kind === 'compressed' ? FULL_BAR * second : litres;
    return {
      supply: supplyFor(litres, flowLPerMin, travelMmPerMin, job, paid === null ? null : { price: paid, litres: full }),
      problem: null,
    };
  } catch {
    return wrong(
      kind === 'compressed'
        ? 'A cylinder takes 0 to 350 bar and 0.2 to 200 L of water volume, as stamped on its neck.'
        : 'CO2 takes 0 to 100 kg: weigh it, and take off what is stamped as empty.',
    );
  }
}

/** Where the ball of a flowmeter has to stand for what has to flow. @param madeFor name of what it was made for; null for what flows */
export function ballOf(madeFor: string | null, flowLPerMin: number, used: Gas): number {
  const meter = METERS.find(({ name }) => name === madeFor);
  return meter === undefined ? flowLPerMin : ballFor(flowLPerMin, completeMix(meter.gas), completeMix(used));
}

/** Minutes of arc as they are said: "2 h 40 min", "9 min". */
export function arcTimeWords(minutes: number): string {
  const whole = Math.floor(minutes);
  const hours = Math.floor(whole / 60);
  return hours === 0 ? `${whole} min` : `${hours} h ${whole % 60} min`;
}
