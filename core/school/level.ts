import { isRight, type Answered } from './practice-schema';

/** From the coarsest fault to the finest. */
export const LEVELS = { least: 1, most: 8 } as const;
/** Where a drill begins. */
const FIRST = 2;
/** So many right ones in a row, and it gets harder. */
const RIGHT_IN_A_ROW = 2;

/**
 * Returns how hard the next question of a drill is: the transformed up-down staircase of Levitt (1971), two up and one down. Two right answers
 * in a row make it one step harder, a wrong one makes it one easier; so it settles where 71 of 100 are right, which is hard enough to
 * learn by and not so hard that it is guessed.
 * @param answers of one drill, oldest first
 */
export function levelAfter(answers: readonly Answered[]): number {
  let level: number = FIRST;
  let inARow = 0;
  for (const answered of answers) {
    if (!isRight(answered)) {
      level = Math.max(LEVELS.least, level - 1);
      inARow = 0;
    } else if (++inARow === RIGHT_IN_A_ROW) {
      level = Math.min(LEVELS.most, level + 1);
      inARow = 0;
    }
  }
  return level;
}

/** A value between one for the easiest level and one for the hardest. */
export const byLevel = (level: number, easy: number, hard: number): number =>
  easy + ((hard - easy) * (level - LEVELS.least)) / (LEVELS.most - LEVELS.least);
