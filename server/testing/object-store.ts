import express from 'express';
import { createHash } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

/**
 * A stand-in for an object store: what Litestream and the copying of photographs ask of one that speaks as S3 does, kept in memory.
 * It knows who asks by the name of their key, and holds what it is given against the sum that is sent along.
 */
export type ObjectStore = {
  /** Where it is. */
  endpoint: string;
  objects: Map<string, { content: Buffer; at: Date }>;
  /** Answers nothing but that it cannot, while set. */
  isDown: boolean;
  /** So many lines it lists at a time. */
  page: number;
  close: () => Promise<void>;
};

export const KEY_ID = 'yard-keeper';
export const KEY_SECRET = 'not a word to anybody';

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const tag = (name: string, value: string | number | boolean): string => `<${name}>${escaped(String(value))}</${name}>`;
function listing(
  { objects, page: atOnce }: ObjectStore,
  bucket: string,
  query: Record<string, string | undefined>,
): string {
  const { prefix = '', delimiter = '' } = query;
  const isSecond = query['list-type'] === '2';
  const after = (isSecond ? query['continuation-token'] : query.marker) ?? '';
  const most = Math.min(atOnce, Number(query['max-keys'] ?? atOnce));
  const keys = [...objects.keys()]
    .flatMap((path) => (path.startsWith(`${bucket}/`) ? [path.slice(bucket.length + 1)] : []))
    .filter((key) => key.startsWith(prefix))
    .sort();
  const shown = (key: string): string => {
    const end = delimiter === '' ? -1 : key.indexOf(delimiter, prefix.length);
    return end < 0 ? key : key.slice(0, end + delimiter.length);
  };
  const lines = [...new Set(keys.map(shown))].filter((line) => line > after);
  const page = lines.slice(0, most);
  const body = page.map((line) => {
    const object = objects.get(`${bucket}/${line}`);
    if (object === undefined) return `<CommonPrefixes>${tag('Prefix', line)}</CommonPrefixes>`;
    const sum = createHash('md5').update(object.content).digest('hex');
    const facts = [tag('Key', line), tag('LastModified', object.at.toISOString()), tag('Size', object.content.length)];
    return `<Contents>${facts.join('')}${tag('ETag', `"${sum}"`)}</Contents>`;
  });
  const last = page[page.length - 1] ?? '';
  const more = lines.length > page.length;
  const next = more ? tag(isSecond ? 'NextContinuationToken' : 'NextMarker', last) : '';
  return `<?xml version="1.0"?><ListBucketResult>${tag('Name', bucket)}${tag('IsTruncated', more)}${next}${body.join('')}</ListBucketResult>`;
}

/** Opens one on a port of its own. */
export async function openObjectStore(): Promise<ObjectStore> {
  const objects: ObjectStore['objects'] = new Map();
  const app = express();
  const server = createServer(app);
  const store: ObjectStore = { endpoint: '', objects, isDown: false, page: 1000, close: () => closed() };
  const closed = (): Promise<void> => {
    server.closeAllConnections();
    return new Promise((done) => server.close(() => done()));
  };
  const refused = (code: string): string => `<?xml version="1.0"?><Error>${tag('Code', code)}</Error>`;
  app.use(express.raw({ type: () => true, limit: '50mb' }));
  app.use((request, response, next) => {
    response.type('application/xml');
    if (store.isDown) return void response.status(503).send(refused('SlowDown'));
    if (!request.headers.authorization?.includes(`Credential=${KEY_ID}/`))
      return void response.status(403).send(refused('AccessDenied'));
    next();
  });
  app.use((request, response) => {
    const path = decodeURIComponent(request.path.slice(1));
    const [bucket] = path.split('/');
    const query = request.query as Record<string, string | undefined>;
    const content = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
    if (!path.includes('/') || path === `${bucket}/`) {
      if (request.method === 'GET') return void response.send(listing(store, bucket, query));
      for (const [, key] of content.toString().matchAll(/<Key>([^<]*)<\/Key>/g)) objects.delete(`${bucket}/${key}`);
      return void response.send('<?xml version="1.0"?><DeleteResult></DeleteResult>');
    }
    if (request.method === 'PUT') {
      const sum = request.headers['x-amz-content-sha256'];
      if (/^[0-9a-f]{64}$/.test(String(sum)) && sum !== createHash('sha256').update(content).digest('hex'))
        return void response.status(400).send(refused('XAmzContentSHA256Mismatch'));
      objects.set(path, { content, at: new Date() });
      return void response.status(200).end();
    }
    if (request.method === 'DELETE') return void (objects.delete(path), response.status(204).end());
    const found = objects.get(path);
    if (found === undefined) return void response.status(404).send(refused('NoSuchKey'));
    response.type('application/octet-stream').set('Last-Modified', found.at.toUTCString()).send(found.content);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  store.endpoint = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return store;
}
