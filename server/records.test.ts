import { readArc } from '../core/arc/reading';
import { wireWindow } from '../core/arc/wire-window';
import { arcSetup } from '../core/arc/setup';
import { caseOfBead } from '../core/record/draft/case-of';
import type { Changed, Changes } from '../core/record/change/change-schema';
import type { Bead, Coupon, CouponPage, NewBead, RigRecord } from '../core/record/shapes/record-schema';
import { beadOn, couponOn, freshId, openWorkshop, type Sent, type Workshop } from './testing/workshop';

let shop: Workshop;
let rigs: RigRecord[];
beforeEach(async () => {
  shop = await openWorkshop();
  rigs = (await shop.send('GET', '/rigs')).json;
});
afterEach(() => shop.stop());

const get = async <T>(path: string): Promise<T> => (await shop.send('GET', path)).json;
const rigNamed = (name: string): RigRecord => rigs.find((rig) => rig.name === name)!;
/** Returns what is fitted on a rig, as a device sends it. */
const asSent = ({ setup }: RigRecord) => {
  const { rigId: _, assumed: __, revision: ___, ...facts } = setup;
  return facts;
};
async function plate(rig = rigNamed('Dock set')) {
  const coupon = couponOn(rig.id);
  expect((await shop.begin(coupon)).status).toBe(200);
  return coupon;
}
const beadIn = ({ json }: Sent): Bead => (json as Changed).bead!;
const log = async (bead: NewBead): Promise<Bead> => beadIn(await shop.log(bead));
const changeBead = (id: string, fields: object) => shop.change('change-bead', id, fields);

describe('the demo workshop', () => {
  it('is plausible by the arc model: currents the wire carries, sound beads in balance', async () => {
    const page = await get<CouponPage>('/coupons');
    expect(rigs).toHaveLength(3);
    expect(page.coupons.length).toBeGreaterThanOrEqual(6);
    for (const { id, beadCount, lastBeads } of page.coupons) {
      const coupon = await get<Coupon>(`/coupons/${id}`);
      expect(coupon.beads).toHaveLength(beadCount);
      expect(beadCount).toBeGreaterThanOrEqual(2);
      expect(lastBeads.map(({ number }) => number)).toEqual(coupon.beads.slice(-4).map(({ number }) => number));
      for (const bead of coupon.beads) {
        const setup = coupon.setups.find((one) => one.id === bead.setupId)!;
        const input = caseOfBead(
          bead,
          setup,
          coupon.jobs.find((one) => one.id === bead.jobId)!,
        );
        const arc = readArc(arcSetup(input), bead.settings);
        const usable = wireWindow(arcSetup(input).wire!);
        expect(arc.currentA!).toBeGreaterThan(usable.lowA);
        expect(arc.currentA!).toBeLessThan(usable.highA);
        if (bead.outcome === 'sound') expect(Math.abs(arc.voltageErrorV! / arc.balanceHalfWidthV!)).toBeLessThan(1.3);
      }
    }
  });
});

describe('beads', () => {
  it('are numbered by the server in the order they come, and a number is never given again', async () => {
    const coupon = await plate();
    const setupId = rigNamed('Dock set').setup.id;
    const sent = [1, 2, 3].map(() => beadOn(coupon, setupId));
    for (const [i, bead] of sent.entries()) expect((await log(bead)).number).toBe(i + 1);
    const back = await changeBead(sent[2].id, { takenBack: true });
    expect(beadIn(back)).toEqual(expect.objectContaining({ takenBack: true, number: 3 }));
    expect((await log(beadOn(coupon, setupId))).number).toBe(4);
    expect((await get<Coupon>(`/coupons/${coupon.id}`)).beads.map(({ number }) => number)).toEqual([1, 2, 4]);
    await changeBead(sent[2].id, { takenBack: false });
    expect((await get<Coupon>(`/coupons/${coupon.id}`)).beads).toHaveLength(4);
  });

  it('are kept once however often they are sent, and never overwritten', async () => {
    const coupon = await plate();
    const bead = beadOn(coupon, rigNamed('Dock set').setup.id);
    const first = await log(bead);
    expect(await log(bead)).toEqual(first);
    expect((await get<Coupon>(`/coupons/${coupon.id}`)).beads).toEqual([first]);
    for (const change of [
      { settings: { voltageV: 22 } },
      { ranAt: '2026-05-04T11:00:00.000Z' },
      { setupId: rigNamed('Boat kit').setup.id },
    ]) {
      const { status, json } = await shop.log({ ...bead, ...change });
      expect(status).toBe(409);
      expect((json as { code: string }).code).toBe('conflict');
    }
    expect(await get<Bead>(`/beads/${bead.id}`)).toEqual(first);
  });

  it('are judged and noted field by field, and the log counts the first sound one', async () => {
    const coupon = await plate();
    const setupId = rigNamed('Dock set').setup.id;
    const [one, two] = [await log(beadOn(coupon, setupId)), await log(beadOn(coupon, setupId))];
    await changeBead(two.id, { outcome: 'sound' });
    const noted = await changeBead(two.id, { note: 'keeps\nwell' });
    expect(beadIn(noted)).toEqual(expect.objectContaining({ outcome: 'sound', note: 'keeps\nwell' }));
    const both = await changeBead(two.id, { outcome: 'sound', note: 'keeps very well' });
    expect(beadIn(both)).toEqual(expect.objectContaining({ outcome: 'sound', note: 'keeps very well' }));
    const summary = async () => (await get<CouponPage>('/coupons?limit=1')).coupons[0];
    expect(await summary()).toEqual(expect.objectContaining({ id: coupon.id, beadCount: 2, soundNumber: 2 }));
    await changeBead(one.id, { outcome: 'sound' });
    expect((await summary()).soundNumber).toBe(1);
    await changeBead(one.id, { takenBack: true });
    expect(await summary()).toEqual(expect.objectContaining({ beadCount: 1, soundNumber: 2 }));
    const { revision } = await get<Bead>(`/beads/${two.id}`);
    await changeBead(two.id, { outcome: 'sound' });
    expect((await get<Bead>(`/beads/${two.id}`)).revision).toBe(revision);
    expect((await changeBead(freshId(), { note: '' })).status).toBe(404);
  });

  it('are refused on a coupon, a setup or a job that is not kept, each by name', async () => {
    const coupon = await plate();
    const other = await plate();
    const setupId = rigNamed('Dock set').setup.id;
    const fields = async (change: object): Promise<string[]> => {
      const bead = { ...beadOn(coupon, setupId), ...change };
      const { status, json } = await shop.log(bead);
      expect(status).toBe(400);
      return (json as { fields: { field: string }[] }).fields.map(({ field }) => field);
    };
    expect(await fields({ setupId: freshId() })).toEqual(['setupId']);
    expect(await fields({ jobId: other.job.id })).toEqual(['jobId']);
    expect(await fields({ couponId: freshId(), setupId: freshId() })).toEqual(['couponId', 'setupId', 'jobId']);
    expect((await get<Coupon>(`/coupons/${coupon.id}`)).beads).toEqual([]);
  });
});

describe('rigs and coupons', () => {
  it('keeps what is fitted as dated setups that never change', async () => {
    const rig = rigNamed('Dock set');
    const refitted = {
      ...asSent(rig),
      id: freshId(),
      fittedAt: '2026-05-05T08:00:00.000Z',
      rig: { ...rig.setup.rig, wire: { class: 'solid-steel', diameterMm: 1.2 } },
    };
    const { json } = await shop.change('refit', rig.id, refitted);
    const { setup } = (json as Changed).rig!;
    expect(setup).toEqual(expect.objectContaining({ id: refitted.id, rig: refitted.rig }));
    const same = asSent(rig);
    const bent = { ...same, rig: { ...same.rig, nozzleBoreMm: 16 } };
    const refused = await shop.change('refit', rig.id, bent);
    expect(refused.json).toEqual(
      expect.objectContaining({ status: 409, fields: [expect.objectContaining({ field: 'setup' })] }),
    );
    // An older write that comes late neither refits the machine nor is lost.
    await shop.change('refit', rig.id, same);
    await shop.change('change-rig', rig.id, { note: 'new tip' });
    expect(await get<RigRecord>(`/rigs/${rig.id}`)).toEqual(expect.objectContaining({ note: 'new tip', setup }));
  });

  it('leaves what an old bead says as it was, whatever is refitted or corrected since', async () => {
    const rig = rigNamed('Dock set');
    const coupon = await plate(rig);
    await log(beadOn(coupon, rig.setup.id));
    const before = await get<Coupon>(`/coupons/${coupon.id}`);
    const setup = {
      ...asSent(rig),
      id: freshId(),
      fittedAt: '2026-05-05T08:00:00.000Z',
      rig: { wire: { class: 'solid-aluminium', diameterMm: 1.2 }, gas: { argonPct: 100 } },
    };
    await shop.change('refit', rig.id, setup);
    const job = { id: freshId(), at: '2026-05-05T08:10:00.000Z', job: { ...coupon.job.job, thicknessMm: 4 } };
    await shop.change('correct-job', coupon.id, job);
    const after = await get<Coupon>(`/coupons/${coupon.id}`);
    expect(after.beads).toEqual(before.beads);
    expect(after.setups).toEqual(before.setups);
    expect(after.job.job.thicknessMm).toBe(4);
    expect(after.jobs.map(({ job: plateThen }) => plateThen.thicknessMm)).toEqual([3, 4]);
    const [bead] = after.beads;
    expect(after.jobs.find(({ id }) => id === bead.jobId)!.job.thicknessMm).toBe(3);
  });

  it('keeps a correction beside what it corrects, and takes neither an altered version nor a late one', async () => {
    const coupon = await plate();
    const job = { id: freshId(), at: '2026-05-05T08:10:00.000Z', job: { thicknessMm: 4 } };
    await shop.change('correct-job', coupon.id, job);
    await shop.change('correct-job', coupon.id, coupon.job);
    expect((await get<Coupon>(`/coupons/${coupon.id}`)).job).toEqual(job);
    const altered = { ...coupon.job, job: { thicknessMm: 9 } };
    expect((await shop.change('correct-job', coupon.id, altered)).status).toBe(409);
    expect((await shop.change('change-coupon', coupon.id, { rigId: freshId() })).json).toEqual(
      expect.objectContaining({ status: 400, fields: [expect.objectContaining({ field: 'rigId' })] }),
    );
  });

  it('can be put away and brought back', async () => {
    const coupon = await plate();
    const ids = async (query: string): Promise<string[]> =>
      (await get<CouponPage>(`/coupons?${query}`)).coupons.map(({ id }) => id);
    await shop.change('change-coupon', coupon.id, { putAway: true });
    expect(await ids('')).not.toContain(coupon.id);
    expect(await ids('putAway=true')).toEqual([coupon.id]);
    await shop.change('change-coupon', coupon.id, { title: 'Still away' });
    expect(await ids('putAway=true')).toEqual([coupon.id]);
    await shop.change('change-coupon', coupon.id, { putAway: false });
    expect(await ids('')).toContain(coupon.id);
    const rig = rigNamed('Boat kit');
    await shop.change('change-rig', rig.id, { putAway: true });
    expect((await get<RigRecord>(`/rigs/${rig.id}`)).putAway).toBe(true);
  });
});

describe('the log in pages', () => {
  it('goes through every coupon once, newest first, by the cursor', async () => {
    const all = (await get<CouponPage>('/coupons?limit=200')).coupons.map(({ id }) => id);
    const seen: string[] = [];
    let next: string | null = '';
    while (next !== null) {
      const page: CouponPage = await get(`/coupons?limit=2${next === '' ? '' : `&after=${next}`}`);
      expect(page.coupons.length).toBeLessThanOrEqual(2);
      seen.push(...page.coupons.map(({ id }) => id));
      next = page.next;
    }
    expect(seen).toEqual(all);
    const times = (await get<CouponPage>('/coupons')).coupons.map(({ createdAt }) => createdAt);
    expect([...times].sort().reverse()).toEqual(times);
  });

  it('filters by state, rig and words', async () => {
    const every = (await get<CouponPage>('/coupons')).coupons;
    const filtered = async (query: string) => (await get<CouponPage>(`/coupons?${query}`)).coupons;
    const sound = await filtered('state=sound');
    expect(sound.length).toBeGreaterThan(0);
    expect(sound.every(({ soundNumber }) => soundNumber !== null)).toBe(true);
    expect((await filtered('state=open')).length).toBe(every.length - sound.length);
    const dock = rigNamed('Dock set').id;
    expect((await filtered(`rig=${dock}`)).every(({ rigId }) => rigId === dock)).toBe(true);
    expect(await filtered('text=zzz')).toEqual([]);
    expect(await filtered('text=%25')).toHaveLength(every.length);
    const word = every[0].title.slice(2, 8);
    expect((await filtered(`text=${encodeURIComponent(word)}`)).map(({ id }) => id)).toContain(every[0].id);
  });
});

describe('changes since a revision', () => {
  it('bring a device from nothing to everything in small pages, and then only what is new', async () => {
    const have = { rigs: new Set<string>(), coupons: new Set<string>(), beads: new Set<string>() };
    const catchUp = async (since: number): Promise<number> => {
      for (let at = since; ;) {
        const page: Changes = await get(`/changes?since=${at}&limit=3`);
        page.rigs.forEach(({ id }) => have.rigs.add(id));
        page.coupons.forEach(({ id }) => have.coupons.add(id));
        page.beads.forEach(({ id }) => have.beads.add(id));
        if (!page.more) return page.upTo;
        expect(page.upTo).toBeGreaterThan(at);
        at = page.upTo;
      }
    };
    const coupon = await plate();
    const beads = [];
    for (let i = 0; i < 9; i++) beads.push(await log(beadOn(coupon, rigNamed('Dock set').setup.id)));
    const upTo = await catchUp(0);
    expect(have.rigs.size).toBe(3);
    expect([...have.beads]).toEqual(expect.arrayContaining(beads.map(({ id }) => id)));
    expect((await get<{ revision: number }>('/health')).revision).toBe(upTo);
    expect(await get<Changes>(`/changes?since=${upTo}`)).toEqual({
      rigs: [],
      coupons: [],
      beads: [],
      proven: [],
      welds: [],
      levels: [],
      pictures: [],
      overriding: [],
      upTo,
      more: false,
      anew: false,
    });
    await changeBead(beads[0].id, { note: 'dull' });
    const news = await get<Changes>(`/changes?since=${upTo}`);
    expect(news.beads.map(({ id, note }) => [id, note])).toEqual([[beads[0].id, 'dull']]);
    expect(news.coupons.map(({ id }) => id)).toEqual([coupon.id]);
    expect(news.upTo).toBe(upTo + 1);
  });
});
