import { readable, unitOf, type Quantity, type UnitSystem } from './units';

/** Units as texts write them, and what each measures. */
const UNITS: Record<string, Quantity> = {
  'L/min': 'gasFlow',
  L: 'gasVolume',
  kg: 'mass',
  'mm/min': 'travelSpeed',
  'm/min': 'wireSpeed',
  mm: 'length',
};
const FEET_PER_METRE = 1 / 0.3048;

const FIGURE = '\\d+(?:\\.\\d+)?';
const PATTERN = new RegExp(`(${FIGURE})(?:( to | or )(${FIGURE}))? (L/min|mm/min|m/min|mm|m|kg(?!/)|L(?!/))\\b`, 'g');

/** Lengths in running text are said to the nearest sixteenth or so, not to a thousandth. */
function inInches(value: number): string {
  const digits = value < 3 ? 2 : value < 300 ? 1 : 0;
  return String(Number((value / 25.4).toFixed(digits)));
}

function figureIn(text: string, unit: string, units: UnitSystem): string {
  const value = Number(text);
  if (unit === 'm') return String(Math.round(value * FEET_PER_METRE));
  return unit === 'mm' ? inInches(value) : readable(value, UNITS[unit], units);
}

/**
 * A text of the product in the user's units: texts are written in metric, as "10 to 12 L/min" or "25 mm", and their
 * figures are converted as they stand.
 * @param text as the knowledge holds it
 */
export function textIn(text: string, units: UnitSystem): string {
  if (units === 'metric') return text;
  return text.replace(
    PATTERN,
    (_, low: string, between: string | undefined, high: string | undefined, unit: string) => {
      const end = high === undefined ? '' : `${between}${figureIn(high, unit, units)}`;
      const name = unit === 'm' ? 'ft' : unitOf(UNITS[unit], units);
      return `${figureIn(low, unit, units)}${end} ${name}`;
    },
  );
}
