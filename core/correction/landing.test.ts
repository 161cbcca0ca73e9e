import { answer } from '../answer';
import { stream } from '../chance/stream';
import { draws } from '../testing/draws';
import { PROPERTIES, type Answered } from './testing/properties';
import { drawSpoiled, FAULTS, missedBy, type Fault } from './testing/spoiled';

/**
 * Jobs of each fault: metals, 0.8 to 20 mm, joints, positions, wires, gases, machines with and without dials. With 160 a group of 94 in
 * 100 is off by 2, with 80 by 3; `npm run evaluate` draws thousands.
 */
const JOBS = draws(80, 160);
const answered = new Map<Fault, Answered[]>(
  FAULTS.map((fault, i) => {
    const random = stream(8000 + i);
    return [
      fault,
      Array.from({ length: JOBS }, () => {
        const spoiled = drawSpoiled(random, fault);
        return { spoiled, said: answer(spoiled.input) };
      }),
    ];
  }),
);
const all = [...answered.values()].flat();
describe('a sound setting that was spoiled', () => {
  const landed = (jobs: readonly Answered[]): number =>
    jobs.filter(({ spoiled, said }) => missedBy(spoiled, said.correction.settings).length === 0).length / jobs.length;

  it('comes back to within 0.8 V, 10 % of wire, 3 mm and the gas window in 95 of 100 jobs', () => {
    expect(landed(all)).toBeGreaterThanOrEqual(0.95);
  });

  it.each(FAULTS)('comes back in 90 of 100 jobs where it was spoiled by: %s', (fault) => {
    expect(landed(answered.get(fault)!)).toBeGreaterThanOrEqual(0.9);
  });
});

describe('every answer', () => {
  // The fewest answers that a property must have something to say of, so that none holds of nothing.
  it.each(PROPERTIES.map(({ name, holds }) => [name, holds] as const))('%s', (_, holds) => {
    const spoken = all.filter((one) => holds(one) !== null);
    expect(spoken.length).toBeGreaterThan(50);
    for (const one of spoken)
      expect({ in: one.spoiled.input, holds: holds(one) }).toEqual({ in: one.spoiled.input, holds: true });
  });
});

describe('a correction is continuous', () => {
  it('moves by no more than a few steps where a figure changes by one and the verdict stays', () => {
    let compared = 0;
    for (const { spoiled, said } of all.filter((_, i) => i % 8 === 0)) {
      const { input } = spoiled;
      for (const [name, change] of [
        ['voltageV', 0.1],
        ['wireSpeedMPerMin', 0.1],
      ] as const) {
        const beside = answer({ ...input, settings: { ...input.settings, [name]: input.settings![name]! + change } });
        if (beside.causes[0]?.cause !== said.causes[0]?.cause) continue;
        const moved = (of: 'voltageV' | 'wireSpeedMPerMin'): number =>
          Math.abs(beside.correction.settings[of]! - said.correction.settings[of]!);
        const mark = input.rig!.dials === undefined ? (input.rig!.range?.voltageV?.step ?? 0.1) : 0.56;
        expect(moved('voltageV')).toBeLessThanOrEqual(Math.max(0.6, 2 * mark));
        expect(moved('wireSpeedMPerMin')).toBeLessThanOrEqual(0.6);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(70);
  });
});
