import { completeMix } from '../case/gas-mix';
import type { ArcRun } from '../sound/arc-run';
import { mixed, SHOP_NOISES, shopNoise } from '../sound/shop-noise';
import { soundOf } from '../sound/sounding';
import { SAMPLE_RATE } from '../sound/sample-rate';
import { draws } from '../testing/draws';
import { lengthOf, whereItBurns } from './burning';
import { envelopeOf } from './envelope';
import { balancedClicksPerS, heardMost, heardWeights, MOST_HEARD_WEIGHT } from './likelihood';
import { levelOf } from './level';
import { cutShare, listen } from './listen';

const RUN: ArcRun = {
  ...{ wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: completeMix({ co2Pct: 18 }) },
  ...{ voltageV: 20.1, wireSpeedMPerMin: 7.5, stickOutMm: 12, arcControlPct: 50, seed: 3 },
};
const BALANCED = balancedClicksPerS(0.9, 7.5);

const burned = (run: Partial<ArcRun>, seconds = 3): Float32Array => soundOf({ ...RUN, ...run }, seconds).samples;
const joined = (...parts: Float32Array[]): Float32Array => {
  const out = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  parts.reduce((at, part) => (out.set(part, at), at + part.length), 0);
  return out;
};
const listenTo = (samples: Float32Array, rate = SAMPLE_RATE) => listen({ samples, rate });

const RIGHT = burned({});
const LOW = burned({ voltageV: 17.6 });

describe('listening to a recording', () => {
  it.each(SHOP_NOISES.map((noise) => [noise] as const))(
    'takes no %s for an arc, alone or with other noises, faint or loud',
    (noise) => {
      // The last four are those that are told from an arc by one mark alone.
      for (const seed of [11, 12, 90_001, 90_002, 90_007, 90_038]) {
        const alone = shopNoise(noise, 3, seed);
        const peak = alone.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
        for (const other of seed > draws(11, 12) ? [] : SHOP_NOISES.filter((one) => one !== noise))
          for (const under of [20, 5]) {
            const both = mixed(
              alone.map((value) => (0.4 * value) / peak),
              shopNoise(other, 3, seed + 20),
              under,
            );
            expect(listenTo(both.map((value) => value / 4)).heard).toBeNull();
          }
        expect(['no-clicks', 'no-arc']).toContain(listenTo(alone.map((value) => (0.4 * value) / peak)).why);
      }
    },
  );

  it.each(SHOP_NOISES.map((noise) => [noise] as const))('hears an arc beside %s 10 dB under it', (noise) => {
    const right = listenTo(mixed(RIGHT, shopNoise(noise, 3, 31), 10));
    const low = listenTo(mixed(LOW, shopNoise(noise, 3, 32), 10));
    expect([right.why, low.why]).toEqual([null, null]);
    expect(heardMost(heardWeights(right.heard!, BALANCED))).toBe('sound-crisp');
    expect(heardMost(heardWeights(low.heard!, BALANCED))).toBe('sound-popping');
  });

  it('finds where the arc burns between talk and a quiet shop, and counts only there', () => {
    const quiet = shopNoise('rumble', 2, 5).map((value) => value / 30);
    const recording = joined(quiet, RIGHT, quiet);
    const spans = whereItBurns(envelopeOf(recording, SAMPLE_RATE));
    expect(spans).toHaveLength(1);
    expect(spans[0].from).toBeCloseTo(2, 0);
    expect(spans[0].to).toBeCloseTo(5, 0);
    const { heard, clicks } = listenTo(recording);
    const alone = listenTo(RIGHT).heard!;
    expect(heard!.seconds).toBeCloseTo(3, 0);
    expect(Math.abs(heard!.clicksPerS / alone.clicksPerS - 1)).toBeLessThan(0.07);
    expect(clicks.every(({ at }) => at > 1.7 && at < 5.3)).toBe(true);
    // A stitch is two arcs: what lies between them is no gap.
    const stitched = listenTo(joined(RIGHT, quiet, RIGHT));
    expect(lengthOf(stitched.spans)).toBeCloseTo(6, 0);
    expect(stitched.heard!.gapShare).toBeLessThan(0.02);
  });

  it('says why it concludes nothing', () => {
    expect(listenTo(RIGHT.subarray(0, 1.9 * SAMPLE_RATE)).why).toBe('too-short');
    expect(listenTo(new Float32Array(3 * SAMPLE_RATE)).why).toBe('too-quiet');
    const cut = RIGHT.map((value) => Math.max(-1, Math.min(1, 8 * value)));
    expect(cutShare(cut)).toBeGreaterThan(0.0005);
    expect(listenTo(cut).why).toBe('too-loud');
    // A short arc in a long quiet recording is too short as well.
    const quiet = new Float32Array(3 * SAMPLE_RATE).fill(0.0001);
    expect(listenTo(joined(quiet, RIGHT.subarray(0, SAMPLE_RATE), quiet)).why).toBe('too-short');
    // Far too many volts leave no clicks: whether that is an arc cannot be told.
    expect(listenTo(burned({ voltageV: 25 })).why).toBe('no-clicks');
  });

  it('hears the same faint or loud, and nearly so at 16 and at 8 kHz', () => {
    const whole = listenTo(RIGHT).heard!;
    expect(listenTo(RIGHT.map((value) => value / 20)).heard).toEqual(whole);
    expect(whole.strip).toHaveLength(Math.floor(whole.seconds * 10));
    for (const each of [3, 6]) {
      const mean = (at: number): number => RIGHT.subarray(at, at + each).reduce((sum, value) => sum + value, 0) / each;
      const fewer = Float32Array.from({ length: Math.floor(RIGHT.length / each) }, (_, i) => mean(each * i));
      const { heard } = listenTo(fewer, SAMPLE_RATE / each);
      expect(Math.abs(heard!.clicksPerS / whole.clicksPerS - 1)).toBeLessThan(0.1);
    }
  });

  it('hears a run that grows colder', () => {
    const steady = listenTo(burned({}, 6)).heard!;
    const colder = listenTo(joined(burned({}, 2), burned({ voltageV: 21.6 }, 2), burned({ voltageV: 22.3 }, 2))).heard!;
    expect(Math.abs(steady.trend)).toBeLessThan(0.1);
    expect(colder.trend).toBeLessThan(-0.4);
    expect(heardWeights(steady, BALANCED)['bead-fades']).toBeLessThan(0);
    expect(heardWeights(colder, BALANCED)['bead-fades']).toBeGreaterThan(0.5);
  });
});

describe('what a recording speaks for', () => {
  const heard = (clicksPerS: number, unevenness: number, more: object = {}) => ({
    ...{ seconds: 5, clicksPerS, clicksPerSOff: 2, unevenness, loudSpread: 0.25, gapShare: 0, trend: 0, trendOff: 0.1 },
    ...more,
  });

  it('goes by pace and evenness as welders say, with and without a known wire', () => {
    for (const balanced of [120, null]) {
      const most = (...of: Parameters<typeof heard>) => heardMost(heardWeights(heard(...of), balanced));
      expect(most(110, 0.25)).toBe('sound-crisp');
      expect(most(100, 0.4)).toBe('sound-crisp');
      expect(most(50, 0.9, { loudSpread: 0.4 })).toBe('sound-popping');
      expect(most(20, 0.3, { gapShare: 0.4 })).toBe('sound-hiss');
      expect(most(9, 0.5, { gapShare: 0.9 })).toBe('sound-plop');
      expect(most(60, 1.6, { gapShare: 0.4, loudSpread: 0.4 })).toBe('sound-sputter');
    }
  });

  it('takes each of what was counted: gaps and loudness besides pace and evenness', () => {
    const of = (more: object, id: 'sound-sputter' | 'sound-popping') => heardWeights(heard(70, 0.6, more), 120)[id];
    expect(of({ gapShare: 0.4 }, 'sound-sputter')).toBeGreaterThan(of({}, 'sound-sputter') + 0.3);
    expect(of({ loudSpread: 0.38 }, 'sound-popping')).toBeGreaterThan(of({}, 'sound-popping') + 0.3);
  });

  it('is bounded, and moves without a jump', () => {
    let before = heardWeights(heard(1, 0), 120);
    for (let step = 1; step <= 400; step++) {
      const now = heardWeights(heard(1 + step / 2, step / 200), 120);
      for (const [id, weight] of Object.entries(now)) {
        expect(Math.abs(weight)).toBeLessThanOrEqual(MOST_HEARD_WEIGHT);
        expect(Math.abs(weight - before[id as keyof typeof now])).toBeLessThan(1);
      }
      before = now;
    }
  });

  it('knows the pace of a wire in balance: with its speed, against its thickness', () => {
    // 0.9 mm at 7.5 m/min: 125 mm of wire a second, 0.77 mm to a drop.
    expect(balancedClicksPerS(0.9, 7.5)).toBeCloseTo(161.5, 1);
    expect(balancedClicksPerS(0.9, 3.75)).toBeCloseTo(161.5 / 2, 1);
    for (const [diameterMm, speed, volts] of [
      [0.8, 6, 17.6],
      [0.9, 5, 17.9],
      [1.2, 4, 20.6],
    ]) {
      const run = { wire: { class: 'solid-steel' as const, diameterMm }, wireSpeedMPerMin: speed, voltageV: volts };
      const { clicksPerS } = listenTo(burned(run)).heard!;
      expect(Math.abs(clicksPerS / balancedClicksPerS(diameterMm, speed) - 1)).toBeLessThan(0.25);
    }
  });
});

it('says how it goes while it is recorded', () => {
  const last = (samples: Float32Array) =>
    levelOf({ samples: samples.subarray(0, SAMPLE_RATE), rate: SAMPLE_RATE }).level;
  expect(last(RIGHT)).toBe('arc');
  expect(last(RIGHT.map((value) => value / 200))).toBe('too-far');
  expect(last(RIGHT.map((value) => Math.max(-1, Math.min(1, 8 * value))))).toBe('too-loud');
  for (const noise of ['rumble', 'grinder'] as const)
    expect(last(shopNoise(noise, 1, 3).map((value) => value / 30))).toBe('no-arc');
});
