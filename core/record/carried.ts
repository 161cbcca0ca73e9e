import type { FindingState } from '../case/schema';
import type { CheckId } from '../evidence/ids';
import { CAUSES } from '../knowledge';

type Findings = Record<string, FindingState>;

/** The check of each cause that no knob cures. */
const CHECK_OF = new Map<string, CheckId>(
  CAUSES.flatMap(({ id, check, remedy }) => (remedy.kind === 'setting' ? [] : [[id as string, check] as const])),
);
/** Looks that hold for the next bead too: what is cured stays cured, and what is not stays as it was. */
const LASTING_CHECKS = new Set<string>(CHECK_OF.values());

/**
 * What is known of the next bead before it is run: the looks at rig, plate and hand that were made for this one, and that
 * what was just cured is no longer so. What the bead itself showed is not carried over.
 * @param findings of the bead that was run, by id
 * @param cured causes whose remedy was done since
 */
export function carriedFindings(findings: Findings, cured: readonly string[]): Findings {
  const kept = Object.entries(findings).filter(([id]) => LASTING_CHECKS.has(id));
  const cleared = cured.flatMap((cause) => CHECK_OF.get(cause) ?? []);
  return { ...Object.fromEntries(kept), ...Object.fromEntries(cleared.map((check) => [check, 'absent' as const])) };
}

/** The causes that moves cure. */
export function curedBy(moves: readonly { kind: string; cause?: string }[]): string[] {
  return moves.flatMap(({ kind, cause }) => (kind === 'remedy' && cause !== undefined ? [cause] : []));
}
