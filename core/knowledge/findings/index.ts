import type { Finding } from '../shapes/types';
import { FACE, TOES } from './bead';
import { HOLES, SPATTER, RESIDUE, PLATE } from './faults';
import { SOUND, WIRE_AND_ARC } from './arc';
import { BACK, SECTION } from './inside';

/** Every finding of the lexicon, in the order a welder looks. Ids are stable. */
export const FINDINGS: readonly Finding[] = [
  ...FACE,
  ...TOES,
  ...HOLES,
  ...SPATTER,
  ...RESIDUE,
  ...PLATE,
  ...SOUND,
  ...WIRE_AND_ARC,
  ...BACK,
  ...SECTION,
];
