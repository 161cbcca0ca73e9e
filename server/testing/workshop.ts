import Ajv2020 from 'ajv/dist/2020';
import { cpSync, existsSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answer } from '../../core/answer';
import type { ChangeKind } from '../../core/record/kinds/all';
import type { NewBead, NewCoupon } from '../../core/record/shapes/record-schema';
import { DESCRIBED } from '../described';
import { DEFAULT_STATUSES, openApi } from '../api/openapi';
import { createApp, type AppOptions } from '../app';
import { newestRevision } from '../db/changes/changes-since';
import { openStore, type OpenedStore } from '../db/open';
import type { Unreadable } from '../db/tables/rows';
import { loadWorkshop } from '../demo/load';
import { chart, learn, start } from '../diagnosis/diagnose.worker';
import { shelveDemoPictures } from '../demo/pictures';
import { shelfOf } from '../pictures/shelf';
import { createLog } from '../http/request-log';
import chartsFrom from '../files/charts.worker';
import takeFileIn from '../files/import-record.worker';

/** The device that changes of tests come from. */
const DEVICE = '0190b000-0000-7000-8000-0000000000de';
/** A day on which the demo is told, so that tests see the same times. */
export const NOW = Date.parse('2026-05-04T09:00:00Z');

export type Sent = {
  status: number;
  type: string;
  headers: Record<string, string | string[] | undefined>;
  json: never;
};
export type Workshop = OpenedStore & {
  folder: string;
  file: string;
  port: number;
  unreadable: Unreadable[];
  send: (method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Sent>;
  /** A change as a device makes it that knows all there is; answered with what is now so. */
  change: (kind: ChangeKind, of: string, fields: object, headers?: Record<string, string>) => Promise<Sent>;
  begin: (coupon: NewCoupon) => Promise<Sent>;
  log: (bead: NewBead) => Promise<Sent>;
  stop: () => Promise<void>;
};

type Answer = { $ref?: string; content: Record<string, { schema: object }> };
const document = openApi(DESCRIBED) as {
  paths: Record<string, Record<string, { responses: Record<string, Answer> }>>;
  components: { responses: Record<string, Answer> };
};
/** Returns what is described of an answer: as such, or for every address alike. */
function answerOf(responses: Record<string, Answer>, status: number): Answer | undefined {
  const stated = responses[String(status)] ?? (DEFAULT_STATUSES.includes(status) ? responses.default : undefined);
  const name = stated?.$ref?.split('/').pop();
  return name === undefined ? stated : document.components.responses[name];
}
const ajv = new Ajv2020({ allErrors: true, strict: false, validateFormats: false, inlineRefs: false });
const compiled = new Map<string, ReturnType<typeof ajv.compile>>();

/** Holds an answer against the published description of the API. @throws when it is not what was published */
function holdAgainstDescription(method: string, path: string, status: number, json: unknown): void {
  const address = `/api${path.split('?')[0]}`;
  const stated = Object.keys(document.paths).find((one) =>
    new RegExp(`^${one.replace(/\./g, '\\.').replace(/\{\w+\}/g, '[^/]+')}$`).test(address),
  );
  const operation = stated === undefined ? undefined : document.paths[stated][method.toLowerCase()];
  if (operation === undefined) {
    const { code } = json as { code?: string };
    if (code === 'no-such-address' || code === 'wrong-method' || code === 'not-in') return;
    throw new Error(`${method} ${path} is answered, and not described`);
  }
  const response = answerOf(operation.responses, status);
  if (response === undefined) throw new Error(`${method} ${path} answered ${status}, which is not described`);
  const [[type, { schema }]] = Object.entries(response.content);
  const key = `${method} ${stated} ${status} ${type}`;
  const check = compiled.get(key) ?? ajv.compile({ ...schema, components: document.components });
  compiled.set(key, check);
  if (!check(json)) throw new Error(`${key} is not as described: ${ajv.errorsText(check.errors)}`);
}

/** One request by Node's own client, which lets a test choose every header. */
function ask(
  port: number,
  method: string,
  path: string,
  body: unknown,
  headers: Record<string, string>,
): Promise<Sent> {
  const text = body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body);
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: { ...(text === null ? {} : { 'content-type': 'application/json' }), ...headers },
      },
      (response) => {
        let said = '';
        response.setEncoding('utf8');
        response.on('data', (chunk: string) => (said += chunk));
        response.on('end', () => {
          const type = response.headers['content-type'] ?? '';
          const json = (type.includes('json') ? JSON.parse(said) : said) as never;
          resolve({ status: response.statusCode ?? 0, type, headers: response.headers, json });
        });
      },
    );
    asked.on('error', reject);
    asked.end(text ?? undefined);
  });
}

const DATABASE = 'jolly-tinker.sqlite';

/** Puts the demo's database and pictures into a folder. */
function fillWithDemo(folder: string, years: boolean): void {
  const { store, close } = openStore(join(folder, DATABASE));
  shelveDemoPictures(shelfOf(join(folder, DATABASE)));
  loadWorkshop(store, NOW, years);
  close();
}

/** The same, copied from what the first test of this run made: working it out for each took half of their time. */
function copyDemo(folder: string, years: boolean): void {
  const shared = process.env.JEST_SHARED;
  if (shared === undefined) return fillWithDemo(folder, years);
  const made = join(shared, `${years ? 'years' : 'weeks'}-${process.env.DATABASE_URL ?? 'sqlite'}`.replace(/\W/g, '-'));
  if (!existsSync(made)) {
    const making = mkdtempSync(join(shared, 'making-'));
    fillWithDemo(making, years);
    try {
      renameSync(making, made);
    } catch (error) {
      // Another suite was quicker, and made the same.
      if (!existsSync(made)) throw error;
    }
  }
  cpSync(made, folder, { recursive: true });
}

/** A server with a database of its own, filled with the demo's last four weeks unless told otherwise. Every answer is held against the description. */
export async function openWorkshop(
  options: Partial<AppOptions> & { demo?: boolean; years?: boolean } = {},
): Promise<Workshop> {
  const { demo = true, years = false, ...app } = options;
  const folder = mkdtempSync(join(tmpdir(), 'jolly-'));
  const file = join(folder, DATABASE);
  if (demo) copyDemo(folder, years);
  const opened = openStore(file);
  const unreadable: Unreadable[] = [];
  const server: Server = createServer(
    createApp({
      store: opened.store,
      database: file,
      takeFileIn,
      charts: async (of) => chartsFrom(of),
      diagnose: async (input) => answer(input),
      start: async (input) => start(input),
      chart: async (of) => chart(of),
      learn: async (beads) => learn(beads),
      log: createLog('silent'),
      report: (row) => unreadable.push(row),
      site: null,
      ...app,
    }),
  );
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const send: Workshop['send'] = async (method, path, body, headers = {}) => {
    const sent = await ask(port, method, `/api${path}`, body, headers);
    if (sent.type.includes('json')) holdAgainstDescription(method, path, sent.status, sent.json);
    return sent;
  };
  const change: Workshop['change'] = (kind, of, fields, headers = {}) => {
    const against = newestRevision(opened.store);
    const envelope = { id: freshId(), kind, of, device: DEVICE, madeAt: new Date(NOW).toISOString(), against };
    return send('POST', '/changes', { ...envelope, fields }, headers);
  };
  return {
    ...opened,
    folder,
    file,
    port,
    unreadable,
    send,
    change,
    begin: ({ id, ...coupon }) => change('begin-coupon', id, coupon),
    log: ({ id, ...bead }) => change('log-bead', id, bead),
    stop: async () => {
      server.closeAllConnections();
      await new Promise((stopped) => server.close(stopped));
      opened.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A request outside the API, with every header at will. */
export const askSite = (
  port: number,
  path: string,
  headers: Record<string, string> = {},
  method = 'GET',
): Promise<Sent> => ask(port, method, path, undefined, headers);

let counted = 0;
/** A new id of the product's form. */
export const freshId = (): string => `0190b000-0000-7000-9000-${String((counted += 1)).padStart(12, '0')}`;

/** A plain coupon on a rig. */
export function couponOn(rigId: string, change: Partial<NewCoupon> = {}): NewCoupon {
  const createdAt = '2026-05-04T10:00:00.000Z';
  const job = { baseMetal: 'mild-steel', thicknessMm: 3, joint: 'fillet' } as const;
  return {
    id: freshId(),
    rigId,
    title: 'Test plate',
    createdAt,
    job: { id: freshId(), at: createdAt, job },
    ...change,
  };
}

/** A plain bead on a coupon. */
export function beadOn(
  coupon: { id: string; job: { id: string } },
  setupId: string,
  change: Partial<NewBead> = {},
): NewBead {
  return {
    id: freshId(),
    couponId: coupon.id,
    jobId: coupon.job.id,
    setupId,
    ranAt: '2026-05-04T10:10:00.000Z',
    settings: { voltageV: 19.8, wireSpeedMPerMin: 7.5 },
    readings: { voltageV: 'digital' },
    schools: { imbalance: 'by-heat' },
    findings: { 'bead-ropey': 'present' },
    names: { 'bead-ropey': 'Ropey, humped' },
    verdict: { cause: 'voltage-low', name: 'Voltage too low', probability: 0.8 },
    move: { kind: 'setting', setting: 'voltageV', from: 19.8, to: 20.4, text: 'volts up' },
    appearance: { widthMm: 6 },
    judgedBy: 'abc-123',
    outcome: null,
    note: '',
    ...change,
  };
}
