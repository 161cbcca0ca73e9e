import type { Change } from '../core/record/change/change';
import type { Changed, Changes, HistoryEntry } from '../core/record/change/change-schema';
import type { Bead, Coupon, NewBead, NewCoupon, RigRecord } from '../core/record/shapes/record-schema';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let dock: RigRecord;
let plate: NewCoupon;
const [PHONE, TABLET] = [freshId(), freshId()];
const MADE_AT = '2026-05-04T09:30:00.000Z';

/** A change as a device makes it. */
const made = (device: string, kind: Change['kind'], of: string, fields: object, against = 0, more: object = {}) => ({
  ...{ id: freshId(), kind, of, device, madeAt: MADE_AT, against, fields },
  ...more,
});
const send = (change: object) => shop.send('POST', '/changes', change);
async function taken(change: object): Promise<Changed> {
  const { status, json } = await send(change);
  expect({ status, json }).toEqual(expect.objectContaining({ status: 200 }));
  return json;
}
async function refused(change: object): Promise<{ code: string; fields: string[]; detail: string }> {
  const { json } = await send(change);
  const { code, fields = [], detail } = json as { code: string; fields?: { field: string }[]; detail: string };
  return { code, fields: fields.map(({ field }) => field), detail };
}
const get = async <T>(path: string): Promise<T> => (await shop.send('GET', path)).json;
const withoutId = ({ id: _, ...fields }: { id: string }): object => fields;
const logging = (bead: NewBead, device = PHONE) => made(device, 'log-bead', bead.id, withoutId(bead));
const kept = (): Promise<Coupon> => get(`/coupons/${plate.id}`);
const history = (): Promise<HistoryEntry[]> => get(`/coupons/${plate.id}/history`);

beforeEach(async () => {
  shop = await openWorkshop();
  dock = (await get<RigRecord[]>('/rigs')).find(({ name }) => name === 'Dock set')!;
  plate = couponOn(dock.id);
  await taken(made(PHONE, 'begin-coupon', plate.id, withoutId(plate)));
});
afterEach(() => shop.stop());

describe('a change', () => {
  it('is taken once however often it is sent, and answered each time with what is now so', async () => {
    const bead = beadOn(plate, dock.setup.id);
    const change = logging(bead);
    const first = await taken(change);
    expect(first.bead).toEqual(expect.objectContaining({ id: bead.id, number: 1 }));
    for (let i = 0; i < 3; i++) expect(await taken(change)).toEqual(first);
    expect((await kept()).beads).toHaveLength(1);
    expect((await history()).filter(({ kind }) => kind === 'log-bead')).toEqual([first.entry]);
  });

  it('that was sent again late does not put back what was changed since', async () => {
    const bead = beadOn(plate, dock.setup.id);
    const { bead: logged } = await taken(logging(bead));
    const judged = made(PHONE, 'change-bead', bead.id, { outcome: 'better' }, logged!.revision);
    const { entry } = await taken(judged);
    await taken(made(TABLET, 'change-bead', bead.id, { outcome: 'sound' }, entry.revision));
    expect((await taken(judged)).bead!.outcome).toBe('sound');
    // Nor does one that changed nothing when it first came.
    const idle = made(TABLET, 'change-bead', bead.id, { outcome: 'sound' }, entry.revision);
    const before = await taken(idle);
    expect(before.entry).toEqual(expect.objectContaining({ fields: {}, before: {} }));
    await taken(made(PHONE, 'change-bead', bead.id, { outcome: 'worse' }, before.bead!.revision));
    expect((await taken(idle)).bead!.outcome).toBe('worse');
  });

  it('of another thing under an id that was used is refused', async () => {
    const [one, two] = [beadOn(plate, dock.setup.id), beadOn(plate, dock.setup.id)];
    const change = logging(one);
    await taken(change);
    expect(await refused({ ...change, of: two.id })).toEqual(expect.objectContaining({ code: 'conflict' }));
    const note = made(PHONE, 'change-bead', one.id, { note: 'dull' });
    await taken(note);
    expect(await refused({ ...note, fields: { note: 'bright' } })).toEqual(
      expect.objectContaining({ code: 'conflict', fields: ['id'] }),
    );
    expect((await kept()).beads).toEqual([expect.objectContaining({ id: one.id, note: 'dull' })]);
  });

  it('names each field that is wrong, as what it changes always does, and leaves nothing', async () => {
    const bead = beadOn(plate, dock.setup.id);
    const { entry } = await taken(logging(bead));
    const revision = async () => (await get<{ revision: number }>('/health')).revision;
    const before = await revision();
    const wrong = async (change: object): Promise<string[]> => (await refused(change)).fields;
    expect(await wrong({ ...logging(bead), id: 'x', device: undefined })).toEqual(['device', 'id']);
    expect(await wrong(made(PHONE, 'paint' as never, bead.id, {}))).toEqual(['kind']);
    expect(await wrong(logging({ ...bead, settings: { voltageV: 1e300 } }))).toEqual(['settings.voltageV']);
    expect(await wrong(made(PHONE, 'change-bead', bead.id, { number: 4 }))).toContain('number');
    expect(await wrong(made(PHONE, 'change-bead', bead.id, {}))).toEqual(['body']);
    expect(await wrong(made(PHONE, 'change-coupon', plate.id, { title: ' ' }))).toEqual(['title']);
    expect(await wrong(made(PHONE, 'change-coupon', plate.id, { rigId: freshId() }))).toEqual(['rigId']);
    expect(await wrong(made(PHONE, 'correct-job', plate.id, { id: freshId(), at: MADE_AT }))).toEqual(['job']);
    expect(await wrong(made(PHONE, 'change-rig', dock.id, { name: '' }))).toEqual(['name']);
    expect(await wrong(made(PHONE, 'refit', dock.id, { id: freshId() }))).toContain('fittedAt');
    for (const [kind, fields] of [
      ['change-bead', { note: 'x' }],
      ['change-coupon', { title: 'x' }],
      ['correct-job', { id: freshId(), at: MADE_AT, job: {} }],
      ['change-rig', { name: 'x' }],
    ] as const)
      expect(await refused(made(PHONE, kind, freshId(), fields))).toEqual(
        expect.objectContaining({ code: 'not-found' }),
      );
    expect(await revision()).toBe(before);
    expect((await history()).at(-1)).toEqual(entry);
  });
});

describe('two devices on one plate', () => {
  let bead: Bead;
  beforeEach(async () => {
    bead = (await taken(logging(beadOn(plate, dock.setup.id)))).bead!;
  });
  const change = (device: string, fields: object, against = bead.revision, more: object = {}) =>
    made(device, 'change-bead', bead.id, fields, against, more);

  it('never get one number for two beads', async () => {
    const beads = Array.from({ length: 20 }, () => beadOn(plate, dock.setup.id));
    const answers = await Promise.all(beads.map((one, i) => taken(logging(one, i % 2 === 0 ? PHONE : TABLET))));
    expect(answers.map((answer) => answer.bead!.number).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 20 }, (_, i) => i + 2),
    );
  });

  it('log thirty beads each, one of them with a clock that is a day wrong: all there, each in its order', async () => {
    const runs = [
      { device: PHONE, at: '2026-05-03T09:00:00.000Z' },
      { device: TABLET, at: '2026-05-04T09:00:00.000Z' },
    ].map(({ device, at }) => ({
      device,
      beads: Array.from({ length: 30 }, () => beadOn(plate, dock.setup.id, { ranAt: at })),
    }));
    // Each sends one after the other, both at once.
    await Promise.all(
      runs.map(async ({ device, beads }) => {
        for (const one of beads) await taken({ ...logging(one, device), madeAt: one.ranAt });
      }),
    );
    const { beads } = await kept();
    expect(beads.map(({ number }) => number)).toEqual(Array.from({ length: 61 }, (_, i) => i + 1));
    for (const run of runs) {
      const own = run.beads.map(({ id }) => id);
      expect(beads.flatMap(({ id }) => (own.includes(id) ? [id] : []))).toEqual(own);
    }
    // The later judgement to arrive holds, whatever the clock of its device says.
    const judge = (device: string, outcome: string, madeAt: string, against: number) =>
      taken({ ...made(device, 'change-bead', bead.id, { outcome }, against), madeAt });
    const first = await judge(TABLET, 'better', '2026-05-05T09:00:00.000Z', bead.revision);
    const second = await judge(PHONE, 'sound', '2026-05-03T09:00:00.000Z', bead.revision);
    expect([second.bead!.outcome, second.entry.overrode[0].by]).toEqual(['sound', first.entry.id]);
  });

  it('go on past the thousandth bead of a coupon', async () => {
    shop.connection.prepare('UPDATE beads SET number = 999 WHERE id = ?').run(bead.id);
    const next = [beadOn(plate, dock.setup.id), beadOn(plate, dock.setup.id)];
    for (const [i, one] of next.entries()) expect((await taken(logging(one))).bead!.number).toBe(1000 + i);
    expect((await kept()).nextNumber).toBe(1002);
  });

  it('both hold when they change different fields, and nothing is said', async () => {
    await taken(change(PHONE, { outcome: 'better' }));
    const { entry, bead: now } = await taken(change(TABLET, { note: 'toe is cold' }));
    expect(now).toEqual(expect.objectContaining({ outcome: 'better', note: 'toe is cold' }));
    expect(entry.overrode).toEqual([]);
  });

  it('of one field the later holds; it says what it stood over, and the earlier stands in the history', async () => {
    const before = (await get<Changes>('/changes?since=0&limit=200')).upTo;
    const first = await taken(change(PHONE, { outcome: 'better' }));
    const { entry, bead: now } = await taken(change(TABLET, { outcome: 'sound', note: 'holds' }));
    expect(now!.outcome).toBe('sound');
    expect(entry.overrode).toEqual([{ field: 'outcome', was: 'better', by: first.entry.id, device: PHONE }]);
    const told = await get<Changes>(`/changes?since=${before}`);
    expect(told.overriding).toEqual([entry]);
    const lines = (await history()).filter(({ kind }) => kind === 'change-bead');
    expect(lines.map(({ fields, before: was }) => [fields, was])).toEqual([
      [{ outcome: 'better' }, { outcome: null }],
      [
        { outcome: 'sound', note: 'holds' },
        { outcome: 'better', note: '' },
      ],
    ]);
    // The way back is a change like any other, and one made knowingly stands over nothing unseen.
    const back = await taken(change(PHONE, { outcome: 'better' }, entry.revision));
    expect([back.bead!.outcome, back.entry.overrode]).toEqual(['better', []]);
  });

  it('say nothing where both put the same, or one device follows itself', async () => {
    await taken(change(PHONE, { outcome: 'sound' }));
    expect((await taken(change(TABLET, { outcome: 'sound' }))).entry.overrode).toEqual([]);
    expect((await taken(change(PHONE, { outcome: 'better' }))).entry.overrode).toEqual([]);
  });

  it('a bead that another has since judged or noted is taken back only when it is said twice', async () => {
    await taken(change(PHONE, { outcome: 'same' }));
    await taken(change(TABLET, { outcome: 'sound' }, 1e9));
    const back = change(PHONE, { takenBack: true });
    expect(await refused(back)).toEqual({
      code: 'touched-since',
      fields: ['outcome'],
      detail: expect.stringContaining('judged "sound" since'),
    });
    expect((await kept()).beads).toHaveLength(1);
    const sure = await taken({ ...back, sure: true });
    expect(sure.bead!.takenBack).toBe(true);
    expect((await kept()).beads).toEqual([]);
    await taken(change(TABLET, { takenBack: false }, sure.bead!.revision));
    expect((await kept()).beads).toHaveLength(1);
  });

  it('a bead is taken back at once where others did nothing, were known, or took their own word back', async () => {
    const { bead: judged } = await taken(change(PHONE, { outcome: 'sound', note: 'mine' }));
    expect((await taken(change(PHONE, { takenBack: true }))).bead!.takenBack).toBe(true);
    await taken(change(PHONE, { takenBack: false }));
    const { bead: known } = await taken(change(TABLET, { note: '' }, judged!.revision));
    expect((await taken(change(PHONE, { takenBack: true }, judged!.revision))).bead!.takenBack).toBe(true);
    expect(known!.note).toBe('');
  });

  it('a corrected job and a refit of one are told to the other', async () => {
    const job = { id: freshId(), at: MADE_AT, job: { ...plate.job.job, thicknessMm: 4 } };
    const first = await taken(made(PHONE, 'correct-job', plate.id, job));
    expect(first.coupon!.job).toEqual(job);
    const other = { id: freshId(), at: MADE_AT, job: { ...plate.job.job, thicknessMm: 5 } };
    const second = await taken(made(TABLET, 'correct-job', plate.id, other));
    expect(second.coupon!.job.job.thicknessMm).toBe(5);
    expect(second.entry.overrode).toEqual([{ field: 'jobId', was: job.id, by: first.entry.id, device: PHONE }]);
    const { rigId: _, assumed: __, revision: ___, ...facts } = dock.setup;
    const fit = (device: string, nozzleBoreMm: number) =>
      taken(
        made(device, 'refit', dock.id, { ...facts, id: freshId(), rig: { ...facts.rig, nozzleBoreMm } }, dock.revision),
      );
    const [one, two] = [await fit(PHONE, 16), await fit(TABLET, 19)];
    expect(two.rig!.setup.rig.nozzleBoreMm).toBe(19);
    expect(two.entry.overrode.map(({ by, field }) => [by, field])).toEqual([[one.entry.id, 'setupId']]);
    expect(two.entry.couponId).toBeNull();
  });

  it('a corrected job and a refit are taken once, and under the same id no other is', async () => {
    const job = { id: freshId(), at: MADE_AT, job: { ...plate.job.job, thicknessMm: 4 } };
    const correct = made(PHONE, 'correct-job', plate.id, job);
    const { rigId: _, assumed: __, revision: ___, ...facts } = dock.setup;
    const refit = made(PHONE, 'refit', dock.id, { ...facts, id: freshId() }, dock.revision);
    for (const change of [correct, refit]) {
      const first = await taken(change);
      expect(await taken(change)).toEqual(first);
      const other = { ...change, fields: { ...change.fields, id: freshId() } };
      expect(await refused(other)).toEqual(expect.objectContaining({ code: 'conflict' }));
      const elsewhere = { ...change, fields: { ...change.fields, id: change.id } };
      expect(await refused(elsewhere)).toEqual(expect.objectContaining({ code: 'conflict' }));
    }
    expect((await kept()).jobs.filter(({ job: { thicknessMm } }) => thicknessMm === 4)).toHaveLength(1);
  });

  it('a title that one has changed is not put back by another who changed the rig', async () => {
    await taken(made(PHONE, 'change-coupon', plate.id, { title: 'Hinge pin' }));
    const boat = (await get<RigRecord[]>('/rigs')).find(({ name }) => name === 'Boat kit')!;
    const { coupon, entry } = await taken(made(TABLET, 'change-coupon', plate.id, { rigId: boat.id }));
    expect([coupon!.title, coupon!.rigName, entry.overrode]).toEqual(['Hinge pin', 'Boat kit', []]);
  });
});

describe('waiting for something new', () => {
  it('comes back as soon as anyone writes, at once where there is something, and at the end of its patience', async () => {
    const { upTo } = await get<Changes>('/changes?since=0&limit=200');
    const waiting = get<Changes>(`/changes?since=${upTo}&wait=20`);
    await new Promise((done) => setTimeout(done, 50));
    const bead = beadOn(plate, dock.setup.id);
    await taken(logging(bead));
    expect((await waiting).beads.map(({ id }) => id)).toEqual([bead.id]);
    expect((await get<Changes>(`/changes?since=${upTo}&wait=20`)).beads).toHaveLength(1);
    const idle = await get<Changes>(`/changes?since=${upTo + 1}&wait=1`);
    expect([idle.beads, idle.upTo]).toEqual([[], upTo + 1]);
    for (const wait of ['26', '-1', 'x']) expect((await shop.send('GET', `/changes?wait=${wait}`)).status).toBe(400);
  });
});
