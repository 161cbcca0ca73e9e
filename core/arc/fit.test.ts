import { completeMix } from '../case/gas-mix';
import { WIRE_CLASSES, type WireClass } from '../case/schema';
import { gasSuits, grooveWanted, linerSuits, polarityWanted, rollSuits, tipSuits, tipWanted } from './fit';
import { dutyAt, gunCarries } from './carries';
import type { Wire } from './wire';

/** Returns what must match the wire, as the trade has it: each row a rule that a welder knows by heart. */
const wire = (wireClass: WireClass, diameterMm = 0.9): Wire => ({ class: wireClass, diameterMm });
const STEEL = wire('solid-steel');
const SOFT = wire('solid-aluminium', 1.2);
const BARE = wire('tubular-self-shielded');
const FLUX = wire('tubular-gas-shielded', 1.2);
const STAINLESS = wire('solid-stainless');

describe('what a wire wants', () => {
  it('is electrode positive for all but the self-shielded, which runs on negative', () => {
    const negative = WIRE_CLASSES.filter((each) => polarityWanted(wire(each)) === 'electrode-negative');
    expect(negative).toEqual(['tubular-self-shielded']);
    expect(polarityWanted(STEEL)).toBe('electrode-positive');
  });

  it('is a V groove for hard wire, a U for soft, a knurled one for tubular', () => {
    expect([STEEL, STAINLESS, SOFT, BARE, FLUX].map(grooveWanted)).toEqual(['v', 'v', 'u', 'knurled', 'knurled']);
  });

  it('is a tip of its own size; aluminium swells, and takes the next one too', () => {
    expect(tipWanted(STEEL)).toEqual([0.9]);
    expect(tipWanted(SOFT)).toEqual([1.2, 1.4]);
    expect(tipWanted(wire('solid-aluminium', 2))).toEqual([2, 2.4]);
    expect([0.8, 0.9, 1.0].map((size) => tipSuits(STEEL, size))).toEqual([false, true, false]);
    expect([1.0, 1.2, 1.4, 1.6].map((size) => tipSuits(SOFT, size))).toEqual([false, true, true, false]);
    // Sizes by the inch are the same sizes: 0.035 in, 0.045 in.
    expect(tipSuits(STEEL, 0.889)).toBe(true);
    expect(tipSuits(FLUX, 1.143)).toBe(true);
  });
});

describe('a drive roll', () => {
  it('suits by groove and size, and what is not known of it is no fault', () => {
    expect(rollSuits(STEEL, { groove: 'v', sizeMm: 0.9 })).toBe(true);
    expect(rollSuits(STEEL, { groove: 'v', sizeMm: 1.2 })).toBe(false);
    expect(rollSuits(STEEL, { groove: 'knurled', sizeMm: 0.9 })).toBe(false);
    expect(rollSuits(STEEL, { groove: 'u' })).toBe(false);
    expect(rollSuits(STEEL, { sizeMm: 0.9 })).toBe(true);
    expect(rollSuits(BARE, {})).toBe(true);
    expect(rollSuits(BARE, { groove: 'v' })).toBe(false);
  });
});

describe('a liner', () => {
  it('is polymer for aluminium and never for tubular wire; solid steel runs in either', () => {
    expect(linerSuits(SOFT, { kind: 'polymer' })).toBe(true);
    expect(linerSuits(SOFT, { kind: 'steel' })).toBe(false);
    expect(linerSuits(BARE, { kind: 'polymer' })).toBe(false);
    expect(linerSuits(BARE, { kind: 'steel' })).toBe(true);
    expect(linerSuits(STAINLESS, { kind: 'polymer' })).toBe(true);
    expect(linerSuits(SOFT, {})).toBe(true);
  });

  it('is as wide as the wire and one or two sizes over it', () => {
    expect([0.8, 0.9, 1.2, 1.3, 1.4, 1.6].map((sizeMm) => linerSuits(STEEL, { sizeMm }))).toEqual([
      false,
      true,
      true,
      true,
      false,
      false,
    ]);
  });
});

describe('a gas', () => {
  const suits = (of: Wire | null, mix: object | null, usesGas = true): boolean =>
    gasSuits({ wire: of, gas: completeMix(mix ?? {}), usesGas }, mix === null);

  it('is pure argon or helium for aluminium', () => {
    expect(suits(SOFT, { argonPct: 100 })).toBe(true);
    expect(suits(SOFT, { argonPct: 50, heliumPct: 50 })).toBe(true);
    expect(suits(SOFT, { argonPct: 98, co2Pct: 2 })).toBe(false);
  });

  it('is a lean mix for stainless: much CO2 eats its polish, none leaves the arc wandering', () => {
    expect(suits(STAINLESS, { argonPct: 98, co2Pct: 2 })).toBe(true);
    expect(suits(STAINLESS, { argonPct: 94, co2Pct: 6 })).toBe(true);
    expect(suits(STAINLESS, { argonPct: 82, co2Pct: 18 })).toBe(false);
    expect(suits(STAINLESS, { argonPct: 100 })).toBe(false);
  });

  it('is CO2 or a mix with a tenth of it for flux wire, and any active one for solid steel', () => {
    expect(suits(FLUX, { co2Pct: 100 })).toBe(true);
    expect(suits(FLUX, { argonPct: 90, co2Pct: 10 })).toBe(true);
    expect(suits(FLUX, { argonPct: 92, co2Pct: 8 })).toBe(false);
    expect(suits(STEEL, { argonPct: 92, co2Pct: 8 })).toBe(true);
    expect(suits(STEEL, { co2Pct: 100 })).toBe(true);
    expect(suits(STEEL, { argonPct: 100 })).toBe(false);
  });

  it('is none for self-shielded wire, and missed by all others; of a wire not known nothing is said', () => {
    expect(suits(BARE, null, false)).toBe(true);
    expect(suits(STEEL, null)).toBe(false);
    expect(suits(null, { argonPct: 100 })).toBe(true);
  });
});

describe('what gun and machine stand', () => {
  it('is a third to two fifths less for the gun in argon mixes than in the CO2 it is rated in', () => {
    expect(gunCarries(250, completeMix({ co2Pct: 100 }))).toBe(250);
    for (const mix of [
      { argonPct: 82, co2Pct: 18 },
      { argonPct: 75, co2Pct: 25 },
      { argonPct: 25, heliumPct: 75 },
    ])
      expect(gunCarries(250, completeMix(mix))).toBeCloseTo(160, 9);
    const half = gunCarries(250, completeMix({ argonPct: 37.5, co2Pct: 62.5 }));
    expect(half).toBeCloseTo(205, 9);
  });

  it('is a share of ten minutes that falls with the square of the current, and is never more than all of it', () => {
    // 200 A at 60 %: 100 % at 200 * sqrt 0.6 = 155 A, 38 % at 250 A.
    expect(dutyAt(200, 200, 60)).toBe(60);
    expect(dutyAt(250, 200, 60)).toBeCloseTo(38.4, 9);
    expect(dutyAt(155, 200, 60)).toBeCloseTo(99.9, 1);
    expect(dutyAt(120, 200, 60)).toBe(100);
  });
});
