import { asc, between, eq } from 'drizzle-orm';
import { SETUPS as SAID } from '../../../core/record/kinds/rigs';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { beginRig, factsOf, findRig, refit, rigNow, setRig } from '../records/rigs';
import { readable, toRig, toSetup } from '../tables/rows';
import { rigs, setups } from '../tables/schema';
import { begun, put, required, setFields, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

export const RIGS: Storage<'rigs'> = {
  table: rigs,
  rows: (store, ids) => storedRows(store, rigs, ids).map(({ revision: _, ...row }) => row),
  insert: (store, rows, at) =>
    insertRows(
      store,
      rigs,
      rows.map((rig) => ({ ...rig, revision: at })),
    ),
  set: (store, { id, ...fields }, at) => setRow(store, rigs, id, { ...fields, revision: at }),
  changes: {
    'begin-rig': (writing, { of, fields }) => {
      const isNew = rigNow(writing.store, of) === null;
      if (isNew) beginRig(writing, { ...fields, id: of });
      return begun(isNew, null);
    },
    'change-rig': (writing, { of, fields }) => {
      const now = required(rigNow(writing.store, of), of, 'rig');
      return setFields(now, fields, null, () => setRig(writing, of, fields));
    },
  },
};

export const RIGS_SHOWN: Shown<'rig', 'rigs'> = {
  as: 'rig',
  list: 'rigs',
  table: rigs,
  find: findRig,
  between: (store, from, to, report) => {
    const rows = store
      .select({ rig: rigs, setup: setups })
      .from(rigs)
      .innerJoin(setups, eq(rigs.setupId, setups.id))
      .where(between(rigs.revision, from, to))
      .orderBy(asc(rigs.revision))
      .all();
    return readable(
      'rigs',
      rows.map((row) => ({ ...row, id: row.rig.id })),
      ({ rig, setup }) => toRig(rig, setup),
      report,
    );
  },
};

export const SETUPS: Storage<'setups'> = {
  table: setups,
  rows: (store, ids, report) =>
    readable('setups', storedRows(store, setups, ids), toSetup, report).map(({ revision: _, ...row }) => row),
  insert: (store, rows, at) =>
    insertRows(
      store,
      setups,
      rows.map(({ id, rigId, fittedAt, assumed, ...facts }) => ({
        ...{ id, rigId, fittedAt, assumed, revision: at },
        facts: factsOf(facts),
      })),
    ),
  changes: {
    refit: (writing, { of, fields }) => {
      const { setupId } = required(rigNow(writing.store, of), of, 'rig');
      return put(refit(writing, of, fields), null, SAID.changes.refit.puts!, fields.id, setupId);
    },
  },
};
