import { sql } from 'drizzle-orm';
import type { Charts } from '../core/record/shapes/charts-schema';
import type { EntryPage, Facets } from '../core/record/shapes/log-entry-schema';
import type { Coupon, CouponPage } from '../core/record/shapes/record-schema';
import { openStore } from './db/open';
import { NOW, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
beforeAll(async () => (shop = await openWorkshop({ years: true })));
afterAll(() => shop.stop());

const page = async (query = ''): Promise<EntryPage> => (await shop.send('GET', `/log?limit=200${query}`)).json;
/** Every entry of a filter, page after page. */
async function all(query = ''): Promise<EntryPage['entries']> {
  const entries: EntryPage['entries'] = [];
  for (let after = ''; ;) {
    const { entries: some, next } = await page(`${query}${after}`);
    entries.push(...some);
    if (next === null) return entries;
    after = `&after=${encodeURIComponent(next)}`;
  }
}
const one = (text: string): number => (shop.store.get(sql.raw(text)) as { n: number }).n;

describe('the log of everything', () => {
  it('lists each thing once, newest first, through every page', async () => {
    const entries = await all();
    const keys = entries.map(({ kind, of }) => `${kind} ${of}`);
    expect(new Set(keys).size).toBe(keys.length);
    const times = entries.map(({ at }) => at);
    expect([...times].sort().reverse()).toEqual(times);
    const counted = (kind: string) => entries.filter((entry) => entry.kind === kind).length;
    expect(counted('bead')).toBe(one('SELECT count(*) n FROM beads WHERE NOT taken_back'));
    expect(counted('coupon')).toBe(one('SELECT count(*) n FROM coupons'));
    expect(counted('weld')).toBe(one('SELECT count(*) n FROM welds'));
    expect(counted('proven')).toBe(one('SELECT count(*) n FROM proven'));
    expect(counted('refit')).toBe(one('SELECT count(*) n FROM setups'));
    expect(counted('care')).toBe(one('SELECT count(*) n FROM care'));
    expect(counted('inspection') + counted('repair')).toBe(one('SELECT count(*) n FROM weld_steps'));
  });

  it('is narrowed by each of its filters to what they say, and to all of that', async () => {
    const sound = await all('&outcome=sound');
    expect(sound.length).toBe(one("SELECT count(*) n FROM beads WHERE outcome = 'sound' AND NOT taken_back"));
    const worn = await all('&cause=tip-worn&kinds=bead');
    expect(worn.length).toBe(
      one(
        "SELECT count(*) n FROM beads WHERE json_extract(facts, '$.verdict.cause') = 'tip-worn' AND outcome IS NOT 'sound'",
      ),
    );
    const holes = await all('&finding=holes-scattered');
    expect(holes.length).toBe(
      one(`SELECT count(*) n FROM beads WHERE json_extract(facts, '$.findings."holes-scattered"') = 'present'`),
    );
    const thick = await all('&thinnest=4&thickest=6&kinds=coupon');
    expect(thick.length).toBe(
      one(`SELECT count(*) n FROM coupons c JOIN jobs j ON j.id = c.job_id WHERE
        min(json_extract(job, '$.thicknessMm'), coalesce(json_extract(job, '$.otherThicknessMm'), 999)) BETWEEN 4 AND 6`),
    );
    expect(thick.length).toBeGreaterThan(20);
    const by = await all('&by=Ilse&kinds=weld');
    expect(by.length).toBe(one("SELECT count(*) n FROM welds WHERE by = 'Ilse'"));
    const since = new Date(NOW - 100 * 86_400_000).toISOString();
    const young = await all(`&from=${since}`);
    expect(young.length).toBeGreaterThan(50);
    expect(young.every(({ at }) => at >= since)).toBe(true);
    expect((await all(`&to=${since}`)).length + young.length).toBe((await all()).length);
    const [{ rigId }] = sound;
    const ofRig = await all(`&rig=${rigId}&outcome=sound`);
    expect(ofRig).toEqual(sound.filter((entry) => entry.rigId === rigId));
    expect(await all('&metal=aluminium')).toEqual([]);
    expect((await all('&metal=mild-steel&kinds=bead')).length).toBe(one('SELECT count(*) n FROM beads'));
  });

  it('is found by words, by how they begin, by trade words, and without minding accents or marks', async () => {
    const porous = await page('&text=porosity&kinds=bead');
    expect(porous.entries.length).toBeGreaterThan(10);
    const mooring = await all('&text=moor%20ring');
    expect(mooring.length).toBeGreaterThan(3);
    expect(mooring.every(({ title }) => /mooring ring/i.test(title))).toBe(true);
    expect(await all(`&text=${encodeURIComponent('MOORÍNG "ring*')}`)).toEqual(mooring);
    expect(await all('&text=zzzz')).toEqual([]);
    const tips = await all('&text=contact%20tip&kinds=refit');
    expect(tips.length).toBeGreaterThan(20);
    expect(tips.every(({ title }) => /contact tip/i.test(title))).toBe(true);
    // What holds no letter asks for nothing.
    expect((await page('&text=--')).entries.length).toBe(200);
  });

  it('says what it cannot take, by field', async () => {
    for (const [query, field] of [
      ['kinds=beads', 'kinds'],
      ['thinnest=3mm', 'thinnest'],
      ['from=yesterday', 'from'],
      ['after=2026', 'after'],
      ['outcome=fine', 'outcome'],
    ]) {
      const refused = await shop.send('GET', `/log?${query}`);
      expect(refused.status).toBe(400);
      expect(JSON.stringify(refused.json)).toContain(`"${field}"`);
    }
  });

  it('offers only what there is, the most frequent first', async () => {
    const facets: Facets = (await shop.send('GET', '/log/facets')).json;
    expect(facets.people.map(({ id }) => id).sort()).toEqual(['Ilse', 'Joos', 'Wout']);
    for (const list of Object.values(facets)) {
      const counts = list.map(({ count }) => count);
      expect([...counts].sort((a, b) => b - a)).toEqual(counts);
    }
    const [{ id, count, name }] = facets.causes;
    expect(name).not.toBe(id);
    expect((await all(`&cause=${id}`)).length).toBe(count);
  });
});

describe('the log follows what is written', () => {
  const entryOf = async (id: string) =>
    (await page(`&from=2000-01-01T00:00:00.000Z`)).entries.find(({ of }) => of === id);
  const newest = async (): Promise<Coupon> => {
    const [{ id }] = ((await shop.send('GET', '/coupons?limit=1')).json as CouponPage).coupons;
    return (await shop.send('GET', `/coupons/${id}`)).json;
  };

  it('a judgement, a note, a bead taken back and brought back', async () => {
    const { beads } = await newest();
    const { id } = beads[0];
    await shop.change('change-bead', id, { outcome: 'worse', note: 'Quokka' });
    expect(await entryOf(id)).toMatchObject({ outcome: 'worse', number: 1 });
    expect((await all('&text=quokka')).map(({ of }) => of)).toEqual([id]);
    await shop.change('change-bead', id, { note: '' });
    expect(await all('&text=quokka')).toEqual([]);
    await shop.change('change-bead', id, { takenBack: true });
    expect(await entryOf(id)).toBeUndefined();
    await shop.change('change-bead', id, { takenBack: false });
    expect(await entryOf(id)).toMatchObject({ outcome: 'worse' });
  });

  it('a coupon named otherwise takes its beads along, and put away it leaves the list', async () => {
    const coupon = await newest();
    const change = async (fields: object) => {
      const body = {
        ...{ id: coupon.id.replace(/.{4}$/, String(Math.floor(1000 + 9000 * Math.random()))), kind: 'change-coupon' },
        ...{ of: coupon.id, device: coupon.id, madeAt: '2026-05-04T09:00:00.000Z', against: 1_000_000, fields },
      };
      expect((await shop.send('POST', '/changes', body)).status).toBe(200);
    };
    await change({ title: 'Wombat hatch' });
    const found = await all('&text=wombat');
    expect(found.map(({ kind }) => kind).sort()).toEqual(['bead', 'bead', 'coupon']);
    await change({ putAway: true });
    expect(await all('&text=wombat')).toEqual([]);
    expect((await all('&text=wombat&putAway=true')).length).toBe(3);
    await change({ putAway: false, title: coupon.title });
    expect(await all('&text=wombat')).toEqual([]);
  });

  it('a database whose list was lost has it again when it is opened', async () => {
    const count = one('SELECT count(*) n FROM entries');
    shop.store.run(sql.raw('DELETE FROM entries'));
    shop.store.run(sql.raw("INSERT INTO entry_words (entry_words) VALUES ('delete-all')"));
    for (const [kind, table] of [
      ["'coupon'", 'coupons'],
      ["'bead'", 'beads'],
      ["'proven'", 'proven'],
      ["'weld'", 'welds'],
      ['kind', 'weld_steps'],
      ["'refit'", 'setups'],
      ["'care'", 'care'],
    ])
      shop.store.run(sql.raw(`INSERT INTO stale_entries (kind, of) SELECT ${kind}, id FROM ${table}`));
    openStore(shop.file).close();
    expect(one('SELECT count(*) n FROM entries')).toBe(count);
    expect((await all('&text=porosity')).length).toBeGreaterThan(10);
  });
});

describe('the charts of the log', () => {
  const charts = async (query = ''): Promise<Charts> => (await shop.send('GET', `/log/charts${query}`)).json;

  it('count what the record holds, month by month', async () => {
    // The months end with the one that is now, and the demo is told for a day of its own.
    jest.useFakeTimers({ now: NOW, doNotFake: ['nextTick', 'setImmediate', 'setTimeout', 'clearTimeout'] });
    try {
      const { months, causes, coupons, soundAtFirst, beadsToSound } = await charts();
      expect(months).toHaveLength(24);
      expect(months[23]).toBe('2026-05');
      expect(months[0]).toBe('2024-06');
      const sum = (list: readonly (number | null)[]): number => list.reduce<number>((all, n) => all + (n ?? 0), 0);
      expect(sum(coupons)).toBe(one(`SELECT count(*) n FROM coupons WHERE bead_count > 0 AND created_at >= '2024-06'`));
      for (const { id, beads } of causes)
        expect(sum(beads)).toBe(
          one(`SELECT count(*) n FROM beads WHERE json_extract(facts, '$.verdict.cause') = '${id}'
            AND outcome IS NOT 'sound' AND NOT taken_back AND ran_at >= '2024-06'`),
        );
      const totals = causes.map(({ beads }) => sum(beads));
      expect([...totals].sort((a, b) => b - a)).toEqual(totals);
      for (const share of soundAtFirst) expect(share === null || (share >= 0 && share <= 1)).toBe(true);
      expect(beadsToSound.map(({ name }) => name)).toEqual(['All rigs', 'Blue cart set', 'Boat kit', 'Dock set']);
      const march = months.indexOf('2026-03');
      const mean = shop.store.get(
        sql.raw(`SELECT avg(sound_number) n FROM coupons WHERE substr(created_at, 1, 7) = '2026-03'`),
      ) as { n: number };
      expect(beadsToSound[0].means[march]).toBeCloseTo(mean.n, 2);
    } finally {
      jest.useRealTimers();
    }
  });

  it('are of one rig where one is asked for', async () => {
    const { beadsToSound, parts } = await charts();
    const boat = beadsToSound.find(({ name }) => name === 'Boat kit')!;
    const alone = await charts(`?rig=${boat.rigId}`);
    expect(alone.beadsToSound).toEqual([boat]);
    const beadsOf = (of: Charts['parts']): number =>
      of.flatMap(({ ages }) => ages).reduce((sum, { beads }) => sum + beads, 0);
    expect(beadsOf(alone.parts)).toBeLessThan(beadsOf(parts));
    const tip = parts.find(({ task }) => task === 'tip')!;
    const share = ({ beads, showing }: { beads: number; showing: number }): number => showing / beads;
    // A worn tip shows: the demo's parts wear.
    expect(share(tip.ages.at(-1)!)).toBeGreaterThan(1.3 * share(tip.ages[0]));
  });
});
