import type { Case } from '@/core/case/schema';
import { caseOfBead } from '@/core/record/draft/case-of';
import type { Bead, Coupon, Setup } from '@/core/record/shapes/record-schema';

/** The bead that a card is made of, with what it was run with, and whether it was judged sound. */
export type CardBead = { bead: Bead; setup: Setup; isSound: boolean };

/**
 * The bead of a coupon that its card tells: the newest that was judged sound, else the newest.
 * @returns null where none was logged, or nothing is known of what it was run with
 */
export function cardBead({ beads, setups }: Pick<Coupon, 'beads' | 'setups'>): CardBead | null {
  const newest = [...beads].reverse();
  const bead = newest.find(({ outcome }) => outcome === 'sound') ?? newest[0];
  const setup = setups.find(({ id }) => id === bead?.setupId);
  return bead === undefined || setup === undefined ? null : { bead, setup, isSound: bead.outcome === 'sound' };
}

/**
 * Returns what a card asks the model: the job as it is known now, run with the bead's setup and figures, and nothing that the bead
 * showed: how it is led, how warm the plate has to be, what to wear.
 */
export function cardCase({ bead, setup }: CardBead, { job }: Pick<Coupon, 'job'>): Case {
  const { findings: _, experience: __, heard: ___, ...input } = caseOfBead(bead, setup, job);
  return input;
}
