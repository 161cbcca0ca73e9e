import type { FittedPart } from '../../case/terms';

/** What the parts of a machine are called that are fitted anew. */
export const PART_NAMES: Record<FittedPart, string> = {
  tip: 'Contact tip',
  nozzle: 'Nozzle',
  diffuser: 'Diffuser',
  liner: 'Liner',
  roll: 'Drive rolls',
  spool: 'Spool',
  cylinder: 'Cylinder',
};
