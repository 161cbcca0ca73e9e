import { again, NOTHING_LAID, step, thin, toolsFor, type Part, type ToRepair } from './parts';
import { lengthInMm } from '../quantity/millimetres';

/** Undercut up to that is ground out; metal is laid in what is deeper. */
const BLEND_UP_TO = { mm: 0.5, ofThickness: 0.07 };

export function undercut({ job, measured }: ToRepair): Part {
  const deep = measured.undercutMm ?? 0;
  const blend = deep <= Math.max(BLEND_UP_TO.mm, BLEND_UP_TO.ofThickness * thin(job));
  if (blend)
    return {
      ...NOTHING_LAID,
      steps: [
        step(
          'take-out',
          `Grind the notch out along the weld, never across, with a slope as long as four times its depth. ${toolsFor(job)}`,
        ),
        step(
          'prove',
          `What is left of the plate: no more than ${lengthInMm(Math.max(deep, 0.1))} thinner than beside it.`,
        ),
      ],
    };
  return {
    weld: again(job, { joint: 'bead-on-plate', ...(job.lengthMm === undefined ? {} : { lengthMm: job.lengthMm }) }),
    groove: null,
    steps: [
      step(
        'prepare',
        'Brush toe and plate bright. Open the notch where it is sharp, so that the arc reaches its bottom.',
      ),
      step(
        'weld',
        'One thin stringer along the toe, no weave, arc on the edge of the notch, a little longer at rest there. Less volts than made it.',
      ),
    ],
  };
}

export function overlap({ job }: ToRepair): Part {
  return {
    ...NOTHING_LAID,
    steps: [
      step('take-out', `Grind the rolled-over edge back until bead and plate meet without a line. ${toolsFor(job)}`),
      step(
        'prove',
        'A thin feeler or dye finds no gap under the edge. Where the line goes on inward it is not fused: open it as that.',
      ),
    ],
  };
}

export function crater({ job, measured }: ToRepair): Part {
  return {
    weld: again(job, { joint: 'bead-on-plate', lengthMm: 20 }),
    groove: null,
    steps: [
      step(
        'take-out',
        `Grind the crater out, ${lengthInMm(Math.max(1, measured.craterMm ?? 1))} and a little: the crack that craters hide goes with it.`,
      ),
      step('prove', 'Dye or a glass: no star in its middle.'),
      step(
        'weld',
        'Start 20 mm back, run over it, stop and step back 10 mm, hold until it is full. Crater fill, where the machine has it.',
      ),
    ],
  };
}

export function tooFull({ job }: ToRepair): Part {
  return {
    ...NOTHING_LAID,
    steps: [
      step(
        'take-out',
        `Grind the crown down along the weld until it runs into the plates without a step. Leave the throat. ${toolsFor(job)}`,
      ),
      step(
        'prove',
        'Look along both toes: a tall bead often lies on the plate. A line there is not fused, and opened as that.',
      ),
    ],
  };
}

export const rootExcess = ({ job }: ToRepair): Part => ({
  ...NOTHING_LAID,
  steps: [
    step('take-out', `Grind it down behind where it is in the way of flow, fit or cleaning. ${toolsFor(job)}`),
    step('prove', 'No hollow ground into the plate.'),
  ],
});
