import fc from 'fast-check';
import type { NoisyOr } from './noisy-or';
import { posterior } from './posterior';
import { sumByFindings } from './sum-by-findings';
import { sumBySets } from './sum-by-sets';

/** A small random network: up to 8 causes, up to 4 present findings, some groups, sparse links. */
const NETWORK = fc
  .record({
    odds: fc.array(fc.double({ min: 0.001, max: 3, noNaN: true }), { minLength: 3, maxLength: 8 }),
    findings: fc.integer({ min: 0, max: 4 }),
  })
  .chain(({ odds, findings }) =>
    fc.record({
      odds: fc.constant(Float64Array.from(odds)),
      group: fc
        .array(fc.integer({ min: -1, max: 1 }), { minLength: odds.length, maxLength: odds.length })
        .map((g) => Int16Array.from(g)),
      silence: fc
        .array(fc.double({ min: 0.5, max: 0.999, noNaN: true }), { minLength: findings, maxLength: findings })
        .map((s) => Float64Array.from(s)),
      miss: fc
        .array(fc.oneof(fc.constant(1), fc.double({ min: 0.05, max: 1, noNaN: true })), {
          minLength: findings * odds.length,
          maxLength: findings * odds.length,
        })
        .map((m) => Float64Array.from(m)),
    }),
  );

/** A repeatable stream of numbers from 0 to 1. */
function stream(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** Brute force straight from the definition: every subset of up to three causes that respects the groups. */
function enumerate({ odds, group, silence, miss }: NoisyOr): { marginals: number[]; none: number } {
  const n = odds.length;
  const sums = new Array<number>(n).fill(0);
  let [total, none] = [0, 0];
  for (let bits = 0; bits < 1 << n; bits++) {
    const set = Array.from({ length: n }, (_, c) => c).filter((c) => bits & (1 << c));
    const groups = set.map((c) => group[c]).filter((g) => g >= 0);
    if (set.length > 3 || new Set(groups).size !== groups.length) continue;
    let weight = set.reduce((product, c) => product * odds[c], 1);
    silence.forEach((quiet, f) => (weight *= 1 - set.reduce((product, c) => product * miss[f * n + c], quiet)));
    total += weight;
    if (set.length === 0) none = weight;
    for (const c of set) sums[c] += weight;
  }
  return { marginals: sums.map((sum) => sum / total), none: none / total };
}

describe('posterior', () => {
  it('equals brute enumeration on small random networks', () => {
    fc.assert(
      fc.property(NETWORK, (network) => {
        const fast = posterior(network);
        const brute = enumerate(network);
        brute.marginals.forEach((p, c) => expect(fast.marginals[c]).toBeCloseTo(p, 9));
        expect(fast.none).toBeCloseTo(brute.none, 9);
      }),
      { numRuns: 300 },
    );
  });

  it('keeps probabilities in range', () => {
    fc.assert(
      fc.property(NETWORK, (network) => {
        const { marginals, none } = posterior(network);
        for (const p of [...marginals, none]) {
          expect(p).toBeGreaterThanOrEqual(0);
          expect(p).toBeLessThanOrEqual(1);
        }
      }),
    );
  });

  it('gives two causes by hand: odds 0.1 and 0.2, one finding, leak 0.1, strengths 0.8 and 0', () => {
    // weights: none 0.1; a 0.1(1-0.9*0.2)=0.082; b 0.2*0.1=0.02; both 0.02*0.82=0.0164; sum 0.2184
    const { marginals, none } = posterior({
      odds: Float64Array.from([0.1, 0.2]),
      group: Int16Array.from([-1, -1]),
      silence: Float64Array.from([0.9]),
      miss: Float64Array.from([0.2, 1]),
    });
    expect(marginals[0]).toBeCloseTo(0.0984 / 0.2184, 9);
    expect(marginals[1]).toBeCloseTo(0.0364 / 0.2184, 9);
    expect(none).toBeCloseTo(0.1 / 0.2184, 9);
  });
});

describe('the two ways to sum', () => {
  const near = ({ odds }: NoisyOr): number[] => Array.from(odds.keys());
  const TAILS = fc.tuple(...[1, 2, 3].map(() => fc.double({ min: 0.1, max: 2, noNaN: true })));

  it.each([
    ['by sets', sumBySets],
    ['by findings', sumByFindings],
  ])('are both what brute enumeration gives (%s)', (_, sum) => {
    fc.assert(
      fc.property(NETWORK, (network) => {
        const { sums, total, bySize } = sum(network, near(network), [1, 1, 1, 1]);
        const brute = enumerate(network);
        brute.marginals.forEach((p, c) => expect(sums[c] / total).toBeCloseTo(p, 9));
        expect(bySize[0] / total).toBeCloseTo(brute.none, 9);
      }),
      { numRuns: 300 },
    );
  });

  it('weigh each size of set by what the far causes add, alike', () => {
    fc.assert(
      fc.property(NETWORK, TAILS, (network, [none, one, two]) => {
        const tail = [none, one, two, 1];
        const [a, b] = [sumBySets, sumByFindings].map((sum) => sum(network, near(network), tail));
        expect(b.total / a.total).toBeCloseTo(1, 9);
        a.bySize.forEach((weight, size) => expect(b.bySize[size]).toBeCloseTo(weight, 9));
        a.sums.forEach((weight, i) => expect(b.sums[i]).toBeCloseTo(weight, 9));
      }),
    );
  });

  it.each([
    ['of usual odds', 0.001, 0.05],
    ['of which some are all but sure', 0.001, 90],
  ])('agree to a billionth for many causes %s, however small the leaks', (_, least, most) => {
    const random = stream(11);
    const [causes, findings] = [40, 10];
    const network: NoisyOr = {
      odds: Float64Array.from({ length: causes }, (__, c) => (c % 9 === 0 ? most : least + 0.05 * random())),
      group: Int16Array.from({ length: causes }, (__, c) => (c % 7 < 2 ? Math.floor(c / 7) : -1)),
      silence: Float64Array.from({ length: findings }, () => 1 - 1e-6 * random()),
      miss: Float64Array.from({ length: causes * findings }, () => (random() < 0.4 ? random() : 1)),
    };
    const [a, b] = [sumBySets, sumByFindings].map((sum) => sum(network, near(network), [1, 1, 1, 1]));
    a.sums.forEach((weight, i) => expect(Math.abs(b.sums[i] / b.total - weight / a.total)).toBeLessThan(1e-9));
    expect(Math.abs(b.total / a.total - 1)).toBeLessThan(1e-9);
  });

  it('give the same verdict on both sides of where one becomes the shorter', () => {
    const random = stream(5);
    const of = (causes: number, findings: number): NoisyOr => ({
      odds: Float64Array.from({ length: causes }, () => 0.01 + 0.06 * random()),
      group: new Int16Array(causes).fill(-1),
      silence: Float64Array.from({ length: findings }, () => 0.95),
      miss: Float64Array.from({ length: causes * findings }, () => (random() < 0.3 ? random() : 1)),
    });
    for (const network of [of(65, 3), of(65, 13), of(8, 10), of(120, 9)]) {
      const { marginals } = posterior(network);
      const { sums, total } = sumBySets(network, near(network), [1, 1, 1, 1]);
      sums.forEach((sum, c) => expect(marginals[c]).toBeCloseTo(sum / total, 9));
    }
  });
});
