import type { CauseId } from '../evidence/ids';
import type { Reason } from './weight-of-evidence';

/** One cause with its probability, what it was before, and what speaks for and against it. */
export type CauseVerdict = { cause: CauseId; probability: number; prior: number; because: Reason[] };
