import { completeMix, type GasMix } from '../case/gas-mix';
import type { Case } from '../case/schema';
import { balanceHalfWidth, balanceVoltage } from './balance';
import { depositedArea, filletLeg, penetration } from './bead';
import { currentFromWireSpeed, wireSpeedFromCurrent } from './burn-off';
import { ARC_LENGTH_MM } from './coefficients';
import { flowWindow, type FlowWindow } from './gas-cover';
import { currentWanted, heatInput } from './heat';
import { sprayShare, transferMode, type Transfer } from './transfer';
import { isTubular, wireMetal, type Wire } from './wire';

/** The fixed surroundings of an arc, read from a case once: wire, gas, job. */
export type ArcSetup = {
  wire: Wire | null;
  gas: GasMix;
  /** Gas that is stated but cannot add up is refused earlier; null gas is a wire that needs none. */
  gasKnown: boolean;
  usesGas: boolean;
  currentWantedA: number | null;
  thinnestMm: number | null;
  usualStickOutMm: { low: number; wanted: number; high: number };
};

/** The settings an arc reading needs; null where unknown. */
export type ArcSettings = {
  voltageV: number | null;
  wireSpeedMPerMin: number | null;
  stickOutMm: number | null;
  gasFlowLPerMin: number | null;
  travelSpeedMmPerMin: number | null;
  travelAngleDeg: number | null;
};

/** What the arc model says of one case. Null is "not enough known". */
export type ArcReading = {
  currentA: number | null;
  balancedVoltageV: number | null;
  balanceHalfWidthV: number | null;
  voltageErrorV: number | null;
  transfer: Transfer | null;
  currentWantedA: number | null;
  heatRatio: number | null;
  gasFlowWantedLPerMin: number | null;
  flowWindow: FlowWindow | null;
  legMm: number | null;
  penetrationMm: number | null;
  heatInputKJPerMm: number | null;
  expectedTravelMmPerMin: number | null;
};

/** Leg a single pass usually gets: 2 mm and 0.9 mm per mm of the thinner part, up to 6 mm plate. */
const EXPECTED_LEG = { baseMm: 2, perMm: 0.9 };

const ARGON_18: GasMix = { argonPct: 82, co2Pct: 18, oxygenPct: 0, heliumPct: 0 };
const PURE_ARGON: GasMix = { argonPct: 100, co2Pct: 0, oxygenPct: 0, heliumPct: 0 };

function stickOutWindow(wire: Wire | null, gas: GasMix, tight: boolean): ArcSetup['usualStickOutMm'] {
  if (wire !== null && isTubular(wire.class)) return { low: 12, wanted: 16, high: 22 };
  if (wire !== null && wireMetal(wire.class) === 'aluminium') return { low: 10, wanted: 14, high: 19 };
  if (wire !== null && wire.diameterMm >= 1.2 && gas.co2Pct <= 20) return { low: 9, wanted: 14, high: 20 };
  return tight ? { low: 6, wanted: 8, high: 11 } : { low: 7, wanted: 10, high: 14 };
}

/**
 * Reads the surroundings of an arc from a case. What is missing stays unknown, but for the gas of a
 * wire that cannot run without one: its usual mix stands in, and `gasKnown` is false.
 */
export function arcSetup(input: Case): ArcSetup {
  const { rig = {}, job = {} } = input;
  const wire =
    rig.wire?.class !== undefined && rig.wire.diameterMm !== undefined
      ? { class: rig.wire.class, diameterMm: rig.wire.diameterMm }
      : null;
  const usual = rig.wire?.class === 'solid-aluminium' ? PURE_ARGON : ARGON_18;
  const gas = rig.gas ? completeMix(rig.gas) : usual;
  const usesGas = rig.wire?.class !== 'tubular-self-shielded' && rig.process !== 'fcaw-self-shielded';
  const baseMetal = job.baseMetal ?? (wire === null ? 'mild-steel' : wireMetal(wire.class));
  const wanted =
    job.thicknessMm === undefined
      ? null
      : currentWanted({
          baseMetal,
          thicknessMm: job.thicknessMm,
          joint: job.joint ?? 'bead-on-plate',
          position: job.position ?? 'flat',
          ...(job.otherThicknessMm === undefined ? {} : { otherThicknessMm: job.otherThicknessMm }),
          ...(job.gapMm === undefined ? {} : { gapMm: job.gapMm }),
        });
  return {
    wire,
    gas,
    gasKnown: rig.gas !== undefined,
    usesGas,
    currentWantedA: wanted,
    thinnestMm: job.thicknessMm === undefined ? null : Math.min(job.thicknessMm, job.otherThicknessMm ?? Infinity),
    usualStickOutMm: stickOutWindow(wire, gas, input.preferences?.stickOut === 'tight'),
  };
}

/** Electrode extension in mm: tip to work less the arc, which is longer in spray. @param stickOutMm contact tip to work */
export function electrodeExtension(stickOutMm: number, spray: number): number {
  const arc = ARC_LENGTH_MM.shortCircuit.value + spray * (ARC_LENGTH_MM.spray.value - ARC_LENGTH_MM.shortCircuit.value);
  return Math.max(1, stickOutMm - arc);
}

/**
 * Current at a wire speed and stick-out in a setup; settles the arc length, which itself depends on spray.
 * @returns A
 */
export function currentAt(setup: ArcSetup & { wire: Wire }, wireSpeedMPerMin: number, stickOutMm: number): number {
  const first = currentFromWireSpeed(wireSpeedMPerMin, setup.wire, electrodeExtension(stickOutMm, 0));
  const spray = sprayShare(first, setup.wire, setup.gas);
  return currentFromWireSpeed(wireSpeedMPerMin, setup.wire, electrodeExtension(stickOutMm, spray));
}

/**
 * Wire speed for a current in a setup.
 * @returns m/min
 */
export function wireSpeedAt(setup: ArcSetup & { wire: Wire }, currentA: number, stickOutMm: number): number {
  const spray = sprayShare(currentA, setup.wire, setup.gas);
  return wireSpeedFromCurrent(currentA, setup.wire, electrodeExtension(stickOutMm, spray));
}

/**
 * Travel speed a steady hand would use: the leg or cap follows the thinner part.
 * @param wireSpeedMPerMin wire feed speed in m/min
 * @returns mm/min
 */
export function expectedTravel(setup: ArcSetup & { wire: Wire }, wireSpeedMPerMin: number): number {
  const thin = Math.min(6, Math.max(0.6, setup.thinnestMm ?? 3));
  const leg = EXPECTED_LEG.baseMm + EXPECTED_LEG.perMm * thin;
  const area = leg ** 2 / 2;
  const perMetre = depositedArea(wireSpeedMPerMin, setup.wire, setup.gas, 1000);
  return Math.min(900, Math.max(120, (perMetre * 1000) / area));
}

/** A pulsing machine throws one drop a pulse whatever the mean current, as long as the wire is solid. */
function transferOf(input: Case, steady: Transfer | null): Transfer | null {
  return input.rig?.mode === 'pulse' && steady !== null && steady !== 'tubular' ? 'pulse' : steady;
}

/** Everything the arc model says of a setup at given settings. */
export function readArc(setup: ArcSetup, settings: ArcSettings, input: Case): ArcReading {
  const { wire, gas } = setup;
  const stickOut = settings.stickOutMm ?? setup.usualStickOutMm.wanted;
  const known = wire !== null ? { ...setup, wire } : null;
  const speed = settings.wireSpeedMPerMin;
  const current =
    known !== null && speed !== null ? Math.max(15, Math.min(500, currentAt(known, speed, stickOut))) : null;
  const balance = known !== null && current !== null ? balanceVoltage(current, known.wire, gas) : null;
  const travel = settings.travelSpeedMmPerMin;
  const bore = input.rig?.nozzleBoreMm;
  const window =
    setup.usesGas && bore !== undefined
      ? flowWindow({
          boreMm: bore,
          gas,
          baseMetal: input.job?.baseMetal ?? 'mild-steel',
          joint: input.job?.joint ?? 'bead-on-plate',
          draught: input.job?.draught ?? 'still',
          stickOutMm: stickOut,
          school: input.preferences?.gasFlow ?? 'ample',
        })
      : null;
  const area =
    known !== null && speed !== null && travel !== null ? depositedArea(speed, known.wire, gas, travel) : null;
  const volts = settings.voltageV ?? balance;
  return {
    currentA: current,
    balancedVoltageV: balance,
    balanceHalfWidthV: known !== null && current !== null ? balanceHalfWidth(current, known.wire, gas) : null,
    voltageErrorV: balance !== null && settings.voltageV !== null ? settings.voltageV - balance : null,
    transfer: transferOf(input, known !== null && current !== null ? transferMode(current, known.wire, gas) : null),
    currentWantedA: setup.currentWantedA,
    heatRatio: current !== null && setup.currentWantedA !== null ? current / setup.currentWantedA : null,
    gasFlowWantedLPerMin: window?.wanted ?? null,
    flowWindow: window,
    legMm: area !== null ? filletLeg(area) : null,
    penetrationMm:
      current !== null && volts !== null && travel !== null
        ? penetration(
            {
              currentA: current,
              voltageV: volts,
              travelMmPerMin: travel,
              travelAngleDeg: settings.travelAngleDeg ?? 0,
            },
            gas,
          )
        : null,
    heatInputKJPerMm: current !== null && volts !== null && travel !== null ? heatInput(volts, current, travel) : null,
    expectedTravelMmPerMin: known !== null && speed !== null ? expectedTravel(known, speed) : null,
  };
}

/** The settings of a case as the arc model reads them, null where unknown. */
export function arcSettings(input: Case): ArcSettings {
  const { settings = {} } = input;
  return {
    voltageV: settings.voltageV ?? null,
    wireSpeedMPerMin: settings.wireSpeedMPerMin ?? null,
    stickOutMm: settings.stickOutMm ?? null,
    gasFlowLPerMin: settings.gasFlowLPerMin ?? null,
    travelSpeedMmPerMin: settings.travelSpeedMmPerMin ?? null,
    travelAngleDeg: settings.travelAngleDeg ?? null,
  };
}
