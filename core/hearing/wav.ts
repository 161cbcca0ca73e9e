import { WaveFile } from 'wavefile';
import { RATES, type Recording } from './listen';
import { clamp } from '../quantity/clamp';

/** Bits of a sample that are taken in, as `wavefile` names them. */
const DEPTHS = ['8', '16', '24', '32', '32f', '64'];

/** Why a file is not listened to, in words: a name of a field of the file and what it takes. */
export class WavProblem extends Error {}

/**
 * Reads a recording out of a WAV file; of several channels the mean.
 * @param bytes of the file
 * @throws WavProblem where it is no WAV, is packed, or has samples at a rate that is not taken
 */
export function readWav(bytes: Uint8Array): Recording {
  const wav = new WaveFile();
  try {
    wav.fromBuffer(bytes);
  } catch {
    throw new WavProblem('This is no WAV file: a recording is taken as WAV, PCM of 8 to 48 kHz.');
  }
  const { sampleRate: rate, numChannels } = wav.fmt as { sampleRate: number; numChannels: number };
  if (!DEPTHS.includes(wav.bitDepth)) throw new WavProblem('The samples of this WAV are packed: save it as plain PCM.');
  if (rate < RATES.least || rate > RATES.most)
    throw new WavProblem(`The sample rate of this WAV is ${rate} Hz: it takes ${RATES.least} to ${RATES.most}.`);
  const scale = wav.bitDepth === '32f' || wav.bitDepth === '64' ? 1 : 2 ** (Number(wav.bitDepth) - 1);
  // Samples of 8 bits are counted from 0 up.
  const middle = wav.bitDepth === '8' ? 128 : 0;
  const read = wav.getSamples(false, Float64Array) as unknown as Float64Array | Float64Array[];
  const channels = numChannels === 1 ? [read as Float64Array] : (read as Float64Array[]);
  const samples = Float32Array.from(
    channels[0],
    (_, i) => channels.reduce((sum, channel) => sum + (channel[i] - middle) / scale, 0) / channels.length,
  );
  return { samples, rate };
}

/** A recording as a WAV file, PCM of 16 bits, one channel. */
export function writeWav({ samples, rate }: Recording): Uint8Array<ArrayBuffer> {
  const wav = new WaveFile();
  const counts = Int16Array.from(samples, (value) => Math.round(32_767 * clamp(value, -1, 1)));
  wav.fromScratch(1, Math.round(rate), '16', counts);
  return Uint8Array.from(wav.toBuffer());
}
