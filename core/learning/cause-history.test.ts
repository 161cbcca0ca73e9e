import fc from 'fast-check';
import type { Rig } from '../case/schema';
import { causeHistory, type HistoryBead } from './cause-history';

const RIG: Rig = {
  wire: { class: 'solid-steel', diameterMm: 0.9 },
  gas: { argonPct: 82, co2Pct: 18 },
  nozzleBoreMm: 15,
};
const NOW = '2026-06-01T12:00:00.000Z';
const daysAgo = (days: number): string => new Date(Date.parse(NOW) - days * 86_400_000).toISOString();
const bead = (number: number, fields: Partial<HistoryBead> = {}): HistoryBead => ({
  couponId: 'a',
  number,
  ranAt: daysAgo(0),
  outcome: 'same',
  cured: [],
  rig: RIG,
  ...fields,
});
const of = (beads: HistoryBead[], fitted = RIG, at = NOW) =>
  Object.fromEntries(causeHistory(beads, fitted, at).map(({ cause, ...counts }) => [cause, counts]));

describe('causes that a rig is known for', () => {
  it('are those whose cure the next bead bore out', () => {
    const cured = bead(1, { cured: ['nozzle-blocked'] });
    for (const outcome of ['sound', 'better'] as const)
      expect(of([cured, bead(2, { outcome })])['nozzle-blocked'].confirmed).toBe(1);
    for (const outcome of ['same', 'worse', null] as const) expect(of([cured, bead(2, { outcome })])).toEqual({});
    expect(of([cured])).toEqual({});
    // The next bead of another coupon says nothing, nor one that came before.
    expect(of([cured, bead(2, { couponId: 'b', outcome: 'sound' })])).toEqual({});
    expect(of([cured, bead(0, { outcome: 'sound' })])).toEqual({});
    // A bead between that was no better takes the word from a later one.
    expect(of([cured, bead(2), bead(3, { outcome: 'sound' })])).toEqual({});
  });

  it('are counted of the bad beads, and shared where several were cured at once', () => {
    const beads = [
      bead(1),
      bead(2, { outcome: null }),
      bead(3, { cured: ['clamp-poor', 'cable-loose'] }),
      bead(4, { outcome: 'sound' }),
    ];
    expect(of(beads)).toEqual({
      'clamp-poor': { confirmed: 0.5, beads: 2 },
      'cable-loose': { confirmed: 0.5, beads: 2 },
    });
  });

  it('are none that a new part cures, nor of the plate, the hand or the knobs', () => {
    const cured = ['tip-worn', 'wire-rusty', 'gas-empty', 'plate-dirty', 'travel-fast', 'voltage-low', 'retired-cause'];
    for (const one of cured) expect(of([bead(1, { cured: [one] }), bead(2, { outcome: 'sound' })])).toEqual({});
  });

  it('fade by half in ninety days, and what comes later than the moment asked is left out', () => {
    const pair = (days: number) => [
      bead(1, { cured: ['draught'], ranAt: daysAgo(days) }),
      bead(2, { outcome: 'sound', ranAt: daysAgo(days - 0.01) }),
    ];
    expect(of(pair(90)).draught).toEqual({ confirmed: 0.5, beads: 0.5 });
    expect(of(pair(180)).draught.confirmed).toBeCloseTo(0.25, 2);
    expect(of(pair(500))).toEqual({});
    expect(of(pair(0), RIG, daysAgo(1))).toEqual({});
  });

  it('end when what they sit in is fitted anew, each with its own part', () => {
    const beads = [bead(1, { cured: ['nozzle-blocked', 'roll-loose', 'draught'] }), bead(2, { outcome: 'sound' })];
    const share = (fitted: Rig) => Object.keys(of(beads, fitted)).sort();
    expect(share(RIG)).toEqual(['draught', 'nozzle-blocked', 'roll-loose']);
    expect(share({ ...RIG, nozzleBoreMm: 12 })).toEqual(['draught', 'roll-loose']);
    expect(share({ ...RIG, wire: { class: 'solid-steel', diameterMm: 1.2 } })).toEqual(['draught', 'nozzle-blocked']);
    // A new one of the same ends it too, and of liner what dragged in the old one.
    const anew = (part: 'nozzle' | 'liner') => ({ ...RIG, fittedAt: { [part]: daysAgo(-0) } });
    expect(share(anew('nozzle'))).toEqual(['draught', 'roll-loose']);
    expect(share(anew('liner'))).toEqual(['draught', 'nozzle-blocked', 'roll-loose']);
    const dragged = [bead(1, { cured: ['liner-dirty'] }), bead(2, { outcome: 'sound' })];
    expect(Object.keys(of(dragged))).toEqual(['liner-dirty']);
    expect(of(dragged, anew('liner'))).toEqual({});
    // Another nozzle was on between, though the old one is on again.
    const between = bead(3, { rig: { ...RIG, nozzleBoreMm: 12 }, ranAt: daysAgo(-0) });
    expect(Object.keys(of([...beads, between]))).not.toContain('nozzle-blocked');
  });

  it('are the same in whatever order the beads came in, and never more than the bad beads', () => {
    const beads = Array.from({ length: 12 }, (_, i) =>
      bead(i % 4, {
        couponId: String(Math.floor(i / 4)),
        ranAt: daysAgo(40 - i),
        outcome: (['worse', 'better', 'sound', null] as const)[(i * 7) % 4],
        cured: i % 2 === 0 ? ['nozzle-blocked', 'clamp-poor'] : ['gas-leak'],
      }),
    );
    const held = causeHistory(beads, RIG, NOW);
    expect(held.length).toBeGreaterThan(1);
    for (const { confirmed, beads: all } of held) expect(confirmed).toBeLessThanOrEqual(all);
    fc.assert(
      fc.property(fc.shuffledSubarray(beads, { minLength: 12, maxLength: 12 }), (shuffled) => {
        expect(causeHistory(shuffled, RIG, NOW)).toEqual(held);
      }),
    );
  });
});
