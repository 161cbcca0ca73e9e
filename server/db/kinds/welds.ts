import { asc, eq, inArray } from 'drizzle-orm';
import { weldState } from '../../../core/record/change/weld-state';
import { WELDS as SAID, type WeldRow } from '../../../core/record/kinds/welds';
import type { Inspection, NewRepair } from '../../../core/record/shapes/weld-schema';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { findWeld, inspect, logWeld, repair, setWeld, weldNow, weldsBetween } from '../records/welds';
import { welds, weldSteps } from '../tables/schema';
import { begun, put, required, setFields, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

/** Returns how a weld stands by its inspections and repairs. */
const stateOf = ({ steps }: WeldRow) =>
  weldState(
    steps.flatMap((step) => ('inspection' in step ? [step.inspection] : [])),
    steps.flatMap((step) => ('repair' in step ? [step.repair] : [])),
  );

/** The rows of the inspections and repairs of a weld, in their order. */
const stepRows = ({ id: weldId, steps }: WeldRow): (typeof weldSteps.$inferInsert)[] =>
  steps.map((step) => {
    const [kind, facts] =
      'inspection' in step ? (['inspection', step.inspection] as const) : (['repair', step.repair] as const);
    return { id: facts.id, weldId, kind, facts: JSON.stringify(facts) };
  });

export const WELDS: Storage<'welds'> = {
  table: welds,
  rows: (store, ids) => {
    const rows = storedRows(store, welds, ids);
    const steps = store
      .select()
      .from(weldSteps)
      .where(
        inArray(
          weldSteps.weldId,
          rows.map(({ id }) => id),
        ),
      )
      .orderBy(asc(weldSteps.seq))
      .all();
    const of = new Map<string, WeldRow['steps']>(rows.map(({ id }) => [id, []]));
    for (const { weldId, kind, facts } of steps)
      of.get(weldId)?.push(
        kind === 'inspection'
          ? { inspection: JSON.parse(facts) as Inspection }
          : { repair: JSON.parse(facts) as NewRepair },
      );
    return rows.map(({ state: _, revision: __, ...row }) => ({ ...row, steps: of.get(row.id) ?? [] }));
  },
  insert: (store, rows, at) => {
    insertRows(
      store,
      welds,
      rows.map((weld) => {
        const { steps: _, ...row } = weld;
        return { ...row, state: stateOf(weld), revision: at };
      }),
    );
    insertRows(store, weldSteps, rows.flatMap(stepRows));
  },
  // Steps that are kept already stand first and as they are: a file may only add to them.
  set: (store, weld, at) => {
    const { id, title, note, putAway } = weld;
    const kept = store.select({ id: weldSteps.id }).from(weldSteps).where(eq(weldSteps.weldId, id)).all();
    insertRows(store, weldSteps, stepRows(weld).slice(kept.length));
    setRow(store, welds, id, { title, note, putAway, state: stateOf(weld), revision: at });
  },
  changes: {
    'log-weld': (writing, { of, fields }) => {
      const isNew = weldNow(writing.store, of) === null;
      if (isNew) logWeld(writing, { ...fields, id: of });
      return begun(isNew, weldNow(writing.store, of)!.couponId);
    },
    'change-weld': (writing, { of, fields }) => {
      const now = required(weldNow(writing.store, of), of, 'weld');
      return setFields(now, fields, now.couponId, () => setWeld(writing, of, fields));
    },
    inspect: (writing, { of, fields }) => {
      const { couponId } = required(weldNow(writing.store, of), of, 'weld');
      return put(inspect(writing, of, fields), couponId, SAID.changes.inspect.puts!, fields.id);
    },
    repair: (writing, { of, fields }) => {
      const { couponId } = required(weldNow(writing.store, of), of, 'weld');
      return put(repair(writing, of, fields), couponId, SAID.changes.repair.puts!, fields.id);
    },
  },
};

export const WELDS_SHOWN: Shown<'weld', 'welds'> = {
  as: 'weld',
  list: 'welds',
  table: welds,
  find: findWeld,
  between: weldsBetween,
};
