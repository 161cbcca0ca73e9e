import type { BeadAppearance } from '../bead/appearance';
import { FINDINGS } from './findings';

/** The marks that findings leave on a drawn bead, in the order of the lexicon. @param findings state by id */
export function marksOf(findings: Record<string, string>): Partial<BeadAppearance>[] {
  return FINDINGS.flatMap(({ id, drawing }) =>
    findings[id] === 'present' && drawing !== undefined && 'bead' in drawing ? [drawing.bead] : [],
  );
}
