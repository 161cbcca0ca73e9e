import { currentAt } from '../arc/setup';
import { outOfReach } from './reach';
import type { Bounds } from './solver';
import { situation, STEADY } from './testing/situation';

const BASE = situation();
const AMPS = currentAt(BASE.setup, STEADY.wireSpeedMPerMin, STEADY.stickOutMm);
/** The corrected wire speed is 7.5 m/min; the machine reaches from `low` to `high`. */
const told = (wantedShare: number | null, low: number, high: number, setup: object = {}): string[] => {
  const bounds = { wireSpeedMPerMin: { low, high, step: 0.1 } } as Bounds;
  const currentWantedA = wantedShare === null ? null : wantedShare * AMPS;
  return outOfReach(situation({ setup: { ...BASE.setup, currentWantedA, ...setup } }), bounds, STEADY);
};

describe('what cannot be reached', () => {
  it('is said at the top of the wire where the plate wants much more, with both currents', () => {
    const [note, ...rest] = told(1.3, 2, 7.5);
    expect(rest).toEqual([]);
    expect(note).toBe(
      `The plate wants about ${Math.round(1.3 * AMPS)} A; this wire and machine reach ${Math.round(AMPS)} A. Thicker wire, bevel and more passes, or preheat by procedure.`,
    );
    expect(told(1.3, 2, 7.64)).toHaveLength(1);
  });

  it('is said at the bottom where the sheet stands much less', () => {
    expect(told(0.7, 7.5, 14)).toEqual([
      `The sheet wants about ${Math.round(0.7 * AMPS)} A; this wire and machine go down to ${Math.round(AMPS)} A. Thinner wire, stitch, or a backing bar.`,
    ]);
    expect(told(0.7, 7.36, 14)).toHaveLength(1);
  });

  it('is nothing where the wire has room to go, or the current is near enough', () => {
    expect(told(1.3, 2, 8)).toEqual([]);
    expect(told(0.7, 7, 14)).toEqual([]);
    expect(told(1.15, 2, 7.5)).toEqual([]);
    expect(told(0.86, 7.5, 14)).toEqual([]);
    expect(told(1, 7.5, 7.5)).toEqual([]);
  });

  it('is not known without the plate, nor for tubular wire', () => {
    expect(told(null, 7.5, 7.5)).toEqual([]);
    expect(told(1.3, 2, 7.5, { wire: { class: 'tubular-gas-shielded', diameterMm: 0.9 } })).toEqual([]);
  });
});
