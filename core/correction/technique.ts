import { causeOf } from '../diagnosis/engine';
import type { CauseId } from '../evidence/ids';
import { settingMove, type Move } from './moves';
import type { Words } from './reason';
import { probabilityOf } from './scenarios';
import { withinLimits } from '../setting/table';
import { ACT_ABOVE, type Work } from './situation';

/** What the next bead should show once a cause of the hand or of the arc control is cured. */
const EXPECT = {
  'arc-control-crisp': 'less fine spatter, a wetter puddle',
  'arc-control-soft': 'quicker starts, a stiffer puddle',
  'travel-fast': 'a fuller bead with round ripples',
  'travel-slow': 'a smaller bead with the arc on the plate',
  'pulse-trim-low': 'an arc that hums without crackle, and less fine spatter',
  'pulse-trim-high': 'a short, quiet arc and a narrower bead',
  'angle-push-steep': 'a bead that digs in',
  'angle-drag-steep': 'a flatter bead',
  'gun-wrong-way': 'a clean bead: no soot, or slag that stays behind the puddle',
} as const;

/** Travel this much off, as a ratio, is worth a word. */
const PACE_TOLERANCE = 1.2;
/** How far the arc control is moved at a time, in per cent of the dial. */
const ARC_CONTROL_STEP = 20;
/** How far the trim of a pulsed arc is moved at a time, in per cent. */
const TRIM_STEP = 10;
/** An angle steeper than this may be too steep, and the one it is brought to. */
const STEEP_ANGLE = { above: 15, to: 10 };

/**
 * Travel, angle, arc control and trim move by their causes; their "to" comes from the arc model or a fifth of the dial.
 * @param wantedTravel pace of a steady hand at the corrected wire speed in mm/min, null where not known
 */
export function techniqueMoves({ engine, input, diagnosis }: Work, wantedTravel: number | null): Move[] {
  const { arcControlPct, trimPct, travelSpeedMmPerMin, travelAngleDeg } = input.settings ?? {};
  const dials = input.rig?.dials;
  const likely = (id: CauseId): boolean => probabilityOf(diagnosis, id) > ACT_ABOVE;
  const moves: Move[] = [];
  const words = (id: keyof typeof EXPECT): Words => ({ because: causeOf(engine, id).plain, expect: EXPECT[id] });
  for (const [id, name, from, step] of [
    ['arc-control-crisp', 'arcControlPct', arcControlPct, ARC_CONTROL_STEP],
    ['arc-control-soft', 'arcControlPct', arcControlPct, -ARC_CONTROL_STEP],
    ['pulse-trim-low', 'trimPct', trimPct, TRIM_STEP],
    ['pulse-trim-high', 'trimPct', trimPct, -TRIM_STEP],
  ] as const) {
    if (from === undefined || !likely(id)) continue;
    const to = withinLimits(name, from + step);
    if (to !== from) moves.push(settingMove(dials, name, from, to, words(id)));
  }
  const offPace = (['travel-fast', 'travel-slow'] as const).find(likely);
  if (travelSpeedMmPerMin !== undefined && wantedTravel !== null && offPace !== undefined) {
    const change = wantedTravel / travelSpeedMmPerMin;
    // The pace the corrected wire speed wants may be today's: then nothing is to be said.
    const stillOff = offPace === 'travel-fast' ? change < 1 / PACE_TOLERANCE : change > PACE_TOLERANCE;
    const to = Math.round(wantedTravel / 10) * 10;
    if (stillOff) moves.push(settingMove(dials, 'travelSpeedMmPerMin', travelSpeedMmPerMin, to, words(offPace)));
  }
  const { fixed, angleDeg } = diagnosis.setup.hand;
  const leans = (['gun-wrong-way', 'angle-push-steep', 'angle-drag-steep'] as const).find(likely);
  const isOff = (angle: number): boolean =>
    leans === 'gun-wrong-way' ? angle * angleDeg < 0 : Math.abs(angle) > STEEP_ANGLE.above;
  if (travelAngleDeg !== undefined && leans !== undefined && isOff(travelAngleDeg)) {
    // Aluminium that was dragged is pushed, and slag wire the other way.
    const to = Math.sign(fixed ? angleDeg : travelAngleDeg) * STEEP_ANGLE.to;
    moves.push(settingMove(dials, 'travelAngleDeg', travelAngleDeg, to, words(leans)));
  }
  return moves;
}
