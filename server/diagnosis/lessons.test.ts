import type { Teaching } from '../../core/learning/teaching';
import type { ChartCell } from '../../core/answer/own-chart';
import type { Bead, RigRecord } from '../../core/record/shapes/record-schema';
import type { Changed } from '../../core/record/change/change-schema';
import { openStore } from '../db/open';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from '../testing/workshop';
import { learn } from './diagnose.worker';
import { lessonsOf } from './lessons';

let shop: Workshop;
let rig: RigRecord;
let asked: number[];
beforeEach(async () => {
  asked = [];
  shop = await openWorkshop({
    learn: async (beads) => {
      asked.push(beads.length);
      return learn(beads);
    },
  });
  const rigs: RigRecord[] = (await shop.send('GET', '/rigs')).json;
  rig = rigs.find(({ name }) => name === 'Dock set')!;
});
afterEach(() => shop.stop());

const taught = async (): Promise<Teaching> => (await shop.send('GET', `/rigs/${rig.id}/experience`)).json;
const bandOf = ({ machine }: Teaching): number => machine.sure!.offsetSdV;

/** A change as a device makes it. */
const change = (kind: string, of: string, fields: object) =>
  shop.send('POST', '/changes', {
    ...{ id: freshId(), kind, of, fields, against: 0 },
    device: freshId(),
    madeAt: '2026-05-04T12:00:00.000Z',
  });

/** A coupon with beads on the rig, each judged. */
async function run(...beads: Partial<Parameters<typeof beadOn>[2]>[]): Promise<Bead[]> {
  const coupon = couponOn(rig.id);
  await shop.begin(coupon);
  const logged: Bead[] = [];
  for (const fields of beads) {
    const bead = beadOn(coupon, rig.setup.id, fields);
    logged.push(((await shop.log(bead)).json as Changed).bead!);
  }
  return logged;
}

describe('what a rig has taught', () => {
  it('is learned from its judged beads, and from another rig’s not', async () => {
    const before = await taught();
    const judged = before.steps.map(({ title }) => title);
    expect(judged).toContain('Sluice rack 2, new bracket');
    expect(bandOf(before)).toBeLessThan(before.before.sure!.offsetSdV);
    await run({ outcome: null });
    expect((await taught()).steps).toHaveLength(before.steps.length);
    const [bead] = await run({ outcome: 'sound', settings: { voltageV: 18.8, wireSpeedMPerMin: 6.3, stickOutMm: 10 } });
    const after = await taught();
    expect(after.steps.at(-1)).toEqual(
      expect.objectContaining({ beadId: bead.id, couponId: bead.couponId, title: 'Test plate', number: 1 }),
    );
    expect(bandOf(after)).toBeLessThan(bandOf(before));
    const others: RigRecord[] = (await shop.send('GET', '/rigs')).json;
    for (const other of others.filter(({ id }) => id !== rig.id)) {
      const { steps }: Teaching = (await shop.send('GET', `/rigs/${other.id}/experience`)).json;
      expect(steps.map(({ beadId }) => beadId)).not.toContain(bead.id);
    }
  });

  it('leaves out a bead that was taken back and what is forgotten; all of it comes back', async () => {
    const [, later] = await run(
      { outcome: 'sound', ranAt: '2026-05-04T10:10:00.000Z' },
      { outcome: 'sound', ranAt: '2026-05-04T10:20:00.000Z' },
    );
    const whole = await taught();
    await change('change-bead', later.id, { takenBack: true });
    expect((await taught()).steps.map(({ beadId }) => beadId)).not.toContain(later.id);
    await change('change-bead', later.id, { takenBack: false });
    expect(await taught()).toEqual(whole);
    await change('change-rig', rig.id, { learnsSince: '2026-05-04T10:20:00.000Z' });
    const forgotten = await taught();
    expect(forgotten.steps.map(({ beadId }) => beadId)).toEqual([later.id]);
    expect(forgotten.since).toBe('2026-05-04T10:20:00.000Z');
    await change('change-rig', rig.id, { learnsSince: null });
    expect(await taught()).toEqual(whole);
  });

  it('follows a judgement that was changed, and a run-out at once', async () => {
    const stubs = { 'wire-stubs': 'present', 'sound-popping': 'present' } as const;
    const [bead] = await run({ outcome: 'better', findings: stubs });
    const better = await taught();
    await change('change-bead', bead.id, { outcome: 'sound' });
    expect((await taught()).machine.offsetV).toBeGreaterThan(better.machine.offsetV);
    await change('change-rig', rig.id, { runOutScale: 0.9 });
    const timed = await taught();
    expect(timed.machine.wireScale).toBeLessThan(0.94);
    expect(timed.machine.sure!.wireScaleSd).toBeLessThan(better.machine.sure!.wireScaleSd);
    const refused = await change('change-rig', rig.id, { runOutScale: 2 });
    expect((refused.json as { fields: { field: string }[] }).fields[0].field).toMatch(/runOutScale$/);
  });

  it('goes on over a refit, and knows a cause that was confirmed until its part is fitted anew', async () => {
    await run({ outcome: 'same', cured: ['nozzle-blocked'] }, { outcome: 'sound', ranAt: '2026-05-04T10:20:00.000Z' });
    const before = await taught();
    expect(before.causes.map(({ cause }) => cause)).toEqual(['nozzle-blocked']);
    const { rigId: _, assumed: __, revision: ___, ...setup } = rig.setup;
    const refit = { ...setup, id: freshId(), fittedAt: '2026-05-05T08:00:00.000Z' };
    await change('refit', rig.id, { ...refit, rig: { ...setup.rig, nozzleBoreMm: 16 } });
    const after = await taught();
    expect(after.causes).toEqual([]);
    expect(after.machine).toEqual(before.machine);
  });

  it('is worked out once for each bead and judgement, and the same by a server that starts anew', async () => {
    const [bead] = await run({ outcome: 'better', findings: { 'wire-stubs': 'present' } });
    const first = await taught();
    await taught();
    expect(asked).toHaveLength(1);
    await change('change-bead', bead.id, { outcome: 'sound' });
    await taught();
    expect(asked).toEqual([first.steps.length, 1]);
    const again = openStore(shop.file);
    const context = {
      store: again.store,
      learn: async (beads: Parameters<typeof learn>[0]) => learn(beads),
      report: () => undefined,
    };
    const now = new Date('2026-05-04T12:00:00.000Z');
    const replayed = await lessonsOf(context, rig.id, now);
    expect({ ...replayed, causes: [] }).toEqual({ ...(await taught()), causes: [] });
    again.close();
  });

  it('is made from the newest sixty judged beads: the oldest of more are left out', async () => {
    const at = (i: number): string => new Date(Date.parse('2026-06-01T08:00:00.000Z') + i * 60_000).toISOString();
    const beads = await run(...Array.from({ length: 62 }, (_, i) => ({ outcome: 'better' as const, ranAt: at(i) })));
    const steps = (await taught()).steps.map(({ beadId }) => beadId);
    expect(steps).toEqual(beads.slice(2).map(({ id }) => id));
  });

  it('has its sound beads, the newest first, as they were run: job, wire, figures', async () => {
    const settings = { voltageV: 18.8, wireSpeedMPerMin: 6.3, stickOutMm: 10 };
    const [first, , last] = await run(
      { outcome: 'sound', settings, ranAt: '2027-05-04T10:10:00.000Z' },
      { outcome: 'better', ranAt: '2027-05-04T10:12:00.000Z' },
      { outcome: 'sound', ranAt: '2027-05-04T10:20:00.000Z' },
    );
    const beads = async () => ((await taught()).proven ?? []).filter(({ kept }) => kept === undefined);
    const proven = await beads();
    expect(proven.slice(0, 2).map(({ beadId }) => beadId)).toEqual([last.id, first.id]);
    expect(proven[1]).toEqual(
      expect.objectContaining({
        couponId: first.couponId,
        title: 'Test plate',
        number: 1,
        settings,
        rig: rig.setup.rig,
      }),
    );
    expect(proven[1].job.thicknessMm).toBeGreaterThan(0);
    await change('change-bead', last.id, { takenBack: true });
    expect((await beads())[0].beadId).toBe(first.id);
  });

  it('has the settings that were kept before them, with who proved them and how, until they are put away', async () => {
    const [bead] = await run({ outcome: 'sound', ranAt: '2027-05-04T10:10:00.000Z' });
    const kept = async () => ((await taught()).proven ?? []).filter(({ beadId }) => beadId === bead.id);
    expect((await kept()).map((one) => one.kept)).toEqual([undefined]);
    const at = '2027-05-05T10:10:00.000Z';
    const id = freshId();
    await change('prove', id, {
      couponId: bead.couponId,
      beadId: bead.id,
      provenAt: at,
      by: 'Ada',
      how: ['cut'],
      note: '',
    });
    expect((await kept()).map((one) => one.kept)).toEqual([{ id, provenAt: at, by: 'Ada', how: ['cut'] }]);
    expect((await taught()).proven![0].beadId).toBe(bead.id);
    await change('change-proven', id, { putAway: true });
    expect((await kept()).map((one) => one.kept)).toEqual([undefined]);
  });

  it('makes a chart of its own, with what was sound in it', async () => {
    const chart = async (): Promise<ChartCell[]> => (await shop.send('GET', `/rigs/${rig.id}/chart`)).json;
    const job = { baseMetal: 'mild-steel', thicknessMm: 4, joint: 'fillet', position: 'overhead' } as const;
    const coupon = { ...couponOn(rig.id), job: { ...couponOn(rig.id).job, job } };
    await shop.begin(coupon);
    const at = (cells: ChartCell[]) => cells.find((cell) => cell.thicknessMm === 4 && cell.position === 'overhead')!;
    expect(at(await chart()).proven).toBe(false);
    const settings = { voltageV: 17.7, wireSpeedMPerMin: 4.4 };
    const bead = beadOn(coupon, rig.setup.id, { settings, outcome: 'sound' });
    await shop.log(bead);
    expect(at(await chart())).toEqual(
      expect.objectContaining({ proven: true, settings: expect.objectContaining(settings) as object }),
    );
    // What the machine has taught is in it: a drive that runs slow is set faster.
    const computed = (cells: ChartCell[]) =>
      cells.find((cell) => cell.thicknessMm === 4 && cell.position === 'vertical-up')!;
    const asSet = computed(await chart()).settings.wireSpeedMPerMin!;
    await change('change-rig', rig.id, { runOutScale: 0.85 });
    expect(computed(await chart()).settings.wireSpeedMPerMin!).toBeGreaterThan(1.05 * asSet);
    expect((await shop.send('GET', `/rigs/${freshId()}/chart`)).status).toBe(404);
  });

  it('is nothing of a rig that is not kept, and says nothing by a bead outside the arc model', async () => {
    expect((await shop.send('GET', `/rigs/${freshId()}/experience`)).status).toBe(404);
    const steps = (await taught()).steps.length;
    await run({ outcome: 'sound', settings: { stickOutMm: 10 } });
    expect(learn([{ input: { format: 'jolly-tinker/case@1', settings: { voltageV: NaN } }, sound: true }])).toEqual([
      null,
    ]);
    expect((await taught()).steps.length - steps).toBeLessThanOrEqual(1);
  });
});
