import { DEFECT_WORDS } from '../inspection/defects';
import { MEASURES } from '../inspection/measures';
import { unitOf, type UnitSystem } from '../quantity/units';
import type { Sized } from '../picture/measure';
import { WELD_STATE_WORDS } from '../record/words/weld-words';
import type { Weld } from '../record/shapes/weld-schema';
import { jobCells, sizeCells, type Cells } from './bead-cells';
import { csvOf, lengthIn, type Decimal } from './spreadsheet';

/** A weld as a line of the file of all welds, with what was measured in its photographs. */
export type LoggedWeld = { weld: Weld; sizes: readonly Sized[] };

/**
 * The cells of a weld: what it was, how it stands, and what its newest inspection measured and was held to. Inspections before
 * that stand in the JSON of everything.
 */
function weldCells({ weld, sizes }: LoggedWeld, units: UnitSystem, decimal: Decimal): Cells {
  const { title, rigName, job, by, weldedAt, lengthMm, state, inspections, repairs, note, putAway } = weld;
  const last = inspections.at(-1);
  const length = unitOf('length', units);
  const measured = MEASURES.map(({ id, name, unit }) => {
    const value = last?.measured[id];
    const text = value === undefined ? '' : unit === null ? String(value) : lengthIn(value, units, decimal);
    return [unit === null ? name.toLowerCase() : `${name.toLowerCase()} (${length})`, text];
  });
  return {
    weld: title,
    rig: rigName,
    'welded at': weldedAt,
    'welded by': by,
    [`length welded (${length})`]: lengthIn(lengthMm, units, decimal),
    ...jobCells(job, undefined, units, decimal),
    stands: WELD_STATE_WORDS[state].toLowerCase(),
    inspections: inspections.length,
    'inspected at': last?.inspectedAt ?? '',
    'inspected by': last?.by ?? '',
    'held to': last?.level.name ?? '',
    because: last?.judged.because ?? '',
    ...Object.fromEntries(measured),
    ...sizeCells(sizes, units, decimal),
    repairs: repairs.length,
    repaired: [...new Set(repairs.flatMap(({ defects }) => defects.map((defect) => DEFECT_WORDS[defect])))].join('; '),
    note,
    'put away': putAway ? 'yes' : '',
    'setting id': weld.provenId,
    id: weld.id,
  };
}

/** Lines of all welds, each with the same columns. @param withHead whether their heads stand first */
export const weldCsv = (welds: readonly LoggedWeld[], units: UnitSystem, decimal: Decimal, withHead: boolean): string =>
  csvOf(
    welds.map((one) => weldCells(one, units, decimal)),
    decimal,
    withHead,
  );
