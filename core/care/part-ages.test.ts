import fc from 'fast-check';
import { partAges } from './part-ages';

const ran = (fittedAt: string | null, arcMinutes: number, shows = false, counts = true) => ({
  ...{ fittedAt, arcMinutes, shows, counts },
});

describe('beads by the age of a part', () => {
  it('begins again with each part, and what was run before anyone said so is left out', () => {
    const beads = [
      ...Array.from({ length: 30 }, () => ran(null, 5, true)),
      ...Array.from({ length: 20 }, (_, i) => ran('a', 1, i >= 15)),
      ...Array.from({ length: 20 }, () => ran('b', 1)),
    ];
    const bins = partAges(beads);
    expect(bins.reduce((sum, { beads: n }) => sum + n, 0)).toBe(40);
    expect(bins.reduce((sum, { showing }) => sum + showing, 0)).toBe(5);
    expect(bins[0]).toMatchObject({ fromMin: 0, showing: 0 });
    // Only the beads of the first part from its sixteenth minute on show it.
    expect(bins.filter(({ toMin }) => toMin <= 15).every(({ showing }) => showing === 0)).toBe(true);
  });

  it('counts the welds between as arc, and not as beads', () => {
    const beads = [
      ...Array.from({ length: 12 }, () => ran('a', 0.3)),
      ran('a', 100, false, false),
      ...Array.from({ length: 12 }, () => ran('a', 0.3, true)),
    ];
    const bins = partAges(beads);
    expect(bins).toHaveLength(2);
    expect(bins[0]).toMatchObject({ beads: 12, showing: 0 });
    expect(bins[1].fromMin).toBeGreaterThan(50);
    expect(bins[1]).toMatchObject({ beads: 12, showing: 12 });
  });

  it('says nothing of a handful, and its bins hold every bead side by side', () => {
    expect(partAges(Array.from({ length: 11 }, () => ran('a', 1)))).toEqual([]);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0, max: 50, noNaN: true }), fc.boolean()), { minLength: 12, maxLength: 80 }),
        (list) => {
          const bins = partAges(list.map(([minutes, shows]) => ran('a', minutes, shows)));
          expect(bins.reduce((sum, { beads: n }) => sum + n, 0)).toBe(list.length);
          expect(bins.length).toBeLessThanOrEqual(6);
          for (const { fromMin, toMin, beads: n, showing } of bins) {
            expect(toMin).toBeGreaterThan(fromMin);
            expect(showing).toBeLessThanOrEqual(n);
          }
        },
      ),
    );
  });
});
