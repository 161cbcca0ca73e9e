/**
 * Units at the edges. Inside, everything is mm, m/min, V, A, L/min, mm/min and kJ/mm;
 * these functions convert what a person reads or types.
 *
 * Source: the inch is 25.4 mm exactly; 1 cubic foot is 28.3168 L, so 1 cfh = 0.471947 L/min.
 */
export const MM_PER_INCH = 25.4;
export const LITRES_PER_MINUTE_PER_CFH = 28.316846592 / 60;

/** The two families of units a welder may choose. */
export type UnitSystem = 'metric' | 'inch';

/** What a figure measures; decides its unit, its step and how many digits make sense. */
export type Quantity = 'voltage' | 'wireSpeed' | 'length' | 'gasFlow' | 'percent' | 'travelSpeed' | 'angle' | 'current';

type UnitRule = { unit: string; factor: number; digits: number };

const RULES: Record<Quantity, Record<UnitSystem, UnitRule>> = {
  voltage: { metric: { unit: 'V', factor: 1, digits: 1 }, inch: { unit: 'V', factor: 1, digits: 1 } },
  wireSpeed: {
    metric: { unit: 'm/min', factor: 1, digits: 1 },
    inch: { unit: 'in/min', factor: 1000 / MM_PER_INCH, digits: 0 },
  },
  length: {
    metric: { unit: 'mm', factor: 1, digits: 1 },
    inch: { unit: 'in', factor: 1 / MM_PER_INCH, digits: 3 },
  },
  gasFlow: {
    metric: { unit: 'L/min', factor: 1, digits: 1 },
    inch: { unit: 'cfh', factor: 1 / LITRES_PER_MINUTE_PER_CFH, digits: 0 },
  },
  percent: { metric: { unit: '%', factor: 1, digits: 0 }, inch: { unit: '%', factor: 1, digits: 0 } },
  travelSpeed: {
    metric: { unit: 'mm/min', factor: 1, digits: 0 },
    inch: { unit: 'in/min', factor: 1 / MM_PER_INCH, digits: 1 },
  },
  angle: { metric: { unit: '°', factor: 1, digits: 0 }, inch: { unit: '°', factor: 1, digits: 0 } },
  current: { metric: { unit: 'A', factor: 1, digits: 0 }, inch: { unit: 'A', factor: 1, digits: 0 } },
};

/**
 * The unit label a person sees.
 * @param quantity what is measured
 * @param system the user's units
 * @returns for example "m/min" or "in/min"
 */
export function unitOf(quantity: Quantity, system: UnitSystem): string {
  return RULES[quantity][system].unit;
}

/**
 * An inside value in the user's units.
 * @param value in the inside unit of `quantity`
 * @returns the same quantity in the user's unit, not rounded
 */
export function toUser(value: number, quantity: Quantity, system: UnitSystem): number {
  return value * RULES[quantity][system].factor;
}

/**
 * A typed figure back to the inside unit; the inverse of {@link toUser}.
 * @param value in the user's unit
 * @returns in the inside unit, not rounded
 */
export function fromUser(value: number, quantity: Quantity, system: UnitSystem): number {
  return value / RULES[quantity][system].factor;
}

/**
 * A figure as a person reads it: user's units, sensible digits, no trailing zeros.
 * @param value in the inside unit
 * @returns for example "7.5", or "295" in inch units
 */
export function readable(value: number, quantity: Quantity, system: UnitSystem): string {
  const rule = RULES[quantity][system];
  return String(Number((value * rule.factor).toFixed(rule.digits)));
}

/**
 * Rounds to the nearest step, cleanly in decimal (no 18.400000000000002).
 * @param value any number
 * @param step positive step in the same unit
 * @throws RangeError when the step is not positive
 */
export function roundToStep(value: number, step: number): number {
  if (!(step > 0)) throw new RangeError('step must be above 0');
  return Number((Math.round(value / step) * step).toFixed(6));
}
