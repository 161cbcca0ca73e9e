import { changesSince, newestRevision } from './changes/changes-since';
import { pageOfCoupons } from './records/coupons';
import { coupon, nothingUnreadable, put, rig, databaseForEach } from '../testing/shelf';
import { sameDocument } from './tables/same-document';

const database = databaseForEach();

describe('the log', () => {
  beforeEach(() => {
    put.rig();
    put.rig({ id: 'second', name: 'Second', setup: { ...rig().setup, id: 's2' } });
    for (const [n, title] of ['Hinge', 'Pin 50%', 'Gate_hinge'].entries())
      put.coupon({
        id: `c${n}`,
        title,
        rigId: n === 1 ? 'second' : 'rig',
        createdAt: `2026-05-0${n + 1}T09:00:00.000Z`,
        job: { ...coupon().job, id: `j${n}` },
        putAway: n === 2,
      });
  });
  const ids = (filter: Partial<Parameters<typeof pageOfCoupons>[1]>) =>
    pageOfCoupons(database.store, { limit: 9, ...filter }, nothingUnreadable).coupons.map(({ id }) => id);

  it('shows what is on the bench, newest first, or what was put away', () => {
    expect(ids({})).toEqual(['c1', 'c0']);
    expect(ids({ putAway: true })).toEqual(['c2']);
    expect(ids({ rigId: 'second' })).toEqual(['c1']);
  });

  it('finds a word in the title, and takes no wild card from it', () => {
    expect(ids({ text: 'hinge' })).toEqual(['c0']);
    expect(ids({ text: '50%' })).toEqual(['c1']);
    expect(ids({ text: 'P%n' })).toEqual([]);
    expect(ids({ text: 'Gate_', putAway: true })).toEqual(['c2']);
  });

  it('goes on after the last of a page', () => {
    const first = pageOfCoupons(database.store, { limit: 1 }, nothingUnreadable);
    expect(first.next).toBe('2026-05-02T09:00:00.000Z~c1');
    const rest = pageOfCoupons(
      database.store,
      { limit: 1, after: { createdAt: '2026-05-02T09:00:00.000Z', id: 'c1' } },
      nothingUnreadable,
    );
    expect(rest.coupons.map(({ id }) => id)).toEqual(['c0']);
    expect(rest.next).toBeNull();
  });

  it('shows sound coupons apart from those that are open', () => {
    put.bead('a', { couponId: 'c0', jobId: 'j0', outcome: 'sound' });
    expect(ids({ state: 'sound' })).toEqual(['c0']);
    expect(ids({ state: 'open' })).toEqual(['c1']);
  });
});

describe('changes since a revision', () => {
  it('hold what is newer, by kind, and say whether there is more', () => {
    put.rig();
    const known = newestRevision(database.store);
    put.coupon();
    put.bead('a');
    put.bead('b');
    const since = (revision: number, limit: number) => {
      const { rigs, coupons, beads, upTo, more } = changesSince(database.store, revision, limit, nothingUnreadable);
      return { rigs: rigs.length, coupons: coupons.length, beads: beads.map(({ id }) => id), upTo, more };
    };
    expect(since(known, 10)).toEqual({ rigs: 0, coupons: 1, beads: ['a', 'b'], upTo: known + 3, more: false });
    expect(since(0, 10)).toEqual(expect.objectContaining({ rigs: 1, more: false }));
    expect(since(known + 3, 10)).toEqual({ rigs: 0, coupons: 0, beads: [], upTo: known + 3, more: false });
    // The coupon counts its beads, so its row carries the revision of the last one.
    expect(since(known, 3)).toEqual({ rigs: 0, coupons: 1, beads: ['a', 'b'], upTo: known + 3, more: false });
    expect(since(known, 1)).toEqual({ rigs: 0, coupons: 0, beads: ['a'], upTo: known + 2, more: true });
  });
});

describe('documents', () => {
  it('say the same whatever the order of their fields, at any depth, and not when lists are in another order', () => {
    expect(sameDocument('{"a":1,"b":{"c":2,"d":3}}', '{"b":{"d":3,"c":2},"a":1}')).toBe(true);
    expect(sameDocument('{"c":1,"a":2,"b":3}', '{"b":3,"c":1,"a":2}')).toBe(true);
    expect(sameDocument('{"a":[1,2]}', '{"a":[2,1]}')).toBe(false);
    expect(sameDocument('{"a":["x"]}', '{"a":{"0":"x"}}')).toBe(false);
    expect(sameDocument('{"a":1}', '{"a":2}')).toBe(false);
    expect(sameDocument('{"a":null}', '{"a":{}}')).toBe(false);
    expect(sameDocument('{"a":', '{"a":')).toBe(false);
  });
});
