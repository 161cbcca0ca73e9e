import { Algorithm, hash, verify } from '@node-rs/argon2';
import { PASS_PHRASE } from '../../core/access/access-schema';
import { access } from '../db/access-schema';
import type { Store } from '../db/store';

/** What one guess costs: 19 MiB and two passes. Source: OWASP Password Storage Cheat Sheet, argon2id. */
const COST = { algorithm: 2 satisfies Algorithm.Argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** One phrase has one form, however a keyboard makes its letters; spaces around it are nobody's meaning. */
const plain = (phrase: string): string => phrase.normalize('NFKC').trim();

/** What is wrong with a new pass phrase, in words; null where nothing is. */
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
  store.insert(access).values(row).onConflictDoUpdate({ target: access.id, set: row }).run();
}

/** Whether it is the pass phrase; never where none was set. */
export async function isPassPhrase(store: Store, phrase: string): Promise<boolean> {
  const kept = store.select().from(access).get();
  return kept !== undefined && (await verify(kept.passPhrase, plain(phrase)));
}
