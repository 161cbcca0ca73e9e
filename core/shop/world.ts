import type { BaseMetal, Joint, Position, WireClass } from '../case/schema';
import { clamp } from '../quantity/clamp';
import { normalWithTails } from '../chance/normal';

/**
 * A workshop that is only simulated: machines with meters and drives that are off, plates, faults, and an arc of its own.
 * The laws have the same form as anybody's; the coefficients are this file's, drawn anew for every machine within what
 * charts differ by. Nothing here is shared with what judges the beads.
 */
export type Random = () => number;

const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];

type Wire = { class: WireClass; diameterMm: number };
type Gas = { argonPct: number; co2Pct: number } | null;

export type Machine = {
  wire: Wire;
  gas: Gas;
  boreMm: number;
  metal: BaseMetal;
  plates: [thinMm: number, thickMm: number];
  /** True volts less those shown, true wire speed over the set one. */
  offsetV: number;
  scale: number;
  /** This machine's, wire's and gas's own arc, as factors on the chart's. */
  burn: number;
  resistance: number;
  balanceV: number;
  transition: number;
  plate: number;
};

const RIGS: Pick<Machine, 'wire' | 'gas' | 'boreMm' | 'metal' | 'plates'>[] = [
  {
    wire: { class: 'solid-steel', diameterMm: 0.8 },
    gas: { argonPct: 82, co2Pct: 18 },
    boreMm: 12,
    metal: 'mild-steel',
    plates: [0.8, 5],
  },
  {
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    boreMm: 13,
    metal: 'mild-steel',
    plates: [1.2, 10],
  },
  {
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 0, co2Pct: 100 },
    boreMm: 13,
    metal: 'mild-steel',
    plates: [1.5, 8],
  },
  {
    wire: { class: 'solid-steel', diameterMm: 1.2 },
    gas: { argonPct: 92, co2Pct: 8 },
    boreMm: 16,
    metal: 'mild-steel',
    plates: [3, 20],
  },
  {
    wire: { class: 'solid-stainless', diameterMm: 0.9 },
    gas: { argonPct: 98, co2Pct: 2 },
    boreMm: 13,
    metal: 'stainless',
    plates: [1.2, 6],
  },
  {
    wire: { class: 'solid-aluminium', diameterMm: 1.2 },
    gas: { argonPct: 100, co2Pct: 0 },
    boreMm: 16,
    metal: 'aluminium',
    plates: [3, 10],
  },
  {
    wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
    gas: null,
    boreMm: 13,
    metal: 'mild-steel',
    plates: [2, 8],
  },
  {
    wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 },
    gas: { argonPct: 82, co2Pct: 18 },
    boreMm: 16,
    metal: 'mild-steel',
    plates: [5, 20],
  },
];

/** A machine out of the shop's, with what nobody knows of it. */
export function drawMachine(random: Random): Machine {
  return {
    ...pick(random, RIGS),
    offsetV: normalWithTails(random),
    scale: 1 + 0.05 * normalWithTails(random),
    burn: 1 + 0.05 * normalWithTails(random),
    resistance: 1 + 0.15 * normalWithTails(random),
    balanceV: 0.35 * normalWithTails(random),
    transition: 1 + 0.03 * normalWithTails(random),
    plate: 1 + 0.07 * normalWithTails(random),
  };
}

export type Job = { thicknessMm: number; joint: Joint; position: Position };

export function drawJob(random: Random, { plates: [thin, thick] }: Machine): Job {
  return {
    thicknessMm: Number((thin * (thick / thin) ** random()).toFixed(1)),
    joint: pick(random, ['bead-on-plate', 'butt', 'fillet', 'lap', 'corner'] as const),
    position: pick(random, ['flat', 'flat', 'horizontal', 'vertical-up', 'vertical-down', 'overhead'] as const),
  };
}

const line = (points: readonly (readonly [number, number])[], x: number): number => {
  const next = points.findIndex(([at]) => at >= x);
  if (next < 0) return points[points.length - 1][1];
  if (next === 0) return points[0][1];
  const [[x0, y0], [x1, y1]] = [points[next - 1], points[next]];
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
};
const CHART: [number, number][] = [
  [0.8, 55],
  [1, 67],
  [1.5, 90],
  [2, 107],
  [3, 130],
  [4, 152],
  [5, 172],
  [6, 190],
  [8, 200],
  [20, 208],
];
/** Charts of spray in argon: half as much again as a millimetre of steel, levelling out at some ten. */
const ALUMINIUM_CHART: [number, number][] = [
  [1, 62],
  [2, 98],
  [3, 128],
  [4, 155],
  [6, 203],
  [8, 245],
  [10, 270],
];
const JOINTS: { [joint in Joint]?: number } = { fillet: 1.1, lap: 1.1, corner: 0.9 };
/** What one pass holds up against gravity, and what each wire carries. */
const HELD_UP: { [key: string]: number } = { '0.8': 92, '0.9': 112, '1.2': 160 };
const CARRIES: { [wire in WireClass]: (diameterMm: number) => [number, number] } = {
  'solid-steel': (d) => (d < 0.85 ? [40, 180] : d < 1 ? [50, 225] : [80, 330]),
  'solid-stainless': () => [50, 225],
  // Under its spray it throws balls.
  'solid-aluminium': () => [135, 300],
  'metal-cored': () => [100, 350],
  // Charts end under the top of its window, where the slag boils.
  'tubular-self-shielded': () => [80, 160],
  'tubular-gas-shielded': () => [150, 300],
};
/** Windows of the tubular wires: against gravity three quarters of them. */
const TUBULAR_TOP: { [wire in WireClass]?: number } = { 'tubular-self-shielded': 190, 'tubular-gas-shielded': 300 };
/** The top of a short arc, A, which is all there is in CO2 and wherever the plate does not lie; thicker plate is built up in passes. */
const SHORT_ARC: { [key: string]: number } = { '0.8': 160, '0.9': 180, '1.2': 220 };

/** The most that wire, gas and position let one pass have. */
function topOf(machine: Machine, position: Position): number {
  const { wire, gas, metal } = machine;
  const against = position === 'vertical-up' || position === 'overhead';
  const lies = position === 'flat' || position === 'horizontal';
  const [, high] = CARRIES[wire.class](wire.diameterMm);
  if (wire.class.startsWith('tubular')) return against ? Math.min(high, 0.75 * TUBULAR_TOP[wire.class]!) : high;
  if (metal === 'aluminium') return against ? Math.min(high, 1.15 * HELD_UP[String(wire.diameterMm)]) : high;
  const short = SHORT_ARC[String(wire.diameterMm)];
  const sprays = (gas?.co2Pct ?? 0) <= 20;
  const quiet = sprays ? Math.min(short, 0.85 * transitionOf(machine)) : short;
  return against ? Math.min(quiet, HELD_UP[String(wire.diameterMm)]) : lies && sprays ? high : quiet;
}

/** Current that a chart gives for a job, and the one that this plate and machine truly want. */
export function wantedCurrent(
  machine: Machine,
  { thicknessMm, joint, position }: Job,
): { chart: number; truly: number } {
  const { wire, metal, plate } = machine;
  const against = position === 'vertical-up' || position === 'overhead';
  const base =
    metal === 'aluminium'
      ? line(ALUMINIUM_CHART, thicknessMm)
      : line(CHART, thicknessMm) * (metal === 'stainless' ? 0.9 : 1);
  const wanted = base * (JOINTS[joint] ?? 1) * (against ? 0.87 : 1);
  const [low] = CARRIES[wire.class](wire.diameterMm);
  const top = topOf(machine, position);
  return { chart: clamp(wanted, low, top), truly: clamp(wanted * plate, low, top) };
}

const TRANSITION: { [key: string]: number } = { '0.8': 150, '0.9': 165, '1.2': 220 };

/** Current that this machine's wire begins to spray at. */
function transitionOf({ wire, gas, transition }: Machine): number {
  const at =
    wire.class === 'solid-aluminium' ? 135 : TRANSITION[String(wire.diameterMm)] * (1 + 0.011 * (gas?.co2Pct ?? 0));
  return at * transition;
}

/** Returns how far the arc sprays, 0 to 1. */
function spray(machine: Machine, current: number): number {
  const { wire, gas } = machine;
  if (gas === null || wire.class.startsWith('tubular') || gas.co2Pct > 20) return 0;
  return 1 / (1 + Math.exp(-(current / transitionOf(machine) - 1) / 0.035));
}

/** Returns whether large drops splash: between short arc and spray. */
export function isWild(machine: Machine, current: number): boolean {
  const share = spray(machine, current);
  return machine.wire.class !== 'solid-aluminium' && share > 0.2 && share < 0.8;
}

/** Terms of the burn-off for a wire of 1.2 mm: mm/s per A, and per mm and A^2. */
const BURN: { [wire in WireClass]: [number, number] } = {
  'solid-steel': [0.3, 4.8e-5],
  'solid-stainless': [0.285, 8.5e-5],
  'solid-aluminium': [0.82, 2e-6],
  'metal-cored': [0.34, 5.6e-5],
  'tubular-self-shielded': [0.185, 2.4e-5],
  'tubular-gas-shielded': [0.36, 7e-5],
};

/** True current at a true wire speed in m/min and a stick-out in mm. */
export function currentOf(machine: Machine, wireMPerMin: number, stickOutMm: number): number {
  const [a, b] = BURN[machine.wire.class];
  const size = 1.2 / machine.wire.diameterMm;
  const arc = a * machine.burn * size ** 1.85;
  let current = 150;
  for (let i = 0; i < 12; i++) {
    const free = Math.max(1, stickOutMm - 2 - 3 * spray(machine, current));
    const heated = b * machine.resistance * size ** 3.8 * free;
    const speed = (wireMPerMin * 1000) / 60;
    current = heated < 1e-9 ? speed / arc : (-arc + Math.sqrt(arc ** 2 + 4 * heated * speed)) / (2 * heated);
  }
  return Math.max(10, current);
}

/** True wire speed for a current. */
export function wireFor(machine: Machine, current: number, stickOutMm: number): number {
  let [low, high] = [0.3, 30];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (currentOf(machine, middle, stickOutMm) < current) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Volts at the arc that a current wants, and half the width of the good window. */
export function balanceOf(machine: Machine, current: number): { volts: number; halfWidth: number } {
  const { wire, gas, balanceV } = machine;
  const load = 14 + 0.05 * current + balanceV;
  if (wire.class === 'tubular-self-shielded') return { volts: load - 3.1, halfWidth: 1.3 };
  if (wire.class === 'tubular-gas-shielded') return { volts: load, halfWidth: 1.3 };
  const co2 = gas?.co2Pct ?? 0;
  const share = spray(machine, current);
  const aluminium = wire.class === 'solid-aluminium';
  const short = aluminium
    ? -0.8
    : line(
        [
          [0, -2.6],
          [25, -2.2],
          [100, -0.3],
        ],
        co2,
      );
  // A spray of aluminium takes fewer volts for its amps than the load line: 22 V at 150 A, 26 at 280.
  const open = aluminium ? 0.7 - 0.021 * Math.max(0, current - 150) : 0.6 + 0.14 * (co2 - 10);
  return { volts: load + short + share * (open - short), halfWidth: (co2 > 50 ? 1.2 : 1) + 0.5 * share };
}

/** Usual stick-out in mm for what the wire does at a current. */
export function usualStickOut(machine: Machine, current: number): number {
  if (machine.wire.class === 'tubular-gas-shielded') return 16;
  if (machine.wire.class !== 'solid-steel' && machine.wire.class !== 'solid-stainless') return 14;
  return 10 + 5 * spray(machine, current);
}

/** Gas flow wanted, L/min. */
export const wantedFlow = ({ boreMm, metal, gas }: Machine): number =>
  gas === null ? 0 : 0.88 * boreMm * (metal === 'aluminium' ? 1.2 : 1);
