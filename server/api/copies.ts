import { COPIES_SCHEMA } from '../../core/record/shapes/copies-schema';
import { endpoint, type AnyEndpoint } from './endpoint';

/** How the copies of the record stand. */
export const COPIES: readonly AnyEndpoint[] = [
  endpoint({
    id: 'getCopies',
    method: 'get',
    path: '/copies',
    summary: 'Where the record is copied to all the time, up to when it is copied, and what is in the way.',
    answer: { schema: COPIES_SCHEMA, description: 'how the copies stand' },
    work: (_asked, { copies }) => copies(),
  }),
];
