import { answer } from '../answer';
import { CASE_FORMAT, type Case, type Experience, type FindingState, type Suspect } from '../case/schema';
import { movesNow, nextSettings } from '../correction/next-settings';
import { ENGINE } from '../answer/engine';
import { isCheckId, type CauseId } from '../evidence/ids';
import { CAUSES } from '../knowledge';
import { findingsCarriedOver, suspectsAfter } from '../correction/carry-over';
import type { JudgedChange } from '../learning/changes-of-plate';
import { suspectsOfChanges } from '../learning/judged-changes';
import { afterBead, beforeBeads, machineOf, type MachineBelief } from '../learning/machine-belief';
import { looked, lookedOver, TROUBLE, volunteered, type Bead, type Knobs } from './bead';
import type { Fault } from './faults';
import type { Job, Machine, Random } from './world';

/** What a welder does after a bead: turns knobs, and cures what is thought to be wrong. */
export type Step = { knobs: Knobs; cures: CauseId[] };

/** A way of getting from a bad bead to a sound one. It sees what a welder sees; the faults only answer its looks. */
export type Arm = {
  name: string;
  /** Begins a machine that nothing is known of. */
  begin: (machine: Machine) => void;
  /** Figures to begin a job with, and what was found and put right before the first bead. */
  start: (job: Job, faults: readonly Fault[], random: Random) => Step;
  /** Returns what is done after a bead that is not sound. */
  next: (job: Job, knobs: Knobs, bead: Bead, faults: readonly Fault[], random: Random) => Step;
  /** The bead was sound. */
  done: (job: Job, knobs: Knobs, bead: Bead, random: Random) => void;
};

/** What is cured by cleaning, changing or doing otherwise. */
const CURED_BY_HAND = new Set<CauseId>(CAUSES.flatMap(({ id, remedy }) => (remedy.kind === 'setting' ? [] : [id])));
/** Time for looks at the rig between two beads, as the product asks for them. */
const LOOK_MINUTES = 5;

/** The product: its first move each time, with or without what the rig has taught. */
export function product(learns: boolean): Arm {
  let machine: Machine;
  let belief: MachineBelief;
  let carried: Record<string, FindingState> = {};
  let cured = new Set<CauseId>();
  let suspects: Suspect[] = [];
  let changes: JudgedChange[] = [];
  /** The bead before, with what was done after it. */
  let before: { settings: NonNullable<Case['settings']>; trouble: number; cured: boolean } | null = null;
  const experience = (): Experience => ({
    suspects,
    ...(learns && belief.beads > 0 ? { machine: machineOf(belief) } : {}),
  });
  const caseOf = (
    { thicknessMm, joint, position }: Job,
    settings: Case['settings'],
    findings: Case['findings'],
  ): Case => ({
    format: CASE_FORMAT,
    job: { baseMetal: machine.metal, thicknessMm, joint, position },
    rig: {
      mode: 'conventional',
      process:
        machine.gas === null
          ? 'fcaw-self-shielded'
          : machine.wire.class === 'tubular-gas-shielded'
            ? 'fcaw-gas-shielded'
            : 'gmaw',
      wire: machine.wire,
      gas: machine.gas,
      polarity: machine.gas === null ? 'electrode-negative' : 'electrode-positive',
      nozzleBoreMm: machine.boreMm,
    },
    settings,
    findings,
    experience: experience(),
  });
  const stated = (job: Job, knobs: Knobs, findings: Record<string, FindingState>): Case => {
    const { gasFlowLPerMin, ...rest } = knobs;
    const input = caseOf(job, machine.gas === null ? rest : { ...rest, gasFlowLPerMin }, findings);
    return { ...input, experience: { ...input.experience, changes: suspectsOfChanges(input, changes) } };
  };
  /** How a bead is judged against the one before: by how much trouble is seen on each. */
  const judge = (settings: NonNullable<Case['settings']>, trouble: number): void => {
    if (before === null || before.cured) return;
    const outcome = trouble > before.trouble ? 'worse' : trouble < before.trouble ? 'better' : 'same';
    changes.push({ before: before.settings, after: settings, outcome });
  };
  const asKnobs = (settings: NonNullable<Case['settings']>): Knobs => ({
    voltageV: settings.voltageV ?? 0,
    wireSpeedMPerMin: settings.wireSpeedMPerMin ?? 0,
    stickOutMm: settings.stickOutMm ?? 12,
    gasFlowLPerMin: settings.gasFlowLPerMin ?? 0,
  });
  return {
    name: learns ? '(a) this product' : '(b) without experience',
    begin: (one) => {
      machine = one;
      belief = beforeBeads();
    },
    start: (job, faults, random) => {
      carried = {};
      suspects = [];
      changes = [];
      before = null;
      cured = new Set();
      const looks: Record<string, FindingState> = {};
      for (const { check } of answer(caseOf(job, {}, {})).firstLooks) looks[check] = looked(check, faults, random);
      // What a look showed is put right; the rest leaves less to suspect.
      const cures = faults
        .filter(
          ({ check, glance }) => looks[check] === 'present' || (glance !== undefined && looks[glance] === 'present'),
        )
        .map(({ cause: id }) => id);
      suspects = suspectsAfter(answer(caseOf(job, {}, looks)).causes, { findings: looks }, cures);
      return { knobs: asKnobs(answer(caseOf(job, {}, {})).correction.settings), cures };
    },
    next: (job, knobs, bead, faults, random) => {
      // An empty bottle shows on the flowmeter.
      const empty = faults.some(({ cause: id }) => id === 'gas-empty');
      const read = empty ? { ...knobs, gasFlowLPerMin: 0.5 } : knobs;
      const eye = lookedOver(bead, random);
      const trouble = TROUBLE.filter((id) => eye[id] === 'present').length;
      judge(stated(job, read, {}).settings ?? {}, trouble);
      const findings: Record<string, FindingState> = { ...carried, ...volunteered(eye, random) };
      let said = answer(stated(job, read, findings));
      for (let spent = 0; ;) {
        const look = said.nextChecks.find(
          ({ check: id }) => findings[id] === undefined && (isCheckId(id) || id in eye),
        );
        if (look === undefined || spent + look.minutes > LOOK_MINUTES) break;
        spent += look.minutes;
        findings[look.check] = isCheckId(look.check) ? looked(look.check, faults, random) : eye[look.check];
        said = answer(stated(job, read, findings));
      }
      const input = stated(job, read, findings);
      if (learns) belief = afterBead(ENGINE, belief, { input, sound: false });

      const moves = movesNow(said.correction, 'one');
      const cures = moves.flatMap((move) => (move.kind === 'remedy' ? [move.cause] : []));
      // With nothing to turn and nothing said to be cured, the likeliest that no knob cures is seen to, each once.
      const likeliest = said.causes.find(({ cause: id }) => CURED_BY_HAND.has(id) && !cured.has(id));
      if (moves.length === 0 && likeliest !== undefined) cures.push(likeliest.cause);
      for (const one of cures) cured.add(one);
      before = { settings: input.settings ?? {}, trouble, cured: cures.length > 0 };
      carried = findingsCarriedOver(findings, cures);
      suspects = suspectsAfter(
        said.causes,
        { findings, suspects: Object.fromEntries(suspects.map(({ cause: id, times }) => [id, times])) },
        cures,
      );
      return {
        knobs: { ...knobs, ...asKnobs({ ...knobs, ...nextSettings(input.settings ?? {}, said.correction, 'one') }) },
        cures,
      };
    },
    done: (job, knobs, bead, random) => {
      if (learns)
        belief = afterBead(ENGINE, belief, {
          input: stated(job, knobs, volunteered(lookedOver(bead, random), random)),
          sound: true,
        });
    },
  };
}
