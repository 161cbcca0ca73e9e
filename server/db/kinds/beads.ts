import { asc, between } from 'drizzle-orm';
import type { BeadRow } from '../../../core/record/kinds/beads';
import { Refusal } from '../../errors/refusal';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { beadNow, beadRow, findBead, logBead, setBead } from '../records/beads';
import { sinceByOthers } from '../records/history';
import type { Writing } from '../records/write';
import { readable, toBead } from '../tables/rows';
import { beads } from '../tables/schema';
import { begun, required, setFields, type IncomingOf, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

/** Taking back what others have since judged or noted asks first. */
function askBeforeTakingBack(writing: Writing, { of, against, device, fields, sure }: IncomingOf<'change-bead'>): void {
  if (fields.takenBack !== true || sure === true) return;
  const touched = sinceByOthers(writing.store, of, against, device).flatMap((entry) => Object.entries(entry.fields));
  const made = touched.filter(
    ([field, value]) => (field === 'outcome' || field === 'note') && value !== null && value !== '',
  );
  if (made.length === 0) return;
  throw new Refusal(
    'touched-since',
    made.map(([field, value]) => ({
      field,
      takes: `a second word: on another device it was ${field === 'note' ? 'noted' : 'judged'} "${String(value)}" since`,
    })),
  );
}

export const BEADS: Storage<'beads'> = {
  table: beads,
  rows: (store, ids, report) =>
    readable('beads', storedRows(store, beads, ids), toBead, report).map(
      ({ revision: _, by, outcomeBy, ...row }): BeadRow => ({
        ...row,
        // A file of before, or of another program, says nothing of who.
        ...(by == null ? {} : { by }),
        ...(outcomeBy == null ? {} : { outcomeBy }),
      }),
    ),
  insert: (store, rows, at) =>
    insertRows(
      store,
      beads,
      rows.map((bead) => beadRow(bead, at)),
    ),
  set: (store, { id, outcome, note, takenBack }, at) =>
    setRow(store, beads, id, { outcome, note, takenBack, revision: at }),
  changes: {
    'log-bead': (writing, { of, fields }, by) => begun(logBead(writing, { ...fields, id: of }, by), fields.couponId),
    'change-bead': (writing, change, by) => {
      const { of, fields } = change;
      const now = required(beadNow(writing.store, of), of, 'bead');
      askBeforeTakingBack(writing, change);
      return setFields(now, fields, now.couponId, () => setBead(writing, of, now.couponId, fields, by));
    },
  },
};

export const BEADS_SHOWN: Shown<'bead', 'beads'> = {
  as: 'bead',
  list: 'beads',
  table: beads,
  find: findBead,
  between: (store, from, to, report) => {
    const rows = store
      .select()
      .from(beads)
      .where(between(beads.revision, from, to))
      .orderBy(asc(beads.revision))
      .all();
    return readable('beads', rows, toBead, report);
  },
};
