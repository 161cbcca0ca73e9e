import fc from 'fast-check';
import type { Job } from '../case/schema';
import { DEFECTS, type Defect } from './defects';
import { filletOf, throatOfLegs, wantedLeg } from './geometry';
import { judge, type Judgement, type ToJudge } from './judge';
import type { Limits } from './level-schema';
import { LEVELS, LIMIT_WORDS } from './levels';
import { MEASURES, measuresFor, type Measured } from './measures';

const [STOPGAP, EVERYDAY, CAREFUL] = LEVELS.map(({ limits }) => limits);
const FILLET: Job = { baseMetal: 'mild-steel', thicknessMm: 6, joint: 'fillet', position: 'horizontal' };
const BUTT: Job = { ...FILLET, joint: 'butt' };
/** Nothing wrong: a 6 mm fillet on 6 mm plate, 200 mm of it. */
const SOUND: Measured = {
  ...{ crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm: 0, legUprightMm: 6, legFlatMm: 6, lengthMm: 200 },
};
const SOUND_BUTT: Measured = { crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm: 0, capMm: 1, lengthMm: 200 };
const of = (measured: Measured, more: Partial<ToJudge> = {}): Judgement =>
  judge({ job: FILLET, limits: EVERYDAY, repaired: [], measured: { ...SOUND, ...measured }, ...more });
const butt = (measured: Measured, limits: Limits = EVERYDAY): Judgement =>
  judge({ job: BUTT, limits, repaired: [], measured: { ...SOUND_BUTT, ...measured } });
const over = ({ lines }: Judgement): Defect[] => lines.filter((line) => line.over).map(({ defect }) => defect);

describe('the throat of a fillet', () => {
  it('is 0.707 of equal legs, and of unequal ones the height of the triangle between them', () => {
    expect(throatOfLegs(6, 6)).toBeCloseTo(4.243, 3);
    // Legs of 3 and 4 close a triangle with a face of 5: its height is 12/5.
    expect(throatOfLegs(3, 4)).toBeCloseTo(2.4, 9);
    expect(() => throatOfLegs(0, 4)).toThrow(/leg in mm/);
  });

  it('gains nothing by a full face, and loses what a hollow one lacks', () => {
    expect(filletOf(6, 6, 5.2, 0).throatMm).toBeCloseTo(throatOfLegs(6, 6), 9);
    expect(filletOf(6, 6, 5.2, 0).convexityMm).toBeCloseTo(0.957, 3);
    expect(filletOf(6, 6, 3.5, 0).throatMm).toBeCloseTo(3.5, 9);
    expect(filletOf(6, 6, 3.5, 0).equalLegMm).toBeCloseTo(4.95, 2);
    expect(filletOf(6, 6, null).convexityMm).toBeNull();
  });

  it('loses a gap under the upright plate from the leg on it', () => {
    expect(filletOf(6, 6, null, 2).throatMm).toBeCloseTo(throatOfLegs(4, 6), 9);
    // How full the face is has nothing to do with the gap.
    expect(filletOf(6, 6, 5, 2).convexityMm).toBeCloseTo(5 - throatOfLegs(6, 6), 9);
  });

  it('never lies over the shorter leg, and grows with either', () => {
    const leg = fc.double({ min: 1, max: 40, noNaN: true });
    fc.assert(
      fc.property(leg, leg, fc.double({ min: 0.1, max: 5, noNaN: true }), (a, b, more) => {
        expect(throatOfLegs(a, b)).toBeLessThan(Math.min(a, b));
        expect(throatOfLegs(a + more, b)).toBeGreaterThan(throatOfLegs(a, b));
        expect(throatOfLegs(a, b)).toBeCloseTo(throatOfLegs(b, a), 12);
      }),
    );
  });

  it('wants a leg as large as the plate up to 6 mm, and 0.7 of it on thick plate', () => {
    expect([2, 6, 8, 20].map(wantedLeg)).toEqual([2, 6, 6, 14]);
  });
});

describe('a weld held against a level', () => {
  it('is passed where everything needed was looked at and lies inside', () => {
    const { verdict, lines, missing, because } = of({});
    expect(verdict).toBe('accept');
    expect(missing).toEqual([]);
    expect(lines.length).toBeGreaterThan(4);
    expect(because).toMatch(/no proof of fusion/);
    expect(butt({}).verdict).toBe('accept');
  });

  it('is passed by nobody while something needed was not looked at, and says what', () => {
    for (const { id, name } of measuresFor('fillet').filter(({ needed }) => needed)) {
      const { [id]: _, ...rest } = SOUND;
      const { verdict, missing, because } = judge({ job: FILLET, limits: STOPGAP, repaired: [], measured: rest });
      expect([id, verdict]).toEqual([id, 'open']);
      expect(missing).toContain(id);
      expect(because.toLowerCase()).toContain(name.toLowerCase());
    }
    expect(of({ poreCount: 1 })).toMatchObject({ missing: ['poreLargestMm'], verdict: 'open' });
    expect(of({ poreCount: 2 }).missing).toEqual(['poreLargestMm']);
    // What is over a limit needs no more looking.
    const { verdict } = judge({ job: FILLET, limits: EVERYDAY, repaired: [], measured: { crackMm: 3 } });
    expect(verdict).toBe('repair');
  });

  it('passes no level with a crack or an edge that is not fused', () => {
    for (const limits of [STOPGAP, EVERYDAY, CAREFUL]) {
      expect(over(of({ crackMm: 0.5 }, { limits }))).toEqual(['crack']);
      expect(over(of({ unfusedMm: 2 }, { limits }))).toEqual(['unfused']);
    }
  });

  it('counts holes by the length, but one on a short weld as one', () => {
    expect(of({ poreCount: 10, poreLargestMm: 1 }).verdict).toBe('accept');
    expect(over(of({ poreCount: 11, poreLargestMm: 1 }))).toEqual(['pores']);
    expect(of({ poreCount: 1, poreLargestMm: 1, lengthMm: 10 }).verdict).toBe('accept');
    expect(over(of({ poreCount: 2, poreLargestMm: 1, lengthMm: 10 }))).toEqual(['pores']);
    expect(over(of({ poreCount: 1, poreLargestMm: 2.6 }))).toEqual(['pores']);
    expect(of({ poreCount: 4, poreLargestMm: 1 }).computed.poresPer100Mm).toBe(2);
    const none = { ...EVERYDAY, poresPer100Mm: 0 };
    expect(over(of({ poreCount: 1, poreLargestMm: 0.5 }, { limits: none }))).toEqual(['pores']);
  });

  it('takes undercut by depth and by the thinner part, whichever is less', () => {
    expect(over(of({ undercutMm: 0.7 }))).toEqual([]);
    const thin = { ...FILLET, otherThicknessMm: 4 };
    // 12 % of 4 mm is 0.48.
    expect(over(of({ undercutMm: 0.5 }, { job: thin }))).toEqual(['undercut']);
    expect(over(of({ undercutMm: 0.81 }, { job: { ...FILLET, thicknessMm: 20, otherThicknessMm: 20 } }))).toContain(
      'undercut',
    );
  });

  it('measures a fillet by its throat: short, hollow, unequal, too full', () => {
    expect(over(of({ legUprightMm: 5, legFlatMm: 5 }))).toEqual(['throat-short']);
    expect(over(of({ throatMm: 3.7 }))).toEqual(['throat-short']);
    expect(over(of({ throatMm: 3.9 }))).toEqual([]);
    expect(over(of({ legUprightMm: 6, legFlatMm: 9 }))).toEqual(['legs-unequal']);
    // 1.5 mm and 18 % of a face of 8.5 mm is 3.03.
    expect(over(of({ throatMm: throatOfLegs(6, 6) + 3 }))).toEqual([]);
    expect(over(of({ throatMm: throatOfLegs(6, 6) + 3.1 }))).toEqual(['too-full']);
    const open = of({}, { job: { ...FILLET, gapMm: 2 } });
    expect(over(open)).toEqual(['throat-short']);
    expect(of({}).computed).toMatchObject({ wantedLegMm: 6 });
    expect(of({}).computed.wantedThroatMm).toBeCloseTo(4.243, 3);
    // Without a thickness nothing is wanted, and nothing short.
    expect(over(of({ legUprightMm: 2, legFlatMm: 2 }, { job: { joint: 'fillet' } }))).toEqual([]);
  });

  it('measures a butt by cap, back and step, to either side', () => {
    expect(over(butt({ capMm: -1 }))).toEqual(['underfilled']);
    expect(over(butt({ capMm: -0.7 }))).toEqual([]);
    // 1.5 mm and 18 % of a width of 10 mm is 3.3.
    expect(over(butt({ capMm: 3.2, widthMm: 10 }))).toEqual([]);
    expect(over(butt({ capMm: 3.4, widthMm: 10 }))).toEqual(['too-full']);
    expect(over(butt({ rootMm: -1 }))).toEqual(['root-short']);
    expect(over(butt({ rootMm: 3.1 }))).toEqual(['root-excess']);
    expect(over(butt({ rootMm: 2.9 }))).toEqual([]);
    expect(over(butt({ craterMm: 1.1 }))).toEqual(['crater']);
    expect(over(butt({ overlapMm: 1.1 }))).toEqual(['overlap']);
    expect(over(butt({ burnThroughs: 1 }))).toEqual(['burned-through']);
    expect(over(butt({ burnThroughs: 1 }, STOPGAP))).toEqual([]);
    // A butt has no legs.
    expect(over(butt({ legUprightMm: 1, legFlatMm: 9 }))).toEqual([]);
  });

  it('is mended where that helps, and made anew where it does not', () => {
    expect(butt({ misalignmentMm: 1 })).toMatchObject({
      verdict: 'reject',
      because: expect.stringMatching(/cut apart/),
    });
    expect(butt({ misalignmentMm: 0.9 }).verdict).toBe('accept');
    expect(of({ crackMm: 90 }).verdict).toBe('repair');
    expect(of({ crackMm: 101 }).verdict).toBe('reject');
    expect(of({ crackMm: 60, unfusedMm: 50 }).verdict).toBe('reject');
    expect(of({ undercutMm: 2, badLengthMm: 101 }).verdict).toBe('reject');
    // A long stretch that is inside every limit is no reason.
    expect(of({ badLengthMm: 150 }).verdict).toBe('accept');
    const again = (repaired: ToJudge['repaired'], measured: Measured): string => of(measured, { repaired }).verdict;
    expect(again([['pores']], { crackMm: 3 })).toBe('repair');
    expect(again([['crack']], { crackMm: 3 })).toBe('reject');
    expect(again([['crack']], { undercutMm: 2 })).toBe('repair');
    expect(again([['pores'], ['pores']], { undercutMm: 2 })).toBe('reject');
    expect(again([['pores'], ['pores']], {})).toBe('accept');
  });

  it('leaves code work to whoever answers for it', () => {
    for (const of_ of [{ concerns: ['code-work'] }, { madeSafe: ['code-work'] }] as Job[]) {
      const job = { ...FILLET, ...of_ };
      expect(of({ undercutMm: 2 }, { job })).toMatchObject({
        verdict: 'reject',
        because: expect.stringMatching(/code/),
      });
      expect(of({}, { job }).verdict).toBe('accept');
    }
  });

  it('never gets better by being worse, nor by a sharper level', () => {
    const GRAVITY = { accept: 0, open: 1, repair: 2, reject: 3 };
    const worse = fc.constantFrom(
      'crackMm',
      'unfusedMm',
      'undercutMm',
      'overlapMm',
      'craterMm',
      'burnThroughs' as const,
    );
    fc.assert(
      fc.property(
        worse,
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.integer({ min: 0, max: 2 }),
        (id, some, more, at) => {
          const { limits } = LEVELS[at];
          const [less, most] = [some, some + more].map((value) => of({ [id]: value }, { limits }));
          expect(GRAVITY[most.verdict]).toBeGreaterThanOrEqual(GRAVITY[less.verdict]);
          if (at > 0) {
            const coarser = of({ [id]: some }, { limits: LEVELS[at - 1].limits });
            expect(GRAVITY[less.verdict]).toBeGreaterThanOrEqual(GRAVITY[coarser.verdict]);
          }
        },
      ),
    );
  });
});

describe('the levels', () => {
  it('go from coarse to fine in every limit, each with its words', () => {
    for (const id of Object.keys(LIMIT_WORDS) as (keyof Limits)[]) {
      expect(STOPGAP[id]).toBeGreaterThanOrEqual(EVERYDAY[id]);
      expect(EVERYDAY[id]).toBeGreaterThanOrEqual(CAREFUL[id]);
      expect(STOPGAP[id]).toBeGreaterThan(CAREFUL[id]);
    }
    expect(Object.keys(LIMIT_WORDS).sort()).toEqual(Object.keys(EVERYDAY).sort());
    expect(new Set(LEVELS.map(({ id }) => id)).size).toBe(3);
  });

  it('and the measures say how each is taken, in a range that holds something', () => {
    for (const { how, minimum, maximum } of MEASURES) {
      expect(how.length).toBeGreaterThan(20);
      expect(maximum).toBeGreaterThan(minimum);
    }
    expect(measuresFor('butt').map(({ id }) => id)).not.toContain('legFlatMm');
    expect(measuresFor('lap').map(({ id }) => id)).not.toContain('capMm');
    expect(measuresFor(undefined).length).toBeGreaterThan(8);
    expect(new Set(DEFECTS).size).toBe(DEFECTS.length);
  });
});
