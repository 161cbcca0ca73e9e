import type { Rig } from '../../../core/case/schema';
import type { RigRecord } from '../../../core/record/shapes/record-schema';
import type { Worn } from '../../../core/record/shapes/part-wear';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from '../../testing/workshop';

let shop: Workshop;
let rig: RigRecord;
beforeEach(async () => {
  shop = await openWorkshop();
  const rigs: RigRecord[] = (await shop.send('GET', '/rigs')).json;
  rig = rigs.find(({ name }) => name === 'Dock set')!;
});
afterEach(() => shop.stop());

const worn = async (): Promise<Worn[]> => (await shop.send('GET', `/rigs/${rig.id}/parts`)).json;
const partOf = (all: readonly Worn[], part: string): Worn => all.find((one) => one.part === part)!;

/** Fits something anew, as a device does: a tip where nothing is said. */
async function refit(fittedAt: string, change: Partial<Rig> = { fittedAt: { tip: fittedAt } }): Promise<string> {
  const { arcControlRising, display, rig: facts } = rig.setup;
  const setup = { id: freshId(), fittedAt, arcControlRising, display, rig: { ...facts, ...change } };
  await shop.send('POST', '/changes', {
    ...{ id: freshId(), kind: 'refit', of: rig.id, fields: setup, against: rig.revision },
    device: freshId(),
    madeAt: fittedAt,
  });
  return setup.id;
}

describe('what the parts of a rig have done', () => {
  it('is every bead there is where nobody said when they were fitted', async () => {
    const all = await worn();
    expect(all.map(({ part }) => part)).toEqual(['tip', 'nozzle', 'diffuser', 'liner', 'roll', 'spool', 'cylinder']);
    expect(new Set(all.map(({ beads }) => beads)).size).toBe(1);
    expect(all[0]).toEqual(expect.objectContaining({ since: null, arcMinutes: null }));
    expect(all[0].beads).toBeGreaterThan(1);
    // A rig that nothing was run on has done nothing, whatever the others did.
    const fresh = { ...rig, id: freshId(), name: 'Fresh set' };
    const { arcControlRising, display, rig: facts } = rig.setup;
    const setup = { id: freshId(), fittedAt: rig.setup.fittedAt, arcControlRising, display, rig: facts };
    await shop.change('begin-rig', fresh.id, { name: fresh.name, note: '', setup });
    const unused: Worn[] = (await shop.send('GET', `/rigs/${fresh.id}/parts`)).json;
    expect(unused.map(({ beads }) => beads)).toEqual(unused.map(() => 0));
  });

  it('begins again with the part, whatever setup the bead was run on, and leaves out what was taken back', async () => {
    const before = await worn();
    const fittedAt = '2027-05-04T09:00:00.000Z';
    const setupId = await refit(fittedAt);
    const coupon = couponOn(rig.id);
    await shop.begin(coupon);
    const [paced, plain, gone] = [
      beadOn(coupon, setupId, { ranAt: '2027-05-04T10:00:00.000Z', settings: { travelSpeedMmPerMin: 200 } }),
      beadOn(coupon, setupId, { ranAt: '2027-05-04T10:10:00.000Z' }),
      beadOn(coupon, setupId, { ranAt: '2027-05-04T10:20:00.000Z' }),
    ];
    for (const bead of [paced, plain, gone]) await shop.log(bead);
    await shop.change('change-bead', gone.id, { takenBack: true });
    const after = await worn();
    // 100 mm at 200 mm/min, and 100 mm at a usual 350.
    expect(partOf(after, 'tip')).toEqual({ part: 'tip', since: fittedAt, beads: 2, arcMinutes: 0.8, taken: null });
    expect(partOf(after, 'liner').beads).toBe(partOf(before, 'liner').beads + 2);
  });

  it('has taken wire and gas since each was read, by wire speed, flow and pace of every bead', async () => {
    const at = '2027-05-04T09:00:00.000Z';
    const setupId = await refit(at, {
      spool: { fullKg: 15, leftKg: 4, at },
      cylinder: { kind: 'compressed', volumeL: 20, pressureBar: 100, at: '2027-05-04T10:05:00.000Z' },
    });
    const coupon = couponOn(rig.id);
    await shop.begin(coupon);
    const settings = { travelSpeedMmPerMin: 200, wireSpeedMPerMin: 8, gasFlowLPerMin: 10 };
    const ran = (ranAt: string, some: object) => beadOn(coupon, setupId, { ranAt, settings: some });
    const [before, one, plain] = [
      ran('2027-05-04T08:59:00.000Z', settings),
      ran('2027-05-04T10:00:00.000Z', settings),
      ran('2027-05-04T10:10:00.000Z', {}),
    ];
    for (const bead of [before, one, plain]) await shop.log(bead);
    const all = await worn();
    // Half a minute at 8 m/min, and 100 mm at a usual 350 mm/min and 6 m/min; 0.9 mm steel weighs 5 g a metre.
    const metres = 0.5 * 8 + (100 / 350) * 6;
    expect(partOf(all, 'spool').taken).toBeCloseTo(0.005 * metres, 3);
    // The cylinder was read later, after the first of the two.
    expect(partOf(all, 'cylinder').taken).toBeCloseTo(1.15 * (100 / 350) * 11, 3);
    expect(partOf(all, 'tip').taken).toBeNull();
    // Of a wire that nobody named nothing can be weighed.
    await refit('2027-05-04T11:00:00.000Z', { wire: {}, spool: { leftKg: 4, at } });
    expect(partOf(await worn(), 'spool').taken).toBeNull();
  });

  it('is not to be had of a rig that is not kept', async () => {
    expect((await shop.send('GET', `/rigs/${freshId()}/parts`)).status).toBe(404);
  });
});
