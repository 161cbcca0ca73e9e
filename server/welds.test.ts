import type { Change } from '../core/record/change/change';
import type { Changed, Changes } from '../core/record/change/change-schema';
import type { Level } from '../core/inspection/level-schema';
import { LEVELS } from '../core/inspection/levels';
import type { SavedSettingPage, SavedSetting } from '../core/record/shapes/saved-setting-schema';
import type { NewBead, NewCoupon, RigRecord } from '../core/record/shapes/record-schema';
import type { Weld, WeldPage } from '../core/record/shapes/weld-schema';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let dock: RigRecord;
let plate: NewCoupon;
let bead: NewBead;
const [PHONE, TABLET] = [freshId(), freshId()];
const AT = '2026-05-04T09:30:00.000Z';
const EVERYDAY = { id: LEVELS[1].id, name: LEVELS[1].name, limits: LEVELS[1].limits };

const made = (kind: Change['kind'], of: string, fields: object, device = PHONE) => ({
  ...{ id: freshId(), kind, of, device, madeAt: AT, against: 0, fields },
});
const send = (change: object) => shop.send('POST', '/changes', change);
async function taken(change: object): Promise<Changed> {
  const { status, json } = await send(change);
  expect({ status, json }).toEqual(expect.objectContaining({ status: 200 }));
  return json;
}
async function refused(change: object): Promise<string[]> {
  const { status, json } = await send(change);
  expect(status).toBeGreaterThanOrEqual(400);
  return ((json as { fields?: { field: string }[] }).fields ?? []).map(({ field }) => field);
}
const get = async <T>(path: string): Promise<T> => (await shop.send('GET', path)).json;
const withoutId = ({ id: _, ...fields }: { id: string }): object => fields;

const setting = (change: object = {}): object => ({
  ...{
    couponId: plate.id,
    beadId: bead.id,
    provenAt: AT,
    by: 'Ilse',
    how: ['looked', 'bent'],
    note: 'Aim at the thick edge',
  },
  ...change,
});
const weld = (provenId: string, change: object = {}): object => ({
  ...{ provenId, title: 'Hinge of gate 3', weldedAt: AT, by: 'Ilse', lengthMm: 200, note: '' },
  ...change,
});
const SOUND = {
  ...{ crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm: 0, legUprightMm: 6, legFlatMm: 6, lengthMm: 200 },
};
const inspection = (measured: object, id = freshId()): object => ({
  ...{ id, inspectedAt: AT, by: 'Joos', level: EVERYDAY, measured: { ...SOUND, ...measured }, note: '' },
});
const repair = (inspectionId: string, defects: string[], id = freshId()): object => ({
  ...{ id, inspectionId, repairedAt: AT, by: 'Ilse', defects, done: ['Ground out'], settings: {}, note: '' },
});

beforeEach(async () => {
  shop = await openWorkshop();
  dock = (await get<RigRecord[]>('/rigs')).find(({ name }) => name === 'Dock set')!;
  const job = { baseMetal: 'mild-steel', thicknessMm: 6, joint: 'fillet', position: 'flat' } as const;
  plate = couponOn(dock.id, { job: { id: freshId(), at: AT, job } });
  await taken(made('begin-coupon', plate.id, withoutId(plate)));
  bead = beadOn(plate, dock.setup.id);
  await taken(made('log-bead', bead.id, withoutId(bead)));
  await taken(made('change-bead', bead.id, { outcome: 'sound' }));
});
afterEach(() => shop.stop());

/** Keeps the setting of the bead. */
async function kept(): Promise<string> {
  const id = freshId();
  await taken(made('prove', id, setting()));
  return id;
}
/** Logs a weld with a setting kept for it. */
async function welded(): Promise<string> {
  const id = freshId();
  await taken(made('log-weld', id, weld(await kept())));
  return id;
}

describe('a kept setting', () => {
  it('is read with all that was so when its bead was run, whatever the rig becomes', async () => {
    const id = freshId();
    const { proven } = await taken(made('prove', id, setting({ run: 'weave' })));
    expect(proven).toMatchObject({
      ...{ id, beadId: bead.id, couponId: plate.id, title: plate.title, rigName: 'Dock set', welds: 0 },
      ...{ by: 'Ilse', how: ['looked', 'bent'], run: 'weave', putAway: false },
      bead: { number: 1, settings: bead.settings },
      job: plate.job.job,
      setup: { id: dock.setup.id },
    });
    const fitted = {
      ...withoutId(dock.setup),
      id: freshId(),
      fittedAt: AT,
      rig: { ...dock.setup.rig, nozzleBoreMm: 9 },
    };
    const { rigId: _, assumed: __, revision: ___, ...setup } = fitted as never as Record<string, unknown>;
    await taken(made('refit', dock.id, setup));
    const after = await get<SavedSetting>(`/proven/${id}`);
    expect(after.setup).toEqual(proven!.setup);
    expect((await shop.send('GET', `/proven/${freshId()}`)).status).toBe(404);
  });

  it('stands on a bead that is kept and was judged sound, and is kept once', async () => {
    expect(await refused(made('prove', freshId(), setting({ beadId: freshId() })))).toEqual(['beadId']);
    expect(await refused(made('prove', freshId(), setting({ couponId: freshId() })))).toEqual(['beadId']);
    await taken(made('change-bead', bead.id, { outcome: 'better' }));
    expect(await refused(made('prove', freshId(), setting()))).toEqual(['beadId']);
    await taken(made('change-bead', bead.id, { outcome: 'sound' }));
    expect(await refused(made('prove', freshId(), setting({ how: [] })))).toEqual(['how']);
    expect(await refused(made('prove', freshId(), setting({ by: ' ' })))).toEqual(['by']);
    const change = made('prove', freshId(), setting());
    const first = await taken(change);
    expect((await taken(change)).entry.revision).toBe(first.entry.revision);
    expect((await get<SavedSettingPage>('/proven')).proven.filter(({ beadId }) => beadId === bead.id)).toHaveLength(1);
    await taken({ ...made('change-bead', bead.id, { takenBack: true }), sure: true });
    expect(await refused(made('prove', freshId(), setting()))).toEqual(['beadId']);
  });

  it('is found by rig, metal, joint, position, wire, thickness within a fifth, and words', async () => {
    const id = await kept();
    const { baseMetal, joint, position, thicknessMm = 0 } = plate.job.job;
    const { class: wire, diameterMm } = dock.setup.rig.wire!;
    const thin = Math.min(thicknessMm, plate.job.job.otherThicknessMm ?? 100);
    const found = async (query: string): Promise<boolean> =>
      (await get<SavedSettingPage>(`/proven?${query}`)).proven.some((one) => one.id === id);
    for (const query of [
      `rig=${dock.id}`,
      `metal=${baseMetal}&joint=${joint}&position=${position}`,
      `wire=${wire}&wireMm=${diameterMm}`,
      `thicknessMm=${(1.15 * thin).toFixed(2)}`,
      `thicknessMm=${(thin / 1.15).toFixed(2)}`,
      'text=ilse',
      'text=THICK%20edge',
    ])
      expect([query, await found(query)]).toEqual([query, true]);
    for (const query of [
      `rig=${freshId()}`,
      'metal=aluminium',
      'joint=plug',
      'position=overhead',
      'wire=solid-aluminium',
      `wireMm=${diameterMm! + 0.2}`,
      `thicknessMm=${(1.25 * thin).toFixed(2)}`,
      `thicknessMm=${(thin / 1.25).toFixed(2)}`,
      'text=no%25such',
      'putAway=true',
    ])
      expect([query, await found(query)]).toEqual([query, false]);
    // By the words as they stand now.
    await taken(made('change-coupon', plate.id, { title: 'Culvert 100% grid' }));
    expect([await found('text=culvert'), await found('text=100%25'), await found('text=10_%25')]).toEqual([
      true,
      true,
      false,
    ]);
    await taken(made('change-proven', id, { putAway: true, note: 'Old gas' }));
    expect(await found('putAway=true&text=old%20gas')).toBe(true);
    expect([await found(''), await found('putAway=true')]).toEqual([false, true]);
    expect((await shop.send('GET', '/proven?thicknessMm=thick')).status).toBe(400);
  });

  it('is paged, the newest first, without one twice or lost', async () => {
    const ids: string[] = [];
    for (let day = 1; day <= 5; day++) {
      const id = freshId();
      ids.unshift(id);
      await taken(made('prove', id, setting({ provenAt: `2026-06-0${day}T08:00:00.000Z` })));
    }
    const seen: string[] = [];
    for (let after = ''; ;) {
      const page = await get<SavedSettingPage>(`/proven?rig=${dock.id}&limit=2${after}`);
      seen.push(...page.proven.map(({ id }) => id));
      if (page.next === null) break;
      after = `&after=${encodeURIComponent(page.next)}`;
    }
    expect(seen.filter((id) => ids.includes(id))).toEqual(ids);
  });
});

describe('a weld', () => {
  it('is logged against its setting, which counts it', async () => {
    const provenId = await kept();
    const id = freshId();
    const logged = await taken(made('log-weld', id, weld(provenId)));
    expect(logged.weld).toMatchObject({
      id,
      state: 'to-inspect',
      rigName: 'Dock set',
      job: plate.job.job,
      inspections: [],
    });
    expect((await get<SavedSetting>(`/proven/${provenId}`)).welds).toBe(1);
    await taken(made('change-weld', id, { putAway: true }));
    expect((await get<SavedSetting>(`/proven/${provenId}`)).welds).toBe(0);
    expect(await refused(made('log-weld', freshId(), weld(freshId())))).toEqual(['provenId']);
  });

  it('goes from inspection through repair to sound, each step as it was judged then', async () => {
    const id = await welded();
    const first = freshId();
    const rejected = await taken(
      made('inspect', id, inspection({ undercutMm: 2, poreCount: 3, poreLargestMm: 4 }, first)),
    );
    expect(rejected.weld).toMatchObject({ state: 'repair', inspections: [{ judged: { verdict: 'repair' } }] });
    expect(rejected.weld!.inspections[0].judged.lines.filter(({ over }) => over).map(({ defect }) => defect)).toEqual([
      'pores',
      'undercut',
    ]);
    const mended = await taken(made('repair', id, repair(first, ['pores', 'undercut'])));
    expect(mended.weld!.state).toBe('to-inspect');
    const sound = await taken(made('inspect', id, inspection({})));
    expect(sound.weld).toMatchObject({ state: 'accept', repairs: [{ defects: ['pores', 'undercut'] }] });
    const page = await get<WeldPage>('/welds?state=accept');
    expect(page.welds.map((one) => one.id)).toContain(id);
    expect((await get<WeldPage>('/welds?state=repair')).welds.map((one) => one.id)).not.toContain(id);
    expect((await get<WeldPage>('/welds?text=gate%203')).welds.map((one) => one.id)).toContain(id);
  });

  it('remembers what was repaired: a crack that came back is not mended again', async () => {
    const id = await welded();
    const first = freshId();
    expect((await taken(made('inspect', id, inspection({ crackMm: 5 }, first)))).weld!.state).toBe('repair');
    await taken(made('repair', id, repair(first, ['crack'])));
    const again = await taken(made('inspect', id, inspection({ crackMm: 2 })));
    expect(again.weld!.state).toBe('reject');
    // The first judgement says what it said.
    expect(again.weld!.inspections.map(({ judged }) => judged.verdict)).toEqual(['repair', 'reject']);
  });

  it('is inspected by two at once: both hold, and nothing stands over anything', async () => {
    const id = await welded();
    await taken(made('inspect', id, inspection({ undercutMm: 2 })));
    const second = await taken(made('inspect', id, inspection({}), TABLET));
    expect([second.entry.overrode, second.weld!.inspections.length, second.weld!.state]).toEqual([[], 2, 'accept']);
    // A note that two wrote is one field all the same.
    await taken(made('change-weld', id, { note: 'Wet' }));
    const { entry } = await taken(made('change-weld', id, { note: 'Dry' }, TABLET));
    expect(entry.overrode).toMatchObject([{ field: 'note', was: 'Wet' }]);
  });

  it('takes each step once, and never another under its id', async () => {
    const id = await welded();
    const first = freshId();
    const body = inspection({ undercutMm: 2 }, first);
    await taken(made('inspect', id, body));
    expect((await taken(made('inspect', id, body))).weld!.inspections).toHaveLength(1);
    expect(await refused(made('inspect', id, { ...body, by: 'Another' }))).toEqual(['id']);
    const other = await welded();
    expect(await refused(made('inspect', other, body))).toEqual(['id']);
    expect(await refused(made('repair', other, repair(first, ['undercut'])))).toEqual(['inspectionId']);
    expect(await refused(made('repair', id, { ...repair(freshId(), ['undercut']), id: first }))).toEqual(['id']);
    expect((await get<Weld>(`/welds/${other}`)).repairs).toEqual([]);
  });

  it('refuses figures that cannot be together, and names them', async () => {
    const id = await welded();
    expect(await refused(made('inspect', id, inspection({ crackMm: 201 })))).toEqual(['measured.crackMm']);
    expect(await refused(made('inspect', id, inspection({ badLengthMm: 300, unfusedMm: 250 })))).toEqual([
      'measured.unfusedMm',
      'measured.badLengthMm',
    ]);
    expect(await refused(made('inspect', id, inspection({ poreLargestMm: 1 })))).toEqual(['measured.poreCount']);
    expect(await refused(made('inspect', id, inspection({ poreCount: 1.5, poreLargestMm: 1 })))).toEqual([
      'measured.poreCount',
    ]);
    expect((await get<Weld>(`/welds/${id}`)).inspections).toEqual([]);
  });

  it('is told to other devices, with the setting and the level', async () => {
    const { revision: upTo } = await get<{ revision: number }>('/health');
    const id = await welded();
    await taken(made('inspect', id, inspection({})));
    await taken(made('change-level', LEVELS[0].id, { name: 'Holds till spring' }, TABLET));
    const since = await get<Changes>(`/changes?since=${upTo}`);
    expect(since.welds).toMatchObject([{ id, state: 'accept' }]);
    expect(since.proven).toMatchObject([{ welds: 1 }]);
    expect(since.levels).toMatchObject([{ id: LEVELS[0].id, name: 'Holds till spring' }]);
    expect((await get<Changes>(`/changes?since=${since.upTo}`)).welds).toEqual([]);
  });
});

describe('the levels', () => {
  it('are the program’s until one is edited, and an inspection keeps the limits it was held against', async () => {
    expect(await get<Level[]>('/levels')).toEqual(LEVELS);
    const id = await welded();
    await taken(made('inspect', id, inspection({ undercutMm: 0.7 })));
    const limits = { ...LEVELS[1].limits, undercutMm: 0.2 };
    const { level } = await taken(made('change-level', LEVELS[1].id, { limits }));
    expect(level).toMatchObject({ name: 'Everyday', limits: { undercutMm: 0.2, poreLargestMm: 2.5 } });
    await taken(made('change-level', LEVELS[1].id, { use: 'As we do it' }));
    expect((await get<Level[]>('/levels'))[1]).toMatchObject({ use: 'As we do it', limits: { undercutMm: 0.2 } });
    const { inspections } = await get<Weld>(`/welds/${id}`);
    expect([inspections[0].judged.verdict, inspections[0].level.limits.undercutMm]).toEqual(['accept', 0.8]);
    expect((await send(made('change-level', freshId(), { name: 'Fourth' }))).status).toBe(404);
    expect(await refused(made('change-level', LEVELS[1].id, { limits: { undercutMm: 1 } }))).toHaveLength(14);
  });
});
