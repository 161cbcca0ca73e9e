import { passesFor } from '../arc/passes';
import { PASSES } from '../arc/coefficients';
import type { WireSetup } from '../arc/setup';
import type { Settings } from '../setting/table';

/** One pass of a weld: its place in the order, the leg it lays, and what it is for. */
export type Pass = {
  number: number;
  kind: 'only' | 'root' | 'fill' | 'cap';
  /** Of a fillet; a pass of a bevel has the metal of a fillet of that leg. */
  legMm: number;
  /** Volts and wire of this pass where it is run otherwise than the rest. */
  settings: Pick<Settings, 'voltageV' | 'wireSpeedMPerMin'> | null;
  note: string;
};

const NOTES: Record<Pass['kind'], string> = {
  only: '',
  root: 'Into the root, small and hot: it has to fuse both parts. Clean it before the next.',
  fill: 'Over half of the one before, brushed clean between.',
  cap: 'Across the face, toes washed in on both sides; no hotter than the plate stands.',
};

/**
 * The passes of a job with the leg of each: one where wire, position and machine carry what the plate wants and the leg is
 * not too large for the position, else as many as hold up.
 * @param gapMm root gap
 * @param oneLegMm leg that one pass would lay at the pace that is expected
 * @param cold whether what can be set does not fuse the plate in one
 * @param root figures of the root pass where it is run otherwise, null where it is not
 */
export function passPlan(
  setup: WireSetup,
  { gapMm, oneLegMm, cold, root }: { gapMm: number; oneLegMm: number; cold: boolean; root: Pass['settings'] },
): Pass[] {
  const { thinnestMm, joint, position } = setup;
  const round = (leg: number): number => Math.round(leg * 2) / 2;
  const most = PASSES.largestLegMm[position];
  const wide = thinnestMm !== null && joint !== 'bead-on-plate' && legWanted(thinnestMm, joint) > most;
  if (thinnestMm === null || joint === 'plug' || (!cold && !wide && root === null))
    return [{ number: 1, kind: 'only', legMm: round(Math.min(most, oneLegMm)), settings: null, note: NOTES.only }];
  const { count, legMm } = passesFor(thinnestMm, joint, position, gapMm);
  return Array.from({ length: count }, (_, i) => {
    const kind = i === 0 ? 'root' : i === count - 1 ? 'cap' : 'fill';
    return { number: i + 1, kind, legMm: round(legMm), settings: i === 0 ? root : null, note: NOTES[kind] };
  });
}

/** The leg that the whole weld wants: the plate's own for a fillet, the plate's depth for what is filled. */
function legWanted(thinnestMm: number, joint: WireSetup['joint']): number {
  const { legUpToMm, legShareAbove } = PASSES;
  return joint === 'fillet' || joint === 'lap' || joint === 'corner'
    ? Math.max(Math.min(thinnestMm, legUpToMm), legShareAbove.value * thinnestMm)
    : thinnestMm;
}
