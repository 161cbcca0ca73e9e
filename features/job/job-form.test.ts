import fc from 'fast-check';
import type { Job } from '@/core/case/schema';
import { validateCoupon } from '@/core/record/change/validate-coupon';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { couponFrom, ENDS, fieldOf, jobFrom, LIMITS, sameJob, startingJob, valuesOf, type Begun } from './job-form';

const PLATE: Job = {
  baseMetal: 'mild-steel',
  joint: 'fillet',
  position: 'flat',
  draught: 'still',
  thicknessMm: 3,
  surface: ['rust'],
};
const BEGUN: Begun = {
  couponId: '0190b000-0000-7000-8000-000000000001',
  jobId: '0190b000-0000-7000-8000-000000000002',
  at: '2026-05-04T09:00:00.000Z',
};
const RIG = '0190b000-0000-7000-8000-000000000003';
const KEPT = {
  id: '0190b000-0000-7000-8000-000000000009',
  createdAt: '2026-05-01T08:00:00.000Z',
  job: { id: '0190b000-0000-7000-8000-000000000008', at: '2026-05-01T08:00:00.000Z', job: PLATE },
} as Coupon;

describe('the plate of a new coupon', () => {
  it('is that of the last job, but what can hurt is asked anew', () => {
    const said: Job = {
      ...{ ...PLATE, concerns: ['closed-container'], ruledOut: ['code-work'] },
      ...{ madeSafe: ['closed-container'], stripped: ['zinc'] },
    };
    const nothing: Job = { workpiece: 'plate', place: 'workshop', critical: 'usual' };
    expect(startingJob(said)).toEqual({ ...PLATE, ...nothing });
    expect(startingJob({ ...PLATE, procedure: { voltageV: { low: 18 } } })).toEqual({ ...PLATE, ...nothing });
    expect(startingJob({ ...PLATE, workpiece: 'vehicle', place: 'site' })).toEqual({
      ...{ ...PLATE, ...nothing },
      workpiece: 'vehicle',
      place: 'site',
    });
    expect(startingJob(null)).toEqual({
      baseMetal: 'mild-steel',
      joint: 'fillet',
      position: 'flat',
      draught: 'still',
      workpiece: 'plate',
      place: 'workshop',
      critical: 'usual',
    });
  });
});

describe('what was made safe on a job', () => {
  const SAFE: Job = {
    ...{ ...PLATE, surface: ['zinc'], concerns: ['code-work'], ruledOut: ['old-paint'] },
    ...{ madeSafe: ['code-work'], stripped: ['zinc'] },
  };

  it('stays while the form is gone through, and falls with what it was said of', () => {
    const values = valuesOf('', '', SAFE, 'metric');
    expect(jobFrom(values, SAFE, 'metric')).toEqual(SAFE);
    expect(jobFrom({ ...values, concerns: [] }, SAFE, 'metric').madeSafe).toBeUndefined();
    expect(jobFrom({ ...values, surface: ['rust'] }, SAFE, 'metric').stripped).toBeUndefined();
  });
});

describe('a job that is typed', () => {
  it('comes back as it was where nothing is touched, in either family of units', () => {
    const mm = fc.double({ min: 0.5, max: 60, noNaN: true });
    fc.assert(
      fc.property(mm, fc.option(mm, { nil: undefined }), fc.constantFrom('metric', 'inch'), (thick, other, units) => {
        const job: Job = { ...PLATE, thicknessMm: thick, ...(other === undefined ? {} : { otherThicknessMm: other }) };
        expect(jobFrom(valuesOf('', '', job, units), job, units)).toEqual(job);
      }),
    );
  });

  it('takes figures in the units that are read, with comma or point', () => {
    const typed = (thicknessMm: string, units: 'metric' | 'inch') =>
      jobFrom({ ...valuesOf('', '', PLATE, units), thicknessMm }, PLATE, units).thicknessMm;
    expect(typed('4,5', 'metric')).toBe(4.5);
    expect(typed('0.25', 'inch')).toBeCloseTo(6.35, 9);
    expect(typed('thick', 'metric')).toBeNaN();
    expect(typed(' ', 'metric')).toBeUndefined();
  });

  it('leaves out what was not said', () => {
    const empty = { ...valuesOf('', '', {}, 'metric') };
    expect(jobFrom(empty, {}, 'metric')).toEqual({});
    expect(valuesOf('T', RIG, {}, 'metric')).toEqual({
      carbonEquivalent: '',
      title: 'T',
      rigId: RIG,
      thicknessMm: '',
      lengthMm: '',
      otherThicknessMm: '',
      gapMm: '',
      baseMetal: null,
      joint: null,
      position: null,
      draught: null,
      surface: [],
      workpiece: null,
      place: null,
      critical: null,
      concerns: [],
      ruledOut: [],
      ...Object.fromEntries(LIMITS.flatMap((name) => ENDS.map((end) => [`${name}:${end}`, '']))),
      transfer: null,
    });
    const all: Job = {
      ...{ ...PLATE, concerns: ['code-work'], ruledOut: ['hidden-cavity'], gapMm: 2 },
      ...{ workpiece: 'structure', place: 'site', critical: 'careful' },
    };
    expect(jobFrom(valuesOf('', '', all, 'metric'), {}, 'metric')).toEqual(all);
  });
});

describe('a procedure that is typed', () => {
  const PROCEDURE = {
    voltageV: { low: 18, high: 20.5 },
    wireSpeedMPerMin: { high: 7.62 },
    heatInputKJPerMm: { low: 0.4, high: 0.9 },
    transfer: 'short-circuit',
  } as const;

  it('comes back as it was where nothing is touched, in either family of units', () => {
    for (const units of ['metric', 'inch'] as const) {
      const job: Job = { ...PLATE, procedure: PROCEDURE };
      expect(jobFrom(valuesOf('', '', job, units), job, units)).toEqual(job);
    }
    expect(valuesOf('', '', { procedure: PROCEDURE }, 'inch')['wireSpeedMPerMin:high']).toBe('300');
  });

  it('is what is typed, in the units that are read, and nothing where all is left open', () => {
    const values = valuesOf('', '', PLATE, 'inch');
    values['wireSpeedMPerMin:low'] = '250';
    values['voltageV:high'] = '19,5';
    expect(jobFrom(values, PLATE, 'inch').procedure).toEqual({
      voltageV: { high: 19.5 },
      wireSpeedMPerMin: { low: expect.closeTo(6.35, 9) },
    });
    expect(jobFrom({ ...valuesOf('', '', PLATE, 'metric'), transfer: 'spray' }, PLATE, 'metric').procedure).toEqual({
      transfer: 'spray',
    });
    expect(jobFrom(valuesOf('', '', PLATE, 'metric'), PLATE, 'metric').procedure).toBeUndefined();
    // Emptied again, it is gone.
    const job: Job = { ...PLATE, procedure: { voltageV: { low: 18 } } };
    const emptied = valuesOf('', '', job, 'metric');
    emptied['voltageV:low'] = '';
    expect(jobFrom(emptied, job, 'metric').procedure).toBeUndefined();
  });

  it('names the part of the form that a wrong limit was typed in', () => {
    expect(fieldOf('job.job.procedure.voltageV.low')).toBe('voltageV:low');
    expect(fieldOf('job.job.procedure.transfer')).toBe('transfer');
    const values = valuesOf('T', RIG, PLATE, 'metric');
    values['voltageV:low'] = '22';
    values['voltageV:high'] = '20';
    const { problems } = validateCoupon(couponFrom(values, null, {}, BEGUN, 'metric'));
    expect(problems!.map(({ field }) => fieldOf(field))).toEqual(['voltageV:low', 'voltageV:high']);
  });
});

describe('two jobs', () => {
  it('say the same whatever the order of their fields, and an empty list says nothing', () => {
    expect(sameJob({ joint: 'butt', gapMm: 2 }, { gapMm: 2, joint: 'butt' })).toBe(true);
    expect(sameJob({ surface: [] }, {})).toBe(true);
    expect(sameJob({ surface: ['rust'] }, {})).toBe(false);
    expect(sameJob({ gapMm: 2 }, { gapMm: 2.1 })).toBe(false);
  });
});

describe('the coupon that is typed', () => {
  const values = valuesOf('Bracket', RIG, PLATE, 'metric');

  it('is new with the ids and time of its form, and one the schema takes', () => {
    const coupon = couponFrom(values, null, PLATE, BEGUN, 'metric');
    expect(coupon).toEqual({
      id: BEGUN.couponId,
      rigId: RIG,
      title: 'Bracket',
      createdAt: BEGUN.at,
      job: { id: BEGUN.jobId, at: BEGUN.at, job: PLATE },
    });
    expect(validateCoupon(coupon).problems).toBeNull();
    expect(couponFrom({ ...values, title: '  ' }, null, PLATE, BEGUN, 'metric').title).toBe('Trial coupon');
    expect(couponFrom({ ...values, title: ' Bracket ' }, null, PLATE, BEGUN, 'metric').title).toBe('Bracket');
  });

  it('keeps its job where that is the same, and gets the next version where it differs', () => {
    expect(couponFrom(values, KEPT, PLATE, BEGUN, 'metric')).toEqual({
      id: KEPT.id,
      rigId: RIG,
      title: 'Bracket',
      createdAt: KEPT.createdAt,
      job: KEPT.job,
    });
    expect(couponFrom({ ...values, gapMm: '2' }, KEPT, PLATE, BEGUN, 'metric').job).toEqual({
      id: BEGUN.jobId,
      at: BEGUN.at,
      job: { ...PLATE, gapMm: 2 },
    });
  });

  it('has each refused field found where it was typed', () => {
    expect(fieldOf('title')).toBe('title');
    expect(fieldOf('rigId')).toBe('rigId');
    expect(fieldOf('job.job.thicknessMm')).toBe('thicknessMm');
    expect(fieldOf('job.job.surface.0')).toBe('surface');
    expect(fieldOf('job.at')).toBeNull();
    expect(fieldOf('job.job')).toBeNull();
    expect(fieldOf('id')).toBeNull();
  });
});

describe('the carbon equivalent of a job', () => {
  const typed = (carbonEquivalent: string, job: Job = PLATE): Job =>
    jobFrom({ ...valuesOf('', RIG, job, 'metric'), carbonEquivalent }, job, 'metric');

  it('is what was typed, left out where nothing was, and asked of steel alone', () => {
    expect(typed('0,52').carbonEquivalent).toBe(0.52);
    expect(typed('')).not.toHaveProperty('carbonEquivalent');
    expect(typed('0.52', { ...PLATE, baseMetal: 'aluminium' })).not.toHaveProperty('carbonEquivalent');
    const hard: Job = { ...PLATE, carbonEquivalent: 0.48 };
    expect(jobFrom(valuesOf('', RIG, hard, 'metric'), hard, 'metric')).toEqual(hard);
    expect(valuesOf('', RIG, hard, 'inch').carbonEquivalent).toBe('0.48');
  });

  it('that cannot be is named in its own field', () => {
    const { problems } = validateCoupon(
      couponFrom({ ...valuesOf('', RIG, PLATE, 'metric'), carbonEquivalent: '4' }, null, PLATE, BEGUN, 'metric'),
    );
    expect(problems!.map(({ field }) => fieldOf(field))).toEqual(['carbonEquivalent']);
  });
});
