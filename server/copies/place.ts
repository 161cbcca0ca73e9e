import { isAbsolute, resolve } from 'node:path';
import { StartError } from '../start-error';

/** Where copies go: a folder, or an object store or another machine by its address. */
export type CopyPlace = { folder: string } | { url: string };

/** What Litestream can write to besides a folder, by how its address begins. */
const STORES = ['s3', 'gcs', 'abs', 'sftp'];

/**
 * Reads where copies go.
 * @param text a folder, or the address of a store
 * @param name of the variable or the flag that it was given by
 * @throws StartError naming it when it is neither
 */
export function copyPlace(text: string, name = 'COPY_TO'): CopyPlace {
  const takes = `${name} takes a folder on another disk, or the address of a store (${STORES.map((one) => `${one}://`).join(', ')})`;
  const [, scheme] = /^([a-z0-9+.-]+):\/\//i.exec(text) ?? [];
  if (scheme === undefined) {
    // It runs in a folder of its own, so the path is made whole; a control character is no part of one.
    if (text.trim() === '' || /[\u0000-\u001f]/.test(text)) throw new StartError(`${takes}.`);
    return { folder: isAbsolute(text) ? text : resolve(text) };
  }
  if (!STORES.includes(scheme.toLowerCase())) throw new StartError(`${takes}, not "${text}".`);
  if (!URL.canParse(text) || new URL(text).host === '') throw new StartError(`${takes}; "${text}" names none.`);
  return { url: text };
}

/** The place in words, without a name or a key that its address may carry. */
export function placeWords(place: CopyPlace): string {
  if ('folder' in place) return place.folder;
  const { protocol, host, pathname } = new URL(place.url);
  return `${protocol}//${host}${pathname}`;
}
