import { CARE_DONE as SAID } from '../../../core/record/kinds/care';
import { insertRows } from '../engine/insert-rows';
import { lookAfter } from '../records/care';
import { rigNow } from '../records/rigs';
import { care } from '../tables/schema';
import { put, required, type Storage } from './storage';
import { storedRows } from './stored-rows';

/** Devices are told of care by the rig it was done on, so that they ask what is due on it. */
export const CARE_DONE: Storage<'care'> = {
  table: care,
  rows: (store, ids) => storedRows(store, care, ids),
  insert: (store, rows) => insertRows(store, care, rows),
  changes: {
    care: (writing, { of, fields }) => {
      required(rigNow(writing.store, of), of, 'rig');
      return put(lookAfter(writing, of, fields), null, SAID.changes.care.puts!, fields.id);
    },
  },
};
