import isSame from 'fast-deep-equal';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Change, ChangeOf } from '../../../core/record/change/change';
import type { Changed, Changes } from '../../../core/record/change/change-schema';
import type { ChangeKind, RecordKind, RecordRows, THINGS } from '../../../core/record/kinds/all';
import type { PictureFile } from '../../../core/record/shapes/picture-schema';
import { Refusal } from '../../errors/refusal';
import type { Store } from '../engine/store';
import type { Writing } from '../records/write';
import type { Unreadable } from '../tables/rows';

/** A change from a device, or from a program, which has no id for itself. */
export type IncomingOf<Kind extends ChangeKind> = Omit<ChangeOf<Kind>, 'device'> & {
  device: string | null;
  /** The file of a picture that is attached, as it was read. */
  file?: PictureFile;
};
export type Incoming = { [Kind in Change['kind']]: IncomingOf<Kind> }[Change['kind']];

export type Fields = Record<string, unknown>;
/** What a change came to: whether it changed anything, which fields, what stood there, and to which coupon it belongs. */
export type Effect = { isNew: boolean; couponId: string | null; fields: Fields; before: Fields };

/** Does what a change says. @param by who made it, by name */
type Take<Kind extends ChangeKind> = (writing: Writing, change: IncomingOf<Kind>, by: string | null) => Effect;

export type Report = (row: Unreadable) => void;

/** What new things may name, by id: of the same file, or here already. */
export type Named = {
  setups: ReadonlyMap<string, RecordRows['setups'][number]>;
  jobs: ReadonlyMap<string, RecordRows['jobs'][number]>;
  beads: ReadonlyMap<string, RecordRows['beads'][number]>;
};

/** The kind under which a thing is told to devices, and how it is found for them. */
export type Shown<As extends Exclude<keyof Changed, 'entry'>, List extends ShownList> = {
  as: As;
  list: List;
  table: SQLiteTable & { revision: SQLiteColumn };
  /** As it stands now; null where there is none. */
  find: (store: Store, id: string, report: Report) => Changed[As] | null;
  /** Those that were written in these revisions, both included, oldest first. */
  between: (store: Store, from: number, to: number, report: Report) => Changes[List];
};
export type ShownList = Exclude<keyof Changes, 'overriding' | 'upTo' | 'more' | 'anew'>;

/** How things of a kind are stored: the server's half of its descriptor (core/record/kinds). */
export type Storage<Kind extends RecordKind> = {
  table: SQLiteTable & { id: SQLiteColumn };
  /** Those of some ids as a file has them, in the order of their ids; a row that cannot be read is passed over and reported. */
  rows: (store: Store, ids: readonly string[], report: Report) => RecordRows[Kind];
  /** Writes many at once that are not kept yet. Counts are made anew afterwards. */
  insert: (store: Store, rows: RecordRows[Kind], at: number, named: Named) => void;
  /** Puts what may change of one as a file has it. */
  set?: (store: Store, row: RecordRows[Kind][number], at: number) => void;
  changes: { [Change in keyof (typeof THINGS)[Kind]['changes'] & ChangeKind]: Take<Change> };
};

/** The effect of what begins a thing. */
export const begun = (isNew: boolean, couponId: string | null): Effect => ({
  ...{ isNew, couponId },
  ...{ fields: {}, before: {} },
});

/** The effect of what puts something with an id of its own to a thing. @param before the id that stood in its place, where one did */
export const put = (isNew: boolean, couponId: string | null, field: string, id: string, before?: string): Effect => ({
  ...{ isNew, couponId },
  fields: isNew ? { [field]: id } : {},
  before: isNew && before !== undefined ? { [field]: before } : {},
});

/** Returns what a change is of. @throws Refusal where there is none */
export function required<Thing>(now: Thing | null, of: string, what: string): Thing {
  if (now !== null) return now;
  throw new Refusal('not-found', [{ field: 'of', takes: `the id of a ${what} that is kept; there is no ${of}` }]);
}

/** The effect of a change of single fields: what stands there already is not written again. */
export function setFields(now: Fields, fields: Fields, couponId: string | null, write: () => void): Effect {
  const names = Object.keys(fields).filter((field) => !isSame(now[field], fields[field]));
  const only = (of: Fields): Fields => Object.fromEntries(names.map((name) => [name, of[name]]));
  if (names.length > 0) write();
  return { isNew: names.length > 0, couponId, fields: only(fields), before: only(now) };
}
