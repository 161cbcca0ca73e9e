import type { WireClass } from '../case/schema';
import type { Transfer } from '../arc/transfer';

/** How the next bead should look and sound when the change was right. */
export type NextBead = { looks: string; sounds: string };

/**
 * What a sound bead looks and sounds like in each way of transfer. Source: the trade's own words, as the lexicon has them.
 * A transfer that never runs steadily has nothing to be expected of it.
 */
const BY_TRANSFER: Record<Transfer, NextBead | null> = {
  'short-circuit': {
    looks: 'even, close ripples, toes wetted in, little spatter',
    sounds: 'a steady, even crackle, no pops and no hiss',
  },
  spray: {
    looks: 'a smooth, flat bead, toes wetted in, next to no spatter',
    sounds: 'a steady hiss, a click now and then',
  },
  pulse: { looks: 'fine, even ripples, next to no spatter', sounds: 'an even hum, without crackle' },
  globular: {
    looks: 'coarse ripples and some spatter: this gas does no finer here',
    sounds: 'low plops, evenly spaced',
  },
  tubular: { looks: 'an even bead under slag that lifts off', sounds: 'a soft, even hiss' },
  unstable: null,
};

/** Wire without gas: its arc is no hiss. */
const SELF_SHIELDED: NextBead = {
  looks: 'an even bead, slag over all of it',
  sounds: 'an even, hard crackle, as of frying',
};

/**
 * Returns how the next bead should look and sound at a transfer.
 * @param transfer of the corrected settings; null where not known
 * @param wireClass self-shielded wire sounds otherwise than tubular wire under gas
 */
export const nextBeadAt = (transfer: Transfer | null, wireClass: WireClass | undefined): NextBead | null =>
  transfer === null || (wireClass === 'solid-aluminium' && transfer === 'short-circuit')
    ? null
    : wireClass === 'tubular-self-shielded'
      ? SELF_SHIELDED
      : BY_TRANSFER[transfer];
