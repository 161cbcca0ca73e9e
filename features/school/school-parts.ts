/** Places of the School: its drills, and what has been learned. */
export const SCHOOL_PARTS = [
  'by-ear',
  'by-eye',
  'one-knob',
  'set-blind',
  'what-first',
  'pace',
  'gun',
  'coupons',
  'progress',
] as const;
export type SchoolPart = (typeof SCHOOL_PARTS)[number];
export type DrillPart = Exclude<SchoolPart, 'pace' | 'gun' | 'coupons' | 'progress'>;

/** Returns whether answers are given there. */
export const isDrill = (part: SchoolPart): part is DrillPart =>
  part !== 'pace' && part !== 'gun' && part !== 'coupons' && part !== 'progress';

export const isSchoolPart = (name: string): name is SchoolPart => (SCHOOL_PARTS as readonly string[]).includes(name);
