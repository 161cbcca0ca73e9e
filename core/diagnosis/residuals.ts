import { AMPS_OFF, currentLawOff, type AmpsRead } from '../arc/amps';
import { gasSuits, linerSuits, polarityWanted, rollSuits, tipSuits } from '../arc/fit';
import { globularShare, sprayTransitionCurrent, transferMode } from '../arc/transfer';
import { balanceTolerance } from '../arc/balance';
import { BURN_OFF, GAS, HEAT_WANTED, BALANCE } from '../arc/coefficients';
import type { FlowWindow } from '../arc/gas-cover';
import { readArc, type ArcReading } from '../arc/reading';
import { currentBalancedBy, withWire, type ArcSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { isTubular, wireMetal } from '../arc/wire';
import type { Case } from '../case/schema';
import type { ResidualName } from '../evidence/table';
import type { FigureLink } from '../knowledge/shapes/types';
import { valueToDial } from '../setting/dial';
import { dialSpread, type FigureDial } from '../setting/dial-belief';
import type { ReadSetting, Reading, Settings } from '../setting/table';
import { clamp } from '../quantity/clamp';

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

/**
 * Uncertainty of a figure by how it was got: volts absolute, the others as a share of the figure. What the model may be
 * off by comes on top, from the tolerance of its coefficients.
 */
const VOLTS_OFF: Record<Reading, number> = { digital: 0.5, dial: 1.3, estimate: 2.1 };
/** Of a meter that is known, what is left from one bead to the next. */
const STEADY_METER = 0.6;
const SHARE_OFF: Record<Reading, number> = { digital: 0.04, dial: 0.12, estimate: 0.2 };

/** How much less the volts say when the machine pulses. */
const PULSE_WIDER = 3;

/** Matches that a wire needs: recorded right is weak evidence, recorded wrong is strong. */
const RECORDED_RIGHT = -0.3;
const RECORDED_WRONG = 2;

function readingOf(input: Case, setting: ReadSetting): Reading {
  return input.readings?.[setting] ?? 'digital';
}

/**
 * Returns how far a figure that was read off a knob may be off, by the pairs that the knob was taken down with; null where it was
 * got otherwise, or nobody knows how the pairs were.
 */
function offTheKnob({ rig, settings, readings }: Case, name: FigureDial): number | null {
  const [dial, value] = [rig?.dials?.[name], settings?.[name]];
  if (readings?.[name] !== 'dial' || dial === undefined || value === undefined) return null;
  return dialSpread(name, dial, valueToDial(dial, value));
}

/** Uncertainty of the volts: a knob is never surer than the meter it was taken down with. */
function voltsOffOf(input: Case): number {
  const knob = offTheKnob(input, 'voltageV');
  return knob === null ? VOLTS_OFF[readingOf(input, 'voltageV')] : Math.max(VOLTS_OFF.digital, knob);
}

/** Uncertainty of the wire speed, as a share of it. */
function wireShareOf(input: Case): number {
  const knob = offTheKnob(input, 'wireSpeedMPerMin');
  if (knob === null) return SHARE_OFF[readingOf(input, 'wireSpeedMPerMin')];
  return Math.max(SHARE_OFF.digital, knob / input.settings!.wireSpeedMPerMin!);
}

function matchResidual(right: boolean): Residual {
  return { value: right ? RECORDED_RIGHT : RECORDED_WRONG, spread: 0 };
}

function rigResiduals(setup: ArcSetup, input: Case): Residuals {
  const residuals: Residuals = {};
  const { wire } = setup;
  const { polarity, gas, parts } = input.rig ?? {};
  const metal = input.job?.baseMetal;
  if (wire !== null && polarity !== undefined) {
    residuals.polarityMatch = matchResidual(polarity === polarityWanted(wire));
  }
  if (wire !== null && parts?.roll !== undefined) residuals.rollMatch = matchResidual(rollSuits(wire, parts.roll));
  if (wire !== null && parts?.tip?.sizeMm !== undefined)
    residuals.tipMatch = matchResidual(tipSuits(wire, parts.tip.sizeMm));
  // A liner that suits says nothing of its dirt.
  if (wire !== null && parts?.liner !== undefined && !linerSuits(wire, parts.liner))
    residuals.linerMatch = matchResidual(false);
  if (wire !== null && gas !== undefined && setup.usesGas)
    residuals.gasMatch = matchResidual(gasSuits(setup, gas === null));
  if (wire !== null && metal !== undefined) residuals.wireMatch = matchResidual(wireMetal(wire.class) === metal);
  return residuals;
}

/** Where a regulator no longer holds the flow, and from where on there is plenty: bar, or kg of liquid CO2. Source: trade practice. */
const NEARLY_EMPTY = { pressureBar: { plenty: 15, unit: 3.5 }, contentKg: { plenty: 1.5, unit: 0.35 } };

/** Returns how near to empty a cylinder was said to be: 0 with plenty in it, 4 with next to nothing. It may be days old. */
function cylinderResidual({ rig = {} }: Case): Residual | null {
  const { cylinder } = rig;
  const name = cylinder?.kind === 'liquid-co2' ? 'contentKg' : 'pressureBar';
  const left = cylinder?.[name];
  if (left === undefined) return null;
  const { plenty, unit } = NEARLY_EMPTY[name];
  return { value: Math.max(0, plenty - left) / unit, spread: 0.5 };
}

/** Gap over the thinner part: under the first a joint is as good as closed, from the second a sheet's first suspect. */
const GAP_SHARE = { closed: 0.15, suspect: 0.5 };
/** An open root that a butt joint of so thick a plate is drawn with, mm. Source: the usual root openings of ISO 9692-1. */
const OPEN_ROOT = { fromMm: 3, wholeMm: 5, mostMm: 3 };

/**
 * A gap against the thinner part, less the root opening that so thick a butt is drawn with: 0 for a closed joint, 2 for half the
 * thickness.
 */
function gapResidual({ job = {} }: Case): Residual | null {
  const { gapMm, thicknessMm, joint } = job;
  if (gapMm === undefined || thicknessMm === undefined) return null;
  const thin = Math.min(thicknessMm, job.otherThicknessMm ?? Infinity);
  const { fromMm, wholeMm, mostMm } = OPEN_ROOT;
  const drawn = joint === 'butt' ? mostMm * clamp((thin - fromMm) / (wholeMm - fromMm), 0, 1) : 0;
  const share = Math.max(0, gapMm - drawn) / thin;
  const { closed, suspect } = GAP_SHARE;
  const value = share <= closed ? 0 : (2 * Math.log(share / closed)) / Math.log(suspect / closed);
  return { value: Math.min(4, value), spread: 0.3 };
}

/** Middle and width of the zone between short arc and spray, as shares of the transition, and how far a long arc moves it down. */
const ZONE = { middle: 0.97, width: 0.11, perHalfWidth: 0.03, mostHalfWidths: 4 };

/**
 * Depth of a current in the zone between short arc and spray: 2 just under the transition, 0 away from it. An arc that is held too
 * long to short throws its big drops from less current on. In gas that does not spray the globular range itself is the zone.
 * @param off volts over balance in half-widths; null where they are not known
 */
function transferZone(currentA: number, off: number | null, setup: ArcSetup): number {
  const { wire, gas } = setup;
  if (wire === null || isTubular(wire.class)) return 0;
  const transition = sprayTransitionCurrent(wire, gas);
  if (transition === null) return 2 * globularShare(currentA, wire, gas);
  const long = clamp(off ?? 0, 0, ZONE.mostHalfWidths);
  const middle = ZONE.middle - ZONE.perHalfWidth * long;
  return 2 * Math.exp(-(((currentA / transition - middle) / ZONE.width) ** 2));
}

/** One unit of the residual of heat, as the log of the ratio of currents. */
export const HEAT_UNIT = 0.18;
/** Half the window of the heat in those units: 0.8 to 1.25 of the current wanted. Inside it the figure is silent. */
export const HEAT_WINDOW = Math.log(1.25) / HEAT_UNIT;

/**
 * Returns how far a heat lies outside its window, 0 inside. A plate that wants a current in the wild zone under spray is as well
 * served by the quiet one that is asked for, so the window reaches over both.
 * @param currentA welding current
 */
function heatResidual(currentA: number, { currentWantedA, currentAskedA }: ArcSetup): number {
  const offs = [currentWantedA, currentAskedA].map((wanted) => Math.log(currentA / (wanted ?? currentA)) / HEAT_UNIT);
  const [least, most] = [Math.min(...offs), Math.max(...offs)];
  if (most < -HEAT_WINDOW) return most + HEAT_WINDOW;
  return least > HEAT_WINDOW ? least - HEAT_WINDOW : 0;
}

/** The same for telling which of a pair is off in a spray: it ends an eighth over its transition. */
const SPRAY_HEAT_UNIT = 0.09;
/** Heat units between the wire's heat and the volts' from which on they are clearly out of balance. */
const CLEARLY_APART = 1.5;

/**
 * The heat half way between what the wire gives and what the volts would hold. Out of balance one of the two is wrong: over
 * 0 the volts suit the plate better and the wire is too fast, under 0 the wire does. In balance neither is, and it says
 * nothing.
 * @param currentA what the wire gives
 */
function heatOfPair(setup: ArcSetup, { voltageV }: Settings, currentA: number): number {
  const asked = setup.currentAskedA ?? currentA;
  const known = withWire(setup);
  // A spray that was asked for has its transition close under it: less wire is missed there sooner.
  const isSpray = known !== null && !setup.pulse && transferMode(asked, known.wire, setup.gas) === 'spray';
  const unit = isSpray && setup.baseMetal !== 'aluminium' ? SPRAY_HEAT_UNIT : HEAT_UNIT;
  const byWire = Math.log(currentA / asked) / unit;
  if (voltageV === undefined || known === null) return clamp(byWire / 2, -1, 1);
  const byVolts = Math.log(currentBalancedBy(known, voltageV) / asked) / unit;
  return ((byWire + byVolts) / 2) * Math.min(1, Math.abs(byWire - byVolts) / CLEARLY_APART);
}

/**
 * Returns what the volts and the heat are judged by: the arc as it would be with the stick-out brought into its window, so that
 * a tip too far off is one fault and not three.
 */
function atUsualStickOut(setup: ArcSetup, settings: Settings, reading: ArcReading): ArcReading {
  if (settings.stickOutMm === undefined) return reading;
  // What is near for spray is usual for the short arc that the plate may want: only what no transfer wants is put right.
  const windows = [reading.currentA, setup.currentAskedA].map((currentA) => usualStickOut(setup, currentA));
  const low = Math.min(...windows.map((window) => window.low));
  const high = Math.max(...windows.map((window) => window.high));
  const stickOutMm = clamp(settings.stickOutMm, low, high);
  return stickOutMm === settings.stickOutMm ? reading : readArc(setup, { ...settings, stickOutMm });
}

/** The middle of what a hand leans, degrees: the unit of a gun angle. */
const MODERATE_DEG = 12;

/** A nozzle that is not recorded is this far from the usual one, as a share: 10 to 16 mm are all common. */
const BORE_OFF = 0.2;

/** So near the wanted flow nothing is short, whatever the school. */
const NEAR_WANTED = 0.95;

/**
 * Returns how far a flow lies outside its window, 0 inside; one unit is a quarter of the limit. Thin cover counts from as far over
 * the lower limit as that may be off.
 */
function flowResidual(flow: number, { low, wanted, high }: FlowWindow): number {
  const limit = Math.min((1 + GAS.lowestPerBoreMm.tolerance) * low, NEAR_WANTED * wanted);
  if (flow < limit) return (flow - limit) / (0.25 * limit);
  return flow > high ? (flow - high) / (0.25 * high) : 0;
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
  const [cylinder, gap] = [cylinderResidual(input), gapResidual(input)];
  if (cylinder !== null && setup.usesGas) residuals.cylinder = cylinder;
  if (gap !== null) residuals.gap = gap;
  const wireShare = wireShareOf(input);
  const arc = atUsualStickOut(setup, settings, reading);
  const { sure } = setup.machine;
  // What a rig has taught of its figures stands in for what the laws and a strange meter may be off by.
  // A meter says more of the current than wire speed and laws do.
  const byWire =
    sure === null ? Math.hypot(wireShare, BURN_OFF.arcTerm.tolerance) : Math.hypot(wireShare / 2, sure.wireScaleSd);
  const currentOff = settings.currentA === undefined ? byWire : Math.min(byWire, AMPS_OFF);
  if (setup.wire !== null && arc.voltageErrorV !== null && arc.balanceHalfWidthV !== null && arc.currentA !== null) {
    // Volts are off by the meter and the cables; the balance by the current and by the offset of gas and wire.
    const balanceOff = BALANCE.slopeVPerA.value * arc.currentA * currentOff;
    const offsetOff = sure === null ? balanceTolerance(arc.currentA, setup.wire, setup.gas) : sure.offsetSdV;
    const voltsOff = voltsOffOf(input) * (sure === null ? 1 : STEADY_METER);
    // In pulse the meter shows an average that the load line says little about.
    const pulse = setup.pulse ? PULSE_WIDER : 1;
    const spread = (pulse * Math.hypot(voltsOff, balanceOff, offsetOff)) / arc.balanceHalfWidthV;
    residuals.balance = { value: arc.voltageErrorV / arc.balanceHalfWidthV, spread };
  }
  if (reading.currentA !== null && !setup.pulse) {
    const { voltageErrorV, balanceHalfWidthV } = reading;
    const off = voltageErrorV === null || balanceHalfWidthV === null ? null : voltageErrorV / balanceHalfWidthV;
    residuals.transferZone = { value: transferZone(reading.currentA, off, setup), spread: 0.5 + wireShare };
  }
  if (arc.currentA !== null && setup.currentWantedA !== null) {
    const { steel, aluminium } = HEAT_WANTED;
    const { tolerance } = setup.baseMetal === 'aluminium' ? aluminium.perPowerA : steel.rootA;
    const spread = Math.hypot(currentOff, tolerance) / HEAT_UNIT;
    residuals.heat = { value: heatResidual(arc.currentA, setup), spread };
    residuals.heatOfPair = { value: heatOfPair(setup, settings, arc.currentA), spread };
  }
  if (settings.gasFlowLPerMin !== undefined && reading.flowWindow !== null) {
    const value = flowResidual(settings.gasFlowLPerMin, reading.flowWindow);
    // A limit may lie elsewhere; the middle of the window lies inside for certain.
    const limit = value > 0 ? GAS.turbulentReynolds : GAS.lowestPerBoreMm;
    const limitOff = limit.tolerance * Math.min(1, Math.abs(value));
    const boreOff = setup.boreKnown ? 0 : BORE_OFF;
    const off = Math.hypot(SHARE_OFF[readingOf(input, 'gasFlowLPerMin')], limitOff, boreOff);
    residuals.flow = { value, spread: off / 0.25 };
  }
  if (settings.stickOutMm !== undefined) {
    const { low, wanted, high } = usualStickOut(setup, reading.currentA);
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
  if (settings.travelAngleDeg !== undefined) {
    const { fixed, angleDeg } = setup.hand;
    residuals.push = { value: settings.travelAngleDeg / MODERATE_DEG, spread: 0.5 };
    // Metal or wire may leave no choice: how far the gun leans the other way.
    if (fixed) residuals.gunWay = { value: -Math.sign(angleDeg) * residuals.push.value, spread: 0.5 };
  }
  if (settings.arcControlPct !== undefined)
    residuals.arcControl = { value: (settings.arcControlPct - 50) / 20, spread: 0.3 };
  return residuals;
}

/** One unit of the residual of the amps, as the log of read over expected: what laws and meter may be off by together. */
const AMPS_UNIT = 0.12;

/**
 * The amps that were read against what the wire speed gives at that stick-out: under 0 the tip stands further off than
 * recorded, or less wire comes than is set.
 * @param setup as the machine has taught, not yet brought to the amps
 */
export function ampsResidual(input: Case, setup: ArcSetup, read: AmpsRead | null): Pick<Residuals, 'amps'> {
  if (read === null) return {};
  const spread = Math.hypot(wireShareOf(input), AMPS_OFF, currentLawOff(setup)) / AMPS_UNIT;
  return { amps: { value: Math.log(read.ratio) / AMPS_UNIT, spread } };
}

/**
 * Returns how strongly a figure speaks for a cause: log of the ratio of two equal normal curves, one about `at`
 * (the cause holds), one about `otherwise`. Straight in the residual, so a worse figure never speaks less.
 * @returns natural log, bounded by {@link MOST_WEIGHT}
 */
export function figureWeight(link: FigureLink, residual: Residual): number {
  const { at, otherwise = 0 } = link;
  const variance = SCATTER ** 2 + residual.spread ** 2;
  const weight = ((at - otherwise) * residual.value - (at ** 2 - otherwise ** 2) / 2) / variance;
  return clamp(weight, -MOST_WEIGHT, MOST_WEIGHT);
}
