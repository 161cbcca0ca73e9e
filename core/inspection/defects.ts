/** What may be wrong with a weld, the gravest first. */
export const DEFECTS = [
  'crack',
  'unfused',
  'burned-through',
  'pores',
  'undercut',
  'overlap',
  'throat-short',
  'underfilled',
  'root-short',
  'crater',
  'legs-unequal',
  'too-full',
  'root-excess',
  'misaligned',
] as const;
export type Defect = (typeof DEFECTS)[number];

export const DEFECT_WORDS: Record<Defect, string> = {
  crack: 'Crack',
  unfused: 'Not fused',
  'burned-through': 'Burned through',
  pores: 'Holes',
  undercut: 'Undercut',
  overlap: 'Overlap',
  'throat-short': 'Throat too small',
  underfilled: 'Groove not full',
  'root-short': 'Back hollow',
  crater: 'Hollow crater',
  'legs-unequal': 'Legs unequal',
  'too-full': 'Face too full',
  'root-excess': 'Back stands out',
  misaligned: 'Plates out of line',
};
