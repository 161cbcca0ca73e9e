import { FITTED_PARTS, type Rig } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { partsOf, withPartAnew, withRefitted } from './worn';

const AT = '2026-05-04T10:00:00.000Z';
const RIG: Rig = {
  ...EXAMPLE_CASE.rig,
  parts: { tip: { sizeMm: 0.9 }, liner: { kind: 'steel', sizeMm: 1.2 }, roll: { groove: 'v', sizeMm: 0.9 } },
};
const begun = (change: Partial<Rig>, before: Rig = RIG): string[] =>
  Object.keys(withRefitted(before, { ...before, ...change }, AT).fittedAt ?? {});

describe('the parts of a rig', () => {
  it('are all that wear or run out; a wire that makes its own gas has no cylinder', () => {
    expect(partsOf(RIG)).toEqual(FITTED_PARTS);
    expect(partsOf({ ...RIG, gas: null })).not.toContain('cylinder');
  });

  it('begin again one by one where the same is fitted anew', () => {
    const first = withPartAnew(RIG, 'tip', AT);
    expect(first).toEqual({ ...RIG, fittedAt: { tip: AT } });
    const later = withPartAnew(first, 'liner', '2026-05-05T10:00:00.000Z');
    expect(later.fittedAt).toEqual({ tip: AT, liner: '2026-05-05T10:00:00.000Z' });
  });

  it.each<[string, Partial<Rig>]>([
    ['spool', { wire: { class: 'solid-steel', diameterMm: 1.0 } }],
    ['cylinder', { gas: { argonPct: 75, co2Pct: 25 } }],
    ['nozzle', { nozzleBoreMm: 16 }],
    ['tip', { parts: { ...RIG.parts, tip: { sizeMm: 1.0 } } }],
    ['liner', { parts: { ...RIG.parts, liner: { kind: 'polymer', sizeMm: 1.2 } } }],
    ['roll', { parts: { ...RIG.parts, roll: { groove: 'u', sizeMm: 0.9 } } }],
  ])('begin again where another %s is recorded, and that one alone', (part, change) => {
    expect(begun(change)).toEqual([part]);
  });

  it('do not begin again by being recorded for the first time, nor by a tip that is only set back', () => {
    expect(begun({ parts: RIG.parts }, { ...RIG, parts: undefined } as Rig)).toEqual([]);
    expect(begun({ parts: { ...RIG.parts, tip: { sizeMm: 0.9, recessMm: 3 } } })).toEqual([]);
    expect(begun({})).toEqual([]);
  });
});
