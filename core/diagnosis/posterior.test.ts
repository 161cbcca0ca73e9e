import fc from 'fast-check';
import { posterior, type NoisyOr } from './posterior';

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
