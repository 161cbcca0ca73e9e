import type { Answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';
import type { Lesson } from '@/core/learning/teaching';

/** A case with what its rig has taught, of which the worker makes the machine that it is answered with. */
export type Asked = { input: Case; lesson: Lesson | null };
/** What goes to the diagnosis worker and what comes back: the answer, and the case as it was judged. */
export type Question = Asked & { id: number };
export type Reply = { id: number; answer: Answer; judged: Case } | { id: number; problem: string };
