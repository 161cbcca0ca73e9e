import { Router, type Request, type Response } from 'express';
import { gzipSync } from 'node:zlib';
import type { Logger } from 'pino';
import type { Copies } from '../../core/record/shapes/copies-schema';
import type { Charts } from '../../core/record/shapes/charts-schema';
import type { FieldProblem } from '../../core/schema/problems';
import { ID } from '../../core/schema/parts';
import type { Validated } from '../../core/schema/validate';
import { callerIn, type Caller } from '../access/caller';
import type { Answering } from '../access/guard';
import type { Network } from '../access/network';
import type { Store } from '../db/engine/store';
import type { Thinking } from '../diagnosis/pool';
import type { Unreadable } from '../db/tables/rows';
import { sendProblem, sendWrongFields, type ProblemCode } from '../errors/problem';

/** What every endpoint works with. */
export type Context = Thinking & {
  store: Store;
  /** Path of the database. */
  database: string;
  /** The sum of the record by the month, worked out elsewhere. */
  charts: (of: { database: string; rigId: string | null; now: string }) => Promise<Charts>;
  /** Returns how the copies of the record stand. */
  copies: () => Copies;
  log: Logger;
  now: () => Date;
  /** How it is reached from the network; null while it listens to its own machine alone. */
  network: Network | null;
  answering: Answering;
  /** Says that a row cannot be read. */
  report: (unreadable: Unreadable) => void;
};

type Schema = object;
/** A parameter of the address, which is always text: its pattern, and what it takes in words. */
export type TextParameter = { pattern: string; takes: string; description: string };

/** How many entries a page of a list has. */
export const LIMIT: TextParameter = {
  pattern: '^([1-9]\\d?|1\\d\\d|200)$',
  takes: 'a whole number from 1 to 200',
  description: 'most entries of a page',
};

type Asked<Body> = {
  params: Record<string, string>;
  query: Record<string, string | undefined>;
  body: Body;
  caller: Caller;
  /** For what an answer carries beside its body. */
  response: Response;
};

/** An address of the API as it is published. */
export type Described = {
  /** What other people's tools call it. */
  id: string;
  method: 'get' | 'put' | 'patch' | 'post' | 'delete';
  /** As OpenAPI writes it: "/coupons/{id}". */
  path: string;
  summary: string;
  /** Parts of the path but ids. */
  params?: Record<string, TextParameter>;
  query?: Record<string, TextParameter>;
  /** Sent as JSON where no type is named. */
  body?: { schema: Schema; type?: string; example?: unknown };
  answer: { schema: Schema; type?: string; description: string };
  /** Problems it may answer with, besides those that any may. */
  problems?: ProblemCode[];
};

/**
 * One thing that can be asked of the server, said once: where, what it takes, what it answers, and the work. The
 * routes, the checks and the published description are all made from this.
 */
export type Endpoint<Body = never> = Described & {
  body?: { read: (input: unknown) => Validated<Body> };
  /** The answer, or null where there is no such thing. */
  work: (asked: Asked<Body>, context: Context) => unknown;
};

/** Packing what is shorter takes longer than sending it, bytes. */
export const PACKED_FROM = 10_000;

/** An answer that many are given as it is: its text is made and packed once. Whoever makes one does not change what is in it. */
export class SharedAnswer {
  private readonly text: Buffer;
  private readonly packed: Buffer | null;

  constructor(answer: object) {
    this.text = Buffer.from(JSON.stringify(answer));
    this.packed = this.text.length < PACKED_FROM ? null : gzipSync(this.text);
  }

  sendTo(response: Response): void {
    response.type('application/json').vary('Accept-Encoding');
    if (this.packed === null || response.req.acceptsEncodings('gzip') !== 'gzip') response.send(this.text);
    else response.set('Content-Encoding', 'gzip').send(this.packed);
  }
}

/** An endpoint of any body: what the list of all endpoints holds. Only its own `read` makes what its `work` takes. */
export type AnyEndpoint = Omit<Endpoint, 'body'> & {
  body?: Described['body'] & { read: (input: unknown) => Validated<unknown> };
};

/** Keeps the type of the body between `read` and `work`. */
export const endpoint = <Body>(stated: Endpoint<Body>): AnyEndpoint => stated;

const ID_PATTERN = new RegExp(ID.pattern);

/** Returns what an address names that is no id, or a query that is not taken. */
function addressProblems({ query = {} }: AnyEndpoint, request: Request): FieldProblem[] {
  const { id } = request.params;
  const problems: FieldProblem[] =
    id === undefined || ID_PATTERN.test(String(id)) ? [] : [{ field: 'id', takes: ID.description }];
  for (const [name, value] of Object.entries(request.query)) {
    const taken = query[name];
    if (taken === undefined) problems.push({ field: name.slice(0, 40), takes: 'nothing: there is no such parameter' });
    else if (typeof value !== 'string' || !new RegExp(taken.pattern).test(value))
      problems.push({ field: name, takes: taken.takes });
  }
  return problems.slice(0, 20);
}

/** The body with the id of the address; a body that names another is refused. Only an object is read as one. */
function bodyOf(request: Request): { input: unknown; problem: FieldProblem | null } {
  const { id } = request.params;
  const body: unknown = request.body;
  const isObject = typeof body === 'object' && body !== null && !Array.isArray(body);
  if (!isObject || id === undefined || request.method === 'PATCH') return { input: body, problem: null };
  const stated = (body as { id?: unknown }).id;
  const problem =
    stated === undefined || stated === id ? null : { field: 'id', takes: 'the id that the address names' };
  return { input: { ...body, id }, problem };
}

async function respond(stated: AnyEndpoint, context: Context, request: Request, response: Response): Promise<void> {
  const wrong = addressProblems(stated, request);
  if (wrong.length > 0) return sendWrongFields(response, wrong);
  let value: unknown;
  if (stated.body !== undefined) {
    if (!request.is('application/json'))
      return sendProblem(response, 'wrong-content-type', 'Send the body as application/json.');
    const { input, problem } = bodyOf(request);
    if (problem !== null) return sendWrongFields(response, [problem]);
    const read = stated.body.read(input);
    if (read.problems !== null) return sendWrongFields(response, read.problems);
    value = read.value;
  }
  const params = request.params as Record<string, string>;
  const query = request.query as Record<string, string | undefined>;
  const answer: unknown = await stated.work(
    { params, query, body: value as never, caller: callerIn(response), response },
    context,
  );
  if (answer === null) return sendProblem(response, 'not-found', 'There is nothing with this id.');
  if (answer instanceof SharedAnswer) return answer.sendTo(response);
  response.json(answer);
}

/** Routes for a list of endpoints. An address that is known but not with this method says so. */
export function routesFor(endpoints: readonly AnyEndpoint[], context: Context): Router {
  const router = Router();
  const paths = [...new Set(endpoints.map(({ path }) => path))];
  for (const path of paths) {
    const route = router.route(path.replace(/\{(\w+)\}/g, ':$1'));
    const here = endpoints.filter((one) => one.path === path);
    for (const stated of here)
      route[stated.method]((request: Request, response: Response) => respond(stated, context, request, response));
    route.all((_request: Request, response: Response) => {
      const methods = here.map(({ method }) => method.toUpperCase()).join(', ');
      response.set('Allow', methods);
      sendProblem(response, 'wrong-method', `This address takes ${methods}.`);
    });
  }
  return router;
}
