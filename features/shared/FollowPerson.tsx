import { useEffect, useRef } from 'react';
import type { Following, FollowingChange } from '@/core/access/people-schema';
import { MOST_SENT } from '@/core/access/person';
import type { Habits } from '@/core/record/draft/habits';
import { MOST_ANSWERS } from '@/core/school/most-answers';
import type { Answered, Practice } from '@/core/school/practice-schema';
import { HABITS } from '@/client/stored/device-state';
import { PRACTICE } from '@/client/stored/practice';
import { platform } from '@/platform/ports';
import { store, stored, useStoredPart } from '@/platform/stored';
import { request } from '../../client/api';
import { onServerBack } from '../../client/server-state';

/** What changes in quick succession is sent once, ms. */
const REST = 2000;

const keyOf = ({ at, drill }: Answered): string => `${at} ${drill}`;
const whole = <T,>(value: T): T => value;

/** The answers of both, each once, in the order they were given; the oldest are forgotten where there are too many. */
export function answersTogether(one: readonly Answered[], other: readonly Answered[]): Answered[] {
  const known = new Map([...one, ...other].map((answered) => [keyOf(answered), answered]));
  const inOrder = [...known.values()].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  return inOrder.slice(-MOST_ANSWERS);
}

/**
 * Has what follows somebody come to this device, and what they do here go to the others: how they weld, and what they answer in the
 * School. While the server is away it waits here.
 */
export default function FollowPerson({ id }: { id: string }) {
  const habits = useStoredPart<Habits, Habits>(HABITS, whole);
  const practice = useStoredPart<Practice, Practice>(PRACTICE, whole);
  /** What the server has of them, once it was asked. */
  const known = useRef<{ habits: string; answers: Set<string> } | null>(null);
  useEffect(() => {
    let left = false;
    known.current = null;
    const fetchIt = async (): Promise<void> => {
      const { habits: theirs, answers } = await request<Following>('GET', `/people/${id}/following`);
      if (left) return;
      known.current = { habits: JSON.stringify(theirs), answers: new Set(answers.map(keyOf)) };
      store(PRACTICE, { answers: answersTogether(answers, stored(PRACTICE).answers) });
      if (theirs !== null) store(HABITS, theirs);
      // What the server lacks is sent by the effect below, which what was stored wakes.
      else store(HABITS, { ...stored(HABITS) });
    };
    const ask = (): void => {
      if (known.current === null) void fetchIt().catch(() => undefined);
    };
    ask();
    const hearNoMore = onServerBack(ask);
    return () => {
      left = true;
      hearNoMore();
    };
  }, [id]);
  useEffect(() => {
    const send = async (): Promise<void> => {
      for (;;) {
        const has = known.current;
        if (has === null) return;
        const answers = stored(PRACTICE)
          .answers.filter((answered) => !has.answers.has(keyOf(answered)))
          .slice(0, MOST_SENT);
        const isOther = JSON.stringify(stored(HABITS)) !== has.habits;
        if (answers.length === 0 && !isOther) return;
        const change: FollowingChange = {
          ...(answers.length === 0 ? {} : { answers }),
          ...(isOther ? { habits: stored(HABITS) } : {}),
        };
        await request('PATCH', `/people/${id}/following`, change);
        if (change.habits !== undefined) has.habits = JSON.stringify(change.habits);
        answers.forEach((answered) => has.answers.add(keyOf(answered)));
      }
    };
    const trySend = (): void => void send().catch(() => undefined);
    const callOff = platform().after(REST, trySend);
    const hearNoMore = onServerBack(trySend);
    return () => {
      callOff();
      hearNoMore();
    };
  }, [id, habits, practice]);
  return null;
}
