import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import type { Caution } from '../knowledge/types';
import { matches } from './circumstance';
import type { CauseVerdict } from './verdict';

export type CautionNote = { id: string; stop: boolean; text: string };

/** A cause this likely brings its cautions with it. */
const LIKELY = 0.2;

/**
 * The cautions that apply to a case: stop conditions first, then those of the job and the likely causes,
 * then the standing ones.
 * @param known every caution there is
 * @param causes verdicts, for the cautions that a cause brings
 */
export function cautionsFor(
  known: readonly Caution[],
  input: Case,
  setup: ArcSetup,
  causes: readonly CauseVerdict[],
): CautionNote[] {
  const likely = new Set(causes.filter(({ probability }) => probability > LIKELY).map((verdict) => verdict.cause));
  const concerns: readonly string[] = input.job?.concerns ?? [];
  const applies = known.filter(({ when, concern, causes: byCause, findings }) => {
    const standing = when === undefined && concern === undefined && byCause === undefined && findings === undefined;
    return (
      standing ||
      (when !== undefined && matches(when, input, setup)) ||
      (concern !== undefined && concerns.includes(concern)) ||
      (byCause?.some((id) => likely.has(id)) ?? false) ||
      (findings?.some((id) => input.findings?.[id] === 'present') ?? false)
    );
  });
  const rank = (stop: boolean): number => (stop ? 0 : 1);
  return applies.map(({ id, stop, text }) => ({ id, stop, text })).sort((a, b) => rank(a.stop) - rank(b.stop));
}
