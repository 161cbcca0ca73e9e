import { normal } from '../chance/normal';
import { stream } from '../chance/stream';
import { completeMix } from '../case/gas-mix';
import { SimulatedArc } from '../sound/simulate';
import { traceFigures } from '../sound/trace-figures';
import { SAMPLE_RATE } from '../sound/sample-rate';
import { ArcVoice, loudness } from '../sound/voice';
import { envelopeOf, highPassed } from './envelope';
import { onsetsOf } from './onsets';
import { countsOf, rhythmOf } from './rhythm';

const SECONDS = 3;

/** An arc with the figures that it has by its trace. */
function recorded(diameterMm: number, wireSpeedMPerMin: number, voltageV: number, seed: number) {
  const arc = new SimulatedArc({
    ...{ wire: { class: 'solid-steel', diameterMm }, gas: completeMix({ co2Pct: 18 }), voltageV, wireSpeedMPerMin },
    ...{ stickOutMm: 12, arcControlPct: 50, seed },
  });
  const voice = new ArcVoice(diameterMm, seed);
  const settling = arc.burn(14_400);
  voice.speak(settling, settling.events);
  const trace = arc.burn(SECONDS * SAMPLE_RATE);
  return { samples: voice.speak(trace, trace.events), figures: traceFigures(trace.events, SECONDS) };
}

/** The same in a shop whose noise is so many dB under it: a rumble that falls off upwards. */
function inNoise(samples: Float32Array, db: number, seed = 5): Float32Array {
  const random = stream(seed);
  const gain = loudness(samples) * 10 ** (-db / 20) * Math.sqrt(1 - 0.81);
  let rumble = 0;
  return samples.map((sample) => {
    rumble = 0.9 * rumble + gain * normal(random);
    return sample + rumble;
  });
}

/** Every other sample of what lies well under half the new rate. */
function halved(samples: Float32Array): Float32Array {
  return Float32Array.from(
    { length: samples.length / 2 - 1 },
    (_, i) => (samples[2 * i] + 2 * samples[2 * i + 1] + samples[2 * i + 2]) / 4,
  );
}

const wholeOf = (samples: Float32Array, rate = SAMPLE_RATE) => [{ from: 0, to: samples.length / rate }];
const onsetsIn = (samples: Float32Array, rate = SAMPLE_RATE) =>
  onsetsOf(envelopeOf(samples, rate), wholeOf(samples, rate));
const heardIn = (samples: Float32Array, rate = SAMPLE_RATE) =>
  rhythmOf(onsetsIn(samples, rate), wholeOf(samples, rate));

describe('the clicks of an arc', () => {
  it.each([
    [0.9, 7, 19.7],
    [0.9, 7, 21.7],
    [0.9, 7, 17.7],
    [0.8, 5, 16.6],
    [0.8, 5, 17.6],
    [1.2, 4, 20.3],
    [1.2, 4, 21.3],
  ])(
    'of %d mm at %d m/min and %d V are counted within a tenth, uneven ones within an eighth, alone and in noise 10 dB under it',
    (diameterMm, speed, volts) => {
      const { samples, figures } = recorded(diameterMm, speed, volts, 31);
      for (const sound of [samples, inNoise(samples, 20), inNoise(samples, 10)]) {
        const { clicksPerS, clicksPerSOff, unevenness } = heardIn(sound);
        // An uneven train, where long shorts and quick ones follow each other, is counted less well.
        expect(Math.abs(clicksPerS / figures.ratePerS - 1)).toBeLessThan(figures.unevenness! > 0.5 ? 0.125 : 0.1);
        expect(Math.abs(unevenness! - figures.unevenness!)).toBeLessThan(0.35);
        expect(clicksPerSOff).toBeLessThan(0.15 * clicksPerS);
      }
    },
  );

  it('are uneven with the volts low, and few with the volts high', () => {
    const [low, right, high] = [16.5, 19.7, 22.3].map((volts) =>
      heardIn(inNoise(recorded(0.9, 7, volts, 8).samples, 10)),
    );
    expect(low.unevenness!).toBeGreaterThan(1.6 * right.unevenness!);
    expect(low.loudSpread!).toBeGreaterThan(1.2 * right.loudSpread!);
    expect(high.clicksPerS).toBeLessThan(0.5 * right.clicksPerS);
  });

  it('are the same however loud the recording, and nearly so at half the rate', () => {
    const { samples } = recorded(0.9, 7, 20, 12);
    const plain = heardIn(samples);
    expect(heardIn(samples.map((sample) => sample / 50)).clicksPerS).toBeCloseTo(plain.clicksPerS, 6);
    expect(Math.abs(heardIn(halved(samples), SAMPLE_RATE / 2).clicksPerS / plain.clicksPerS - 1)).toBeLessThan(0.06);
  });

  it('stand where they were: single clicks a given time apart', () => {
    const at = [0.1, 0.15, 0.25, 0.4, 0.407, 0.6];
    const samples = new Float32Array(0.8 * SAMPLE_RATE);
    const random = stream(2);
    for (let i = 0; i < samples.length; i++) samples[i] = 0.001 * normal(random);
    for (const time of at) samples[Math.round(time * SAMPLE_RATE)] = 0.8;
    const found = onsetsIn(samples);
    expect(found).toHaveLength(at.length);
    for (const [i, onset] of found.entries()) expect(Math.abs(onset.at - at[i])).toBeLessThan(0.0004);
    // Two that are nearer than a short takes are one.
    samples[Math.round(0.102 * SAMPLE_RATE)] = 0.7;
    expect(onsetsIn(samples)).toHaveLength(at.length);
    // What is much quieter than those around it is an echo.
    samples[Math.round(0.2 * SAMPLE_RATE)] = 0.2;
    expect(onsetsIn(samples)).toHaveLength(at.length);
  });

  it('are none in silence', () => {
    expect(onsetsIn(new Float32Array(SAMPLE_RATE))).toEqual([]);
    expect(rhythmOf([], [{ from: 0, to: 1 }])).toEqual({
      ...{
        clicksPerS: 0,
        clicksPerSOff: 1,
        unevenness: null,
        loudSpread: null,
        gapShare: 0,
        trend: null,
        trendOff: null,
      },
    });
  });
});

it('the high-pass keeps what lies over its edge and takes out what lies under it', () => {
  const through = (hz: number): number => {
    const tone = Float32Array.from({ length: 9600 }, (_, i) => Math.sin((2 * Math.PI * hz * i) / SAMPLE_RATE));
    return loudness(highPassed(tone, SAMPLE_RATE, 2000).subarray(4800)) / loudness(tone);
  };
  expect(through(10_000)).toBeCloseTo(1, 2);
  expect(through(2000)).toBeCloseTo(Math.SQRT1_2, 2);
  // Twelve decibels an octave.
  expect(through(500)).toBeCloseTo(1 / 16, 2);
  expect(through(100)).toBeLessThan(0.004);
});

describe('a rhythm', () => {
  const trainOf = (times: readonly number[]) => times.map((at) => ({ at, rise: 1 }));

  it('is by its gaps', () => {
    const onsets = [0, 0.1, 0.3, 0.4, 0.6].map((at, i) => ({ at, rise: i === 4 ? 2 : 1 }));
    const { clicksPerS, clicksPerSOff, unevenness, gapShare, loudSpread } = rhythmOf(onsets, [{ from: 0, to: 1 }]);
    // Counts of a renewal train scatter by its unevenness times the root of the count.
    expect(clicksPerSOff).toBeCloseTo(Math.sqrt(5) / 3, 9);
    expect(clicksPerS).toBe(5);
    // Gaps of 0.1 and 0.2: a mean of 0.15, a deviation of 0.05.
    expect(unevenness!).toBeCloseTo(1 / 3, 9);
    expect(gapShare).toBeCloseTo(0.6, 9);
    // Four of 1 and one of 2: a mean of 1.2, a deviation of 0.4.
    expect(loudSpread!).toBeCloseTo(1 / 3, 9);
  });

  it('has no gap where the arc was not burning', () => {
    const spans = [
      { from: 0, to: 0.5 },
      { from: 2, to: 2.5 },
    ];
    const { clicksPerS, unevenness, gapShare } = rhythmOf(trainOf([0.1, 0.14, 0.18, 2.1, 2.14]), spans);
    expect([clicksPerS, gapShare]).toEqual([5, 0]);
    expect(unevenness!).toBeCloseTo(0, 6);
    expect(countsOf(trainOf([0.1, 0.14, 0.18, 2.1, 2.14]), spans, 0.5)).toEqual([3, 2]);
  });

  it('thins out or does not, and says how far that may be off', () => {
    // Twenty clicks in the first half second, and two fewer in each that follows.
    const thinning = [20, 18, 16, 14, 12, 10].flatMap((count, k) =>
      Array.from({ length: count }, (_, i) => k / 2 + (i + 0.5) / (2 * count)),
    );
    const { trend, trendOff } = rhythmOf(trainOf(thinning), [{ from: 0, to: 3 }]);
    // From end to end of six pieces it falls by 12 of a mean of 15.
    expect(trend!).toBeCloseTo(-12 / 15, 6);
    expect(trendOff!).toBeCloseTo(0, 6);
    const even = Array.from({ length: 60 }, (_, i) => (i + 0.5) / 20);
    expect(rhythmOf(trainOf(even), [{ from: 0, to: 3 }]).trend!).toBeCloseTo(0, 6);
    expect(rhythmOf(trainOf([0.2, 0.4]), [{ from: 0, to: 1 }]).trend).toBeNull();
  });
});
