import type { KeptKind } from '@/core/record/record-file-schema';
import { platform } from '@/platform/ports';
import { RequestProblem } from '../shared/api';

/** What taking a file in comes to, by kind. */
export type Taken = {
  counts: { [kind in KeptKind]?: { added: number; changed: number; same: number } };
  refused: number;
  reasons: string[];
  done: boolean;
};

/** As much as the server takes. */
export const MOST_MB = 64;

/**
 * Sends a record to the workshop server. It may be large and take long, so it is waited for without an end.
 * @param text of the file
 * @param preview only says what it would come to
 * @throws RequestProblem with the server's own words
 */
export async function sendRecord(text: string, preview: boolean): Promise<Taken> {
  let response: Response;
  try {
    response = await platform().request(`/api/record?preview=${preview}`, {
      method: 'POST',
      body: text,
      headers: { 'content-type': 'application/json' },
    });
  } catch {
    throw new RequestProblem('The workshop server cannot be reached.');
  }
  const said = (await response.json().catch(() => ({}))) as Taken & { detail?: string; code?: string };
  if (!response.ok)
    throw new RequestProblem(said.detail ?? `The server answered ${response.status}.`, said.code ?? null);
  return said;
}
