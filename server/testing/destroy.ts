import { existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pause } from '../system/clock';
import { v7 } from 'uuid';
import type { Copies } from '../../core/record/shapes/copies-schema';
import type { Coupon, RigRecord } from '../../core/record/shapes/record-schema';
import { restoreCommand } from '../backup/command';
import { openStore } from '../db/open';
import { MortalServer } from './faults';
import { beadOn, couponOn } from './workshop';

/**
 * A workshop's machine that is lost while its welders write: server, copying and disk at one blow. What was copied is put back
 * on another, and held against what was acknowledged.
 */
export type Destruction = {
  writers: number;
  /** How long they write before the blow, ms; and on until so many beads were acknowledged. */
  writesMs: number;
  least: number;
};
export type Loss = {
  acknowledged: number;
  /** Acknowledged, and not in what was put back. */
  lost: number;
  /** How long before the blow the oldest of the lost was acknowledged, ms; 0 where none was lost. */
  oldestLostMs: number;
  /** Lost though the same writer's next one is there. */
  holes: number;
  /** Lost of those that the server had said were copied. */
  lostThoughCopied: number;
  /** How long putting it back took, ms. */
  restoreMs: number;
};

type Written = { id: string; writer: number; at: number };

/** Gives a rig another name. @throws where that is not taken */
export async function renameRig(server: MortalServer, name: string): Promise<void> {
  const [{ id }] = (await server.ask<RigRecord[]>('/rigs')).json;
  const change = { id: v7(), kind: 'change-rig', of: id, device: v7(), madeAt: new Date().toISOString(), against: 0 };
  const { status } = await server.ask('/changes', { ...change, fields: { name } });
  if (status !== 200) throw new Error(`the change was answered with ${status}`);
}

/** Returns what the rigs of a database are called. */
export function rigNames(database: string): string[] {
  const { connection, close } = openStore(database);
  const names = connection.prepare('SELECT name FROM rigs').pluck().all() as string[];
  close();
  return names;
}

/** Waits until the server says that all up to a moment is copied. */
export async function untilCopied(server: MortalServer, since = Date.now()): Promise<Copies> {
  for (;;) {
    const { json } = await server.ask<Copies>('/copies');
    if (json.upTo !== null && Date.parse(json.upTo) > since) return json;
    await pause(100);
  }
}

/** Kills the copying with all it started, as a machine does that loses its power. */
export function killCopying(dataDir: string): void {
  // It leads a group of its own.
  process.kill(-Number(readFileSync(join(dataDir, 'copies.pid'), 'utf8')), 'SIGKILL');
}

/** Waits until the copying of a server that has ended is at its end too. */
export async function untilCopyingEnded(dataDir: string): Promise<void> {
  while (existsSync(join(dataDir, 'copies.pid'))) await pause(50);
}

const flags = ['--weeks'];

/** @param at an empty folder */
export async function destroyWhileWriting(at: string, { writers, writesMs, least }: Destruction): Promise<Loss> {
  const [dataDir, copies, other] = ['data', 'copies', 'other'].map((name) => join(at, name));
  for (const one of [dataDir, other]) mkdirSync(one, { recursive: true });
  const server = await MortalServer.start(dataDir, flags, { COPY_TO: copies });
  const change = (kind: string, of: string, fields: object): object => ({
    ...{ id: v7(), kind, of, device: v7(), madeAt: new Date().toISOString(), against: 0, fields },
  });
  const [rig] = (await server.ask<RigRecord[]>('/rigs')).json;
  const { id: couponId, ...coupon } = couponOn(rig.id);
  await server.ask('/changes', change('begin-coupon', couponId, coupon));
  await untilCopied(server);

  const written: Written[] = [];
  let isOver = false;
  const writing = Array.from({ length: writers }, async (_, writer) => {
    while (!isOver) {
      const { id: _id, ...bead } = beadOn({ id: couponId, job: coupon.job }, rig.setup.id);
      const id = v7();
      try {
        const { status } = await server.ask('/changes', change('log-bead', id, bead));
        if (status === 200) written.push({ id, writer, at: Date.now() });
      } catch {
        // It is gone.
      }
    }
  });
  const until = Date.now() + writesMs;
  while (Date.now() < until || written.length < least) await pause(50);
  const said = (await server.ask<Copies>('/copies')).json.upTo ?? '';

  const blow = Date.now();
  killCopying(dataDir);
  await server.kill('SIGKILL');
  isOver = true;
  await Promise.all(writing);
  rmSync(dataDir, { recursive: true, force: true });
  const from = performance.now();
  await restoreCommand(undefined, { from: copies }, { database: join(other, 'jolly-tinker.sqlite') });
  const restoreMs = performance.now() - from;

  renameSync(other, dataDir);
  const again = await MortalServer.start(dataDir, flags);
  const { beads } = (await again.ask<Coupon>(`/coupons/${couponId}`)).json;
  await again.kill('SIGTERM');
  const there = new Set(beads.map(({ id }) => id));
  const lost = written.filter(({ id }) => !there.has(id));
  const isHole = ({ writer, at }: Written): boolean =>
    written.some((later) => later.writer === writer && later.at > at && there.has(later.id));
  return {
    acknowledged: written.length,
    lost: lost.length,
    oldestLostMs: Math.max(0, ...lost.map((one) => blow - one.at)),
    holes: lost.filter(isHole).length,
    lostThoughCopied: lost.filter((one) => one.at <= Date.parse(said)).length,
    restoreMs,
  };
}
