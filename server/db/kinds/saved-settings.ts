import { asc, eq, inArray } from 'drizzle-orm';
import type { Proof } from '../../../core/start/proofs';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import {
  findSavedSetting,
  provenBetween,
  provenRow,
  savedSettingNow,
  saveSetting,
  setSavedSetting,
} from '../records/saved-settings';
import { beads, proven } from '../tables/schema';
import { begun, required, setFields, type Shown, type Storage } from './storage';

function found<Thing>(things: ReadonlyMap<string, Thing>, id: string, what: string): Thing {
  const thing = things.get(id);
  if (thing === undefined) throw new RangeError(`there is no ${what} ${id}`);
  return thing;
}

export const SAVED_SETTINGS: Storage<'proven'> = {
  table: proven,
  rows: (store, ids) =>
    store
      .select({ kept: proven, couponId: beads.couponId })
      .from(proven)
      .innerJoin(beads, eq(proven.beadId, beads.id))
      .where(inArray(proven.id, [...ids]))
      .orderBy(asc(proven.id))
      .all()
      .map(({ kept: { id, beadId, provenAt, by, how, run, note, putAway }, couponId }) => {
        const ways = JSON.parse(how) as Proof[];
        return { id, couponId, beadId, provenAt, by, how: ways, ...(run === null ? {} : { run }), note, putAway };
      }),
  insert: (store, rows, at, named) =>
    insertRows(
      store,
      proven,
      rows.map((setting) => {
        const { setupId, jobId } = found(named.beads, setting.beadId, 'bead');
        const { job } = found(named.jobs, jobId, 'version of a job');
        return provenRow({ ...setting, welds: 0 }, job, found(named.setups, setupId, 'setup'), at);
      }),
    ),
  set: (store, { id, note, putAway }, at) => setRow(store, proven, id, { note, putAway, revision: at }),
  changes: {
    prove: (writing, { of, fields }) => {
      const { couponId, isNew } = saveSetting(writing, { ...fields, id: of });
      return begun(isNew, couponId);
    },
    'change-proven': (writing, { of, fields }) => {
      const now = required(savedSettingNow(writing.store, of), of, 'kept setting');
      return setFields(now, fields, now.couponId, () => setSavedSetting(writing, of, fields));
    },
  },
};

export const SAVED_SETTINGS_SHOWN: Shown<'proven', 'proven'> = {
  as: 'proven',
  list: 'proven',
  table: proven,
  find: findSavedSetting,
  between: provenBetween,
};
