import { spawn, type ChildProcess } from 'node:child_process';
import { resolve } from 'node:path';
import { v7 } from 'uuid';
import type { Changed, HistoryEntry } from '../../core/record/change/change-schema';
import type { Coupon, RigRecord } from '../../core/record/shapes/record-schema';
import { pause } from '../system/clock';
import { freePort } from '../system/free-port';
import { runProgram } from '../system/program';
import { beadOn, couponOn } from './workshop';

/**
 * Writers against a server that is killed in the middle of what it does, or whose answers get lost on the way back. Each
 * writer does as a device does: it sends a change until it is answered, and only then the next.
 */
const ROOT = resolve(__dirname, '..', '..');

export type Fault = {
  /** How often the server is killed while it writes. */
  kills: number;
  writers: number;
  /** Share of the answers that are lost after the change was stored. */
  lost: number;
  /** How long they go on after the last kill, ms. */
  lastsMs: number;
  /** They go on until so many changes were acknowledged, however slow the machine; 0 for as long as that alone. */
  least: number;
};
export type Toll = {
  kills: number;
  acknowledged: number;
  /** Sent again because no answer came. */
  repeated: number;
  /** Acknowledged and not there. */
  missing: number;
  /** There more than once. */
  doubled: number;
  /** Beads of one writer that stand in another order than they were made in. */
  outOfOrder: number;
  /** Numbers given twice, or left out. */
  numbersWrong: number;
  /** Judgements that differ from the last one acknowledged. */
  judgedWrong: number;
};

/** A server that can be killed and started again on the same database and port. */
export class MortalServer {
  private child: ChildProcess | null = null;
  private constructor(
    private readonly dataDir: string,
    private readonly port: number,
    private readonly flags: readonly string[],
    private readonly env: Record<string, string>,
  ) {}

  /** Of the running process. */
  get pid(): number {
    return this.child?.pid ?? 0;
  }

  /** @param flags of the command @param env more of what it is told by */
  static async start(
    dataDir: string,
    flags: readonly string[] = [],
    env: Record<string, string> = {},
  ): Promise<MortalServer> {
    const server = new MortalServer(dataDir, await freePort(), flags, env);
    await server.begin();
    return server;
  }

  begin(): Promise<void> {
    const { path, execArgv } = runProgram('main');
    const child = spawn(process.execPath, [...execArgv, path, ...this.flags], {
      cwd: ROOT,
      env: { ...process.env, PORT: String(this.port), DATA_DIR: this.dataDir, ...this.env },
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    this.child = child;
    return new Promise((ready, failed) => {
      child.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('ready') && ready());
      child.once('exit', () => failed(new Error('the server ended before it was ready')));
    });
  }

  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const { child } = this;
    if (child === null) return;
    this.child = null;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await gone;
  }

  /** @throws when it cannot be reached or does not answer */
  async ask<T>(path: string, body?: object): Promise<{ status: number; json: T }> {
    const response = await fetch(`http://127.0.0.1:${this.port}/api${path}`, {
      ...(body === undefined
        ? {}
        : { method: 'POST', body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      signal: AbortSignal.timeout(10_000),
    });
    return { status: response.status, json: (await response.json()) as T };
  }
}

type Sent = { repeated: number };

/** Sends a change as a device does: again and again until there is an answer. */
async function sendUntilAnswered(server: MortalServer, change: object, lost: number, sent: Sent): Promise<Changed> {
  for (;;) {
    try {
      const { status, json } = await server.ask<Changed>('/changes', change);
      if (status === 200 && Math.random() >= lost) return json;
      if (status !== 200 && status < 500) throw new RangeError(`refused with ${status}: ${JSON.stringify(json)}`);
    } catch (error) {
      if (error instanceof RangeError) throw error;
      await pause(20);
    }
    sent.repeated += 1;
  }
}

/**
 * Lets writers log and judge beads on one coupon while the server is killed, and counts what was lost or doubled.
 * @param dataDir an empty folder
 */
export async function writeThroughFaults(
  dataDir: string,
  { kills, writers, lost, lastsMs, least }: Fault,
): Promise<Toll> {
  const server = await MortalServer.start(dataDir);
  const sent: Sent = { repeated: 0 };
  const madeAt = new Date().toISOString();
  const change = (device: string, kind: string, of: string, fields: object, against = 0, id = v7()): object => ({
    ...{ id, kind, of, device, madeAt, against, fields },
  });
  const [rig] = (await server.ask<RigRecord[]>('/rigs')).json;
  const { id: couponId, ...coupon } = couponOn(rig.id);
  await sendUntilAnswered(server, change(v7(), 'begin-coupon', couponId, coupon), 0, sent);
  let isOver = false;
  const made = await (async () => {
    const logs = Array.from({ length: writers }, () => ({ ids: [] as string[], judged: new Map<string, string>() }));
    const writing = logs.map(async ({ ids, judged }) => {
      const device = v7();
      while (!isOver) {
        const { id: _, ...bead } = beadOn({ id: couponId, job: coupon.job }, rig.setup.id);
        const id = v7();
        const logged = await sendUntilAnswered(server, change(device, 'log-bead', id, bead, 0, id), lost, sent);
        ids.push(id);
        const outcome = ids.length % 3 === 0 ? 'sound' : 'better';
        const revision = logged.bead?.revision ?? 0;
        await sendUntilAnswered(server, change(device, 'change-bead', id, { outcome }, revision), lost, sent);
        judged.set(id, outcome);
      }
    });
    for (let kill = 0; kill < kills; kill++) {
      await pause(150 + Math.random() * 250);
      await server.kill();
      await server.begin();
    }
    await pause(lastsMs);
    const acknowledged = (): number => logs.reduce((sum, { ids, judged }) => sum + ids.length + judged.size, 0);
    while (acknowledged() < least) await pause(20);
    isOver = true;
    await Promise.all(writing);
    return logs;
  })();
  const { beads } = (await server.ask<Coupon>(`/coupons/${couponId}`)).json;
  const history = (await server.ask<HistoryEntry[]>(`/coupons/${couponId}/history`)).json;
  await server.kill('SIGTERM');
  const place = new Map(beads.map(({ id }, i) => [id, i]));
  const ids = made.flatMap((log) => log.ids);
  const judged = made.flatMap((log) => [...log.judged]);
  const logged = history.filter(({ kind }) => kind === 'log-bead').map(({ of }) => of);
  return {
    kills,
    acknowledged: ids.length + judged.length,
    repeated: sent.repeated,
    missing: ids.filter((id) => !place.has(id)).length,
    doubled: beads.length - place.size + (logged.length - new Set(logged).size) + (beads.length - ids.length),
    outOfOrder: made
      .flatMap((log) => log.ids.slice(1).map((id, i) => (place.get(id) ?? 0) - (place.get(log.ids[i]) ?? 0)))
      .filter((step) => step <= 0).length,
    numbersWrong: beads.filter(({ number }, i) => number !== i + 1).length,
    judgedWrong: judged.filter(([id, outcome]) => beads[place.get(id) ?? -1]?.outcome !== outcome).length,
  };
}
