import fc from 'fast-check';
import { completeMix } from '../case/gas-mix';
import { POSITIONS } from '../case/schema';
import { askedFor, type AskedOn } from './asked';
import { quietRanges } from './quiet-ranges';
import { sprayTransitionCurrent } from './transfer';
import type { Wire } from './wire';

const steel = (diameterMm: number): Wire => ({ class: 'solid-steel', diameterMm });
const gas = (co2Pct: number) => completeMix({ argonPct: 100 - co2Pct, co2Pct });
const on = (fields: Partial<AskedOn> = {}): AskedOn => ({
  ...{ wire: steel(1.2), gas: gas(10), position: 'flat', pulse: false, thinnestMm: 6 },
  ...{ isOpenRoot: false, ceilingA: 360, school: 'by-plate' },
  most: { voltageV: 50, wireSpeedMPerMin: 25 },
  ...fields,
});

describe('the quiet ranges of a wire', () => {
  // Ranges of charts, A; the wild zone between 0.85 and 1.12 of the transition is cut out of them.
  it.each([
    [0.6, 18, [30, 100], null],
    [0.8, 10, [40, 142], [186, 210]],
    [0.9, 18, [50, 168], [221, 250]],
    [1.2, 10, [90, 208], [274, 360]],
    [1.2, 25, [90, 220], null],
    [1.6, 10, null, [342, 430]],
  ] as const)('of %d mm in argon with %d %% CO2', (diameterMm, co2, short, spray) => {
    const ranges = quietRanges(steel(diameterMm), gas(co2));
    const ends = (range: { lowA: number; highA: number } | null) =>
      range === null ? null : [Math.round(range.lowA), Math.round(range.highA)];
    expect([ends(ranges.short), ends(ranges.spray)]).toEqual([short, spray]);
  });

  it('of aluminium are spray alone, and tubular wire has none of these', () => {
    const aluminium = quietRanges({ class: 'solid-aluminium', diameterMm: 1.2 }, completeMix({ argonPct: 100 }));
    expect(aluminium.short).toBeNull();
    expect(aluminium.spray!.lowA).toBeCloseTo(142, 0);
    expect(quietRanges({ class: 'tubular-gas-shielded', diameterMm: 1.2 }, gas(18))).toEqual({
      short: null,
      spray: null,
    });
  });
});

describe('the current that is asked of a pass', () => {
  it('never lies in the wild zone, and rises with what the plate wants as long as the transfer stays', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.6, 0.8, 0.9, 1.0, 1.2, 1.6),
        fc.constantFrom(2, 8, 10, 18, 20),
        fc.constantFrom(...POSITIONS),
        fc.double({ min: 0.6, max: 25, noNaN: true }),
        fc.constantFrom('by-plate' as const, 'short-arc' as const, 'spray' as const),
        (diameterMm, co2, position, thinnestMm, school) => {
          const at = on({ wire: steel(diameterMm), gas: gas(co2), position, thinnestMm, school });
          let before = askedFor(40, at);
          for (let wanted = 45; wanted < 300; wanted += 5) {
            const now = askedFor(wanted, at);
            const share = now.currentAskedA / sprayTransitionCurrent(steel(diameterMm), gas(co2))!;
            expect(share <= 0.85 + 1e-9 || share >= 1.12 - 1e-9).toBe(true);
            const isSame =
              share > 1 === before.currentAskedA / sprayTransitionCurrent(steel(diameterMm), gas(co2))! > 1;
            if (isSame) expect(now.currentAskedA).toBeGreaterThanOrEqual(before.currentAskedA - 1e-9);
            before = now;
          }
        },
      ),
    );
  });

  it('is a choice where both transfers do, said with the other one', () => {
    const usual = askedFor(215, on());
    expect(usual.otherWay).toEqual({ transfer: 'spray', currentA: expect.closeTo(273.5, 0) });
    const sprayed = askedFor(215, on({ school: 'spray' }));
    expect([sprayed.currentAskedA, sprayed.otherWay!.transfer]).toEqual([expect.closeTo(273.5, 0), 'short-circuit']);
    // Heavy plate is sprayed; sheet, an open root and uphill are not, whatever the school.
    expect(askedFor(240, on({ thinnestMm: 12 }))).toEqual(expect.objectContaining({ otherWay: null }));
    for (const fields of [{ thinnestMm: 3 }, { isOpenRoot: true }, { position: 'vertical-up' as const }])
      expect(askedFor(150, on({ ...fields, school: 'spray' }))).toEqual(
        expect.objectContaining({ currentAskedA: 150, otherWay: null }),
      );
  });

  it('of a wire that is too thick is none, and its least is said', () => {
    expect(askedFor(60, on({ thinnestMm: 0.8 })).tooThickFromA).toBe(90);
    expect(askedFor(80, on({ thinnestMm: 1.2 })).tooThickFromA).toBeNull();
    const thick = on({ wire: steel(1.6), thinnestMm: 6, ceilingA: 430 });
    expect(askedFor(204, thick).tooThickFromA).toBeCloseTo(342, 0);
    expect(askedFor(245, { ...thick, thinnestMm: 12 })).toEqual(
      expect.objectContaining({ currentAskedA: expect.closeTo(349, 0), tooThickFromA: null }),
    );
    expect(askedFor(245, { ...thick, thinnestMm: 12, position: 'vertical-up' }).tooThickFromA).not.toBeNull();
  });

  it('of heavy plate is what charts spray it with, away from the cold edge, where the machine reaches it', () => {
    // Charts: 1.2 mm wire at 270 to 320 A on 8 to 20 mm, 28 to 31 V.
    const spray = quietRanges(steel(1.2), gas(10)).spray!;
    const of = (wantedA: number, thinnestMm: number, most = on().most) =>
      askedFor(wantedA, on({ thinnestMm, most })).currentAskedA;
    expect(of(227, 8)).toBeCloseTo(284, 0);
    expect(of(246, 12)).toBeCloseTo(307.5, 0);
    // 1.25 times that would be past the middle of the range; what is wanted by itself is given.
    expect(of(300, 25)).toBeCloseTo((spray.lowA + spray.highA) / 2, 0);
    expect(of(340, 25)).toBe(340);
    // Volts that end at the least of a spray: that one.
    expect(of(246, 12, { voltageV: 27, wireSpeedMPerMin: 25 })).toBeCloseTo(spray.lowA, 0);
    for (let t = 8; t < 25; t++) expect(of(200 + 4 * t + 4, t + 1)).toBeGreaterThanOrEqual(of(200 + 4 * t, t));
  });

  it('in pulse goes far under the spray, and a wire is too thick from there alone', () => {
    // Pulse charts: 1.6 mm steel from about 120 A.
    const thick = on({ wire: steel(1.6), thinnestMm: 4, ceilingA: 430, pulse: true });
    expect(askedFor(150, thick)).toMatchObject({ currentAskedA: 150, tooThickFromA: null });
    expect(askedFor(90, { ...thick, thinnestMm: 1.8 }).tooThickFromA).toBeCloseTo(126, 0);
  });
});
