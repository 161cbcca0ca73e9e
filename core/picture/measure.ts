import { sizeOf, SIZE_IDS, type SizeId } from './sizes';

/**
 * A place in a picture: across and down, both as parts of the picture's width, so that a length is the same in every direction
 * and a picture may be made smaller without moving anything in it.
 */
export type Point = readonly [x: number, y: number];

/** Two places and how far they are apart, where that is known. */
export type KnownLength = { from: Point; to: Point; lengthMm: number };

/** What was tapped in a picture. */
export type Measuring = {
  /** Something of known size; null before it was tapped. */
  scale: KnownLength | null;
  /** A second known length, best across the first: it shows whether the camera was held square. */
  check: KnownLength | null;
  sizes: readonly { id: SizeId; from: Point; to: Point }[];
  /** How finely was tapped: one point of the screen, as a part of the picture's width. */
  fineness: number;
};

/** A length with how far it may be off, mm. */
export type Length = { mm: number; plusMinusMm: number };

/** The straight line between two places, in parts of the picture's width. */
export const apart = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

/**
 * How far a tap lies beside what it means, in points of the screen. With the place magnified under the finger, hands put a
 * cross within a point or two of an edge, and an edge in a photograph is itself a point or two wide.
 */
const TAP_OFF = 1.5;

/**
 * How far a camera that is held by eye is off, as a share of a length: held 12 degrees from square it sees cos 12° = 0.98 of
 * it, and something that lies 5 mm nearer to a lens 250 mm away looks 2 % larger. The two together, as squares.
 */
const BY_EYE = Math.hypot(0.02, 0.02);
/** The same where a second length agreed: what it cannot show is left. */
const CHECKED = 0.01;

/** Two standard deviations: 19 times in 20. */
const SURE = 2;

/** From such a difference of two known lengths on the camera was not square, as a share. */
const ASLANT = 0.05;

/** A known length that is shorter than such a share of what is measured by it multiplies its own error. */
const SHORT = 1 / 3;

/** What a picture measures by. */
export type Ruler = {
  /** mm for one width of the picture. */
  mmPerWidth: number;
  /** How far that is off for the taps, as a share. */
  tapShare: number;
  /** How far that is off for how the camera was held, as a share. */
  heldShare: number;
  /** Difference of the two known lengths, as a share; null without a second. */
  differs: number | null;
  knownPart: number;
};

/**
 * The scale of a picture from one known length, or from two, which are averaged as factors.
 * @returns null where nothing of known size was tapped, or both taps fell on one place
 */
export function rulerOf({ scale, check, fineness }: Omit<Measuring, 'sizes'>): Ruler | null {
  if (scale === null) return null;
  const knownPart = apart(scale.from, scale.to);
  if (knownPart < 2 * fineness) return null;
  const one = scale.lengthMm / knownPart;
  const tapped = (part: number): number => (Math.SQRT2 * TAP_OFF * fineness) / part;
  const checkPart = check === null ? 0 : apart(check.from, check.to);
  if (check === null || checkPart < 2 * fineness)
    return { mmPerWidth: one, tapShare: tapped(knownPart), heldShare: BY_EYE, differs: null, knownPart };
  const two = check.lengthMm / checkPart;
  const differs = Math.max(one, two) / Math.min(one, two) - 1;
  return {
    mmPerWidth: Math.sqrt(one * two),
    tapShare: Math.hypot(tapped(knownPart), tapped(checkPart)) / 2,
    heldShare: Math.max(CHECKED, differs / 2),
    differs,
    knownPart: Math.max(knownPart, checkPart),
  };
}

/** A length in a picture. @param fineness as of the picture */
export function lengthOf(ruler: Ruler, from: Point, to: Point, fineness: number): Length {
  const part = apart(from, to);
  const mm = part * ruler.mmPerWidth;
  const ownTaps = Math.SQRT2 * TAP_OFF * fineness * ruler.mmPerWidth;
  return { mm, plusMinusMm: SURE * Math.hypot(ownTaps, mm * ruler.tapShare, mm * ruler.heldShare) };
}

/** What is wrong with how a picture was taken or measured; each is said to whoever measures. */
export type Doubt = 'aslant' | 'short-scale' | 'unchecked';

export function doubtsOf(measuring: Measuring): Doubt[] {
  const ruler = rulerOf(measuring);
  if (ruler === null) return [];
  const longest = Math.max(0, ...measuring.sizes.map(({ from, to }) => apart(from, to)));
  return [
    ...(ruler.differs === null ? (['unchecked'] as const) : []),
    ...(ruler.differs !== null && ruler.differs > ASLANT ? (['aslant'] as const) : []),
    ...(ruler.knownPart < SHORT * longest ? (['short-scale'] as const) : []),
  ];
}

/** One size of a bead or weld, as its pictures have it. */
export type Sized = Length & { id: SizeId; places: number };

/** Which of several lengths counts, with its own doubt; a mean keeps the largest, since all hang on one scale. */
function counted(id: SizeId, lengths: readonly Length[]): Length {
  const { counts } = sizeOf(id);
  const inOrder = [...lengths].sort((a, b) => a.mm - b.mm);
  if (counts === 'largest') return inOrder[inOrder.length - 1];
  if (counts === 'smallest') return inOrder[0];
  return {
    mm: lengths.reduce((sum, { mm }) => sum + mm, 0) / lengths.length,
    plusMinusMm: Math.max(...lengths.map(({ plusMinusMm }) => plusMinusMm)),
  };
}

/** The sizes of one thing from all its pictures: the smallest leg, the largest hole, the mean width, in a fixed order. */
export function sizesOf(pictures: readonly (Measuring | null)[]): Sized[] {
  const found = new Map<SizeId, Length[]>();
  for (const measuring of pictures) {
    const ruler = measuring === null ? null : rulerOf(measuring);
    if (measuring === null || ruler === null) continue;
    for (const { id, from, to } of measuring.sizes)
      found.set(id, [...(found.get(id) ?? []), lengthOf(ruler, from, to, measuring.fineness)]);
  }
  return SIZE_IDS.flatMap((id) => {
    const lengths = found.get(id);
    return lengths === undefined ? [] : [{ id, ...counted(id, lengths), places: lengths.length }];
  });
}
