import { answer } from '../answer';
import type { Case } from '../case/schema';
import { CASE_FORMAT } from '../case/schema';

/** A stubbing fillet on 0.9 mm wire in 82/18, whose spray begins near 200 A and 9 m/min. */
const stubbing = (voltageV: number, wireSpeedMPerMin: number, more: Partial<Case> = {}): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', thicknessMm: 5, joint: 'fillet', position: 'horizontal' },
  rig: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
  },
  settings: { voltageV, wireSpeedMPerMin, stickOutMm: 12 },
  findings: { 'wire-stubs': 'present' },
  ...more,
});
const corrected = (input: Case): [volts: number, wire: number] => {
  const { voltageV, wireSpeedMPerMin } = answer(input).correction.settings;
  return [voltageV!, wireSpeedMPerMin!];
};

describe('volts of a short arc with the wire of a spray', () => {
  it('are both wrong: what charts set on 5 mm with this wire is 19 to 21.5 V and 7 to 8.5 m/min', () => {
    for (const wire of [9.5, 10, 11])
      for (const volts of [16, 17]) {
        const [toVolts, toWire] = corrected(stubbing(volts, wire));
        expect(toVolts).toBeGreaterThan(19);
        expect(toVolts).toBeLessThan(21.6);
        expect(toWire).toBeGreaterThan(7);
        expect(toWire).toBeLessThan(8.6);
      }
  });

  it('are not held to be both wrong where a school says which is turned', () => {
    const byVolts = corrected(stubbing(17, 10, { preferences: { imbalance: 'volts' } }));
    expect(byVolts[1]).toBe(10);
    expect(byVolts[0]).toBeGreaterThan(25);
  });

  it('leave the wire alone where it runs a short arc, and where the plate wants a spray', () => {
    expect(corrected(stubbing(16, 7.5))[1]).toBe(7.5);
    // At 8 m/min it lies just under its spray, where no arc is quiet: it comes down to the top of the short arc.
    expect(corrected(stubbing(16, 8))[1]).toBeCloseTo(7.5, 0);
    const thick = stubbing(21, 10.5, {
      job: { baseMetal: 'mild-steel', thicknessMm: 10, joint: 'fillet', position: 'flat' },
      rig: { ...stubbing(0, 0).rig, wire: { class: 'solid-steel', diameterMm: 1 }, gas: { argonPct: 95, co2Pct: 5 } },
    });
    const [volts, wire] = corrected(thick);
    expect(wire).toBeGreaterThan(9.8);
    expect(volts).toBeGreaterThan(23);
  });

  it('bring wire that lies just under its spray down to a short arc, with the volts that go with it', () => {
    const [volts, wire] = corrected(
      stubbing(22, 9.5, { job: { baseMetal: 'mild-steel', thicknessMm: 5, joint: 'fillet', position: 'flat' } }),
    );
    expect(volts).toBeGreaterThan(19.5);
    expect(volts).toBeLessThanOrEqual(22);
    expect(wire).toBeLessThan(8.6);
  });

  it('are told by ear what becomes of them: a cold bead on heavy plate goes over into a spray, sheet out of one', () => {
    const expected = (input: Case): string =>
      answer(input)
        .correction.moves.map(({ expect: said }) => said)
        .join(' ');
    const flat = { baseMetal: 'mild-steel', joint: 'fillet', position: 'flat' } as const;
    const cold = stubbing(17.2, 4.5, {
      job: { ...flat, thicknessMm: 8 },
      findings: { 'bead-ropey': 'present', 'sound-crisp': 'present', 'back-no-mark': 'present' },
    });
    expect(expected(cold)).toMatch(/turns to a steady hiss: a spray/);
    expect(expected({ ...cold, job: { ...flat, thicknessMm: 4 } })).toMatch(/the same crackle, fuller/);
    const hot = stubbing(26, 10, { job: { ...flat, thicknessMm: 2 }, findings: { 'back-burned-through': 'present' } });
    expect(expected(hot)).toMatch(/turns to a crackle: a short arc/);
  });
});
