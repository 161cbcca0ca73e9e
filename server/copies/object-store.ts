import { AwsClient } from 'aws4fetch';
import { folderShelf, type Shelf } from '../pictures/shelf';
import { inStore, picturesIn } from './litestream';
import type { CopyPlace, ObjectPlace } from './place';

/** How long an answer is waited for, ms. */
const PATIENCE_MS = 20_000;

/** The photographs in an object store, by the same names as in a folder. What is there is asked once: each asking costs. */
function storeShelf(place: ObjectPlace): Shelf {
  const { bucket, path, endpoint, region, keyId, keySecret } = place;
  const client = new AwsClient({
    ...{ accessKeyId: keyId, secretAccessKey: keySecret, service: 's3', region, retries: 2 },
  });
  const prefix = `${inStore(path, 'pictures')}/`;
  const ask = async (address: string, how: { method?: string; body?: Buffer } = {}): Promise<Response> => {
    const answer = await client.fetch(`${endpoint}/${bucket}${address}`, {
      ...{ method: how.method, body: how.body as BodyInit | undefined, signal: AbortSignal.timeout(PATIENCE_MS) },
    });
    if (answer.ok || answer.status === 404) return answer;
    const [, code = `it answers ${answer.status}`] = /<Code>([^<]+)<\/Code>/.exec(await answer.text()) ?? [];
    throw new Error(`the object store does not take it: ${code}`);
  };
  const keyOf = (name: string): string => `/${prefix}${name}`;

  let known: Promise<Set<string>> | null = null;
  const list = async (): Promise<Set<string>> => {
    const names = new Set<string>();
    for (let more = ''; ;) {
      const answer = await ask(`?list-type=2&prefix=${encodeURIComponent(prefix)}${more}`);
      if (answer.status === 404) throw new Error('the object store has no such bucket');
      const said = await answer.text();
      for (const [, key] of said.matchAll(/<Key>([^<]+)<\/Key>/g)) names.add(key.slice(prefix.length));
      const [, next] = /<NextContinuationToken>([^<]+)<\/NextContinuationToken>/.exec(said) ?? [];
      if (next === undefined) return names;
      more = `&continuation-token=${encodeURIComponent(next)}`;
    }
  };
  const there = async (): Promise<Set<string>> => {
    known ??= list();
    try {
      return await known;
    } catch (error) {
      known = null;
      throw error;
    }
  };
  return {
    has: async (name) => (await there()).has(name),
    read: async (name) => {
      const answer = await ask(keyOf(name));
      return answer.status === 404 ? null : Buffer.from(await answer.arrayBuffer());
    },
    write: async (name, content) => {
      const answer = await ask(keyOf(name), { method: 'PUT', body: content });
      if (!answer.ok) throw new Error('the object store has no such bucket');
      (await there()).add(name);
    },
  };
}

/** Where the copies of the photographs are. */
export const copiedShelf = (place: CopyPlace): Shelf =>
  'folder' in place ? folderShelf(picturesIn(place.folder)) : storeShelf(place);
