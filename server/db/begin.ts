import type { Store } from './engine/store';
import { ledger } from './tables/schema';

/**
 * Returns whether a database is new, so that it is yet to be decided if the demo workshop goes in. The decision is kept: a
 * workshop that was begun empty stays empty.
 */
export function isNew(store: Store): boolean {
  return store.select().from(ledger).get()?.begun === false;
}

/** Keeps that the decision was made. */
export function markBegun(store: Store): void {
  store.update(ledger).set({ begun: true }).run();
}
