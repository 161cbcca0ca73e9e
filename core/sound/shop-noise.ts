import { normal } from '../chance/normal';
import { stream } from '../chance/stream';
import { SAMPLE_RATE } from './sample-rate';

/** What else is heard in a shop. */
export const SHOP_NOISES = ['rumble', 'grinder', 'talk', 'hammering'] as const;
export type ShopNoise = (typeof SHOP_NOISES)[number];

/** A noise beside an arc: how many decibels it is under it. */
export type NoiseBeside = { kind: ShopNoise; under: number; seed: number };

const { cos, exp, max, min, PI, round, sin } = Math;

/** A two-pole ring that what goes through it makes sound. @param dies how many cycles it takes to die away */
function resonance(hz: number, dies: number): (pushed: number) => number {
  const turn = (2 * PI * hz) / SAMPLE_RATE;
  const stays = exp(-turn / (2 * PI * dies));
  const gain = 1 - stays;
  let [last, before] = [0, 0];
  return (pushed) => {
    const now = gain * pushed + 2 * stays * cos(turn) * last - stays ** 2 * before;
    [before, last] = [last, now];
    return now;
  };
}

/** Fans and a compressor: noise that falls off upwards, with the hum of the mains. */
function rumble(length: number, random: () => number): Float32Array {
  let low = 0;
  return Float32Array.from({ length }, (_, i) => {
    low = 0.9 * low + 0.1 * normal(random);
    return low + 0.05 * sin((2 * PI * 100 * i) / SAMPLE_RATE);
  });
}

/**
 * An angle grinder at work: a disc of 6000 to 9000 turns a minute whose noise swells once a turn, the whine of its gear, a hand that
 * presses more and less, and chatter now and then. Source: turns of small grinders under load, three and a half turns of the motor
 * to one of the disc.
 */
function grinder(length: number, random: () => number): Float32Array {
  const discHz = 100 + 50 * random();
  const gearHz = discHz * 37;
  const bands = [2600, 4200, 6800].map((hz) => resonance(hz * (0.9 + 0.2 * random()), 1.2));
  let [turn, press, chatter] = [0, 1, 0];
  return Float32Array.from({ length }, (_, i) => {
    if (i % 480 === 0) {
      press = max(0.3, min(1.6, press + 0.12 * normal(random) + 0.02 * (1 - press)));
      chatter = random() < 0.03 ? 1.5 : 0.7 * chatter;
    }
    turn += ((2 * PI * discHz) / SAMPLE_RATE) * (1.05 - 0.06 * press);
    const swells = 1 + 0.35 * sin(turn) + chatter * max(0, sin(3 * turn)) ** 8;
    const rubs = normal(random) * press * swells;
    const noise = bands.reduce((sum, band) => sum + band(rubs), 0.15 * rubs);
    const motor = 0.25 * sin(3.5 * turn) + 0.15 * sin(7 * turn) + 0.12 * sin((turn * gearHz) / discHz);
    return noise + motor;
  });
}

/** Two places of the mouth for each of some vowels, Hz. Source: formants of grown speakers as printed in any book of phonetics. */
const VOWELS = [
  [730, 1090, 2440],
  [530, 1840, 2480],
  [270, 2290, 3010],
  [570, 840, 2410],
  [300, 870, 2240],
] as const;

/** Somebody talks: syllables of vowel, hiss of s and f, bursts of t and k, and pauses; nothing that is said means anything. */
function talk(length: number, random: () => number): Float32Array {
  const out = new Float32Array(length);
  const pitch = 95 + 110 * random();
  for (let at = 0; at < length;) {
    const vowel = VOWELS[Math.floor(random() * VOWELS.length)];
    const [consonantS, vowelS] = [0.04 + 0.08 * random(), 0.1 + 0.15 * random()];
    const kind = random();
    const hissed = resonance(kind < 0.3 ? 5500 : 3500, 1);
    for (let i = 0; i < consonantS * SAMPLE_RATE && at + i < length; i++) {
      const age = i / SAMPLE_RATE;
      // An s or an f is held, a t or a k bursts after a stop.
      const loud = kind < 0.45 ? 0.6 : kind < 0.8 && age > consonantS - 0.012 ? 1.2 : 0;
      out[at + i] = loud * hissed(normal(random));
    }
    at += round(consonantS * SAMPLE_RATE);
    const mouth = vowel.map((hz) => resonance(hz, 5));
    const falls = pitch * (1.1 - 0.2 * random());
    let phase = 1;
    for (let i = 0; i < vowelS * SAMPLE_RATE && at + i < length; i++) {
      phase += (falls * (1 + 0.01 * normal(random))) / SAMPLE_RATE;
      const struck = phase >= 1 ? 12 : 0;
      if (phase >= 1) phase -= 1;
      const swell = min(1, (i / SAMPLE_RATE) * 25, (vowelS - i / SAMPLE_RATE) * 25);
      out[at + i] += swell * mouth.reduce((sum, place, k) => sum + place(struck) / (1 + k), 0);
    }
    at += round((vowelS + (random() < 0.15 ? 0.3 + 0.4 * random() : 0.02)) * SAMPLE_RATE);
  }
  return out;
}

/** Somebody hammers on a plate: two or three strikes a second, each a knock that rings, some with a bounce. */
function hammering(length: number, random: () => number): Float32Array {
  const out = new Float32Array(length);
  const rings = [420, 1130, 2350, 3900, 6100].map((hz) => ({
    hz: hz * (0.9 + 0.2 * random()),
    dies: 0.03 / (hz / 1500),
  }));
  const strike = (at: number, loud: number): void => {
    const last = min(length, at + round(0.5 * SAMPLE_RATE));
    for (let i = at; i < last; i++) {
      const age = (i - at) / SAMPLE_RATE;
      const knock = age < 0.002 ? normal(random) * exp(-age / 0.0005) : 0;
      out[i] +=
        loud * rings.reduce((sum, { hz, dies }) => sum + 0.3 * exp(-age / dies) * sin(2 * PI * hz * age), knock);
    }
  };
  const everyS = 0.3 + 0.3 * random();
  for (let at = 0.1; at < length / SAMPLE_RATE; at += everyS * (0.8 + 0.4 * random())) {
    const loud = 0.6 + 0.6 * random();
    strike(round(at * SAMPLE_RATE), loud);
    if (random() < 0.4) strike(round((at + 0.05 + 0.04 * random()) * SAMPLE_RATE), 0.3 * loud);
  }
  return out;
}

const MADE_BY: Record<ShopNoise, (length: number, random: () => number) => Float32Array> = {
  rumble,
  grinder,
  talk,
  hammering,
};

/** A noise of the shop, as loud as it comes; the same seed, the same noise. */
export function shopNoise(kind: ShopNoise, seconds: number, seed: number): Float32Array {
  return MADE_BY[kind](round(seconds * SAMPLE_RATE), stream(seed));
}

const powerOf = (of: Float32Array): number => of.reduce((sum, value) => sum + value ** 2, 0) / max(1, of.length);

/** By what a sound is made fainter or louder to stand so many decibels under another. */
const gainUnder = (samples: Float32Array, other: Float32Array, under: number): number =>
  Math.sqrt(powerOf(samples) / (powerOf(other) || 1)) * 10 ** (-under / 20);

/**
 * A sound with another so far under it.
 * @param under by how many decibels the power of the other is less; negative where it is louder
 */
export function mixed(samples: Float32Array, other: Float32Array, under: number): Float32Array<ArrayBuffer> {
  const gain = gainUnder(samples, other, under);
  return Float32Array.from(samples, (value, i) => value + gain * (other[i % other.length] ?? 0));
}

/**
 * A noise that is laid under a sound piece by piece, as loud as the first piece asks for.
 * @param seconds of the whole
 */
export function layingUnder({ kind, under, seed }: NoiseBeside, seconds: number): (piece: Float32Array) => void {
  const noise = shopNoise(kind, seconds, seed);
  let at = 0;
  let gain: number | null = null;
  return (piece) => {
    gain ??= gainUnder(piece, noise, under);
    for (let i = 0; i < piece.length; i++) piece[i] = Math.tanh(piece[i] + gain * (noise[at + i] ?? 0));
    at += piece.length;
  };
}
