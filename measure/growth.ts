import type { NoisyOr } from '../core/diagnosis/noisy-or';
import { posterior } from '../core/diagnosis/posterior';
import { stream } from '../core/chance/stream';
import { ms, time, type Timing } from './statistics';

/** Share of the findings shown that a cause touches: in the knowledge, 0.21 of the twelve of the full case. */
const TOUCHED = 0.21;

/** A random network of a size. */
function network(causes: number, findings: number, random: () => number): NoisyOr {
  return {
    odds: Float64Array.from({ length: causes }, () => 0.01 + 0.06 * random()),
    group: Int16Array.from({ length: causes }, (_, c) => (c % 12 < 2 ? Math.floor(c / 12) : -1)),
    silence: Float64Array.from({ length: findings }, () => 0.95 + 0.04 * random()),
    miss: Float64Array.from({ length: causes * findings }, () => (random() < TOUCHED ? 1 - 0.8 * random() : 1)),
  };
}

/** How the exact sum grows with the number of causes, for few, many and very many findings. */
export function printGrowth(unit: Timing): void {
  const random = stream(7);
  for (const findings of [4, 8, 10, 12]) {
    const timed = [65, 200].map((causes) => {
      const one = network(causes, findings, random);
      return time(causes > 100 ? 40 : 100, () => posterior(one));
    });
    console.log(
      `exact sum with ${findings} findings: 65 causes ${ms(timed[0], unit)}, 200 causes ${ms(timed[1], unit)}, ${(timed[1].median / timed[0].median).toFixed(1)} times`,
    );
  }
}
