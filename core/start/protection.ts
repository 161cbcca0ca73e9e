import type { WireSetup } from '../arc/setup';
import type { Job } from '../case/schema';

/** What keeps hand, eye and lung whole on a job, as far as it can be reckoned; local rules come first. */
export type Protection = {
  /** Filter of the helmet: the lightest that protects, and the one to begin with where the pool is still seen. */
  shade: { least: number; comfortable: number };
  /** What is done about the coats on the plate before an arc is struck, and after. */
  coats: string[];
};

/**
 * Filters by current. Source: the steps that are generally taught for arcs under gas (10 below some 160 A, 11 to 250 A, 12 and
 * more above; one step darker is begun with). Light metals and spray throw more: a step up.
 */
const SHADES: readonly { upToA: number; least: number }[] = [
  { upToA: 60, least: 9 },
  { upToA: 160, least: 10 },
  { upToA: 250, least: 11 },
  { upToA: 400, least: 12 },
  { upToA: Infinity, least: 13 },
];
/** Darker filters are not made for hand work. */
const DARKEST = 14;

/**
 * Filter for an arc.
 * @param currentA expected, A
 * @param bright whether the arc sprays, or the metal throws its light back
 */
export function shadeFor(currentA: number, bright: boolean): Protection['shade'] {
  const { least } = SHADES.find(({ upToA }) => currentA <= upToA)!;
  const wanted = Math.min(DARKEST, least + (bright ? 1 : 0));
  return { least: wanted, comfortable: Math.min(DARKEST, wanted + 1) };
}

const COATS: { [surface in NonNullable<Job['surface']>[number]]?: readonly string[] } = {
  zinc: [
    'Zinc off both faces, 25 mm back from the joint at least; in a lap or a tube it lies inside as well, and comes as fume even so.',
    'Extraction at the arc and a respirator for metal fume; head out of the plume. Shivers in the evening are zinc fever: a doctor.',
    'Afterwards brush bright and give the bare strip zinc-rich paint, two coats, inside the tube as well as it can be reached.',
  ],
  paint: [
    'Paint and sealer off both faces, 50 mm back: what lies behind a sheet is drawn into the bead and burns on.',
    'Afterwards prime the bare strip, behind it too: rust begins where the coat was burned.',
  ],
  oil: [
    'Oil off with a cleaner that has no chlorine in it, wiped dry and aired; oil that has soaked in is burned off first.',
  ],
  rust: ['Rust off to bright metal, 25 mm back on both faces.'],
  'mill-scale': ['Heavy scale off where the bead goes; thin scale is welded over by an arc that is hot enough.'],
  damp: ['Drive the damp off: warm to the hand until no mist shows, not one spot but all round.'],
};

/** Returns what is worn and done against light and fume on a job. @param currentA expected, A @param sprays whether the arc sprays */
export function protectionFor(
  { baseMetal }: Pick<WireSetup, 'baseMetal'>,
  { surface = [] }: Pick<Job, 'surface'>,
  currentA: number,
  sprays: boolean,
): Protection {
  const bright = sprays || baseMetal === 'aluminium';
  return { shade: shadeFor(currentA, bright), coats: surface.flatMap((one) => COATS[one] ?? []) };
}
