import type { Job } from '../case/schema';
import { DEFECT_WORDS, type Defect } from '../inspection/defects';
import { plateHeat } from '../start/plate-heat';
import { crater, overlap, rootExcess, tooFull, undercut } from './ground';
import { burnedThrough, filled, legsUnequal, throatShort } from './laid';
import { crack, pores, unfused } from './opened';
import { isSteel, NOTHING_LAID, step, type Part, type RepairPlan, type RepairStep, type ToRepair } from './parts';

export type { RepairPlan, StepKind, ToRepair } from './parts';

const PARTS: Record<Defect, ((of: ToRepair) => Part) | null> = {
  crack,
  unfused,
  'burned-through': burnedThrough,
  pores,
  undercut,
  overlap,
  'throat-short': throatShort,
  underfilled: (of) => filled(of, 'front'),
  'root-short': (of) => filled(of, 'behind'),
  crater,
  'legs-unequal': legsUnequal,
  'too-full': tooFull,
  'root-excess': rootExcess,
  misaligned: null,
};

/** Steel of that thickness may still crack hours after it is cold. */
const CRACKS_LATE_FROM_MM = 12;

function heatSteps({ job }: ToRepair): RepairStep[] {
  if (job.thicknessMm === undefined) return [];
  const { preheatC, interpassC, onlyByProcedure, because } = plateHeat(
    job.baseMetal ?? 'mild-steel',
    Math.max(job.thicknessMm, job.otherThicknessMm ?? 0),
    job.carbonEquivalent,
  );
  if (onlyByProcedure) return [step('prepare', because)];
  return preheatC === null
    ? []
    : [
        step(
          'prepare',
          `Warm the joint to ${preheatC} °C and keep it there; no hotter than ${interpassC} °C before the next pass.`,
        ),
      ];
}

function coolSteps({ job }: ToRepair): RepairStep[] {
  if (job.baseMetal === 'stainless')
    return [
      step('cool', 'Under 150 °C before the next pass, by waiting. The colours come off with a brush for stainless.'),
    ];
  return [
    step('cool', 'Let it cool by itself. Never water on anything that carries load; no draught on warm thick plate.'),
  ];
}

const isHard = ({ carbonEquivalent = 0, thicknessMm = 0 }: Job): boolean =>
  carbonEquivalent > 0.45 || thicknessMm >= CRACKS_LATE_FROM_MM;

/**
 * Returns how a defect is put right, step by step: how far it is taken out, how it is known to be out, how the place is prepared,
 * welded, cooled and looked at again. Figures of the arc are those of the job it names.
 * @param defect what was found over its limit
 * @param of the job, what is fitted, and what was measured
 */
export function repairPlan(defect: Defect, of: ToRepair): RepairPlan {
  const { job } = of;
  const part = PARTS[defect];
  const base = { defect, name: DEFECT_WORDS[defect] };
  if (part === null)
    return {
      ...{ ...base, ...NOTHING_LAID, steps: [] },
      stop: 'No bead puts plates in line that were tacked out of it: cut the weld out, fit, tack closer and weld anew.',
    };
  const { steps, weld, groove } = part(of);
  const at = steps.findIndex(({ kind }) => kind === 'weld');
  const warmed = at < 0 ? steps : [...steps.slice(0, at), ...heatSteps(of), ...steps.slice(at)];
  const late = defect === 'crack' && isSteel(job) && isHard(job);
  return {
    ...{ ...base, weld, groove },
    steps: [
      ...warmed,
      ...(weld === null ? [] : coolSteps(of)),
      step(
        'look',
        `Inspect the place anew, all of it, to the same limits.${late ? ' Then once more the next day: hard or thick steel cracks late.' : ''}`,
      ),
      ...(hasCoat(job)
        ? [
            step(
              'restore',
              'Once it is cold: brush bright, then zinc-rich paint in two coats to 25 mm past the bare metal, both faces. Paint over that as it was.',
            ),
          ]
        : []),
    ],
    stop: (job.concerns ?? []).includes('code-work')
      ? 'Code work is repaired to a procedure, by whoever is qualified for it.'
      : null,
  };
}

const hasCoat = ({ surface = [], stripped = [] }: Job): boolean =>
  surface.includes('zinc') || stripped.includes('zinc');
