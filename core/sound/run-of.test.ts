import type { Case } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { arcRunOf } from './run-of';

const FIGURES = { voltageV: 19, wireSpeedMPerMin: 7 };
const withRig = (rig: Partial<NonNullable<Case['rig']>>): Case => ({
  ...EXAMPLE_CASE,
  rig: { ...EXAMPLE_CASE.rig, ...rig },
});

describe('the arc of a case', () => {
  it('is burned with the figures of the machine, as its rig has taught them', () => {
    const plain = arcRunOf(EXAMPLE_CASE, FIGURES, 1)!;
    expect(plain).toMatchObject({ voltageV: 19, wireSpeedMPerMin: 7, arcControlPct: 50, seed: 1 });
    expect(plain.wire).toEqual({
      class: EXAMPLE_CASE.rig!.wire!.class,
      diameterMm: EXAMPLE_CASE.rig!.wire!.diameterMm,
    });
    const machine = { offsetV: -0.7, wireScale: 1.05, sure: null };
    const taught = arcRunOf({ ...EXAMPLE_CASE, experience: { machine } as Case['experience'] }, FIGURES, 1)!;
    expect(taught.voltageV).toBeCloseTo(18.3, 9);
    expect(taught.wireSpeedMPerMin).toBeCloseTo(7.35, 9);
  });

  it('takes the usual stick-out where none is known, and the one that is', () => {
    const usual = arcRunOf(EXAMPLE_CASE, FIGURES, 1)!.stickOutMm;
    expect(usual).toBeGreaterThan(6);
    expect(usual).toBeLessThan(22);
    expect(arcRunOf(EXAMPLE_CASE, { ...FIGURES, stickOutMm: 17, arcControlPct: 10 }, 1)).toMatchObject({
      stickOutMm: 17,
      arcControlPct: 10,
    });
  });

  it('is none where something is lacking, or of a kind that is not simulated', () => {
    expect(arcRunOf(EXAMPLE_CASE, { voltageV: 19 }, 1)).toBeNull();
    expect(arcRunOf(EXAMPLE_CASE, { wireSpeedMPerMin: 7 }, 1)).toBeNull();
    expect(arcRunOf(withRig({ wire: {} }), FIGURES, 1)).toBeNull();
    expect(arcRunOf(withRig({ mode: 'pulse' }), FIGURES, 1)).toBeNull();
    expect(arcRunOf(withRig({ gas: { co2Pct: 0 } }), FIGURES, 1)).toBeNull();
    expect(arcRunOf(EXAMPLE_CASE, { ...FIGURES, voltageV: 60 }, 1)).toBeNull();
    expect(arcRunOf(EXAMPLE_CASE, { ...FIGURES, wireSpeedMPerMin: 0.2 }, 1)).toBeNull();
    expect(arcRunOf(EXAMPLE_CASE, { ...FIGURES, stickOutMm: 60 }, 1)).toBeNull();
  });
});
