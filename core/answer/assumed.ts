import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import { mixName } from '../case/gas-mix';

/**
 * Returns what stands in for what a case does not say and the figures rest on, in words: unknown is never passed off as known.
 * @param input the case
 * @param setup its surroundings, as they were completed
 * @returns "13 mm nozzle", "82 Ar / 18 CO2", "flat" …; empty where all of it was said, or where the wire is not known
 */
export function assumedIn({ job = {} }: Case, { wire, usesGas, gas, gasKnown, boreMm, boreKnown }: ArcSetup): string[] {
  if (wire === null) return [];
  return [
    ...(usesGas && !gasKnown ? [mixName(gas)] : []),
    ...(usesGas && !boreKnown ? [`${boreMm} mm nozzle`] : []),
    ...(job.thicknessMm !== undefined && job.joint === undefined ? ['a bead on the plate'] : []),
    ...(job.thicknessMm !== undefined && job.position === undefined ? ['flat'] : []),
    ...(usesGas && job.draught === undefined ? ['still air'] : []),
  ];
}
