import { readFileSync } from 'node:fs';

/** Processor time so far, in ticks: all of it, and what the host of this machine gave to other machines; 0 where that is not said. */
export function processorTicks(): { all: number; given: number } {
  try {
    const ticks = readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1, 9).map(Number);
    return { all: ticks.reduce((sum, one) => sum + one, 0), given: ticks[7] };
  } catch {
    return { all: 0, given: 0 };
  }
}
