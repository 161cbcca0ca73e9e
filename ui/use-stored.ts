import { useCallback, useSyncExternalStore } from 'react';

/**
 * A value that outlives a reload, in the browser's storage. All users of one key see the same value.
 * Where storage is full or refused, the value still holds for this visit.
 */
const memory = new Map<string, unknown>();
const listeners = new Map<string, Set<() => void>>();

function read<T>(key: string, initial: T): T {
  if (memory.has(key)) return memory.get(key) as T;
  let value = initial;
  try {
    const text = globalThis.localStorage?.getItem(key);
    if (text) value = JSON.parse(text) as T;
  } catch {
    // Unreadable storage counts as none.
  }
  memory.set(key, value);
  return value;
}

/** Writes a stored value from anywhere. */
export function store<T>(key: string, value: T): void {
  memory.set(key, value);
  try {
    globalThis.localStorage?.setItem(key, JSON.stringify(value));
  } catch {
    // Kept in memory for this visit.
  }
  listeners.get(key)?.forEach((listener) => listener());
}

/** Reads and writes a stored value; `initial` must not change between renders. */
export function useStored<T>(key: string, initial: T): [T, (next: T) => void] {
  const subscribe = useCallback(
    (listener: () => void) => {
      const group = listeners.get(key) ?? new Set();
      listeners.set(key, group.add(listener));
      return () => void group.delete(listener);
    },
    [key],
  );
  const value = useSyncExternalStore(
    subscribe,
    () => read(key, initial),
    () => initial,
  );
  const set = useCallback((next: T) => store(key, next), [key]);
  return [value, set];
}
