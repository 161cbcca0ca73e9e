import { posterior, type NoisyOr } from '../core/diagnosis/posterior';
import { stream } from './evaluate/synthetic';
import { ms, time, type Timing } from './statistics';

const FINDINGS = 12;
/** Links per cause in the real knowledge, about; a synthetic cause touches as many of the findings shown. */
const TOUCHED = 0.35;

/** A random network of a size, with twelve findings present. */
function network(causes: number, random: () => number): NoisyOr {
  return {
    odds: Float64Array.from({ length: causes }, () => 0.01 + 0.06 * random()),
    group: Int16Array.from({ length: causes }, (_, c) => (c % 12 < 2 ? Math.floor(c / 12) : -1)),
    silence: Float64Array.from({ length: FINDINGS }, () => 0.95 + 0.04 * random()),
    miss: Float64Array.from({ length: causes * FINDINGS }, () => (random() < TOUCHED ? 1 - 0.8 * random() : 1)),
  };
}

/** How the exact sum grows with the number of causes. */
export function printGrowth(unit: Timing): void {
  const random = stream(7);
  for (const causes of [20, 40, 65, 100, 200]) {
    const one = network(causes, random);
    console.log(
      `posterior with ${causes} causes and ${FINDINGS} findings: ${ms(
        time(causes > 100 ? 20 : 100, () => posterior(one)),
        unit,
      )}`,
    );
  }
}
