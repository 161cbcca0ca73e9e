import type { Habits } from '@/core/record/draft/habits';

/** How many things are changed between two beads. */
export const CHANGES_WORDS: readonly { value: Habits['changes']; label: string }[] = [
  { value: 'one', label: 'One change a bead' },
  { value: 'all', label: 'All at once' },
];
