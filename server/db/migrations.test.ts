import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, type Connection } from './engine/connection';
import { caseOfBead } from '../../core/record/draft/case-of';
import { validateCase } from '../../core/case/validate';
import { COUPONS } from '../demo/coupons';
import { isNew, markBegun } from './begin';
import { changesSince, newestRevision } from './changes/changes-since';
import { findCoupon, pageOfCoupons } from './records/coupons';
import { MIGRATIONS, openStore } from './open';
import { listRigs } from './records/rigs';
import type { Unreadable } from './tables/rows';

const folder = mkdtempSync(join(tmpdir(), 'jolly-versions-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

type Journal = { entries: { when: number; tag: string }[] };
const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as Journal;

/** A database as the program made it that knew only so many versions, with that program's own journal. */
function databaseOfVersion(count: number, name: string): { file: string; connection: Connection } {
  const migrations = join(folder, `${name}-migrations`);
  cpSync(MIGRATIONS, migrations, { recursive: true });
  const entries = journal.entries.slice(0, count);
  writeFileSync(join(migrations, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }));
  const file = join(folder, `${name}.sqlite`);
  const connection = connect(file);
  connection.pragma('journal_mode = WAL');
  connection.pragma('foreign_keys = ON');
  migrate(drizzle(connection), { migrationsFolder: migrations });
  return { file, connection };
}

const RIG_ID = '0190a000-0000-7000-8000-000000000001';
const COUPON_ID = '0190a000-0000-7000-8001-000000000000';
const beadId = (i: number): string => `0190a000-0000-7000-8002-${String(i).padStart(12, '0')}`;

/** Rows as the first version kept them: a demo coupon, and what that version let in without complaint. */
function fillFirstVersion(connection: Connection): void {
  const [told] = COUPONS;
  const rig = {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { co2Pct: 18 },
    nozzleBoreMm: 13,
  };
  connection
    .prepare('INSERT INTO rigs VALUES (?, ?, ?, ?, ?, ?)')
    .run(RIG_ID, 'Dock set', JSON.stringify(rig), 'by the dock', 'crisper', 'dial');
  const coupon = connection.prepare('INSERT INTO coupons VALUES (?, ?, ?, ?, ?)');
  coupon.run(COUPON_ID, RIG_ID, told.title, JSON.stringify(told.job), '2026-05-04T09:20:00Z');
  coupon.run('0190a000-0000-7000-8001-000000000001', RIG_ID, 'Zoned', '{}', '2026-05-04T09:20:00+02:00');
  const bead = connection.prepare('INSERT INTO beads VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
  const verdict = JSON.stringify({ cause: 'voltage-low', probability: 0.9 });
  const move = JSON.stringify({
    kind: 'setting',
    setting: 'voltageV',
    from: 16.5,
    to: 19.9,
    text: 'volts up, 16.5 to 19.9 V',
  });
  told.beads.forEach(({ settings, findings }, i) =>
    bead.run(
      beadId(i),
      COUPON_ID,
      i + 1,
      `2026-05-04T09:3${i}:00.000Z`,
      JSON.stringify(settings),
      null,
      JSON.stringify(findings),
      verdict,
      move,
      i === 1 ? 'sound' : null,
      `note ${i}`,
    ),
  );
  // Two beads of one number, a finding and a cause that no lexicon held, and a text that is no JSON.
  const odd = JSON.stringify({ cause: 'bad-luck', probability: 1 });
  bead.run(
    beadId(7),
    COUPON_ID,
    2,
    '2026-05-04T09:50:00.000Z',
    '{}',
    '{"voltageV":"estimate"}',
    '{"bead-purple":"present"}',
    odd,
    null,
    null,
    '',
  );
  bead.run(beadId(8), COUPON_ID, 9, '9999-05-04T09:50:00.000Z', '{"volt', null, '{}', null, null, null, '');
}

describe('a database of the first version', () => {
  const { file, connection } = databaseOfVersion(1, 'first');
  fillFirstVersion(connection);
  connection.close();
  const opened = openStore(file);
  afterAll(() => opened.close());
  const unreadable: Unreadable[] = [];
  const report = (row: Unreadable): void => void unreadable.push(row);
  const coupon = () => findCoupon(opened.store, COUPON_ID, report)!;
  const [told] = COUPONS;

  it('opens with its rig, and what was fitted as a setup that is marked as assumed', () => {
    const [rig] = listRigs(opened.store, report);
    expect(rig).toEqual(expect.objectContaining({ id: RIG_ID, name: 'Dock set', note: 'by the dock', putAway: false }));
    expect(rig.setup).toEqual(
      expect.objectContaining({
        assumed: true,
        arcControlRising: 'crisper',
        display: 'dial',
        fittedAt: '2026-05-04T07:20:00.000Z',
      }),
    );
    expect(rig.setup.id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(rig.setup.rig.gas).toEqual({ co2Pct: 18 });
  });

  it('opens with every bead that can be read, its job and setup named, and what it said', () => {
    const { beads, jobs, setups } = coupon();
    told.beads.forEach(({ settings, findings }, i) => {
      const bead = beads.find(({ id }) => id === beadId(i))!;
      expect(bead).toEqual(
        expect.objectContaining({
          settings,
          findings,
          note: `note ${i}`,
          judgedBy: null,
          schools: {},
          takenBack: false,
        }),
      );
      expect(bead.verdict).toEqual({ cause: 'voltage-low', name: 'Voltage too low', probability: 0.9 });
      expect(bead.names[Object.keys(findings)[0]].length).toBeGreaterThan(3);
      expect(bead.appearance).not.toBeNull();
      const input = caseOfBead(
        bead,
        setups.find(({ id }) => id === bead.setupId)!,
        jobs.find(({ id }) => id === bead.jobId)!,
      );
      expect(validateCase(input).problems).toBeNull();
      expect(input.job).toEqual(told.job);
      expect(input.rig!.dials!.arcControlPct!.points[0]).toEqual({ mark: 0, value: 100 });
    });
  });

  it('numbers anew where one number stood twice, keeps old words, and passes over what cannot be read', () => {
    const { beads } = coupon();
    expect(beads.map(({ number }) => number)).toEqual([1, 2, 3]);
    const odd = beads.find(({ id }) => id === beadId(7))!;
    expect(odd).toEqual(
      expect.objectContaining({ names: { 'bead-purple': 'bead purple' }, readings: { voltageV: 'estimate' } }),
    );
    expect(odd.verdict).toEqual({ cause: 'bad-luck', name: 'bad luck', probability: 1 });
    expect(unreadable.map(({ id }) => id)).toContain(beadId(8));
  });

  it('lists them with times in one zone, counts and the first sound one', () => {
    const page = pageOfCoupons(opened.store, { limit: 10 }, report);
    expect(page.coupons.map(({ createdAt }) => createdAt)).toEqual([
      '2026-05-04T09:20:00.000Z',
      '2026-05-04T07:20:00.000Z',
    ]);
    expect(page.coupons[0]).toEqual(expect.objectContaining({ beadCount: 4, soundNumber: 2 }));
    expect(page.coupons[0].lastBeads[0].shows).toBe('Ropey, humped');
  });

  it('gives each row a revision of its own, and counts as begun', () => {
    const total = 1 + 2 + told.beads.length + 2;
    expect(newestRevision(opened.store)).toBe(total);
    const first = changesSince(opened.store, 0, 2, report);
    expect(first.rigs.length + first.coupons.length + first.beads.length).toBe(2);
    expect([first.upTo, first.more]).toEqual([2, true]);
    expect(isNew(opened.store)).toBe(false);
  });
});

describe('every version', () => {
  it.each(journal.entries.map(({ tag }, i) => [tag, i] as const))('before %s comes up with its journal', (_, count) => {
    const { file, connection } = databaseOfVersion(count, `version-${count}`);
    connection.close();
    const { store, connection: newest, close } = openStore(file);
    expect(newest.prepare('SELECT count(*) FROM __drizzle_migrations').pluck().get()).toBe(journal.entries.length);
    expect(isNew(store)).toBe(true);
    markBegun(store);
    close();
    const again = openStore(file);
    expect(isNew(again.store)).toBe(false);
    expect(again.connection.pragma('synchronous', { simple: true })).toBe(2);
    expect(again.connection.pragma('foreign_keys', { simple: true })).toBe(1);
    again.close();
  });
});
