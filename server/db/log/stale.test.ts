import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ENTRY_KINDS } from '../../../core/record/shapes/log-entry-schema';
import { openStore, type OpenedStore } from '../open';
import { STALE_WHEN, setStaleTriggers, staleTriggers } from './stale';

const folder = mkdtempSync(join(tmpdir(), 'jolly-stale-'));
const file = join(folder, 'jolly-tinker.sqlite');
let opened: OpenedStore;
beforeEach(() => {
  opened = openStore(file);
});
afterEach(() => opened.close());
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('what makes a line of the log stale', () => {
  it('is a trigger of the database for each that is said, and no other', () => {
    expect(staleTriggers(opened.connection).map(({ name }) => name)).toEqual(Object.keys(STALE_WHEN).sort());
  });

  it('covers every kind of line', () => {
    const said = Object.values(STALE_WHEN)
      .map(({ when, stale }) => `${when} ${stale}`)
      .join();
    // Inspections and repairs are both steps of a weld, which carry their kind.
    for (const kind of ENTRY_KINDS.filter((one) => one !== 'inspection' && one !== 'repair'))
      expect(said).toContain(`'${kind}'`);
    expect(said).toContain('INSERT ON weld_steps SELECT NEW.kind');
  });

  it('is brought to what is said where a database has it otherwise, or has more, and is left alone where it is so', () => {
    const { connection } = opened;
    const fresh = staleTriggers(connection);
    connection.exec('DROP TRIGGER care_entered');
    connection.exec('DROP TRIGGER beads_changed');
    for (const name of ['beads_changed', 'of_another_day'])
      connection.exec(
        `CREATE TRIGGER ${name} AFTER INSERT ON rigs BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('bead', NEW.id); END`,
      );
    setStaleTriggers(connection);
    expect(staleTriggers(connection)).toEqual(fresh);
    const version = connection.pragma('schema_version', { simple: true });
    setStaleTriggers(connection);
    expect(connection.pragma('schema_version', { simple: true })).toBe(version);
  });
});
