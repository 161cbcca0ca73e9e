import type { EntryKind } from '../../../core/record/shapes/log-entry-schema';
import type { Connection } from '../engine/connection';

/**
 * What makes a line of the log stale: the database itself names the line in `stale_entries` whenever a row that the line is made of is
 * written, so that no way of writing can forget to. `entries.ts` then makes it anew.
 */
type StaleWhen = {
  /** What is written. */
  when: string;
  /** The lines that are stale then: kind and id of each. */
  stale: string;
};

const itself = (kind: EntryKind): string => `SELECT '${kind}', NEW.id`;

export const STALE_WHEN: { readonly [trigger: string]: StaleWhen } = {
  beads_entered: { when: 'INSERT ON beads', stale: itself('bead') },
  beads_changed: { when: 'UPDATE ON beads', stale: itself('bead') },
  proven_entered: { when: 'INSERT ON proven', stale: itself('proven') },
  proven_changed: { when: 'UPDATE OF note, put_away ON proven', stale: itself('proven') },
  welds_entered: { when: 'INSERT ON welds', stale: itself('weld') },
  welds_changed: { when: 'UPDATE OF title, note, put_away, state ON welds', stale: itself('weld') },
  // Its steps carry its title, and are put away with it.
  welds_put_away: {
    when: 'UPDATE OF title, put_away ON welds',
    stale: 'SELECT kind, id FROM weld_steps WHERE weld_id = NEW.id',
  },
  weld_steps_entered: { when: 'INSERT ON weld_steps', stale: 'SELECT NEW.kind, NEW.id' },
  coupons_entered: { when: 'INSERT ON coupons', stale: itself('coupon') },
  // What was done on a coupon carries its title and its plate.
  coupons_changed: {
    when: 'UPDATE OF title, put_away, job_id ON coupons',
    stale: `${itself('coupon')} UNION ALL SELECT 'bead', id FROM beads WHERE coupon_id = NEW.id
      UNION ALL SELECT 'proven', p.id FROM proven p JOIN beads b ON b.id = p.bead_id WHERE b.coupon_id = NEW.id`,
  },
  setups_entered: { when: 'INSERT ON setups', stale: itself('refit') },
  care_entered: { when: 'INSERT ON care', stale: itself('care') },
};

const triggerOf = (name: string, { when, stale }: StaleWhen): string =>
  `CREATE TRIGGER ${name} AFTER ${when} BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) ${stale}; END`;

type Trigger = { name: string; sql: string };

/** The triggers of the log that a database has. */
export const staleTriggers = (connection: Connection): Trigger[] =>
  connection
    .prepare("SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND sql LIKE '%stale_entries%' ORDER BY name")
    .all() as Trigger[];

/** Brings the triggers of a database to what is said here; those that are so already are left alone. */
export function setStaleTriggers(connection: Connection): void {
  const wanted = new Map(Object.entries(STALE_WHEN).map(([name, when]) => [name, triggerOf(name, when)]));
  const there = new Map(staleTriggers(connection).map(({ name, sql }) => [name, sql]));
  for (const [name, sql] of there) if (wanted.get(name) !== sql) connection.exec(`DROP TRIGGER ${name}`);
  for (const [name, sql] of wanted) if (there.get(name) !== sql) connection.exec(sql);
}
