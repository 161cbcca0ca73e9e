import Database from 'better-sqlite3';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chartsOf } from '../server/db/log/log-charts';
import { pageOfLog, type LogFilter } from '../server/db/log/log';
import { openStore } from '../server/db/open';
import { loadWorkshop } from '../server/demo/load';
import takeFileIn from '../server/files/import-record.worker';
import { recordText } from '../server/files/export-record';
import type { RecordFile } from '../core/record/file/record-file-schema';
import type { RecordRows } from '../core/record/kinds/all';
import { summarise, type Timing } from './statistics';

type Whole = RecordFile & RecordRows;
const NOW = Date.parse('2026-05-04T09:00:00Z');
const RUNS = 60;

/** Ids of a copy: their tails count on, so that each copy names its own. */
const again = (text: string, copy: number): string =>
  text.replace(
    /0190a000-0000-7000-8(00[1245678])-(\d{4})(\d{8})/g,
    (_, kind: string, _head: string, tail: string) =>
      `0190a000-0000-7000-8${kind}-${String(copy).padStart(4, '0')}${tail}`,
  );

/** The record of the demo so often over that it holds so many beads; rigs and setups once. */
export function recordOf(beads: number): Whole {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  const { store, close } = openStore(join(folder, 'a.sqlite'));
  loadWorkshop(store, NOW);
  close();
  const one = JSON.parse(
    [...recordText(join(folder, 'a.sqlite'), new Date(NOW).toISOString(), () => undefined)].join(''),
  ) as Whole;
  rmSync(folder, { recursive: true });
  const { rigs, setups, care, levels, coupons, jobs, beads: ran, proven, welds, pictures } = one;
  const copied = JSON.stringify({ coupons, jobs, beads: ran, proven, welds, pictures });
  const copies = Array.from(
    { length: Math.ceil(beads / ran.length) },
    (_, i) => JSON.parse(again(copied, i + 1)) as RecordRows,
  );
  const all = <Kind extends 'coupons' | 'jobs' | 'beads' | 'proven' | 'welds' | 'pictures'>(kind: Kind) =>
    copies.flatMap((copy) => copy[kind] as never[]);
  return {
    ...one,
    rigs,
    setups,
    care,
    levels,
    coupons: all('coupons'),
    jobs: all('jobs'),
    beads: all('beads'),
    proven: all('proven'),
    welds: all('welds'),
    pictures: all('pictures'),
  };
}

function timed(runs: number, work: (run: number) => void): Timing {
  const times: number[] = [];
  for (let run = -5; run < runs; run++) {
    const from = performance.now();
    work(run + 5);
    if (run >= 0) times.push(performance.now() - from);
  }
  return summarise(times);
}

/** The least that a page can cost: its rows by the bare driver, written as JSON. */
const bare = (connection: Database.Database, where: string, ...values: unknown[]) => {
  const page = connection.prepare(
    `SELECT e.*, r.name, b.number, b.appearance FROM entries e JOIN rigs r ON r.id = e.rig_id
     LEFT JOIN beads b ON e.kind = 'bead' AND b.id = e.of WHERE e.put_away = 0 ${where} ORDER BY e.at DESC, e.id DESC LIMIT 41`,
  );
  return (): string =>
    JSON.stringify(
      (page.all(...values) as { appearance: string | null }[]).map((row) => ({
        ...row,
        appearance: row.appearance === null ? null : (JSON.parse(row.appearance) as unknown),
      })),
    );
};

const QUESTIONS: { name: string; filter: Partial<LogFilter>; where: string; values: unknown[] }[] = [
  { name: 'newest', filter: {}, where: '', values: [] },
  {
    name: 'by a word',
    filter: { text: 'porosity' },
    where: 'AND e.id IN (SELECT rowid FROM entry_words WHERE words MATCH ?)',
    values: ['"porosity"*'],
  },
  {
    name: 'by two words, one rare',
    filter: { text: 'swing tooth' },
    where: 'AND e.id IN (SELECT rowid FROM entry_words WHERE words MATCH ?)',
    values: ['"swing"* "tooth"*'],
  },
  {
    name: 'by cause and finding',
    filter: { cause: 'tip-worn', finding: 'wire-surges' },
    where: 'AND e.cause = ? AND EXISTS (SELECT 1 FROM entry_findings f WHERE f.finding = ? AND f.entry_id = e.id)',
    values: ['tip-worn', 'wire-surges'],
  },
  {
    name: 'that finds nothing',
    filter: { baseMetal: 'aluminium' },
    where: 'AND e.base_metal = ?',
    values: ['aluminium'],
  },
];

/** Prints how the log is asked, written out and taken in with so many beads, beside the bare driver. */
export async function measureLog(beads: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  try {
    const record = recordOf(beads);
    const things = record.beads.length;
    const file = join(folder, 'record.json');
    writeFileSync(file, JSON.stringify(record));
    const megabytes = statSync(file).size / 1e6;
    const database = join(folder, 'jolly-tinker.sqlite');
    openStore(database).close();
    const from = performance.now();
    const taken = await takeFileIn({ file, database, preview: false });
    const tookIn = performance.now() - from;
    if (taken?.done !== true) throw new Error(`not taken in: ${taken?.reasons[0]}`);
    const { store, connection, close } = openStore(database);
    const between = performance.now();
    let letters = 0;
    for (const piece of recordText(database, new Date(NOW).toISOString(), () => undefined)) letters += piece.length;
    const wroteOut = performance.now() - between;
    const [least, leastOut] = barest(connection, folder);
    console.log(
      `${things} beads, ${megabytes.toFixed(0)} MB: taken in ${Math.round(things / (tookIn / 1000))} beads/s, ${(tookIn / least).toFixed(1)} times the bare inserts; written out ${Math.round(things / (wroteOut / 1000))} beads/s, ${(wroteOut / leastOut).toFixed(1)} times the bare rows as JSON; ${(letters / 1e6).toFixed(0)} MB, resident ${Math.round(process.memoryUsage().rss / 1e6)} MB`,
    );
    for (const { name, filter, where, values } of QUESTIONS) {
      const ask = bare(connection, where, ...values);
      const turns: { bare: number[]; made: number[] } = { bare: [], made: [] };
      timed(RUNS, () => {
        const start = performance.now();
        ask();
        const middle = performance.now();
        JSON.stringify(pageOfLog(store, { ...filter, limit: 40 }));
        turns.bare.push(middle - start);
        turns.made.push(performance.now() - middle);
      });
      const [least, made] = [summarise(turns.bare.slice(5)), summarise(turns.made.slice(5))];
      console.log(
        `  a page ${name}: median ${made.median.toFixed(1)} ms, p95 ${made.p95.toFixed(1)} ms; ${(made.median / least.median).toFixed(2)} times the bare SQL`,
      );
    }
    const charts = timed(5, () => void chartsOf(store, null, new Date(NOW).toISOString()));
    console.log(`  the charts: median ${charts.median.toFixed(0)} ms`);
    close();
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** The bare driver: every row of the record put into plain tables of the same form, and read and written as JSON. */
function barest(connection: Database.Database, folder: string): [inserts: number, rows: number] {
  const tables = ['rigs', 'setups', 'coupons', 'jobs', 'beads', 'proven', 'welds', 'weld_steps', 'care'];
  const rows = tables.map((table) => connection.prepare(`SELECT * FROM ${table}`).all() as Record<string, unknown>[]);
  const start = performance.now();
  let letters = 0;
  for (const all of rows) for (const row of all) letters += JSON.stringify(row).length;
  const read = performance.now() - start;
  const other = new Database(join(folder, 'bare.sqlite'));
  other.pragma('journal_mode = WAL');
  other.pragma('synchronous = FULL');
  const between = performance.now();
  other.transaction(() => {
    tables.forEach((table, i) => {
      const [first] = rows[i];
      if (first === undefined) return;
      const columns = Object.keys(first);
      other.exec(`CREATE TABLE ${table} (${columns.map((column) => `"${column}"`).join(', ')}, PRIMARY KEY ("id"))`);
      const insert = other.prepare(`INSERT INTO ${table} VALUES (${columns.map(() => '?').join(', ')})`);
      for (const row of rows[i]) insert.run(...columns.map((column) => row[column]));
    });
  })();
  const wrote = performance.now() - between;
  other.close();
  if (letters === 0) throw new Error('nothing was read');
  return [wrote, read];
}
