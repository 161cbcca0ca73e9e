import { grooveOf } from './groove';
import { again, passWords, step, thin, toolsFor, type Part, type RepairStep, type ToRepair } from './parts';
import { clamp } from '../quantity/clamp';
import { lengthInMm } from '../quantity/millimetres';

/** Past each end of a crack so much comes out as well: it runs further than the eye follows it. */
const PAST_A_CRACK = { leastMm: 10, ofThickness: 1 };
/** Sheet is opened through; in thicker plate a fault is followed until it is gone, and taken for no deeper than that share. */
const THROUGH_UP_TO_MM = 5;
const USUAL_DEPTH = 0.6;
/** A fault that is followed into the metal, taken out and filled again. */
export function openedAndFilled(
  { job }: ToRepair,
  {
    depthMm,
    lengthMm,
    out,
    proof,
    before = [],
  }: {
    depthMm: number;
    lengthMm: number;
    out: string;
    proof: string;
    before?: RepairStep[];
  },
): Part {
  const position = job.position ?? 'flat';
  const through = depthMm >= thin(job) - 0.01;
  const groove = grooveOf(depthMm, lengthMm, position);
  return {
    groove,
    weld: again(job, { joint: 'butt', lengthMm, ...(through ? { gapMm: 2 } : {}) }),
    steps: [
      ...before,
      step('take-out', `${out} ${toolsFor(job)}`),
      step('prove', proof),
      step(
        'prepare',
        `Leave a groove with a round bottom of about 4 mm, sides open by 60 degrees, ends run out flat: ${lengthInMm(groove.widthMm)} wide at ${lengthInMm(depthMm)} deep, ${lengthInMm(lengthMm)} long.${
          through
            ? ' Where it is through, a bar behind it: copper on steel, the same metal on aluminium, or an open root.'
            : ''
        }`,
      ),
      step(
        'weld',
        `${passWords(groove.passes, groove.passLegMm)}. Strike and end on the plate that is fused, not in the bottom; fill each crater.`,
      ),
    ],
  };
}

export function crack(of: ToRepair): Part {
  const { job, measured } = of;
  const past = Math.max(PAST_A_CRACK.leastMm, PAST_A_CRACK.ofThickness * thin(job));
  const lengthMm = (measured.crackMm ?? 20) + 2 * past;
  const depthMm = thin(job) <= THROUGH_UP_TO_MM ? thin(job) : USUAL_DEPTH * thin(job);
  return openedAndFilled(of, {
    ...{ depthMm, lengthMm },
    before: [
      step(
        'take-out',
        'Say first why it cracked: a hollow crater, a narrow deep bead, hard or dirty steel, a part that cannot give. Filled again the same way it cracks again.',
      ),
    ],
    out: `Take it out to ${lengthInMm(past)} past each end, along its whole length, as deep as it goes.`,
    proof:
      'Dye penetrant, or a bright ground face in slanting light: no line left, at the ends neither. A crack that was only smeared over is still there.',
  });
}

export function unfused(of: ToRepair): Part {
  const { job, measured } = of;
  const depthMm = thin(job) <= THROUGH_UP_TO_MM ? thin(job) : USUAL_DEPTH * thin(job);
  return openedAndFilled(of, {
    ...{ depthMm, lengthMm: (measured.unfusedMm ?? 20) + 20 },
    out: 'Take the weld out there to 10 mm past what is not fused, down to the plate.',
    proof: 'Bright metal without a dark line between bead and plate. As long as a line shows, the edge is still there.',
  });
}

export function pores(of: ToRepair): Part {
  const { job, measured } = of;
  const depthMm = clamp(1.5 * (measured.poreLargestMm ?? 2), 2, thin(job));
  return openedAndFilled(of, {
    ...{ depthMm, lengthMm: Math.max(20, measured.badLengthMm ?? 30) },
    before: [
      step(
        'take-out',
        'Find where the gas came from before anything is filled: cover, draught, damp, oil, zinc, paint behind.',
      ),
    ],
    out: `Grind down until no hole is left, some ${lengthInMm(depthMm)} to begin with. Holes that go on are followed.`,
    proof: 'Solid bright metal, wiped with solvent that holds no chlorine, and dry.',
  });
}
