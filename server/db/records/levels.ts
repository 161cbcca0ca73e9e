import { between } from 'drizzle-orm';
import type { Level, LevelChange, Limits } from '../../../core/inspection/level-schema';
import { LEVELS } from '../../../core/inspection/levels';
import { levels } from '../tables/schema';
import type { Store } from '../engine/store';
import type { Writing } from './write';

const toLevel = ({ limits, ...row }: typeof levels.$inferSelect): Level => ({
  ...row,
  limits: JSON.parse(limits) as Limits,
});

/** The levels of the workshop: as they were edited, else as the program brings them. */
export function listLevels(store: Store): Level[] {
  const edited = store.select().from(levels).all().map(toLevel);
  return LEVELS.map((level) => edited.find(({ id }) => id === level.id) ?? level);
}

export const findLevel = (store: Store, id: string): Level | null =>
  listLevels(store).find((level) => level.id === id) ?? null;

/** Levels that were edited in these revisions. */
export function levelsBetween(store: Store, from: number, to: number): Level[] {
  return store
    .select()
    .from(levels)
    .where(between(levels.revision, from, to))
    .all()
    .map(toLevel);
}

/** Edits a level that there is. */
export function setLevel({ store, revision }: Writing, now: Level, fields: LevelChange): void {
  const { id, name, use, limits } = { ...now, ...fields };
  const row = { name, use, limits: JSON.stringify(limits), revision: revision() };
  store
    .insert(levels)
    .values({ id, ...row })
    .onConflictDoUpdate({ target: levels.id, set: row })
    .run();
}
