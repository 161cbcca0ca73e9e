import type { Rig } from '../case/schema';
import { fittedSince } from './fitted-since';

const THEN: Rig = {
  process: 'gmaw',
  wire: { class: 'solid-steel', diameterMm: 0.9 },
  gas: { argonPct: 82, co2Pct: 18 },
  polarity: 'electrode-positive',
  nozzleBoreMm: 13,
  parts: { tip: { sizeMm: 0.9, recessMm: 2 }, liner: { kind: 'steel' }, roll: { groove: 'v', sizeMm: 0.9 } },
};
const found = (now: Partial<Rig>, then: Partial<Rig> = {}) => fittedSince({ ...THEN, ...then }, { ...THEN, ...now });
const said = (now: Partial<Rig>): string =>
  found(now)
    .map(({ part, does }) => `${part}: ${does}`)
    .join(' ');

describe('what is fitted otherwise since', () => {
  it('is nothing where all is the same, or was not recorded then or now', () => {
    expect(found({})).toEqual([]);
    expect(fittedSince({}, THEN)).toEqual([]);
    expect(fittedSince(THEN, {})).toEqual([]);
    expect(found({ gas: { argonPct: 81, co2Pct: 19 } })).toEqual([]);
  });

  it('says of a tip whether the wire is loose in it or does not go through', () => {
    expect(found({ parts: { tip: { sizeMm: 1.2 } } })).toEqual([
      expect.objectContaining({ part: 'Contact tip', was: '0.9 mm', is: '1.2 mm', grave: false }),
    ]);
    expect(said({ parts: { tip: { sizeMm: 1.2 } } })).toMatch(/loose tip/);
    expect(said({ parts: { tip: { sizeMm: 0.8 } } })).toMatch(/does not go through/);
    // A tip a step larger is what some shops fit: the wire is not loose in it.
    expect(said({ parts: { tip: { sizeMm: 1 } } })).toMatch(/holds the current/);
    // With the wire that is fitted now it is no loose one.
    const both = said({ wire: { class: 'solid-steel', diameterMm: 1.2 }, parts: { tip: { sizeMm: 1.2 } } });
    expect(both).not.toMatch(/loose/);
    expect(said({ parts: { tip: { sizeMm: 0.9, recessMm: 5 } } })).toMatch(/sticks out 3 mm more: less current/);
    expect(said({ parts: { tip: { sizeMm: 0.9, recessMm: 0 } } })).toMatch(/sticks out 2 mm less: more current/);
  });

  it('turns with the share of CO2, a volt up for more and down for less', () => {
    expect(said({ gas: { argonPct: 92, co2Pct: 8 } })).toMatch(/Less CO2 .* a volt down/);
    expect(said({ gas: { argonPct: 75, co2Pct: 25 } })).toMatch(/More CO2 .* a volt up/);
    expect(found({ gas: { co2Pct: 100, argonPct: 0 } })[0].grave).toBe(true);
    expect(found({ gas: { argonPct: 75, co2Pct: 25 } })[0].grave).toBe(false);
    expect(said({ gas: null })).toMatch(/do not carry over/);
    expect(said({ gas: { argonPct: 57, co2Pct: 18, heliumPct: 25 } })).toMatch(/Helium/);
  });

  it('says of another wire how much more metal it lays, and of another pole that it is wrong', () => {
    // 1.2 mm has (1.2 / 0.9)^2 = 1.8 times the section.
    expect(said({ wire: { class: 'solid-steel', diameterMm: 1.2 } })).toMatch(/more metal, 1\.8 times .* more current/);
    expect(said({ wire: { class: 'solid-steel', diameterMm: 0.8 } })).toMatch(/less metal, 0\.8 times .* less current/);
    expect(said({ wire: { class: 'solid-stainless', diameterMm: 0.9 } })).toMatch(/Another kind of wire/);
    expect(said({ polarity: 'electrode-negative' })).toMatch(/wrong pole/);
  });

  it('counts a nozzle by its bore, and names liner and roll', () => {
    expect(said({ nozzleBoreMm: 16 })).toMatch(/about 23 % more/);
    expect(said({ nozzleBoreMm: 10 })).toMatch(/about 23 % less/);
    expect(said({ parts: { liner: { kind: 'polymer' } } })).toMatch(/time a run-out/);
    expect(found({ parts: { roll: { groove: 'knurled', sizeMm: 0.9 } } })).toEqual([
      expect.objectContaining({ part: 'Drive roll', was: 'v 0.9 mm', is: 'knurled 0.9 mm' }),
    ]);
  });

  it('puts what the figures do not survive first', () => {
    const all = found({ nozzleBoreMm: 10, polarity: 'electrode-negative', parts: { tip: { sizeMm: 0.8 } } });
    expect(all.map(({ part }) => part)).toEqual(['Pole of the gun', 'Contact tip', 'Nozzle']);
  });
});
