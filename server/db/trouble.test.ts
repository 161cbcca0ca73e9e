import { connect } from './engine/connection';
import { EXAMPLE_CASE } from '../../core/cases/example';
import type { CouponPage, RigRecord } from '../../core/record/shapes/record-schema';
import { couponOn, openWorkshop, type Workshop } from '../testing/workshop';

let shop: Workshop;
let dock: RigRecord;
beforeAll(async () => {
  shop = await openWorkshop();
  [dock] = ((await shop.send('GET', '/rigs')).json as RigRecord[]).filter(({ name }) => name === 'Dock set');
});
afterAll(() => shop.stop());

type ProblemDocument = { code: string };

describe('a database in trouble', () => {
  it('passes over a row that cannot be read, says which, and shows the rest', async () => {
    const odd = await openWorkshop();
    const coupon = ((await odd.send('GET', '/coupons')).json as CouponPage).coupons[0];
    const { beads } = (await odd.send('GET', `/coupons/${coupon.id}`)).json as { beads: { id: string }[] };
    odd.connection
      .prepare('UPDATE beads SET facts = ?, appearance = ? WHERE id = ?')
      .run('{"settings":', 'x', beads[0].id);
    odd.connection.prepare('UPDATE jobs SET job = ? WHERE coupon_id != ?').run('[]', coupon.id);
    const after = (await odd.send('GET', `/coupons/${coupon.id}`)).json as { beads: { id: string }[] };
    expect(after.beads.map(({ id }) => id)).toEqual(beads.slice(1).map(({ id }) => id));
    const page = ((await odd.send('GET', '/coupons')).json as CouponPage).coupons;
    expect(page.map(({ id }) => id)).toEqual([coupon.id]);
    expect(page[0].lastBeads[0].appearance).toBeNull();
    expect(odd.unreadable.map(({ table }) => table)).toEqual(expect.arrayContaining(['beads', 'coupons']));
    await odd.stop();
  });

  it('reads a finding and a cause that were retired since, by their old words', async () => {
    const odd = await openWorkshop();
    const coupon = ((await odd.send('GET', '/coupons')).json as CouponPage).coupons[0];
    const facts = {
      settings: {},
      findings: { 'bead-purple': 'present' },
      names: { 'bead-purple': 'Purple' },
      verdict: { cause: 'bad-luck', name: 'Bad luck', probability: 0.7 },
    };
    odd.connection
      .prepare('UPDATE beads SET facts = ? WHERE coupon_id = ? AND number = 1')
      .run(JSON.stringify(facts), coupon.id);
    const { beads } = (await odd.send('GET', `/coupons/${coupon.id}`)).json as { beads: object[] };
    expect(beads[0]).toEqual(expect.objectContaining({ ...facts, readings: {}, move: null }));
    await odd.stop();
  });

  it('waits for a lock held elsewhere without holding up a read, and says so when it is not given up', async () => {
    const value = couponOn(dock.id);
    const other = connect(shop.file);
    other.exec('BEGIN IMMEDIATE');
    const late = shop.begin(value);
    expect((await shop.send('GET', '/health')).status).toBe(200);
    setTimeout(() => other.exec('COMMIT'), 150);
    expect((await late).status).toBe(200);
    other.exec('BEGIN IMMEDIATE');
    const { status, json, headers } = await shop.change('change-coupon', value.id, { title: 'Never' });
    other.exec('COMMIT');
    other.close();
    expect([status, (json as ProblemDocument).code, headers['retry-after']]).toEqual([503, 'database-locked', '1']);
  });

  it.each([
    ['SQLITE_FULL', 507, 'disk-full'],
    ['SQLITE_CORRUPT', 500, 'database-unreadable'],
    ['SQLITE_READONLY', 500, 'database-unreadable'],
    ['', 500, 'broken'],
  ])('says %s as what it is', async (code, status, said) => {
    const failing = await openWorkshop({
      diagnose: () => Promise.reject(Object.assign(new Error('secret'), { code })),
    });
    const { json, ...sent } = await failing.send('POST', '/diagnose', EXAMPLE_CASE);
    expect([sent.status, (json as ProblemDocument).code]).toEqual([status, said]);
    expect(JSON.stringify(json)).not.toContain('secret');
    await failing.stop();
  });

  it('is not called healthy when it cannot be read', async () => {
    const gone = await openWorkshop();
    gone.connection.exec('DROP TABLE ledger');
    expect((await gone.send('GET', '/health')).status).toBe(500);
    await gone.stop();
  });
});
