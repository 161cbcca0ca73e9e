import { asc, eq } from 'drizzle-orm';
import type { NewRig, NewSetup, RigRecord } from '../../core/record/schema';
import type { Store } from './store';
import { Refusal } from './refusal';
import { readable, toRig, type Unreadable } from './rows';
import { sameDocument } from './same-document';
import { rigs, setups } from './schema';
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
const factsOf = ({ rig, arcControlRising, display }: NewSetup): string =>
  JSON.stringify({ rig, arcControlRising, display });

/** Adds a setup that is new; one that is kept already may only be named as it stands. */
function putSetup({ store, revision }: Writing, rigId: string, setup: NewSetup): boolean {
  const kept = store.select().from(setups).where(eq(setups.id, setup.id)).get();
  if (kept === undefined) {
    store
      .insert(setups)
      .values({
        id: setup.id,
        rigId,
        fittedAt: setup.fittedAt,
        facts: factsOf(setup),
        assumed: false,
        revision: revision(),
      })
      .run();
    return true;
  }
  const same = kept.rigId === rigId && kept.fittedAt === setup.fittedAt && sameDocument(kept.facts, factsOf(setup));
  if (!same)
    throw new Refusal('conflict', [
      { field: 'setup', takes: 'an id of its own when it differs: a setup is never changed' },
    ]);
  return false;
}

/**
 * Writes a rig, new or again, and fits what is new on it; the same write twice changes nothing.
 * @throws Refusal when a setup that is kept would change
 */
export function putRig(writing: Writing, rig: NewRig): RigRecord {
  const { store, revision } = writing;
  const kept = store.select().from(rigs).where(eq(rigs.id, rig.id)).get();
  const putAway = rig.putAway ?? kept?.putAway ?? false;
  if (kept === undefined) {
    const row = { id: rig.id, name: rig.name, note: rig.note, putAway, setupId: rig.setup.id, revision: revision() };
    store.insert(rigs).values(row).run();
    putSetup(writing, rig.id, rig.setup);
  } else {
    const refitted = putSetup(writing, rig.id, rig.setup);
    const changed = kept.name !== rig.name || kept.note !== rig.note || kept.putAway !== putAway;
    if (refitted || changed) {
      const setupId = refitted ? rig.setup.id : kept.setupId;
      store
        .update(rigs)
        .set({ name: rig.name, note: rig.note, putAway, setupId, revision: revision() })
        .where(eq(rigs.id, rig.id))
        .run();
    }
  }
  const written = findRig(store, rig.id);
  if (written === null) throw new Error(`rig ${rig.id} was not written`);
  return written;
}
