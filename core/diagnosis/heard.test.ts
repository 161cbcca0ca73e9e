import fc from 'fast-check';
import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT, type Case, type Heard } from '../case/schema';
import { ENGINE } from '../answer/engine';
import { MOST_HEARD_WEIGHT } from '../hearing/likelihood';
import { answer } from '../answer';
import { diagnose } from './diagnose';
import { engineOf, cause, finding } from './testing/small';
import { noisyOr, observe } from './observed';
import { posterior } from './posterior';
import { sumByFindings } from './sum-by-findings';
import { sumBySets } from './sum-by-sets';
import { gradedWeight } from './weight-of-evidence';

const heard = (clicksPerS: number, unevenness: number, more: Partial<Heard> = {}): Heard => ({
  ...{ seconds: 6, clicksPerS, clicksPerSOff: 2, unevenness, loudSpread: 0.25, gapShare: 0, trend: 0, trendOff: 0.1 },
  ...more,
});
const POPPING = heard(55, 0.9, { loudSpread: 0.4 });
const CRISP = heard(150, 0.3);
const THIN = heard(25, 0.3, { gapShare: 0.4 });

/** A rig and a plate without figures of the bead but its wire speed. */
const BARE: Case = {
  ...{ format: CASE_FORMAT, job: EXAMPLE_CASE.job, rig: EXAMPLE_CASE.rig },
  settings: { wireSpeedMPerMin: 7.5 },
};
const chance = (input: Case, ...ids: string[]): number => {
  const { causes } = diagnose(ENGINE, input);
  return ids.reduce((sum, id) => sum + (causes.find((one) => one.cause === id)?.probability ?? 0), 0);
};
const low = (input: Case): number => chance(input, 'voltage-low', 'wire-fast');
const high = (input: Case): number => chance(input, 'voltage-high', 'wire-slow');

describe('a recording in the diagnosis', () => {
  it('speaks for the side it sounds like, and against both where it crackles', () => {
    expect(low({ ...BARE, heard: POPPING })).toBeGreaterThan(1.8 * low(BARE));
    expect(high({ ...BARE, heard: POPPING })).toBeLessThan(high(BARE));
    expect(high({ ...BARE, heard: THIN })).toBeGreaterThan(1.8 * high(BARE));
    expect(low({ ...BARE, heard: THIN })).toBeLessThan(low(BARE));
    for (const side of [low, high]) expect(side({ ...BARE, heard: CRISP })).toBeLessThan(0.8 * side(BARE));
  });

  it('says what of it speaks, in words', () => {
    const said = (of: Heard, id: string) =>
      answer({ ...BARE, heard: of })
        .causes.find((one) => one.cause === id)
        ?.because.find(({ evidence }) => evidence.startsWith('heard:'));
    expect(said(POPPING, 'voltage-low')).toMatchObject({
      ...{
        evidence: 'heard:sound-popping',
        name: 'Recording: uneven pops',
        because: '55 clicks a second, uneven (0.9)',
      },
    });
    expect(said(POPPING, 'voltage-low')!.weight).toBeGreaterThan(0.5);
    expect(said(THIN, 'voltage-high')).toMatchObject({ because: 'only 25 clicks a second' });
  });

  it('moves a verdict no further than the welder’s own tap does, and nothing that was tapped', () => {
    const tapped: Case = { ...BARE, findings: { 'sound-popping': 'present' } };
    expect(low({ ...BARE, heard: POPPING })).toBeLessThan(low(tapped));
    // What was tapped of that sound stands, whatever was recorded of it.
    for (const state of ['present', 'absent'] as const) {
      const said: Case = { ...BARE, findings: { 'sound-popping': state } };
      const with_ = diagnose(ENGINE, { ...said, heard: POPPING });
      expect(with_.causes.flatMap(({ because }) => because.map(({ evidence }) => evidence))).not.toContain(
        'heard:sound-popping',
      );
    }
  });

  it('is silent where nobody knows how such an arc counts out', () => {
    const spray: Case = {
      ...BARE,
      rig: { ...BARE.rig, gas: { argonPct: 98, oxygenPct: 2 } },
      settings: { wireSpeedMPerMin: 14, voltageV: 28 },
      job: { ...BARE.job, thicknessMm: 12, otherThicknessMm: 12 },
    };
    const tubular: Case = { ...BARE, rig: { ...BARE.rig, wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 } } };
    // Of tubular wire nothing is said even where nothing is known of its transfer.
    const unset: Case = { ...tubular, settings: {} };
    for (const input of [spray, tubular, unset])
      expect(diagnose(ENGINE, { ...input, heard: THIN }).marginals).toEqual(diagnose(ENGINE, input).marginals);
  });

  it('is a bead that was run: nothing is started with and no first look is asked', () => {
    const after = answer({ ...BARE, heard: CRISP });
    expect([after.start, after.firstLooks]).toEqual([null, []]);
    expect(answer(BARE).start).not.toBeNull();
  });
});

describe('graded evidence', () => {
  const SMALL = engineOf(
    [finding('sound-popping', 0.05), finding('sound-hiss', 0.08), finding('bead-ropey', 0.1)],
    [
      cause('voltage-low', { 'sound-popping': 0.6, 'bead-ropey': 0.7 }, { checkStrength: 0 }),
      cause('voltage-high', { 'sound-hiss': 0.6 }, { checkStrength: 0 }),
      cause('gas-low', { 'sound-popping': 0.3 }, { checkStrength: 0 }),
    ],
  );
  const weights = fc.tuple(
    fc.double({ min: -MOST_HEARD_WEIGHT, max: MOST_HEARD_WEIGHT, noNaN: true }),
    fc.double({ min: -MOST_HEARD_WEIGHT, max: MOST_HEARD_WEIGHT, noNaN: true }),
  );
  const ODDS = Float64Array.from([0.2, 0.15, 0.1]);
  const graded = (a: number, b: number) => [
    { node: SMALL.nodes[0], weight: a },
    { node: SMALL.nodes[1], weight: b },
  ];

  it('is summed exactly: what every set of causes gives, one by one', () => {
    fc.assert(
      fc.property(weights, fc.boolean(), ([a, b], ropey) => {
        const observed = observe(SMALL, ropey ? { 'bead-ropey': 'present' } : {}, graded(a, b));
        const network = noisyOr(SMALL, ODDS, observed);
        const shows = (f: number, set: readonly number[]): number =>
          1 - set.reduce((quiet, c) => quiet * (1 - SMALL.nodes[f].strength[c]), 1 - SMALL.nodes[f].leak);
        const sums = [0, 0, 0];
        let total = 0;
        for (let mask = 0; mask < 8; mask++) {
          const set = [0, 1, 2].filter((c) => mask & (1 << c));
          let weight = set.reduce((product, c) => product * ODDS[c], 1);
          for (const [f, w] of [a, b].entries()) weight *= Math.exp(w) * shows(f, set) + 1 - shows(f, set);
          // The eye's finding is weighed as ever: that row stands first.
          if (ropey) weight *= 1 - set.reduce((quiet, c) => quiet * network.miss[c], network.silence[0]);
          total += weight;
          for (const c of set) sums[c] += weight;
        }
        const { marginals } = posterior(network);
        sums.forEach((sum, c) => expect(marginals[c]).toBeCloseTo(sum / total, 9));
        // Both ways of summing take it.
        const [one, other] = [sumBySets, sumByFindings].map((way) => way(network, [0, 1, 2], [1, 1, 1, 1]));
        one.sums.forEach((sum, c) => expect(other.sums[c]).toBeCloseTo(sum, 9));
      }),
      { numRuns: 60 },
    );
  });

  it('weighs what it moves the odds by where a cause stands alone', () => {
    const alone = engineOf(
      [finding('sound-popping', 0.05)],
      [cause('voltage-low', { 'sound-popping': 0.6 }, { checkStrength: 0 })],
    );
    for (const weight of [-2, -0.5, 0, 0.5, 2]) {
      const one = { node: alone.nodes[0], weight };
      const [p] = posterior(noisyOr(alone, Float64Array.from([0.25]), observe(alone, {}, [one]))).marginals;
      expect(Math.log(p / (1 - p) / 0.25)).toBeCloseTo(gradedWeight(one, 0, Float64Array.from([0.2])), 9);
    }
  });
});
