import { ID } from '../../core/schema/parts';
import { COOKIE } from '../access/caller';
import { PROBLEMS, type ProblemCode } from '../errors/problem';
import { componentsIn, withReferences } from './components';
import { LIMIT, type Described, type TextParameter } from './endpoint';

type Document = Record<string, unknown>;

/** Problems that any endpoint may answer with. */
const ANYWHERE: ProblemCode[] = ['wrong-fields', 'not-in'];
/** Problems that say nothing of what was asked: the answer `default` of every endpoint. */
const NOT_OF_IT: ProblemCode[] = ['unknown-host', 'broken', 'database-unreadable'];
export const DEFAULT_STATUSES: readonly number[] = NOT_OF_IT.map((code) => PROBLEMS[code].status);
const WITH_BODY: ProblemCode[] = ['not-json', 'too-large', 'wrong-content-type'];
/** Problems of what may write. */
const WRITING: ProblemCode[] = ['wrong-origin', 'disk-full', 'database-locked', 'sites-apart'];

/** What each part of the API is for, by the first word of its addresses. */
const TAGS = {
  answers: { of: ['diagnose', 'start'], description: 'A case in, its answer out; nothing is stored.' },
  record: {
    of: ['rigs', 'coupons', 'beads', 'proven', 'welds', 'levels', 'log', 'pictures'],
    description: 'What the workshop has written down: machines, jobs, beads, saved settings, welds, pictures.',
  },
  changes: { of: ['changes'], description: 'The one way to write, and what others wrote.' },
  files: { of: ['record', 'schemas', 'openapi.json'], description: 'The whole record as files, and the formats.' },
  access: {
    of: ['session', 'devices', 'join-codes', 'pass-phrase', 'people'],
    description: 'Who may come in from the network, and who works here.',
  },
  server: { of: ['health', 'copies'], description: 'How the server and its copies stand.' },
} as const;

const tagOf = (path: string): string =>
  Object.entries(TAGS).find(([, { of }]) => (of as readonly string[]).includes(path.split('/')[1]))?.[0] ??
  path.split('/')[1];

/** The ways in which one status may come, once each for the whole document: by their codes. */
type Problems = Map<string, Document>;

const problemContent = { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } };

function answersOf({ method, answer, body, problems = [] }: Described, known: Problems): Document {
  const codes = [
    ...ANYWHERE,
    ...(body === undefined ? [] : WITH_BODY),
    ...(method === 'get' ? [] : WRITING),
    ...problems,
  ];
  const content = { [answer.type ?? 'application/json']: { schema: withReferences(answer.schema) } };
  const byStatus: Document = { '200': { description: answer.description, content } };
  for (const status of [...new Set(codes.map((code) => PROBLEMS[code].status))].sort()) {
    const here = [...new Set(codes.filter((code) => PROBLEMS[code].status === status))];
    // Named by the first of its codes; where others come beside it, by their number.
    const name = here.length === 1 ? here[0] : `${here[0]}-${here.length}-${here.join('').length}`;
    const description = here.map((code) => `${code}: ${PROBLEMS[code].title}`).join('; ');
    known.set(name, { description, content: problemContent });
    byStatus[String(status)] = { $ref: `#/components/responses/${name}` };
  }
  byStatus.default = { $ref: '#/components/responses/default' };
  return byStatus;
}

/** Returns a parameter, which is always text. */
const text = (name: string, where: string, { pattern, description }: TextParameter): Document => ({
  ...{ name, in: where, description, schema: { type: 'string', pattern } },
  ...(where === 'path' ? { required: true } : {}),
});

function parametersOf({ path, query = {}, params = {} }: Described): Document {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) =>
    name === 'id' ? { $ref: '#/components/parameters/id' } : text(name, 'path', params[name]),
  );
  const asked = Object.entries(query).map(([name, parameter]) =>
    parameter === LIMIT ? { $ref: '#/components/parameters/limit' } : text(name, 'query', parameter),
  );
  return inPath.length + asked.length === 0 ? {} : { parameters: [...inPath, ...asked] };
}

function bodyOf({ body }: Described): Document {
  if (body === undefined) return {};
  const { type = 'application/json', schema, example } = body;
  const shown = example === undefined ? {} : { example };
  return { requestBody: { required: true, content: { [type]: { schema: withReferences(schema), ...shown } } } };
}

/** Returns the description of the API in OpenAPI 3.1. @param described every address of it */
export function openApi(described: readonly Described[]): Document {
  const paths: Record<string, Document> = {};
  const description = NOT_OF_IT.map((code) => `${code}: ${PROBLEMS[code].title}`).join('; ');
  const problems: Problems = new Map([['default', { description, content: problemContent }]]);
  for (const one of described) {
    const { method, path, summary, id } = one;
    const operation = {
      ...{ operationId: id, tags: [tagOf(path)], summary },
      ...{ ...parametersOf(one), ...bodyOf(one), responses: answersOf(one, problems) },
    };
    paths[`/api${path}`] = { ...paths[`/api${path}`], [method]: operation };
  }
  const responses = Object.fromEntries(problems);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jolly Tinker',
      version: '1',
      description: 'From a bad weld bead to its cause and corrected numbers; the record of rigs, coupons and beads.',
      license: { name: 'All rights reserved', identifier: 'LicenseRef-All-rights-reserved' },
    },
    servers: [{ url: '/', description: 'The server that this description comes from.' }],
    // At the machine itself nobody signs in.
    security: [{ session: [] }, {}],
    tags: Object.entries(TAGS).map(([name, { description }]) => ({ name, description })),
    paths,
    components: {
      schemas: componentsIn([paths, responses, withReferences(ID)]),
      responses,
      parameters: {
        id: { name: 'id', in: 'path', required: true, schema: withReferences(ID) },
        limit: text('limit', 'query', LIMIT),
      },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: COOKIE, description: 'From POST /session.' } },
    },
  };
}
