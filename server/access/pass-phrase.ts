import { Algorithm, hash, verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import { PASS_PHRASE } from '../../core/access/pass-phrase';
import { access, people } from '../db/tables/access-schema';
import type { Store } from '../db/engine/store';
import { together } from '../db/records/write';
import { endSpeakingFor, notePersonOf } from './sessions';

/** What one guess costs: 19 MiB and two passes. Source: OWASP Password Storage Cheat Sheet, argon2id. */
const COST = { algorithm: 2 satisfies Algorithm.Argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** One phrase has one form, however a keyboard makes its letters; spaces around it are nobody's meaning. */
const plain = (phrase: string): string => phrase.normalize('NFKC').trim();

/** Returns what is wrong with a new pass phrase, in words; null where nothing is. */
export function phraseProblem(phrase: string): string | null {
  const { length } = plain(phrase);
  const { least, most } = PASS_PHRASE;
  return length < least || length > most
    ? `A pass phrase has ${least} to ${most} letters; some words are easiest.`
    : null;
}

export const hasPassPhrase = (store: Store): boolean =>
  store.select({ id: access.id }).from(access).get() !== undefined;

/** Puts another pass phrase in the place of the one before. */
export async function setPassPhrase(store: Store, phrase: string, now: Date): Promise<void> {
  const passPhrase = await hash(plain(phrase), COST);
  const row = { id: 1, passPhrase, setAt: now.toISOString() };
  await together(store, (writing) =>
    writing.insert(access).values(row).onConflictDoUpdate({ target: access.id, set: row }).run(),
  );
}

/** Returns whether it is the pass phrase; never where none was set. */
export async function isPassPhrase(store: Store, phrase: string): Promise<boolean> {
  const kept = store.select().from(access).get();
  return kept !== undefined && (await verify(kept.passPhrase, plain(phrase)));
}

/**
 * Sets a pass phrase of somebody's own; null takes it away, and nobody is a keeper without one. No device speaks for them any more.
 * @param deviceId but the one that they set it on; null where they did not
 */
export async function setOwnPhrase(
  store: Store,
  personId: string,
  phrase: string | null,
  deviceId: string | null,
): Promise<void> {
  const passPhrase = phrase === null ? null : await hash(plain(phrase), COST);
  await together(store, (writing) => {
    writing
      .update(people)
      .set(passPhrase === null ? { passPhrase, keeper: false } : { passPhrase })
      .where(eq(people.id, personId))
      .run();
    endSpeakingFor(writing, personId);
    if (deviceId !== null) notePersonOf(writing, deviceId, personId, passPhrase !== null);
  });
}

/** Returns whether it is somebody's own pass phrase; never where they have none. */
export async function isOwnPhrase(store: Store, personId: string, phrase: string): Promise<boolean> {
  const kept = store.select({ passPhrase: people.passPhrase }).from(people).where(eq(people.id, personId)).get();
  return kept?.passPhrase != null && (await verify(kept.passPhrase, plain(phrase)));
}
