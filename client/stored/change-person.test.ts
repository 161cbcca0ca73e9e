import { USUAL_HABITS } from '../../core/record/draft/habits';
import type { Answered } from '../../core/school/practice-schema';
import { HABITS, PERSON } from './device-state';
import { changePersonHere } from './change-person';
import { PRACTICE } from './practice';
import { replacePlatform } from '../../platform/ports';
import { forgetMemory, store, stored } from '../../platform/stored';

const answer = (n: number): Answered => ({
  ...{ at: `2026-05-04T09:00:0${n}.000Z`, drill: 'by-ear', item: 'right', said: 'right', level: 2 },
});
const answers = (): number[] => stored(PRACTICE).answers.map(({ at }) => Number(at.slice(17, 19)));
const give = (n: number): void => store(PRACTICE, { answers: [...stored(PRACTICE).answers, answer(n)] });
const weld = (changes: 'one' | 'all'): void => store(HABITS, { ...USUAL_HABITS, changes });

beforeEach(() => {
  const texts = new Map<string, string>();
  replacePlatform({
    storage: {
      read: (key) => texts.get(key) ?? null,
      write: (key, text) => void texts.set(key, text),
      onForeignWrite: () => () => undefined,
    },
  });
  forgetMemory();
});
afterEach(() => replacePlatform(null));

it('gives each who works with a device their own habits and answers, and finds them again', () => {
  give(1);
  weld('all');
  // The first of all takes over what stands there.
  changePersonHere('ada');
  expect([stored(PERSON), answers(), stored(HABITS).changes]).toEqual(['ada', [1], 'all']);
  give(2);
  // Who was never here begins with no answers, on the device as it was set.
  changePersonHere('ben');
  expect([answers(), stored(HABITS).changes]).toEqual([[], 'all']);
  give(3);
  weld('one');
  changePersonHere('ada');
  expect([answers(), stored(HABITS).changes]).toEqual([[1, 2], 'all']);
  changePersonHere(null);
  expect([stored(PERSON), answers()]).toEqual([null, []]);
  give(4);
  // Nobody's answers are taken over once, by the first.
  changePersonHere('cleo');
  expect(answers()).toEqual([]);
  changePersonHere('ben');
  expect([answers(), stored(HABITS).changes]).toEqual([[3], 'one']);
  forgetMemory();
  expect([stored(PERSON), answers()]).toEqual(['ben', [3]]);
});

it('changes nothing where the same one is picked again', () => {
  changePersonHere('ada');
  give(1);
  changePersonHere('ada');
  expect(answers()).toEqual([1]);
});
