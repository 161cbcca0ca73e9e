import { sql } from 'drizzle-orm';
import { coupon, databaseForEach, put } from '../../testing/shelf';
import { insertRows } from './insert-rows';
import { care, coupons, rigs } from '../tables/schema';

const database = databaseForEach();
const all = <Row>(text: string): Row[] => database.store.all<Row>(sql.raw(text));

describe('many rows at once', () => {
  it('stand as they were given: what one lacks is nothing, what none has is left to the table', () => {
    put.rig();
    const done = { rigId: 'rig', task: 'tip' as const, by: 'Ilse' };
    insertRows(database.store, care, [
      { ...done, id: 'a', doneAt: '2026-05-01T09:00:00.000Z' },
      { by: 'Wout', rigId: 'rig', doneAt: '2026-05-02T09:00:00.000Z', task: 'tip', id: 'b' },
    ]);
    expect(
      database.store
        .select()
        .from(care)
        .all()
        .map(({ id, by }) => [id, by]),
    ).toEqual([
      ['a', 'Ilse'],
      ['b', 'Wout'],
    ]);
    const { id: _, ...row } = database.store.select().from(rigs).get()!;
    insertRows(database.store, rigs, [
      { ...row, id: 'first', runOutScale: 0.9, putAway: true },
      { ...row, id: 'last', runOutScale: undefined, putAway: false },
    ]);
    const kept = database.store.select().from(rigs).all();
    expect(kept.map(({ runOutScale, putAway }) => [runOutScale, putAway])).toEqual([
      [row.runOutScale, false],
      [0.9, true],
      [null, false],
    ]);
    insertRows(database.store, rigs, []);
    expect(database.store.select().from(rigs).all()).toEqual(kept);
  });

  it('are refused where the table refuses one', () => {
    put.rig();
    expect(() => insertRows(database.store, coupons, [{ ...coupon(), rigId: 'nobody' }])).toThrow(
      /FOREIGN KEY|NOT NULL/,
    );
  });
});

it('what may name another before that is written is found by an index, but for the few rigs', () => {
  const tables = all<{ name: string; sql: string }>("SELECT name, sql FROM sqlite_schema WHERE sql LIKE '%DEFERRED%'");
  const early = tables.flatMap(({ name, sql: text }) =>
    [...text.matchAll(/FOREIGN KEY \(`(\w+)`\)[^,]*DEFERRED/g)].map(([, column]) => ({ name, column })),
  );
  expect(early).toHaveLength(4);
  const scans = early.filter(({ name, column }) =>
    all<{ detail: string }>(`EXPLAIN QUERY PLAN SELECT 1 FROM ${name} WHERE ${column} = 'x'`).some(({ detail }) =>
      detail.startsWith('SCAN'),
    ),
  );
  expect(scans).toEqual([{ name: 'rigs', column: 'setup_id' }]);
});
