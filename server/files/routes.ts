import { Router, type Request, type Response } from 'express';
import { rm } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { dirname, join } from 'node:path';
import { RECORD_SCHEMA } from '../../core/record/shapes/record-file-schema';
import { CASE_SCHEMA } from '../../core/case/schema';
import { callerIn } from '../access/caller';
import { requireKeeper } from '../api/access';
import type { Unreadable } from '../db/tables/rows';
import type { Store } from '../db/engine/store';
import { newestRevision } from '../db/changes/changes-since';
import { tellWritten } from '../db/records/write';
import { sendProblem, sendWrongFields } from '../errors/problem';
import { fileDay, receiveFile, sendPieces, TooLarge } from '../http/stream';
import { CSV_NAMES, csvText } from './export-csv';
import { recordText } from './export-record';
import type { Taken } from './import-record';
import type { TakingIn } from './import-record.worker';

/** A file that is taken in may be so large: some 30,000 beads. */
export const FILE_LIMIT_MB = 64;

export type RecordContext = {
  store: Store;
  /** Path of the database. */
  database: string;
  takeFileIn: (taking: TakingIn) => Promise<Taken | null>;
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
  let taken: Taken | null;
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
  if (taken.done) tellWritten(context.store, newestRevision(context.store));
  response.json(taken);
}

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
  for (const name of CSV_NAMES)
    router.get(`/record/${name}.csv`, (request, response) => {
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
