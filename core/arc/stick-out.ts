import { STICK_OUT } from './coefficients';
import { readBySize } from './read-rows';
import type { ArcSetup } from './setup';
import { globularShare, sprayShare } from './transfer';
import { wireMetal } from './wire';

/** A window of contact tip to work, mm: short of `low` the nozzle fouls, past `high` the arc goes cold and bare. */
export type StickOutWindow = { low: number; wanted: number; high: number };

type Sized = StickOutWindow & { diameterMm: number };

const bySize = (rows: readonly Sized[], diameterMm: number): StickOutWindow => ({
  low: readBySize(rows, ({ low }) => low, diameterMm),
  wanted: readBySize(rows, ({ wanted }) => wanted, diameterMm),
  high: readBySize(rows, ({ high }) => high, diameterMm),
});

const map = (of: (name: keyof StickOutWindow) => number): StickOutWindow => ({
  low: of('low'),
  wanted: of('wanted'),
  high: of('high'),
});

/**
 * The usual stick-out of a setup at a current, in the school of the welder: the window goes with the transfer, smoothly
 * from short circuit to spray.
 * @param setup the surroundings
 * @param currentA welding current in A; null takes the one that is proposed for the plate, or a short circuit
 * @returns mm, contact tip to work
 */
export function usualStickOut(setup: ArcSetup, currentA: number | null): StickOutWindow {
  const { wire, gas, tightStickOut: tight } = setup;
  const { shortCircuit, tightShortCircuit, open, aluminium, gasShielded, selfShielded, tightShare } = STICK_OUT;
  const inSchool = (window: StickOutWindow): StickOutWindow =>
    tight ? map((name) => tightShare.value * window[name]) : window;
  const short = tight ? tightShortCircuit : shortCircuit;
  if (wire === null) return short;
  if (wire.class === 'tubular-self-shielded') return inSchool(bySize(selfShielded, wire.diameterMm));
  if (wire.class === 'tubular-gas-shielded') return inSchool(gasShielded);
  if (wireMetal(wire.class) === 'aluminium') return inSchool(aluminium);
  const current = currentA ?? setup.currentAskedA;
  if (current === null) return short;
  const share = setup.pulse ? 1 : Math.max(sprayShare(current, wire, gas), globularShare(current, wire, gas));
  const long = inSchool(bySize(open, wire.diameterMm));
  return map((name) => short[name] + share * (long[name] - short[name]));
}
