import type { BaseMetal, Joint } from '../case/schema';
import type { GasMix } from '../case/gas-mix';
import { GAS } from './coefficients';
import { requireRange } from './wire';
import { clamp } from '../quantity/clamp';

const SHARES = [
  ['argonPct', 'argon'],
  ['co2Pct', 'co2'],
  ['oxygenPct', 'oxygen'],
  ['heliumPct', 'helium'],
] as const;

/** Density of a mix at 20 C by volume share, kg/m^3. */
export function gasDensity(gas: GasMix): number {
  return SHARES.reduce((sum, [share, name]) => sum + (gas[share] / 100) * GAS.gases[name].density, 0);
}

/** Kinematic viscosity of a mix at 20 C, m^2/s: dynamic viscosities mixed by volume share over the mixed density. */
function gasViscosity(gas: GasMix): number {
  const dynamic = SHARES.reduce(
    (sum, [share, name]) => sum + (gas[share] / 100) * GAS.gases[name].viscosity * GAS.gases[name].density,
    0,
  );
  return dynamic / gasDensity(gas);
}

/**
 * Reynolds number in the nozzle, `4 Q / (pi D nu)`: laminar below about 2300, drawing in air above about 4000.
 * @param flowLPerMin gas flow in L/min
 * @param boreMm nozzle bore in mm, 6 to 30
 * @param gas all four shares
 */
export function nozzleReynolds(flowLPerMin: number, boreMm: number, gas: GasMix): number {
  requireRange(boreMm, 6, 30, 'nozzle bore in mm');
  const flow = flowLPerMin / 60_000;
  return (4 * flow) / (Math.PI * (boreMm / 1000) * gasViscosity(gas));
}

/** What the cover depends on. */
export type CoverJob = {
  boreMm: number;
  gas: GasMix;
  baseMetal: BaseMetal;
  joint: Joint;
  draught: 'still' | 'breeze' | 'windy';
  stickOutMm: number;
  school: 'ample' | 'lean';
  /** Welding current in A, null where not known, and how far the wire sprays, 0 to 1: a hot puddle wants more cover. */
  currentA: number | null;
  spray: number;
};

/** Flow window in L/min: below `low` the cover is thin, above `high` it turns turbulent. */
export type FlowWindow = { low: number; wanted: number; high: number };

/**
 * The gas flow a job wants and the limits around it. The upper limit sits between the laminar and the
 * clearly turbulent Reynolds number and falls with a long stick-out.
 * @param job nozzle, gas, metal, joint, draught, stick-out in mm, school, current and spray
 * @returns L/min, with low < wanted <= high
 */
export function flowWindow(job: CoverJob): FlowWindow {
  const { boreMm, gas } = job;
  const helium = 1 + GAS.morePerHeliumPct.value * gas.heliumPct;
  const exposed = job.baseMetal === 'aluminium' || job.joint === 'corner' || job.draught !== 'still';
  const spoil = exposed ? GAS.spoilFactor.value : 1;
  const { morePer100A, moreFromA, moreToA, moreInSpray } = GAS;
  const over = clamp(job.currentA ?? moreFromA, moreFromA, moreToA) - moreFromA;
  const hot = 1 + (morePer100A.value * over) / 100 + moreInSpray.value * job.spray;
  const perBore = job.school === 'lean' ? GAS.leanPerBoreMm.value : GAS.wantedPerBoreMm.value;
  const litresPerReynolds = 1 / nozzleReynolds(1, boreMm, gas);
  const middle = (GAS.laminarReynolds.value + GAS.turbulentReynolds.value) / 2;
  const longStickOut = 1 - 0.015 * clamp(job.stickOutMm - 15, 0, 20);
  const high = middle * litresPerReynolds * longStickOut;
  const wanted = Math.min(perBore * boreMm * helium * spoil * hot, 0.9 * high);
  const low = Math.min(GAS.lowestPerBoreMm.value * boreMm * helium * (spoil > 1 ? 1.1 : 1), 0.9 * wanted);
  return { low, wanted, high };
}

/**
 * True flow when a flowmeter made for one gas reads another: `Q_read sqrt(rho_made / rho_used)`.
 * @param readLPerMin what the ball shows, L/min
 * @param madeFor the gas the scale is for
 * @param used the gas that flows
 * @returns L/min
 */
export function trueFlow(readLPerMin: number, madeFor: GasMix, used: GasMix): number {
  return readLPerMin * Math.sqrt(gasDensity(madeFor) / gasDensity(used));
}

/**
 * Arc minutes left in a compressed-gas cylinder (not CO2, which lies liquid and is weighed).
 * @param pressureBar content pressure in bar, 0 to 350
 * @param waterVolumeL cylinder water volume in L
 * @param flowLPerMin flow in L/min, above 0
 * @throws RangeError when the flow is not above 0
 */
export function cylinderMinutes(pressureBar: number, waterVolumeL: number, flowLPerMin: number): number {
  requireRange(pressureBar, 0, 350, 'content pressure in bar');
  if (!(flowLPerMin > 0)) throw new RangeError('gas flow must be above 0 L/min');
  return (pressureBar * waterVolumeL) / flowLPerMin;
}
