import { areaToFill, passesFor } from '../arc/passes';
import type { WireSetup } from '../arc/setup';
import type { Settings } from '../setting/table';

/** One pass of a weld: its place in the order, the leg it lays, and what it is for. */
export type Pass = {
  number: number;
  kind: 'only' | 'root' | 'fill' | 'cap';
  /** As pace and wire lay it. Of a fillet; a pass of a bevel has the metal of a fillet of that leg. */
  legMm: number;
  /** Volts and wire of this pass where it is run otherwise than the rest. */
  settings: Pick<Settings, 'voltageV' | 'wireSpeedMPerMin'> | null;
  note: string;
};

const NOTES: Record<Pass['kind'], string> = {
  only: '',
  root: 'First pass: slow enough that both sides melt; watch the root corner. Clean it before the next.',
  fill: 'Over half of the one before, brushed clean between.',
  cap: 'Across the face, toes washed in on both sides; no hotter than the plate stands.',
};

/** A joint that is filled to so much of its metal is full: the last pass stands a little over or under it. */
const FULL = 0.87;

/** Figures of a root pass that is run otherwise than the rest, and the leg they lay. */
export type RootPass = { settings: NonNullable<Pass['settings']>; legMm: number };

/**
 * The passes of a job with the leg of each, by size: one where the joint asks for no more metal than it lays, else as many as fill it.
 * @param gapMm root gap
 * @param legMm that a pass lays at the pace that is said
 * @param root the root pass where it is run otherwise, null where it is not
 */
export function passPlan(
  { thinnestMm, joint, position }: WireSetup,
  { gapMm, legMm, root }: { gapMm: number; legMm: number; root: RootPass | null },
): Pass[] {
  const round = (leg: number): number => Math.round(leg * 2) / 2;
  const count = thinnestMm === null || joint === 'plug' ? 1 : countFor(thinnestMm, legMm);
  if (count === 1 && root === null)
    return [{ number: 1, kind: 'only', legMm: round(legMm), settings: null, note: NOTES.only }];
  const length = Math.max(2, count);
  return Array.from({ length }, (_, i) => {
    const kind = i === 0 ? 'root' : i === length - 1 ? 'cap' : 'fill';
    const own = i === 0 ? root : null;
    return {
      number: i + 1,
      kind,
      legMm: round(own?.legMm ?? legMm),
      settings: own?.settings ?? null,
      note: NOTES[kind],
    };
  });

  /** As many as the position holds up, and more where wire and pace lay less. */
  function countFor(thickMm: number, laidMm: number): number {
    const { count: bySize } = passesFor(thickMm, joint, position, gapMm);
    const laid = laidMm ** 2 / 2;
    return Math.max(bySize, laid > 0 ? Math.ceil((FULL * areaToFill(thickMm, joint, gapMm)) / laid) : 1);
  }
}
