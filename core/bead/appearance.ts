/**
 * What a bead looks like, as numbers: the one set of parameters behind every drawing of a bead.
 * Lengths in mm; the rest are shares from 0 (none) to 1 (as bad as it gets) unless stated.
 */
export type BeadAppearance = {
  widthMm: number;
  crownMm: number;
  penetrationMm: number;
  plateMm: number;
  /** Edges lying on the plate without wetting it. */
  coldLap: number;
  undercut: number;
  /** Face below the plate surface. */
  sunken: number;
  /** Metal hanging out at the back. */
  backBulge: number;
  /** Wire ends sticking out of the back. */
  whiskers: number;
  /** Narrower toward the end (-1) or wider (+1). */
  taper: number;
  uneven: number;
  /** Metal leaning to one side, -1 to 1. */
  lean: number;
  ripples: 'round' | 'pointed' | 'lumps' | 'dimples';
  holes: 'none' | 'scattered' | 'crater' | 'start' | 'wormtracks' | 'one-spot' | 'through' | 'slag';
  crack: 'none' | 'centre' | 'crater' | 'toe';
  spatter: number;
  spatterSizeMm: number;
  tint: 'bright' | 'grey' | 'soot' | 'white' | 'slag' | 'blue';
  fume: number;
  gapMm: number;
  warp: number;
};

/** A bead with nothing wrong: the start of every drawing. */
export const SOUND_BEAD: BeadAppearance = {
  widthMm: 7.5,
  crownMm: 1.9,
  penetrationMm: 1.8,
  plateMm: 4,
  coldLap: 0,
  undercut: 0,
  sunken: 0,
  backBulge: 0,
  whiskers: 0,
  taper: 0,
  uneven: 0,
  lean: 0,
  ripples: 'round',
  holes: 'none',
  crack: 'none',
  spatter: 0.04,
  spatterSizeMm: 0.5,
  tint: 'bright',
  fume: 0,
  gapMm: 0,
  warp: 0,
};

/** A sound as a trace: how often it cracks, how hard, how regular, and whether it sings. */
export type SoundTrace = { perSecond: number; loudness: number; irregular: number; tone: number };

/** The gun's end: where the wire is and what the arc does. */
export type GunAppearance = {
  wire: 'steady' | 'stubbing' | 'burnt-back' | 'surging' | 'tangled' | 'fused' | 'none';
  arc: 'steady' | 'wandering' | 'aside' | 'fluttering' | 'late' | 'none';
  gas: 'flowing' | 'none';
  nozzle: 'clear' | 'clogged';
};

/** How a finding is drawn. */
export type Drawing =
  | { view: 'top' | 'section' | 'back'; bead: Partial<BeadAppearance> }
  | { view: 'sound'; sound: SoundTrace }
  | { view: 'gun'; gun: Partial<GunAppearance> };

/** Returns what differs from a sound bead, lengths and shares to a hundredth: the short form in which a bead is kept. */
export function appearanceDifference(bead: BeadAppearance): Partial<BeadAppearance> {
  const rounded = Object.entries(bead).map(([key, value]) => [
    key,
    typeof value === 'number' ? Math.round(value * 100) / 100 : value,
  ]);
  const sound: Record<string, unknown> = SOUND_BEAD;
  return Object.fromEntries(rounded.filter(([key, value]) => value !== sound[String(key)])) as Partial<BeadAppearance>;
}

/** A whole bead from its short form; what is left out is that of a sound bead. */
export function appearanceFrom(difference: Partial<BeadAppearance> | null): BeadAppearance {
  return { ...SOUND_BEAD, ...difference };
}
