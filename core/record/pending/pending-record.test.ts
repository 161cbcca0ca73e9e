import { EXAMPLE_CASE } from '../../cases/example';
import type { ChangeOf } from '../change/change';
import type { FieldsOf, ChangeKind } from '../kinds/all';
import type { Bead, Coupon, RigRecord } from '../shapes/record-schema';
import { couponBegun, couponsBegun, couponWith, rigsWith, summaryOf, summaryWith } from './pending-record';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const AT = '2026-05-04T09:00:00.000Z';
let made = 100;
const change = <Kind extends ChangeKind>(kind: Kind, of: string, fields: object): ChangeOf<Kind> => ({
  ...{ id: ID((made += 1)), kind, of, device: ID(9), madeAt: AT, against: 0 },
  fields: fields as FieldsOf[Kind],
});
const setup = {
  ...{ id: ID(2), rigId: ID(3), fittedAt: AT, rig: EXAMPLE_CASE.rig!, display: 'digital', assumed: false, revision: 4 },
  arcControlRising: 'softer',
} as RigRecord['setup'];
const RIG: RigRecord = {
  id: ID(3),
  name: 'Dock set',
  note: '',
  putAway: false,
  learnsSince: null,
  runOutScale: null,
  setup,
  revision: 4,
};
const job = { id: ID(4), at: AT, job: EXAMPLE_CASE.job! };
const facts = (couponId = ID(1), setupId = ID(2)): Omit<Bead, 'id' | 'number' | 'takenBack' | 'revision'> => ({
  ...{ couponId, setupId, jobId: ID(4), ranAt: AT, settings: { voltageV: 18 }, readings: {}, schools: {} },
  ...{ findings: { 'bead-flat': 'present' }, names: { 'bead-flat': 'Flat' }, verdict: null, move: null },
  ...{ judgedBy: null, appearance: null, outcome: null, note: '' },
});
const COUPON: Coupon = {
  ...{ id: ID(1), rigId: ID(3), rigName: 'Dock set', title: 'Plate', createdAt: AT, putAway: false, job, revision: 8 },
  ...{ rig: RIG, nextNumber: 5, jobs: [job], setups: [] },
  beads: [{ ...facts(), id: ID(20), number: 4, takenBack: false, revision: 8 }],
};
const log = (of: number, couponId?: string, setupId?: string) => change('log-bead', ID(of), facts(couponId, setupId));

describe('a coupon with what waits', () => {
  it('is the very same where nothing that waits is of it', () => {
    expect(couponWith(COUPON, [])).toBe(COUPON);
    const others = [log(30, ID(8)), change('change-bead', ID(99), { note: 'x' }), change('change-coupon', ID(8), {})];
    expect(couponWith(COUPON, others)).toBe(COUPON);
  });

  it('has the beads that wait, with the numbers they will get, their setup, and what was put on them since', () => {
    const waiting = [log(30), log(31), change('change-bead', ID(30), { outcome: 'better' })];
    const { beads, nextNumber, setups } = couponWith(COUPON, waiting);
    expect(beads.map(({ id, number, outcome }) => [id, number, outcome])).toEqual([
      [ID(20), 4, null],
      [ID(30), 5, 'better'],
      [ID(31), 6, null],
    ]);
    expect(nextNumber).toBe(7);
    expect(setups).toEqual([setup]);
    expect(COUPON.beads).toHaveLength(1);
  });

  it('has a bead once, though it came back from the server before it stopped waiting', () => {
    expect(couponWith(COUPON, [change('log-bead', ID(20), facts())]).beads).toEqual(COUPON.beads);
  });

  it('is without a bead that waits to be taken back, and its number is not given again', () => {
    const { beads, nextNumber } = couponWith(COUPON, [change('change-bead', ID(20), { takenBack: true })]);
    expect([beads, nextNumber]).toEqual([[], 5]);
  });

  it('follows a refit, a correction, a new name and a move to another rig, in their order', () => {
    const { rigId: _, assumed: __, revision: ___, ...next } = { ...setup, id: ID(5) };
    const corrected = { id: ID(6), at: AT, job: { thicknessMm: 9 } };
    const refitted = [change('refit', ID(3), next), log(30, ID(1), ID(5)), change('correct-job', ID(1), corrected)];
    const after = couponWith(COUPON, refitted);
    expect(after.rig.setup).toEqual({ ...next, rigId: ID(3), assumed: false, revision: 4 });
    expect(after.setups.map(({ id }) => id)).toEqual([ID(5)]);
    expect([after.job, after.jobs]).toEqual([corrected, [job, corrected]]);
    const other: RigRecord = { ...RIG, id: ID(7), name: 'Boat kit' };
    const moved = couponWith(COUPON, [change('change-coupon', ID(1), { title: 'Pin', rigId: ID(7) })], [RIG, other]);
    expect([moved.title, moved.rigName, moved.rig]).toEqual(['Pin', 'Boat kit', other]);
    expect(couponWith(COUPON, [change('change-rig', ID(3), { name: 'Dock 2' })]).rigName).toBe('Dock 2');
  });

  it('leaves out what cannot be laid over it, and goes on', () => {
    const broken = { ...change('log-bead', ID(40), {}), fields: null as never };
    expect(couponWith(COUPON, [broken, log(30)]).beads.map(({ id }) => id)).toEqual([ID(20), ID(30)]);
  });
});

describe('what waits to be begun', () => {
  const begins = (of: number, rigId = ID(3)) =>
    change('begin-coupon', ID(of), { rigId, title: `Coupon ${of}`, createdAt: AT, job });

  it('is a coupon with its rig and no bead, and beads on it count from one', () => {
    const waiting = [begins(50), log(51, ID(50))];
    const begun = couponBegun(ID(50), waiting, [RIG])!;
    expect(begun).toEqual(
      expect.objectContaining({ title: 'Coupon 50', rigName: 'Dock set', beads: [], nextNumber: 1, putAway: false }),
    );
    expect(couponWith(begun, waiting).beads.map(({ number }) => number)).toEqual([1]);
    expect(couponBegun(ID(50), [], [RIG])).toBeNull();
    expect(couponBegun(ID(50), waiting, [])).toBeNull();
    expect(couponBegun(ID(51), waiting, [RIG])).toBeNull();
  });

  it('stands newest first, on a rig that waits as well', () => {
    const { rigId: _, assumed: __, revision: ___, ...fitted } = { ...setup, id: ID(61) };
    const waiting = [
      change('begin-rig', ID(60), { name: 'Anvil', note: '', setup: fitted }),
      begins(50, ID(60)),
      begins(52),
    ];
    const rigs = rigsWith([RIG], waiting);
    expect(rigs.map(({ name }) => name)).toEqual(['Anvil', 'Dock set']);
    expect(rigs[0].setup.rigId).toBe(ID(60));
    expect(rigsWith(rigs, waiting)).toHaveLength(2);
    expect(couponsBegun(waiting, rigs).map(({ title, rigName }) => [title, rigName])).toEqual([
      ['Coupon 52', 'Dock set'],
      ['Coupon 50', 'Anvil'],
    ]);
    expect(rigsWith([RIG], [change('change-rig', ID(3), { putAway: true })])[0].putAway).toBe(true);
  });
});

describe('a line of the log', () => {
  it('counts and draws what waits, four at most, under the name it will have', () => {
    const line = summaryOf(COUPON);
    expect(line).toEqual(expect.objectContaining({ beadCount: 1, soundNumber: null, title: 'Plate' }));
    expect(line.lastBeads).toEqual([{ number: 4, appearance: null, outcome: null, shows: 'Flat' }]);
    expect(line).not.toHaveProperty('beads');
    const waiting = [
      log(30),
      log(31),
      log(32),
      log(33),
      change('change-coupon', ID(1), { title: 'Pin' }),
      log(34, ID(8)),
    ];
    const after = summaryWith(line, waiting);
    expect([after.title, after.beadCount]).toEqual(['Pin', 5]);
    expect(after.lastBeads.map(({ number }) => number)).toEqual([5, 6, 7, 8]);
    expect(after.lastBeads[0].shows).toBe('Flat');
    expect(
      summaryOf({ ...COUPON, beads: COUPON.beads.map((bead) => ({ ...bead, outcome: 'sound' })) }).soundNumber,
    ).toBe(4);
  });
});
