import { CASE_FORMAT, type Case, type FindingState, type Job, type Rig, type Settings } from '../case/schema';
import { RIGS, type RigName } from './rigs';

/** A case written by hand with the cause it shows and why a welder would say so. */
export type WrittenCase = { cause: string; why: string; input: Case };

const listed = (words: string, state: FindingState): [string, FindingState][] =>
  words
    .split(' ')
    .filter(Boolean)
    .map((id) => [id, state]);

/**
 * Writes a case.
 * @param cause the one true cause
 * @param rig name of a rig
 * @param why the reasoning from the trade
 * @param seen ids present, separated by spaces
 * @param absent ids absent
 */
export function w(
  cause: string,
  rig: RigName,
  why: string,
  seen: string,
  absent: string,
  settings: Settings,
  job: Job,
  refit: Partial<Rig> = {},
): WrittenCase {
  const findings = Object.fromEntries([...listed(seen, 'present'), ...listed(absent, 'absent')]);
  const metal = job.baseMetal ?? 'mild-steel';
  return {
    cause,
    why,
    input: JSON.parse(
      JSON.stringify({
        format: CASE_FORMAT,
        job: { baseMetal: metal, joint: 'fillet', position: 'flat', ...job },
        rig: { ...RIGS[rig], ...refit },
        settings,
        findings,
      }),
    ) as Case,
  };
}
