import { PASSES } from '../arc/coefficients';
import fc from 'fast-check';
import { startAnswer } from '../answer';
import { CASE_FORMAT, type Job } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { DEFECTS, type Defect } from '../inspection/defects';
import type { Measured } from '../inspection/measures';
import { grooveOf } from './groove';
import { repairPlan, type RepairPlan, type StepKind } from './plan';

const JOB: Job = { baseMetal: 'mild-steel', thicknessMm: 6, joint: 'fillet', position: 'horizontal', lengthMm: 200 };
const plan = (defect: Defect, measured: Measured = {}, job: Job = {}): RepairPlan =>
  repairPlan(defect, { job: { ...JOB, ...job }, measured });
const text = ({ steps }: RepairPlan, kind?: StepKind): string =>
  steps.flatMap((one) => (kind === undefined || one.kind === kind ? [one.text] : [])).join(' ');
const kinds = ({ steps }: RepairPlan): StepKind[] => steps.map(({ kind }) => kind);

describe('a groove', () => {
  it('is as wide as its sides and its round bottom make it', () => {
    const { widthMm, passes, passLegMm } = grooveOf(3, 50, 'flat');
    // 4 mm of bottom and 3 mm deep at 30 degrees a side: 4 + 2 * 3 * tan 30.
    expect(widthMm).toBeCloseTo(7.46, 2);
    expect(passes).toBe(1);
    // 9 tan 30 + 4 * 3 = 17.2 mm2, a fillet of 5.86 mm.
    expect(passLegMm).toBeCloseTo(5.864, 3);
  });

  it('is filled by passes that the position holds up, and that fill it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.constantFrom('flat', 'overhead', 'vertical-down'),
        (depthMm, position) => {
          const { passes, passLegMm, widthMm } = grooveOf(depthMm, 50, position);
          const area = ((4 + widthMm) / 2) * depthMm;
          expect((passes * passLegMm ** 2) / 2).toBeCloseTo(area, 6);
          expect(passLegMm).toBeLessThanOrEqual(PASSES.largestLegMm[position] + 1e-9);
          if (passes > 1) expect(((passes - 1) * PASSES.largestLegMm[position] ** 2) / 2).toBeLessThan(area);
        },
      ),
    );
  });
});

describe('a repair', () => {
  it('of every defect says how it is known to be out, or laid right, and ends with a look to the same limits', () => {
    for (const defect of DEFECTS) {
      const { steps, stop } = plan(defect);
      if (defect === 'misaligned') {
        expect([steps, stop]).toEqual([[], expect.stringMatching(/cut the weld out/)]);
        continue;
      }
      expect(stop).toBeNull();
      expect(steps.length).toBeGreaterThan(2);
      expect(steps.at(-1)!.kind).toBe('look');
      // Nothing is welded before it was taken out or made ready, and all metal cools.
      const order = kinds(plan(defect));
      if (order.includes('weld')) {
        expect(order.indexOf('weld')).toBeGreaterThan(0);
        expect(order.indexOf('cool')).toBeGreaterThan(order.indexOf('weld'));
        expect(plan(defect).weld).not.toBeNull();
      } else expect(plan(defect).weld).toBeNull();
    }
  });

  it('takes a crack out past both ends, through sheet, and from thick plate as deep as it goes', () => {
    const thin = plan('crack', { crackMm: 30 }, { thicknessMm: 4 });
    // 10 mm past each end at least.
    expect(thin.groove).toMatchObject({ lengthMm: 50, depthMm: 4 });
    expect(thin.weld).toMatchObject({ joint: 'butt', gapMm: 2, lengthMm: 50, thicknessMm: 4 });
    expect(text(thin)).toMatch(/a bar behind it: copper/);
    const thick = plan('crack', { crackMm: 30 }, { thicknessMm: 20 });
    expect(thick.groove).toMatchObject({ lengthMm: 70, depthMm: 12 });
    expect(thick.weld!.gapMm).toBeUndefined();
    expect(text(thick)).toMatch(/20 mm past each end.*Dye penetrant/);
    expect(text(thick, 'take-out')).toMatch(/why it cracked/);
  });

  it('of thick or hard steel looks again the next day, and warms what wants it', () => {
    expect(text(plan('crack', {}, { thicknessMm: 12 }), 'look')).toMatch(/next day/);
    expect(text(plan('crack', {}, { carbonEquivalent: 0.5 }), 'look')).toMatch(/next day/);
    expect(text(plan('crack'), 'look')).not.toMatch(/next day/);
    expect(text(plan('pores', {}, { thicknessMm: 12 }), 'look')).not.toMatch(/next day/);
    expect(text(plan('crack', {}, { thicknessMm: 25 }), 'prepare')).toMatch(/Warm the joint to 20 °C/);
    // The thicker part draws the heat.
    expect(text(plan('crack', {}, { otherThicknessMm: 40 }), 'prepare')).toMatch(/Warm the joint to 65 °C/);
    expect(text(plan('crack'), 'prepare')).not.toMatch(/Warm/);
    expect(text(plan('crack', {}, { carbonEquivalent: 0.7 }), 'prepare')).toMatch(/only by a procedure/);
    const order = kinds(plan('crack', {}, { thicknessMm: 25 }));
    expect(order.lastIndexOf('prepare')).toBeLessThan(order.indexOf('weld'));
  });

  it('grinds a shallow undercut out, and lays a stringer in a deep one', () => {
    const shallow = plan('undercut', { undercutMm: 0.5 });
    expect([shallow.weld, kinds(shallow)]).toEqual([null, ['take-out', 'prove', 'look']]);
    expect(plan('undercut', { undercutMm: 0.6 }).weld).toMatchObject({ joint: 'bead-on-plate', lengthMm: 200 });
    // 7 % of 10 mm.
    expect(plan('undercut', { undercutMm: 0.6 }, { thicknessMm: 10 }).weld).toBeNull();
  });

  it('adds to a fillet what it lacks, counted in metal', () => {
    // 6 mm is wanted: (36 - 16) / 2 = 10 mm2, as a leg of 4.5 mm.
    const small = plan('throat-short', { legUprightMm: 4, legFlatMm: 4 });
    expect(text(small, 'weld')).toMatch(/^One pass over it, as a 4 mm leg, to a leg of 6 mm/);
    const overhead = plan('throat-short', { legUprightMm: 3, legFlatMm: 3 }, { thicknessMm: 20, position: 'overhead' });
    // 14 mm wanted: (196 - 9) / 2 = 93.5 mm2, of 12.5 mm2 at most.
    expect(text(overhead, 'weld')).toMatch(/^8 passes over it, each as a 5 mm leg/);
    expect(text(plan('legs-unequal', { legUprightMm: 4, legFlatMm: 8 }), 'weld')).toMatch(/upright plate/);
    expect(text(plan('legs-unequal', { legUprightMm: 8, legFlatMm: 4 }), 'weld')).toMatch(/lying plate/);
  });

  it('closes a hole in sheet over a bar of a metal that does not fuse to it', () => {
    const sheet = { thicknessMm: 1, joint: 'butt' as const };
    const steel = plan('burned-through', { burnThroughs: 2 }, sheet);
    expect(text(steel)).toMatch(/copper tight behind.*wider than 4 mm/);
    expect(steel.weld).toMatchObject({ gapMm: 3, lengthMm: 40 });
    expect(text(plan('burned-through', {}, { ...sheet, baseMetal: 'aluminium' }))).toMatch(/bar of the same metal/);
  });

  it('restores the zinc, keeps discs apart, and lets no water near what carries load', () => {
    for (const coat of [{ surface: ['zinc'] }, { stripped: ['zinc'] }] as Job[])
      expect(kinds(plan('pores', {}, coat)).at(-1)).toBe('restore');
    expect(kinds(plan('pores'))).not.toContain('restore');
    expect(text(plan('pores', {}, { baseMetal: 'stainless' }))).toMatch(/stainless only.*Under 150 °C/);
    expect(text(plan('pores', {}, { baseMetal: 'aluminium' }))).toMatch(/burr or coarse disc for aluminium/i);
    expect(text(plan('pores'), 'cool')).toMatch(/Never water/);
  });

  it('of code work is left to whoever is qualified, whatever it is', () => {
    for (const defect of ['crack', 'undercut', 'too-full'] as const)
      expect(plan(defect, {}, { concerns: ['code-work'] }).stop).toMatch(/qualified/);
  });

  it('names a job that starting settings are made for', () => {
    for (const defect of DEFECTS)
      for (const thicknessMm of [1, 6, 25]) {
        const { weld } = plan(defect, { crackMm: 20, burnThroughs: 1 }, { thicknessMm });
        if (weld === null) continue;
        const { settings } = startAnswer({ format: CASE_FORMAT, job: weld, rig: EXAMPLE_CASE.rig });
        expect(settings.voltageV).toBeGreaterThan(12);
        expect(settings.wireSpeedMPerMin).toBeGreaterThan(1);
      }
  });
});
