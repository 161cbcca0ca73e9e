import type { Settings } from '../setting/table';
import { arcLength } from './arc-length';
import { balanceHalfWidth, withinCurrentRange } from './balance';
import { depositedArea, depositionRate, filletLeg, penetration } from './bead';
import { flowWindow, type FlowWindow } from './gas-cover';
import { heatInput } from './heat';
import { balancedVolts, currentAt, withWire, type ArcSetup } from './setup';
import { expectedTravel } from './pace';
import { usualStickOut } from './stick-out';
import { sprayShare, transferMode, type Transfer } from './transfer';

/** What the arc model says of a setup at given settings. Null is "not enough known". */
export type ArcReading = {
  currentA: number | null;
  balancedVoltageV: number | null;
  balanceHalfWidthV: number | null;
  voltageErrorV: number | null;
  /** Length of the arc in mm; not of a pulsed one, which trim sets. */
  arcLengthMm: number | null;
  transfer: Transfer | null;
  currentWantedA: number | null;
  heatRatio: number | null;
  gasFlowWantedLPerMin: number | null;
  flowWindow: FlowWindow | null;
  /** Flow that is set over the flow that is wanted. */
  gasShare: number | null;
  /** Metal laid down in an hour of arc time, in kg/h. */
  depositionKgPerH: number | null;
  areaMm2: number | null;
  legMm: number | null;
  penetrationMm: number | null;
  heatInputKJPerMm: number | null;
  expectedTravelMmPerMin: number | null;
  /** Leg that a pace of one metre a minute would lay; it falls with the root of the pace. */
  legAtMetreMm: number | null;
};

type Electrical = Pick<
  ArcReading,
  | 'currentA'
  | 'balancedVoltageV'
  | 'balanceHalfWidthV'
  | 'voltageErrorV'
  | 'arcLengthMm'
  | 'transfer'
  | 'expectedTravelMmPerMin'
  | 'depositionKgPerH'
  | 'legAtMetreMm'
>;
const NOTHING_ELECTRICAL: Electrical = {
  currentA: null,
  balancedVoltageV: null,
  balanceHalfWidthV: null,
  voltageErrorV: null,
  arcLengthMm: null,
  transfer: null,
  expectedTravelMmPerMin: null,
  depositionKgPerH: null,
  legAtMetreMm: null,
};

/** Current, balance and transfer: needs the wire and its speed. */
function readElectrical(setup: ArcSetup, settings: Settings, stickOutMm: number): Electrical {
  const known = withWire(setup);
  const speed = settings.wireSpeedMPerMin;
  if (known === null || speed === undefined) return NOTHING_ELECTRICAL;
  const currentA = withinCurrentRange(currentAt(known, speed, stickOutMm));
  const balancedVoltageV = balancedVolts(known, currentA);
  const steady = transferMode(currentA, known.wire, known.gas);
  const voltageErrorV = settings.voltageV === undefined ? null : settings.voltageV - balancedVoltageV;
  return {
    currentA,
    balancedVoltageV,
    balanceHalfWidthV: balanceHalfWidth(currentA, known.wire, known.gas),
    voltageErrorV,
    arcLengthMm:
      voltageErrorV === null || setup.pulse ? null : arcLength(currentA, voltageErrorV, known.wire, known.gas),
    // A pulsing machine throws one drop a pulse whatever the mean current, as long as the wire is solid.
    transfer: setup.pulse && steady !== 'tubular' ? 'pulse' : steady,
    expectedTravelMmPerMin: expectedTravel(known, speed),
    depositionKgPerH: depositionRate(speed * setup.machine.wireScale, known.wire, known.gas),
    legAtMetreMm: filletLeg(depositedArea(speed * setup.machine.wireScale, known.wire, known.gas, 1000)),
  };
}

type Geometry = Pick<ArcReading, 'areaMm2' | 'legMm' | 'penetrationMm' | 'heatInputKJPerMm'>;

/** Metal laid down and heat put in: needs the travel speed too. */
function readGeometry(setup: ArcSetup, settings: Settings, { currentA, balancedVoltageV }: Electrical): Geometry {
  const { travelSpeedMmPerMin: travel, wireSpeedMPerMin: speed, travelAngleDeg = setup.hand.angleDeg } = settings;
  if (
    setup.wire === null ||
    speed === undefined ||
    travel === undefined ||
    currentA === null ||
    balancedVoltageV === null
  )
    return { areaMm2: null, legMm: null, penetrationMm: null, heatInputKJPerMm: null };
  const voltageV = (settings.voltageV ?? balancedVoltageV) + setup.machine.offsetV;
  const areaMm2 = depositedArea(speed * setup.machine.wireScale, setup.wire, setup.gas, travel);
  return {
    areaMm2,
    legMm: filletLeg(areaMm2),
    penetrationMm: penetration({ currentA, voltageV, travelMmPerMin: travel, travelAngleDeg }, setup.gas),
    heatInputKJPerMm: heatInput(voltageV, currentA, travel),
  };
}

/**
 * The gas flow this setup wants, or null where no gas is used.
 * @param stickOutMm contact tip to work
 * @param currentA welding current in A, null where not known
 */
export function flowWindowOf(setup: ArcSetup, stickOutMm: number, currentA: number | null): FlowWindow | null {
  if (!setup.usesGas) return null;
  const { boreMm, gas, baseMetal, joint, draught, flowSchool: school, wire } = setup;
  const spray = wire === null || currentA === null ? 0 : sprayShare(currentA, wire, gas);
  return flowWindow({ boreMm, gas, baseMetal, joint, draught, stickOutMm, school, currentA, spray });
}

/**
 * Everything the arc model says of a setup at given settings.
 * @param setup the surroundings, complete
 * @param settings figures in the inside units; what is missing is unknown
 */
export function readArc(setup: ArcSetup, settings: Settings): ArcReading {
  const stickOutMm = settings.stickOutMm ?? usualStickOut(setup, null).wanted;
  const electrical = readElectrical(setup, settings, stickOutMm);
  const window = flowWindowOf(setup, stickOutMm, electrical.currentA);
  const { currentWantedA } = setup;
  return {
    ...electrical,
    ...readGeometry(setup, settings, electrical),
    currentWantedA,
    heatRatio: electrical.currentA === null || currentWantedA === null ? null : electrical.currentA / currentWantedA,
    gasFlowWantedLPerMin: window?.wanted ?? null,
    flowWindow: window,
    gasShare: window === null || settings.gasFlowLPerMin === undefined ? null : settings.gasFlowLPerMin / window.wanted,
  };
}
