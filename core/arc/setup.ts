import { completeMix, type GasMix } from '../case/gas-mix';
import type { BaseMetal, Case, Joint, Position } from '../case/schema';
import { currentMelting, meltingTerms, wireSpeedFromCurrent } from './burn-off';
import { askedFor, HEAT_SHARES, type Asked, type OtherWay, type SprayLacks } from './asked';
import { ARC_LENGTH_MM, GAS } from './coefficients';
import { passesFor } from './passes';
import { balanceVoltage, currentInBalance, withinCurrentRange } from './balance';
import { machineRange } from '../setting/machine-range';
import { handOf, type Hand } from './hand';
import { machineCeiling, type MachineCeiling } from './carries';
import { currentWanted } from './heat';
import { AS_SHOWN, type Machine } from './machine';
import { shareOfSpray, sprayShare, sprayTransitionCurrent } from './transfer';
import { wireMetal, type Wire } from './wire';
import { passCeiling, type PassCeiling } from './wire-window';

/** The surroundings of an arc, read from a case once: wire, gas, plate, nozzle. Nothing else of the case is asked again. */
export type ArcSetup = {
  wire: Wire | null;
  gas: GasMix;
  /** False where the usual mix of the wire stands in for one that is not stated. */
  gasKnown: boolean;
  /** Null gas is a wire that needs none. */
  usesGas: boolean;
  pulse: boolean;
  /** As stated, else the metal the wire is made for. */
  baseMetal: BaseMetal;
  joint: Joint;
  draught: 'still' | 'breeze' | 'windy';
  boreMm: number;
  /** False where the usual nozzle of the wire stands in for one that is not stated. */
  boreKnown: boolean;
  flowSchool: 'ample' | 'lean';
  position: Position;
  /** What one pass would take by the plate alone, and the most that wire and position carry. */
  plateWantsA: number | null;
  ceiling: PassCeiling | null;
  /** What the plate wants up to the ceiling: what figures are held against. */
  currentWantedA: number | null;
  /** What is proposed: the same, away from the wild zone under spray. */
  currentAskedA: number | null;
  /** What keeps heavy plate from the spray it would be given, at the arc; null where nothing is held back. */
  sprayLacks: SprayLacks | null;
  /** The other transfer where both do on this plate. */
  otherWay: OtherWay | null;
  /** Least current of a wire that is too thick for the plate, or cannot be run here at all; null where it can. */
  tooThickFromA: number | null;
  /** Whether the wire has no transfer that it could be run in here. */
  runsNowhere: boolean;
  /** Gun or source where it carries less than the plate can be fused with: no figure is right on it. */
  machineLacks: (MachineCeiling & { wantsA: number }) | null;
  thinnestMm: number | null;
  /** Leg that one pass usually gets: the plate's own, no larger than the position holds up or than each of several takes. */
  passLegMm: number;
  /** How the machine's figures stand to its arc. */
  machine: Machine;
  /** How gun and puddle are usually led on this job. */
  hand: Hand;
  /** The tight school of stick-out. */
  tightStickOut: boolean;
};

/** A setup whose wire is known: what the laws of current need. */
export type WireSetup = ArcSetup & { wire: Wire };

/** Under this share of what the plate wants a pass does not fuse it, and it is built up in several. */
const COLD = 0.85;

/** True where one pass is too cold for the plate: by the wire and the position, or by the quiet current, which may lie at the edge of the window. */
export const isColdInOnePass = (wantsA: number, carriesA: number, askedA: number): boolean =>
  carriesA < COLD * wantsA || askedA < HEAT_SHARES.cold * wantsA;

/** The leg of one pass, mm; of 3 mm plate where the thickness is not known. */
const passLeg = (thinnestMm: number | null, joint: Joint, position: Position, gapMm: number): number =>
  passesFor(thinnestMm ?? 3, thinnestMm === null ? 'bead-on-plate' : joint, position, gapMm).legMm;

const ARGON_18: GasMix = { argonPct: 82, co2Pct: 18, oxygenPct: 0, heliumPct: 0 };
const PURE_ARGON: GasMix = { argonPct: 100, co2Pct: 0, oxygenPct: 0, heliumPct: 0 };

/** A gun or source that carries less than this share of what the plate wants is too small for it: the edge of the window of the heat. */
const LEAST_OF_WANTED = 0.8;

/** Of what a pass and what the machine carries, the less; null where no wire is known. */
const lowest = (ofPass: PassCeiling | null, ofMachine: PassCeiling | null): PassCeiling | null =>
  ofPass === null || ofMachine === null || ofPass.currentA <= ofMachine.currentA ? ofPass : ofMachine;

/** The nozzle bore that a gun for a wire usually has, mm. */
function usualBore(wire: Wire | null): number {
  const { upToMm, thinMm, thickMm, aluminiumMm } = GAS.usualBore;
  if (wire === null) return thinMm;
  if (wireMetal(wire.class) === 'aluminium') return aluminiumMm;
  return wire.diameterMm <= upToMm ? thinMm : thickMm;
}

function currentForJob(job: NonNullable<Case['job']>, baseMetal: BaseMetal): number | null {
  if (job.thicknessMm === undefined) return null;
  return currentWanted({
    baseMetal,
    thicknessMm: job.thicknessMm,
    joint: job.joint ?? 'bead-on-plate',
    position: job.position ?? 'flat',
    ...(job.otherThicknessMm === undefined ? {} : { otherThicknessMm: job.otherThicknessMm }),
    ...(job.gapMm === undefined ? {} : { gapMm: job.gapMm }),
  });
}

/** A school that runs a bit hot asks for so much more, but not on sheet, where it would fall through. */
const A_BIT_HOT = { factor: 1.05, fromMm: 1.6 };

/**
 * Reads the surroundings of an arc from a case. What is missing stays unknown, but for the gas of a
 * wire that cannot run without one: its usual mix stands in, and `gasKnown` is false.
 * @param machine what its rig has taught of its figures
 */
export function arcSetup(input: Case, machine: Machine = AS_SHOWN): ArcSetup {
  const { rig = {}, job = {}, preferences = {} } = input;
  const wire =
    rig.wire?.class !== undefined && rig.wire.diameterMm !== undefined
      ? { class: rig.wire.class, diameterMm: rig.wire.diameterMm }
      : null;
  const usual = rig.wire?.class === 'solid-aluminium' ? PURE_ARGON : ARGON_18;
  const gas = rig.gas ? completeMix(rig.gas) : usual;
  const baseMetal = job.baseMetal ?? (rig.wire?.class === undefined ? 'mild-steel' : wireMetal(rig.wire.class));
  const position = job.position ?? 'flat';
  const pulse = rig.mode === 'pulse';
  const plateWantsA = currentForJob(job, baseMetal);
  const ofPass = wire === null ? null : passCeiling(wire, gas, position, pulse, baseMetal);
  const ofMachine = machineCeiling(rig, gas);
  const ceiling = lowest(ofPass, ofMachine);
  const carried = (currentA: number): number => Math.min(currentA, ceiling?.currentA ?? Infinity);
  const currentWantedA = plateWantsA === null ? null : carried(plateWantsA);
  const thinnestMm = job.thicknessMm === undefined ? null : Math.min(job.thicknessMm, job.otherThicknessMm ?? Infinity);
  const isHot = preferences.heat === 'a-bit-hot' && (thinnestMm ?? 0) >= A_BIT_HOT.fromMm;
  const aimedA = currentWantedA === null ? null : carried(currentWantedA * (isHot ? A_BIT_HOT.factor : 1));
  const most = {
    voltageV: machineRange(rig, 'voltageV').high + machine.offsetV,
    wireSpeedMPerMin: machineRange(rig, 'wireSpeedMPerMin').high * machine.wireScale,
  };
  const asked = (wantedA: number | null, upTo: PassCeiling | null): Asked | null =>
    wantedA === null || wire === null || upTo === null || thinnestMm === null
      ? null
      : askedFor(wantedA, {
          ...{ wire, gas, position, pulse, thinnestMm, most, ceilingA: upTo.currentA },
          isOpenRoot: job.joint === 'butt' && (job.gapMm ?? 0) >= 1,
          school: preferences.transfer ?? 'by-plate',
        });
  const aimed = asked(aimedA, ceiling);
  // What would be asked of a gun and a source that carry it.
  const wantsA = asked(plateWantsA, ofPass)?.currentAskedA ?? null;
  const machineLacks =
    ofMachine === null || wantsA === null || ofMachine.currentA >= LEAST_OF_WANTED * wantsA
      ? null
      : { ...ofMachine, wantsA };
  return {
    wire,
    gas,
    gasKnown: rig.gas !== undefined,
    usesGas: rig.wire?.class !== 'tubular-self-shielded' && rig.process !== 'fcaw-self-shielded',
    pulse,
    baseMetal,
    joint: job.joint ?? 'bead-on-plate',
    draught: job.draught ?? 'still',
    boreMm: rig.nozzleBoreMm ?? usualBore(wire),
    boreKnown: rig.nozzleBoreMm !== undefined,
    flowSchool: preferences.gasFlow ?? 'ample',
    position,
    plateWantsA,
    ceiling,
    currentWantedA,
    currentAskedA: aimed?.currentAskedA ?? aimedA,
    sprayLacks: aimed?.sprayLacks ?? null,
    otherWay: aimed?.otherWay ?? null,
    tooThickFromA: aimed?.tooThickFromA ?? null,
    runsNowhere: aimed?.runsNowhere ?? false,
    machineLacks,
    thinnestMm,
    passLegMm: passLeg(thinnestMm, job.joint ?? 'bead-on-plate', position, job.gapMm ?? 0),
    machine,
    hand: handOf({ wire, baseMetal, position, gapMm: job.gapMm ?? 0 }, preferences),
    tightStickOut: preferences.stickOut === 'tight',
  };
}

/** A setup with its wire, or null where the wire is not known. */
export function withWire(setup: ArcSetup): WireSetup | null {
  return setup.wire === null ? null : { ...setup, wire: setup.wire };
}

/** Electrode extension in mm: tip to work less the arc, which is longer in spray. @param stickOutMm contact tip to work */
export function electrodeExtension(stickOutMm: number, spray: number): number {
  const arc = ARC_LENGTH_MM.shortCircuit.value + spray * (ARC_LENGTH_MM.spray.value - ARC_LENGTH_MM.shortCircuit.value);
  return Math.max(1, stickOutMm - arc);
}

/** Most turns to settle current and arc length, and when they agree, A. */
const MOST_TURNS = 20;
const SETTLED_A = 0.001;

/**
 * Current at a wire speed and stick-out in a setup, the inverse of {@link wireSpeedAt}; settles the arc length, which itself depends on spray.
 * @returns A
 */
export function currentAt(setup: WireSetup, wireSpeedMPerMin: number, stickOutMm: number): number {
  const { wire, gas, machine } = setup;
  const runs = wireSpeedMPerMin * machine.wireScale;
  const melting = meltingTerms(wire);
  const transitionA = sprayTransitionCurrent(wire, gas);
  let current = currentMelting(melting, runs, electrodeExtension(stickOutMm, 0));
  // Each turn comes at least three times nearer, since the arc grows by millimetres over some twenty amps.
  for (let turn = 0; transitionA !== null && turn < MOST_TURNS; turn++) {
    const spray = shareOfSpray(current, transitionA);
    const next = currentMelting(melting, runs, electrodeExtension(stickOutMm, spray));
    if (Math.abs(next - current) < SETTLED_A) return next;
    current = next;
  }
  return current;
}

/**
 * Wire speed for a current in a setup.
 * @returns m/min
 */
export function wireSpeedAt(setup: WireSetup, currentA: number, stickOutMm: number): number {
  const spray = sprayShare(currentA, setup.wire, setup.gas);
  return wireSpeedFromCurrent(currentA, setup.wire, electrodeExtension(stickOutMm, spray)) / setup.machine.wireScale;
}

/**
 * Volts that this machine shows in balance at a current.
 * @param currentA brought into the range that the laws of balance hold for
 */
export function balancedVolts({ wire, gas, machine }: WireSetup, currentA: number): number {
  return balanceVoltage(withinCurrentRange(currentA), wire, gas) - machine.offsetV;
}

/** The current that volts shown on this machine hold in balance, the inverse of {@link balancedVolts}. */
export function currentBalancedBy({ wire, gas, machine }: WireSetup, voltageV: number): number {
  return currentInBalance(voltageV + machine.offsetV, wire, gas);
}
