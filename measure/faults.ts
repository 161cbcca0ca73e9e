import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import type { Coupon, RigRecord } from '../core/record/shapes/record-schema';
import { destroyWhileWriting } from '../server/testing/destroy';
import { MortalServer, writeThroughFaults } from '../server/testing/faults';
import { beadOn, couponOn } from '../server/testing/workshop';

/** `npm run faults [-- KILLS]`: kills the server while six writers write, loses answers, fills a disk, destroys the machine; prints the toll. */
const KILLS = Number(process.argv[2] ?? 100);

/** A file system of 4 MB, where this machine lets one be made. */
function smallDisk(at: string): boolean {
  mkdirSync(at, { recursive: true });
  return spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=4m', 'tmpfs', at]).status === 0;
}

async function fillDisk(at: string): Promise<void> {
  if (!smallDisk(at)) return console.log('disk full: this machine lets no small file system be made');
  try {
    const server = await MortalServer.start(at, ['--weeks']);
    const [rig] = (await server.ask<RigRecord[]>('/rigs')).json;
    const { id: couponId, ...coupon } = couponOn(rig.id);
    const device = v7();
    const send = (kind: string, of: string, fields: object) =>
      server.ask<{ code?: string }>('/changes', {
        ...{ id: of, kind, of, device, madeAt: new Date().toISOString(), against: 0, fields },
      });
    await send('begin-coupon', couponId, coupon);
    const taken: string[] = [];
    let refused: string | undefined;
    while (refused === undefined && taken.length < 3000) {
      const { id: _, ...bead } = beadOn({ id: couponId, job: coupon.job }, rig.setup.id);
      const id = v7();
      const { status, json } = await send('log-bead', id, { ...bead, note: 'x'.repeat(1500) });
      if (status === 200) taken.push(id);
      else refused = `${status} ${json.code}`;
    }
    await server.kill();
    await server.begin();
    const { beads } = (await server.ask<Coupon>(`/coupons/${couponId}`)).json;
    const missing = taken.filter((id) => !beads.some((bead) => bead.id === id)).length;
    console.log(
      `disk full: after ${taken.length} acknowledged beads it answered ${refused}; killed and started again: ${missing} missing, ${beads.length - taken.length} too many`,
    );
    await server.kill('SIGTERM');
  } finally {
    spawnSync('umount', [at]);
  }
}

/** Server, copying and disk at one blow, so often; put back from the copy. */
const BLOWS = 10;

async function destroyMachines(folder: string): Promise<void> {
  for (let blow = 0; blow < BLOWS; blow++) {
    const at = join(folder, `destroyed-${blow}`);
    mkdirSync(at);
    const { restoreMs, oldestLostMs, ...loss } = await destroyWhileWriting(at, {
      writers: 6,
      writesMs: 5000,
      least: 0,
    });
    const counts = Object.entries(loss).map(([name, count]) => `${count} ${name}`);
    console.log(
      `machine destroyed: ${counts.join(', ')}; the oldest lost was ${oldestLostMs} ms old; put back in ${Math.round(restoreMs)} ms`,
    );
  }
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-faults-'));
  try {
    for (const [what, fault] of [
      ['killed while it writes', { kills: KILLS, writers: 6, lost: 0, lastsMs: 300, least: 0 }],
      ['answers lost after storing', { kills: 0, writers: 6, lost: 0.5, lastsMs: 20_000, least: 0 }],
      ['both', { kills: Math.ceil(KILLS / 5), writers: 6, lost: 0.3, lastsMs: 300, least: 0 }],
    ] as const) {
      const toll = await writeThroughFaults(join(folder, what.replace(/ /g, '-')), fault);
      console.log(
        `${what}: ${Object.entries(toll)
          .map(([name, count]) => `${count} ${name}`)
          .join(', ')}`,
      );
    }
    await fillDisk(join(folder, 'disk'));
    await destroyMachines(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
void main();
