import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import { isCheckId, type StatedId } from '../evidence/ids';
import type { Caution } from '../knowledge/shapes/types';
import { matches } from './circumstance';
import { isDealtWith } from './safety-gate';
import type { CauseVerdict } from './verdict';

export type CautionNote = { id: string; stop: boolean; text: string };

/** A cause this likely brings its cautions with it. */
const LIKELY = 0.2;

/**
 * The cautions that apply to a case: stop conditions first, then those of the job and the likely causes,
 * then the standing ones. A stop that was dealt with stays as what was said of it, until a bead shows otherwise.
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
  const shownBy = ({ findings = [], saysNothing }: Caution): StatedId[] => {
    const normal = saysNothing !== undefined && matches(saysNothing.when, input, setup) ? saysNothing.findings : [];
    return findings.filter((id) => input.findings?.[id] === 'present' && !normal.includes(id));
  };
  /** A bead that was run speaks against what was said to be dealt with; a look before it is what was dealt with. */
  const beadShows = (caution: Caution): boolean => shownBy(caution).some((id) => !isCheckId(id));
  const applying = known.filter((caution) => {
    const { when, concern, causes: byCause, findings } = caution;
    const standing = when === undefined && concern === undefined && byCause === undefined && findings === undefined;
    return (
      standing ||
      (when !== undefined && matches(when, input, setup)) ||
      (concern !== undefined && concerns.includes(concern)) ||
      (byCause?.some((id) => likely.has(id)) ?? false) ||
      shownBy(caution).length > 0
    );
  });
  const names = new Set(applying.map(({ id }) => id));
  const applies = applying.filter(({ unless }) => unless === undefined || !names.has(unless));
  const rank = (stop: boolean): number => (stop ? 0 : 1);
  const said = (caution: Caution): CautionNote => {
    const { id, stop, text, first } = caution;
    return stop && first !== undefined && isDealtWith(caution, input.job) && !beadShows(caution)
      ? { id, stop: false, text: `Said to be so: ${first.charAt(0).toLowerCase()}${first.slice(1)}. Keep it so.` }
      : { id, stop, text };
  };
  return applies.map(said).sort((a, b) => rank(a.stop) - rank(b.stop));
}
