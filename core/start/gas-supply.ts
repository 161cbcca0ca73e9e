import { cylinderMinutes, gasDensity } from '../arc/gas-cover';
import { requireRange } from '../arc/wire';
import type { GasMix } from '../case/gas-mix';

/** What is in a cylinder: compressed gas by its pressure, CO2, which lies liquid, by its weight. */
export type Cylinder =
  { kind: 'compressed'; pressureBar: number; waterVolumeL: number } | { kind: 'liquid-co2'; contentKg: number };

/** Litres of gas that a kilogram of CO2 gives at 20 C and 1 bar: 24.1 L/mol over 44 g/mol. */
const LITRES_PER_KG_CO2 = 547;
/** A regulator holds its flow down to about that content, bar; what is under it is not counted on. */
const LEFT_BAR = 5;

/**
 * Litres of gas at one bar that a cylinder still gives.
 * @throws RangeError for a pressure outside 0 to 350 bar, a volume outside 0.2 to 200 L, or a weight outside 0 to 100 kg
 */
export function litresLeft(cylinder: Cylinder): number {
  if (cylinder.kind === 'liquid-co2') {
    requireRange(cylinder.contentKg, 0, 100, 'CO2 in kg');
    return cylinder.contentKg * LITRES_PER_KG_CO2;
  }
  const { pressureBar, waterVolumeL } = cylinder;
  requireRange(waterVolumeL, 0.2, 200, 'cylinder volume in L');
  requireRange(pressureBar, 0, 350, 'content pressure in bar');
  return cylinderMinutes(Math.max(0, pressureBar - LEFT_BAR), waterVolumeL, 1);
}

/** How long a content lasts, and what it costs a metre of weld. */
export type Supply = {
  litres: number;
  arcMinutes: number;
  weldM: number;
  /** Whether it finishes the weld of the job; null where its length is not known. */
  finishes: boolean | null;
  /** Litres that the weld of the job takes, with the gas before and after each run. */
  jobLitres: number | null;
  costPerM: number | null;
};

/**
 * All the gas that flows over what flows under the arc: before and after each run, and at each tack. Judged: 2.5 s beside a
 * run of some 17 s, as a coupon takes.
 */
export const BESIDE_THE_ARC = 1.15;

/**
 * Returns what a cylinder does for a job.
 * @param litres left in it
 * @param flowLPerMin above 0
 * @param travelMmPerMin of a pass, above 0
 * @param job length of the weld in mm and its passes; null length where it is not known
 * @param price what a full cylinder costs, in whatever money, and the litres that are in it; null where nobody says
 */
export function supplyFor(
  litres: number,
  flowLPerMin: number,
  travelMmPerMin: number,
  job: { lengthMm: number | null; passes: number },
  price: { price: number; litres: number } | null,
): Supply {
  if (!(flowLPerMin > 0)) throw new RangeError('gas flow must be above 0 L/min');
  if (!(travelMmPerMin > 0)) throw new RangeError('travel speed must be above 0 mm/min');
  const litresPerM = (1000 / travelMmPerMin) * flowLPerMin * BESIDE_THE_ARC;
  const jobLitres = job.lengthMm === null ? null : (job.lengthMm / 1000) * job.passes * litresPerM;
  return {
    litres,
    arcMinutes: litres / (flowLPerMin * BESIDE_THE_ARC),
    weldM: litres / litresPerM,
    finishes: jobLitres === null ? null : jobLitres <= litres,
    jobLitres,
    costPerM: price === null ? null : (price.price / price.litres) * litresPerM,
  };
}

/**
 * Returns what a flowmeter made for one gas shows when another flows as it should; the inverse of `trueFlow`.
 * @param wantedLPerMin that has to flow
 * @returns where its ball has to stand, L/min on its own scale
 */
export function ballFor(wantedLPerMin: number, madeFor: GasMix, used: GasMix): number {
  return wantedLPerMin * Math.sqrt(gasDensity(used) / gasDensity(madeFor));
}
