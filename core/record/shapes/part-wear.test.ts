import { FITTED_PARTS, type Rig } from '../../case/schema';
import { EXAMPLE_CASE } from '../../cases/example';
import { partsOf, withPartAnew, withRefitted } from './part-wear';

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

  it('hold what a new one holds: a spool is full, a cylinder is what its gauge will say', () => {
    const stocked: Rig = {
      ...RIG,
      spool: { fullKg: 15, leftKg: 0.5, at: '2026-04-01T08:00:00.000Z' },
      cylinder: { kind: 'compressed', volumeL: 20, pressureBar: 12, at: '2026-04-01T08:00:00.000Z' },
    };
    expect(withPartAnew(stocked, 'spool', AT).spool).toEqual({ fullKg: 15, leftKg: 15, at: AT });
    expect(withPartAnew({ ...RIG, spool: { leftKg: 1, at: AT } }, 'spool', AT)).not.toHaveProperty('spool');
    const other = { ...stocked, wire: { class: 'solid-aluminium', diameterMm: 1.2 } } as const;
    expect(withRefitted(stocked, other, AT)).not.toHaveProperty('spool');
    expect(withPartAnew(stocked, 'cylinder', AT).cylinder).toEqual({ kind: 'compressed', volumeL: 20 });
    expect(withPartAnew(stocked, 'tip', AT)).toEqual({ ...stocked, fittedAt: { tip: AT } });
  });

  it('do not begin again by a grade or a shape that is said for the first time, but by another one', () => {
    const graded: Rig = {
      ...RIG,
      wire: { ...RIG.wire, grade: 'G3Si1' },
      parts: { ...RIG.parts, nozzle: { shape: 'straight' } },
    };
    expect(begun({ wire: graded.wire, parts: graded.parts })).toEqual([]);
    expect(begun({ wire: { ...RIG.wire, grade: 'G4Si1' } }, graded)).toEqual(['spool']);
    expect(begun({ parts: { ...RIG.parts, nozzle: { shape: 'tapered' } } }, graded)).toEqual(['nozzle']);
  });

  it('do not begin again by being recorded for the first time, nor by a tip that is only set back', () => {
    expect(begun({ parts: RIG.parts }, { ...RIG, parts: undefined } as Rig)).toEqual([]);
    expect(begun({ parts: { ...RIG.parts, tip: { sizeMm: 0.9, recessMm: 3 } } })).toEqual([]);
    expect(begun({})).toEqual([]);
  });
});
