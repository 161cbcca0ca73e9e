import { expectedTravel } from '../arc/pace';
import type { WireSetup } from '../arc/setup';
import type { BaseMetal, Case, Position, Preferences } from '../case/schema';
import type { Settings } from '../setting/table';
import { stitchUnder, STITCH_SCHOOL_MM } from './stitch';

/** Sheet that is welded uphill by some and downhill by others, mm: over it downhill is for roots alone. */
const EITHER_WAY_UP_TO_MM = 3;
/** The other way on an upright sheet, and why one would take it. Source: the trade's own reasons. */
const UPRIGHT: { [position in Position]?: { other: Position; name: string; because: string } } = {
  'vertical-up': {
    other: 'vertical-down',
    name: 'Downhill',
    because:
      'less heat in sheet, a flat face, nothing falls through; but little depth, so not where it carries a load.',
  },
  'vertical-down': {
    other: 'vertical-up',
    name: 'Uphill',
    because: 'digs in, the puddle lies on what has frozen; but hot: on thin sheet it falls through.',
  },
};

/** Returns what the other school says of an upright sheet, with its figures; null where only one way is usual. */
function ofUpright(input: Case, setup: WireSetup, correctOf: (input: Case) => Settings): string | null {
  const way = UPRIGHT[setup.position];
  if (way === undefined || setup.baseMetal === 'aluminium' || (setup.thinnestMm ?? Infinity) > EITHER_WAY_UP_TO_MM)
    return null;
  const { voltageV, wireSpeedMPerMin } = correctOf({ ...input, job: { ...input.job, position: way.other } });
  if (voltageV === undefined || wireSpeedMPerMin === undefined) return null;
  const pace = Math.round(expectedTravel({ ...setup, position: way.other }, wireSpeedMPerMin) / 10) * 10;
  return `Others weld this sheet ${way.name.toLowerCase()}, at about ${voltageV.toFixed(1)} V, ${wireSpeedMPerMin.toFixed(1)} m/min and ${pace} mm/min: ${way.because}`;
}

/** Returns what the other school says of sheet that can be stitched or run; null where only one way is usual. */
function ofSheet(thinnestMm: number, baseMetal: BaseMetal, school: Preferences['sheet']): string | null {
  const { stitch, run } = STITCH_SCHOOL_MM;
  if (thinnestMm < run[baseMetal] || thinnestMm >= stitch[baseMetal]) return null;
  return thinnestMm < stitchUnder(baseMetal, school)
    ? 'Others run this sheet in one, quick and with the arc on the leading edge: one start and one stop, but more heat, and it warps.'
    : 'Others stitch this sheet, each stitch over half of the one before: it stays cooler and straighter, but every start is a place for a hole.';
}

/**
 * Returns what another school would do on this sheet, one line each with its figures and its reason.
 * @param correctOf what is proposed for another case
 */
export function otherSides(input: Case, setup: WireSetup, correctOf: (input: Case) => Settings): string[] {
  const { thinnestMm, baseMetal, joint } = setup;
  if (thinnestMm === null || joint === 'plug') return [];
  return [ofSheet(thinnestMm, baseMetal, input.preferences?.sheet), ofUpright(input, setup, correctOf)].filter(
    (line) => line !== null,
  );
}
