import { stream } from '../../core/chance/stream';
import { product, type Arm } from '../../core/shop/arm';
import { chart, trialAndError } from './arms';
import { runBead } from '../../core/shop/bead';
import { drawFaults } from '../../core/shop/faults';
import { drawJob, drawMachine } from '../../core/shop/world';

/** Machines that are met, and jobs in a row on each. */
const MACHINES = Number(process.argv[2] ?? 250);
const JOBS_IN_A_ROW = 5;
const MOST_BEADS = 10;

type Outcome = { beads: number; never: boolean; burned: boolean };

/** One arm over every machine and job; each meets the same machines, jobs and faults. */
function play(arm: Arm): Outcome[][] {
  return Array.from({ length: MACHINES }, (_, at) => {
    const drawn = stream(7_000 + at);
    const machine = drawMachine(drawn);
    arm.begin(machine);
    return Array.from({ length: JOBS_IN_A_ROW }, (__, turn) => {
      const job = drawJob(drawn, machine);
      let faults = drawFaults(drawn, machine);
      const random = stream(1_000_003 * (at + 1) + turn);
      const begun = arm.start(job, faults, random);
      let { knobs } = begun;
      faults = faults.filter(({ cause }) => !begun.cures.includes(cause));
      let burned = false;
      for (let beads = 1; beads <= MOST_BEADS; beads++) {
        const bead = runBead(machine, job, knobs, faults, random);
        burned ||= bead.burnedThrough;
        if (bead.sound) {
          arm.done(job, knobs, bead, random);
          return { beads, never: false, burned };
        }
        const step = arm.next(job, knobs, bead, faults, random);
        knobs = step.knobs;
        faults = faults.filter(({ cause }) => !step.cures.includes(cause));
      }
      return { beads: MOST_BEADS, never: true, burned };
    });
  });
}

const mean = (numbers: readonly number[]): number => numbers.reduce((sum, x) => sum + x, 0) / numbers.length;

/** `npm run beads-to-sound [MACHINES]`: how many trial beads until the bead is sound, by four ways of getting there. */
function main(): void {
  console.log(
    `${MACHINES} machines, ${JOBS_IN_A_ROW} jobs in a row on each; beads until sound, ${MOST_BEADS} where never`,
  );
  for (const arm of [product(true), product(false), trialAndError(), chart()]) {
    const rows = play(arm);
    const all = rows.flat();
    const beads = all.map(({ beads: count }) => count).sort((a, b) => a - b);
    const share = (test: (one: Outcome) => boolean): string =>
      `${((100 * all.filter(test).length) / all.length).toFixed(1)} %`;
    const byJob = Array.from({ length: JOBS_IN_A_ROW }, (_, turn) =>
      mean(rows.map((row) => row[turn].beads)).toFixed(2),
    );
    console.log(
      `${arm.name.padEnd(24)} mean ${mean(beads).toFixed(2)}, median ${beads[Math.floor(beads.length / 2)]}, 90 % ${beads[Math.floor(0.9 * beads.length)]}, never in ${MOST_BEADS} ${share(({ never }) => never)}, burned through ${share(({ burned }) => burned)}; by job ${byJob.join(' ')}`,
    );
  }
}

main();
