import { NO_COPIES } from '../../core/record/shapes/copies-schema';
import { answering } from '../access/guard';
import express, { type Response } from 'express';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { ID } from '../../core/schema/parts';
import { errorHandler } from '../errors/problem';
import { createLog } from '../http/request-log';
import { endpoint, PACKED_FROM, routesFor, SharedAnswer, type AnyEndpoint } from './endpoint';
import { openApi } from './openapi';

const GOOD_ID = '0190b000-0000-7000-8000-000000000001';
type Thing = { id: string; size: number };

/** Two addresses with all that an endpoint can say. */
const THINGS: AnyEndpoint[] = [
  endpoint({
    id: 'listThings',
    method: 'get',
    path: '/things',
    summary: 'Every thing.',
    query: { size: { pattern: '^\\d{1,2}$', takes: 'a whole number up to 99', description: 'how large' } },
    answer: { schema: { type: 'array' }, description: 'things' },
    work: ({ query }) => [query.size ?? 'any'],
  }),
  endpoint({
    id: 'getThing',
    method: 'get',
    path: '/things/{id}',
    summary: 'One thing.',
    answer: { schema: { type: 'object' }, description: 'the thing' },
    problems: ['not-found'],
    work: ({ params }) => (params.id === GOOD_ID ? { id: params.id } : null),
  }),
  endpoint<Thing>({
    id: 'putThing',
    method: 'put',
    path: '/things/{id}',
    summary: 'Keeps a thing.',
    body: {
      schema: { type: 'object' },
      read: (input) => {
        const { size } = (input ?? {}) as Thing;
        return size > 0
          ? { value: input as Thing, problems: null }
          : { value: null, problems: [{ field: 'size', takes: 'more than 0' }] };
      },
    },
    answer: { schema: { type: 'object' }, description: 'the thing' },
    problems: ['conflict'],
    work: ({ body }) => body,
  }),
];

/** Asks a server that holds nothing but the things. */
async function ask(method: string, path: string, body?: string, type = 'application/json') {
  const app = express();
  app.set('query parser', 'simple');
  app.use(express.json());
  const context = {
    store: null as never,
    diagnose: null as never,
    start: null as never,
    chart: null as never,
    database: '',
    charts: null as never,
    learn: null as never,
    log: createLog('silent'),
    report: () => undefined,
    now: () => new Date(),
    network: null,
    copies: () => NO_COPIES,
    answering: answering(),
  };
  app.use('/api', routesFor(THINGS, context));
  app.use(errorHandler(context.log));
  const server = createServer(app);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const response = await fetch(`http://127.0.0.1:${port}/api${path}`, {
    method,
    ...(body === undefined ? {} : { body, headers: { 'content-type': type } }),
  });
  const json = (await response.json()) as { code?: string; fields?: object[]; detail?: string };
  server.close();
  return { status: response.status, json, allow: response.headers.get('allow') };
}

describe('an endpoint', () => {
  it('takes only the query it states, each by its pattern', async () => {
    expect((await ask('GET', '/things?size=42')).json).toEqual(['42']);
    expect((await ask('GET', '/things')).json).toEqual(['any']);
    expect((await ask('GET', '/things?size=420')).json).toEqual(
      expect.objectContaining({ code: 'wrong-fields', fields: [{ field: 'size', takes: 'a whole number up to 99' }] }),
    );
    expect((await ask('GET', '/things?size=4&size=5')).status).toBe(400);
    expect((await ask('GET', `/things?${'x'.repeat(60)}=1`)).json.fields).toEqual([
      { field: 'x'.repeat(40), takes: 'nothing: there is no such parameter' },
    ]);
    const many = Array.from({ length: 30 }, (_, i) => `q${i}=1`).join('&');
    expect((await ask('GET', `/things?${many}`)).json.fields).toHaveLength(20);
  });

  it('takes an address with an id only, and says when there is no such thing', async () => {
    expect(await ask('GET', `/things/${GOOD_ID}`)).toEqual(
      expect.objectContaining({ status: 200, json: { id: GOOD_ID } }),
    );
    expect((await ask('GET', `/things/${GOOD_ID.replace('1', '2')}`)).json).toEqual(
      expect.objectContaining({ status: 404, code: 'not-found', detail: 'There is nothing with this id.' }),
    );
    expect((await ask('GET', '/things/hinge')).json.fields).toEqual([{ field: 'id', takes: ID.description }]);
  });

  it('gives a body the id of its address, and takes none that names another', async () => {
    const put = (body: unknown) => ask('PUT', `/things/${GOOD_ID}`, JSON.stringify(body));
    expect((await put({ size: 2 })).json).toEqual({ id: GOOD_ID, size: 2 });
    expect((await put({ size: 2, id: GOOD_ID })).status).toBe(200);
    expect((await put({ size: 2, id: GOOD_ID.replace('1', '2') })).json.fields).toEqual([
      { field: 'id', takes: 'the id that the address names' },
    ]);
    expect((await put({ size: 0 })).json.fields).toEqual([{ field: 'size', takes: 'more than 0' }]);
    for (const other of [[], [{ size: 2 }]]) expect((await put(other)).status).toBe(400);
    expect((await ask('PUT', `/things/${GOOD_ID}`, 'size=2', 'text/plain')).json).toEqual(
      expect.objectContaining({ code: 'wrong-content-type', detail: 'Send the body as application/json.' }),
    );
  });

  it('says which ways its address takes', async () => {
    expect(await ask('DELETE', `/things/${GOOD_ID}`)).toEqual({
      status: 405,
      allow: 'GET, PUT',
      json: expect.objectContaining({ code: 'wrong-method', detail: 'This address takes GET, PUT.' }),
    });
  });
});

it('gives many the same answer, packed where it is long and whoever asks takes it so', async () => {
  const long = { words: 'a bead '.repeat(PACKED_FROM / 4) };
  const short = { words: 'a bead' };
  const answers = { long: new SharedAnswer(long), short: new SharedAnswer(short) };
  const app = express();
  app.get('/:which', ({ params }, response: Response) => answers[params.which as 'long' | 'short'].sendTo(response));
  const server = createServer(app);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const asked = async (which: string, takes: string) => {
    const sent = await fetch(`http://127.0.0.1:${port}/${which}`, { headers: { 'accept-encoding': takes } });
    const { headers } = sent;
    // Whoever asks unpacks it, so that the length is that of what came.
    const said = [headers.get('content-encoding'), headers.get('vary'), Number(headers.get('content-length'))];
    return [await sent.json(), ...said];
  };
  const whole = JSON.stringify(long).length;
  const said = [await asked('long', 'identity'), await asked('long', 'br'), await asked('short', 'gzip')];
  const packed = [await asked('long', 'gzip'), await asked('long', 'gzip, deflate, br')];
  server.close();
  expect(said[0]).toEqual([long, null, 'Accept-Encoding', whole]);
  expect(said[1]).toEqual([long, null, 'Accept-Encoding', whole]);
  expect(said[2]).toEqual([short, null, 'Accept-Encoding', JSON.stringify(short).length]);
  for (const [value, packing, vary, length] of packed) {
    expect([value, packing, vary]).toEqual([long, 'gzip', 'Accept-Encoding']);
    expect(length).toBeLessThan(whole / 10);
  }
});

describe('its description', () => {
  type Operation = {
    summary: string;
    parameters: { name: string; in: string; required?: true }[];
    requestBody?: object;
    responses: Record<string, { $ref?: string; content: object }>;
  };
  type Failed = { description: string; content: Record<string, { schema: object }> };
  let described: {
    openapi: string;
    info: object;
    paths: Record<string, Record<string, Operation>>;
    components: { responses: Record<string, Failed>; parameters: Record<string, object> };
  };
  let paths: typeof described.paths;
  beforeEach(() => {
    described = openApi(THINGS) as typeof described;
    ({ paths } = described);
  });

  it('names each address once, with every way it takes', () => {
    expect(described.openapi).toBe('3.1.0');
    expect(described.info).toMatchObject({
      title: 'Jolly Tinker',
      version: '1',
      description: expect.stringMatching(/bead/),
    });
    expect(Object.entries(paths).map(([path, ways]) => [path, Object.keys(ways)])).toEqual([
      ['/api/things', ['get']],
      ['/api/things/{id}', ['get', 'put']],
    ]);
    expect(paths['/api/things/{id}'].put.summary).toBe('Keeps a thing.');
  });

  it('names what each takes', () => {
    expect(paths['/api/things'].get.parameters).toEqual([
      { name: 'size', in: 'query', description: 'how large', schema: { type: 'string', pattern: '^\\d{1,2}$' } },
    ]);
    expect(paths['/api/things/{id}'].get.parameters).toEqual([{ $ref: '#/components/parameters/id' }]);
    expect(described.components.parameters.id).toEqual({
      ...{ name: 'id', in: 'path', required: true, schema: { $ref: '#/components/schemas/Id' } },
    });
    expect(paths['/api/things/{id}'].get.requestBody).toBeUndefined();
    expect(paths['/api/things/{id}'].put.requestBody).toEqual({
      required: true,
      content: { 'application/json': { schema: { type: 'object' } } },
    });
  });

  it('names what each answers, and every way it may fail', () => {
    const { responses } = paths['/api/things/{id}'].put;
    expect(Object.keys(responses)).toEqual(['200', '400', '401', '403', '409', '413', '415', '503', '507', 'default']);
    const failed = (status: string): Failed => described.components.responses[responses[status].$ref!.split('/')[3]];
    expect(responses['200'].content).toEqual({ 'application/json': { schema: { type: 'object' } } });
    expect(failed('409').description).toBe('conflict: Kept otherwise');
    expect(failed('400').description).toBe('wrong-fields: Some fields are not right; not-json: Not JSON');
    expect(Object.keys(failed('409').content)).toEqual(['application/problem+json']);
    expect(Object.keys(paths['/api/things/{id}'].get.responses)).toEqual(['200', '400', '401', '404', 'default']);
  });
});
