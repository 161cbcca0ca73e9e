import { useCallback } from 'react';
import { levelAfter } from '@/core/school/level';
import { ofDrill, withAnswer, type Answered, type Drill, type Practice } from '@/core/school/practice-schema';
import { PRACTICE } from '@/client/stored/practice';
import { platform } from '@/platform/ports';
import { store, stored, useStoredPart } from '@/platform/stored';

const whole = (practice: Practice): Practice => practice;

/** Returns what was answered on this device. */
export const usePractice = (): Practice => useStoredPart(PRACTICE, whole);

/** The answers of one drill, how hard its next question is, and how an answer is kept. */
export function useDrill(drill: Drill): {
  answers: Answered[];
  level: number;
  keep: (item: string, said: string, level: number) => void;
} {
  const answers = ofDrill(usePractice(), drill);
  const keep = useCallback(
    (item: string, said: string, level: number) =>
      store(PRACTICE, withAnswer(stored(PRACTICE), { at: platform().now().toISOString(), drill, item, said, level })),
    [drill],
  );
  return { answers, level: levelAfter(answers), keep };
}

/** A seed for a question: another each time. */
export const newSeed = (): number => platform().now().getTime() % 2_147_483_647;
