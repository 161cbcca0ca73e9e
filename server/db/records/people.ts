import { asc, desc, eq, sql } from 'drizzle-orm';
import type { Following, FollowingChange, NewPerson, Person, PersonChange } from '../../../core/access/people-schema';
import { MOST_ANSWERS } from '../../../core/school/most-answers';
import { perStore } from '../engine/prepared';
import { Refusal } from '../../errors/refusal';
import { answers, people } from '../tables/access-schema';
import type { Store } from '../engine/store';

const toPerson = ({ passPhrase, keeper, habits: _, ...row }: typeof people.$inferSelect): Person => ({
  ...row,
  isKeeper: keeper,
  hasPassPhrase: passPhrase !== null,
});

/** Whoever works here, by name; those that were put away as well. */
export const listPeople = (store: Store): Person[] =>
  store.select().from(people).orderBy(asc(people.name), asc(people.id)).all().map(toPerson);

const byId = perStore((store) =>
  store
    .select()
    .from(people)
    .where(eq(people.id, sql.placeholder('id')))
    .prepare(),
);

export function findPerson(store: Store, id: string): Person | null {
  const row = byId(store).get({ id });
  return row === undefined ? null : toPerson(row);
}

/** Returns what somebody is called now; null where there is nobody of this id. */
export const nameOf = (store: Store, id: string | null): string | null =>
  id === null ? null : (byId(store).get({ id })?.name ?? null);

/** Two of one name could not be told apart in the record. */
function requireOwnName(store: Store, id: string, name: string): void {
  const same = (one: string): string => one.trim().toLocaleLowerCase();
  if (listPeople(store).some((one) => one.id !== id && same(one.name) === same(name)))
    throw new Refusal('conflict', [{ field: 'name', takes: 'a name of its own: somebody is called that already' }]);
}

/** Adds somebody; the same one again changes nothing. @throws Refusal where the name is taken */
export function addPerson(store: Store, { id, name, initials, colour }: NewPerson): Person {
  const kept = findPerson(store, id);
  if (kept !== null) return kept;
  requireOwnName(store, id, name);
  const words = { name: name.trim(), initials: initials.trim() };
  store
    .insert(people)
    .values({ id, ...words, colour, keeper: false, passPhrase: null, putAway: false, habits: null })
    .run();
  return findPerson(store, id)!;
}

/** Changes what is said of somebody. What they did keeps the name of that day. @returns null where there is nobody of this id */
export function changePerson(store: Store, id: string, { isKeeper, ...change }: PersonChange): Person | null {
  const kept = findPerson(store, id);
  if (kept === null) return null;
  // Anybody may pick a name without a pass phrase, and give it one: a keeper has one already.
  if (isKeeper === true && !kept.hasPassPhrase)
    throw new Refusal('conflict', [{ field: 'isKeeper', takes: 'somebody with a pass phrase of their own' }]);
  if (change.name !== undefined) requireOwnName(store, id, change.name);
  const set = { ...change, ...(isKeeper === undefined ? {} : { keeper: isKeeper }) };
  store.update(people).set(set).where(eq(people.id, id)).run();
  return findPerson(store, id);
}

/** Returns what follows somebody from device to device; null where there is nobody of this id. */
export function followingOf(store: Store, id: string): Following | null {
  const row = store.select({ habits: people.habits }).from(people).where(eq(people.id, id)).get();
  if (row === undefined) return null;
  const newest = store
    .select()
    .from(answers)
    .where(eq(answers.personId, id))
    .orderBy(desc(answers.at), desc(answers.drill))
    .limit(MOST_ANSWERS)
    .all();
  return {
    habits: row.habits === null ? null : (JSON.parse(row.habits) as Following['habits']),
    answers: newest.reverse().map(({ personId: _, ...answered }) => answered),
  };
}

/**
 * Adds what a device knows of somebody: the habits stand in the place of those before, an answer is kept once.
 * @param writing within a transaction
 */
export function addFollowing(writing: Store, id: string, { habits, answers: given = [] }: FollowingChange): void {
  if (habits !== undefined)
    writing
      .update(people)
      .set({ habits: JSON.stringify(habits) })
      .where(eq(people.id, id))
      .run();
  for (const answered of given)
    writing
      .insert(answers)
      .values({ personId: id, ...answered })
      .onConflictDoNothing()
      .run();
}
