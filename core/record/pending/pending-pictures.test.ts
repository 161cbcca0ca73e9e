import type { Change } from '../change/change';
import { validateChange } from '../change/change';
import type { Picture } from '../shapes/picture-schema';
import { picturesWith } from './pending-pictures';

const id = (n: number): string => `0190a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const kept = (n: number, over: Partial<Picture> = {}): Picture => ({
  ...{ id: id(n), beadId: id(900), weldId: null, view: 'face', takenAt: `2026-05-04T09:0${n}:00.000Z`, note: '' },
  ...{ file: { hash: 'a'.repeat(64), width: 10, height: 10, bytes: 9 }, measuring: null, takenBack: false },
  ...{ couponId: id(800), revision: 3 },
  ...over,
});
const waits = (kind: 'add-picture' | 'change-picture', of: string, fields: object): Change => ({
  ...{ id: id(700), kind, of, device: id(1), madeAt: '2026-05-04T09:00:00.000Z', against: 0 },
  fields: fields as never,
});
const added = (n: number, beadId: string | null = id(900), weldId: string | null = null): Change =>
  waits('add-picture', id(n), { beadId, weldId, view: 'back', takenAt: `2026-05-04T09:0${n}:00.000Z`, note: 'new' });
const own = ({ beadId }: { beadId: string | null }): boolean => beadId === id(900);

describe('pictures with what waits', () => {
  it('stand in the order they were taken, those that wait without a file of the server', () => {
    const shown = picturesWith([kept(3), kept(1)], [added(2)], own, id(800));
    expect(shown.map((picture) => [picture.id, picture.file === null])).toEqual([
      [id(1), false],
      [id(2), true],
      [id(3), false],
    ]);
    expect(shown[1]).toMatchObject({ view: 'back', note: 'new', couponId: id(800) });
  });

  it('are not those of other beads, and none stands twice', () => {
    expect(picturesWith([], [added(2, id(901)), added(3, null, id(5))], own, id(800))).toEqual([]);
    // Sent and kept already, but its change waits still.
    expect(picturesWith([kept(2)], [added(2)], own, id(800))).toEqual([kept(2)]);
  });

  it('are measured and taken back before the server hears of it', () => {
    const measuring = { scale: null, check: null, sizes: [], fineness: 0.001 };
    const changed = picturesWith([kept(1)], [waits('change-picture', id(1), { measuring })], own, id(800));
    expect(changed[0].measuring).toEqual(measuring);
    expect(picturesWith([kept(1)], [waits('change-picture', id(1), { takenBack: true })], own, id(800))).toEqual([]);
    expect(picturesWith([], [added(2), waits('change-picture', id(2), { note: 'seen' })], own, id(800))[0].note).toBe(
      'seen',
    );
  });
});

describe('a change that attaches a picture', () => {
  const problems = (fields: object) => validateChange(waits('add-picture', id(2), fields)).problems;
  const of = { view: 'face', takenAt: '2026-05-04T09:00:00.000Z', note: '' };

  it('names one thing, and what was tapped lies in the picture', () => {
    expect(problems({ ...of, beadId: id(900), weldId: null })).toBeNull();
    expect(problems({ ...of, beadId: null, weldId: id(5) })).toBeNull();
    expect(problems({ ...of, beadId: id(900), weldId: id(5) })![0].takes).toContain('one of them');
    expect(problems({ ...of, beadId: null, weldId: null })![0].field).toBe('beadId');
    expect(problems({ ...of, beadId: id(900), weldId: null, view: 'side' })![0].field).toBe('view');
    const measured = (from: unknown) =>
      validateChange(
        waits('change-picture', id(2), {
          measuring: { scale: null, check: null, fineness: 0.001, sizes: [{ id: 'widthMm', from, to: [0.1, 0.1] }] },
        }),
      ).problems;
    expect(measured([0.2, 0.2])).toBeNull();
    expect(measured([0.2])![0].field).toBe('fields.measuring.sizes.0.from'.replace('fields.', ''));
    expect(measured([-0.1, 0.2])).not.toBeNull();
    expect(measured([0.1, 21])).not.toBeNull();
  });
});
