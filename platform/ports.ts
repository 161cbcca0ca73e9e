import { v7 } from 'uuid';
import { shrinkPhoto } from './shrink-photo';
import { openMicrophone, type Microphone } from './microphone';
import { openSpeaker, type Speaker } from './speaker';

/** Text kept by key on the device. Reading and writing may fail: storage may be full, refused, or not there at all. */
export type TextStorage = {
  read: (key: string) => string | null;
  write: (key: string, text: string) => void;
  /** Calls back when another tab of this device has written a key. */
  onForeignWrite: (heard: (key: string) => void) => () => void;
};

/** The only doors to the outside. Given once; tests put others in their place. */
export type Ports = {
  now: () => Date;
  /** Does something once so many ms have gone by. @returns how it is called off */
  after: (ms: number, work: () => void) => () => void;
  /** Does something every so many ms. @returns how to end it */
  every: (ms: number, work: () => void) => () => void;
  newId: () => string;
  storage: TextStorage;
  /** Sends a request to the workshop's server. */
  request: (path: string, init: RequestInit) => Promise<Response>;
  /** Hands a file to the reader to keep. */
  saveFile: (name: string, content: string | Uint8Array<ArrayBuffer>, type: string) => void;
  /** Hands what stands at an address of the workshop's server to the reader to keep, as it comes: it may be large. */
  saveFrom: (path: string) => void;
  /** Lets the reader choose a file of one of these media types, of so many MB at most; null where none is chosen. */
  openFile: (types: string[], mostMb?: number) => Promise<{ name: string; text: string } | null>;
  /** The same for a file that is no text. */
  openBlob: (types: string[], mostMb: number) => Promise<{ name: string; blob: Blob } | null>;
  /** Lets the reader take a photograph, or choose one that was taken; null where none is. */
  openPicture: (from: 'camera' | 'files') => Promise<Blob | null>;
  /** Opens the loudspeaker for sound of so many samples a second; null where there is none. Only ever at a tap. */
  openSpeaker: (rate: number) => Speaker | null;
  /** Opens the microphone, which the reader is asked for; what it hears comes in pieces. Only ever at a tap. */
  openMicrophone: (onPiece: (samples: Float32Array<ArrayBuffer>) => void) => Promise<Microphone>;
  /** Buzzes in the hand for so many ms, where the device can. */
  buzz: (ms: number) => void;
  /** Forgets what stands in the storage but for some keys, and the photographs that were looked at. */
  forget: (keeps: (key: string) => boolean) => Promise<void>;
  /** Returns what stands behind # in the address, once: it is taken out of the address and of the history. */
  takeFromAddress: () => string;
  /** Calls back when something else stands there. */
  onAddress: (heard: () => void) => () => void;
  /** Returns what kind of device this is, in a word or two. */
  deviceKind: () => string;
  /** Puts the page on paper. */
  print: () => void;
};

const browserStorage: TextStorage = {
  read: (key) => globalThis.localStorage?.getItem(key) ?? null,
  write: (key, text) => globalThis.localStorage?.setItem(key, text),
  onForeignWrite: (heard) => {
    const listen = ({ key }: StorageEvent): void => {
      if (key !== null) heard(key);
    };
    globalThis.addEventListener?.('storage', listen);
    return () => globalThis.removeEventListener?.('storage', listen);
  },
};

/** What the built page asked for before its own script was read (see scripts/ahead.js), by address. */
const AHEAD = globalThis as { answersAhead?: Record<string, Promise<Response>> };

/** An answer that was asked for ahead is taken for so long after the page was opened, ms; it may be stale later. */
const AHEAD_FOR_MS = 10_000;

/** The answer that was asked for ahead: it is given once, and asked for again where it failed. */
function request(path: string, init: RequestInit): Promise<Response> {
  if (performance.now() > AHEAD_FOR_MS) delete AHEAD.answersAhead;
  const ahead = init.method === 'GET' ? AHEAD.answersAhead?.[path] : undefined;
  if (ahead === undefined) return fetch(path, init);
  delete AHEAD.answersAhead?.[path];
  return ahead.catch(() => fetch(path, init));
}

/** The browser keeps what a link with a name leads to. */
function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = Object.assign(document.createElement('a'), { href: address, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** The server names the file. */
function saveFrom(path: string): void {
  Object.assign(document.createElement('a'), { href: path, download: '' }).click();
}

/** The picker is fetched when a file is first chosen. */
async function openBlob(type: string[], mostMb: number): Promise<{ name: string; blob: Blob } | null> {
  const { getDocumentAsync } = await import('expo-document-picker');
  const { assets } = await getDocumentAsync({ type, base64: false });
  const chosen = assets?.[0];
  if (chosen === undefined) return null;
  const { file, name, uri } = chosen;
  if ((chosen.size ?? 0) > mostMb * 1_000_000) throw new Error(`That file is larger than ${mostMb} MB`);
  return { name, blob: file ?? (await (await fetch(uri)).blob()) };
}

async function openFile(type: string[], mostMb = 1): Promise<{ name: string; text: string } | null> {
  const chosen = await openBlob(type, mostMb);
  return chosen === null ? null : { name: chosen.name, text: await chosen.blob.text() };
}

/** The picker is fetched when a picture is first taken. It asks with an input, which a phone answers with its camera. */
async function openPicture(from: 'camera' | 'files'): Promise<Blob | null> {
  const { launchCameraAsync, launchImageLibraryAsync, CameraType } = await import('expo-image-picker');
  const { assets } = await (from === 'camera'
    ? launchCameraAsync({ mediaTypes: ['images'], cameraType: CameraType.back })
    : launchImageLibraryAsync({ mediaTypes: ['images'] }));
  const chosen = assets?.[0];
  if (chosen === undefined) return null;
  const { file, uri } = chosen;
  try {
    return await shrinkPhoto(file ?? (await (await fetch(uri)).blob()));
  } finally {
    URL.revokeObjectURL(uri);
  }
}

/** Photographs that were looked at are kept under these names (see scripts/service-worker.mjs). */
const PICTURES = /^pictures-/;

async function forget(keeps: (key: string) => boolean): Promise<void> {
  const { localStorage: storage, caches } = globalThis as Partial<Pick<typeof globalThis, 'localStorage' | 'caches'>>;
  const keys = Array.from({ length: storage?.length ?? 0 }, (_, i) => storage!.key(i)!);
  for (const key of keys) if (!keeps(key)) storage!.removeItem(key);
  for (const name of (await caches?.keys()) ?? []) if (PICTURES.test(name)) await caches!.delete(name);
}

function takeFromAddress(): string {
  const { hash, pathname, search } = globalThis.location;
  if (hash !== '') globalThis.history.replaceState(globalThis.history.state, '', pathname + search);
  return hash.slice(1);
}

function onAddress(heard: () => void): () => void {
  globalThis.addEventListener('hashchange', heard);
  return () => globalThis.removeEventListener('hashchange', heard);
}

/** The same word for all browsers of a kind of device, as far as these tell. */
const KINDS: readonly [RegExp, string][] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
];
const deviceKind = (): string =>
  KINDS.find(([pattern]) => pattern.test(globalThis.navigator?.userAgent ?? ''))?.[1] ?? 'Computer';

function after(ms: number, work: () => void): () => void {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
}

function every(ms: number, work: () => void): () => void {
  const timer = setInterval(work, ms);
  return () => clearInterval(timer);
}

const BROWSER: Ports = {
  forget,
  takeFromAddress,
  onAddress,
  deviceKind,
  saveFile,
  saveFrom,
  openFile,
  openBlob,
  openPicture,
  openSpeaker,
  openMicrophone,
  buzz: (ms) => void (globalThis.navigator as Partial<Navigator>).vibrate?.(ms),
  print: () => globalThis.print(),
  now: () => new Date(),
  after,
  every,
  newId: () => v7(),
  storage: browserStorage,
  request,
};

let ports: Ports = BROWSER;

/** The doors in use. */
export const platform = (): Ports => ports;

/** Puts others in the place of some doors, for a test; `null` puts the browser's back. */
export function replacePlatform(others: Partial<Ports> | null): void {
  ports = others === null ? BROWSER : { ...ports, ...others };
}
