import type { Transfer } from '@/core/arc/transfer';

/** What the welder calls each way of transfer. */
export const TRANSFER_WORDS: Record<Transfer, string> = {
  'short-circuit': 'short circuit',
  globular: 'coarse drops',
  spray: 'spray',
  pulse: 'pulse',
  tubular: 'tubular wire',
  unstable: 'no stable arc',
};
