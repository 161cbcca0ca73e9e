import { readdirSync } from 'node:fs';
import { parse } from 'papaparse';
import { sql } from 'drizzle-orm';
import type { RecordFile } from '../core/record/file/record-file-schema';
import type { RecordRows } from '../core/record/kinds/all';
import type { Changes } from '../core/record/change/change-schema';
import type { EntryPage } from '../core/record/shapes/log-entry-schema';
import { faultIn } from './db/open';
import { FILE_LIMIT_MB } from './files/routes';
import type { ImportReport } from './files/import-record';
import { openWorkshop, type Workshop } from './testing/workshop';

type Whole = RecordFile & RecordRows;
let shop: Workshop;
let empty: Workshop;
/** The two years, and the last four weeks alone: enough for what is not about how much there is. */
let years: Whole;
let record: Whole;

const exported = async (from: Workshop): Promise<Whole> => (await from.send('GET', '/record')).json;
const takeIn = async (into: Workshop, file: unknown, preview = false): Promise<ImportReport> =>
  (await into.send('POST', `/record?preview=${preview}`, file as object)).json;
const without = ({ madeAt: _, ...rest }: Whole) => rest;
const clone = (): Whole => JSON.parse(JSON.stringify(record));
const rows = (of: Workshop, table: string): number =>
  (of.store.get(sql.raw(`SELECT count(*) n FROM ${table}`)) as { n: number }).n;

beforeAll(async () => {
  shop = await openWorkshop({ years: true });
  years = await exported(shop);
  const weeks = await openWorkshop();
  record = await exported(weeks);
  await weeks.stop();
});
afterAll(() => shop.stop());
beforeEach(async () => (empty = await openWorkshop({ demo: false })));
afterEach(() => empty.stop());

describe('the record of a workshop', () => {
  it('goes out whole, in an empty one, and comes out again the same', async () => {
    expect(years.beads).toHaveLength(rows(shop, 'beads'));
    expect(years.welds.flatMap(({ steps }) => steps)).toHaveLength(rows(shop, 'weld_steps'));
    const before = await takeIn(empty, years, true);
    expect(before).toMatchObject({ refused: 0, done: false });
    expect(before.counts.beads).toEqual({ added: years.beads.length, changed: 0, same: 0 });
    // A preview writes nothing.
    expect(rows(empty, 'coupons')).toBe(0);
    expect(await takeIn(empty, years)).toEqual({ ...before, done: true });
    expect(without(await exported(empty))).toEqual(without(years));
    expect(faultIn(empty.connection)).toBeNull();
    // What the server counts and lists is made anew, and as it was.
    for (const count of [
      'coupons WHERE sound_number = 1',
      'coupons WHERE bead_count = 3',
      'proven WHERE weld_count = 2',
      "welds WHERE state = 'accept'",
      'entries',
      'entry_findings',
    ])
      expect([count, rows(empty, count)]).toEqual([count, rows(shop, count)]);
    const found = async (of: Workshop) =>
      ((await of.send('GET', '/log?text=porosity&limit=200')).json as EntryPage).entries;
    expect(await found(empty)).toEqual(await found(shop));
  });

  it('that is large is not told to other devices thing by thing: they are to ask anew', async () => {
    await takeIn(empty, years);
    const told: Changes = (await empty.send('GET', '/changes?since=0')).json;
    expect(told).toMatchObject({ anew: true, beads: [], coupons: [], rigs: [], more: false });
    // What is written after it is told as ever.
    const [{ id }] = years.coupons;
    expect((await empty.change('change-coupon', id, { title: 'Named anew' })).status).toBe(200);
    const news: Changes = (await empty.send('GET', `/changes?since=${told.upTo}`)).json;
    expect([news.anew, news.coupons.map(({ title }) => title)]).toEqual([false, ['Named anew']]);
  });

  it('is the same when it is taken in once more, and tells other devices what is new', async () => {
    const heard = empty.send('GET', '/changes?since=0&wait=5');
    await takeIn(empty, record);
    expect((await heard).status).toBe(200);
    const again = await takeIn(empty, record);
    expect(again.counts.beads).toEqual({ added: 0, changed: 0, same: record.beads.length });
    expect(Object.values(again.counts).every(({ added, changed }) => added + changed === 0)).toBe(true);
  });

  it('carries who ran a bead and who judged it, and says nothing of who where nothing is known', async () => {
    const told = clone();
    Object.assign(told.beads[0], { by: 'Ilse', outcomeBy: 'Joos' });
    await takeIn(empty, told);
    const out = (await empty.send('GET', '/record')).json as typeof record;
    const first = out.beads.find(({ id }) => id === told.beads[0].id)!;
    expect([first.by, first.outcomeBy]).toEqual(['Ilse', 'Joos']);
    expect(out.beads.filter((bead) => 'by' in bead || 'outcomeBy' in bead)).toHaveLength(1);
    expect((await takeIn(empty, told)).counts.beads).toEqual({ added: 0, changed: 0, same: told.beads.length });
  });

  it('adds to what is there what is new, and changes what may change, counted anew', async () => {
    await takeIn(empty, record);
    const more = clone();
    const [coupon] = more.coupons.filter(({ id }) => more.beads.some(({ couponId }) => couponId === id));
    coupon.title = 'Named otherwise';
    const own = more.beads.filter(({ couponId }) => couponId === coupon.id).sort((a, b) => a.number - b.number);
    const last = own[own.length - 1];
    last.outcome = 'worse';
    more.beads.push({
      ...last,
      id: last.id.replace(/.$/, (c) => (c === '9' ? '8' : '9')),
      number: last.number + 1,
      outcome: 'sound',
    });
    const welded = more.welds.find(({ steps }) => steps.length > 0)!;
    const { inspection } = welded.steps.find((step) => 'inspection' in step) as { inspection: { id: string } };
    welded.steps.push({ inspection: { ...inspection, id: inspection.id.replace(/....$/, '9999') } as never });
    const taken = await takeIn(empty, more);
    expect(taken).toMatchObject({ refused: 0, done: true });
    expect(taken.counts.beads).toMatchObject({ added: 1, changed: 1 });
    expect(taken.counts.coupons).toMatchObject({ added: 0, changed: 1 });
    expect(taken.counts.welds).toMatchObject({ changed: 1 });
    const sort = <T extends { id: string }>(list: T[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
    const now = await exported(empty);
    expect(sort(now.beads)).toEqual(sort(more.beads));
    expect(sort(now.welds)).toEqual(sort(more.welds));
    const [counted] = empty.store.all<{ bead_count: number; sound_number: number }>(
      sql.raw(`SELECT bead_count, sound_number FROM coupons WHERE id = '${coupon.id}'`),
    );
    expect(counted).toEqual({ bead_count: own.length + 1, sound_number: last.number + 1 });
    expect(((await empty.send('GET', '/log?text=named%20otherwise')).json as EntryPage).entries.length).toBe(
      own.length + 2,
    );
  });

  const refusals: [string, (file: Whole) => void, RegExp][] = [
    [
      'a bead whose figures are others',
      (file) => (file.beads[0].settings = { voltageV: 20 }),
      /its settings is another here, and is never changed/,
    ],
    ['a setup that is another', (file) => (file.setups[0].display = 'estimate'), /its display is another here/],
    [
      'a bead of a coupon that is nowhere',
      (file) => (file.beads[0].couponId = file.rigs[0].id),
      /names a coupon that is neither in the file nor here|is another here/,
    ],
    [
      'a number that is another bead’s',
      (file) => file.beads.push({ ...file.beads[0], id: file.beads[0].id.replace(/.{4}$/, '7777') }),
      /bead \d+ of its coupon is another/,
    ],
    ['a field that takes something else', (file) => (file.beads[0].outcome = 'fine' as never), /outcome takes/],
    ['an id that stands twice', (file) => file.rigs.push(file.rigs[0]), /its id stands in the file twice/],
    [
      'a weld whose history is shorter than here',
      (file) => file.welds.find(({ steps }) => steps.length > 1)!.steps.pop(),
      /what was written is never changed/,
    ],
    [
      'a weld whose inspection was altered',
      (file) => {
        const step = file.welds.find(({ steps }) => steps.some((one) => 'inspection' in one))!.steps[0] as {
          inspection: { by: string };
        };
        step.inspection.by = 'Nobody';
      },
      /what was written is never changed/,
    ],
    [
      'a job of another coupon',
      (file) => {
        const [bead] = file.beads;
        file.beads.push({
          ...bead,
          id: bead.id.replace(/.{4}$/, '7778'),
          number: 99,
          jobId: file.jobs.find(({ couponId }) => couponId !== bead.couponId)!.id,
        });
      },
      /its job is another coupon's/,
    ],
  ];
  it('is refused as a whole where one thing of it cannot be: nothing of it is written', async () => {
    await takeIn(empty, record);
    const stood = await exported(empty);
    for (const [what, spoil, why] of refusals) {
      const file = clone();
      file.coupons.push({ ...file.coupons[0], id: file.coupons[0].id.replace(/.{4}$/, '5555') });
      spoil(file);
      const preview = await takeIn(empty, file, true);
      const taken = await takeIn(empty, file);
      expect([what, taken.done, taken.refused > 0]).toEqual([what, false, true]);
      expect(taken.reasons.join('\n')).toMatch(why);
      expect(preview.reasons).toEqual(taken.reasons);
    }
    expect(without(await exported(empty))).toEqual(without(stood));
  });

  it('is none, in one sentence, where a file is another, newer, too large or no JSON', async () => {
    const said = async (file: unknown) => (await takeIn(empty, file)).reasons;
    expect(await said([])).toEqual(['This file is no record of a workshop.']);
    expect(await said({ format: 'jolly-tinker/coupon@1' })).toEqual([expect.stringMatching(/its "format" would be/)]);
    expect(await said({ ...record, version: 2 })).toEqual([
      'This record was written by a newer version of this program.',
    ]);
    expect(await said({ ...record, version: 'x' })).toEqual([expect.stringMatching(/no version that is known/)]);
    expect(await said({ ...record, beads: {} })).toEqual(['"beads" takes a list.']);
    expect(await said({ ...record, beads: Array.from({ length: 250_001 }, () => 0) })).toEqual([
      expect.stringMatching(/takes up to 250000 things/),
    ]);
    const send = (body: string, type = 'application/json') =>
      empty.send('POST', '/record?preview=false', body as never, { 'content-type': type });
    expect(await send('{"format":')).toMatchObject({ status: 400, json: { code: 'not-json' } });
    expect(await send('['.repeat(200_000))).toMatchObject({ status: 400, json: { code: 'not-json' } });
    expect(await send('a,b', 'text/csv')).toMatchObject({ status: 415 });
    expect(await empty.send('POST', '/record', {})).toMatchObject({ status: 400 });
    expect(await send(`"${'x'.repeat(FILE_LIMIT_MB * 1024 * 1024)}"`)).toMatchObject({ status: 413 });
    const left = readdirSync(empty.folder);
    expect(left.filter((name) => name.startsWith('incoming'))).toEqual([]);
  });
});

describe('the log as a spreadsheet', () => {
  it('has a line a bead with its units in the heads, as many columns in each, in the decimals asked for', async () => {
    const text: string = (await shop.send('GET', '/record/beads.csv?units=inch&decimal=comma')).json;
    const { data, meta, errors } = parse<Record<string, string>>(text.trim(), { header: true, delimiter: ';' });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(rows(shop, 'beads WHERE NOT taken_back'));
    expect(meta.fields).toEqual(
      expect.arrayContaining(['coupon', 'bead', 'thickness (in)', 'volts (V)', 'volts, mark', 'bead id']),
    );
    expect(new Set(meta.fields).size).toBe(meta.fields!.length);
    expect(data.every((row) => Object.keys(row).length === meta.fields!.length)).toBe(true);
    expect(data.some((row) => /^\d+,\d+$/.test(row['volts (V)']))).toBe(true);
    const times = data.map((row) => row['run at']);
    expect([...times].sort()).toEqual(times);
    const plain: string = (await shop.send('GET', '/record/beads.csv')).json;
    expect(plain.split('\n')[0]).toContain('thickness (mm),');
    expect((await shop.send('GET', '/record/beads.csv?units=furlong')).status).toBe(400);
    expect((await shop.send('GET', '/record/beads.csv?decimal=dot')).status).toBe(400);
  });
});

describe('the schemas of the open formats', () => {
  it('are there to be had, and hold what the files hold', async () => {
    const schema: object = (await shop.send('GET', '/schemas/record.json')).json;
    expect(schema).toMatchObject({ title: 'The record of a welding workshop' });
    expect((await shop.send('GET', '/schemas/case')).status).toBe(200);
    expect((await shop.send('GET', '/schemas/nothing')).status).toBe(404);
  });
});
