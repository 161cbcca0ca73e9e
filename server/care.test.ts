import type { CareKnown } from '../core/care/due';
import type { NewCoupon, RigRecord } from '../core/record/shapes/record-schema';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let dock: RigRecord;
let plate: NewCoupon;
const AT = '2026-05-04T11:00:00.000Z';

const send = (change: object) => shop.send('POST', '/changes', change);
const made = (kind: string, of: string, fields: object) => ({
  ...{ id: freshId(), kind, of, device: freshId(), madeAt: AT, against: 0, fields },
});
const known = async (): Promise<Record<string, CareKnown>> => {
  const all = (await shop.send('GET', `/rigs/${dock.id}/care`)).json as CareKnown[];
  return Object.fromEntries(all.map((one) => [one.task, one]));
};
/** A bead of 100 mm on the dock set; its arc burns for so long as its pace says. */
async function run(ranAt: string, travelSpeedMmPerMin: number, ...seen: string[]): Promise<void> {
  const findings = Object.fromEntries(seen.map((id) => [id, 'present'])) as never;
  const names = Object.fromEntries(seen.map((id) => [id, id]));
  const { id, ...fields } = beadOn(plate, dock.setup.id, {
    ...{ ranAt, findings, names, settings: { travelSpeedMmPerMin } },
  });
  expect((await send(made('log-bead', id, fields))).status).toBe(200);
}

beforeEach(async () => {
  shop = await openWorkshop();
  dock = ((await shop.send('GET', '/rigs')).json as RigRecord[]).find(({ name }) => name === 'Dock set')!;
  plate = couponOn(dock.id);
  await shop.begin(plate);
});
afterEach(() => shop.stop());

describe('the care of a rig', () => {
  it('counts the arc and what beads show since it was done, and that of other tasks on', async () => {
    const fields = { id: freshId(), task: 'nozzle', doneAt: AT, by: 'Ada' };
    const { status, json } = await send(made('care', dock.id, fields));
    expect([status, (json as { rig: RigRecord }).rig.id]).toEqual([200, dock.id]);
    const before = await known();
    expect(before.nozzle).toEqual({ task: 'nozzle', since: AT, arcMinutes: 0, beads: 0, showing: 0, lives: [] });
    expect(before.clamp.since).toBeNull();
    await run('2026-05-04T11:10:00.000Z', 100, 'nozzle-clogged');
    await run('2026-05-04T11:20:00.000Z', 200, 'holes-scattered', 'spatter-heavy');
    await run('2026-05-04T11:30:00.000Z', 50, 'bead-ropey');
    await run('2026-05-04T10:50:00.000Z', 50, 'nozzle-clogged');
    const after = await known();
    // 100 mm at 100, 200 and 50 mm/min: 1, 0.5 and 2 min; the one before it was cleaned counts no more.
    expect(after.nozzle).toEqual({ task: 'nozzle', since: AT, arcMinutes: 3.5, beads: 3, showing: 2, lives: [] });
    // Nobody said when the tip was looked at: its four beads more are counted as usual ones, 100 mm at 350 mm/min.
    expect(after.tip.arcMinutes).toBeCloseTo(before.tip.arcMinutes + 4 / 3.5, 1);
    // A clamp is counted by days.
    expect(after.clamp.arcMinutes).toBe(0);
  });

  it('learns how long it lasts here from its last times: the arc from each to the next', async () => {
    const done = (doneAt: string) => send(made('care', dock.id, { id: freshId(), task: 'nozzle', doneAt, by: 'Ada' }));
    for (const hour of [11, 12, 13, 14]) await done(`2026-05-04T${hour}:00:00.000Z`);
    await run('2026-05-04T11:10:00.000Z', 50);
    await run('2026-05-04T11:20:00.000Z', 50);
    await run('2026-05-04T13:30:00.000Z', 50);
    await run('2026-05-04T14:30:00.000Z', 100);
    const { nozzle, clamp } = await known();
    // Between twelve and one nothing was run: that time says nothing. Since the last it is a minute so far.
    expect(nozzle).toMatchObject({ arcMinutes: 1, lives: [4, 2] });
    expect(clamp.lives).toEqual([]);
  });

  it('is taken once, and never another under its id', async () => {
    const fields = { id: freshId(), task: 'nozzle', doneAt: AT, by: 'Ada' };
    const change = made('care', dock.id, fields);
    expect((await send(change)).status).toBe(200);
    expect((await send(change)).status).toBe(200);
    expect((await send(made('care', dock.id, { ...fields, by: 'Bo' }))).status).toBe(409);
    expect((await send(made('care', dock.id, { ...fields, task: 'dusting', id: freshId() }))).status).toBe(400);
    expect((await send(made('care', freshId(), { ...fields, id: freshId() }))).status).toBe(404);
    expect((await shop.send('GET', `/rigs/${freshId()}/care`)).status).toBe(404);
  });

  it('begins anew with a part that is fitted anew, and asks no gas of a wire that has none', async () => {
    const { rigId: _, assumed: __, revision: ___, ...setup } = dock.setup;
    const fitted = { ...setup.rig, fittedAt: { ...setup.rig.fittedAt, tip: '2026-05-04T12:00:00.000Z' } };
    await send(made('care', dock.id, { id: freshId(), task: 'tip', doneAt: AT, by: 'Ada' }));
    await send(made('refit', dock.id, { ...setup, id: freshId(), fittedAt: AT, rig: fitted }));
    expect((await known()).tip.since).toBe('2026-05-04T12:00:00.000Z');
    const bare = { ...fitted, gas: null, process: 'fcaw-self-shielded', polarity: 'electrode-negative' };
    const wire = { class: 'tubular-self-shielded', diameterMm: 0.9 };
    const change = made('refit', dock.id, { ...setup, id: freshId(), fittedAt: AT, rig: { ...bare, wire } });
    expect((await send(change)).status).toBe(200);
    expect(Object.keys(await known())).not.toContain('regulator');
  });
});
