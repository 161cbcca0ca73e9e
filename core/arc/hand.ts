import type { BaseMetal, Case, Position } from '../case/schema';
import { isTubular, type Wire } from './wire';

/** How the gun is usually held and moved on a job, by metal, wire, position and the school of the welder. */
export type Hand = {
  /** Travel angle in degrees: push is more than 0, drag less. */
  angleDeg: number;
  /** Whether the puddle is woven from side to side instead of run straight. */
  weaves: boolean;
  /** Whether metal or wire leave no choice of push or drag. */
  fixed: boolean;
  /** Why so. */
  because: string;
};

/** A moderate angle either way; source: the trade's 5 to 15 degrees. */
const MODERATE_DEG = 10;
/** A gap from which a straight run falls through, mm. */
const GAP_TO_WEAVE_MM = 2;

type On = { wire: Wire | null; baseMetal: BaseMetal; position: Position; gapMm: number };

/** Push or drag: aluminium is always pushed and slag-bearing wire always dragged; on the rest welders differ. */
function angleOf({ wire, baseMetal }: On, school: 'push' | 'drag'): Omit<Hand, 'weaves'> {
  if (baseMetal === 'aluminium') return { angleDeg: MODERATE_DEG, fixed: true, because: 'aluminium is always pushed' };
  if (wire !== null && isTubular(wire.class))
    return { angleDeg: -MODERATE_DEG, fixed: true, because: 'wire with slag is always dragged' };
  return school === 'push'
    ? { angleDeg: MODERATE_DEG, fixed: false, because: 'pushed: flatter, and better covered by the gas' }
    : { angleDeg: -MODERATE_DEG, fixed: false, because: 'dragged: digs in more, and crowns' };
}

/**
 * The hand of a job.
 * @param schools of the welder; push and straight where nothing is said, which is what most are taught first
 */
export function handOf(on: On, { gun = 'push', run = 'straight' }: NonNullable<Case['preferences']>): Hand {
  const needsWeave = on.position === 'vertical-up' || on.gapMm >= GAP_TO_WEAVE_MM;
  return { ...angleOf(on, gun), weaves: run === 'weave' || needsWeave };
}
