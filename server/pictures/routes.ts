import { Router, type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import multer, { MulterError } from 'multer';
import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { validateChange, type ChangeOf } from '../../core/record/change/change';
import { callerIn } from '../access/caller';
import { nowSo } from '../api/changes';
import { CHANGED_SCHEMA } from '../../core/record/change/change-schema';
import { PREVIEW } from '../files/routes';
import { requireKeeper } from '../api/access';
import { requireMay } from '../api/people';
import type { Context, Described } from '../api/endpoint';
import { applyChange } from '../db/changes/apply';
import { findEntry } from '../db/records/history';
import { isFileNamed } from '../db/records/pictures';
import { write } from '../db/records/write';
import { BODY_LIMIT_KB, sendProblem, sendWrongFields } from '../errors/problem';
import { fileDay, receiveFile, sendPieces, TooLarge } from '../http/stream';
import { lookAt, NotTaken, PICTURE_LIMIT_MB, type LookedAt } from './look';
import { dropFile, placeOf, putFile, shelfOf } from './shelf';
import { importPictures, ZIP_LIMIT_MB } from './zip-in';
import { picturesZip } from './zip-out';

/** One picture and the change that attaches it. */
const upload = multer({
  storage: multer.memoryStorage(),
  limits: {
    ...{ fileSize: PICTURE_LIMIT_MB * 1024 * 1024, files: 1, fields: 1, parts: 2 },
    ...{ fieldSize: BODY_LIMIT_KB * 1024, fieldNameSize: 20, headerPairs: 20 },
  },
}).single('file');

/** Pictures that are read at once: each may take some 200 MB while it is unpacked. Further ones come again by themselves. */
const AT_ONCE = 4;
let underWay = 0;
const notTooMany: RequestHandler = (_request, response, next) => {
  if (underWay >= AT_ONCE)
    return sendProblem(response, 'busy', 'Other pictures are being read. Send it again in a moment.');
  underWay += 1;
  response.once('close', () => (underWay -= 1));
  next();
};

/** Reads the parts; what is wrong with them is said as everywhere. */
const received: RequestHandler = (request, response, next) => {
  if (!request.is('multipart/form-data'))
    return sendProblem(response, 'wrong-content-type', 'Send the picture as multipart/form-data.');
  upload(request, response, (error: unknown) => {
    if (error === undefined || error === null) return next();
    if (error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE')
      return sendProblem(response, 'too-large', `A picture takes at most ${PICTURE_LIMIT_MB} MB.`);
    sendProblem(response, 'bad-request', 'One picture named "file" and its change named "change" are taken.');
  });
};

let before: Promise<unknown> = Promise.resolve();
/** One after the other: of two that hold the same picture, the one that is refused must not take the other's file away. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const done = before.then(work, work);
  before = done.catch(() => undefined);
  return done;
}

type Attaching = ChangeOf<'add-picture'>;

/** The change that came with a picture; an answer is sent where it is none. */
function changeOf(request: Request, response: Response): Attaching | null {
  let input: unknown;
  try {
    input = JSON.parse(String((request.body as { change?: unknown } | undefined)?.change ?? ''));
  } catch {
    sendProblem(response, 'not-json', 'The part "change" must be one JSON document.');
    return null;
  }
  const { value, problems } = validateChange(input);
  if (problems !== null) sendWrongFields(response, problems);
  else if (value.kind !== 'add-picture') sendWrongFields(response, [{ field: 'kind', takes: '"add-picture"' }]);
  else return value as Attaching;
  return null;
}

/** Takes a picture with its change, once: sent again it is answered with what it came to. */
async function attach(context: Context, request: Request, response: Response): Promise<void> {
  const change = changeOf(request, response);
  if (change === null) return;
  requireMay(callerIn(response), change, context);
  const shelf = shelfOf(context.database);
  let looked: LookedAt | null = null;
  if (findEntry(context.store, change.id) === null) {
    if (request.file === undefined)
      return sendWrongFields(response, [{ field: 'file', takes: 'a JPEG, PNG or WebP picture' }]);
    try {
      looked = await lookAt(request.file.buffer);
    } catch (error) {
      if (error instanceof NotTaken) return sendProblem(response, 'not-a-picture', error.message);
      throw error;
    }
  }
  const answer = await inTurn(async () => {
    if (looked !== null) await putFile(shelf, looked);
    try {
      const file = looked?.file;
      const entry = await write(context.store, (writing) =>
        applyChange(writing, { ...change, ...(file === undefined ? {} : { file }) }),
      );
      return { entry, ...nowSo(entry, context) };
    } finally {
      // What was refused, or came to nothing, leaves no file behind.
      if (looked !== null && !isFileNamed(context.store, looked.file.hash)) await dropFile(shelf, looked.file.hash);
    }
  });
  response.json(answer);
}

/** Takes a ZIP of pictures in, or says what that would come to. */
async function receiveZip(context: Context, request: Request, response: Response): Promise<void> {
  requireKeeper(callerIn(response));
  const { preview } = request.query;
  if (preview !== 'true' && preview !== 'false')
    return sendWrongFields(response, [
      { field: 'preview', takes: 'true to say what it comes to, false to take it in' },
    ]);
  if (!request.is('application/zip'))
    return sendProblem(response, 'wrong-content-type', 'Send the file as application/zip.');
  const file = join(dirname(context.database), `incoming-${randomUUID()}.zip`);
  try {
    await receiveFile(request, file, ZIP_LIMIT_MB);
    const shelf = shelfOf(context.database);
    const taken = await importPictures(context.store, shelf, file, preview === 'true');
    await rm(file, { force: true });
    response.json(taken);
  } catch (error) {
    await rm(file, { force: true });
    if (error instanceof TooLarge)
      return sendProblem(response, 'too-large', `A ZIP of pictures takes at most ${ZIP_LIMIT_MB} MB.`);
    // Whoever sent it has gone away.
    if (request.complete) throw error;
  }
}

/** A file never changes under its name, so whoever has it need not ask again; it is shown and nothing else. */
function sendFile(context: Context, request: Request, response: Response, next: NextFunction): void {
  const { hash, size } = request.params as { hash: string; size: string };
  if (!/^[0-9a-f]{64}$/.test(hash) || (size !== 'whole' && size !== 'small'))
    return sendProblem(response, 'not-found', 'There is no picture of this name.');
  response.set({
    'Cache-Control': 'private, max-age=31536000, immutable',
    'Content-Security-Policy': "default-src 'none'; sandbox",
    'Content-Disposition': 'inline',
  });
  // The workshop's folder may well stand in one whose name begins with a dot.
  const options = { dotfiles: 'allow' as const };
  response.type('image/jpeg').sendFile(placeOf(shelfOf(context.database), hash, size), options, (error) => {
    if (error === undefined || error === null) return;
    if (response.headersSent) return next(error);
    response.removeHeader('Cache-Control');
    sendProblem(response, 'not-found', 'The file of this picture is not on this server.');
  });
}

const ATTACHING = {
  type: 'object',
  required: ['change'],
  properties: {
    change: { type: 'string', description: 'the change "add-picture" as JSON' },
    file: { type: 'string', contentMediaType: 'application/octet-stream', description: 'JPEG, PNG or WebP' },
  },
};
const ZIP = { type: 'string', contentMediaType: 'application/zip' };

/** The addresses below, as they are published. */
export const PICTURE_FILES: readonly Described[] = [
  {
    ...{
      id: 'addPicture',
      method: 'post',
      path: '/pictures',
      summary: 'Attaches a photograph to a bead or a weld, once.',
    },
    body: { schema: ATTACHING, type: 'multipart/form-data' },
    answer: { schema: CHANGED_SCHEMA, description: 'its place in the history, and the picture' },
    problems: ['not-a-picture', 'bad-request', 'conflict', 'not-found', 'not-this-person', 'busy'],
  },
  {
    ...{ id: 'getPictureFile', method: 'get', path: '/pictures/files/{hash}/{size}', summary: 'A photograph itself.' },
    params: {
      hash: { pattern: '^[0-9a-f]{64}$', takes: 'a SHA-256', description: 'the SHA-256 of the whole picture' },
      size: { pattern: '^(whole|small)$', takes: 'whole or small', description: 'whole or small' },
    },
    answer: { schema: { type: 'string', contentMediaType: 'image/jpeg' }, type: 'image/jpeg', description: 'JPEG' },
    problems: ['not-found'],
  },
  {
    ...{ id: 'exportPictures', method: 'get', path: '/record/pictures.zip', summary: 'All photographs as one ZIP.' },
    answer: { schema: ZIP, type: 'application/zip', description: 'the photographs by the names of their hashes' },
  },
  {
    ...{
      id: 'importPictures',
      method: 'post',
      path: '/record/pictures.zip',
      summary: 'Imports photographs of a record.',
    },
    query: PREVIEW,
    body: { schema: ZIP, type: 'application/zip' },
    answer: { schema: { type: 'object' }, description: 'how many were imported, and what was refused' },
    problems: ['not-the-keeper'],
  },
];

/** Photographs: attached, shown, written out and taken in. What is known of them stands among the other endpoints. */
export function pictureRoutes(context: Context): Router {
  const router = Router();
  router.post('/pictures', notTooMany, received, (request, response) => attach(context, request, response));
  router.get('/pictures/files/:hash/:size', (request, response, next) => sendFile(context, request, response, next));
  router
    .route('/record/pictures.zip')
    .get((_request, response) =>
      sendPieces(response, `pictures-${fileDay(context.now())}.zip`, 'application/zip', picturesZip(context.database)),
    )
    .post((request, response) => receiveZip(context, request, response));
  return router;
}
