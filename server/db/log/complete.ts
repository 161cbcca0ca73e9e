import { eq, sql } from 'drizzle-orm';
import { readArc } from '../../../core/arc/reading';
import { arcSetup } from '../../../core/arc/setup';
import { appearanceDifference } from '../../../core/bead/appearance';
import { beadAppearance } from '../../../core/bead/appearance-of';
import { isCauseId, isStatedId } from '../../../core/evidence/ids';
import { cause, marksOf, statedWords } from '../../../core/knowledge';
import { caseOfBead } from '../../../core/record/draft/case-of';
import { firstShown } from '../../../core/record/words/outcome';
import type { Store } from '../engine/store';
import { toBead, toJob, toSetup, type BeadDocument } from '../tables/rows';
import { beads, jobs, ledger, setups } from '../tables/schema';

/** An id in plain words, for one that the lexicon does not hold. */
const plainWords = (id: string): string => id.replace(/-/g, ' ');

type Row = typeof beads.$inferSelect;

/** Returns what an older bead lacks: the names of what it states, the words of its verdict, and its drawing. */
function completed(row: Row, setup: typeof setups.$inferSelect, job: typeof jobs.$inferSelect): Partial<Row> {
  const bead = toBead(row);
  const names = Object.fromEntries(
    Object.entries(bead.findings).map(([id, state]) => [id, isStatedId(id) ? statedWords(id, state) : plainWords(id)]),
  );
  const verdict =
    bead.verdict === null
      ? null
      : {
          ...bead.verdict,
          name: isCauseId(bead.verdict.cause) ? cause(bead.verdict.cause).name : plainWords(bead.verdict.cause),
        };
  const input = caseOfBead(bead, toSetup(setup), toJob(job));
  const settings = input.settings ?? {};
  const arc = arcSetup(input);
  const shape = beadAppearance(arc, readArc(arc, settings), settings, marksOf(input.findings ?? {}));
  const facts: BeadDocument = { ...(JSON.parse(row.facts) as BeadDocument), names, verdict };
  return {
    facts: JSON.stringify(facts),
    appearance: JSON.stringify(appearanceDifference(shape)),
    shows: firstShown({ findings: bead.findings, names }),
  };
}

/**
 * Adds to the beads of an older version what only code can add, once, in one transaction. A bead that cannot be read is
 * left as it is.
 */
export function completeOldBeads(store: Store): void {
  if (store.select().from(ledger).get()?.incomplete !== true) return;
  store.transaction((transaction) => {
    const rows = transaction
      .select({ bead: beads, setup: setups, job: jobs })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .innerJoin(jobs, eq(beads.jobId, jobs.id))
      .where(sql`${beads.appearance} IS NULL`)
      .all();
    for (const { bead, setup, job } of rows) {
      try {
        transaction
          .update(beads)
          .set(completed(bead, setup, job))
          .where(eq(beads.id, bead.id))
          .run();
      } catch {
        // It stays as it was kept; reading it says why.
      }
    }
    transaction.update(ledger).set({ incomplete: false }).run();
  });
}
