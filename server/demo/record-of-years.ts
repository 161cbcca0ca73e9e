import type { Job } from '../../core/case/schema';
import { isStatedId } from '../../core/evidence/ids';
import { LEVELS } from '../../core/inspection/levels';
import { cause, statedWords } from '../../core/knowledge';
import { caseOf } from '../../core/record/draft/case-of';
import { USUAL_HABITS } from '../../core/record/draft/habits';
import { noRows } from '../../core/record/file/record-file-schema';
import type { RecordRows } from '../../core/record/kinds/all';
import type { BeadRow } from '../../core/record/kinds/beads';
import type { SetupRow } from '../../core/record/kinds/rigs';
import type { WeldRow } from '../../core/record/kinds/welds';
import type { NewRig } from '../../core/record/shapes/record-schema';
import { judged } from '../../core/record/change/weld-state';
import type { NewRepair } from '../../core/record/shapes/weld-schema';
import { withPartAnew } from '../../core/record/shapes/part-wear';
import { demoId } from './demo-id';
import { instantOf, ON_THE_BENCH_MIN } from './time';
import type { DemoDay, YearsBead, DemoYears } from './years';

/** Ids of the two years begin after those of the last four weeks. */
const AFTER = 1000;
const BETWEEN_BEADS_MIN = 6;
/** Minutes after what came before it that a setting is kept, a part welded, inspected or repaired. */
const STEP_AFTER_MIN = 55;

type Ran = Pick<BeadRow, 'id' | 'couponId' | 'setupId' | 'jobId' | 'ranAt' | 'number'>;

/** A told bead with its words, as it would have been logged. */
function beadOf({ verdict, ...told }: YearsBead, ran: Ran, setup: SetupRow, job: Job): BeadRow {
  const { schools } = USUAL_HABITS;
  const { settings, findings } = told;
  const input = caseOf(setup, job, { settings, readings: {}, findings }, schools);
  return {
    ...{ ...ran, ...told, schools },
    readings: input.readings ?? {},
    names: Object.fromEntries(
      Object.entries(findings).flatMap(([id, state]) =>
        isStatedId(id) ? [[id, statedWords(id, state)] as const] : [],
      ),
    ),
    verdict: verdict === null ? null : { ...verdict, name: cause(verdict.cause).name },
    judgedBy: null,
    note: '',
    takenBack: false,
  };
}

/** The steps of a weld in their order, each judged as it would have been. */
function stepsOf(steps: DemoYears['welds'][number]['steps'], weldIndex: number, job: Job, later: () => string) {
  const repairs: NewRepair[] = [];
  let inspectionId = '';
  return steps.map((step, s): WeldRow['steps'][number] => {
    const id = demoId(7, weldIndex * 100 + s);
    if (step.kind === 'repair') {
      const { by, defects, done, settings } = step;
      const repair = { id, inspectionId, repairedAt: later(), by, defects, done, settings, note: '' };
      repairs.push(repair);
      return { repair };
    }
    inspectionId = id;
    const { by, measured, level: levelId } = step;
    const { name, limits } = LEVELS.find((level) => level.id === levelId)!;
    const inspection = { id, inspectedAt: later(), by, measured, level: { id: levelId, name, limits }, note: '' };
    return { inspection: judged({ job, repairs }, inspection) };
  });
}

/**
 * The two years as things of the record, in the order they were told.
 * @param rigs with what was fitted when they began
 * @param now time of loading, ms since 1970
 */
export function recordOfYears(days: readonly DemoDay[], rigs: readonly NewRig[], now: number): RecordRows {
  const kept = noRows();
  const began = rigs.map(({ id, setup }): SetupRow => ({ ...setup, rigId: id, assumed: false }));
  const setupsOf = new Map(began.map((setup) => [setup.rigId, [setup]]));
  const fitted = (rigId: string): SetupRow[] => {
    const its = setupsOf.get(rigId);
    if (its === undefined) throw new Error(`the demo names the rig ${rigId}, which there is not`);
    return its;
  };
  days.forEach((day, i) => {
    if (day.kind !== 'refit') return;
    const [its, fittedAt] = [fitted(day.rig), instantOf(day, now)];
    const last = its[its.length - 1];
    its.push({ ...last, id: demoId(3, AFTER + i), fittedAt, rig: withPartAnew(last.rig, day.part, fittedAt) });
  });
  kept.setups = [...setupsOf.values()].flat();
  /** Returns what was fitted at a time: a part may be changed between two beads. */
  const setupAt = (rigId: string, at: string): SetupRow => fitted(rigId).findLast(({ fittedAt }) => fittedAt <= at)!;

  days.forEach((day, i) => {
    const index = AFTER + i;
    const at = instantOf(day, now);
    if (day.kind === 'refit') return;
    if (day.kind === 'care') {
      kept.care.push({ id: demoId(8, index), rigId: day.rig, task: day.task, doneAt: at, by: day.by });
      return;
    }
    const [couponId, jobId] = [demoId(1, index), demoId(4, index)];
    const { title, job } = day;
    const createdAt = instantOf({ ...day, minute: day.minute - ON_THE_BENCH_MIN }, now);
    kept.coupons.push({ id: couponId, rigId: day.rig, title, createdAt, putAway: false, jobId });
    kept.jobs.push({ id: jobId, couponId, at: createdAt, job });
    const beads = day.beads.map((bead, b) => {
      const ranAt = instantOf({ ...day, minute: day.minute + b * BETWEEN_BEADS_MIN }, now);
      const setup = setupAt(day.rig, ranAt);
      const ran = { id: demoId(2, index * 100 + b), couponId, setupId: setup.id, jobId, ranAt, number: b + 1 };
      return beadOf(bead, ran, setup, job);
    });
    kept.beads.push(...beads);
    if (day.kept === undefined) return;
    const { welds, ...setting } = day.kept;
    let { minute } = day;
    const later = (): string => instantOf({ ...day, minute: (minute += STEP_AFTER_MIN) }, now);
    const provenId = demoId(5, index);
    const beadId = beads[beads.length - 1].id;
    kept.proven.push({ ...setting, id: provenId, couponId, beadId, provenAt: later(), putAway: false });
    welds.forEach(({ steps, ...weld }, w) => {
      const weldIndex = index * 100 + w;
      const logged = { ...weld, id: demoId(6, weldIndex), provenId, weldedAt: later(), note: '', putAway: false };
      kept.welds.push({ ...logged, steps: stepsOf(steps, weldIndex, job, later) });
    });
  });
  kept.rigs = rigs.map(({ setup: _, putAway = false, learnsSince = null, runOutScale = null, ...rig }) => ({
    ...{ ...rig, putAway, learnsSince, runOutScale },
    setupId: fitted(rig.id).at(-1)!.id,
  }));
  return kept;
}
