import FFT from 'fft.js';

/** Mean power of a sound by pitch: one value a band of `hz` from 0 up. */
export type Spectrum = { power: Float64Array; hz: number };

/** Length of one look, samples: 43 looks a second at 44.1 kHz, bands of 43 Hz. */
const LOOK = 1024;

/** The mean power of a sound by pitch, over looks that overlap by half, each faded in and out (Welch 1967). */
export function spectrumOf(samples: Float32Array, rate: number): Spectrum {
  const fft = new FFT(LOOK);
  const [look, out] = [new Array<number>(LOOK), fft.createComplexArray() as number[]];
  const fade = Float64Array.from({ length: LOOK }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / LOOK));
  const power = new Float64Array(LOOK / 2);
  let looks = 0;
  for (let from = 0; from + LOOK <= samples.length; from += LOOK / 2) {
    for (let i = 0; i < LOOK; i++) look[i] = samples[from + i] * fade[i];
    fft.realTransform(out, look);
    for (let k = 0; k < power.length; k++) power[k] += out[2 * k] ** 2 + out[2 * k + 1] ** 2;
    looks += 1;
  }
  return { power: power.map((sum) => sum / Math.max(1, looks)), hz: rate / LOOK };
}

/** Power between two pitches, Hz. */
export function powerBetween({ power, hz }: Spectrum, fromHz: number, toHz: number): number {
  let sum = 0;
  for (let k = Math.ceil(fromHz / hz); k < Math.min(power.length, toHz / hz); k++) sum += power[k];
  return sum;
}

/**
 * How like plain noise a sound is between two pitches: the geometric mean of its power over the plain one, 1 for noise and near 0
 * for a tone.
 */
export function flatness({ power, hz }: Spectrum, fromHz: number, toHz: number): number {
  const band = power.subarray(Math.ceil(fromHz / hz), Math.min(power.length, Math.floor(toHz / hz)));
  const mean = band.reduce((sum, value) => sum + value, 0) / band.length;
  if (!(mean > 0)) return 0;
  return Math.exp(band.reduce((sum, value) => sum + Math.log(value + 1e-12 * mean), 0) / band.length) / mean;
}
