import type { Case } from '../core/case/schema';
import { workerCall, type CalledWorker } from './call';
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
export type SchoolReply =
  | { kind: 'eye'; question: EyeQuestion }
  | { kind: 'first'; question: FirstQuestion }
  | { kind: 'blind'; blind: BlindMachine }
  | { kind: 'bead'; bead: BlindBead }
  | { kind: 'count'; beads: number }
  /** No sheet where no figures can be given. */
  | { kind: 'coupons'; sheet: CouponSheet | null };
type Told<Kind extends SchoolReply['kind']> = Extract<SchoolReply, { kind: Kind }>;

const start = (): CalledWorker => new Worker(new URL('./school.worker.ts', window.location.href));

/** Calls the School's worker, which stays for the next call. @param spawn starts it; tests put another in its place */
export const schoolCall = (spawn: () => CalledWorker = start) =>
  workerCall<SchoolAsked, SchoolReply>(spawn, 'It could not be worked out', true);

const call = schoolCall();

/**
 * Has something of the School worked out in its worker.
 * @param signal aborted where the answer is not wanted any more, as of a plate that was typed over
 */
export async function askSchool<Kind extends SchoolReply['kind']>(
  asked: Extract<SchoolAsked, { kind: Kind }>,
  signal?: AbortSignal,
): Promise<Told<Kind>> {
  return (await call(asked, signal === undefined ? {} : { signal })) as Told<Kind>;
}
