import { Router, type Request, type Response } from 'express';
import { rm } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { dirname, join } from 'node:path';
import { RECORD_SCHEMA } from '../../core/record/file/record-file-schema';
import { CASE_SCHEMA } from '../../core/case/schema';
import { callerIn } from '../access/caller';
import { requireKeeper } from '../api/access';
import type { Described } from '../api/endpoint';
import type { Unreadable } from '../db/tables/rows';
import type { Store } from '../db/engine/store';
import { newestRevision } from '../db/changes/changes-since';
import { notifyWritten } from '../db/records/write';
import { sendProblem, sendWrongFields } from '../errors/problem';
import { fileDay, receiveFile, sendPieces, TooLarge } from '../http/stream';
import { CSV_NAMES, csvText } from './export-csv';
import { recordText } from './export-record';
import type { ImportReport } from './import-record';
import type { ImportJob } from './import-record.worker';

/** A file that is taken in may be so large: some 30,000 beads. */
export const FILE_LIMIT_MB = 64;

export type RecordContext = {
  store: Store;
  /** Path of the database. */
  database: string;
  takeFileIn: (taking: ImportJob) => Promise<ImportReport | null>;
  report: (row: Unreadable) => void;
  now: () => Date;
};

/** Takes a file in, or says what that would come to: kept beside the database while it is worked on. */
async function receive(context: RecordContext, request: Request, response: Response): Promise<void> {
  requireKeeper(callerIn(response));
  const { preview } = request.query;
  if (preview !== 'true' && preview !== 'false')
    return sendWrongFields(response, [
      { field: 'preview', takes: 'true to say what it comes to, false to take it in' },
    ]);
  if (!request.is('application/json'))
    return sendProblem(response, 'wrong-content-type', 'Send the file as application/json.');
  const file = join(dirname(context.database), `incoming-${randomUUID()}.json`);
  let taken: ImportReport | null;
  try {
    await receiveFile(request, file, FILE_LIMIT_MB);
    taken = await context.takeFileIn({ file, database: context.database, preview: preview === 'true' });
  } catch (error) {
    await rm(file, { force: true });
    if (error instanceof TooLarge)
      return sendProblem(response, 'too-large', `A file takes at most ${FILE_LIMIT_MB} MB.`);
    // Whoever sent it has gone away.
    if (!request.complete) return;
    throw error;
  }
  await rm(file, { force: true });
  if (taken === null)
    return sendProblem(response, 'not-json', 'This file is not JSON: it ends too early, or is another.');
  if (taken.done) notifyWritten(context.store, newestRevision(context.store));
  response.json(taken);
}

const REPORT = {
  type: 'object',
  additionalProperties: false,
  required: ['counts', 'refused', 'reasons', 'done'],
  properties: {
    counts: {
      type: 'object',
      additionalProperties: {
        type: 'object',
        additionalProperties: false,
        required: ['added', 'changed', 'same'],
        properties: { added: { type: 'integer' }, changed: { type: 'integer' }, same: { type: 'integer' } },
      },
    },
    refused: { type: 'integer' },
    reasons: { type: 'array', items: { type: 'string' } },
    done: { type: 'boolean' },
  },
};
export const PREVIEW: Described['query'] = {
  preview: {
    ...{ pattern: '^(true|false)$', takes: 'true or false' },
    description: 'true to say what it comes to, false to import it',
  },
};
const text = (pattern: string, description: string) => ({ pattern, takes: description, description });

/** The addresses below, as they are published. */
export const RECORD_FILES: readonly Described[] = [
  {
    ...{ id: 'exportRecord', method: 'get', path: '/record', summary: 'The whole record as one JSON document.' },
    answer: { schema: RECORD_SCHEMA, description: 'everything that the workshop has written down' },
  },
  {
    ...{
      id: 'importRecord',
      method: 'post',
      path: '/record',
      summary: 'Imports a record; sent again it changes nothing.',
    },
    query: PREVIEW,
    body: { schema: RECORD_SCHEMA },
    answer: { schema: REPORT, description: 'what was, or would be, added and changed' },
    problems: ['not-the-keeper'],
  },
  {
    ...{
      id: 'exportCsv',
      method: 'get',
      path: '/record/{name}.csv',
      summary: 'A list for a spreadsheet, a line each.',
    },
    params: { name: text(`^(${CSV_NAMES.join('|')})$`, CSV_NAMES.join(', ')) },
    query: { units: text('^(metric|inch)$', 'metric or inch'), decimal: text('^(point|comma)$', 'point or comma') },
    answer: { schema: { type: 'string' }, type: 'text/csv', description: 'the list' },
    problems: ['not-found'],
  },
  {
    ...{ id: 'getSchema', method: 'get', path: '/schemas/{name}', summary: 'The JSON Schema of an open format.' },
    params: { name: text('^(record|case)(\\.json)?$', 'record or case') },
    answer: { schema: { type: 'object' }, type: 'application/schema+json', description: 'the schema' },
    problems: ['not-found'],
  },
];

/** The schemas of the open formats, by their names. */
const SCHEMAS: Record<string, object> = { record: RECORD_SCHEMA, case: CASE_SCHEMA };

/** Files of the whole record: written out, taken in, and what they hold. */
export function recordRoutes(context: RecordContext): Router {
  const router = Router();
  router
    .route('/record')
    .get((_request, response) => {
      const text = recordText(context.database, context.now().toISOString(), context.report);
      return sendPieces(response, `jolly-tinker-${fileDay(context.now())}.json`, 'application/json', text);
    })
    .post((request, response) => receive(context, request, response));
  router.get('/record/:name.csv', (request, response) => {
    const name = CSV_NAMES.find((one) => one === request.params.name);
    if (name === undefined) return sendProblem(response, 'not-found', 'There is no list of this name.');
    const { units = 'metric', decimal = 'point' } = request.query;
    if (units !== 'metric' && units !== 'inch')
      return sendWrongFields(response, [{ field: 'units', takes: 'metric or inch' }]);
    if (decimal !== 'point' && decimal !== 'comma')
      return sendWrongFields(response, [{ field: 'decimal', takes: 'point or comma' }]);
    const text = csvText(name, context.database, { units, decimal, report: context.report });
    return sendPieces(response, `${name}-${fileDay(context.now())}.csv`, 'text/csv', text);
  });
  router.get('/schemas/:name', (request, response) => {
    const schema = SCHEMAS[request.params.name.replace(/\.json$/, '')];
    if (schema === undefined) return sendProblem(response, 'not-found', 'There is no schema of this name.');
    response.type('application/schema+json').send(JSON.stringify(schema, null, 2));
  });
  return router;
}
