import { validateChange } from '../../core/record/change/change';
import {
  ANY_CHANGE_SCHEMA,
  CHANGES_SCHEMA,
  CHANGED_SCHEMA,
  type Changed,
  type Changes,
  type HistoryEntry,
} from '../../core/record/change/change-schema';
import { CHANGES as CHANGE_DESCRIPTORS } from '../../core/record/kinds/all';
import { applyChange } from '../db/changes/apply';
import { changesSince, changesForListeners, somethingSince } from '../db/changes/changes-since';
import { shownAs } from '../db/kinds/all';
import { write } from '../db/records/write';
import { EXAMPLE_CHANGE } from './example-change';
import { requireMay } from './people';
import { endpoint, LIMIT, SharedAnswer, type AnyEndpoint, type Context } from './endpoint';

/** Returns what is now so of the thing that a change was of. */
export const nowSo = ({ kind, of }: HistoryEntry, { store, report }: Context): Omit<Changed, 'entry'> =>
  shownAs(CHANGE_DESCRIPTORS[kind].of, store, of, report);

/** What those who wait are told, as it is sent: every device in the workshop is told the same at once. */
const sharedAnswers = new WeakMap<Changes, SharedAnswer>();

function sharedAnswerOf(changes: Changes): SharedAnswer {
  const ready = sharedAnswers.get(changes) ?? new SharedAnswer(changes);
  sharedAnswers.set(changes, ready);
  return ready;
}

/** Changes by the devices: one taken, and those since a revision. */
export const CHANGES: readonly AnyEndpoint[] = [
  endpoint({
    id: 'sendChange',
    method: 'post',
    path: '/changes',
    summary: 'Takes one change, once: the same one sent again is answered with what it came to.',
    body: { schema: ANY_CHANGE_SCHEMA, read: validateChange, example: EXAMPLE_CHANGE },
    answer: { schema: CHANGED_SCHEMA, description: 'its place in the history, and what is now so' },
    problems: ['not-found', 'conflict', 'touched-since', 'not-the-keeper', 'not-this-person'],
    work: async ({ body, caller }, context) => {
      requireMay(caller, body, context);
      const entry = await write(context.store, (writing) => applyChange(writing, body));
      return { entry, ...nowSo(entry, context) };
    },
  }),
  endpoint({
    id: 'listChanges',
    method: 'get',
    path: '/changes',
    summary: 'What changed since a revision, oldest first; waits for something new if asked to.',
    query: {
      since: {
        pattern: '^\\d{1,12}$',
        takes: 'a whole number',
        description: 'the newest revision that is known; 0 for none',
      },
      limit: LIMIT,
      wait: {
        pattern: '^(1?\\d|2[0-5])$',
        takes: 'a whole number from 0 to 25',
        description: 'how many seconds to wait where there is nothing new',
      },
    },
    answer: { schema: CHANGES_SCHEMA, description: 'the changes, and up to which revision they go' },
    work: async ({ query }, { store, report }) => {
      const since = Number(query.since ?? 0);
      await somethingSince(store, since, Number(query.wait ?? 0) * 1000);
      const limit = Number(query.limit ?? 100);
      return query.wait === undefined || query.wait === '0'
        ? changesSince(store, since, limit, report)
        : sharedAnswerOf(changesForListeners(store, since, limit, report));
    },
  }),
];
