import { and, asc, count, desc, eq, gt, lt, max } from 'drizzle-orm';
import { ipKeyGenerator, rateLimit, type RateLimitRequestHandler, type Store as TriesStore } from 'express-rate-limit';
import type { Devices } from '../../core/access/access-schema';
import { wrongTries } from '../db/tables/access-schema';
import type { Store } from '../db/engine/store';
import { together } from '../db/records/write';
import { sendProblem } from '../errors/problem';

/** So many wrong ones from one address in so long, and it has to wait. */
const MOST_TRIES = 10;
const WINDOW_MS = 15 * 60_000;
/** The keeper is told of those of so many days. */
const TOLD_DAYS = 7;
const DAY_MS = 24 * 3600 * 1000;

/** Wrong tries kept in the database: a restart forgives nobody. */
function triesStore(store: Store, now: () => Date): TriesStore {
  const since = (): number => now().getTime() - WINDOW_MS;
  const ofKey = (key: string) => and(eq(wrongTries.from, key), gt(wrongTries.at, since()));
  const hits = (key: string): { totalHits: number; resetTime: Date } => {
    const rows = store
      .select({ at: wrongTries.at })
      .from(wrongTries)
      .where(ofKey(key))
      .orderBy(asc(wrongTries.at))
      .all();
    // There is room for another when the oldest of those that count is old enough.
    const oldest = rows.at(-MOST_TRIES)?.at ?? rows.at(0)?.at ?? now().getTime();
    return { totalHits: rows.length, resetTime: new Date(oldest + WINDOW_MS) };
  };
  return {
    localKeys: false,
    get: (key) => hits(key),
    increment: (key) =>
      together(store, (writing) => {
        const { totalHits, resetTime } = hits(key);
        // Who has to wait is not made to wait longer by asking.
        if (totalHits >= MOST_TRIES) return { totalHits: totalHits + 1, resetTime };
        writing
          .delete(wrongTries)
          .where(lt(wrongTries.at, now().getTime() - TOLD_DAYS * DAY_MS))
          .run();
        writing.insert(wrongTries).values({ from: key, at: now().getTime() }).run();
        return hits(key);
      }),
    decrement: (key) =>
      together(store, (writing) => {
        const last = writing.select().from(wrongTries).where(ofKey(key)).orderBy(desc(wrongTries.id)).limit(1).get();
        if (last !== undefined) writing.delete(wrongTries).where(eq(wrongTries.id, last.id)).run();
      }),
    resetKey: (key) =>
      together(store, (writing) => void writing.delete(wrongTries).where(eq(wrongTries.from, key)).run()),
  };
}

/** Where wrong ones came from in the last days, the most first. */
export const listWrongTries = (store: Store, now: Date): Devices['wrongTries'] =>
  store
    .select({ from: wrongTries.from, count: count(), lastAt: max(wrongTries.at) })
    .from(wrongTries)
    .where(gt(wrongTries.at, now.getTime() - TOLD_DAYS * DAY_MS))
    .groupBy(wrongTries.from)
    .orderBy(desc(count()))
    .limit(20)
    .all()
    .map(({ lastAt, ...row }) => ({ ...row, lastAt: new Date(lastAt ?? 0).toISOString() }));

/** Lets each address try so often; what was right does not count. */
export function limitTries(store: Store, now: () => Date): RateLimitRequestHandler {
  return rateLimit({
    limit: MOST_TRIES,
    windowMs: WINDOW_MS,
    store: triesStore(store, now),
    keyGenerator: (request) => ipKeyGenerator(request.ip ?? 'unknown'),
    // A code is too long to be guessed, and is the way in for who has to wait.
    skip: ({ method, body }) =>
      (method !== 'POST' && method !== 'PUT') || (body as { code?: unknown } | undefined)?.code !== undefined,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    validate: { trustProxy: false },
    handler: (request, response) => {
      const { resetTime } = (request as unknown as { rateLimit: { resetTime: Date } }).rateLimit;
      const seconds = Math.max(1, Math.ceil((resetTime.getTime() - now().getTime()) / 1000));
      response.set('Retry-After', String(seconds));
      sendProblem(
        response,
        'too-many-tries',
        `Too many wrong pass phrases from this device. Wait ${Math.ceil(seconds / 60)} min, or have a device inside show its code.`,
      );
    },
  });
}
