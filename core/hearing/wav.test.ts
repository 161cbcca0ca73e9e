import { WaveFile } from 'wavefile';
import { readWav, writeWav } from './wav';

/** Half a second of a tone of 440 Hz at half of full. */
const tone = (rate: number) =>
  Float32Array.from({ length: rate / 2 }, (_, i) => 0.5 * Math.sin((2 * Math.PI * 440 * i) / rate));
const farthest = (a: Float32Array, b: Float32Array): number =>
  a.reduce((most, value, i) => Math.max(most, Math.abs(value - b[i])), 0);

it('what was written is read again', () => {
  for (const rate of [8000, 44_100, 48_000]) {
    const samples = tone(rate);
    const read = readWav(writeWav({ samples, rate }));
    expect([read.rate, read.samples.length]).toEqual([rate, samples.length]);
    expect(farthest(read.samples, samples)).toBeLessThan(1 / 30_000);
  }
  // What is over full is cut off, not turned round.
  expect([...readWav(writeWav({ samples: Float32Array.from([2, -2, 0]), rate: 8000 })).samples]).toEqual([
    expect.closeTo(1, 3),
    expect.closeTo(-1, 3),
    0,
  ]);
});

it.each([
  ['8', 128, 127, 1 / 100],
  ['16', 0, 32_767, 1 / 30_000],
  ['24', 0, 8_388_607, 1 / 8_000_000],
  ['32f', 0, 1, 1e-6],
] as const)(
  'samples of %s bits come as loud as they are, and two channels as their mean',
  (depth, middle, full, off) => {
    const samples = tone(16_000);
    const counts = Float64Array.from(samples, (value) => {
      const count = middle + value * full;
      return depth === '32f' ? count : Math.round(count);
    });
    const silent = counts.map(() => middle);
    const wav = new WaveFile();
    wav.fromScratch(1, 16_000, depth, counts);
    expect(farthest(readWav(wav.toBuffer()).samples, samples)).toBeLessThan(off);
    const stereo = new WaveFile();
    stereo.fromScratch(2, 16_000, depth, [counts, silent]);
    expect(
      farthest(
        readWav(stereo.toBuffer()).samples,
        samples.map((value) => value / 2),
      ),
    ).toBeLessThan(off);
  },
);

it('what cannot be listened to says what it takes', () => {
  expect(() => readWav(Uint8Array.from([1, 2, 3]))).toThrow('This is no WAV file');
  expect(() => readWav(new TextEncoder().encode('RIFF....WAVEfmt '))).toThrow('This is no WAV file');
  const fast = new WaveFile();
  fast.fromScratch(1, 96_000, '16', new Int16Array(100));
  expect(() => readWav(fast.toBuffer())).toThrow('The sample rate of this WAV is 96000 Hz: it takes 8000 to 48000.');
  const packed = new WaveFile();
  packed.fromScratch(1, 8000, '16', new Int16Array(100));
  packed.toALaw();
  expect(() => readWav(packed.toBuffer())).toThrow('packed');
});
