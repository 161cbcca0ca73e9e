import Database from 'better-sqlite3';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EXAMPLE_CASE } from '../core/case/example';
import { arcSettings, arcSetup, readArc } from '../core/arc/reading';
import { usableCurrent } from '../core/arc/heat';
import { caseOf } from '../core/record/case-of';
import type { Bead, CouponSummary, RigRecord } from '../core/record/schema';
import { createApp } from './app';
import { openStore, StartError, type OpenedStore } from './db/open';
import { listCoupons, listRigs } from './db/queries';
import { loadWorkshop } from './demo/load';

const folder = mkdtempSync(join(tmpdir(), 'jolly-'));
const file = join(folder, 'bench.sqlite');
let opened: OpenedStore;
let server: Server;
let base: string;

beforeAll(async () => {
  opened = openStore(file);
  loadWorkshop(opened.store, Date.parse('2026-05-04T09:00:00Z'));
  server = createServer(createApp(opened.store, null));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  opened.close();
  rmSync(folder, { recursive: true });
});

const send = async (method: string, path: string, body?: unknown) => {
  const response = await fetch(`${base}${path}`, {
    method,
    ...(body === undefined
      ? {}
      : {
          body: typeof body === 'string' ? body : JSON.stringify(body),
          headers: { 'content-type': 'application/json' },
        }),
  });
  const text = await response.text();
  return {
    status: response.status,
    type: response.headers.get('content-type') ?? '',
    json: text === '' ? null : JSON.parse(text),
  };
};

const BEAD_ID = '0190b000-0000-7000-8000-00000000000a';
const newBead = (couponId: string): Bead => ({
  id: BEAD_ID,
  couponId,
  number: 7,
  ranAt: '2026-05-04T10:00:00.000Z',
  settings: { voltageV: 19.8, wireSpeedMPerMin: 7.5 },
  findings: { 'bead-even': 'present' },
  verdict: null,
  move: null,
  outcome: 'sound',
  note: 'keeps well',
});

describe('POST /api/diagnose', () => {
  it('answers the worked example with cause, corrected volts and cautions', async () => {
    const { status, json } = await send('POST', '/diagnose', EXAMPLE_CASE);
    expect(status).toBe(200);
    expect(json.causes[0]).toEqual(expect.objectContaining({ cause: 'voltage-low' }));
    expect(json.causes[0].probability).toBeGreaterThan(0.5);
    expect(Math.abs(json.correction.settings.voltageV - json.arc.balancedVoltageV)).toBeLessThan(1);
    expect(json.correction.moves[0]).toEqual(expect.objectContaining({ setting: 'voltageV', from: 16.5 }));
    expect(json.cautions.length).toBeGreaterThan(2);
    expect(Object.keys(json.arc)).toEqual(
      expect.arrayContaining([
        'currentA',
        'balancedVoltageV',
        'voltageErrorV',
        'transfer',
        'heatRatio',
        'gasFlowWantedLPerMin',
        'legMm',
      ]),
    );
    expect(json.nextChecks[0]).toEqual(
      expect.objectContaining({ check: expect.any(String), bits: expect.any(Number), minutes: expect.any(Number) }),
    );
  });

  it('refuses wrong fields by name, as a problem document', async () => {
    const { status, type, json } = await send('POST', '/diagnose', {
      ...EXAMPLE_CASE,
      settings: { voltageV: -3 },
      job: { joint: 'knot' },
    });
    expect(status).toBe(400);
    expect(type).toContain('application/problem+json');
    expect(json).toEqual(expect.objectContaining({ status: 400, title: expect.any(String), type: 'about:blank' }));
    expect(json.fields.map((problem: { field: string }) => problem.field).sort()).toEqual([
      'job.joint',
      'settings.voltageV',
    ]);
    expect(json.detail).toContain('settings.voltageV takes a number from 8 to 50');
  });

  it('refuses what is no JSON and what is no object', async () => {
    expect(await send('POST', '/diagnose', '{"format":')).toEqual(expect.objectContaining({ status: 400 }));
    expect((await send('POST', '/diagnose', '[1]')).json.fields[0].takes).toBe('an object');
    expect((await send('POST', '/diagnose')).status).toBe(400);
    expect((await send('POST', '/diagnose', `"${'x'.repeat(300_000)}"`)).status).toBe(413);
  });
});

describe('rigs, coupons and beads', () => {
  it('lists the demo: three rigs, six coupons or more, newest first, several beads each', async () => {
    const rigs: RigRecord[] = (await send('GET', '/rigs')).json;
    const coupons: CouponSummary[] = (await send('GET', '/coupons')).json;
    expect(rigs).toHaveLength(3);
    expect(coupons.length).toBeGreaterThanOrEqual(6);
    expect(coupons.every(({ beads }) => beads.length >= 2)).toBe(true);
    const times = coupons.map(({ createdAt }) => createdAt);
    expect([...times].sort().reverse()).toEqual(times);
  });

  it('keeps a bead, takes the same write twice, and lets it be undone', async () => {
    const [coupon]: CouponSummary[] = (await send('GET', '/coupons')).json;
    const bead = newBead(coupon.id);
    expect((await send('PUT', `/beads/${BEAD_ID}`, bead)).status).toBe(200);
    expect((await send('PUT', `/beads/${BEAD_ID}`, { ...bead, note: 'changed' })).status).toBe(200);
    const kept: CouponSummary = (await send('GET', `/coupons/${coupon.id}`)).json;
    expect(kept.beads.filter(({ id }) => id === BEAD_ID)).toEqual([{ ...bead, note: 'changed' }]);
    expect((await send('DELETE', `/beads/${BEAD_ID}`)).status).toBe(204);
    expect((await send('DELETE', `/beads/${BEAD_ID}`)).status).toBe(204);
    expect((await send('GET', `/coupons/${coupon.id}`)).json.beads).toHaveLength(coupon.beads.length);
  });

  it('refuses a bead on no coupon, a coupon on no rig, and stores nothing', async () => {
    const nowhere = '0190b000-0000-7000-8000-0000000000ff';
    expect((await send('PUT', `/beads/${BEAD_ID}`, newBead(nowhere))).json.fields[0].field).toBe('couponId');
    const [coupon]: CouponSummary[] = (await send('GET', '/coupons')).json;
    const { beads, rigName, ...bare } = coupon;
    expect((await send('PUT', `/coupons/${nowhere}`, { ...bare, rigId: nowhere })).json.fields[0].field).toBe('rigId');
    expect((await send('PUT', '/coupons/not-a-uuid', bare)).json.fields).toEqual([{ field: 'id', takes: 'a UUID' }]);
    expect((await send('GET', `/coupons/${nowhere}`)).status).toBe(404);
    expect(beads.length).toBeGreaterThan(0);
    expect(rigName).toBe('Dock set');
  });

  it('changes a rig and refuses a gas that does not add up', async () => {
    const [rig]: RigRecord[] = (await send('GET', '/rigs')).json;
    const wrong = { ...rig, rig: { ...rig.rig, gas: { argonPct: 60, co2Pct: 60 } } };
    expect((await send('PUT', `/rigs/${rig.id}`, wrong)).json.fields[0].field).toBe('rig.gas');
    expect((await send('PUT', `/rigs/${rig.id}`, { ...rig, note: 'new tip' })).status).toBe(200);
    expect((await send('GET', '/rigs')).json[0].note).toBe('new tip');
  });

  it('says when an address of the API does not exist', async () => {
    expect((await send('GET', '/weather')).json.title).toBe('No such address');
  });
});

describe('the demo workshop', () => {
  it('is plausible by the arc model: currents the wire carries, sound beads in balance', () => {
    const rigs = listRigs(opened.store);
    for (const coupon of listCoupons(opened.store)) {
      const rig = rigs.find(({ id }) => id === coupon.rigId)!;
      for (const bead of coupon.beads) {
        const input = caseOf(rig, coupon, bead);
        const arc = readArc(arcSetup(input), arcSettings(input), input);
        const usable = usableCurrent(rig.rig.wire!.diameterMm!);
        expect(arc.currentA!).toBeGreaterThan(usable.lowA);
        expect(arc.currentA!).toBeLessThan(usable.highA);
        if (bead.outcome === 'sound') expect(Math.abs(arc.voltageErrorV! / arc.balanceHalfWidthV!)).toBeLessThan(1.3);
      }
    }
  });
});

describe('the database', () => {
  it('says in one sentence when it cannot be opened', () => {
    const broken = join(folder, 'broken.sqlite');
    writeFileSync(broken, 'this is not a database, only a text that is long enough to be taken for one');
    expect(() => openStore(broken)).toThrow(StartError);
    expect(() => openStore(broken)).toThrow(/Set DATA_DIR to a folder you may write to/);
  });

  it('opens again with everything in it', () => {
    const before = listCoupons(opened.store);
    const again = openStore(file);
    expect(listCoupons(again.store)).toEqual(before);
    again.close();
  });

  it('comes up from every older version', () => {
    const migrations = join(__dirname, 'db', 'migrations');
    const scripts = readdirSync(migrations)
      .filter((name) => name.endsWith('.sql'))
      .sort();
    scripts.forEach((_, version) => {
      const old = join(folder, `version-${version}`);
      mkdirSync(old);
      cpSync(migrations, join(old, 'migrations'), { recursive: true });
      const path = join(old, 'old.sqlite');
      const connection = new Database(path);
      for (const script of scripts.slice(0, version))
        connection.exec(readFileSync(join(migrations, script), 'utf8').replaceAll('--> statement-breakpoint', ''));
      connection.close();
      const { store, close } = openStore(path);
      expect(listRigs(store)).toEqual([]);
      close();
    });
  });
});
