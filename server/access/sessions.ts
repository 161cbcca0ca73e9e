import { createHash, randomBytes } from 'node:crypto';
import { and, desc, eq, gt, lt, ne, sql } from 'drizzle-orm';
import type { Device } from '../../core/access/access-schema';
import { devicePeople, devices, joinCodes, sessions } from '../db/tables/access-schema';
import { perStore } from '../db/engine/prepared';
import type { Store } from '../db/engine/store';
import { together } from '../db/records/write';

/** A device that has not been seen for so long comes in anew, days. */
export const SESSION_DAYS = 90;
/** A code on a screen is good for so long, min: long enough for a phone to be fetched. */
export const CODE_MINUTES = 10;
/** When a device was last seen is written no more often than this, ms: each write costs the disk. */
const SEEN_EVERY_MS = 60_000;
const DAY_MS = 24 * 3600 * 1000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const newToken = (bytes: number): string => randomBytes(bytes).toString('base64url');

type Coming = { id: string; name: string; from: string };

/** Lets a device in. @returns what it shows from now on; only its hash is kept */
export async function beginSession(store: Store, { id, name, from }: Coming, now: Date): Promise<string> {
  const token = newToken(32);
  const at = now.toISOString();
  await together(store, (writing) => {
    const seen = { name, lastAt: at, lastFrom: from, shutOutAt: null };
    writing
      .insert(devices)
      .values({ id, firstAt: at, ...seen })
      .onConflictDoUpdate({ target: devices.id, set: seen })
      .run();
    // What it came in with before is good no more: one device has one session.
    writing.delete(sessions).where(eq(sessions.deviceId, id)).run();
    writing
      .insert(sessions)
      .values({ tokenHash: hashOf(token), deviceId: id, beganAt: at, lastAt: at })
      .run();
  });
  return token;
}

/** Who shows a token: the device, and who works with it. */
export type Shown = { device: { id: string; name: string }; personId: string | null };

const shown = perStore((store) =>
  store
    .select({
      id: devices.id,
      name: devices.name,
      lastAt: sessions.lastAt,
      lastFrom: devices.lastFrom,
      personId: sessions.personId,
    })
    .from(sessions)
    .innerJoin(devices, eq(sessions.deviceId, devices.id))
    .where(and(eq(sessions.tokenHash, sql.placeholder('tokenHash')), gt(sessions.lastAt, sql.placeholder('since'))))
    .prepare(),
);

/** The device that shows this token, or null; notes that it was seen. */
export function deviceOf(store: Store, token: string, from: string, now: Date): Shown | null {
  const tokenHash = hashOf(token);
  const since = new Date(now.getTime() - SESSION_DAYS * DAY_MS).toISOString();
  const found = shown(store).get({ tokenHash, since });
  if (found === undefined) return null;
  if (now.getTime() - Date.parse(found.lastAt) > SEEN_EVERY_MS || found.lastFrom !== from)
    noteSeen(store, tokenHash, found.id, from, now);
  return { device: { id: found.id, name: found.name }, personId: found.personId };
}

/** That a device was seen is worth no failed request: while another program holds the database it is left. */
function noteSeen(store: Store, tokenHash: string, id: string, lastFrom: string, now: Date): void {
  const lastAt = now.toISOString();
  try {
    store.transaction(
      (writing) => {
        writing.update(sessions).set({ lastAt }).where(eq(sessions.tokenHash, tokenHash)).run();
        writing.update(devices).set({ lastAt, lastFrom }).where(eq(devices.id, id)).run();
      },
      { behavior: 'immediate' },
    );
  } catch (error) {
    if (!/^(SQLITE_|PRIMARY_AWAY)/.test(String((error as { code?: unknown }).code))) throw error;
  }
}

/** As {@link setPersonOf}, within a transaction that is under way. */
export function notePersonOf(writing: Store, deviceId: string, personId: string | null, isShown: boolean): void {
  writing.update(sessions).set({ personId }).where(eq(sessions.deviceId, deviceId)).run();
  if (isShown && personId !== null)
    writing.insert(devicePeople).values({ deviceId, personId }).onConflictDoNothing().run();
}

/**
 * Says who works with a device from now on.
 * @param isShown whether it has shown their own pass phrase: then it may send in their name, also what was made before
 */
export const setPersonOf = (store: Store, deviceId: string, personId: string | null, isShown: boolean): Promise<void> =>
  together(store, (writing) => notePersonOf(writing, deviceId, personId, isShown));

/** Returns whether a device has shown the pass phrase of somebody's own. */
export const hasShown = (store: Store, deviceId: string, personId: string): boolean =>
  store
    .select({ personId: devicePeople.personId })
    .from(devicePeople)
    .where(and(eq(devicePeople.deviceId, deviceId), eq(devicePeople.personId, personId)))
    .get() !== undefined;

/** No device speaks for somebody any more, as after another pass phrase of theirs. */
export function endSpeakingFor(writing: Store, personId: string): void {
  writing.delete(devicePeople).where(eq(devicePeople.personId, personId)).run();
  writing.update(sessions).set({ personId: null }).where(eq(sessions.personId, personId)).run();
}

/** A device goes out by itself. */
export const endSession = (store: Store, deviceId: string): Promise<void> =>
  together(store, (writing) => void writing.delete(sessions).where(eq(sessions.deviceId, deviceId)).run());

/** Ends every session but that of one device. @param but null for none */
export const endOthers = (store: Store, but: string | null): Promise<void> =>
  together(
    store,
    (writing) =>
      void writing
        .delete(sessions)
        .where(but === null ? undefined : ne(sessions.deviceId, but))
        .run(),
  );

/** Changes a device's name, or shuts it out. @returns how it stands now, null where there is none */
export async function changeDevice(
  store: Store,
  id: string,
  change: { name?: string; shutOut?: true },
  now: Date,
): Promise<Device | null> {
  await together(store, (writing) => {
    const { name, shutOut } = change;
    const set = { ...(name === undefined ? {} : { name }), ...(shutOut ? { shutOutAt: now.toISOString() } : {}) };
    writing.update(devices).set(set).where(eq(devices.id, id)).run();
    if (!shutOut) return;
    writing.delete(sessions).where(eq(sessions.deviceId, id)).run();
    writing.delete(devicePeople).where(eq(devicePeople.deviceId, id)).run();
  });
  return listDevices(store, now).find((one) => one.id === id) ?? null;
}

/** Every device that ever came in, last seen first. */
export function listDevices(store: Store, now: Date): Device[] {
  const since = new Date(now.getTime() - SESSION_DAYS * DAY_MS).toISOString();
  return store
    .select({
      ...{ id: devices.id, name: devices.name, firstAt: devices.firstAt, lastAt: devices.lastAt },
      ...{ lastFrom: devices.lastFrom, shutOutAt: devices.shutOutAt },
      isIn: sql<number>`count(${sessions.tokenHash}) > 0`,
    })
    .from(devices)
    .leftJoin(sessions, and(eq(sessions.deviceId, devices.id), gt(sessions.lastAt, since)))
    .groupBy(devices.id)
    .orderBy(desc(devices.lastAt), devices.id)
    .all()
    .map((row) => ({ ...row, isIn: row.isIn === 1 }));
}

/** A code that brings devices in for a while, shown as a picture to be scanned. */
export async function makeJoinCode(store: Store, now: Date): Promise<{ code: string; goodUntil: string }> {
  const code = newToken(16);
  const goodUntil = new Date(now.getTime() + CODE_MINUTES * 60_000).toISOString();
  await together(store, (writing) => {
    writing.delete(joinCodes).where(lt(joinCodes.goodUntil, now.toISOString())).run();
    writing
      .insert(joinCodes)
      .values({ codeHash: hashOf(code), goodUntil })
      .run();
  });
  return { code, goodUntil };
}

/** Returns whether a code is good now. It is good for every device that scans it while it is shown. */
export const isJoinCode = (store: Store, code: string, now: Date): boolean =>
  store
    .select({ codeHash: joinCodes.codeHash })
    .from(joinCodes)
    .where(and(eq(joinCodes.codeHash, hashOf(code)), gt(joinCodes.goodUntil, now.toISOString())))
    .get() !== undefined;
