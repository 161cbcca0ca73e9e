import type { ErrorRequestHandler, Request, Response } from 'express';
import type { Logger } from 'pino';
import type { FieldProblem } from '../../core/schema/problems';
import { NotAllowed } from './not-allowed';
import { Refusal } from './refusal';
import { OutsideModel, TooBusy } from './outside-model';

/** Every way a request can fail. Codes are stable: a program may rely on them. */
export const PROBLEMS = {
  'wrong-fields': { status: 400, title: 'Some fields are not right' },
  'not-json': { status: 400, title: 'Not JSON' },
  'bad-request': { status: 400, title: 'Request refused' },
  'not-in': { status: 401, title: 'Not come in' },
  'wrong-pass-phrase': { status: 401, title: 'Not let in' },
  'not-the-keeper': { status: 403, title: 'For the keeper' },
  'not-this-person': { status: 403, title: 'Not in that name' },
  'too-many-tries': { status: 429, title: 'Too many tries' },
  'wrong-origin': { status: 403, title: 'Not from here' },
  'not-found': { status: 404, title: 'Not kept here' },
  'no-such-address': { status: 404, title: 'No such address' },
  'wrong-method': { status: 405, title: 'Not done at this address' },
  conflict: { status: 409, title: 'Kept otherwise' },
  'touched-since': { status: 409, title: 'Someone has since made something of it' },
  'not-a-picture': { status: 422, title: 'Not a picture that is taken' },
  'too-large': { status: 413, title: 'Too large' },
  'wrong-content-type': { status: 415, title: 'Not sent as JSON' },
  'unknown-host': { status: 421, title: 'Not this server' },
  'outside-model': { status: 422, title: 'Outside the arc model' },
  broken: { status: 500, title: 'Something broke here' },
  'database-unreadable': { status: 500, title: 'The database cannot be read' },
  busy: { status: 503, title: 'Too much at once' },
  'database-locked': { status: 503, title: 'The database is held by another program' },
  'sites-apart': { status: 503, title: 'The server of all sites cannot be reached' },
  'disk-full': { status: 507, title: 'The disk is full' },
} as const;
export type ProblemCode = keyof typeof PROBLEMS;

/** A problem document, RFC 9457. `fields` names each wrong field and what it takes. */
export const PROBLEM_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['type', 'code', 'title', 'status', 'detail'],
  properties: {
    type: { const: 'about:blank' },
    code: { enum: Object.keys(PROBLEMS) },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    fields: {
      type: 'array',
      maxItems: 20,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['field', 'takes'],
        properties: { field: { type: 'string' }, takes: { type: 'string' } },
      },
    },
  },
} as const;

/** Sends a problem document. */
export function sendProblem(
  response: Response,
  code: ProblemCode,
  detail: string,
  fields?: readonly FieldProblem[],
): void {
  const { status, title } = PROBLEMS[code];
  if (code === 'busy' || code === 'database-locked' || code === 'sites-apart') response.set('Retry-After', '1');
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({ type: 'about:blank', code, title, status, detail, ...(fields === undefined ? {} : { fields }) }),
    );
}

/** Every wrong field, in the list and in the sentence. */
export function sendWrongFields(
  response: Response,
  fields: readonly FieldProblem[],
  code: ProblemCode = 'wrong-fields',
): void {
  const detail = fields.map(({ field, takes }) => `${field} takes ${takes}`).join('; ');
  sendProblem(response, code, `${detail}.`, fields);
}

type Failure = { type?: string; status?: number; code?: string; message?: string };

/** What the database, or the disk, says when it cannot write or read, in words. */
const DATABASE: readonly [start: string, code: ProblemCode, detail: string][] = [
  ['SQLITE_FULL', 'disk-full', 'Nothing was stored. Make room on the disk of the workshop server and send it again.'],
  ['ENOSPC', 'disk-full', 'Nothing was stored. Make room on the disk of the workshop server and send it again.'],
  ['SQLITE_BUSY', 'database-locked', 'Nothing was stored. Stop the other program, or send it again in a moment.'],
  ['SQLITE_LOCKED', 'database-locked', 'Nothing was stored. Stop the other program, or send it again in a moment.'],
  [
    'PRIMARY_AWAY',
    'sites-apart',
    'Nothing was stored: changes go to a server elsewhere. What is here can be read; send it again later.',
  ],
  ['SQLITE_CORRUPT', 'database-unreadable', 'The database is damaged. Put a backup back.'],
  ['SQLITE_NOTADB', 'database-unreadable', 'The database is damaged. Put a backup back.'],
  ['SQLITE_IOERR', 'database-unreadable', 'The disk of the workshop server does not answer.'],
  ['SQLITE_READONLY', 'database-unreadable', 'The workshop server may not write to its database.'],
  ['SQLITE_CANTOPEN', 'database-unreadable', 'The database file is gone or may not be opened.'],
];

function sendFailure(response: Response, error: Failure): boolean {
  if (error instanceof Refusal) {
    if (error.kind === 'not-found') sendProblem(response, 'not-found', error.message);
    else sendWrongFields(response, error.fields, error.kind);
    return true;
  }
  if (error instanceof NotAllowed) {
    sendProblem(response, error.code, error.message);
    return true;
  }
  if (error instanceof OutsideModel) {
    sendProblem(response, 'outside-model', `${error.message}.`);
    return true;
  }
  if (error instanceof TooBusy) {
    sendProblem(response, 'busy', 'Too many cases wait to be worked out. Send it again in a moment.');
    return true;
  }
  if (error.type === 'entity.parse.failed') {
    sendProblem(response, 'not-json', 'The body must be one JSON document.');
    return true;
  }
  if (error.type === 'entity.too.large') {
    sendProblem(response, 'too-large', `The body takes at most ${BODY_LIMIT_KB} kB.`);
    return true;
  }
  const known = DATABASE.find(([start]) => error.code?.startsWith(start));
  if (known !== undefined) {
    sendProblem(response, known[1], known[2]);
    return false;
  }
  if (error.status !== undefined && error.status >= 400 && error.status < 500) {
    sendProblem(response, 'bad-request', 'The request cannot be read.');
    return true;
  }
  sendProblem(response, 'broken', 'The server failed to answer. Nothing was stored; try again.');
  return false;
}

/** Largest body of a request. */
export const BODY_LIMIT_KB = 128;

/** What a page gets that asks for something that is not there: no framework's own words, and no internals. */
export function sendPage(response: Response, status: number, text: string): void {
  response.status(status).type('text/plain').send(`${text}\n`);
}

/** Last stop for errors: a problem document under the API, a line of text elsewhere; the whole error goes to the log. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error: Failure, request: Request, response, next) => {
    if (response.headersSent) return next(error);
    const isApi = request.originalUrl.startsWith('/api');
    const expected = isApi ? sendFailure(response, error) : (error.status ?? 500) < 500;
    if (!isApi)
      sendPage(response, error.status ?? 500, expected ? 'There is nothing at this address.' : 'Something broke here.');
    if (!expected) log.error({ err: error, url: request.originalUrl }, 'request failed');
  };
}
