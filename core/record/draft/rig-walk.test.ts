import matchesWalk from '../../compiled/walk';
import { CHECKS } from '../../knowledge/checks';
import { fineToday, inWalkOrder, isLasting, RIG_WALK } from './rig-walk';

const NOON = '2026-05-04T12:00:00.000Z';
const today = (iso: string): boolean => iso.startsWith('2026-05-04');

describe('the walk from cylinder to clamp', () => {
  it('goes by parts of the rig that the knowledge knows, each once', () => {
    expect(new Set(RIG_WALK).size).toBe(RIG_WALK.length);
    const known = new Set(CHECKS.map(({ id }) => id));
    expect(RIG_WALK.filter((id) => !known.has(id))).toEqual([]);
    expect(RIG_WALK[0]).toBe('check-cylinder');
    for (const plate of ['check-grind-half', 'check-zinc', 'check-gap', 'check-tacks'] as const)
      expect(RIG_WALK).not.toContain(plate);
  });

  it('is in the order a hand comes by, with the plate last', () => {
    const looks = (['check-grind-half', 'check-clamp', 'check-nozzle', 'check-cylinder'] as const).map((check) => ({
      check,
    }));
    expect(inWalkOrder(looks).map(({ check }) => check)).toEqual([
      'check-cylinder',
      'check-nozzle',
      'check-clamp',
      'check-grind-half',
    ]);
    expect(looks[0].check).toBe('check-grind-half');
  });

  it('is good for the day, until something is fitted, and only for the rig', () => {
    const walk = { 'check-nozzle': NOON, 'check-tip': '2026-05-03T12:00:00.000Z', 'check-grind-half': NOON };
    expect(fineToday(walk, '2026-05-01T08:00:00.000Z', today)).toEqual(['check-nozzle']);
    expect(fineToday(walk, '2026-05-04T13:00:00.000Z', today)).toEqual([]);
    expect(fineToday({}, NOON, today)).toEqual([]);
  });

  it('speaks for the next coupon by what only a refit changes, and not by what wears while it is used', () => {
    const lasting = RIG_WALK.filter(isLasting);
    expect(lasting).toEqual(expect.arrayContaining(['check-studs', 'check-gas-label', 'check-roll-groove']));
    for (const worn of ['check-nozzle', 'check-tip', 'check-cylinder', 'check-clamp', 'check-liner'] as const)
      expect(lasting).not.toContain(worn);
  });

  it('is kept as instants of checks, and as nothing else', () => {
    expect(matchesWalk({ 'check-nozzle': NOON })).toBe(true);
    expect(matchesWalk({ 'check-nozzle': 'noon' })).toBe(false);
    expect(matchesWalk({ 'bead-ropey': NOON })).toBe(false);
  });
});
