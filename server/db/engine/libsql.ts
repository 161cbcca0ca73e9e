import type Database from 'better-sqlite3';
import { existsSync } from 'node:fs';
import Libsql from 'libsql';

/**
 * The engine of libSQL behind the very interface of better-sqlite3, which Drizzle and all queries here speak: so one code serves both,
 * and a transaction stays one stretch that nothing comes between. What libSQL's own package does otherwise is made even here.
 */

/** What libSQL gives for a statement. */
type Native = {
  run: (parameters: readonly unknown[]) => Database.RunResult;
  iterate: (parameters: readonly unknown[]) => Iterable<unknown>;
  raw: (on: boolean) => Native;
  columns: () => Database.ColumnDefinition[];
  reader: boolean;
};
type NativeConnection = {
  prepare: (sql: string) => Native;
  exec: (sql: string) => void;
  close: () => void;
  sync: () => unknown;
  inTransaction: boolean;
};

/** Another site's server, which all changes go to, and what it lets this one in by. */
export type Primary = { url: string; token: string | undefined };

/** Bytes come as better-sqlite3 gives them. */
const even = (value: unknown): unknown => (value instanceof ArrayBuffer ? Buffer.from(value) : value);

function evenRow(row: unknown): unknown {
  if (Array.isArray(row)) return row.map(even);
  const { _metadata: _, ...columns } = row as Record<string, unknown>;
  for (const name of Object.keys(columns)) columns[name] = even(columns[name]);
  return columns;
}

class Statement {
  private isPlucked = false;

  constructor(
    private readonly native: Native,
    private readonly isReplica: boolean,
  ) {}

  get reader(): boolean {
    return this.native.reader;
  }

  raw(on = true): this {
    this.native.raw(on);
    return this;
  }

  pluck(on = true): this {
    this.isPlucked = on;
    return this.raw(on);
  }

  // A list of parameters is handed over as one: a single one that is bytes would be taken for named ones.
  run(...parameters: unknown[]): Database.RunResult {
    const done = withPrimary(this.isReplica, () => this.native.run(parameters.flat()));
    return { changes: done.changes, lastInsertRowid: done.lastInsertRowid };
  }

  // By its own `get` a statement stays at its first row, and the connection at what was so then: others’ writes would not be seen.
  get(...parameters: unknown[]): unknown {
    return this.all(...parameters)[0];
  }

  all(...parameters: unknown[]): unknown[] {
    return withPrimary(this.isReplica, () => [...this.iterate(...parameters)]);
  }

  *iterate(...parameters: unknown[]): Generator<unknown> {
    for (const row of this.native.iterate(parameters.flat())) yield this.shown(row);
  }

  columns(): Database.ColumnDefinition[] {
    return this.native.columns();
  }

  private shown(row: unknown): unknown {
    const made = evenRow(row);
    return this.isPlucked ? (made as unknown[])[0] : made;
  }
}

/** That the server which a replica's changes go to cannot be reached, or gave up. */
const PRIMARY_AWAY = 'PRIMARY_AWAY';

/** Returns an error with the code that SQLite itself gave it; anything else is said by the way to the other site. */
function withPrimary<Done>(isReplica: boolean, work: () => Done): Done {
  try {
    return work();
  } catch (error) {
    if (!isReplica || /^SQLITE_/.test(String((error as { code?: unknown }).code))) throw error;
    throw Object.assign(new Error((error as Error).message), { code: PRIMARY_AWAY });
  }
}

/** How a transaction begins, as better-sqlite3 names it. */
const BEHAVIOURS = ['deferred', 'immediate', 'exclusive'] as const;

class Connection {
  readonly memory = false;

  constructor(
    private readonly native: NativeConnection,
    readonly name: string,
    readonly readonly: boolean,
    private readonly isReplica: boolean,
  ) {}

  get inTransaction(): boolean {
    return this.native.inTransaction;
  }

  prepare(sql: string): Statement {
    return new Statement(
      withPrimary(this.isReplica, () => this.native.prepare(sql)),
      this.isReplica,
    );
  }

  exec(sql: string): this {
    withPrimary(this.isReplica, () => this.native.exec(sql));
    return this;
  }

  pragma(source: string, { simple = false } = {}): unknown {
    const statement = this.prepare(`PRAGMA ${source}`);
    return simple ? statement.pluck().get() : statement.all();
  }

  transaction<Given extends unknown[], Done>(work: (...given: Given) => Done) {
    const within =
      (behaviour: string) =>
      (...given: Given): Done => {
        this.exec(`BEGIN ${behaviour}`);
        try {
          const done = work(...given);
          this.exec('COMMIT');
          // What was written at the other site is seen here by the next question.
          if (this.isReplica) this.sync();
          return done;
        } catch (error) {
          // Where the disk is full the engine has rolled back already.
          if (this.inTransaction) this.rollBack();
          throw error;
        }
      };
    const others = BEHAVIOURS.map((behaviour) => [behaviour, within(behaviour.toUpperCase())] as const);
    return Object.assign(within('DEFERRED'), Object.fromEntries(others));
  }

  private rollBack(): void {
    try {
      this.exec('ROLLBACK');
    } catch (error) {
      // A server that cannot be reached has rolled back by itself.
      if (!this.isReplica) throw error;
    }
  }

  /** Fetches what other sites wrote. @returns whether there was an answer */
  sync(): boolean {
    try {
      this.native.sync();
      return true;
    } catch {
      return false;
    }
  }

  close(): this {
    // SQLite's own engine leaves one whole file behind, and a copy of that file is a copy of the record.
    if (!this.readonly && !this.isReplica)
      try {
        this.pragma('wal_checkpoint(TRUNCATE)');
      } catch {
        // Another program has it open, and does that when it ends.
      }
    this.native.close();
    return this;
  }
}

export type LibsqlOptions = { readonly?: boolean; timeout?: number; primary?: Primary | null };

/**
 * Opens a database by libSQL.
 * @param file its path
 * @param options how long a lock is waited for, ms; and the server that it is a replica of, where it is one
 * @throws what SQLite says, with its code
 */
export function openLibsql(file: string, { readonly = false, timeout = 0, primary = null }: LibsqlOptions = {}) {
  const replica = primary === null ? {} : { syncUrl: primary.url, authToken: primary.token };
  const isNew = !existsSync(file);
  const native = new Libsql(file, { timeout, ...replica } as never) as unknown as NativeConnection;
  const connection = new Connection(native, file, readonly, primary !== null);
  // A site that cannot reach the others reads what it has; one that has nothing yet is of no use.
  if (primary !== null && !connection.sync() && isNew)
    throw Object.assign(new Error(`no answer from ${primary.url}`), { code: PRIMARY_AWAY });
  if (readonly) connection.pragma('query_only = ON');
  return connection as unknown as Database.Database & { sync: () => boolean };
}
