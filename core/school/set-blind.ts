import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import type { BeadAppearance } from '../bead/appearance';
import { beadAppearance } from '../bead/appearance-of';
import { CASE_FORMAT, type Case } from '../case/schema';
import { stream } from '../chance/stream';
import { FINDINGS, marksOf } from '../knowledge';
import type { ArcRun } from '../sound/arc-run';
import { arcRunOf } from '../sound/run-of';
import { product } from '../shop/arm';
import { lookedOver, runBead, type Knobs } from '../shop/bead';
import { drawJob, drawMachine, wantedFlow, type Job, type Machine } from '../shop/world';
import { MOST_BEADS } from './blind-knobs';
import { byLevel } from './level';

/** A machine of which nobody knows how far its meter and its drive are off, and a job on it. */
export type BlindMachine = { machine: Machine; job: Job };
/** A bead that was run on it: what a welder sees and hears of it, not why. */
export type BlindBead = { sound: boolean; shows: string[]; bead: BeadAppearance; run: ArcRun | null };

/** Half of the machines have such wire, and three of four of their jobs such plate: so many are never drawn in vain. */
const MOST_DRAWN = 1000;

/**
 * A hidden machine with solid steel wire and a job on it, from the simulated shop, whose arc has coefficients of its own.
 * @param level 1 to 8: meter and drive are further off
 * @param random even numbers from 0 to 1
 * @throws Error where these are not even, so that none is ever drawn
 */
export function blindMachine(level: number, random: () => number): BlindMachine {
  for (let drawn = 0; drawn < MOST_DRAWN; drawn++) {
    const machine = drawMachine(random);
    if (machine.wire.class !== 'solid-steel') continue;
    const wider = byLevel(level, 0.6, 1.8);
    const blind = { ...machine, offsetV: wider * machine.offsetV, scale: 1 + wider * (machine.scale - 1) };
    const job = drawJob(random, blind);
    // Sheet burns through before it teaches, and what is held overhead is another lesson.
    if (job.thicknessMm >= 1.5 && job.thicknessMm <= 8)
      return { machine: blind, job: { ...job, joint: 'fillet', position: 'flat' } };
  }
  throw new Error(`no machine with steel wire and plate of 1.5 to 8 mm in ${MOST_DRAWN} drawn`);
}

const caseOf = ({ wire, gas, metal }: Machine, { thicknessMm, joint, position }: Job): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: metal, thicknessMm, otherThicknessMm: thicknessMm, joint, position },
  rig: { process: 'gmaw', wire, gas },
});

/** Returns what a bead looks and sounds like with these knobs on that machine. @param seed of the hand and the eye */
export function blindBead(
  { machine, job }: BlindMachine,
  knobs: Omit<Knobs, 'gasFlowLPerMin'>,
  seed: number,
): BlindBead {
  const random = stream(seed);
  const whole: Knobs = { ...knobs, gasFlowLPerMin: wantedFlow(machine) };
  const ran = runBead(machine, job, whole, [], random);
  const seen = lookedOver(ran, random);
  const shown = Object.keys(seen).filter((id) => seen[id] === 'present');
  const input = caseOf(machine, job);
  const truly = {
    voltageV: knobs.voltageV + machine.offsetV,
    wireSpeedMPerMin: knobs.wireSpeedMPerMin * machine.scale,
    stickOutMm: knobs.stickOutMm,
  };
  const setup = arcSetup(input);
  const marks = marksOf(Object.fromEntries(shown.map((id) => [id, 'present'])));
  return {
    sound: ran.sound,
    shows: FINDINGS.filter(({ id }) => shown.includes(id)).map(({ name }) => name),
    bead: beadAppearance(setup, readArc(setup, truly), truly, marks),
    run: arcRunOf(input, truly, seed),
  };
}

/** Returns how many beads the product takes on the same machine, which it meets for the first time. */
export function productBeads({ machine, job }: BlindMachine, seed: number): number {
  const random = stream(seed);
  const arm = product(true);
  arm.begin(machine);
  let { knobs } = arm.start(job, [], random);
  for (let beads = 1; beads < MOST_BEADS; beads++) {
    const bead = runBead(machine, job, knobs, [], random);
    if (bead.sound) return beads;
    knobs = arm.next(job, knobs, bead, [], random).knobs;
  }
  return MOST_BEADS;
}
