import type { Job } from '../case/schema';
import { DEFECT_WORDS, type Defect } from './defects';
import { filletOf, throatOfLegs, wantedLeg, type Fillet } from './geometry';
import type { Limits } from './level-schema';
import { MEASURES, measuresFor, weldForm, type Measured, type MeasureId } from './measures';

/** `open` is a weld of which something is not known yet that no weld is passed without. */
type Verdict = 'open' | 'accept' | 'repair' | 'reject';

/** One limit held against what was measured. */
export type JudgedLine = {
  defect: Defect;
  name: string;
  measured: number;
  allowed: number;
  unit: 'mm' | '%' | null;
  over: boolean;
};

/** What was made of the measures before they were held against anything. */
type Computed = {
  fillet: Fillet | null;
  wantedLegMm: number | null;
  wantedThroatMm: number | null;
  poresPer100Mm: number | null;
};

export type Judgement = {
  verdict: Verdict;
  /** Why, in one line. */
  because: string;
  lines: JudgedLine[];
  /** What has to be looked at before it can be passed. */
  missing: MeasureId[];
  computed: Computed;
};

export type ToJudge = {
  job: Job;
  measured: Measured;
  limits: Limits;
  /** What was repaired on this weld before, one entry a repair. */
  repaired: readonly (readonly Defect[])[];
};

/** A place that was opened and filled so often is taken out whole: its metal has been hot too many times. */
const MOST_REPAIRS = 2;
/** From such a share of its length on a weld is not mended but made anew. */
const TOO_MUCH = 0.5;

const thinnest = ({ thicknessMm, otherThicknessMm }: Job): number | null =>
  thicknessMm === undefined ? null : Math.min(thicknessMm, otherThicknessMm ?? thicknessMm);

function computedOf({ job, measured }: ToJudge): Computed {
  const { legUprightMm, legFlatMm, throatMm, poreCount, lengthMm } = measured;
  const thin = thinnest(job);
  const isFillet = weldForm(job.joint) === 'fillet';
  const wantedLegMm = isFillet && thin !== null ? wantedLeg(thin) : null;
  return {
    fillet:
      isFillet && legUprightMm !== undefined && legFlatMm !== undefined
        ? filletOf(legUprightMm, legFlatMm, throatMm ?? null, job.gapMm ?? 0)
        : null,
    wantedLegMm,
    wantedThroatMm: wantedLegMm === null ? null : throatOfLegs(wantedLegMm, wantedLegMm),
    poresPer100Mm: poreCount === undefined || lengthMm === undefined ? null : (100 * poreCount) / lengthMm,
  };
}

type Held = Omit<JudgedLine, 'name' | 'over'> & { over?: boolean };

/** Returns what passes no level. */
function gravest({ crackMm, unfusedMm }: Measured): Held[] {
  return [
    ...(crackMm === undefined
      ? []
      : [{ defect: 'crack' as const, measured: crackMm, allowed: 0, unit: 'mm' as const }]),
    ...(unfusedMm === undefined
      ? []
      : [{ defect: 'unfused' as const, measured: unfusedMm, allowed: 0, unit: 'mm' as const }]),
  ];
}

function holes({ poreCount, poreLargestMm, lengthMm }: Measured, limits: Limits): Held[] {
  const largest: Held[] =
    poreLargestMm === undefined
      ? []
      : [{ defect: 'pores', measured: poreLargestMm, allowed: limits.poreLargestMm, unit: 'mm' }];
  if (poreCount === undefined || lengthMm === undefined) return largest;
  // On a short weld one hole is one hole, however many that would make on a long one.
  const allowed = Math.max((limits.poresPer100Mm * lengthMm) / 100, limits.poresPer100Mm > 0 ? 1 : 0);
  return [{ defect: 'pores', measured: poreCount, allowed: Math.floor(allowed + 1e-9), unit: null }, ...largest];
}

function edges({ undercutMm, overlapMm }: Measured, limits: Limits, thinMm: number | null): Held[] {
  const share = thinMm === null ? Infinity : (limits.undercutPct / 100) * thinMm;
  return [
    ...(undercutMm === undefined
      ? []
      : [
          {
            defect: 'undercut' as const,
            measured: undercutMm,
            allowed: Math.min(limits.undercutMm, share),
            unit: 'mm' as const,
          },
        ]),
    ...(overlapMm === undefined
      ? []
      : [{ defect: 'overlap' as const, measured: overlapMm, allowed: limits.overlapMm, unit: 'mm' as const }]),
  ];
}

function sizesOfFillet(
  { legUprightMm = 0, legFlatMm = 0 }: Measured,
  limits: Limits,
  { fillet, wantedThroatMm }: Computed,
): Held[] {
  if (fillet === null) return [];
  const { convexityMm, faceMm, throatMm } = fillet;
  const full = limits.convexityBaseMm + (limits.convexityPct / 100) * faceMm;
  const least = wantedThroatMm === null ? null : (1 - limits.throatShortPct / 100) * wantedThroatMm;
  return [
    ...(least === null
      ? []
      : [
          {
            defect: 'throat-short' as const,
            measured: throatMm,
            allowed: least,
            unit: 'mm' as const,
            over: throatMm < least - 1e-9,
          },
        ]),
    {
      defect: 'legs-unequal',
      measured: Math.abs(legUprightMm - legFlatMm),
      allowed: limits.legDifferenceMm,
      unit: 'mm',
    },
    ...(convexityMm === null || convexityMm <= 0
      ? []
      : [{ defect: 'too-full' as const, measured: convexityMm, allowed: full, unit: 'mm' as const }]),
  ];
}

function sizesOfButt(
  { capMm, widthMm, rootMm, misalignmentMm }: Measured,
  limits: Limits,
  thinMm: number | null,
): Held[] {
  const width = widthMm ?? 2 * (thinMm ?? 3);
  const cap: Held[] =
    capMm === undefined
      ? []
      : capMm < 0
        ? [{ defect: 'underfilled', measured: -capMm, allowed: limits.underfillMm, unit: 'mm' }]
        : [
            {
              defect: 'too-full',
              measured: capMm,
              allowed: limits.convexityBaseMm + (limits.convexityPct / 100) * width,
              unit: 'mm',
            },
          ];
  const root: Held[] =
    rootMm === undefined
      ? []
      : rootMm < 0
        ? [{ defect: 'root-short', measured: -rootMm, allowed: limits.rootShortMm, unit: 'mm' }]
        : [{ defect: 'root-excess', measured: rootMm, allowed: limits.rootExcessMm, unit: 'mm' }];
  const step: Held[] =
    misalignmentMm === undefined || thinMm === null
      ? []
      : [
          {
            defect: 'misaligned',
            measured: misalignmentMm,
            allowed: (limits.misalignmentPct / 100) * thinMm,
            unit: 'mm',
          },
        ];
  return [...cap, ...root, ...step];
}

function ends({ craterMm, burnThroughs }: Measured, limits: Limits): Held[] {
  return [
    ...(craterMm === undefined
      ? []
      : [{ defect: 'crater' as const, measured: craterMm, allowed: limits.craterMm, unit: 'mm' as const }]),
    ...(burnThroughs === undefined
      ? []
      : [{ defect: 'burned-through' as const, measured: burnThroughs, allowed: limits.burnThroughs, unit: null }]),
  ];
}

/** Why a weld is not mended but made anew; null where it can be mended. */
function beyondRepair({ job, measured, repaired }: ToJudge, over: readonly JudgedLine[]): string | null {
  const { lengthMm, crackMm = 0, unfusedMm = 0, badLengthMm = 0 } = measured;
  const has = (defect: Defect): boolean => over.some((line) => line.defect === defect);
  const concerns = [...(job.concerns ?? []), ...(job.madeSafe ?? [])];
  if (concerns.includes('code-work'))
    return 'This is code work: whoever answers for it decides what becomes of it, not this table.';
  if (has('misaligned')) return 'Plates that stand out of line are cut apart and fitted anew: no bead puts that right.';
  if (has('crack') && repaired.some((defects) => defects.includes('crack')))
    return 'The crack came back: the steel, the fit or the load is wrong. Find out why before anything is welded again.';
  if (repaired.length >= MOST_REPAIRS)
    return `It was repaired ${repaired.length} times already: cut it out whole, with the metal beside it.`;
  const bad = Math.max(crackMm + unfusedMm, badLengthMm);
  if (lengthMm !== undefined && bad > TOO_MUCH * lengthMm)
    return 'More than half of it is bad: take the weld out whole and make it anew.';
  return null;
}

const lineOf = ({ over, ...held }: Held): JudgedLine => ({
  ...held,
  name: DEFECT_WORDS[held.defect],
  over: over ?? held.measured > held.allowed + 1e-9,
});

/**
 * A weld held against a level: every limit with what was measured, and whether it is passed, mended or made anew. A weld of
 * which something needed was not looked at is passed by nobody; what is over a limit is said all the same.
 * @param weld the job it was welded on, what was measured, the limits, and what was repaired before
 */
export function judge(weld: ToJudge): Judgement {
  const { job, measured, limits } = weld;
  const computed = computedOf(weld);
  const thinMm = thinnest(job);
  const lines = [
    ...gravest(measured),
    ...holes(measured, limits),
    ...edges(measured, limits, thinMm),
    ...(weldForm(job.joint) === 'fillet'
      ? sizesOfFillet(measured, limits, computed)
      : sizesOfButt(measured, limits, thinMm)),
    ...ends(measured, limits),
  ].map(lineOf);
  const over = lines.filter((line) => line.over);
  const missing = measuresFor(job.joint)
    .filter(({ id, needed }) => needed && measured[id] === undefined)
    .map(({ id }) => id);
  // The size of a hole matters once there is one.
  if ((measured.poreCount ?? 0) > 0 && measured.poreLargestMm === undefined) missing.push('poreLargestMm');
  const [verdict, because] = verdictOf(weld, over, missing);
  return { verdict, because, lines, missing, computed };
}

const named = (defects: readonly string[]): string => [...new Set(defects)].join(', ').toLowerCase();

function verdictOf(weld: ToJudge, over: readonly JudgedLine[], missing: readonly MeasureId[]): [Verdict, string] {
  if (over.length > 0) {
    const lost = beyondRepair(weld, over);
    return lost === null
      ? ['repair', `Over what is allowed: ${named(over.map(({ name }) => name))}.`]
      : ['reject', lost];
  }
  if (missing.length > 0) {
    const names = MEASURES.filter(({ id }) => missing.includes(id)).map(({ name }) => name);
    return ['open', `Not looked at yet: ${named(names)}.`];
  }
  return ['accept', 'Everything that was measured lies inside the limits. A sound-looking weld is no proof of fusion.'];
}
