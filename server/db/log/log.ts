import { and, count, desc, eq, gte, inArray, isNotNull, lte, sql, type SQL } from 'drizzle-orm';
import { isCauseId, isStatedId } from '../../../core/evidence/ids';
import { DEFECT_WORDS, type Defect } from '../../../core/inspection/defects';
import { cause as causeOf, evidenceName } from '../../../core/knowledge';
import type { Entry, EntryKind, EntryOutcome, EntryPage, Facets } from '../../../core/record/shapes/log-entry-schema';
import { toAppearance } from '../tables/rows';
import { entries, entryFindings } from '../tables/log-schema';
import { beads, rigs } from '../tables/schema';
import type { Store } from '../engine/store';

/** What the log is narrowed to; what is left out is not asked. */
export type LogFilter = {
  kinds?: EntryKind[];
  rigId?: string;
  /** Words that all have to be there, each by how it begins. */
  text?: string;
  cause?: string;
  finding?: string;
  baseMetal?: string;
  thinnestMm?: number;
  thickestMm?: number;
  outcome?: EntryOutcome;
  by?: string;
  /** Instants, the first and the last that count. */
  from?: string;
  to?: string;
  putAway?: boolean;
  /** The last entry of the page before. */
  after?: { at: string; id: number };
  limit: number;
};

/** A search as the full-text table reads it: every word by how it begins; null where there is no letter in it. */
function matching(text: string): string | null {
  const words = text.match(/[\p{L}\p{N}]+/gu) ?? [];
  return words.length === 0 ? null : words.map((word) => `"${word}"*`).join(' ');
}

/** Returns what a filter asks for by name, as a statement takes it; what is not asked is null. */
function valuesOf(filter: LogFilter) {
  const { rigId, text, cause, finding, baseMetal, thinnestMm, thickestMm, outcome, by, from, to, after } = filter;
  const asked = { rigId, cause, finding, baseMetal, thinnestMm, thickestMm, outcome, by, from, to };
  return {
    ...asked,
    words: text === undefined ? null : matching(text),
    at: after?.at,
    afterId: after?.id,
  };
}
type Named = keyof ReturnType<typeof valuesOf>;

/** What each value asks of an entry. */
const ASKS: { [name in Named]?: SQL } = {
  rigId: eq(entries.rigId, sql.placeholder('rigId')),
  cause: eq(entries.cause, sql.placeholder('cause')),
  baseMetal: eq(entries.baseMetal, sql.placeholder('baseMetal')),
  thinnestMm: gte(entries.thicknessMm, sql.placeholder('thinnestMm')),
  thickestMm: lte(entries.thicknessMm, sql.placeholder('thickestMm')),
  outcome: eq(entries.outcome, sql.placeholder('outcome')),
  by: eq(entries.by, sql.placeholder('by')),
  from: gte(entries.at, sql.placeholder('from')),
  to: lte(entries.at, sql.placeholder('to')),
  finding: sql`EXISTS (SELECT 1 FROM ${entryFindings} WHERE ${entryFindings.finding} = ${sql.placeholder('finding')}
    AND ${entryFindings.entryId} = ${entries.id})`,
  words: sql`${entries.id} IN (SELECT rowid FROM entry_words WHERE words MATCH ${sql.placeholder('words')})`,
  // A comparison of rows is one seek in the index of time and id.
  at: sql`(${entries.at}, ${entries.id}) < (${sql.placeholder('at')}, ${sql.placeholder('afterId')})`,
};

function pageQuery(store: Store, names: readonly Named[], kinds: EntryKind[] | undefined) {
  return store
    .select({ entry: entries, rigName: rigs.name, number: beads.number, appearance: beads.appearance })
    .from(entries)
    .innerJoin(rigs, eq(entries.rigId, rigs.id))
    .leftJoin(beads, and(eq(entries.kind, 'bead'), eq(beads.id, entries.of)))
    .where(
      and(
        eq(entries.putAway, sql.placeholder('putAway')),
        kinds === undefined ? undefined : inArray(entries.kind, kinds),
        ...names.map((name) => ASKS[name]),
      ),
    )
    .orderBy(desc(entries.at), desc(entries.id))
    .limit(sql.placeholder('limit'))
    .prepare();
}

/** Pages put together once for a store, by what they ask for: putting one together takes longer than asking it. */
const prepared = new WeakMap<Store, Map<string, ReturnType<typeof pageQuery>>>();
/** As many are kept. */
const MOST_PREPARED = 100;

function queryFor(store: Store, names: readonly Named[], kinds: EntryKind[] | undefined): ReturnType<typeof pageQuery> {
  const known = prepared.get(store) ?? new Map<string, ReturnType<typeof pageQuery>>();
  prepared.set(store, known);
  const shape = [...names, ...(kinds ?? [])].join(' ');
  const query = known.get(shape) ?? pageQuery(store, names, kinds);
  if (known.size >= MOST_PREPARED) known.clear();
  known.set(shape, query);
  return query;
}

/** One page of everything that happened, newest first. */
export function pageOfLog(store: Store, filter: LogFilter): EntryPage {
  const values = valuesOf(filter);
  const names = (Object.keys(ASKS) as Named[]).filter((name) => values[name] !== undefined && values[name] !== null);
  const rows = queryFor(store, names, filter.kinds).all({
    ...values,
    putAway: filter.putAway === true ? 1 : 0,
    limit: filter.limit + 1,
  });
  const page = rows.slice(0, filter.limit);
  const last = page[page.length - 1]?.entry;
  return {
    entries: page.map(({ entry, rigName, number, appearance }): Entry => {
      const { kind, of, at, rigId, couponId, weldId, by, title, says, outcome } = entry;
      return {
        ...{ kind, of, at, rigId, rigName, couponId, weldId, number, by, title, says, outcome },
        appearance: toAppearance(appearance),
      };
    }),
    next: rows.length > page.length && last !== undefined ? `${last.at}~${last.id}` : null,
  };
}

/** Choices of each kind that are offered; what is rarer is found by its words. */
const MOST_CHOICES = 40;

const findingName = (id: string): string =>
  isStatedId(id) ? evidenceName(id) : (DEFECT_WORDS[id as Defect] ?? id.replace(/-/g, ' '));

/** Returns what the log can be narrowed to: only what there is, the most frequent first. */
export function facetsOfLog(store: Store): Facets {
  const by = (column: typeof entries.cause | typeof entries.by | typeof entries.baseMetal) => {
    const rows = store
      .select({ id: column, count: count() })
      .from(entries)
      .where(and(isNotNull(column), eq(entries.putAway, false)))
      .groupBy(column)
      .orderBy(desc(count()))
      .limit(MOST_CHOICES)
      .all();
    return rows.flatMap(({ id, count: n }) => (id === null ? [] : [{ id, count: n }]));
  };
  const findings = store
    .select({ id: entryFindings.finding, count: count() })
    .from(entryFindings)
    .groupBy(entryFindings.finding)
    .orderBy(desc(count()))
    .limit(MOST_CHOICES)
    .all();
  const named = (of: { id: string; count: number }[], name: (id: string) => string) =>
    of.map((one) => ({ ...one, name: name(one.id) }));
  return {
    causes: named(by(entries.cause), (id) => (isCauseId(id) ? causeOf(id).name : id.replace(/-/g, ' '))),
    findings: named(findings, findingName),
    people: named(by(entries.by), (id) => id),
    metals: named(by(entries.baseMetal), (id) => id.replace(/-/g, ' ')),
  };
}
