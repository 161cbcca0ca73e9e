import type { Case } from '../core/case/schema';
import { EXAMPLE_CASE } from '../core/cases/example';

/** The heaviest usual case: all settings known and twelve findings tapped. */
const TWELVE = [
  'bead-ropey',
  'toe-cold-lap',
  'holes-scattered',
  'spatter-heavy',
  'arc-wanders',
  'bead-uneven',
  'sound-sputter',
  'start-poor',
  'residue-oxide',
  'wire-stubs',
  'back-no-mark',
  'spatter-fine',
];
export const FULL_CASE: Case = {
  ...EXAMPLE_CASE,
  findings: Object.fromEntries(TWELVE.map((id) => [id, 'present' as const])),
};
