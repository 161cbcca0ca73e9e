import { sql } from 'drizzle-orm';
import type { NewBead, NewCoupon, NewRig } from '../../core/record/shapes/record-schema';
import { findBead } from './records/beads';
import { changeBead } from '../testing/put';
import { changesForListeners, newestRevision, somethingSince } from './changes/changes-since';
import { findCoupon, pageOfCoupons } from './records/coupons';
import { kept, nothingUnreadable, put, rig, databaseForEach } from '../testing/shelf';
import { Refusal } from '../errors/refusal';
import { findRig, listRigs } from './records/rigs';
import { writeNow } from './records/write';

const database = databaseForEach();

/** By how many the revision went up. */
function revisionsOf(work: () => unknown): number {
  const before = newestRevision(database.store);
  work();
  return newestRevision(database.store) - before;
}
function refusal(work: () => unknown): { kind: string; fields: string[] } {
  try {
    work();
  } catch (error) {
    const { kind, fields, message } = error as Refusal;
    expect(message).toBe(fields.map(({ field, takes }) => `${field} takes ${takes}`).join('; '));
    return { kind, fields: fields.map(({ field }) => field) };
  }
  throw new Error('it was taken');
}

describe('a rig that is written', () => {
  it('is kept, and the same again changes nothing', () => {
    expect(revisionsOf(() => put.rig())).toBe(1);
    expect(revisionsOf(() => put.rig())).toBe(0);
    expect(findRig(database.store, 'rig')).toEqual(
      expect.objectContaining({
        name: 'Dock set',
        note: '',
        putAway: false,
        setup: expect.objectContaining({ id: 'setup', assumed: false }),
      }),
    );
    expect(findRig(database.store, 'other')).toBeNull();
  });

  it.each<[string, Partial<NewRig>]>([
    ['name', { name: 'Yard set' }],
    ['note', { note: 'green' }],
    ['place', { putAway: true }],
  ])('has another %s with a revision of its own', (_, change) => {
    put.rig();
    expect(revisionsOf(() => put.rig(change))).toBe(1);
    expect(findRig(database.store, 'rig')).toEqual(expect.objectContaining(change));
  });

  it('stays put away until it is said to be brought back', () => {
    put.rig({ putAway: true });
    expect(put.rig({ name: 'Yard set' }).putAway).toBe(true);
    expect(put.rig({ putAway: false }).putAway).toBe(false);
  });

  it('is refitted by a setup of another id, and a setup is never changed', () => {
    put.rig();
    const next = { ...rig().setup, id: 'next', rig: { nozzleBoreMm: 16 } };
    expect(put.rig({ setup: next }).setup).toEqual(expect.objectContaining({ id: 'next', rig: { nozzleBoreMm: 16 } }));
    for (const change of [
      { rig: { nozzleBoreMm: 12 } },
      { fittedAt: '2026-05-02T08:00:00.000Z' },
      { display: 'digital' as const },
    ])
      expect(refusal(() => put.rig({ setup: { ...next, ...change } }))).toEqual({
        kind: 'conflict',
        fields: ['setup'],
      });
    expect(refusal(() => put.rig({ id: 'another', setup: next })).kind).toBe('conflict');
    // A refused write leaves nothing behind.
    expect(listRigs(database.store, nothingUnreadable).map(({ id }) => id)).toEqual(['rig']);
    // Naming the earlier setup again does not put it back.
    expect(put.rig().setup.id).toBe('next');
  });

  it('stands in the list by name', () => {
    put.rig();
    put.rig({ id: 'b', name: 'Anvil', setup: { ...rig().setup, id: 'b1' } });
    expect(listRigs(database.store, nothingUnreadable).map(({ name }) => name)).toEqual(['Anvil', 'Dock set']);
  });
});

describe('a coupon that is written', () => {
  beforeEach(() => void put.rig());

  it('needs its rig, and the same again changes nothing', () => {
    expect(refusal(() => put.coupon({ rigId: 'none' }))).toEqual({ kind: 'wrong-fields', fields: ['rigId'] });
    expect(revisionsOf(() => put.coupon())).toBe(1);
    expect(revisionsOf(() => put.coupon())).toBe(0);
    expect(kept()).toEqual(
      expect.objectContaining({ title: 'Hinge', rigName: 'Dock set', putAway: false, nextNumber: 1 }),
    );
    expect(findCoupon(database.store, 'none', nothingUnreadable)).toBeNull();
  });

  it.each<[string, Partial<NewCoupon>]>([
    ['title', { title: 'Pin' }],
    ['rig', { rigId: 'second' }],
    ['place', { putAway: true }],
  ])('has another %s with a revision of its own', (_, change) => {
    put.rig({ id: 'second', setup: { ...rig().setup, id: 'second-setup' } });
    put.coupon();
    expect(revisionsOf(() => put.coupon(change))).toBe(1);
    expect(kept()).toEqual(expect.objectContaining(change));
    expect(kept().job.id).toBe('job');
  });

  it('keeps a corrected job beside what it corrects, and takes no altered one', () => {
    put.coupon();
    const corrected = { id: 'job-2', at: '2026-05-01T10:00:00.000Z', job: { gapMm: 2 } };
    put.coupon({ job: corrected });
    expect(kept().job).toEqual(corrected);
    expect(kept().jobs.map(({ id }) => id)).toEqual(['job', 'job-2']);
    for (const change of [{ at: '2026-05-01T11:00:00.000Z' }, { job: { gapMm: 3 } }])
      expect(refusal(() => put.coupon({ job: { ...corrected, ...change } }))).toEqual({
        kind: 'conflict',
        fields: ['job'],
      });
    expect(refusal(() => put.coupon({ id: 'other', job: corrected })).kind).toBe('conflict');
    expect(revisionsOf(() => put.coupon())).toBe(0);
    expect(kept().job.id).toBe('job-2');
  });

  it('stays put away until it is said to be brought back', () => {
    put.coupon({ putAway: true });
    put.coupon({ title: 'Pin' });
    expect(kept().putAway).toBe(true);
    put.coupon({ putAway: false });
    expect(kept().putAway).toBe(false);
  });
});

describe('a bead that is written', () => {
  beforeEach(() => {
    put.rig();
    put.coupon();
  });

  it('gets the next number, and is the same however often it comes', () => {
    expect(put.bead('a').number).toBe(1);
    expect(put.bead('b').number).toBe(2);
    expect(revisionsOf(() => put.bead('a'))).toBe(0);
    expect(put.bead('a')).toEqual(findBead(database.store, 'a'));
    expect(kept().nextNumber).toBe(3);
    expect(findBead(database.store, 'none')).toBeNull();
  });

  it.each<[string, Partial<NewBead>]>([
    ['couponId', { couponId: 'other' }],
    ['setupId', { setupId: 'other' }],
    ['jobId', { jobId: 'other' }],
    ['ranAt', { ranAt: '2026-05-01T09:31:00.000Z' }],
    ['settings, findings and what was made of them', { settings: { voltageV: 18 } }],
    ['settings, findings and what was made of them', { findings: {} }],
  ])('is not overwritten by one with another %s', (field, change) => {
    put.bead('a');
    expect(refusal(() => put.bead('a', change))).toEqual({ kind: 'conflict', fields: [field] });
    expect(findBead(database.store, 'a')).toEqual(expect.objectContaining({ settings: { voltageV: 17 } }));
  });

  it('names each thing that is not kept', () => {
    expect(refusal(() => put.bead('a', { couponId: 'x', setupId: 'y', jobId: 'z' })).fields).toEqual(
      expect.arrayContaining(['couponId']),
    );
    expect(refusal(() => put.bead('a', { setupId: 'y' }))).toEqual({ kind: 'wrong-fields', fields: ['setupId'] });
    expect(refusal(() => put.bead('a', { jobId: 'z' }))).toEqual({ kind: 'wrong-fields', fields: ['jobId'] });
  });

  it('is judged, noted and taken back field by field; the coupon counts with it', () => {
    put.bead('a');
    put.bead('b');
    const change = (id: string, of: Parameters<typeof changeBead>[2]) =>
      writeNow(database.store, (writing) => changeBead(writing, id, of, new Date()));
    const line = () => pageOfCoupons(database.store, { limit: 9 }, nothingUnreadable).coupons[0];
    expect(line()).toEqual(expect.objectContaining({ beadCount: 2, soundNumber: null }));
    expect(revisionsOf(() => change('b', { outcome: 'sound' }))).toBe(1);
    expect(revisionsOf(() => change('b', { outcome: 'sound', note: '' }))).toBe(0);
    expect(line()).toEqual(expect.objectContaining({ beadCount: 2, soundNumber: 2 }));
    change('a', { note: 'good toe' });
    expect(findBead(database.store, 'a')).toEqual(expect.objectContaining({ note: 'good toe', outcome: null }));
    change('b', { takenBack: true });
    expect(line()).toEqual(expect.objectContaining({ beadCount: 1, soundNumber: null }));
    expect(kept().beads.map(({ id }) => id)).toEqual(['a']);
    change('b', { takenBack: false });
    expect(line().soundNumber).toBe(2);
    expect(change('none', { note: 'x' })).toBe(false);
  });
});

describe('who waits for something new', () => {
  it('is woken by the next write that changes something, by none that does not, and at once by one that was before', async () => {
    put.rig();
    const since = newestRevision(database.store);
    let isWoken = false;
    // So long that only a write can end it.
    const waiting = somethingSince(database.store, since, 1e6).then(() => (isWoken = true));
    put.rig();
    await new Promise((later) => setTimeout(later, 20));
    expect(isWoken).toBe(false);
    put.rig({ name: 'Anvil' });
    await waiting;
    await somethingSince(database.store, since, 1e6);
    await somethingSince(database.store, newestRevision(database.store), 5);
  });

  it('is told some at a time where many wait, so that others are answered in between', async () => {
    const since = newestRevision(database.store);
    let woken = 0;
    const waiting = Array.from({ length: 23 }, async () => {
      await somethingSince(database.store, since, 1e6);
      woken += 1;
    });
    put.rig({ name: 'Anvil' });
    const inBetween: number[] = [];
    while (woken < waiting.length) {
      await new Promise((over) => setImmediate(over));
      inBetween.push(woken);
    }
    expect(Math.max(...inBetween.map((count, i) => count - (inBetween[i - 1] ?? 0)))).toBeLessThan(12);
    await Promise.all(waiting);
  });

  it('is told of what is written within a moment together, and all who wait of the same', async () => {
    const rename = (name: string): void => void put.rig({ name });
    const rest = (ms: number) => new Promise((over) => setTimeout(over, ms));
    // Nobody was told of anything for longer than is ever between two times.
    await rest(1200);
    const since = newestRevision(database.store);
    const woken: number[] = [];
    const listen = async (from: number): Promise<void> => {
      await somethingSince(database.store, from, 1e6);
      const { upTo } = changesForListeners(database.store, from, 100, () => undefined);
      woken.push(upTo);
      if (upTo < since + 5) await listen(upTo);
    };
    const both = [listen(since), listen(since)];
    for (let i = 1; i <= 5; i++) rename(`Anvil ${i}`);
    await Promise.all(both);
    // The first at once, the four after it together; each of them twice, for two listen.
    expect(woken).toEqual([since + 1, since + 1, since + 5, since + 5]);
    const one = changesForListeners(database.store, since, 100, () => undefined);
    expect(changesForListeners(database.store, since, 100, () => undefined)).toBe(one);
    expect(one.rigs.map(({ name }) => name)).toEqual(['Anvil 5']);
    rename('Anvil 6');
    while (changesForListeners(database.store, since, 100, () => undefined) === one) await rest(50);
    expect(changesForListeners(database.store, since, 100, () => undefined).rigs[0].name).toBe('Anvil 6');
  });
});

it('leaves no words in the search of what is called otherwise since', () => {
  const found = (word: string): number[] =>
    database.store
      .all<{ rowid: number }>(sql`SELECT rowid FROM entry_words WHERE words MATCH ${word}`)
      .map((row) => row.rowid);
  put.rig();
  put.coupon();
  const [before] = found('hinge');
  expect(before).toBeGreaterThan(0);
  put.coupon({ title: 'Latch' });
  expect(found('hinge')).toEqual([]);
  expect(found('latch')).toHaveLength(1);
  expect(found('latch')).not.toEqual([before]);
});
