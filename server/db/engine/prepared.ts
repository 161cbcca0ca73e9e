import type { Store } from './store';

/**
 * A statement put together once for each store and asked many times: with a change from a phone, putting its twenty statements
 * together took most of the time.
 * @param build puts it together; what differs from one time to the next is a placeholder
 * @returns the statement of a store
 */
export function perStore<Statement>(build: (store: Store) => Statement): (store: Store) => Statement {
  const built = new WeakMap<Store, Statement>();
  return (store) => {
    const known = built.get(store);
    if (known !== undefined) return known;
    const statement = build(store);
    built.set(store, statement);
    return statement;
  };
}
