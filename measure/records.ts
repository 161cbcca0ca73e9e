import Database from 'better-sqlite3';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Coupon, CouponPage, NewBead, RigRecord } from '../core/record/shapes/record-schema';
import { markBegun } from '../server/db/begin';
import { pageOfCoupons } from '../server/db/records/coupons';
import { openStore } from '../server/db/open';
import { loadWorkshop } from '../server/demo/load';
import { serve } from './server';
import { summarise, type Timing } from './statistics';

/** Beads of a coupon, about what a stubborn one takes. */
const BEADS_A_COUPON = 10;
const id = (kind: number, n: number): string =>
  `0190c000-0000-7000-80${String(kind).padStart(2, '0')}-${String(n).padStart(12, '0')}`;

/** A database with the demo and as many more beads as wanted, copied from the demo's. */
function fill(folder: string, wanted: number): string {
  const file = join(folder, 'jolly-tinker.sqlite');
  const { store, connection, close } = openStore(file);
  loadWorkshop(store, Date.parse('2026-05-04T09:00:00Z'), false);
  markBegun(store);
  const coupon = connection.prepare('SELECT * FROM coupons LIMIT 1').get() as Record<string, unknown>;
  const job = connection.prepare('SELECT * FROM jobs WHERE id = ?').get(coupon.job_id) as { job: string };
  const bead = connection.prepare('SELECT * FROM beads LIMIT 1').get() as Record<string, unknown>;
  const addJob = connection.prepare('INSERT INTO jobs VALUES (?, ?, ?, ?)');
  const addCoupon = connection.prepare('INSERT INTO coupons VALUES (?, ?, ?, ?, 0, ?, ?, ?, ?)');
  const addBead = connection.prepare('INSERT INTO beads VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 0, ?)');
  connection.transaction(() => {
    let revision = 10;
    for (let c = 0; c < wanted / BEADS_A_COUPON; c++) {
      const at = new Date(Date.parse('2020-01-01T00:00:00Z') + c * 3_600_000).toISOString();
      addCoupon.run(
        id(1, c),
        coupon.rig_id,
        `Plate ${c}`,
        at,
        id(4, c),
        BEADS_A_COUPON,
        c % 3 === 0 ? 10 : null,
        (revision += 1),
      );
      addJob.run(id(4, c), id(1, c), at, job.job);
      for (let b = 1; b <= BEADS_A_COUPON; b++)
        addBead.run(
          id(2, c * 100 + b),
          id(1, c),
          b,
          bead.setup_id,
          id(4, c),
          at,
          bead.facts,
          bead.appearance,
          bead.shows,
          null,
          '',
          (revision += 1),
        );
    }
    connection.prepare('UPDATE ledger SET revision = ?').run(revision);
  })();
  connection.pragma('wal_checkpoint(TRUNCATE)');
  close();
  return file;
}

async function timed(runs: number, work: (run: number) => Promise<unknown> | unknown): Promise<Timing> {
  const times: number[] = [];
  for (let run = -5; run < runs; run++) {
    const from = performance.now();
    await work(run + 5);
    if (run >= 0) times.push(performance.now() - from);
  }
  return summarise(times);
}

/** The least that a page of the log can cost: its rows by the bare driver, parsed and written as JSON. */
function barePage(connection: Database.Database, after: string): string {
  const rows = connection
    .prepare(
      `SELECT c.*, r.name, j.job FROM coupons c JOIN rigs r ON r.id = c.rig_id JOIN jobs j ON j.id = c.job_id
       WHERE c.put_away = 0 AND c.created_at < ? ORDER BY c.created_at DESC, c.id DESC LIMIT 30`,
    )
    .all(after) as { id: string; job: string }[];
  const last = connection.prepare(
    'SELECT number, appearance, outcome, shows FROM beads WHERE coupon_id = ? AND taken_back = 0 ORDER BY number DESC LIMIT 4',
  );
  return JSON.stringify(
    rows.map((row) => ({
      ...row,
      job: JSON.parse(row.job) as unknown,
      beads: (last.all(row.id) as { appearance: string }[]).map((bead) => ({
        ...bead,
        appearance: JSON.parse(bead.appearance) as unknown,
      })),
    })),
  );
}

const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

export type Measured = {
  beads: number;
  page: Timing;
  bare: Timing;
  made: Timing;
  open: Timing;
  log: Timing;
  pageKb: number;
  grewMb: number;
};

/** Lists, opens and logs on a server whose database holds so many beads. */
export async function measureRecords(beads: number): Promise<Measured> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  const file = fill(folder, beads);
  const connection = new Database(file, { readonly: true });
  const { address, pid, stop } = await serve(folder);
  try {
    const get = async <T>(path: string): Promise<T> => (await fetch(`${address}/api${path}`)).json() as Promise<T>;
    const before = residentMb(pid);
    const times = Array.from({ length: 60 }, (_, i) =>
      new Date(Date.parse('2020-01-01T00:00:00Z') + ((i * 7 + 40) % (beads / 10)) * 3_600_000).toISOString(),
    );
    const reader = openStore(file);
    // Turn by turn, so that whatever else the machine does falls on both.
    const turns: { bare: number[]; made: number[] } = { bare: [], made: [] };
    await timed(100, (run) => {
      const at = times[run % times.length];
      const from = performance.now();
      barePage(connection, at);
      const between = performance.now();
      JSON.stringify(
        pageOfCoupons(reader.store, { limit: 30, after: { createdAt: at, id: id(1, 0) } }, () => undefined),
      );
      if (run < 10) return;
      turns.bare.push(between - from);
      turns.made.push(performance.now() - between);
    });
    reader.close();
    const [bare, made] = [summarise(turns.bare), summarise(turns.made)];
    const page = await timed(50, (run) => get<CouponPage>(`/coupons?limit=30&after=${times[run]}~${id(1, 0)}`));
    const pageKb = JSON.stringify(await get('/coupons?limit=30')).length / 1000;
    const open = await timed(50, (run) => get<Coupon>(`/coupons/${id(1, run)}`));
    const { rig, job, beads: its } = await get<Coupon & { rig: RigRecord }>(`/coupons/${id(1, 1)}`);
    const { number: _, takenBack: __, revision: ___, ...like } = its[0];
    const log = await timed(60, async (run) => {
      const bead = { ...like, id: id(9, run), setupId: rig.setup.id, jobId: job.id } as NewBead;
      const { id: of, ...fields } = bead;
      const envelope = { id: id(8, run), kind: 'log-bead', of, device: id(7, 1), madeAt: bead.ranAt, against: 0 };
      const sent = await fetch(`${address}/api/changes`, {
        method: 'POST',
        body: JSON.stringify({ ...envelope, fields }),
        headers: { 'content-type': 'application/json' },
      });
      if (!sent.ok) throw new Error(await sent.text());
    });
    for (let i = 0; i < 300; i++) await get('/coupons?limit=30');
    return { beads, page, bare, made, open, log, pageKb, grewMb: residentMb(pid) - before };
  } finally {
    connection.close();
    stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A health check while so many clients ask for diagnoses without pause, beside one at rest. */
export async function measureHealth(
  clients: number,
  question: string,
): Promise<{ idle: Timing; busy: Timing; answered: number }> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  const { address, stop } = await serve(folder);
  const health = (): Promise<unknown> => fetch(`${address}/api/health`).then((said) => said.json());
  const ask = (): Promise<unknown> =>
    fetch(`${address}/api/diagnose`, {
      method: 'POST',
      body: question,
      headers: { 'content-type': 'application/json' },
    }).then((said) => said.json());
  try {
    for (let i = 0; i < 30; i++) await ask();
    const idle = await timed(150, health);
    let going = true;
    let answered = 0;
    const busyClients = Array.from({ length: clients }, async () => {
      while (going) {
        await ask();
        answered += 1;
      }
    });
    const busy = await timed(150, health);
    going = false;
    await Promise.all(busyClients);
    return { idle, busy, answered };
  } finally {
    stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
