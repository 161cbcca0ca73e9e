import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:https';
import { join } from 'node:path';
import { pause } from '../system/clock';
import { gunzipSync } from 'node:zlib';
import { v7 } from 'uuid';
import type { JoinCode } from '../../core/access/access-schema';
import { EXAMPLE_CASE } from '../../core/cases/example';
import type { Changes } from '../../core/record/change/change-schema';
import type { Coupon, RigRecord } from '../../core/record/shapes/record-schema';
import { freePort } from '../system/free-port';
import { MortalServer } from './faults';
import { beadOn, couponOn } from './workshop';

/**
 * A workshop's phones all at once, over HTTPS and with a session each: they log beads, judge them, ask, and listen for what the others
 * write, as a page does.
 */
export type Load = {
  devices: number;
  /** How long they go on, s; and on until so many changes were acknowledged, however slow the machine. */
  seconds: number;
  least: number;
  /** Between two things that a device does, ms at most. */
  restMs: number;
};
/** How long something took, and when it was done by the clock of this process, ms. */
export type Taken = { ms: number; until: number };
export type LoadToll = {
  devices: number;
  changes: number;
  asked: number;
  /** Answered with anything but what was asked for. */
  refused: number;
  /** Beads that were acknowledged and are not there, or are there twice. */
  missing: number;
  doubled: number;
  judgedWrong: number;
  /** Devices that did not hear of the last revision in the end. */
  unheard: number;
  /** Changes: of one device alone, and of all. */
  idle: Taken[];
  loaded: Taken[];
  /** Memory of the server, MB, sampled evenly. */
  memoryMb: number[];
};

const PASS_PHRASE = 'three old welders';
/** Trial beads that a plate has room for. */
const PLATE_HOLDS = 30;
const OUTCOMES = ['better', 'same', 'worse', 'sound'] as const;
const MB = 1024;

/** One phone: connections that it keeps, and what it shows. */
class Phone {
  private cookie = '';
  private readonly agent: Agent;
  readonly id = v7();

  constructor(
    private readonly port: number,
    ca: string,
  ) {
    this.agent = new Agent({ keepAlive: true, maxSockets: 4, ca });
  }

  /** @throws when it cannot be reached */
  ask<T>(method: string, path: string, body?: object): Promise<{ status: number; json: T }> {
    // As a browser asks; what is short comes as it is.
    const headers = {
      cookie: this.cookie,
      'accept-encoding': 'gzip',
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    };
    return new Promise((done, fail) => {
      const asking = request(
        { host: 'localhost', port: this.port, method, path: `/api${path}`, headers, agent: this.agent },
        (answer) => {
          const said: Buffer[] = [];
          answer.on('data', (chunk: Buffer) => said.push(chunk));
          answer.on('end', () => {
            const packed = Buffer.concat(said);
            const text = (answer.headers['content-encoding'] === 'gzip' ? gunzipSync(packed) : packed).toString();
            const [given] = answer.headers['set-cookie'] ?? [];
            if (given !== undefined) this.cookie = given.split(';')[0];
            done({ status: answer.statusCode ?? 0, json: JSON.parse(text) as T });
          });
        },
      );
      asking.on('error', fail);
      asking.end(body === undefined ? undefined : JSON.stringify(body));
    });
  }

  change(kind: string, of: string, fields: object): Promise<{ status: number; json: unknown }> {
    const madeAt = new Date().toISOString();
    return this.ask('POST', '/changes', { id: v7(), kind, of, device: this.id, madeAt, against: 0, fields });
  }

  close(): void {
    this.agent.destroy();
  }
}

/** Memory of a process, MB; 0 where this machine does not say. */
function memoryOf(pid: number): number {
  try {
    const [, kb = '0'] = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
    return Math.round(Number(kb) / MB);
  } catch {
    return 0;
  }
}

async function timed<T>(times: Taken[], work: () => Promise<T>): Promise<T> {
  const from = performance.now();
  const done = await work();
  const until = performance.now();
  times.push({ ms: until - from, until });
  return done;
}

/** Lets many devices work at once, and counts what was lost. @param dataDir an empty folder */
export async function runLoad(dataDir: string, { devices, seconds, least, restMs }: Load): Promise<LoadToll> {
  const lanPort = await freePort();
  const env = { LAN_PORT: String(lanPort), HOST: '127.0.0.1', PASS_PHRASE };
  const server = await MortalServer.start(dataDir, ['--lan', '--weeks'], env);
  const toll: LoadToll = {
    ...{ devices, changes: 0, asked: 0, refused: 0, missing: 0, doubled: 0, judgedWrong: 0, unheard: 0 },
    ...{ idle: [], loaded: [], memoryMb: [] },
  };
  const ca = readFileSync(join(dataDir, 'tls', 'authority.pem'), 'utf8');
  const phones = Array.from({ length: devices }, () => new Phone(lanPort, ca));
  try {
    // They come in by one code, as a workshop does in the morning.
    const { code } = (await server.ask<JoinCode>('/join-codes', {})).json;
    for (const phone of phones)
      if ((await phone.ask('POST', '/session', { device: phone.id, name: 'Phone', code })).status !== 200)
        throw new Error('a device was not let in');
    const [rig] = (await phones[0].ask<RigRecord[]>('GET', '/rigs')).json;
    // Five devices to a plate, and another plate when it is full.
    type Plate = ReturnType<typeof couponOn> & { beads: number };
    const plates: Plate[] = [];
    const begin = async (phone: Phone): Promise<Plate> => {
      const { id, ...fields } = couponOn(rig.id);
      if ((await phone.change('begin-coupon', id, fields)).status !== 200) toll.refused += 1;
      const plate = { id, ...fields, beads: 0 };
      plates.push(plate);
      return plate;
    };
    const inHand = await Promise.all(Array.from({ length: Math.ceil(devices / 5) }, () => begin(phones[0])));

    const judged = new Map<string, { plate: string; outcome: string }>();
    const logOne = async (phone: Phone, plate: Plate, times: Taken[]): Promise<void> => {
      plate.beads += 1;
      const { id: _, ...bead } = beadOn(plate, rig.setup.id);
      const of = v7();
      const logged = await timed(times, () => phone.change('log-bead', of, bead));
      const outcome = OUTCOMES[Math.floor(Math.random() * OUTCOMES.length)];
      const said = await timed(times, () => phone.change('change-bead', of, { outcome }));
      toll.changes += 2;
      if (logged.status !== 200 || said.status !== 200) toll.refused += 1;
      else judged.set(of, { plate: plate.id, outcome });
    };
    for (let i = 0; i < 60; i++) await logOne(phones[0], inHand[i % inHand.length], toll.idle);

    const before = toll.changes;
    let isOver = false;
    const heard = phones.map(() => 0);
    const listening = phones.map(async (phone, i) => {
      let since = (await phone.ask<{ revision: number }>('GET', '/health')).json.revision;
      while (!isOver) {
        const { status, json } = await phone.ask<Changes>('GET', `/changes?since=${since}&wait=2`);
        if (status !== 200) toll.refused += 1;
        else since = heard[i] = json.upTo;
      }
    });
    const working = phones.map(async (phone, i) => {
      for (let turn = 0; !isOver; turn++) {
        // Nobody begins at the very same moment.
        await pause(Math.random() * restMs);
        const on = Math.floor(i / 5);
        if (inHand[on].beads >= PLATE_HOLDS) inHand[on] = await begin(phone);
        await logOne(phone, inHand[on], toll.loaded);
        if (turn % 3 === 0) {
          const { status } = await phone.ask('POST', '/diagnose', EXAMPLE_CASE);
          toll.asked += 1;
          // A server that has too much to work out says so, and is asked again later.
          if (status !== 200 && status !== 503) toll.refused += 1;
        }
      }
    });
    const until = performance.now() + seconds * 1000;
    while (performance.now() < until || toll.changes - before < least) {
      toll.memoryMb.push(memoryOf(server.pid));
      await pause(Math.max(250, (seconds * 1000) / 60));
    }
    isOver = true;
    await Promise.all([...working, ...listening]);

    const { revision } = (await phones[0].ask<{ revision: number }>('GET', '/health')).json;
    await Promise.all(
      phones.map(async (phone, i) => {
        for (let since = heard[i]; since < revision;) {
          const { json } = await phone.ask<Changes>('GET', `/changes?since=${since}&wait=0`);
          if (json.upTo <= since) break;
          since = heard[i] = json.upTo;
        }
        if (heard[i] < revision) toll.unheard += 1;
      }),
    );
    const times = new Map<string, number>();
    const outcomes = new Map<string, string | null>();
    for (const { id } of plates)
      for (const bead of (await phones[0].ask<Coupon>('GET', `/coupons/${id}`)).json.beads) {
        times.set(bead.id, (times.get(bead.id) ?? 0) + 1);
        outcomes.set(bead.id, bead.outcome);
      }
    for (const [id, { outcome }] of judged) {
      if (!times.has(id)) toll.missing += 1;
      else if (outcomes.get(id) !== outcome) toll.judgedWrong += 1;
    }
    toll.doubled = [...times.values()].filter((count) => count > 1).length;
    return toll;
  } finally {
    phones.forEach((phone) => phone.close());
    await server.kill('SIGTERM');
  }
}
