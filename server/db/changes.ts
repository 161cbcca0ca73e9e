import { asc, between, count, eq, gt } from 'drizzle-orm';
import type { Changes } from '../../core/record/change-schema';
import { toCouponRow, withJob } from './coupons';
import { overriding } from './history';
import type { Store } from './store';
import { readable, toBead, toRig, type Unreadable } from './rows';
import { levelsBetween } from './levels';
import { picturesBetween } from './pictures';
import { provenBetween } from './proven';
import { weldsBetween } from './welds';
import { beads, coupons, ledger, levels, pictures, proven, rigs, setups, welds } from './schema';
import { onWritten } from './write';

/** The newest revision of all; asking for it shows that the database can be read. */
export function newestRevision(store: Store): number {
  const row = store.select({ revision: ledger.revision }).from(ledger).get();
  if (row === undefined) throw new Error('the ledger is empty');
  return row.revision;
}

/**
 * Comes back as soon as there is something newer than a revision, or when it was waited for long enough.
 * @param patience ms
 */
export function somethingSince(store: Store, since: number, patience: number): Promise<void> {
  if (patience === 0 || newestRevision(store) > since) return Promise.resolve();
  return new Promise((done) => {
    const end = (): void => {
      clearTimeout(timer);
      hearNoMore();
      done();
    };
    // The page's timers, which are numbers, are known to the compiler too; here it is always Node's.
    const timer = setTimeout(end, patience) as unknown as NodeJS.Timeout;
    // Nobody who waits holds up the end of the program.
    timer.unref();
    const hearNoMore = onWritten(store, end);
  });
}

/** What a device may hold, each with the revision it was last written at. */
const TOLD = [rigs, coupons, beads, proven, welds, levels, pictures];

/** So many more than its limit a page may hold, for the writes of one revision to stay together. */
const MOST_BESIDE = 300;

const countBetween = (store: Store, since: number, upTo: number): number =>
  TOLD.reduce(
    (sum, table) =>
      sum +
      store
        .select({ rows: count() })
        .from(table)
        .where(between(table.revision, since + 1, upTo))
        .get()!.rows,
    0,
  );

/**
 * What changed since a revision, oldest first. Writes of one revision stay together, so a page may hold some more than
 * its limit. Where one revision wrote very much, as a file that was taken in does, that alone is said.
 * @param since the newest revision the asker knows, 0 for none
 */
export function changesSince(
  store: Store,
  since: number,
  limit: number,
  report: (unreadable: Unreadable) => void,
): Changes {
  const newest = newestRevision(store);
  const marks = TOLD.flatMap((table) =>
    store
      .select({ revision: table.revision })
      .from(table)
      .where(gt(table.revision, since))
      .orderBy(asc(table.revision))
      .limit(limit + 1)
      .all(),
  );
  const inOrder = marks.map(({ revision }) => revision).sort((a, b) => a - b);
  const upTo = inOrder.length > limit ? inOrder[limit - 1] : newest;
  if (countBetween(store, since, upTo) > limit + MOST_BESIDE)
    return {
      ...{ rigs: [], coupons: [], beads: [], proven: [], welds: [], levels: [], pictures: [] },
      overriding: overriding(store, since, upTo, report),
      ...{ upTo, more: upTo < newest, anew: true },
    };
  const rigRows = store
    .select({ rig: rigs, setup: setups })
    .from(rigs)
    .innerJoin(setups, eq(rigs.setupId, setups.id))
    .where(between(rigs.revision, since + 1, upTo))
    .orderBy(asc(rigs.revision))
    .all();
  const couponRows = withJob(store)
    .where(between(coupons.revision, since + 1, upTo))
    .orderBy(asc(coupons.revision))
    .all();
  const beadRows = store
    .select()
    .from(beads)
    .where(between(beads.revision, since + 1, upTo))
    .orderBy(asc(beads.revision))
    .all();
  const byId = <T extends object>(rows: T[], id: (row: T) => string): (T & { id: string })[] =>
    rows.map((row) => ({ ...row, id: id(row) }));
  return {
    rigs: readable(
      'rigs',
      byId(rigRows, ({ rig }) => rig.id),
      ({ rig, setup }) => toRig(rig, setup),
      report,
    ),
    coupons: readable(
      'coupons',
      byId(couponRows, ({ coupon }) => coupon.id),
      toCouponRow,
      report,
    ),
    beads: readable('beads', beadRows, toBead, report),
    proven: provenBetween(store, since + 1, upTo, report),
    welds: weldsBetween(store, since + 1, upTo, report),
    levels: levelsBetween(store, since, upTo),
    pictures: picturesBetween(store, since + 1, upTo, report),
    overriding: overriding(store, since, upTo, report),
    upTo,
    more: upTo < newest,
    anew: false,
  };
}
