import fc from 'fast-check';
import { POSITIONS } from '../case/schema';
import { hasFigures, startAnswer } from '../answer';
import { onJob, startOn } from '../start/testing/jobs';
import { draws } from '../testing/draws';
import { PASSES } from './coefficients';
import { heatToFuse } from './pace';
import { areaToFill, passesFor } from './passes';

const JOINTS = ['fillet', 'butt', 'lap', 'bead-on-plate', 'corner', 'plug'] as const;

describe('the passes of a weld', () => {
  it('are one as long as the joint asks for no more metal than a pass lays, whatever the amps', () => {
    // A 3 mm uphill fillet was answered with two legs of 2 mm: nobody welds that, and it does not fuse.
    expect(passesFor(3, 'fillet', 'vertical-up')).toEqual({ count: 1, legMm: expect.closeTo(4.7, 6) });
    expect(passesFor(6, 'fillet', 'flat').count).toBe(1);
    expect(passesFor(5, 'butt', 'flat').count).toBe(1);
    // A fillet of 0.7 of the plate, 8.4 mm: 35 square millimetres, two passes of 17.6.
    expect(passesFor(12, 'fillet', 'horizontal')).toEqual({ count: 2, legMm: expect.closeTo(5.94, 2) });
    for (const joint of ['lap', 'corner'] as const)
      expect(passesFor(12, joint, 'horizontal')).toEqual(passesFor(12, 'fillet', 'horizontal'));
    expect(passesFor(6, 'fillet', 'overhead').count).toBe(2);
    expect(passesFor(20, 'butt', 'flat').count).toBeGreaterThan(passesFor(10, 'butt', 'flat').count);
    expect(() => passesFor(0, 'fillet', 'flat')).toThrow('thickness in mm takes 0.3 to 100');
  });

  it('fill the joint, each no larger than the position holds, and never fewer on thicker plate', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.constantFrom(...JOINTS),
        fc.constantFrom(...POSITIONS),
        (thicknessMm, more, joint, position) => {
          const { count, legMm } = passesFor(thicknessMm, joint, position);
          expect(legMm).toBeLessThanOrEqual(PASSES.largestLegMm[position] + 1e-9);
          expect((count * legMm ** 2) / 2).toBeGreaterThanOrEqual(areaToFill(thicknessMm, joint, 0) - 1e-6);
          expect(passesFor(thicknessMm + more, joint, position).count).toBeGreaterThanOrEqual(count);
        },
      ),
    );
  });
});

describe('a pass that is started', () => {
  it('of 3 mm uphill with 0.8 mm wire is one, slow enough to fuse', () => {
    const { passes, expected, technique, outOfReach } = startOn(
      onJob(
        { thicknessMm: 3, joint: 'fillet', position: 'vertical-up' },
        { wire: { class: 'solid-steel', diameterMm: 0.8 } },
      ),
    );
    expect(passes).toHaveLength(1);
    expect(expected.currentA!).toBeGreaterThan(84);
    expect(expected.currentA!).toBeLessThan(96);
    expect(technique.travelSpeedMmPerMin).toBeLessThanOrEqual(200);
    expect(technique.travelSpeedMmPerMin).toBeGreaterThanOrEqual(130);
    expect(expected.heatInputKJPerMm!).toBeGreaterThan(0.35);
    expect(outOfReach.join()).not.toMatch(/bevel|preheat/);
  });

  it('lays the leg that is said, brings the heat that fuses or says so, and no fewer amps on thicker plate', () => {
    for (const diameterMm of draws([0.8, 1.2], [0.8, 0.9, 1.0, 1.2]))
      for (const position of POSITIONS)
        for (const joint of ['fillet', 'butt'] as const) {
          let before: { currentA: number; transfer: string | null; heat: number; count: number } | null = null;
          for (const thicknessMm of [1, 1.5, 2, 3, 4, 5, 6, 6.5, 7, 8, 10, 12, 16, 20]) {
            const start = startAnswer(
              onJob({ thicknessMm, joint, position }, { wire: { class: 'solid-steel', diameterMm } }),
            );
            if (!hasFigures(start)) continue;
            const { expected, passes, outOfReach } = start;
            const said = `${diameterMm} mm ${position} ${joint} ${thicknessMm} mm`;
            expect([said, Math.abs(passes[0].legMm - expected.legMm!) <= 0.5]).toEqual([said, true]);
            const needs = heatToFuse({ baseMetal: 'mild-steel', thinnestMm: thicknessMm });
            const isHot = expected.heatInputKJPerMm! >= 0.85 * needs || outOfReach.length > 0;
            expect([said, isHot]).toEqual([said, true]);
            const now = {
              currentA: expected.currentA!,
              transfer: expected.transfer,
              heat: expected.heatInputKJPerMm!,
              count: passes.length,
            };
            if (before !== null && before.transfer === now.transfer) {
              expect([said, now.currentA >= before.currentA - 3]).toEqual([said, true]);
              expect([said, now.count >= before.count]).toEqual([said, true]);
              if (now.count === before.count && now.count === 1)
                expect([said, now.heat >= 0.93 * before.heat]).toEqual([said, true]);
            }
            before = now;
          }
        }
  });
});
