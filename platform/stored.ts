import { useCallback, useSyncExternalStore } from 'react';
import type { CompiledValidator } from '../core/schema/validate';
import { platform } from './ports';

/**
 * A kind of value that the device keeps: its version, what it looks like, and how older ones are brought up.
 * `migrations[n]` turns version n into n + 1; what was written before versions were kept is version 1.
 */
export type StoredShape<T> = {
  key: string;
  version: number;
  matches: CompiledValidator;
  migrations: Record<number, (old: unknown) => unknown>;
  initial: T;
};

/** What there is to say about the device's storage. */
export type StorageNotice = 'full' | 'unreadable';

const PREFIX = 'jolly.';
const memory = new Map<string, unknown>();
const listeners = new Set<() => void>();
let notice: StorageNotice | null = null;
let listening = false;

const notify = (): void => listeners.forEach((listener) => listener());

/** Says something about the device's storage, or that there is nothing more to say. */
export function setStorageNotice(next: StorageNotice | null): void {
  notice = next;
  notify();
}

/** Returns what stood under the key before versions were kept was written without a prefix. */
function readText(key: string): string | null {
  const { storage } = platform();
  return storage.read(PREFIX + key) ?? storage.read(key);
}

function isEnvelope(value: unknown): value is { version: number; value: unknown } {
  return typeof value === 'object' && value !== null && 'version' in value && 'value' in value;
}

/** Brings a text up to the shape's version. @throws when it cannot be read */
function parse<T>({ version, matches, migrations }: StoredShape<T>, text: string): T {
  const parsed: unknown = JSON.parse(text);
  let [at, value] = isEnvelope(parsed) ? [parsed.version, parsed.value] : [1, parsed];
  for (; at < version; at += 1) value = (migrations[at] ?? ((old) => old))(value);
  if (at !== version || !matches(value)) throw new TypeError('not of the shape that is kept');
  return value as T;
}

/** The kept value, or the initial one. What cannot be read is set aside under another key and said. */
function load<T>(shape: StoredShape<T>): T {
  if (memory.has(shape.key)) return memory.get(shape.key) as T;
  let value = shape.initial;
  let text: string | null = null;
  try {
    text = readText(shape.key);
    if (text !== null) value = parse(shape, text);
  } catch {
    if (text !== null) setAside(shape, text);
    // Telling a listener while a screen is being drawn is not allowed; the next turn is soon enough.
    queueMicrotask(() => setStorageNotice('unreadable'));
  }
  memory.set(shape.key, value);
  return value;
}

/** Puts what cannot be read under another key and the usual in its place, so that it is said once. */
function setAside<T>({ key, version, initial }: StoredShape<T>, text: string): void {
  const { storage } = platform();
  try {
    storage.write(`${PREFIX}${key}.set-aside`, text);
    storage.write(PREFIX + key, JSON.stringify({ version, value: initial }));
  } catch {
    // There is no room to set it aside; it still stands under its own key until the next write.
  }
}

/** Writes a kept value from anywhere. Where there is no room, it still holds for this visit, and that is said. */
export function store<T>(shape: StoredShape<T>, value: T): void {
  memory.set(shape.key, value);
  try {
    platform().storage.write(PREFIX + shape.key, JSON.stringify({ version: shape.version, value }));
    if (notice === 'full') notice = null;
  } catch {
    notice = 'full';
  }
  notify();
}

/** The kept value now. */
export function stored<T>(shape: StoredShape<T>): T {
  return load(shape);
}

/** Hears of every change, also of those that another tab makes. */
function subscribe(listener: () => void): () => void {
  if (!listening) {
    listening = true;
    platform().storage.onForeignWrite((key) => {
      if (!key.startsWith(PREFIX)) return;
      memory.delete(key.slice(PREFIX.length));
      notify();
    });
  }
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/**
 * A part of a kept value; the screen is drawn again only when that part changes.
 * @param select must give the same part for the same value
 */
export function useStoredPart<T, Part>(shape: StoredShape<T>, select: (value: T) => Part): Part {
  const part = (): Part => select(load(shape));
  return useSyncExternalStore(subscribe, part, part);
}

/** A kept value and how to change it. */
export function useStored<T>(shape: StoredShape<T>): [T, (next: T) => void] {
  const value = useStoredPart(shape, (whole) => whole);
  const set = useCallback((next: T) => store(shape, next), [shape]);
  return [value, set];
}

/** Returns what there is to say about the device's storage, and the way to have it not said again. */
export function useStorageNotice(): [StorageNotice | null, () => void] {
  const said = useSyncExternalStore(
    subscribe,
    () => notice,
    () => notice,
  );
  return [said, useCallback(() => setStorageNotice(null), [])];
}

/** Forgets everything that the device keeps as text, but what this device calls itself and how it is measured. */
export async function forgetStored(keeps: readonly { key: string }[]): Promise<void> {
  const kept = keeps.map(({ key }) => PREFIX + key);
  await platform().forget((key) => kept.includes(key) || !key.startsWith(PREFIX));
  for (const key of [...memory.keys()]) if (!kept.includes(PREFIX + key)) memory.delete(key);
  notify();
}

/** Forgets what was read, as a new visit would. For tests. */
export function forgetMemory(): void {
  memory.clear();
  notice = null;
  listening = false;
}
