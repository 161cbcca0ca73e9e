import { ID } from '../../core/schema/parts';
import { PROBLEM_SCHEMA, PROBLEMS, type ProblemCode } from '../errors/problem';
import type { AnyEndpoint } from './endpoint';

type Document = Record<string, unknown>;

/** Problems that any endpoint may answer with. */
const ANYWHERE: ProblemCode[] = ['wrong-fields', 'not-in', 'unknown-host', 'broken', 'database-unreadable'];
const WITH_BODY: ProblemCode[] = ['not-json', 'too-large', 'wrong-content-type'];
/** Problems of what may write. */
const WRITING: ProblemCode[] = ['wrong-origin', 'disk-full', 'database-locked', 'sites-apart'];

const problemContent = { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } };

function answersOf({ method, answer, body, problems = [] }: AnyEndpoint): Document {
  const codes = [
    ...ANYWHERE,
    ...(body === undefined ? [] : WITH_BODY),
    ...(method === 'get' ? [] : WRITING),
    ...problems,
  ];
  const byStatus: Document = {
    '200': { description: answer.description, content: { 'application/json': { schema: answer.schema } } },
  };
  for (const status of [...new Set(codes.map((code) => PROBLEMS[code].status))].sort()) {
    const titles = codes
      .filter((code) => PROBLEMS[code].status === status)
      .map((code) => `${code}: ${PROBLEMS[code].title}`);
    byStatus[String(status)] = { description: [...new Set(titles)].join('; '), content: problemContent };
  }
  return byStatus;
}

function parametersOf({ path, query = {} }: AnyEndpoint): Document[] {
  const id = path.includes('{id}') ? [{ name: 'id', in: 'path', required: true, schema: ID }] : [];
  const asked = Object.entries(query).map(([name, { pattern, description }]) => ({
    name,
    in: 'query',
    description,
    schema: { type: 'string', pattern },
  }));
  return [...id, ...asked];
}

/** The description of the API in OpenAPI 3.1, made from the endpoints themselves. */
export function openApi(endpoints: readonly AnyEndpoint[]): Document {
  const paths: Record<string, Document> = {};
  for (const stated of endpoints) {
    const { method, path, summary, body } = stated;
    paths[`/api${path}`] = {
      ...paths[`/api${path}`],
      [method]: {
        summary,
        parameters: parametersOf(stated),
        ...(body === undefined
          ? {}
          : { requestBody: { required: true, content: { 'application/json': { schema: body.schema } } } }),
        responses: answersOf(stated),
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jolly Tinker',
      version: '1',
      description: 'From a bad weld bead to its cause and corrected numbers; the record of rigs, coupons and beads.',
    },
    paths,
    components: { schemas: { Problem: PROBLEM_SCHEMA } },
  };
}
