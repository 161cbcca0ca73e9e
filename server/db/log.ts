import { and, count, desc, eq, gte, inArray, isNotNull, lte, sql, type SQL } from 'drizzle-orm';
import { isCauseId, isStatedId } from '../../core/evidence/ids';
import { DEFECT_WORDS, type Defect } from '../../core/inspection/defects';
import { cause as causeOf, evidenceName } from '../../core/knowledge';
import type { Entry, EntryKind, EntryOutcome, EntryPage, Facets } from '../../core/record/entry-schema';
import { toAppearance } from './rows';
import { beads, entries, entryFindings, rigs } from './schema';
import type { Store } from './store';

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

function conditions(filter: LogFilter): SQL | undefined {
  const { kinds, rigId, text, cause, finding, baseMetal, thinnestMm, thickestMm, outcome, by, from, to } = filter;
  const words = text === undefined ? null : matching(text);
  return and(
    eq(entries.putAway, filter.putAway ?? false),
    kinds === undefined ? undefined : inArray(entries.kind, kinds),
    rigId === undefined ? undefined : eq(entries.rigId, rigId),
    cause === undefined ? undefined : eq(entries.cause, cause),
    baseMetal === undefined ? undefined : eq(entries.baseMetal, baseMetal),
    thinnestMm === undefined ? undefined : gte(entries.thicknessMm, thinnestMm),
    thickestMm === undefined ? undefined : lte(entries.thicknessMm, thickestMm),
    outcome === undefined ? undefined : eq(entries.outcome, outcome),
    by === undefined ? undefined : eq(entries.by, by),
    from === undefined ? undefined : gte(entries.at, from),
    to === undefined ? undefined : lte(entries.at, to),
    finding === undefined
      ? undefined
      : sql`EXISTS (SELECT 1 FROM ${entryFindings} WHERE ${entryFindings.finding} = ${finding} AND ${entryFindings.entryId} = ${entries.id})`,
    words === null ? undefined : sql`${entries.id} IN (SELECT rowid FROM entry_words WHERE words MATCH ${words})`,
    filter.after === undefined
      ? undefined
      : sql`(${entries.at}, ${entries.id}) < (${filter.after.at}, ${filter.after.id})`,
  );
}

/** One page of everything that happened, newest first. */
export function pageOfLog(store: Store, filter: LogFilter): EntryPage {
  const rows = store
    .select({ entry: entries, rigName: rigs.name })
    .from(entries)
    .innerJoin(rigs, eq(entries.rigId, rigs.id))
    .where(conditions(filter))
    .orderBy(desc(entries.at), desc(entries.id))
    .limit(filter.limit + 1)
    .all();
  const page = rows.slice(0, filter.limit);
  const beadIds = page.flatMap(({ entry: { kind, of } }) => (kind === 'bead' ? [of] : []));
  const drawn = new Map(
    store
      .select({ id: beads.id, number: beads.number, appearance: beads.appearance })
      .from(beads)
      .where(inArray(beads.id, beadIds))
      .all()
      .map((row) => [row.id, row]),
  );
  const last = page[page.length - 1]?.entry;
  return {
    entries: page.map(({ entry, rigName }): Entry => {
      const { kind, of, at, rigId, couponId, weldId, by, title, says, outcome } = entry;
      const { number = null, appearance = null } = drawn.get(of) ?? {};
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

/** What the log can be narrowed to: only what there is, the most frequent first. */
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
