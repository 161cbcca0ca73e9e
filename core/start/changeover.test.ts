import fc from 'fast-check';
import { tipWanted } from '../arc/fit';
import { arcSetup } from '../arc/setup';
import type { Wire } from '../arc/wire';
import { CASE_FORMAT, GROOVES, LINERS, POLARITIES, WIRE_CLASSES, type Rig } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { changedOver, changeover } from './changeover';
import { rigCheck } from './rig-check';

const ALUMINIUM: Wire = { class: 'solid-aluminium', diameterMm: 1.2 };
const SELF: Wire = { class: 'tubular-self-shielded', diameterMm: 0.9 };
const STEEL: Wire = { class: 'solid-steel', diameterMm: 0.9 };
const FITTED: Rig = {
  ...{ ...RIGS.mix09, polarity: 'electrode-positive' },
  parts: { tip: { sizeMm: 0.9 }, liner: { kind: 'steel', sizeMm: 0.9 }, roll: { groove: 'v', sizeMm: 0.9 } },
};
const swaps = (rig: Rig, to: Wire): string[] => changeover(rig, to).flatMap(({ id, swap }) => (swap ? [id] : []));

describe('changing over', () => {
  it('goes in the order of the hand, power off first, and names each step once', () => {
    for (const to of [ALUMINIUM, SELF, STEEL]) {
      const ids = changeover(FITTED, to).map(({ id }) => id);
      expect(ids.slice(0, 9)).toEqual(['off', 'spool', 'liner', 'roll', 'tip', 'gas', 'studs', 'thread', 'tension']);
      expect(new Set(ids).size).toBe(ids.length);
      expect(changeover(FITTED, to)[0].caution).toMatch(/Welder off/);
    }
  });

  it('to aluminium: polymer liner, U groove, argon, a tip that lets it swell, a brush of its own, push only', () => {
    const said = changeover(FITTED, ALUMINIUM)
      .map(({ do: does }) => does)
      .join(' ');
    for (const word of [
      /Polymer liner/,
      /smooth U groove/,
      /Argon on/,
      /1\.2 mm or 1\.4 mm/,
      /stainless brush/,
      /Push only/,
      /slips when the wire is stopped dead/,
    ])
      expect(said).toMatch(word);
    expect(swaps(FITTED, ALUMINIUM)).toEqual(expect.arrayContaining(['spool', 'liner', 'roll', 'tip', 'gas']));
    expect(swaps(FITTED, ALUMINIUM)).not.toContain('studs');
  });

  it('to aluminium: a tip and a liner of steel go though they are of the size; those of aluminium stay', () => {
    const parts: Rig['parts'] = { tip: { sizeMm: tipWanted(ALUMINIUM)[0] }, liner: { kind: 'polymer', sizeMm: 1.2 } };
    const of = (wire: Wire): string[] => swaps({ ...FITTED, wire, parts }, ALUMINIUM);
    expect(of(STEEL)).toEqual(expect.arrayContaining(['tip', 'liner']));
    for (const stays of ['tip', 'liner']) expect(of(ALUMINIUM)).not.toContain(stays);
    expect(swaps({ parts }, ALUMINIUM)).toContain('tip');
  });

  it('to self-shielded: gas off, gun on minus, knurled rolls, drag; the tip and liner of its size stay', () => {
    const said = changeover(FITTED, SELF)
      .map(({ do: does }) => does)
      .join(' ');
    for (const word of [/Cylinder shut/, /Gun lead on minus/, /knurled groove/, /Drag/]) expect(said).toMatch(word);
    expect(swaps(FITTED, SELF)).toEqual(expect.arrayContaining(['spool', 'roll', 'gas', 'studs']));
    for (const stays of ['tip', 'liner']) expect(swaps(FITTED, SELF)).not.toContain(stays);
  });

  it('swaps what is not recorded, to be sure, and nothing but what is worked where all is right', () => {
    expect(swaps({}, STEEL)).toEqual(expect.arrayContaining(['spool', 'liner', 'roll', 'tip', 'gas', 'studs']));
    expect(swaps(FITTED, STEEL)).toEqual(['off', 'thread', 'tension']);
  });
});

describe('a rig that was changed over', () => {
  const size = fc.constantFrom(0.8, 0.9, 1.0, 1.2);
  const wire = fc.record({ class: fc.constantFrom(...WIRE_CLASSES), diameterMm: size });
  const rig: fc.Arbitrary<Rig> = fc.record(
    {
      wire,
      gas: fc.constantFrom(null, { argonPct: 82, co2Pct: 18 }, { argonPct: 100 }, { co2Pct: 100, argonPct: 0 }),
      polarity: fc.constantFrom(...POLARITIES),
      mode: fc.constantFrom('conventional' as const, 'pulse' as const),
      parts: fc.record({
        tip: fc.record({ sizeMm: size }),
        liner: fc.record({ kind: fc.constantFrom(...LINERS), sizeMm: size }),
        roll: fc.record({ groove: fc.constantFrom(...GROOVES), sizeMm: size }),
      }),
    },
    { requiredKeys: [] },
  );

  it('passes the check of everything that has to match its wire', () => {
    fc.assert(
      fc.property(rig, wire, (from, to) => {
        const after = changedOver(from, to);
        const setup = arcSetup({ format: CASE_FORMAT, rig: after });
        const wrong = rigCheck(setup, after, null, 120).filter(({ state }) => state === 'wrong');
        // The metal of the plate is another question.
        expect(wrong.map(({ part }) => part).filter((part) => part !== 'wire')).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  it('keeps the machine: its knobs, its gun, its plate, and what of its parts fits', () => {
    const dials = {
      voltageV: {
        step: 1,
        points: [
          { mark: 1, value: 14 },
          { mark: 10, value: 26 },
        ],
      },
    };
    const after = changedOver({ ...FITTED, dials, gun: { ratedA: 250 }, mode: 'pulse' }, SELF);
    expect(after).toEqual(expect.objectContaining({ dials, gun: { ratedA: 250 }, gas: null, mode: 'conventional' }));
    expect(after.parts?.tip).toEqual(FITTED.parts?.tip);
    expect(changedOver(FITTED, STEEL)).toEqual({ ...FITTED, process: 'gmaw' });
  });
});
