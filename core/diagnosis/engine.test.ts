import fc from 'fast-check';
import { CASE_FORMAT, type Case, Experience } from '../case/schema';
import { ENGINE } from '../answer/engine';
import type { CheckId } from '../evidence/ids';
import { afterBeads } from './belief';
import { CAUSES, FINDINGS, KNOWLEDGE, type Cause, type Knowledge } from '../knowledge';
import { diagnose } from './diagnose';
import { causeOf, columnOf, compile, taughtBy } from './engine';
import { fingerprint } from './fingerprint';

/** Two causes of one finding that may hold together, small enough to reckon by hand. */
const { exclusive: _, ...PLAIN } = CAUSES[0];
const cause = (id: 'tip-worn' | 'liner-dirty', prior: Cause['prior'], strength: Cause['prior']): Cause => ({
  ...PLAIN,
  id,
  prior,
  priorFactors: [],
  figures: [],
  links: [['wire-surges', strength, 'reckoned by hand']],
  check: 'check-tip' as CheckId,
  checkStrength: 0.9,
});
const { checks } = KNOWLEDGE;
const SMALL: Knowledge = {
  findings: FINDINGS.filter(({ id }) => id === 'wire-surges').map((finding) => ({ ...finding, leak: 0.1 })),
  checks: [{ ...checks[0], id: 'check-tip' as CheckId }],
  causes: [cause('tip-worn', 0.1, 0.8), cause('liner-dirty', { mean: 0.2, weight: 10 }, { mean: 0.4, weight: 5 })],
  cautions: [],
  opposites: [],
};
const BARE: Case = { format: CASE_FORMAT };
const SURGES: Case = { ...BARE, findings: { 'wire-surges': 'present' } };

describe('an engine', () => {
  it('is a value: a small network gives what is reckoned by hand', () => {
    const { marginals, noCause, causes } = diagnose(compile(SMALL), SURGES);
    // Leak and eye: silence is 0.9 x 0.89 / 0.9 = 0.89. Odds 1/9 and 1/4.
    const [a, b, quiet] = [1 / 9, 1 / 4, 0.89];
    const weights = [1 - quiet, a * (1 - quiet * 0.2), b * (1 - quiet * 0.6), a * b * (1 - quiet * 0.2 * 0.6)];
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    expect(marginals[0]).toBeCloseTo((weights[1] + weights[3]) / total, 9);
    expect(marginals[1]).toBeCloseTo((weights[2] + weights[3]) / total, 9);
    expect(noCause).toBeCloseTo(weights[0] / total, 9);
    expect(causes.map(({ cause: id }) => id)).toEqual(['liner-dirty', 'tip-worn']);
  });

  it('knows its causes by id, and says which it does not hold', () => {
    const engine = compile(SMALL);
    expect(columnOf(engine, 'liner-dirty')).toBe(1);
    expect(causeOf(engine, 'tip-worn').prior).toBe(0.1);
    expect(() => columnOf(engine, 'gas-low')).toThrow('there is no cause "gas-low"');
    expect(() => diagnose(engine, { ...BARE, findings: { 'bead-ropey': 'present' } })).toThrow('bead-ropey');
    const astray = { ...SMALL, causes: [{ ...SMALL.causes[0], links: CAUSES[0].links }] };
    expect(() => compile(astray)).toThrow('which is no finding or check');
  });

  it('has a name by its content: another strength, another coefficient, another name', () => {
    const other = { ...SMALL, causes: [cause('tip-worn', 0.1, 0.81), SMALL.causes[1]] };
    expect(compile(SMALL).version).toBe(compile({ ...SMALL }).version);
    expect(compile(other).version).not.toBe(compile(SMALL).version);
    expect(compile(SMALL, 'x').version).toBe(`${compile(SMALL).version}-x`);
    expect(ENGINE.version).toMatch(/^[0-9a-f]{16}$/);
    expect(fingerprint({ a: 1 })).not.toBe(fingerprint({ a: 2 }));
    expect(fingerprint('')).toMatch(/^[0-9a-f]{16}$/);
  });
});

describe('causes that exclude each other', () => {
  const grouped = (...exclusive: (string | undefined)[]) =>
    compile({
      ...SMALL,
      causes: SMALL.causes.map((entry, i) =>
        exclusive[i] === undefined ? entry : { ...entry, exclusive: exclusive[i] },
      ),
    });
  const both = (engine: ReturnType<typeof compile>): number => {
    const { marginals, noCause } = diagnose(engine, SURGES);
    return marginals[0] + marginals[1] + noCause - 1;
  };

  it('never hold together, and hold with those of another word or of none', () => {
    expect(both(grouped('feed', 'feed'))).toBeCloseTo(0, 12);
    expect(both(grouped('feed', 'tip'))).toBeGreaterThan(0.01);
    expect(both(grouped('feed', undefined))).toBeGreaterThan(0.01);
    expect(both(grouped(undefined, undefined))).toBeCloseTo(both(grouped('feed', 'tip')), 12);
  });
});

describe('what a rig has taught', () => {
  it('moves a judgement as counted beads would, the more the less it was worth', () => {
    expect(afterBeads({ mean: 0.2, weight: 10 }, 3, 5)).toEqual({ mean: 5 / 15, weight: 15 });
    expect(afterBeads({ mean: 0.2, weight: 10 }, 0, 0)).toEqual({ mean: 0.2, weight: 10 });
    expect(() => afterBeads({ mean: 0.2, weight: 10 }, 6, 5)).toThrow('seen takes 0 to 5');
    expect(() => afterBeads({ mean: 0.2, weight: 10 }, -1, 5)).toThrow('seen takes');
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.integer({ min: 1, max: 100 }),
        fc.integer({ min: 1, max: 50 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (mean, weight, of, share) => {
          const seen = Math.round(share * of);
          const after = afterBeads({ mean, weight }, seen, of);
          const [low, high] = [Math.min(mean, seen / of), Math.max(mean, seen / of)];
          expect(after.mean).toBeGreaterThanOrEqual(low - 1e-12);
          expect(after.mean).toBeLessThanOrEqual(high + 1e-12);
        },
      ),
    );
  });

  const taught: Experience = { causes: [{ cause: 'liner-dirty', confirmed: 4, beads: 10 }] };

  it('raises a cause that was confirmed before, says so, and leaves the engine as it was', () => {
    const engine = compile(SMALL);
    const before = diagnose(engine, SURGES);
    const after = diagnose(engine, { ...SURGES, experience: taught });
    expect(after.marginals[1]).toBeGreaterThan(before.marginals[1]);
    const [reason] = after.causes
      .find(({ cause: id }) => id === 'liner-dirty')!
      .because.filter(({ evidence }) => evidence === 'rig:experience');
    // (0.2 x 10 + 4) / 20 = 0.3, half as much again.
    expect(reason.weight).toBeCloseTo(Math.log(1.5), 9);
    expect(reason.because).toBe('it was the cause on this rig before');
    expect(diagnose(engine, SURGES).marginals).toEqual(before.marginals);
    const seldom = diagnose(engine, {
      ...SURGES,
      experience: { causes: [{ cause: 'liner-dirty', confirmed: 0, beads: 10 }] },
    });
    expect(seldom.marginals[1]).toBeLessThan(before.marginals[1]);
  });

  it('moves how strongly a cause shows on this rig, the weaker judgement further', () => {
    const engine = compile(SMALL);
    const strengthOf = (links: Experience['links'], column: number): number =>
      taughtBy(engine, { links }).nodeById.get('wire-surges')!.strength[column];
    const of = (id: 'tip-worn' | 'liner-dirty') => [{ cause: id, stated: 'wire-surges' as const, shown: 5, looked: 5 }];
    expect(strengthOf(of('tip-worn'), 0)).toBeCloseTo((0.8 * 30 + 5) / 35, 9);
    expect(strengthOf(of('liner-dirty'), 1)).toBeCloseTo((0.4 * 5 + 5) / 10, 9);
    expect(engine.nodeById.get('wire-surges')!.strength[0]).toBe(0.8);
    expect(() =>
      taughtBy(engine, { links: [{ cause: 'tip-worn', stated: 'bead-ropey', shown: 1, looked: 1 }] }),
    ).toThrow('bead-ropey');
    expect(() => taughtBy(engine, { causes: [{ cause: 'gas-low', confirmed: 1, beads: 1 }] })).toThrow('gas-low');
    expect(taughtBy(engine, {}).priors).toEqual(engine.priors);
  });
});
