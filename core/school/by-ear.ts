import { arcSetup } from '../arc/setup';
import { readArc } from '../arc/reading';
import { CASE_FORMAT, type Case } from '../case/schema';
import type { ArcRun, Troubles } from '../sound/arc-run';
import { arcRunOf } from '../sound/run-of';
import type { NoiseBeside, ShopNoise } from '../sound/shop-noise';
import { byLevel } from './level';

/** What a welder tells apart by ear. */
export const EAR_ITEMS = ['right', 'volts-low', 'volts-high', 'far-too-high', 'comes-and-goes', 'gas-gone'] as const;
export type EarItem = (typeof EAR_ITEMS)[number];

/** What it is called, and what it sounds like. */
export const EAR_WORDS: Record<EarItem, { name: string; sounds: string }> = {
  right: { name: 'In balance', sounds: 'A steady crackle, like frying: even and quick.' },
  'volts-low': {
    name: 'Volts low, or wire fast',
    sounds: 'Loud pops in bursts, uneven: the wire stands in the pool and goes off.',
  },
  'volts-high': {
    name: 'Volts high, or wire slow',
    sounds: 'A slower crackle, even, with hiss between the clicks: the arc is long and touches less often.',
  },
  'far-too-high': {
    name: 'Volts far too high',
    sounds: 'Hiss, and now and then a wet plop: big drops fall, next to none touches.',
  },
  'comes-and-goes': {
    name: 'Feed or contact bad',
    sounds: 'It comes and goes: crackle, then nothing for a moment, then crackle.',
  },
  'gas-gone': {
    name: 'Gas gone',
    sounds: 'A crackle that is never even and spits: the arc wanders without its cover.',
  },
};

/** Which knob puts it right: the volts, by turning them; the others are no knob. */
export const TURNED_RIGHT: readonly EarItem[] = ['volts-low', 'volts-high', 'far-too-high'];

/** A question of the ear: an arc that burns, and what is heard beside it. */
export type EarQuestion = {
  item: EarItem;
  run: ArcRun;
  noise: NoiseBeside | null;
  /** Where the volts would be in balance. */
  balancedV: number;
};

/** Wires with the speeds they are run at in short arc, m/min. */
const WIRES = [
  [0.8, 4.5, 7.5],
  [0.9, 5, 8.5],
  [1.0, 4, 7],
  [1.2, 3, 4.5],
] as const;
/** Kinds of noise from the level on at which they come, and how far they are under the arc, dB. */
const NOISES: readonly { from: number; kind: ShopNoise; under: number }[] = [
  { from: 7, kind: 'grinder', under: 12 },
  { from: 5, kind: 'hammering', under: 14 },
  { from: 3, kind: 'rumble', under: 18 },
];

/** Returns how far off the volts are, V, and what else is wrong: coarse at the first level, fine at the last. */
function faultOf(item: EarItem, level: number): { offV: number; troubles?: Troubles } {
  switch (item) {
    case 'volts-low':
      return { offV: -byLevel(level, 3.2, 1.5) };
    case 'volts-high':
      return { offV: byLevel(level, 2.4, 1.6) };
    case 'far-too-high':
      return { offV: byLevel(level, 5, 3.8) };
    case 'comes-and-goes':
      return { offV: 0, troubles: { badContact: byLevel(level, 1, 0.5) } };
    case 'gas-gone':
      return { offV: 0, troubles: { gasLost: byLevel(level, 1, 0.6) } };
    default:
      return { offV: 0 };
  }
}

/** An arc in balance, drawn. */
function balancedArc(random: () => number): { input: Case; wireSpeedMPerMin: number; balancedV: number } {
  const [diameterMm, slow, fast] = WIRES[Math.floor(random() * WIRES.length)];
  const input: Case = {
    format: CASE_FORMAT,
    rig: { process: 'gmaw', wire: { class: 'solid-steel', diameterMm }, gas: { argonPct: 82, co2Pct: 18 } },
  };
  const wireSpeedMPerMin = Math.round(10 * (slow + (fast - slow) * random())) / 10;
  const { balancedVoltageV } = readArc(arcSetup(input), { wireSpeedMPerMin, stickOutMm: 12 });
  return { input, wireSpeedMPerMin, balancedV: balancedVoltageV ?? 18 };
}

/**
 * A question of the ear, made anew each time.
 * @param item what it is
 * @param level 1 to 8: the fault gets finer, and the shop louder
 * @param random even numbers from 0 to 1
 */
export function earQuestion(item: EarItem, level: number, random: () => number): EarQuestion {
  const { input, wireSpeedMPerMin, balancedV } = balancedArc(random);
  const { offV, troubles } = faultOf(item, level);
  const seed = Math.floor(random() * 1e6);
  const scatter = 0.3 * (random() - 0.5);
  const run = arcRunOf(input, { voltageV: balancedV + offV + scatter, wireSpeedMPerMin, stickOutMm: 12 }, seed)!;
  const noise = NOISES.find(({ from }) => level >= from);
  return {
    item,
    run: troubles === undefined ? run : { ...run, troubles },
    noise: noise === undefined ? null : { kind: noise.kind, under: noise.under, seed: seed + 1 },
    balancedV,
  };
}

/** How near to balance the volts have to be turned. */
export const NEAR_V = 0.8;
