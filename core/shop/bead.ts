import type { CheckId, FindingId } from '../evidence/ids';
import type { Fault } from './faults';
import {
  balanceOf,
  currentOf,
  isWild,
  usualStickOut,
  wantedCurrent,
  wantedFlow,
  type Job,
  type Machine,
  type Random,
} from './world';
import { clamp } from '../quantity/clamp';
import { normalWithTails } from '../chance/normal';

/** What the knobs of a machine are set to, as it shows them. */
export type Knobs = { voltageV: number; wireSpeedMPerMin: number; stickOutMm: number; gasFlowLPerMin: number };

/** A bead as it truly is. */
export type Bead = { sound: boolean; burnedThrough: boolean; shows: Set<FindingId> };

/** What can be seen or heard of a bead. */
export const TROUBLE: readonly FindingId[] = [
  'bead-ropey',
  'bead-flat',
  'bead-sunken',
  'bead-narrow',
  'bead-piled',
  'bead-uneven',
  'ripples-pointed',
  'legs-unequal',
  'toe-cold-lap',
  'toe-undercut',
  'holes-scattered',
  'holes-crater',
  'holes-start',
  'holes-one-spot',
  'holes-through',
  'back-no-mark',
  'back-heavy',
  'back-burned-through',
  'spatter-fine',
  'spatter-heavy',
  'spatter-big-drops',
  'nozzle-clogged',
  'sound-popping',
  'sound-hiss',
  'sound-sputter',
  'sound-plop',
  'wire-stubs',
  'wire-burns-back',
  'wire-surges',
  'arc-wanders',
  'arc-long',
  'start-poor',
  'no-gas-heard',
  'residue-black-soot',
  'residue-oxide',
  'crack-crater',
];
const GOOD: readonly FindingId[] = ['sound-crisp', 'toe-wetted', 'bead-even'];

const within = (x: number): number => clamp(x, 0, 1);

/** Amps that charts of spray go up to on heavy plate that lies, whatever the joint. */
const SPRAY_UP_TO = 330;

/**
 * Returns how much under and over the current it wants a plate stands. Sheet is made up for by travel. Under a lying plate of 8 mm
 * and more nothing is reached by any current that the wire carries: charts of spray give 1.2 mm wire 240 to 320 A on it,
 * half as much again as its short arc and more in an outside corner.
 * @param chartA what a chart of the short arc gives
 */
function stands({ thicknessMm, position }: Job, chartA: number): [coldest: number, hottest: number] {
  if (thicknessMm <= 1.5) return [0.75, 1.35];
  const lies = position === 'flat' || position === 'horizontal';
  return thicknessMm >= 8 && lies ? [0.8, Math.max(1.55, SPRAY_UP_TO / chartA)] : [0.8, 1.25];
}

/** Runs a bead: what the figures and the faults make of it. */
export function runBead(machine: Machine, job: Job, knobs: Knobs, faults: readonly Fault[], random: Random): Bead {
  const shows = new Set<FindingId>();
  const maybe = (id: FindingId, chance: number): void => void (random() < chance && shows.add(id));
  const stickOut = Math.max(3, knobs.stickOutMm + 0.7 * normalWithTails(random));
  const current = currentOf(machine, knobs.wireSpeedMPerMin * machine.scale, stickOut);
  const { volts, halfWidth } = balanceOf(machine, current);
  const off = (knobs.voltageV + machine.offsetV - volts) / halfWidth;
  const wantedA = wantedCurrent(machine, job);
  const heat = current / wantedA.truly;
  const [coldest, hottest] = stands(job, wantedA.chart);

  const short = within((-off - 0.9) / 0.9);
  for (const [id, chance] of [
    ['wire-stubs', 0.75],
    ['bead-ropey', 0.75],
    ['sound-popping', 0.65],
    ['toe-cold-lap', 0.4],
    ['spatter-heavy', 0.35],
  ] as const)
    maybe(id, chance * short);
  const long = within((off - 0.9) / 0.9);
  for (const [id, chance] of [
    ['bead-flat', 0.7],
    ['sound-hiss', 0.65],
    ['arc-long', 0.6],
    ['toe-undercut', 0.4],
    ['spatter-big-drops', 0.35],
    ['wire-burns-back', 0.35],
  ] as const)
    maybe(id, chance * long);
  const cold = within(Math.log(coldest / heat) / 0.12 + 0.4);
  for (const [id, chance] of [
    ['back-no-mark', 0.7],
    ['bead-ropey', 0.5],
    ['toe-cold-lap', 0.55],
  ] as const)
    maybe(id, chance * cold);
  const hot = within(Math.log(heat / hottest) / 0.12 + 0.4);
  for (const [id, chance] of [
    ['back-heavy', 0.6],
    ['bead-sunken', 0.45],
    ['toe-undercut', 0.2],
  ] as const)
    maybe(id, chance * hot);
  const thin = job.thicknessMm <= 4;
  const burnedThrough = heat > hottest * 1.15 && random() < within((heat - hottest) * (thin ? 1.6 : 0.3));
  if (burnedThrough) for (const id of ['holes-through', 'back-burned-through'] as const) maybe(id, 0.85);
  const wanted = wantedFlow(machine);
  const covered = wanted === 0 || (knobs.gasFlowLPerMin > 0.55 * wanted && knobs.gasFlowLPerMin < 2.2 * wanted);
  if (!covered)
    for (const [id, chance] of [
      ['holes-scattered', 0.7],
      ['residue-oxide', 0.35],
    ] as const)
      maybe(id, chance);
  const wild = isWild(machine, current);
  if (wild)
    for (const [id, chance] of [
      ['spatter-big-drops', 0.55],
      ['spatter-heavy', 0.5],
      ['sound-plop', 0.45],
    ] as const)
      maybe(id, chance);
  const usual = usualStickOut(machine, current);
  const distance = stickOut > usual - 5 && stickOut < usual + 7;
  for (const fault of faults) for (const [id, chance] of fault.shows) maybe(id, chance);

  const sound =
    Math.abs(off) <= 1.2 && heat >= coldest && heat <= hottest && covered && distance && !wild && faults.length === 0;
  if (Math.abs(off) < 1.1 && !wild) maybe('sound-crisp', 0.85);
  if (off > -1 && heat > coldest) maybe('toe-wetted', 0.8);
  const unsteady = faults.some(({ shows: brings }) =>
    brings.some(([id]) => id === 'wire-surges' || id === 'sound-sputter' || id === 'bead-uneven'),
  );
  if (Math.abs(off) <= 1.2 && !wild && !unsteady) maybe('bead-even', 0.85);
  return { sound, burnedThrough, shows };
}

/** What of a bead is overlooked, and what is seen that is not there. */
const EYE = { misses: 0.15, invents: 0.03 };
/** How much of what there is to see a welder says without being asked. */
const VOLUNTEERS = 0.7;

type Seen = Record<string, 'present' | 'absent'>;

/** Returns what a welder sees of a bead, for everything there is to look for. */
export function lookedOver({ shows }: Bead, random: Random): Seen {
  return Object.fromEntries(
    [...TROUBLE, ...GOOD].map((id) => {
      const seen = shows.has(id) ? random() >= EYE.misses : random() < EYE.invents;
      return [id, seen ? 'present' : 'absent'] as const;
    }),
  );
}

/** Returns what of it is said without being asked. */
export function volunteered(seen: Seen, random: Random): Seen {
  return Object.fromEntries(Object.entries(seen).filter(() => random() < VOLUNTEERS));
}

/** Returns what a look at the rig shows: its fault nine times in ten where it is there, a mere glance three times in four. */
export function looked(check: CheckId, faults: readonly Fault[], random: Random): 'present' | 'absent' {
  const chance = faults.some((fault) => fault.check === check)
    ? 0.9
    : faults.some(({ glance }) => glance === check)
      ? 0.75
      : 0.03;
  return random() < chance ? 'present' : 'absent';
}
