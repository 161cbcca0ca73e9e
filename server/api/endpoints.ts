import { ACCESS } from './access';
import { PEOPLE } from './people';
import { EXAMPLE_CASE } from '../../core/cases/example';
import { CASE_SCHEMA } from '../../core/case/schema';
import { validateCase } from '../../core/case/validate';
import {
  BEAD_SCHEMA,
  COUPON_PAGE_SCHEMA,
  COUPON_SCHEMA,
  RIG_RECORD_SCHEMA,
} from '../../core/record/shapes/record-schema';
import { CARE_KNOWN_SCHEMA } from '../../core/record/shapes/care-schema';
import { WORN_SCHEMA } from '../../core/record/shapes/part-wear';
import { HISTORY_ENTRY_SCHEMA } from '../../core/record/change/change-schema';
import { TEACHING_SCHEMA } from '../../core/learning/teaching';
import { ID, INSTANT } from '../../core/schema/parts';
import { findBead } from '../db/records/beads';
import { newestRevision } from '../db/changes/changes-since';
import { careOf } from '../db/records/care';
import { findCoupon, pageOfCoupons } from '../db/records/coupons';
import { historyOf } from '../db/records/history';
import { findRig, listRigs } from '../db/records/rigs';
import { wornParts } from '../db/records/part-wear';
import { chartOf, lessonsOf } from '../diagnosis/lessons';
import { OutsideModel } from '../errors/outside-model';
import { ANSWER_SCHEMA, CHART_SCHEMA, START_SCHEMA } from './answer-schema';
import { CHANGES } from './changes';
import { COPIES } from './copies';
import { endpoint, LIMIT, type AnyEndpoint, type Context } from './endpoint';
import { LOG } from './log';
import { PICTURES } from './pictures';
import { WELDS } from './welds';

/** The arc model refuses figures that are each possible but not together; its message names them. */
async function worked<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Error && error.name === 'RangeError') throw new OutsideModel(error.message);
    throw error;
  }
}

/** One thing of the record by its id. */
const one = (
  name: string,
  path: string,
  schema: object,
  find: (id: string, context: Context) => unknown,
): AnyEndpoint =>
  endpoint({
    id: `get${name[0].toUpperCase()}${name.slice(1)}`,
    method: 'get',
    path: `${path}/{id}`,
    summary: `One ${name}.`,
    answer: { schema, description: `the ${name} as it is stored` },
    problems: ['not-found'],
    work: ({ params }, context) => find(params.id, context),
  });

const INSTANT_TEXT = INSTANT.pattern.slice(1, -1);
const ID_TEXT = ID.pattern.slice(1, -1);

/** Anything but the characters that cannot be seen. */
const WORDS = '^[^\\u0000-\\u001f\\u007f]{1,80}$';

const RIGS = [
  endpoint({
    id: 'listRigs',
    method: 'get',
    path: '/rigs',
    summary: 'Every rig with what is fitted now.',
    answer: { schema: { type: 'array', items: RIG_RECORD_SCHEMA }, description: 'the rigs by name' },
    work: (_, { store, report }) => listRigs(store, report),
  }),
  one('rig', '/rigs', RIG_RECORD_SCHEMA, (id, { store }) => findRig(store, id)),
  endpoint({
    id: 'getRigExperience',
    method: 'get',
    path: '/rigs/{id}/experience',
    summary: 'What a rig has taught: how its volts and wire stand to the arc, and the causes it is known for.',
    answer: { schema: TEACHING_SCHEMA, description: 'what was learned, from which beads, and how sure it is' },
    problems: ['not-found', 'busy'],
    work: ({ params }, context) => worked(() => lessonsOf(context, params.id, context.now())),
  }),
  endpoint({
    id: 'listRigParts',
    method: 'get',
    path: '/rigs/{id}/parts',
    summary: 'What the parts of a rig have done since each was fitted.',
    answer: { schema: { type: 'array', items: WORN_SCHEMA }, description: 'beads and arc minutes by part' },
    problems: ['not-found'],
    work: ({ params }, { store }) => wornParts(store, params.id),
  }),
  endpoint({
    id: 'listRigCare',
    method: 'get',
    path: '/rigs/{id}/care',
    summary: 'What is looked after on a rig: when each was last done, and what ran and showed since.',
    answer: { schema: { type: 'array', items: CARE_KNOWN_SCHEMA }, description: 'what is known, by task' },
    problems: ['not-found'],
    work: ({ params }, { store }) => careOf(store, params.id),
  }),
  endpoint({
    id: 'getRigChart',
    method: 'get',
    path: '/rigs/{id}/chart',
    summary: 'The own settings chart of a rig: fillets by thickness and position, in figures and on its dials.',
    answer: { schema: CHART_SCHEMA, description: 'the cells; those that a sound bead stands behind say so' },
    problems: ['not-found', 'busy'],
    work: ({ params }, context) => worked(() => chartOf(context, params.id, context.now())),
  }),
];

const COUPONS = [
  endpoint({
    id: 'listCoupons',
    method: 'get',
    path: '/coupons',
    summary: 'A page of coupons, newest first.',
    query: {
      state: {
        pattern: '^(sound|open)$',
        takes: 'sound or open',
        description: 'with a sound bead, or without one yet',
      },
      rig: { pattern: ID.pattern, takes: ID.description, description: 'of this rig only' },
      text: { pattern: WORDS, takes: 'up to 80 letters', description: 'words of the title' },
      putAway: { pattern: '^(true|false)$', takes: 'true or false', description: 'those put away instead' },
      after: { pattern: `^${INSTANT_TEXT}~${ID_TEXT}$`, takes: 'the "next" of the page before', description: 'cursor' },
      limit: LIMIT,
    },
    answer: { schema: COUPON_PAGE_SCHEMA, description: 'the page, and the cursor of the next' },
    work: ({ query }, { store, report }) => {
      const [createdAt, id] = query.after?.split('~') ?? [];
      return pageOfCoupons(
        store,
        {
          limit: Number(query.limit ?? 30),
          putAway: query.putAway === 'true',
          ...(query.state === undefined ? {} : { state: query.state as 'sound' | 'open' }),
          ...(query.rig === undefined ? {} : { rigId: query.rig }),
          ...(query.text === undefined ? {} : { text: query.text }),
          ...(createdAt === undefined || id === undefined ? {} : { after: { createdAt, id } }),
        },
        report,
      );
    },
  }),
  one('coupon', '/coupons', COUPON_SCHEMA, (id, { store, report }) => findCoupon(store, id, report)),
  endpoint({
    id: 'listCouponHistory',
    method: 'get',
    path: '/coupons/{id}/history',
    summary: 'Every change of a coupon and its beads, in order, with what stood there before.',
    answer: { schema: { type: 'array', items: HISTORY_ENTRY_SCHEMA }, description: 'the changes, oldest first' },
    work: ({ params }, { store, report }) => historyOf(store, params.id, report),
  }),
];

const BEADS = [one('bead', '/beads', BEAD_SCHEMA, (id, { store }) => findBead(store, id))];

/** Everything the server can be asked. */
export const ENDPOINTS: readonly AnyEndpoint[] = [
  ...ACCESS,
  ...PEOPLE,
  endpoint({
    id: 'getHealth',
    method: 'get',
    path: '/health',
    summary: 'Whether the server answers and its database can be read.',
    answer: {
      schema: {
        type: 'object',
        additionalProperties: false,
        required: ['ok', 'revision'],
        properties: { ok: { const: true }, revision: { type: 'integer' } },
      },
      description: 'all is well, with the newest revision',
    },
    work: (_, { store }) => ({ ok: true, revision: newestRevision(store) }),
  }),
  endpoint({
    id: 'diagnose',
    method: 'post',
    path: '/diagnose',
    summary: 'A case in, its answer out. Nothing is stored.',
    body: { schema: CASE_SCHEMA, read: validateCase, example: EXAMPLE_CASE },
    answer: { schema: ANSWER_SCHEMA, description: 'causes, next checks, correction and cautions' },
    problems: ['outside-model', 'busy'],
    work: ({ body }, { diagnose }) => worked(() => diagnose(body)),
  }),
  endpoint({
    id: 'start',
    method: 'post',
    path: '/start',
    summary:
      'A job and a rig in, what to start with out. Figures and findings of a bead are not asked. Nothing is stored.',
    body: { schema: CASE_SCHEMA, read: validateCase, example: EXAMPLE_CASE },
    answer: { schema: START_SCHEMA, description: 'settings, passes, technique, times, what is out of reach, cautions' },
    problems: ['outside-model', 'busy'],
    work: ({ body }, { start }) => worked(() => start(body)),
  }),
  ...RIGS,
  ...COUPONS,
  ...BEADS,
  ...LOG,
  ...WELDS,
  ...PICTURES,
  ...CHANGES,
  ...COPIES,
];
