import type { Job } from '../case/schema';
import type { Defect } from '../inspection/defects';
import type { Measured } from '../inspection/measures';
import type { Groove } from './groove';
import { lengthInMm } from '../quantity/millimetres';

export type StepKind = 'take-out' | 'prove' | 'prepare' | 'weld' | 'cool' | 'look' | 'restore';

/** One step of a repair, in metric words as all texts are. */
export type RepairStep = { kind: StepKind; text: string };

/** How one defect is put right. */
export type RepairPlan = {
  defect: Defect;
  name: string;
  steps: RepairStep[];
  /** The plate as it is welded again: what the figures are computed for; null where no metal is laid. */
  weld: Job | null;
  groove: Groove | null;
  /** Why nobody here goes on; null where the repair is theirs. */
  stop: string | null;
};

export type ToRepair = { job: Job; measured: Measured };

/** "One pass, as a 6 mm leg", "3 passes, each as a 5 mm leg". @param where "over it" and the like */
export const passWords = (passes: number, legMm: number, where = ''): string =>
  passes === 1
    ? `One pass${where}, as a ${lengthInMm(legMm)} leg`
    : `${passes} passes${where}, each as a ${lengthInMm(legMm)} leg`;
export const thin = ({ thicknessMm = 3, otherThicknessMm }: Job): number =>
  Math.min(thicknessMm, otherThicknessMm ?? thicknessMm);
export const isSteel = ({ baseMetal }: Job): boolean => baseMetal === undefined || baseMetal === 'mild-steel';

export const toolsFor = ({ baseMetal }: Job): string =>
  baseMetal === 'aluminium'
    ? 'Burr or coarse disc for aluminium, no disc that steel was ground with.'
    : baseMetal === 'stainless'
      ? 'Disc for stainless only: iron from another one rusts in it.'
      : 'Grinder, burr or gouge.';

/** Job of the metal that is laid: the same plate, as a groove or as the joint it is. */
export const again = (job: Job, change: Partial<Job>): Job => {
  const { lengthMm: _, gapMm: __, ...plate } = job;
  return { ...plate, ...change };
};

export type Part = Pick<RepairPlan, 'weld' | 'groove'> & { steps: RepairStep[] };
export const NOTHING_LAID = { weld: null, groove: null };

export const step = (kind: StepKind, text: string): RepairStep => ({ kind, text });
