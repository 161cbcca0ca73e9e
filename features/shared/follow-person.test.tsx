import '@/platform/testing/device';
import { act, render, waitFor } from '@testing-library/react';
import { USUAL_HABITS, type Habits } from '@/core/record/draft/habits';
import type { Answered } from '@/core/school/practice-schema';
import { HABITS } from '@/client/stored/device-state';
import { PRACTICE } from '@/client/stored/practice';
import { replacePlatform } from '@/platform/ports';
import { quickTimers } from '@/platform/testing/timers';
import { forgetMemory, store, stored } from '@/platform/stored';
import FollowPerson, { answersTogether } from './FollowPerson';
import { serverAnswered, serverAway } from '../../client/server-state';

const answer = (n: number): Answered => ({
  ...{
    at: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString(),
    drill: 'by-ear',
    item: 'right',
    said: 'right',
    level: 2,
  },
});
const give = (...seconds: number[]): void =>
  store(PRACTICE, { answers: [...stored(PRACTICE).answers, ...seconds.map(answer)] });
const at = (answers: readonly Answered[]): number[] => answers.map((one) => new Date(one.at).getUTCSeconds());

let server: { habits: Habits | null; answers: Answered[]; asked: string[]; isAway: boolean };
beforeEach(() => {
  server = { habits: null, answers: [], asked: [], isAway: false };
  replacePlatform({
    ...quickTimers,
    storage: { read: () => null, write: () => undefined, onForeignWrite: () => () => undefined },
    request: async (path, { method, body }) => {
      server.asked.push(`${method} ${path}`);
      if (server.isAway) throw new TypeError('no network');
      if (method === 'PATCH') {
        const { habits: theirs, answers: given = [] } = JSON.parse(String(body)) as {
          habits?: Habits;
          answers?: Answered[];
        };
        expect(given.length).toBeLessThanOrEqual(40);
        server.answers = answersTogether(server.answers, given);
        server.habits = theirs ?? server.habits;
      }
      const { habits, answers } = server;
      return { ok: true, json: async () => ({ habits, answers }) } as Response;
    },
  });
  forgetMemory();
  serverAnswered();
});
afterEach(() => replacePlatform(null));

describe('what follows somebody', () => {
  it('comes to the device, and what the device has goes to the server, each once', async () => {
    server.answers = [answer(2)];
    server.habits = { ...USUAL_HABITS, units: 'inch' };
    give(1, 3);
    render(<FollowPerson id="ada" />);
    await waitFor(() => expect(at(stored(PRACTICE).answers)).toEqual([1, 2, 3]));
    expect(stored(HABITS).units).toBe('inch');
    await waitFor(() => expect(at(server.answers)).toEqual([1, 2, 3]));
    const asked = server.asked.length;
    act(() => give(4));
    await waitFor(() => expect(at(server.answers)).toEqual([1, 2, 3, 4]));
    expect(server.asked.slice(asked)).toEqual(['PATCH /api/people/ada/following']);
  });

  it('tells how they weld where the server does not know yet, and what is changed here', async () => {
    act(() => store(HABITS, { ...USUAL_HABITS, changes: 'all' }));
    render(<FollowPerson id="ada" />);
    await waitFor(() => expect(server.habits?.changes).toBe('all'));
    act(() => store(HABITS, { ...USUAL_HABITS, changes: 'one' }));
    await waitFor(() => expect(server.habits?.changes).toBe('one'));
  });

  it('waits while the server is away, and goes in parts that it takes', async () => {
    server.isAway = true;
    render(<FollowPerson id="ada" />);
    act(() => give(...Array.from({ length: 95 }, (_, i) => i)));
    await waitFor(() => expect(server.asked.length).toBeGreaterThan(0));
    act(serverAway);
    server.isAway = false;
    act(serverAnswered);
    await waitFor(() => expect(server.answers).toHaveLength(95));
    expect(server.asked.filter((one) => one.startsWith('PATCH')).length).toBeGreaterThanOrEqual(3);
  });

  it('is that of who is there now: an answer that comes late is not taken for another', async () => {
    server.answers = [answer(9)];
    const { unmount } = render(<FollowPerson id="ada" />);
    unmount();
    await new Promise((later) => setTimeout(later, 50));
    expect(stored(PRACTICE).answers).toEqual([]);
  });
});

it('puts answers of two devices together in order, and forgets the oldest', () => {
  expect(at(answersTogether([answer(3), answer(1)], [answer(2), answer(1)]))).toEqual([1, 2, 3]);
  const many = Array.from({ length: 1500 }, (_, i) => ({ ...answer(0), at: new Date(i * 1000).toISOString() }));
  const later = many.map((one, i) => ({ ...one, at: new Date((1500 + i) * 1000).toISOString() }));
  const kept = answersTogether(later, many);
  expect([kept.length, kept[0].at]).toEqual([2000, new Date(1_000_000).toISOString()]);
});
