import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Job } from '../../core/case/schema';
import type { FittedPart } from '../../core/case/terms';
import type { CareTask } from '../../core/care/tasks';
import type { CauseId } from '../../core/evidence/ids';
import type { NewBead } from '../../core/record/shapes/record-schema';
import type { DemoSavedSetting, DemoStep, DemoWeld } from './welds';

/** When it was, told backwards from the day of loading; minutes after nine. */
type When = { daysAgo: number; minute: number; rig: string };

/** A bead of the two years; its words are made when it is loaded. */
export type YearsBead = Pick<NewBead, 'settings' | 'findings' | 'move' | 'outcome' | 'appearance'> & {
  verdict: { cause: CauseId; probability: number } | null;
  cured: CauseId[];
};

/** A step of a weld, its level by its id. */
export type YearsStep =
  | (Omit<Extract<DemoStep, { kind: 'inspection' }>, 'level'> & { level: string })
  | Extract<DemoStep, { kind: 'repair' }>;
export type DemoYears = Omit<DemoSavedSetting, 'coupon' | 'welds'> & {
  welds: (Omit<DemoWeld, 'steps'> & { steps: YearsStep[] })[];
};

/** One line of the two years: a coupon with all that came of it, a part that was fitted anew, or something looked after. */
export type DemoDay =
  | (When & {
      kind: 'coupon';
      by: string;
      title: string;
      job: Job;
      beads: YearsBead[];
      kept?: DemoYears;
    })
  | (When & { kind: 'refit'; part: FittedPart })
  | (When & { kind: 'care'; task: CareTask; by: string });

/** The two years as `npm run demo-years` wrote them, oldest first. */
export const YEARS = (): DemoDay[] =>
  readFileSync(join(__dirname, 'years.jsonl'), 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as DemoDay);
