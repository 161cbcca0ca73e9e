import type { Job } from '@/core/case/schema';
import { fromUser, readable, toUser, type UnitSystem } from '@/core/quantity/units';
import type { Coupon, JobVersion, NewCoupon } from '@/core/record/shapes/record-schema';
import { typedFigure } from '../shared/record-form';

/** Lengths that are typed; figures as they were typed. */
export const LENGTHS = ['thicknessMm', 'otherThicknessMm', 'gapMm', 'lengthMm'] as const;
export type LengthName = (typeof LENGTHS)[number];

/** The limits of a procedure that are typed, each a low and a high. */
export const LIMITS = ['voltageV', 'wireSpeedMPerMin', 'currentA', 'heatInputKJPerMm'] as const;
export type LimitName = (typeof LIMITS)[number];
export const ENDS = ['low', 'high'] as const;
/** Where an end of a limit is typed. */
export type LimitField = `${LimitName}:${(typeof ENDS)[number]}`;
type Procedure = NonNullable<Job['procedure']>;

/** What is typed and chosen for a job. */
export type JobValues = {
  title: string;
  rigId: string;
  thicknessMm: string;
  otherThicknessMm: string;
  gapMm: string;
  lengthMm: string;
  /** Per cent, as typed. */
  carbonEquivalent: string;
  baseMetal: NonNullable<Job['baseMetal']> | null;
  joint: NonNullable<Job['joint']> | null;
  position: NonNullable<Job['position']> | null;
  draught: NonNullable<Job['draught']> | null;
  surface: NonNullable<Job['surface']>;
  workpiece: NonNullable<Job['workpiece']> | null;
  place: NonNullable<Job['place']> | null;
  critical: NonNullable<Job['critical']> | null;
  concerns: NonNullable<Job['concerns']>;
  ruledOut: NonNullable<Job['ruledOut']>;
  transfer: NonNullable<Procedure['transfer']> | null;
} & Record<LimitField, string>;

/** A limit between the inside unit and the one on the screen; volts, amps and kJ/mm are the same everywhere. */
const factorOf = (name: LimitName, units: UnitSystem): number =>
  name === 'wireSpeedMPerMin' ? toUser(1, 'wireSpeed', units) : 1;
/** Digits that a limit is shown with. */
const DIGITS: Record<LimitName, number> = { voltageV: 1, wireSpeedMPerMin: 1, currentA: 0, heatInputKJPerMm: 2 };

function limitsOf(procedure: Procedure | undefined, units: UnitSystem): Record<LimitField, string> {
  const shown = (name: LimitName, value: number | undefined): string =>
    value === undefined ? '' : String(Number((value * factorOf(name, units)).toFixed(DIGITS[name])));
  return Object.fromEntries(
    LIMITS.flatMap((name) => ENDS.map((end) => [`${name}:${end}`, shown(name, procedure?.[name]?.[end])])),
  ) as Record<LimitField, string>;
}

/** The procedure that was typed, or null where none was; what was shown rounded and not touched stays what it was. */
function procedureFrom(values: JobValues, from: Procedure | undefined, units: UnitSystem): Procedure | null {
  const { transfer } = values;
  const shown = limitsOf(from, units);
  const spans = LIMITS.flatMap((name) => {
    const ends = ENDS.flatMap((end) => {
      const text = values[`${name}:${end}`];
      const typed = typedFigure(text);
      const kept = text === shown[`${name}:${end}`] ? from?.[name]?.[end] : undefined;
      const value = kept ?? (typed === undefined ? undefined : typed / factorOf(name, units));
      return value === undefined ? [] : [[end, value] as const];
    });
    return ends.length === 0 ? [] : [[name, Object.fromEntries(ends)] as const];
  });
  if (spans.length === 0 && transfer === null) return null;
  return { ...Object.fromEntries(spans), ...(transfer === null ? {} : { transfer }) };
}

/** The plate of a new coupon: the last job's, but what can hurt is asked anew, and a procedure belongs to its own job. */
export function startingJob(like: Job | null): Job {
  const nothing: Job = { workpiece: 'plate', place: 'workshop', critical: 'usual' };
  const usual: Job = { baseMetal: 'mild-steel', joint: 'fillet', position: 'flat', draught: 'still' };
  const { procedure: _, concerns: __, ruledOut: ___, madeSafe: ____, stripped: _____, ...plate } = like ?? usual;
  return { ...nothing, ...plate };
}

/** The values a form begins with. */
export function valuesOf(title: string, rigId: string, job: Job, units: UnitSystem): JobValues {
  const length = (value: number | undefined): string => (value === undefined ? '' : readable(value, 'length', units));
  return {
    title,
    rigId,
    thicknessMm: length(job.thicknessMm),
    otherThicknessMm: length(job.otherThicknessMm),
    gapMm: length(job.gapMm),
    lengthMm: length(job.lengthMm),
    carbonEquivalent: job.carbonEquivalent === undefined ? '' : String(job.carbonEquivalent),
    baseMetal: job.baseMetal ?? null,
    joint: job.joint ?? null,
    position: job.position ?? null,
    draught: job.draught ?? null,
    surface: job.surface ?? [],
    workpiece: job.workpiece ?? null,
    place: job.place ?? null,
    critical: job.critical ?? null,
    concerns: job.concerns ?? [],
    ruledOut: job.ruledOut ?? [],
    ...limitsOf(job.procedure, units),
    transfer: job.procedure?.transfer ?? null,
  };
}

/**
 * The job that was typed; what was not said is left out. A length that was shown rounded and not touched stays what it
 * was.
 */
export function jobFrom(values: JobValues, from: Job, units: UnitSystem): Job {
  const shown = valuesOf('', '', from, units);
  const lengths = LENGTHS.flatMap((name) => {
    const typed = typedFigure(values[name]);
    const value =
      values[name] === shown[name] ? from[name] : typed === undefined ? undefined : fromUser(typed, 'length', units);
    return value === undefined ? [] : [[name, value] as const];
  });
  const { baseMetal, joint, position, draught, surface, workpiece, place, critical, concerns, ruledOut } = values;
  const madeSafe = (from.madeSafe ?? []).filter((concern) => concerns.includes(concern));
  const stripped = (from.stripped ?? []).filter((coat) => surface.includes(coat));
  // How readily it hardens is asked of steel alone.
  const carbonEquivalent = baseMetal === 'mild-steel' ? typedFigure(values.carbonEquivalent) : undefined;
  const procedure = procedureFrom(values, from.procedure, units);
  return {
    ...Object.fromEntries(lengths),
    ...(baseMetal === null ? {} : { baseMetal }),
    ...(joint === null ? {} : { joint }),
    ...(position === null ? {} : { position }),
    ...(draught === null ? {} : { draught }),
    ...(surface.length === 0 ? {} : { surface }),
    ...(workpiece === null ? {} : { workpiece }),
    ...(place === null ? {} : { place }),
    ...(critical === null ? {} : { critical }),
    ...(concerns.length === 0 ? {} : { concerns }),
    ...(ruledOut.length === 0 ? {} : { ruledOut }),
    ...(madeSafe.length === 0 ? {} : { madeSafe }),
    ...(stripped.length === 0 ? {} : { stripped }),
    ...(procedure === null ? {} : { procedure }),
    ...(carbonEquivalent === undefined ? {} : { carbonEquivalent }),
  };
}

/** Returns whether two jobs say the same; a list that is empty says nothing. */
export function sameJob(a: Job, b: Job): boolean {
  const said = (job: Job): string =>
    JSON.stringify(
      Object.entries(job)
        .filter(([, value]) => !(Array.isArray(value) && value.length === 0))
        .sort(([x], [y]) => (x < y ? -1 : 1)),
    );
  return said(a) === said(b);
}

/** Ids and time for what a form may make, taken when it is begun. */
export type Begun = { couponId: string; jobId: string; at: string };

/**
 * The coupon that was typed. A job that differs from the kept one is its next version; a title that was left empty is
 * given.
 * @param coupon as it is kept, or null for a new one
 */
export function couponFrom(
  values: JobValues,
  coupon: Coupon | null,
  from: Job,
  begun: Begun,
  units: UnitSystem,
): NewCoupon {
  const job = jobFrom(values, from, units);
  const kept = coupon !== null && sameJob(job, coupon.job.job);
  const version: JobVersion = kept ? coupon.job : { id: begun.jobId, at: begun.at, job };
  return {
    id: coupon?.id ?? begun.couponId,
    rigId: values.rigId,
    title: values.title.trim() || 'Trial coupon',
    createdAt: coupon?.createdAt ?? begun.at,
    job: version,
  };
}

/** Where in the form a field of the record was typed. */
export function fieldOf(recordField: string): keyof JobValues | null {
  if (recordField === 'title' || recordField === 'rigId') return recordField;
  const [first, second, name, limit, end] = recordField.split('.');
  if (name === 'procedure') return limit === 'transfer' ? 'transfer' : (`${limit}:${end}` as LimitField);
  return first === 'job' && second === 'job' && name !== undefined ? (name as keyof JobValues) : null;
}
