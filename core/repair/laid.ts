import { PASSES } from '../arc/coefficients';
import { filletOf, wantedLeg } from '../inspection/geometry';
import { openedAndFilled } from './opened';
import { again, isSteel, passWords, step, thin, type Part, type ToRepair } from './parts';
import { clamp } from '../quantity/clamp';
import { lengthInMm } from '../quantity/millimetres';

/** Returns what a fillet lacks is laid on top of it. */
export function throatShort({ job, measured }: ToRepair): Part {
  const wanted = wantedLeg(thin(job));
  const { legUprightMm, legFlatMm, throatMm = null } = measured;
  const has =
    legUprightMm === undefined || legFlatMm === undefined
      ? 0
      : filletOf(legUprightMm, legFlatMm, throatMm, job.gapMm ?? 0).equalLegMm;
  const lacking = Math.max(1, (wanted ** 2 - has ** 2) / 2);
  const most = PASSES.largestLegMm[job.position ?? 'flat'] ** 2 / 2;
  const passes = Math.max(1, Math.ceil(lacking / most));
  return {
    weld: again(job, job.lengthMm === undefined ? {} : { lengthMm: job.lengthMm }),
    groove: null,
    steps: [
      step(
        'prepare',
        'Clean off slag, silica and spatter, toes too. Grind a hump or a cold edge away first: it would lie under the new pass.',
      ),
      step(
        'weld',
        `${passWords(passes, Math.sqrt((2 * lacking) / passes), ' over it')}, to a leg of ${lengthInMm(wanted)} in all. Wash into both plates.`,
      ),
    ],
  };
}

export function legsUnequal({ job, measured }: ToRepair): Part {
  const { legUprightMm = 0, legFlatMm = 0 } = measured;
  const short = legUprightMm < legFlatMm ? 'upright' : 'lying';
  return {
    weld: again(job, job.lengthMm === undefined ? {} : { lengthMm: job.lengthMm }),
    groove: null,
    steps: [
      step('prepare', 'Brush the short side bright.'),
      step(
        'weld',
        `One stringer on the ${short} plate, aimed at it, half on the bead and half on bare plate. Then see the gun angle that made it.`,
      ),
    ],
  };
}

export function filled(of: ToRepair, where: 'front' | 'behind'): Part {
  if (where === 'front')
    return {
      weld: again(of.job, {
        joint: 'bead-on-plate',
        ...(of.job.lengthMm === undefined ? {} : { lengthMm: of.job.lengthMm }),
      }),
      groove: null,
      steps: [
        step('prepare', 'Brush the face and both edges of the groove bright.'),
        step('weld', 'One more pass across the groove, toes washed in on both sides.'),
      ],
    };
  const depthMm = clamp(0.3 * thin(of.job), 2, thin(of.job));
  return openedAndFilled(of, {
    ...{ depthMm, lengthMm: Math.max(20, of.measured.badLengthMm ?? of.job.lengthMm ?? 50) },
    out: 'Open it from behind to sound weld metal.',
    proof: 'One unbroken line of weld metal in the bottom, no seam of the two plates.',
  });
}

export function burnedThrough({ job, measured }: ToRepair): Part {
  const hole = 2 + thin(job);
  const backing = isSteel(job) || job.baseMetal === 'stainless' ? 'a flat piece of copper' : 'a bar of the same metal';
  return {
    weld: again(job, {
      joint: 'butt',
      gapMm: Math.min(3, hole),
      lengthMm: 20 * Math.max(1, measured.burnThroughs ?? 1),
    }),
    groove: null,
    steps: [
      step('take-out', 'Cut the ragged, thinned edge back to full thickness, round, no corners.'),
      step(
        'prepare',
        `Clamp ${backing} tight behind. A hole wider than ${lengthInMm(4 * thin(job))} gets a piece of the same sheet let in.`,
      ),
      step(
        'weld',
        'From the edge inward in short stitches, each half on the one before; let the red go out in between. Push on sheet.',
      ),
    ],
  };
}
