import { rulerOf, type Point } from '@/core/picture/measure';
import type { MeasureDraft } from '@/client/stored/work-drafts';
import { aimAt, draftOf, heldPoint, measuringOf, moveHeld, removeSize, tapAt, typedLength } from './measure-work';

const REACH = 0.05;
const empty = (units: 'metric' | 'inch' = 'metric'): MeasureDraft => draftOf({ measuring: null, note: '' }, units);
const tapped = (draft: MeasureDraft, ...points: Point[]): MeasureDraft =>
  points.reduce((now, point) => tapAt(now, point, REACH), draft);
const scaled = (): MeasureDraft => {
  const draft = tapped(empty(), [0.1, 0.5], [0.6, 0.5]);
  return { ...draft, scale: { ...draft.scale, text: '50' }, fineness: 0.001 };
};

describe('measuring by taps', () => {
  it('takes two for the known length, then two for each place of a size', () => {
    const draft = tapped(aimAt(scaled(), 'widthMm'), [0.3, 0.2], [0.3, 0.28], [0.5, 0.2], [0.5, 0.29]);
    expect(measuringOf(draft)).toEqual({
      ...{ scale: { from: [0.1, 0.5], to: [0.6, 0.5], lengthMm: 50 }, check: null, fineness: 0.001 },
      sizes: [
        { id: 'widthMm', from: [0.3, 0.2], to: [0.3, 0.28] },
        { id: 'widthMm', from: [0.5, 0.2], to: [0.5, 0.29] },
      ],
    });
  });

  it('near an end takes hold of it and puts no other; what is held moves, and stays in the picture', () => {
    const draft = tapped(aimAt(scaled(), 'widthMm'), [0.3, 0.2], [0.3, 0.28], [0.31, 0.21]);
    expect(draft.sizes).toHaveLength(1);
    expect([draft.held, heldPoint(draft)]).toEqual([{ at: 0, end: 'from' }, [0.3, 0.2]]);
    const moved = moveHeld(draft, [0.32, 0.19], 0.7);
    expect([moved.sizes[0].from, moved.sizes[0].to]).toEqual([
      [0.32, 0.19],
      [0.3, 0.28],
    ]);
    expect(heldPoint(moveHeld(draft, [1.4, 0.9], 0.7))).toEqual([1, 0.7]);
    expect(heldPoint(moveHeld(draft, [-3, -1], 0.7))).toEqual([0, 0]);
  });

  it('ends what was begun however near: a hole is narrower than a finger', () => {
    const draft = tapped(aimAt(scaled(), 'poreLargestMm'), [0.3, 0.2], [0.31, 0.2]);
    expect(draft.sizes).toEqual([{ id: 'poreLargestMm', from: [0.3, 0.2], to: [0.31, 0.2] }]);
    // Then the nearer of its ends is taken hold of.
    expect(tapped(draft, [0.315, 0.2]).held).toEqual({ at: 0, end: 'to' });
    expect(tapped(draft, [0.29, 0.2]).held).toEqual({ at: 0, end: 'from' });
  });

  it('of a known length moves the nearer end once both are there', () => {
    const draft = tapped(scaled(), [0.2, 0.5]);
    expect([draft.scale.from, draft.scale.to]).toEqual([
      [0.2, 0.5],
      [0.6, 0.5],
    ]);
  });

  it('does not take hold of what is not being measured', () => {
    // The ends of the rule lie under a finger that measures a width there.
    const draft = tapped(aimAt(scaled(), 'widthMm'), [0.1, 0.5], [0.6, 0.5]);
    expect(draft.sizes).toEqual([{ id: 'widthMm', from: [0.1, 0.5], to: [0.6, 0.5] }]);
    expect(draft.scale.from).toEqual([0.1, 0.5]);
  });

  it('leaves nothing half behind', () => {
    const half = tapped(aimAt(scaled(), 'widthMm'), [0.3, 0.2]);
    expect(measuringOf(half).sizes).toEqual([]);
    expect(aimAt(half, 'poreLargestMm').sizes).toEqual([]);
    const two = tapped(aimAt(scaled(), 'widthMm'), [0.3, 0.2], [0.3, 0.28], [0.5, 0.2], [0.5, 0.29]);
    expect(removeSize(two, 0).sizes).toEqual([two.sizes[1]]);
    expect(heldPoint(removeSize(two, 1))).toBeNull();
  });

  it('goes on with what was kept, in the units it is typed in', () => {
    const measuring = measuringOf(tapped(aimAt(scaled(), 'widthMm'), [0.3, 0.2], [0.3, 0.28]));
    expect(measuringOf(draftOf({ measuring, note: '' }, 'metric'))).toEqual(measuring);
    const inch = draftOf({ measuring, note: '' }, 'inch');
    expect(inch.scale.text).toBe('1.969');
    expect(rulerOf(measuringOf(inch))!.mmPerWidth).toBeCloseTo(100, 0);
    expect(measuringOf(empty())).toEqual({ scale: null, check: null, sizes: [], fineness: 0.001 });
  });

  it('takes a length that is one, and says nothing of an empty field', () => {
    expect([typedLength('50', 'metric'), typedLength('7,5', 'metric'), typedLength('2', 'inch')]).toEqual([
      50, 7.5, 50.8,
    ]);
    expect([typedLength('', 'metric'), typedLength(' ', 'inch')]).toEqual([null, null]);
    for (const text of ['0', '0.1', '-5', 'a', '2001', '1e9']) expect(typedLength(text, 'metric')).toBeUndefined();
  });
});
