import { createEmptyCard, fsrs, generatorParameters, Rating, type Card } from 'ts-fsrs';
import { confusionOf, mixedUp } from './confusion';
import { isRight, type Answered } from './practice-schema';

/** Without scatter, so that the same answers give the same card; steps of minutes do not fit a welder's day. */
const SCHEDULER = fsrs(generatorParameters({ enable_fuzz: false, enable_short_term: false }));

/** Returns what is remembered of an item by its answers, oldest first; null where it was never asked. */
export function cardOf(answers: readonly Answered[]): Card | null {
  return answers.reduce<Card | null>((card, answered) => {
    const at = new Date(answered.at);
    return SCHEDULER.next(card ?? createEmptyCard(at), at, isRight(answered) ? Rating.Good : Rating.Again).card;
  }, null);
}

/** What was never asked is as much worth asking as what is half forgotten. */
const NEW = 0.5;
/** What is known for certain is asked now and then all the same. */
const LEAST = 0.05;
/** How much more what is mixed up is asked. */
const MIXED = 3;

/**
 * Returns how much each item is worth asking: by how far it is forgotten, as the spacing model FSRS has it, and more where it was mixed up
 * with another of late. The one asked last is worth half.
 */
export function worthAsking(items: readonly string[], answers: readonly Answered[], now: Date): number[] {
  const pairs = mixedUp(confusionOf(answers, items));
  const last = answers[answers.length - 1]?.item;
  return items.map((item) => {
    const card = cardOf(answers.filter((one) => one.item === item));
    const forgotten = card === null ? NEW : Math.max(LEAST, 1 - SCHEDULER.get_retrievability(card, now, false));
    const mixed = pairs.reduce(
      (most, { one, other, times, of }) => (one === item || other === item ? Math.max(most, times / of) : most),
      0,
    );
    return (forgotten + MIXED * mixed) * (item === last ? 0.5 : 1);
  });
}

/** Returns what is asked next: drawn by what it is worth. @param random even numbers from 0 to 1 */
export function nextItem<Item extends string>(
  items: readonly Item[],
  answers: readonly Answered[],
  now: Date,
  random: () => number,
): Item {
  const worth = worthAsking(items, answers, now);
  let left = random() * worth.reduce((sum, one) => sum + one, 0);
  return items.find((_, i) => (left -= worth[i]) < 0) ?? items[items.length - 1];
}
