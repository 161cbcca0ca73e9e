import { gasSuits } from '../arc/fit';
import { flowWindowOf, readArc, type ArcReading } from '../arc/reading';
import { spatterRisk } from '../arc/risk';
import { arcSetup, balancedVolts, withWire, wireSpeedAt } from '../arc/setup';
import { expectedTravel } from '../arc/pace';
import { usualStickOut } from '../arc/stick-out';
import { isUnstableGas } from '../arc/transfer';
import { completeMix, type GasMix } from '../case/gas-mix';
import type { Case, Gas } from '../case/schema';

/** A gas held against a job: the arc, the depth, the spatter and the toes it allows. */
export type GasCompared = {
  name: string;
  gas: Gas;
  suits: boolean;
  /** The gas that is fitted. */
  fitted: boolean;
  voltageV: number;
  wireSpeedMPerMin: number;
  transfer: NonNullable<ArcReading['transfer']>;
  /** Against the gas that is fitted, as a ratio; null where that is not known. */
  penetration: number | null;
  /** 0 to 1, in balance. */
  spatter: number;
  flowLPerMin: number | null;
  /** One line of what it is like. */
  plain: string;
};

/** Gases that are looked at, with what the trade says of each. */
const GASES: readonly { name: string; gas: Gas; plain: string }[] = [
  {
    name: '82 Ar / 18 CO2',
    gas: { argonPct: 82, co2Pct: 18 },
    plain: 'The usual for steel: a good short arc, little spatter, toes that wet in; sprays with enough heat.',
  },
  {
    name: '75 Ar / 25 CO2',
    gas: { argonPct: 75, co2Pct: 25 },
    plain: 'A hotter short arc, somewhat more spatter; does not spray.',
  },
  {
    name: '92 Ar / 8 CO2',
    gas: { argonPct: 92, co2Pct: 8 },
    plain: 'Quiet and clean, sprays and pulses early; shallower on thick plate.',
  },
  {
    name: 'pure CO2',
    gas: { argonPct: 0, co2Pct: 100 },
    plain: 'Cheap and deep, bites through scale; rough, with spatter, and wants about 2 V more.',
  },
  {
    name: '98 Ar / 2 CO2',
    gas: { argonPct: 98, co2Pct: 2 },
    plain: 'For stainless: keeps its colour and its chromium; sprays early.',
  },
  {
    name: 'pure argon',
    gas: { argonPct: 100 },
    plain: 'For aluminium. On steel the arc never settles: a tall bead, poor toes, undercut.',
  },
];

const SHARES = ['argonPct', 'co2Pct', 'oxygenPct', 'heliumPct'] as const;
const sameMix = (a: GasMix, b: GasMix): boolean => SHARES.every((share) => Math.abs(a[share] - b[share]) < 1);

/** The arc of a job in balance in a gas, at the current the plate wants. */
function inBalance(input: Case, gas: Gas, currentA: number) {
  const setup = withWire(arcSetup({ ...input, rig: { ...input.rig, gas } }))!;
  const stickOutMm = usualStickOut(setup, currentA).wanted;
  const wireSpeedMPerMin = wireSpeedAt(setup, currentA, stickOutMm);
  const voltageV = balancedVolts(setup, currentA);
  const travelSpeedMmPerMin = expectedTravel(setup, wireSpeedMPerMin);
  const reading = readArc(setup, { voltageV, wireSpeedMPerMin, stickOutMm, travelSpeedMmPerMin });
  return {
    setup,
    reading,
    voltageV,
    wireSpeedMPerMin,
    flowLPerMin: flowWindowOf(setup, stickOutMm, currentA)?.wanted ?? null,
  };
}

/** Amps that gases are compared at where the plate does not say. */
const USUAL_A = 120;

/**
 * The gases of a workshop compared for a job, each in balance at the current the plate wants.
 * @param input job and rig; the wire has to be known
 * @returns empty where the wire is not known, or needs no gas
 */
export function gasesCompared(input: Case): GasCompared[] {
  const own = withWire(arcSetup(input));
  if (own === null || !own.usesGas) return [];
  const currentA = own.currentAskedA ?? USUAL_A;
  const depth = inBalance(input, own.gas, currentA).reading.penetrationMm;
  return GASES.map(({ name, gas, plain }) => {
    const { setup, reading, voltageV, wireSpeedMPerMin, flowLPerMin } = inBalance(input, gas, currentA);
    return {
      ...{ name, gas, plain, voltageV, wireSpeedMPerMin, flowLPerMin },
      suits: gasSuits(setup, false),
      fitted: sameMix(own.gas, completeMix(gas)) && input.rig?.gas !== undefined,
      transfer: isUnstableGas(setup.wire, setup.gas) ? 'unstable' : (reading.transfer ?? 'unstable'),
      penetration: depth === null || reading.penetrationMm === null ? null : reading.penetrationMm / depth,
      spatter: spatterRisk(0, setup.gas.co2Pct, 50),
    };
  });
}
