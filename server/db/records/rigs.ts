import { asc, eq } from 'drizzle-orm';
import type { RigChange } from '../../../core/record/kinds/rigs';
import type { NewRig, NewSetup, RigRecord } from '../../../core/record/shapes/record-schema';
import type { Store } from '../engine/store';
import { Refusal } from '../../errors/refusal';
import { readable, toRig, type Unreadable } from '../tables/rows';
import { sameDocument } from '../tables/same-document';
import { rigs, setups } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Writing } from './write';

const withSetup = (store: Store) =>
  store.select({ rig: rigs, setup: setups }).from(rigs).innerJoin(setups, eq(rigs.setupId, setups.id));

/** Every rig with what is fitted now, by name; a workshop has few. */
export function listRigs(store: Store, report: (unreadable: Unreadable) => void): RigRecord[] {
  const rows = withSetup(store).orderBy(asc(rigs.name)).all();
  return readable(
    'rigs',
    rows.map((row) => ({ id: row.rig.id, ...row })),
    ({ rig, setup }) => toRig(rig, setup),
    report,
  );
}

export function findRig(store: Store, id: string): RigRecord | null {
  const row = withSetup(store).where(eq(rigs.id, id)).get();
  return row === undefined ? null : toRig(row.rig, row.setup);
}

/** The facts of a setup as they are kept. */
export const factsOf = ({
  rig,
  arcControlRising,
  display,
}: Pick<NewSetup, 'rig' | 'arcControlRising' | 'display'>): string =>
  JSON.stringify({ rig, arcControlRising, display });

/** Returns what may change of a rig, as it stands; null where there is none. */
export function rigNow(store: Store, id: string): (Required<RigChange> & { setupId: string }) | null {
  const { name, note, putAway, learnsSince, runOutScale, setupId } = rigs;
  return (
    store.select({ name, note, putAway, learnsSince, runOutScale, setupId }).from(rigs).where(eq(rigs.id, id)).get() ??
    null
  );
}

/**
 * Fits a setup that is new. One that is kept already may only be named as it stands, and changes nothing.
 * @returns whether it was new
 * @throws Refusal when a setup that is kept would change
 */
export function refit({ store, revision }: Writing, rigId: string, setup: NewSetup): boolean {
  const kept = store.select().from(setups).where(eq(setups.id, setup.id)).get();
  const { id, fittedAt } = setup;
  if (kept !== undefined) {
    if (kept.rigId !== rigId || kept.fittedAt !== fittedAt || !sameDocument(kept.facts, factsOf(setup)))
      throw new Refusal('conflict', [
        { field: 'setup', takes: 'an id of its own when it differs: a setup is never changed' },
      ]);
    return false;
  }
  store
    .insert(setups)
    .values({ id, rigId, fittedAt, facts: factsOf(setup), assumed: false, revision: revision() })
    .run();
  setRow(store, rigs, rigId, { setupId: id, revision: revision() });
  return true;
}

/** Begins a rig that is not kept yet, with what is fitted. */
export function beginRig(
  writing: Writing,
  { id, name, note, putAway = false, learnsSince = null, runOutScale = null, setup }: NewRig,
): void {
  const row = { id, name, note, putAway, learnsSince, runOutScale, setupId: setup.id, revision: writing.revision() };
  writing.store.insert(rigs).values(row).run();
  refit(writing, id, setup);
}

/** Names a rig otherwise, notes something on it, puts it away or brings it back; what it learns since, its run-out. */
export function setRig({ store, revision }: Writing, id: string, fields: RigChange): void {
  setRow(store, rigs, id, { ...fields, revision: revision() });
}
