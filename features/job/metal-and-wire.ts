import { wireMetal } from '@/core/arc/wire';
import type { BaseMetal, Rig } from '@/core/case/schema';
import { METAL_WORDS } from '../shared/job-words';

/**
 * Returns what is wrong with a metal for the wire of a rig, in a sentence beside the metal.
 * @param metal chosen; null where none is
 * @returns null where they go together, or one of them is not known
 */
export function metalAgainstWire(
  metal: BaseMetal | null,
  { name, wire }: { name: string } & Pick<Rig, 'wire'>,
): string | null {
  if (metal === null || wire?.class === undefined) return null;
  const made = wireMetal(wire.class);
  if (made === metal) return null;
  return `${name} has a wire of ${METAL_WORDS[made]}, which cracks on ${METAL_WORDS[metal]} or does not fuse: take another rig, or change its wire.`;
}
