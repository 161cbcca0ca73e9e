import type { CauseId, CheckId, FindingId, StatedId } from '../../evidence/ids';
import { CAUSES, KNOWLEDGE, type Cause, type Finding, type Knowledge } from '../../knowledge';
import { compile, type Engine } from '../engine';

const { exclusive: _, ...PLAIN } = CAUSES[0];

/** A cause with what is stated here and nothing else: no figures, no factors, a check that few networks hold. */
export function cause(id: CauseId, links: Record<string, Cause['prior']>, rest: Partial<Cause> = {}): Cause {
  return {
    ...PLAIN,
    id,
    prior: 0.1,
    priorFactors: [],
    figures: [],
    links: Object.entries(links).map(([stated, strength]) => [stated as StatedId, strength, `${id} brings ${stated}`]),
    check: 'check-tip' as CheckId,
    ...rest,
  };
}

/** A finding of the lexicon with a leak of its own. */
export function finding(id: FindingId, leak: number, rest: Partial<Finding> = {}): Finding {
  const known = KNOWLEDGE.findings.find((entry) => entry.id === id)!;
  const { good: _good, ...plain } = known;
  return { ...plain, leak, ...rest };
}

/** Knowledge small enough to reckon by hand; it always holds the check "check-tip". */
function knowledge(findings: Finding[], causes: Cause[], rest: Partial<Knowledge> = {}): Knowledge {
  const tip = KNOWLEDGE.checks.find(({ id }) => id === 'check-tip')!;
  return { findings, checks: [{ ...tip, minutes: 2 }], causes, cautions: [], opposites: [], ...rest };
}

/** The engine of {@link knowledge}. */
export function engineOf(findings: Finding[], causes: Cause[], rest: Partial<Knowledge> = {}): Engine {
  return compile(knowledge(findings, causes, rest));
}
