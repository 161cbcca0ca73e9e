import type { Case } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { CASE_FORMAT } from '../case/schema';
import { handOf } from './hand';
import { readArc } from './reading';
import { arcSetup, withWire } from './setup';
import { expectedTravel } from './pace';

const STEEL = {
  wire: { class: 'solid-steel', diameterMm: 0.9 },
  baseMetal: 'mild-steel',
  position: 'flat',
  gapMm: 0,
} as const;
const angle = (on: object, schools: NonNullable<Case['preferences']> = {}): number =>
  Math.sign(handOf({ ...STEEL, ...on }, schools).angleDeg);
const caseOf = (preferences: Case['preferences'], job: Case['job'] = { thicknessMm: 6 }): Case => ({
  format: CASE_FORMAT,
  rig: RIGS.mix09,
  job,
  ...(preferences === undefined ? {} : { preferences }),
});

describe('the hand of a job', () => {
  it('pushes aluminium and drags slag wire whatever the school, and follows it on the rest', () => {
    const tubular = { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 } };
    for (const gun of ['push', 'drag'] as const) {
      expect(angle({ baseMetal: 'aluminium' }, { gun })).toBe(1);
      expect(angle(tubular, { gun })).toBe(-1);
      expect(handOf({ ...STEEL, baseMetal: 'aluminium' }, { gun }).fixed).toBe(true);
    }
    // On solid steel welders differ: neither way is wrong.
    for (const gun of ['push', 'drag'] as const) {
      expect(handOf(STEEL, { gun }).fixed).toBe(false);
      expect(handOf(STEEL, { gun }).because).toMatch(gun === 'push' ? /^pushed/ : /^dragged/);
    }
    expect([angle({}), angle({}, { gun: 'push' }), angle({}, { gun: 'drag' })]).toEqual([1, 1, -1]);
  });

  it('runs straight but uphill and over a gap, or where the school weaves', () => {
    const weaves = (on: object, run?: 'straight' | 'weave'): boolean =>
      handOf({ ...STEEL, ...on }, run === undefined ? {} : { run }).weaves;
    expect([weaves({}), weaves({}, 'weave'), weaves({ position: 'vertical-up' }), weaves({ gapMm: 2 })]).toEqual([
      false,
      true,
      true,
      true,
    ]);
    expect(weaves({ position: 'vertical-down' })).toBe(false);
  });
});

describe('schools in the arc model', () => {
  it('that drag dig deeper at the same settings', () => {
    const settings = { voltageV: 20, wireSpeedMPerMin: 7, travelSpeedMmPerMin: 300 };
    const depth = (gun: 'push' | 'drag') => readArc(arcSetup(caseOf({ gun })), settings).penetrationMm!;
    expect(depth('drag')).toBeGreaterThan(1.05 * depth('push'));
  });

  it('that weave go more slowly and lay more', () => {
    const travel = (run: 'straight' | 'weave') =>
      expectedTravel(withWire(arcSetup(caseOf({ run }, { thicknessMm: 3 })))!, 7);
    expect(travel('weave') / travel('straight')).toBeCloseTo(0.75, 2);
  });

  it('that run a bit hot ask for a twentieth more, up to what is carried, and for no more on sheet', () => {
    const asked = (heat: 'as-wanted' | 'a-bit-hot', thicknessMm: number) =>
      arcSetup(caseOf({ heat }, { thicknessMm })).currentAskedA!;
    expect(asked('a-bit-hot', 3) / asked('as-wanted', 3)).toBeCloseTo(1.05, 6);
    expect(asked('a-bit-hot', 1)).toBe(asked('as-wanted', 1));
    const { ceiling, currentAskedA } = arcSetup(caseOf({ heat: 'a-bit-hot' }, { thicknessMm: 20 }));
    expect(currentAskedA!).toBeLessThanOrEqual(ceiling!.currentA + 1e-9);
    // What the plate wants is the same for everyone.
    expect(arcSetup(caseOf({ heat: 'a-bit-hot' })).currentWantedA).toBe(arcSetup(caseOf({})).currentWantedA);
  });
});
