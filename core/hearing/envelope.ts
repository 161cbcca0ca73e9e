/** Loudness of the high part of a sound over time. */
export type Envelope = { values: Float32Array; hopS: number };

/** Clicks of an arc are wide; talk, fans and hum lie under this, Hz. */
const HIGH_FROM_HZ = 2000;
/** Length of one value, s: a short of 2 ms is eight of them. */
const HOP_S = 0.00025;

const { cos, PI, round, sin, sqrt } = Math;

/**
 * A high-pass of second order without overshoot (Butterworth, by the bilinear transform).
 * @param fromHz at which half the power goes through, under half the rate
 */
export function highPassed(samples: Float32Array, rate: number, fromHz: number): Float32Array {
  const turn = (2 * PI * fromHz) / rate;
  const [c, alpha] = [cos(turn), sin(turn) / Math.SQRT2];
  const [b0, b1] = [(1 + c) / 2 / (1 + alpha), -(1 + c) / (1 + alpha)];
  const [a1, a2] = [(-2 * c) / (1 + alpha), (1 - alpha) / (1 + alpha)];
  const out = new Float32Array(samples.length);
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let i = 0; i < out.length; i++) {
    const x = samples[i];
    const y = b0 * x + b1 * x1 + b0 * x2 - a1 * y1 - a2 * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    out[i] = y;
  }
  return out;
}

/** Root of the mean square of what lies over {@link HIGH_FROM_HZ}, a quarter of a millisecond a value. @param rate 8 to 48 kHz */
export function envelopeOf(samples: Float32Array, rate: number): Envelope {
  const high = highPassed(samples, rate, HIGH_FROM_HZ);
  const values = new Float32Array(Math.floor(samples.length / rate / HOP_S));
  for (let i = 0; i < values.length; i++) {
    const [from, to] = [round(i * HOP_S * rate), round((i + 1) * HOP_S * rate)];
    let sum = 0;
    for (let k = from; k < to; k++) sum += high[k] ** 2;
    values[i] = sqrt(sum / (to - from));
  }
  return { values, hopS: HOP_S };
}
