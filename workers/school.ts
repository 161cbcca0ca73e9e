import type { Case } from '../core/case/schema';
import type { CouponSheet } from '../core/school/coupons';
import type { Dials } from '../core/setting/dials';
import type { EyeItem, EyeQuestion } from '../core/school/eye-items';
import type { BlindBead, BlindMachine } from '../core/school/set-blind';
import type { FirstQuestion } from '../core/school/what-first';

/** What is asked of the worker: a question of the School that takes the diagnosis. */
export type SchoolAsked =
  | { kind: 'eye'; item: EyeItem; level: number; mixed: string[]; seed: number }
  | { kind: 'first'; level: number; seed: number }
  | { kind: 'blind'; level: number; seed: number }
  | { kind: 'bead'; blind: BlindMachine; knobs: BlindKnobs; seed: number }
  | { kind: 'count'; blind: BlindMachine; seed: number }
  | { kind: 'coupons'; input: Case; dials: Dials; seed: number };
export type BlindKnobs = { voltageV: number; wireSpeedMPerMin: number; stickOutMm: number };
export type SchoolTold =
  | { kind: 'eye'; question: EyeQuestion }
  | { kind: 'first'; question: FirstQuestion }
  | { kind: 'blind'; blind: BlindMachine }
  | { kind: 'bead'; bead: BlindBead }
  | { kind: 'count'; beads: number }
  /** No sheet where no figures can be given. */
  | { kind: 'coupons'; sheet: CouponSheet | null };
type Told<Kind extends SchoolTold['kind']> = Extract<SchoolTold, { kind: Kind }>;

type SchoolWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

const start = (): SchoolWorker => new Worker(new URL('./school.worker.ts', window.location.href));

let running: SchoolWorker | null = null;

/**
 * Has something of the School worked out in its worker, which is started with the first. What was asked before and is not answered yet
 * is not wanted any more.
 * @param spawn starts the worker; tests put another in its place
 */
export function askSchool<Kind extends SchoolTold['kind']>(
  asked: Extract<SchoolAsked, { kind: Kind }>,
  spawn: () => SchoolWorker = start,
): Promise<Told<Kind>> {
  running ??= spawn();
  const worker = running;
  return new Promise<Told<Kind>>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<SchoolTold>) => {
      if (data.kind === asked.kind) done(data as Told<Kind>);
    };
    worker.onerror = () => {
      worker.terminate();
      running = null;
      fail(new Error('It could not be worked out'));
    };
    worker.postMessage(asked);
  });
}
