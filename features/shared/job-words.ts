import type { Job } from '@/core/case/schema';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';

export const METAL_WORDS = { 'mild-steel': 'mild steel', stainless: 'stainless', aluminium: 'aluminium' } as const;
export const JOINT_WORDS = {
  'bead-on-plate': 'bead on plate',
  butt: 'butt',
  fillet: 'fillet',
  lap: 'lap',
  corner: 'outside corner',
  plug: 'plug',
} as const;
export const POSITION_WORDS = {
  flat: 'flat',
  horizontal: 'horizontal',
  'vertical-up': 'vertical up',
  'vertical-down': 'vertical down',
  overhead: 'overhead',
} as const;
export const SURFACE_WORDS = {
  clean: 'ground clean',
  'mill-scale': 'mill scale',
  rust: 'rust',
  oil: 'oil',
  paint: 'paint',
  zinc: 'zinc',
  damp: 'damp',
} as const;
export const DRAUGHT_WORDS = { still: 'still air', breeze: 'breeze', windy: 'windy' } as const;
export const WORKPIECE_WORDS = {
  plate: 'plate or bracket',
  tube: 'tube or frame',
  tank: 'tank or container',
  vehicle: 'vehicle',
  machinery: 'machine or plant',
  structure: 'structure',
} as const;
export const PLACE_WORDS = { workshop: 'workshop', site: 'on site', pit: 'pit, hold or inside' } as const;
export const CRITICAL_WORDS = { trial: 'trial or scrap', usual: 'everyday', careful: 'can hurt if it fails' } as const;
export const CONCERN_WORDS = {
  'closed-container': 'Tank or closed container',
  'hidden-cavity': 'Sealed tube or cavity',
  'vehicle-near': 'Fuel, battery or airbag near',
  'hydraulic-line': 'Line under pressure near',
  'chlorinated-residue': 'Degreaser on it',
  'confined-space': 'Confined space',
  'sinking-gas': 'Gas can collect low down',
  'old-paint': 'Old or unknown paint',
  'cadmium-or-lead': 'Cadmium or lead coat',
  'code-work': 'Pressure, lifting or code work',
  'fire-nearby': 'Things that burn nearby',
} as const;

/** A job in one line: "3 on 6 mm mild steel, fillet, horizontal". */
export function jobWords(job: Job, units: UnitSystem): string {
  const thick = (mm: number): string => readable(mm, 'length', units);
  const plates =
    job.thicknessMm === undefined
      ? 'thickness not known'
      : `${thick(job.thicknessMm)}${job.otherThicknessMm === undefined || job.otherThicknessMm === job.thicknessMm ? '' : ` on ${thick(job.otherThicknessMm)}`} ${unitOf('length', units)}`;
  const rest = [
    job.baseMetal && METAL_WORDS[job.baseMetal],
    job.joint && JOINT_WORDS[job.joint],
    job.position && POSITION_WORDS[job.position],
  ];
  return [plates, ...rest.filter(Boolean)].join(', ');
}
