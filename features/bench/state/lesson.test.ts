import type { Teaching } from '@/core/learning/teaching';
import { beforeBeads } from '@/core/learning/machine-belief';
import type { Bead, Coupon } from '@/core/record/shapes/record-schema';
import { experienceFor, lessonFor } from './lesson';
import { ID, openShop } from '../testing/shop';

const bead = (n: number, fields: Partial<Bead> = {}) =>
  ({
    ...{ id: ID(10 + n), couponId: ID(1), setupId: ID(2), jobId: ID(4), number: n, revision: 1, takenBack: false },
    ranAt: `2026-05-04T10:0${n}:00.000Z`,
    ...{ settings: { voltageV: 19 }, readings: {}, schools: {}, findings: {}, names: {} },
    ...{ verdict: null, move: null, appearance: null, judgedBy: null, note: '', outcome: 'sound' },
    ...fields,
  }) as Bead;

async function couponWith(beads: Bead[], rig: Partial<Coupon['rig']> = {}): Promise<Coupon> {
  const coupon = (await openShop()).coupon();
  return { ...coupon, beads, rig: { ...coupon.rig, ...rig } };
}

const belief = { weights: [...beforeBeads().weights], beads: 1 };
const machine = { offsetV: 0, wireScale: 1, sure: null };
const teaching = (steps: Teaching['steps'] = [], fields: Partial<Teaching> = {}): Teaching => ({
  ...{ rigId: ID(3), since: null, runOutScale: null, belief, before: machine, machine, steps },
  causes: [{ cause: 'clamp-poor', name: 'Poor clamp', confirmed: 1, beads: 3 }],
  ...fields,
});
const stepOf = ({ id, couponId, number, ranAt, outcome }: Bead) =>
  ({ beadId: id, couponId, number, ranAt, outcome, title: 'Plate', machine }) as Teaching['steps'][number];
const ids = (coupon: Coupon, taught: Teaching | null = null): string[] =>
  lessonFor(coupon, taught).beads.map(({ id }) => id);

describe('what an answer on the bench begins with', () => {
  it('is what the rig has taught, and the judged beads that the server has not made something of', async () => {
    const beads = [bead(1), bead(2, { outcome: 'worse' }), bead(3, { outcome: null })];
    const coupon = await couponWith(beads);
    expect(ids(coupon)).toEqual([ID(11), ID(12)]);
    const known = teaching([stepOf(beads[0])]);
    expect(ids(coupon, known)).toEqual([ID(12)]);
    expect(lessonFor(coupon, known).belief).toBe(belief);
    expect(lessonFor(coupon, known).beads[0]).toEqual(
      expect.objectContaining({ sound: false, input: expect.objectContaining({ settings: { voltageV: 19 } }) }),
    );
    expect(lessonFor(coupon, null)).toEqual(expect.objectContaining({ belief: null, runOutScale: null }));
  });

  it('is nothing of another rig, nor of what this one has forgotten', async () => {
    const coupon = await couponWith([bead(1), bead(2)]);
    expect(ids({ ...coupon, rig: { ...coupon.rig, id: ID(9) } })).toEqual([]);
    expect(ids({ ...coupon, setups: [] })).toEqual([]);
    const forgetful = await couponWith([bead(1), bead(2)], { learnsSince: '2026-05-04T10:02:00.000Z' });
    expect(ids(forgetful)).toEqual([ID(12)]);
    // What the server made before it heard of that is not taken.
    expect(lessonFor(forgetful, teaching()).belief).toBeNull();
    expect(lessonFor(forgetful, teaching([], { since: '2026-05-04T10:02:00.000Z' })).belief).toBe(belief);
    const timed = await couponWith([], { runOutScale: 0.95 });
    expect(lessonFor(timed, teaching())).toEqual({ belief: null, runOutScale: 0.95, beads: [], changes: [] });
  });

  it('has the suspicions of the beads before and the causes that the rig is known for', () => {
    expect(experienceFor({ suspects: { 'tip-worn': 4 } }, teaching())).toEqual({
      suspects: [{ cause: 'tip-worn', times: 4 }],
      causes: [{ cause: 'clamp-poor', confirmed: 1, beads: 3 }],
    });
    expect(experienceFor({}, null)).toEqual({});
  });
});
