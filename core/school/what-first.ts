import { answer } from '../answer';
import type { Case } from '../case/schema';
import type { Engine } from '../diagnosis/engine';
import { finding } from '../knowledge';
import { isCheckId, type FindingId } from '../evidence/ids';
import { meanOf } from '../knowledge/strength';
import { shuffled, SCHOOL_CASE } from './by-eye';
import type { Option } from './eye-items';
import { byLevel } from './level';

/** A look or a check with what it costs and what it would tell. */
export type CheckOption = Option & {
  plain: string;
  minutes: number;
  answers: { text: string; leadsTo: string | null }[];
};
/** A bead with a fault, and what could be looked at next; `order` has their ids, what is worth most for its time first. */
export type FirstQuestion = { shows: string[]; checks: CheckOption[]; order: string[] };

const TRIES = 20;
const FINDINGS = 2;
/** A link this weak is no example of its cause. */
const SHOWS = 0.3;

/**
 * A fault by lot with some of what it shows, and the checks that would tell the most for their time, shuffled.
 * @param level 1 to 8: three to five checks
 * @param random even numbers from 0 to 1
 */
export function firstQuestion(engine: Engine, level: number, random: () => number): FirstQuestion {
  const count = Math.round(byLevel(level, 3, 5));
  let best: FirstQuestion | null = null;
  for (let tries = 0; tries < TRIES && (best === null || best.checks.length < count); tries++) {
    const cause = engine.causes[Math.floor(random() * engine.causes.length)];
    const shown = shuffled(
      cause.links.flatMap(([id, strength]): FindingId[] =>
        !isCheckId(id) && !finding(id).good && meanOf(strength) >= SHOWS ? [id] : [],
      ),
      random,
    ).slice(0, FINDINGS);
    if (shown.length === 0) continue;
    const findings: Case['findings'] = Object.fromEntries(shown.map((id) => [id, 'present' as const]));
    const checks = answer({ ...SCHOOL_CASE, findings }, engine)
      .nextChecks.slice(0, count)
      .map(({ check, name, plain, minutes, answers }) => ({
        // A finding is looked for; a check has its own name.
        ...{ id: check, name: isCheckId(check) ? name : `Look for: ${name.toLowerCase()}` },
        ...{ plain, minutes, answers: answers.map(({ text, leadsTo }) => ({ text, leadsTo: leadsTo?.name ?? null })) },
      }));
    if (best !== null && checks.length <= best.checks.length) continue;
    best = {
      shows: shown.map((id) => finding(id).name),
      checks: shuffled(checks, random),
      order: checks.map(({ id }) => id),
    };
  }
  if (best === null) throw new RangeError('no fault of this knowledge shows anything');
  return best;
}
