import { isRight, type Answered } from './practice-schema';

/** How often each thing was taken for each, by item and by what was said. */
export type Confusion = { items: string[]; counts: number[][] };

/** Answers that still say what somebody tells apart: older ones were somebody else. */
const LATELY = 60;

/** Returns what was taken for what, over the last answers. @param items of the drill, in their order */
export function confusionOf(answers: readonly Answered[], items: readonly string[]): Confusion {
  const counts = items.map(() => items.map(() => 0));
  for (const { item, said } of answers.slice(-LATELY)) {
    const [i, j] = [items.indexOf(item), items.indexOf(said)];
    if (i >= 0 && j >= 0) counts[i][j] += 1;
  }
  return { items: [...items], counts };
}

/** Two things that are mixed up: how often one was said for the other, of how often either was asked. */
export type MixedUp = { one: string; other: string; times: number; of: number };

/** Returns what is still mixed up, worst first: pairs where one was said for the other more than once, or in a fifth of the questions. */
export function mixedUp({ items, counts }: Confusion): MixedUp[] {
  const asked = counts.map((row) => row.reduce((sum, count) => sum + count, 0));
  return items
    .flatMap((one, i) =>
      items.slice(i + 1).map((other, k): MixedUp => {
        const j = i + 1 + k;
        return { one, other, times: counts[i][j] + counts[j][i], of: asked[i] + asked[j] };
      }),
    )
    .filter(({ times, of }) => times > 1 || (times > 0 && times >= of / 5))
    .sort((a, b) => b.times / b.of - a.times / a.of);
}

/** Returns what is told apart: items asked at least three times of late, nine in ten of them right. */
export function toldApart(answers: readonly Answered[], items: readonly string[]): string[] {
  return items.filter((item) => {
    const of = answers.slice(-LATELY).filter((one) => one.item === item);
    return of.length >= 3 && of.filter(isRight).length >= 0.9 * of.length;
  });
}

/** Share of right answers, ten at a time, oldest first; of fewer than ten there is one. */
export function rightByTens(answers: readonly Answered[]): number[] {
  const tens: number[] = [];
  for (let i = 0; i < answers.length; i += 10) {
    const ten = answers.slice(i, i + 10);
    if (ten.length === 10 || i === 0) tens.push(ten.filter(isRight).length / ten.length);
  }
  return tens;
}
