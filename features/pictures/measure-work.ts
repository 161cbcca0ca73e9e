import type { KnownLength, Measuring, Point } from '@/core/picture/measure';
import { apart } from '@/core/picture/measure';
import type { SizeId } from '@/core/picture/sizes';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { fromUser, readable, type UnitSystem } from '@/core/quantity/units';
import type { MeasureDraft, MeasureTarget, Pair } from '@/client/stored/work-drafts';
import { typedFigure } from '../shared/record-form';
import { clamp } from '@/core/quantity/clamp';

/** What the measuring of a picture goes through: two taps a length, one of them held and moved finely until it sits. */

const NOTHING: Pair = { from: null, to: null };

/** Returns what was kept of a picture, ready to go on with; an empty one where it was never measured. */
export function draftOf(
  { measuring: kept, note }: Pick<ShownPicture, 'measuring' | 'note'>,
  units: UnitSystem,
): MeasureDraft {
  const known = (one: KnownLength | null) =>
    one === null
      ? { ...NOTHING, text: '' }
      : { from: one.from, to: one.to, text: readable(one.lengthMm, 'length', units) };
  return {
    scale: known(kept?.scale ?? null),
    check: known(kept?.check ?? null),
    sizes: (kept?.sizes ?? []).map(({ id, from, to }) => ({ id, from, to })),
    target: 'scale',
    held: null,
    fineness: kept?.fineness ?? null,
    units,
    note,
  };
}

const isKnown = (target: MeasureTarget): target is 'scale' | 'check' => target === 'scale' || target === 'check';

/** The pair that is held or being tapped. */
export function pairAt({ scale, check, sizes }: MeasureDraft, at: 'scale' | 'check' | number): Pair | undefined {
  if (at === 'scale') return scale;
  return at === 'check' ? check : sizes[at];
}

function withPair(draft: MeasureDraft, at: 'scale' | 'check' | number, pair: Partial<Pair>): MeasureDraft {
  if (at === 'scale') return { ...draft, scale: { ...draft.scale, ...pair } };
  if (at === 'check') return { ...draft, check: { ...draft.check, ...pair } };
  return { ...draft, sizes: draft.sizes.map((size, i) => (i === at ? { ...size, ...pair } : size)) };
}

const isWhole = ({ from, to }: Pair): boolean => from !== null && to !== null;

/** The ends of pairs that belong to what is measured now. */
function endsOf(draft: MeasureDraft): { at: 'scale' | 'check' | number; end: 'from' | 'to'; point: Point }[] {
  const { target, sizes } = draft;
  const pairs: ('scale' | 'check' | number)[] = isKnown(target)
    ? [target]
    : sizes.flatMap(({ id }, i) => (id === target ? [i] : []));
  return pairs.flatMap((at) =>
    (['from', 'to'] as const).flatMap((end) => {
      const point = pairAt(draft, at)![end];
      return point === null ? [] : [{ at, end, point }];
    }),
  );
}

/** A picture's measures end somewhere: so many places are plenty. */
const MOST_SIZES = 60;

/**
 * A tap: it ends what was begun; else it takes hold of an end that lies under it, or begins another place. A size may be measured in several places; of a
 * known length the nearer end moves.
 * @param reach how near an end has to lie to be meant, in parts of the picture's width
 */
export function tapAt(draft: MeasureDraft, point: Point, reach: number): MeasureDraft {
  const { target, sizes } = draft;
  const open = isKnown(target) ? target : sizes.findIndex(({ id, to }) => id === target && to === null);
  const pair = open === -1 ? undefined : pairAt(draft, open);
  // A hole is narrower than a finger: what is begun is ended, however near.
  if (pair !== undefined && pair.from !== null && pair.to === null)
    return { ...withPair(draft, open, { to: point }), held: { at: open, end: 'to' } };
  const [nearest] = endsOf(draft).sort((a, b) => apart(a.point, point) - apart(b.point, point));
  if (nearest !== undefined && apart(nearest.point, point) <= reach)
    return { ...draft, held: { at: nearest.at, end: nearest.end } };
  if (pair !== undefined && !isWhole(pair))
    return { ...withPair(draft, open, { from: point }), held: { at: open, end: 'from' } };
  if (isKnown(target))
    return { ...withPair(draft, target, { [nearest.end]: point }), held: { at: target, end: nearest.end } };
  if (sizes.length >= MOST_SIZES) return draft;
  return {
    ...draft,
    sizes: [...sizes, { id: target, from: point, to: null }],
    held: { at: sizes.length, end: 'from' },
  };
}

/** Keeps a place inside the picture. @param height of the picture, in parts of its width */
const inside = ([x, y]: Point, height: number): Point => [clamp(x, 0, 1), clamp(y, 0, height)];

/** The place that is held; null where none is. */
export function heldPoint(draft: MeasureDraft): Point | null {
  const { held } = draft;
  return held === null ? null : (pairAt(draft, held.at)?.[held.end] ?? null);
}

/** Puts what is held elsewhere. */
export function moveHeld(draft: MeasureDraft, to: Point, height: number): MeasureDraft {
  const { held } = draft;
  return held === null ? draft : withPair(draft, held.at, { [held.end]: inside(to, height) });
}

/** Takes a measured place away again. */
export const removeSize = (draft: MeasureDraft, index: number): MeasureDraft => ({
  ...draft,
  held: null,
  sizes: draft.sizes.filter((_, i) => i !== index),
});

/** Returns what is to be measured next; what was begun and not ended is dropped. */
export const aimAt = (draft: MeasureDraft, target: MeasureTarget): MeasureDraft => ({
  ...draft,
  target,
  held: null,
  sizes: draft.sizes.filter(isWhole),
});

/** What a known length takes. */
const [SHORTEST, LONGEST] = [0.2, 2000];

/** A length as it was typed, mm; null where nothing was, undefined where it cannot be taken. */
export function typedLength(text: string, units: UnitSystem): number | null | undefined {
  if (text.trim() === '') return null;
  const figure = typedFigure(text);
  if (figure === undefined) return undefined;
  const mm = fromUser(figure, 'length', units);
  return mm >= SHORTEST && mm <= LONGEST ? Number(mm.toFixed(4)) : undefined;
}

function knownOf({ from, to, text }: MeasureDraft['scale'], units: UnitSystem): KnownLength | null {
  const lengthMm = typedLength(text, units) ?? null;
  return from === null || to === null || lengthMm === null ? null : { from, to, lengthMm };
}

const rounded = ([x, y]: Point): Point => [Number(x.toFixed(5)), Number(y.toFixed(5))];

/** Returns what can be kept of a draft: whole pairs, and lengths that were typed. */
export function measuringOf(draft: MeasureDraft): Measuring {
  const { scale, check, sizes, units, fineness } = draft;
  const clean = <Of extends { from: Point; to: Point }>(of: Of): Of => ({
    ...of,
    from: rounded(of.from),
    to: rounded(of.to),
  });
  const [known, second] = [knownOf(scale, units), knownOf(check, units)];
  return {
    scale: known === null ? null : clean(known),
    check: second === null ? null : clean(second),
    sizes: sizes.flatMap(({ id, from, to }) =>
      from === null || to === null ? [] : [clean({ id: id as SizeId, from, to })],
    ),
    fineness: fineness ?? 0.001,
  };
}
