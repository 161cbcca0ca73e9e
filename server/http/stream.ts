import type { Request, Response } from 'express';
import { createWriteStream } from 'node:fs';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** A body that is longer than may be. */
export class TooLarge extends Error {}

/** Stops a stream that is longer than may be. */
const limited = (bytes: number): Transform => {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      done(seen > bytes ? new TooLarge() : null, chunk);
    },
  });
};

/** Writes a body to a file as it comes. @throws TooLarge */
export const receiveFile = (request: Request, file: string, mostMb: number): Promise<void> =>
  pipeline(request, limited(mostMb * 1024 * 1024), createWriteStream(file));

/** Sends a file that is made piece by piece; what cannot be sent any more is not made. */
export async function sendPieces(
  response: Response,
  name: string,
  type: string,
  pieces: Iterable<string> | AsyncIterable<Uint8Array>,
): Promise<void> {
  response.type(type).set('Content-Disposition', `attachment; filename="${name}"`);
  try {
    await pipeline(Readable.from(pieces), response);
  } catch (error) {
    // Whoever asked has gone away; anything else is a fault of ours.
    if ((error as { code?: string }).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  }
}

/** A day, as it stands in the name of a file. */
export const fileDay = (now: Date): string => now.toISOString().slice(0, 10);
