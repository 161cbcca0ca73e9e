import {
  ENTRY_KINDS,
  ENTRY_OUTCOMES,
  ENTRY_PAGE_SCHEMA,
  FACETS_SCHEMA,
  type EntryKind,
  type EntryOutcome,
} from '../../core/record/shapes/log-entry-schema';
import { CHARTS_SCHEMA } from '../../core/record/shapes/charts-schema';
import { ID, INSTANT } from '../../core/schema/parts';
import { facetsOfLog, pageOfLog, type LogFilter } from '../db/log/log';
import { endpoint, LIMIT } from './endpoint';

const INSTANT_TEXT = INSTANT.pattern.slice(1, -1);
const oneOf = (list: readonly string[]): string => `(${list.join('|')})`;
const WORD = { pattern: '^[a-z0-9-]{1,60}$', takes: 'an id such as voltage-low' };
const MM = { pattern: '^\\d{1,3}(\\.\\d{1,2})?$', takes: 'a thickness in mm, such as 3 or 1.5' };
const WHEN = { pattern: INSTANT.pattern, takes: INSTANT.description };

/** Returns what is asked of the log, as its query takes it. */
function filterOf(query: Record<string, string | undefined>): LogFilter {
  const { kinds, rig, text, cause, finding, metal, thinnest, thickest, outcome, by, from, to, after } = query;
  const [at, id] = after?.split('~') ?? [];
  return {
    limit: Number(query.limit ?? 40),
    putAway: query.putAway === 'true',
    ...(kinds === undefined ? {} : { kinds: kinds.split(',') as EntryKind[] }),
    ...(rig === undefined ? {} : { rigId: rig }),
    ...(text === undefined ? {} : { text }),
    ...(cause === undefined ? {} : { cause }),
    ...(finding === undefined ? {} : { finding }),
    ...(metal === undefined ? {} : { baseMetal: metal }),
    ...(thinnest === undefined ? {} : { thinnestMm: Number(thinnest) }),
    ...(thickest === undefined ? {} : { thickestMm: Number(thickest) }),
    ...(outcome === undefined ? {} : { outcome: outcome as EntryOutcome }),
    ...(by === undefined ? {} : { by }),
    ...(from === undefined ? {} : { from }),
    ...(to === undefined ? {} : { to }),
    ...(at === undefined || id === undefined ? {} : { after: { at, id: Number(id) } }),
  };
}

/** Everything that happened, as one list. */
export const LOG = [
  endpoint({
    id: 'listLog',
    method: 'get',
    path: '/log',
    summary: 'A page of everything that happened, newest first: coupons, beads, kept settings, welds, parts, care.',
    query: {
      kinds: {
        pattern: `^${oneOf(ENTRY_KINDS)}(,${oneOf(ENTRY_KINDS)})*$`,
        takes: `kinds with commas between: ${ENTRY_KINDS.join(', ')}`,
        description: 'only these',
      },
      rig: { pattern: ID.pattern, takes: ID.description, description: 'of this rig only' },
      text: {
        pattern: '^[^\\u0000-\\u001f\\u007f]{1,80}$',
        takes: 'up to 80 letters',
        description: 'words that all have to be there, each by how it begins; trade words find what they mean',
      },
      cause: { ...WORD, description: 'the first cause of the bead' },
      finding: { ...WORD, description: 'what the bead shows, or what of the weld is over its limit' },
      metal: { ...WORD, description: 'the metal of the plate' },
      thinnest: { ...MM, description: 'the thinner part from this' },
      thickest: { ...MM, description: 'the thinner part up to this' },
      outcome: {
        pattern: `^${oneOf(ENTRY_OUTCOMES)}$`,
        takes: ENTRY_OUTCOMES.join(', '),
        description: 'how the bead was judged, or the inspection ended',
      },
      by: { pattern: '^[^\\u0000-\\u001f\\u007f]{1,60}$', takes: 'a name', description: 'whose it was' },
      from: { ...WHEN, description: 'the first instant that counts' },
      to: { ...WHEN, description: 'the last instant that counts' },
      putAway: { pattern: '^(true|false)$', takes: 'true or false', description: 'what was put away instead' },
      after: { pattern: `^${INSTANT_TEXT}~\\d{1,15}$`, takes: 'the "next" of the page before', description: 'cursor' },
      limit: LIMIT,
    },
    answer: { schema: ENTRY_PAGE_SCHEMA, description: 'the page, and the cursor of the next' },
    work: ({ query }, { store }) => pageOfLog(store, filterOf(query)),
  }),
  endpoint({
    id: 'getLogFacets',
    method: 'get',
    path: '/log/facets',
    summary: 'What the log can be narrowed to: causes, findings, people and metals that there are.',
    answer: { schema: FACETS_SCHEMA, description: 'the choices, the most frequent first' },
    work: (_, { store }) => facetsOfLog(store),
  }),
  endpoint({
    id: 'getLogCharts',
    method: 'get',
    path: '/log/charts',
    summary:
      'The sum of the record by the month: causes, beads to sound, sound at the first bead, defects by the age of parts.',
    query: { rig: { pattern: ID.pattern, takes: ID.description, description: 'of this rig only' } },
    answer: { schema: CHARTS_SCHEMA, description: 'two years of months, and parts by the arc that burned on them' },
    problems: ['busy'],
    work: ({ query }, { charts, database, now }) =>
      charts({ database, rigId: query.rig ?? null, now: now().toISOString() }),
  }),
];
