import { causeOf } from '../diagnosis/engine';
import type { CauseId } from '../evidence/ids';
import { settingMove, type Move } from './moves';
import { probabilityOf } from './scenarios';
import { ACT_ABOVE, type Work } from './situation';

/** Travel this much off, as a ratio, is worth a word. */
const PACE_TOLERANCE = 1.2;
/** How far the arc control is moved at a time, in per cent of the dial. */
const ARC_CONTROL_STEP = 20;
/** An angle steeper than this may be too steep, and the one it is brought to. */
const STEEP_ANGLE = { above: 15, to: 10 };

/**
 * Travel, angle and arc control move by their causes; their "to" comes from the arc model or a fifth of the dial.
 * @param wantedTravel pace of a steady hand at the corrected wire speed in mm/min, null where not known
 */
export function techniqueMoves({ engine, input, diagnosis }: Work, wantedTravel: number | null): Move[] {
  const { arcControlPct, travelSpeedMmPerMin, travelAngleDeg } = input.settings ?? {};
  const dials = input.rig?.dials;
  const likely = (id: CauseId): boolean => probabilityOf(diagnosis, id) > ACT_ABOVE;
  const moves: Move[] = [];
  if (arcControlPct !== undefined) {
    for (const [id, step] of [
      ['arc-control-crisp', ARC_CONTROL_STEP],
      ['arc-control-soft', -ARC_CONTROL_STEP],
    ] as const) {
      const to = Math.min(100, Math.max(0, arcControlPct + step));
      if (likely(id) && to !== arcControlPct)
        moves.push(settingMove(dials, 'arcControlPct', arcControlPct, to, causeOf(engine, id)));
    }
  }
  const offPace = (['travel-fast', 'travel-slow'] as const).find(likely);
  if (travelSpeedMmPerMin !== undefined && wantedTravel !== null && offPace !== undefined) {
    const change = wantedTravel / travelSpeedMmPerMin;
    // The pace the corrected wire speed wants may be today's: then nothing is to be said.
    const stillOff = offPace === 'travel-fast' ? change < 1 / PACE_TOLERANCE : change > PACE_TOLERANCE;
    const to = Math.round(wantedTravel / 10) * 10;
    if (stillOff)
      moves.push(settingMove(dials, 'travelSpeedMmPerMin', travelSpeedMmPerMin, to, causeOf(engine, offPace)));
  }
  const steep = (['angle-push-steep', 'angle-drag-steep'] as const).find(likely);
  if (travelAngleDeg !== undefined && steep !== undefined && Math.abs(travelAngleDeg) > STEEP_ANGLE.above) {
    const to = Math.sign(travelAngleDeg) * STEEP_ANGLE.to;
    moves.push(settingMove(dials, 'travelAngleDeg', travelAngleDeg, to, causeOf(engine, steep)));
  }
  return moves;
}
