import type { Answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';

/** What goes to the diagnosis worker and what comes back. */
export type Question = { id: number; input: Case };
export type Reply = { id: number; answer: Answer } | { id: number; problem: string };
