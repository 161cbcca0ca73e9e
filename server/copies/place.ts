import { isAbsolute, resolve } from 'node:path';
import { StartError } from '../errors/start-error';

/** An object store that speaks as S3 does, and where in it. */
export type ObjectPlace = {
  bucket: string;
  /** What the names of all objects begin with, without a slash at its end; may be empty. */
  path: string;
  endpoint: string;
  region: string;
  keyId: string;
  keySecret: string;
};
/** Where copies go: a folder, or an object store. */
export type CopyPlace = { folder: string } | ObjectPlace;

const TAKES =
  'takes a folder on another disk, or an object store: s3://BUCKET/PATH?endpoint=https://HOST, with &region=NAME where it has regions';

/** @throws StartError naming what is missing or odd */
function objectPlace(text: string, name: string, env: Record<string, string | undefined>): ObjectPlace {
  const url = URL.canParse(text) ? new URL(text) : null;
  const given = [...(url?.searchParams.keys() ?? [])];
  const endpoint = url?.searchParams.get('endpoint') ?? '';
  if (url === null || !/^[a-z0-9][a-z0-9.-]{1,62}$/.test(url.host))
    throw new StartError(`${name} ${TAKES}; "${text}" names no bucket.`);
  if (!URL.canParse(endpoint) || !/^https?:$/.test(new URL(endpoint).protocol))
    throw new StartError(`${name} ${TAKES}; it says no endpoint.`);
  const odd = given.find((one) => one !== 'endpoint' && one !== 'region');
  if (odd !== undefined) throw new StartError(`${name} ${TAKES}; it knows no "${odd}".`);
  const { COPY_KEY_ID: keyId, COPY_KEY_SECRET: keySecret } = env;
  if (!keyId || !keySecret)
    throw new StartError('Set COPY_KEY_ID and COPY_KEY_SECRET to the key that the object store gave for its bucket.');
  return {
    ...{ bucket: url.host, path: url.pathname.replace(/^\/+|\/+$/g, ''), keyId, keySecret },
    endpoint: new URL(endpoint).origin,
    region: url.searchParams.get('region') || 'us-east-1',
  };
}

/**
 * Reads where copies go.
 * @param text a folder, or the address of an object store
 * @param name of the variable or the flag that it was given by
 * @param env which the key of a store stands in: it is no part of an address, which others may read
 * @throws StartError naming it when it is neither
 */
export function copyPlace(
  text: string,
  name = 'COPY_TO',
  env: Record<string, string | undefined> = process.env,
): CopyPlace {
  const [, scheme] = /^([a-z0-9+.-]+):\/\//i.exec(text) ?? [];
  if (scheme?.toLowerCase() === 's3') return objectPlace(text, name, env);
  if (scheme !== undefined) throw new StartError(`${name} ${TAKES}; not "${text}".`);
  // It runs in a folder of its own, so the path is made whole; a control character is no part of one.
  if (text.trim() === '' || /[\u0000-\u001f]/.test(text)) throw new StartError(`${name} ${TAKES}.`);
  return { folder: isAbsolute(text) ? text : resolve(text) };
}

/** The address that {@link copyPlace} reads the same place from. */
export function placeText(place: CopyPlace): string {
  if ('folder' in place) return place.folder;
  const { bucket, path, endpoint, region } = place;
  return `s3://${bucket}/${path}?${new URLSearchParams({ endpoint, region }).toString()}`;
}

/** The place in words. */
export const placeWords = (place: CopyPlace): string =>
  'folder' in place ? place.folder : `s3://${place.bucket}/${place.path} at ${new URL(place.endpoint).host}`;
