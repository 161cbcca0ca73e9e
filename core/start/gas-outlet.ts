import type { GasMix } from '../case/gas-mix';

/** Cylinder valves by what they are cut for: argon and its mixes share one, CO2 has its own in most places. */
export type Outlet = 'argon' | 'co2' | 'oxidising';

/** From so much oxygen on a mix counts as oxidising and takes another valve. Source: EN ISO 10156, 23.5 %. */
const OXIDISING_PCT = 23.5;
/** From here a cylinder is filled as CO2, which lies liquid in it; mixes with less are gas throughout. */
const LIQUID_CO2_PCT = 90;

/** The valve that a cylinder of a gas usually has. */
export function outletFor({ co2Pct, oxygenPct }: GasMix): Outlet {
  if (oxygenPct >= OXIDISING_PCT) return 'oxidising';
  return co2Pct >= LIQUID_CO2_PCT ? 'co2' : 'argon';
}

/**
 * Threads of the outlets by where the cylinder was filled, as the standards have them: CGA V-1 (North America), DIN 477-1
 * (much of Europe), BS 341-3 (Britain), AS 2473 (Australia). Which of them a cylinder has is stamped on its valve.
 */
const THREADS: Record<Exclude<Outlet, 'oxidising'>, readonly [where: string, thread: string][]> = {
  argon: [
    ['North America', 'CGA 580'],
    ['much of Europe', 'DIN 477 no. 6, W21.8'],
    ['Britain', 'BS 341 no. 3'],
    ['Australia', 'AS 2473 type 10'],
  ],
  co2: [
    ['North America', 'CGA 320'],
    ['much of Europe', 'DIN 477 no. 6, W21.8'],
    ['Britain', 'BS 341 no. 8'],
    ['Australia', 'AS 2473 type 30'],
  ],
};

/** What the outlet of a cylinder asks of its regulator: its threads by place, and what is done about another. */
export type OutletAdvice = { outlet: Outlet; threads: readonly string[]; plain: readonly string[] };

const PLAIN: Record<Outlet, readonly string[]> = {
  argon: [
    'Argon and its mixes share one thread. A regulator that was on CO2 may have another: it takes the adapter sold for it, or its own regulator.',
    'Cone against cone seals without a washer: wipe both, no tape, no oil.',
  ],
  co2: [
    'CO2 has another thread than argon mixes in most places. A regulator made for argon takes an adapter with its flat seal, a new one each time it is fitted.',
    'Above some 15 L/min a CO2 regulator ices up: use one with a heater, or shorter runs. Its flow falls as it freezes.',
  ],
  oxidising: ['A mix with so much oxygen is for no wire here. Read the label again before anything is fitted to it.'],
};

/**
 * Thread and seal for a cylinder, by its gas.
 * @returns threads as `place: thread`, none for a gas that no wire here takes, and what to know in plain words
 */
export function outletAdvice(gas: GasMix): OutletAdvice {
  const outlet = outletFor(gas);
  const threads = outlet === 'oxidising' ? [] : THREADS[outlet].map(([where, thread]) => `${where}: ${thread}`);
  return { outlet, threads, plain: PLAIN[outlet] };
}
