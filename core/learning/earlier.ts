import type { Case, EarlierBead, Experience, Suspect } from '../case/schema';
import { findingsCarriedOver, suspectsAfter } from '../correction/carry-over';
import { diagnose } from '../diagnosis/diagnose';
import type { Engine } from '../diagnosis/engine';
import { causeHistory } from './cause-history';
import { changesOf } from './changes-of-plate';
import { suspectsOfChanges } from './judged-changes';
import { evidenceOf } from './machine-belief';
import { machineFor } from './teaching';

/** An earlier bead with what was turned and looked at after the one before it. */
type Run = EarlierBead & Required<Pick<EarlierBead, 'settings' | 'findings' | 'cured'>>;

/** Settings of each bead as it was run: what it does not state is what the one before was turned to. */
function asRun(beads: readonly EarlierBead[]): Run[] {
  let turned: EarlierBead['settings'] = {};
  return beads.map((bead) => {
    const settings = { ...turned, ...bead.settings };
    turned = bead.changed ?? {};
    return { ...bead, settings, findings: { ...bead.findings, ...bead.looked }, cured: bead.cured ?? [] };
  });
}

/** Returns what a figure outside the arc model says: nothing. */
function orNothing<T>(of: () => T, nothing: T): T {
  try {
    return of();
  } catch (error) {
    if (error instanceof RangeError) return nothing;
    throw error;
  }
}

/** All that the plate and its rig have taught up to a bead: what each judged bead says of the machine, suspects, looks that hold. */
type Known = { evidence: (number[] | null)[]; suspects: Suspect[]; carried: NonNullable<Case['findings']> };

/** One moment of all, for beads that say none: none of them has faded, and they keep their order by their numbers. */
const AT_ONCE = '2000-01-01T00:00:00.000Z';

/** Returns what is known before a bead, as its case takes it. @param before the beads run before it */
function experienceAt(bead: Case, { evidence, suspects }: Known, before: readonly Run[]): Experience {
  const { experience = {}, rig = {} } = bead;
  const machine = experience.machine ?? machineFor({ belief: null, runOutScale: null }, evidence);
  const known: Experience = { ...experience, suspects, ...(machine === undefined ? {} : { machine }) };
  const judged = before.map((run, i) => ({
    ...{ settings: run.settings, cured: run.cured, outcome: run.outcome ?? null, rig },
    ...{ setupId: '', couponId: '', number: i + 1, ranAt: AT_ONCE },
  }));
  const causes = causeHistory(judged, rig, AT_ONCE);
  const changes = orNothing(() => suspectsOfChanges({ ...bead, experience: known }, changesOf(judged, '')), []);
  return { ...known, ...(changes.length === 0 ? {} : { changes }), ...(causes.length === 0 ? {} : { causes }) };
}

/**
 * A case with what the beads before it on the plate have taught, in place of those beads: the machine they were run on, what they
 * leave under suspicion, looks that still hold, what the changes between them did, and which cures were borne out. It is what the
 * bench comes to that was there when they were run.
 * @param engine what they are judged by
 * @param input a valid case
 * @returns the same case where none is named
 * @throws RangeError for a bead whose figures lie outside the arc model
 */
export function withEarlier(engine: Engine, { earlier = [], ...input }: Case): Case {
  if (earlier.length === 0) return input;
  // What was read and heard is of the bead itself.
  const { readings: _, heard: __, ...around } = input;
  const known: Known = { evidence: [], suspects: input.experience?.suspects ?? [], carried: {} };
  const runs = asRun(earlier);
  runs.forEach((run, i) => {
    const { settings, readings, heard, outcome = null, cured } = run;
    const findings = { ...known.carried, ...run.findings };
    const bead: Case = { ...around, settings, findings };
    if (readings !== undefined) bead.readings = readings;
    if (heard !== undefined) bead.heard = heard;
    const judged: Case = { ...bead, experience: experienceAt(bead, known, runs.slice(0, i)) };
    const { causes } = diagnose(engine, judged);
    const before = Object.fromEntries(known.suspects.map(({ cause, times }) => [cause, times]));
    known.carried = findingsCarriedOver(findings, cured);
    // After a sound bead nothing is under suspicion.
    known.suspects = outcome === 'sound' ? [] : suspectsAfter(causes, { findings, suspects: before }, cured);
    if (outcome !== null)
      known.evidence.push(orNothing(() => evidenceOf(engine, { input: bead, sound: outcome === 'sound' }), null));
  });
  const turned = earlier.at(-1)!.changed ?? {};
  const now: Case = {
    ...input,
    settings: { ...turned, ...input.settings },
    findings: { ...known.carried, ...input.findings },
  };
  return { ...now, experience: experienceAt(now, known, runs) };
}
