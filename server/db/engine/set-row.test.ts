import { databaseForEach, put, rig } from '../../testing/shelf';
import { perStore } from './prepared';
import { findRig, listRigs } from '../records/rigs';
import { rigs } from '../tables/schema';
import { setRow } from './set-row';

const database = databaseForEach();
const named = () => listRigs(database.store, () => undefined).map(({ name, note, putAway }) => [name, note, putAway]);

it('sets what is named of the row that is named, and nothing else', () => {
  put.rig();
  put.rig(rig({ id: 'other', name: 'Yard set', setup: { ...rig().setup, id: 'other setup' } }));
  setRow(database.store, rigs, 'rig', { name: 'Anvil 6', putAway: true });
  setRow(database.store, rigs, 'other', { name: 'Slip set', note: undefined });
  setRow(database.store, rigs, 'rig', { note: 'by the door', name: undefined });
  setRow(database.store, rigs, 'nobody', { name: 'None' });
  expect(named()).toEqual([
    ['Anvil 6', 'by the door', true],
    ['Slip set', '', false],
  ]);
  setRow(database.store, rigs, 'rig', { runOutScale: 0.9 });
  expect(findRig(database.store, 'rig')?.runOutScale).toBe(0.9);
  setRow(database.store, rigs, 'rig', { runOutScale: null });
  expect(findRig(database.store, 'rig')?.runOutScale).toBeNull();
});

it('puts a statement together once for each store', () => {
  const built: object[] = [];
  const statement = perStore((store) => {
    built.push(store);
    return store.select().from(rigs).prepare();
  });
  put.rig();
  expect([statement(database.store).all(), statement(database.store).all()].map((rows) => rows.length)).toEqual([1, 1]);
  // A transaction is another view of the store, which may not outlive it.
  database.store.transaction((inside) => statement(inside).all());
  expect(built).toHaveLength(2);
  expect(built[0]).toBe(database.store);
});
