import type { Case } from '../case/schema';
import { NO_OTHER_WAY, type Correction } from '../correction/correct';
import { toGoOnWith } from '../setting/table';

/**
 * A correction of a rig that has to be put right first: what is set stays, and nothing is proposed beside it. What is not known
 * stays unknown.
 */
export function heldBack(correction: Correction, { settings = {} }: Case): Correction {
  return {
    ...correction,
    settings: toGoOnWith(settings),
    moves: correction.moves.filter(({ kind }) => kind === 'remedy'),
    alternative: NO_OTHER_WAY,
    either: false,
    after: correction.before,
    outOfReach: [],
    procedure: [],
  };
}
