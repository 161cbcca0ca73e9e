import type { Job } from '../../core/case/schema';
import { judge } from '../../core/inspection/judge';
import { LEVELS } from '../../core/inspection/levels';
import { weldForm, type Measured } from '../../core/inspection/measures';
import { repairPlan } from '../../core/repair/plan';
import type { Random } from '../../core/shop/world';
import type { DemoYears, YearsStep } from '../../server/demo/years';
import { pick } from './work';

type Told = { title: string; job: Job & { thicknessMm: number }; by: string };

const tenth = (x: number): number => Math.round(x * 10) / 10;
/** How many in eight welds have something over its limit. */
const FLAWED = 1 / 8;

/** Returns what is measured of a weld; flawed where the hand slipped. */
function measuredOf(random: Random, job: Told['job'], lengthMm: number, flawed: boolean): Measured {
  const t = job.thicknessMm;
  const base: Measured = { crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm: tenth(0.3 * random()), lengthMm };
  const leg = Math.max(2, 0.75 * t);
  const size: Measured =
    weldForm(job.joint) === 'fillet'
      ? { legUprightMm: tenth(leg + 0.6 + random()), legFlatMm: tenth(leg + 0.6 + random()) }
      : { widthMm: tenth(4 + t), capMm: tenth(0.4 + 0.8 * random()), rootMm: tenth(0.3 + 0.6 * random()) };
  const all = { ...base, ...size };
  if (!flawed) return random() < 0.3 ? { ...all, poreCount: 1, poreLargestMm: 1 } : all;
  return pick(random, [
    { ...all, undercutMm: tenth(1 + random()), badLengthMm: 40 },
    { ...all, poreCount: 6 + Math.floor(10 * random()), poreLargestMm: tenth(2 + 2 * random()), badLengthMm: 60 },
    { ...all, craterMm: tenth(1.5 + random()) },
    ...(t <= 2 ? [{ ...all, burnThroughs: 1 }] : []),
  ]);
}

/** The steps of a weld: inspected, and where it had to be, repaired and looked at once more. */
function stepsOf(random: Random, { job, by }: Told, lengthMm: number): YearsStep[] {
  const level = LEVELS[random() < 0.7 ? 1 : random() < 0.5 ? 0 : 2];
  const flawed = random() < FLAWED;
  const measured = measuredOf(random, job, lengthMm, flawed);
  const inspector = by === 'Joos' ? 'Ilse' : 'Joos';
  const first: YearsStep = { kind: 'inspection', by: inspector, level: level.id, measured };
  const { verdict: state, lines } = judge({ job, measured, limits: level.limits, repaired: [] });
  if (state !== 'repair') return [first];
  const defects = [...new Set(lines.flatMap(({ over, defect }) => (over ? [defect] : [])))];
  const done = defects.flatMap((defect) => repairPlan(defect, { job, measured }).steps.map(({ text }) => text));
  return [
    first,
    { kind: 'repair', by, defects, done: [...new Set(done)].slice(0, 12), settings: {} },
    { kind: 'inspection', by: inspector, level: level.id, measured: measuredOf(random, job, lengthMm, false) },
  ];
}

/** A setting that was kept, and the parts that were welded with it. */
export function weldsOf(random: Random, told: Told): DemoYears {
  const count = random() < 0.55 ? 1 : random() < 0.7 ? 2 : 3;
  const welds = Array.from({ length: count }, (_, i): DemoYears['welds'][number] => {
    const lengthMm = Math.round(200 + 2200 * random() ** 2);
    return {
      title: count === 1 ? told.title : `${told.title} ${i + 1}`,
      by: told.by,
      lengthMm,
      steps: random() < 0.85 ? stepsOf(random, told, lengthMm) : [],
    };
  });
  return {
    by: told.by,
    how: random() < 0.3 ? ['looked', 'broken'] : random() < 0.15 ? ['looked', 'cut'] : ['looked'],
    run: random() < 0.2 ? 'weave' : 'straight',
    note: '',
    welds,
  };
}
