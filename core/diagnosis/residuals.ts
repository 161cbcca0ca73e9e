import { globularShare, isUnstableGas, sprayTransitionCurrent } from '../arc/transfer';
import { isTubular, wireMetal } from '../arc/wire';
import type { ArcReading } from '../arc/reading';
import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import type { ResidualName } from '../evidence/table';
import type { FigureLink } from '../knowledge/types';
import type { ReadSetting, Reading } from '../setting/table';

/**
 * A figure against what the arc model expects, in units where 0 is right and 1 the edge of normal,
 * with the spread that the way of reading it brings.
 */
export type Residual = { value: number; spread: number };
export type Residuals = Partial<Record<ResidualName, Residual>>;

/** Scatter of sound beads around the model, in residual units: hands, meters and charts differ. */
export const SCATTER = 0.9;
/** No single figure speaks louder than 90 to 1: figures are mistyped and dials slip. */
export const MOST_WEIGHT = 4.5;

/** Uncertainty of a figure by how it was got: volts absolute, the others as a share of the figure. */
const VOLTS_OFF: Record<Reading, number> = { digital: 0.7, dial: 1.4, estimate: 2.2 };
const SHARE_OFF: Record<Reading, number> = { digital: 0.04, dial: 0.12, estimate: 0.2 };

/** How much less the volts say when the machine pulses. */
const PULSE_WIDER = 3;

/** Matches that a wire needs: recorded right is weak evidence, recorded wrong is strong. */
const RECORDED_RIGHT = -0.3;
const RECORDED_WRONG = 2;

function readingOf(input: Case, setting: ReadSetting): Reading {
  return input.readings?.[setting] ?? 'digital';
}

function matchResidual(right: boolean): Residual {
  return { value: right ? RECORDED_RIGHT : RECORDED_WRONG, spread: 0 };
}

/** Whether a mix suits wire and metal, by the usual pairings. */
function gasSuits(setup: ArcSetup, noGasFitted: boolean): boolean {
  const { wire, gas } = setup;
  if (wire === null) return true;
  if (noGasFitted) return !setup.usesGas;
  if (wireMetal(wire.class) === 'aluminium') return gas.argonPct + gas.heliumPct > 99;
  if (wireMetal(wire.class) === 'stainless') return gas.co2Pct <= 6 && !isUnstableGas(wire, gas);
  if (isTubular(wire.class)) return gas.co2Pct >= 10;
  return !isUnstableGas(wire, gas);
}

function rigResiduals(setup: ArcSetup, input: Case): Residuals {
  const residuals: Residuals = {};
  const { wire } = setup;
  const { polarity, gas } = input.rig ?? {};
  const metal = input.job?.baseMetal;
  if (wire !== null && polarity !== undefined) {
    const wanted = wire.class === 'tubular-self-shielded' ? 'electrode-negative' : 'electrode-positive';
    residuals.polarityMatch = matchResidual(polarity === wanted);
  }
  if (wire !== null && gas !== undefined && setup.usesGas)
    residuals.gasMatch = matchResidual(gasSuits(setup, gas === null));
  if (wire !== null && metal !== undefined) residuals.wireMatch = matchResidual(wireMetal(wire.class) === metal);
  return residuals;
}

/**
 * How deep a current lies in the zone between short arc and spray: 2 at 8 % under the transition, 0 away from it.
 * In gas that does not spray the globular range itself is the zone.
 */
function transferZone(currentA: number, setup: ArcSetup): number {
  const { wire, gas } = setup;
  if (wire === null || isTubular(wire.class)) return 0;
  const transition = sprayTransitionCurrent(wire, gas);
  if (transition === null) return 2 * globularShare(currentA, wire, gas);
  return 2 * Math.exp(-(((currentA / transition - 0.92) / 0.08) ** 2));
}

/** How far a flow lies outside its window, 0 inside; one unit is a quarter of the limit. */
function flowResidual(flow: number, window: { low: number; high: number }): number {
  if (flow < window.low) return (flow - window.low) / (0.25 * window.low);
  return flow > window.high ? (flow - window.high) / (0.25 * window.high) : 0;
}

/**
 * The recorded figures against the arc model. A residual is left out where the figure or what it is
 * compared with is unknown.
 * @param input the case
 * @param setup its surroundings
 * @param reading what the arc model says
 */
export function residualsOf(input: Case, setup: ArcSetup, reading: ArcReading): Residuals {
  const { settings = {} } = input;
  const residuals = rigResiduals(setup, input);
  const wireShare = SHARE_OFF[readingOf(input, 'wireSpeedMPerMin')];
  if (reading.voltageErrorV !== null && reading.balanceHalfWidthV !== null && reading.currentA !== null) {
    // Volts are off by the meter and the cables; the balance by what the wire speed is off.
    const balanceOff = 0.05 * reading.currentA * wireShare;
    // In pulse the meter shows an average that the load line says little about.
    const pulse = setup.pulse ? PULSE_WIDER : 1;
    const spread =
      (pulse * Math.hypot(VOLTS_OFF[readingOf(input, 'voltageV')], balanceOff)) / reading.balanceHalfWidthV;
    residuals.balance = { value: reading.voltageErrorV / reading.balanceHalfWidthV, spread };
  }
  if (reading.currentA !== null && !setup.pulse) {
    residuals.transferZone = { value: transferZone(reading.currentA, setup), spread: 0.5 + wireShare };
  }
  if (reading.heatRatio !== null)
    residuals.heat = { value: Math.log(reading.heatRatio) / 0.18, spread: Math.hypot(wireShare, 0.08) / 0.18 };
  if (settings.gasFlowLPerMin !== undefined && reading.flowWindow !== null) {
    const share = SHARE_OFF[readingOf(input, 'gasFlowLPerMin')];
    residuals.flow = { value: flowResidual(settings.gasFlowLPerMin, reading.flowWindow), spread: share / 0.25 };
  }
  if (settings.stickOutMm !== undefined) {
    const { low, wanted, high } = setup.usualStickOutMm;
    const off = settings.stickOutMm - wanted;
    const share = SHARE_OFF[readingOf(input, 'stickOutMm')];
    const edge = off > 0 ? high - wanted : wanted - low;
    residuals.stickOut = { value: off / edge, spread: (share * settings.stickOutMm) / edge };
  }
  if (settings.travelSpeedMmPerMin !== undefined && reading.expectedTravelMmPerMin !== null) {
    const share = SHARE_OFF[readingOf(input, 'travelSpeedMmPerMin')];
    residuals.travel = {
      value: Math.log(settings.travelSpeedMmPerMin / reading.expectedTravelMmPerMin) / 0.45,
      spread: share / 0.45,
    };
  }
  if (settings.travelAngleDeg !== undefined) residuals.push = { value: settings.travelAngleDeg / 12, spread: 0.5 };
  if (settings.arcControlPct !== undefined)
    residuals.arcControl = { value: (settings.arcControlPct - 50) / 20, spread: 0.3 };
  return residuals;
}

/**
 * How strongly a figure speaks for a cause: log of the ratio of two equal normal curves, one about `at`
 * (the cause holds), one about `otherwise`. Straight in the residual, so a worse figure never speaks less.
 * @returns natural log, bounded by {@link MOST_WEIGHT}
 */
export function figureWeight(link: FigureLink, residual: Residual): number {
  const { at, otherwise = 0 } = link;
  const variance = SCATTER ** 2 + residual.spread ** 2;
  const weight = ((at - otherwise) * residual.value - (at ** 2 - otherwise ** 2) / 2) / variance;
  return Math.max(-MOST_WEIGHT, Math.min(MOST_WEIGHT, weight));
}
