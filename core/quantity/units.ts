/**
 * Units at the edges. Inside, everything is mm, m/min, V, A, L/min, mm/min and kJ/mm;
 * these functions convert what a person reads or types.
 *
 * Source: the inch is 25.4 mm exactly; 1 cubic foot is 28.3168 L, so 1 cfh = 0.471947 L/min; the pound is 0.45359237 kg
 * exactly; 1 bar is 14.5038 pounds per square inch.
 */
export const MM_PER_INCH = 25.4;
const LITRES_PER_CUBIC_FOOT = 28.316846592;
const LITRES_PER_MINUTE_PER_CFH = LITRES_PER_CUBIC_FOOT / 60;
const KG_PER_POUND = 0.45359237;
const PSI_PER_BAR = 14.503774;

/** The two families of units a welder may choose. */
export type UnitSystem = 'metric' | 'inch';

/** What a figure measures; decides its unit, its step and how many digits make sense. */
export type Quantity =
  | 'voltage'
  | 'wireSpeed'
  | 'length'
  | 'gasFlow'
  | 'percent'
  | 'travelSpeed'
  | 'angle'
  | 'current'
  | 'mass'
  | 'gasVolume'
  | 'pressure';

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
  mass: {
    metric: { unit: 'kg', factor: 1, digits: 2 },
    inch: { unit: 'lb', factor: 1 / KG_PER_POUND, digits: 1 },
  },
  gasVolume: {
    metric: { unit: 'L', factor: 1, digits: 0 },
    inch: { unit: 'cu ft', factor: 1 / LITRES_PER_CUBIC_FOOT, digits: 1 },
  },
  pressure: {
    metric: { unit: 'bar', factor: 1, digits: 0 },
    inch: { unit: 'psi', factor: PSI_PER_BAR, digits: 0 },
  },
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
