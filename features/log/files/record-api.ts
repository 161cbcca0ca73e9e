import type { RecordKind } from '@/core/record/kinds/all';
import { platform } from '@/platform/ports';
import { RequestProblem } from '../../../client/api';

/** What taking a file in comes to, by kind. */
export type Taken = {
  counts: { [kind in RecordKind]?: { added: number; changed: number; same: number } };
  refused: number;
  reasons: string[];
  done: boolean;
};

/** As much as the server takes. */
export const MOST_MB = 64;

/** A ZIP of photographs may be so large. */
export const MOST_ZIP_MB = 2048;

/** Sends a file to the workshop server. It may be large and take long, so it is waited for without an end. */
async function sendFile<Said>(path: string, body: string | Blob, type: string): Promise<Said> {
  let response: Response;
  try {
    response = await platform().request(`/api${path}`, { method: 'POST', body, headers: { 'content-type': type } });
  } catch {
    throw new RequestProblem('The workshop server cannot be reached.');
  }
  const said = (await response.json().catch(() => ({}))) as Said & { detail?: string; code?: string };
  if (!response.ok)
    throw new RequestProblem(said.detail ?? `The server answered ${response.status}.`, said.code ?? null);
  return said;
}

/**
 * Sends a record.
 * @param preview only says what it would come to
 * @throws RequestProblem with the server's own words
 */
export const sendRecord = (text: string, preview: boolean): Promise<Taken> =>
  sendFile(`/record?preview=${preview}`, text, 'application/json');

/** Sends the files of photographs as a ZIP; as {@link sendRecord}. */
export async function sendPictures(zip: Blob, preview: boolean): Promise<Taken> {
  const path = `/record/pictures.zip?preview=${preview}`;
  const { added, same, ...rest } = await sendFile<Omit<Taken, 'counts'> & { added: number; same: number }>(
    path,
    zip,
    'application/zip',
  );
  return { ...rest, counts: added + same === 0 ? {} : { pictures: { added, changed: 0, same } } };
}
