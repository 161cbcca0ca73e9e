import type { ArcSetup } from '../arc/setup';
import type { Case, Coat, Concern, Job } from '../case/schema';
import { hazardsOfTitle, type NamedHazard } from '../hazard/read-title';
import type { Caution } from '../knowledge/shapes/types';
import { matches } from './circumstance';

/** A question of what can hurt on a job, with both answers in the words of what is so, the all-clear first. */
export type SafetyQuestion = {
  concern: Concern;
  text: string;
  answers: { isSo: boolean; text: string }[];
  /** What of the title suggests it; null where it is not the title. */
  because: string | null;
};
/** A stop that holds on the job, and what has to be so before figures are given. */
export type OpenStop = { id: string; of: { concern: Concern } | { coat: Coat }; text: string; first: string };

/** What stands between a job and its figures; nothing stands there when both lists are empty. */
export type SafetyGate = { asks: SafetyQuestion[]; stops: OpenStop[] };

/** Returns what the title of a job names, as it is said beside a question. */
const named = ({ words, of }: NamedHazard): string => `"${words}" in the title: ${of}.`;

/**
 * Questions that a job suggests by what is said of it and by its title, whether answered or not, in the order of the cautions.
 * One is asked of every job that is no trial.
 * @param known every caution there is
 */
export function suggestedQuestions(
  known: readonly Caution[],
  input: Pick<Case, 'job' | 'rig'>,
  setup: Pick<ArcSetup, 'usesGas'>,
): SafetyQuestion[] {
  const { job } = input;
  const hazards = hazardsOfTitle(job?.title ?? '');
  return known.flatMap(({ concern, asks }): SafetyQuestion[] => {
    if (concern === undefined || asks === undefined) return [];
    const hazard = hazards.find((one) => 'concern' in one.hazard && one.hazard.concern === concern);
    const isSuggested = asks.when.some((when) => matches(when, input, setup));
    const ofEveryJob = asks.ofEveryJob === true && job !== undefined && job.critical !== 'trial';
    if (hazard === undefined && !isSuggested && !ofEveryJob) return [];
    const answers = [
      { isSo: false, text: asks.clear },
      { isSo: true, text: asks.fault },
    ];
    return [{ concern, text: asks.text, answers, because: hazard === undefined ? null : named(hazard) }];
  });
}

/** A case with the coats that its title names on its surface. */
function withCoatsOfTitle<Input extends Pick<Case, 'job'>>(input: Input): Input {
  const { job } = input;
  const coats = hazardsOfTitle(job?.title ?? '').flatMap(({ hazard }) => ('coat' in hazard ? [hazard.coat] : []));
  const surface = job?.surface ?? [];
  const missing = coats.filter((coat) => !surface.includes(coat));
  return missing.length === 0 ? input : { ...input, job: { ...job, surface: [...surface, ...missing] } };
}

/** Returns whether what a caution is about was dealt with: made safe, or the coat stripped. */
export function isDealtWith({ concern, coat }: Pick<Caution, 'concern' | 'coat'>, job: Job = {}): boolean {
  return (
    (concern !== undefined && (job.madeSafe ?? []).includes(concern)) ||
    (coat !== undefined && (job.stripped ?? []).includes(coat))
  );
}

/**
 * Returns what has to be said, and done, before figures are given for a job. A yes stands until it is said to be made safe; both
 * stay with the job, and the next job is asked anew. Of what a bead showed (a crack, white powder) nothing stands here:
 * that is a stop of its own.
 * @param known every caution there is
 */
export function safetyGate(known: readonly Caution[], asked: Case, setup: Pick<ArcSetup, 'usesGas'>): SafetyGate {
  const input = withCoatsOfTitle(asked);
  const { job = {} } = input;
  const { concerns = [], ruledOut = [] } = job;
  const isOpen = ({ concern }: SafetyQuestion): boolean => !concerns.includes(concern) && !ruledOut.includes(concern);
  const stops = known.flatMap(({ id, stop, concern, coat, when, text, first }): OpenStop[] => {
    if (!stop || first === undefined || isDealtWith({ concern, coat }, job)) return [];
    if (concern !== undefined) return concerns.includes(concern) ? [{ id, of: { concern }, text, first }] : [];
    return coat !== undefined && when !== undefined && matches(when, input, setup)
      ? [{ id, of: { coat }, text, first }]
      : [];
  });
  return { asks: suggestedQuestions(known, input, setup).filter(isOpen), stops };
}

const without = <T>(list: readonly T[] | undefined, item: T): T[] => (list ?? []).filter((other) => other !== item);

/** A job with a question answered; an answer that is changed begins anew. */
export function withAnswer(job: Job, concern: Concern, isSo: boolean): Job {
  const concerns = without(job.concerns, concern);
  const ruledOut = without(job.ruledOut, concern);
  return {
    ...job,
    concerns: isSo ? [...concerns, concern] : concerns,
    ruledOut: isSo ? ruledOut : [...ruledOut, concern],
    madeSafe: without(job.madeSafe, concern),
  };
}

/** A job on which what a stop asks for is said to be so. */
export function withDealtWith(job: Job, of: OpenStop['of']): Job {
  return 'coat' in of
    ? { ...job, stripped: [...without(job.stripped, of.coat), of.coat] }
    : { ...job, madeSafe: [...without(job.madeSafe, of.concern), of.concern] };
}
