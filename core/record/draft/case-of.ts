import type { Case, Experience, Heard, Job, Preferences } from '../../case/schema';
import { CASE_FORMAT } from '../../case/terms';
import { isCauseId, isStatedId } from '../../evidence/ids';
import { dialsWith, type Dials } from '../../setting/dials';
import type { Settings } from '../../setting/table';
import type { Bead, JobVersion, NewSetup } from '../shapes/record-schema';

/** What a machine's knobs and wire were when a bead was run: the part of a setup that a case asks for. */
export type SetupFacts = Pick<NewSetup, 'rig' | 'arcControlRising' | 'display'>;

/** The part of a bead that a case asks for. */
export type BeadFacts = {
  settings: Settings;
  readings: Bead['readings'];
  findings: Record<string, 'present' | 'absent' | 'unknown'>;
  heard?: Heard;
  experience?: Bead['experience'];
};

/** Returns what was taught of causes that the knowledge still holds; nothing where nothing was. */
function experienceOf(taught: Bead['experience']): Experience | undefined {
  if (taught === undefined) return undefined;
  const { machine, suspects = [], changes = [], causes = [] } = taught;
  const known = <One extends { cause: string }>(all: readonly One[]) =>
    all.flatMap((one) => (isCauseId(one.cause) ? [{ ...one, cause: one.cause }] : []));
  const experience: Experience = {
    ...(machine === undefined ? {} : { machine }),
    ...(suspects.length === 0 ? {} : { suspects: known(suspects) }),
    ...(changes.length === 0 ? {} : { changes: known(changes) }),
    ...(causes.length === 0 ? {} : { causes: known(causes) }),
  };
  return Object.keys(experience).length === 0 ? undefined : experience;
}

/** The dials of a setup, the arc control's among them where it runs the other way. */
export function dialsOf({ rig, arcControlRising }: SetupFacts): Dials {
  return dialsWith(rig.dials ?? {}, arcControlRising);
}

/**
 * The case that a bead poses: the plate, what was fitted, what was set and what it showed. Findings that the lexicon
 * no longer holds are left out: they can be read in the record, but nothing can be concluded from them.
 * A machine that shows its figures on marks only makes them less certain.
 */
export function caseOf(setup: SetupFacts, job: Job, bead: BeadFacts, schools: Preferences): Case {
  const dials = dialsOf(setup);
  const { display } = setup;
  const experience = experienceOf(bead.experience);
  return {
    format: CASE_FORMAT,
    job,
    rig: Object.keys(dials).length === 0 ? setup.rig : { ...setup.rig, dials },
    settings: bead.settings,
    readings: { voltageV: display, wireSpeedMPerMin: display, travelSpeedMmPerMin: 'estimate', ...bead.readings },
    findings: Object.fromEntries(Object.entries(bead.findings).filter(([id]) => isStatedId(id))),
    ...(bead.heard === undefined ? {} : { heard: bead.heard }),
    preferences: schools,
    ...(experience === undefined ? {} : { experience }),
  };
}

/**
 * The case of a logged bead, from what it was run with: its own setup, the plate as it was known, the schools it was
 * judged by. Nothing that was changed since is asked.
 * @param setup the setup the bead names
 * @param job the version of the job the bead names
 */
export function caseOfBead(bead: Bead, setup: SetupFacts, { job }: Pick<JobVersion, 'job'>): Case {
  return caseOf(setup, job, bead, bead.schools);
}
