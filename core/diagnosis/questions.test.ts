import fc from 'fast-check';
import type { FindingId, StatedId } from '../evidence/ids';
import { likelySets, showsGiven, type LikelySet } from './likely-sets';
import { questions } from './next-check';
import { nextFigure } from './next-figure';
import { noisyOr, observe } from './observed';
import { posterior } from './posterior';
import { cause, engineOf, finding } from './testing/small';

const SURGES: FindingId = 'wire-surges';
const WANDERS: FindingId = 'arc-wanders';
const EVEN: FindingId = 'bead-even';
/** Worn tip and dirty liner: two causes, three findings of which one is a good one, and the check of the tip. */
const ENGINE = engineOf(
  [finding(SURGES, 0.1), finding(WANDERS, 0.05), finding(EVEN, 0.2, { good: true })],
  [
    cause('tip-worn', { [SURGES]: 0.2, [WANDERS]: 0.7, [EVEN]: 0.4 }, { checkStrength: 0.9 }),
    cause('liner-dirty', { [SURGES]: 0.8, [EVEN]: 0.5 }, { checkStrength: 0 }),
  ],
);
const node = (id: StatedId) => ENGINE.nodeById.get(id)!;
const set = (probability: number, ...causes: number[]): LikelySet => ({ causes, probability });
/** Neither, each alone, both. */
const SETS = [set(0.4), set(0.3, 0), set(0.2, 1), set(0.1, 0, 1)];
const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

describe('the likely sets', () => {
  const network = (seen: Record<string, 'present' | 'absent'>, odds = [0.1, 0.25]) =>
    noisyOr(ENGINE, Float64Array.from(odds), observe(ENGINE, seen));

  it('are as likely as the exact sum says, where there are no more than two causes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        fc.constantFrom<Record<string, 'present' | 'absent'>>(
          {},
          { [SURGES]: 'present' },
          { [SURGES]: 'present', [WANDERS]: 'absent', [EVEN]: 'absent' },
        ),
        (a, b, seen) => {
          const one = network(seen, [a, b]);
          const { marginals, none } = posterior(one);
          const sets = likelySets(one, marginals);
          expect(sets.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
          const held = (c: number): number =>
            sets.reduce((sum, { causes, probability }) => (causes.includes(c) ? sum + probability : sum), 0);
          expect(held(0)).toBeCloseTo(marginals[0], 9);
          expect(held(1)).toBeCloseTo(marginals[1], 9);
          expect(sets.find(({ causes }) => causes.length === 0)!.probability).toBeCloseTo(none, 9);
        },
      ),
    );
  });

  it('leave out what cannot be, and two of one exclusive group', () => {
    const one = network({ [SURGES]: 'present' });
    const members = (change: object) =>
      likelySets({ ...one, ...change }, Float64Array.from([0.2, 0.5])).map(({ causes }) => [...causes].sort().join());
    expect(members({}).sort()).toEqual(['', '0', '0,1', '1']);
    expect(members({ group: Int16Array.from([3, 3]) }).sort()).toEqual(['', '0', '1']);
    expect(members({ group: Int16Array.from([3, 4]) })).toContain('0,1');
    expect(members({ odds: Float64Array.from([0, 0.2]) }).sort()).toEqual(['', '1']);
  });

  it('hold the eighteen likeliest causes and no more', () => {
    const odds = Float64Array.from({ length: 25 }, (_, c) => 0.01 * (c + 1));
    const many = { odds, group: new Int16Array(25).fill(-1), silence: new Float64Array(0), miss: new Float64Array(0) };
    const singles = likelySets(many, odds).flatMap(({ causes }) => (causes.length === 1 ? causes : []));
    expect(singles).toEqual(Array.from({ length: 18 }, (_, i) => 24 - i));
  });
});

describe('the chance that a finding shows', () => {
  it('is its leak with no cause, and one less the chance that all are silent', () => {
    expect(showsGiven(node(SURGES), [])).toBeCloseTo(0.1, 12);
    expect(showsGiven(node(SURGES), [0])).toBeCloseTo(1 - 0.9 * 0.8, 12);
    expect(showsGiven(node(SURGES), [0, 1])).toBeCloseTo(1 - 0.9 * 0.8 * 0.2, 12);
  });
});

describe('what to look at next', () => {
  const asked = (answered: string[] = [], sets = SETS) => questions(ENGINE, sets, new Set(answered));

  it('tells as many bits as the definition of mutual information gives', () => {
    for (const { check, bits } of asked().nextChecks) {
      const chances = SETS.map(({ causes, probability }) => ({ probability, shows: showsGiven(node(check), causes) }));
      const shows = chances.reduce((sum, one) => sum + one.probability * one.shows, 0);
      const left = chances.reduce((sum, one) => sum + one.probability * entropy(one.shows), 0);
      expect(bits).toBeCloseTo(entropy(shows) - left, 2);
    }
  });

  it('asks what tells most for its time first, and a check costs its minutes', () => {
    const { nextChecks } = asked();
    const worth = nextChecks.map(({ bits, minutes }) => bits / (minutes + 0.4));
    expect(nextChecks.map(({ check }) => check)).toEqual(expect.arrayContaining([SURGES, WANDERS, 'check-tip']));
    expect([...worth].sort((a, b) => b - a)).toEqual(worth);
    expect(nextChecks.find(({ check }) => check === 'check-tip')).toEqual(
      expect.objectContaining({ minutes: 2, kind: 'check' }),
    );
    expect(nextChecks.find(({ check }) => check === WANDERS)!.kind).toBe('finding');
  });

  it('says which cause would lead after either answer; a good finding answers the other way round', () => {
    const by = (id: string) => asked().nextChecks.find(({ check }) => check === id)!;
    // Wanders: 0.05, 0.715, 0.05, 0.715. Seen: tip 0.286 of 0.316; not seen: liner (0.19 + 0.0285) of 0.684.
    expect(by(WANDERS).ifPresent).toEqual({ cause: 'tip-worn', probability: expect.closeTo(0.286 / 0.316, 9) });
    expect(by(WANDERS).ifAbsent).toEqual({ cause: 'liner-dirty', probability: expect.closeTo(0.2185 / 0.684, 9) });
    // Even, a good one: trouble shows with 0.2, 0.52, 0.6, 0.76.
    const seen = 0.4 * 0.8 + 0.3 * 0.48 + 0.2 * 0.4 + 0.1 * 0.24;
    expect(by(EVEN).ifPresent).toEqual({ cause: 'tip-worn', probability: expect.closeTo((0.144 + 0.024) / seen, 9) });
    expect(by(EVEN).ifAbsent).toEqual({
      cause: 'tip-worn',
      probability: expect.closeTo((0.3 * 0.52 + 0.1 * 0.76) / (1 - seen), 9),
    });
  });

  it('never asks what was answered, what no likely cause brings out, or what tells next to nothing', () => {
    const ids = (sets: LikelySet[], answered: string[] = []) =>
      asked(answered, sets).nextChecks.map(({ check }) => check);
    expect(ids(SETS, [WANDERS])).not.toContain(WANDERS);
    expect(ids([set(0.5), set(0.5, 1)])).not.toContain(WANDERS);
    expect(ids([set(1)])).toEqual([]);
    expect(ids([set(0.9995), set(0.0005, 0)])).toEqual([]);
    expect(asked([], [set(1, 0)]).nextChecks).toEqual([]);
  });

  it('puts findings, never checks, among the telling ones, in the same order', () => {
    const { nextChecks, telling } = asked();
    expect(telling).toEqual(nextChecks.filter(({ kind }) => kind === 'finding').map(({ check }) => check));
  });
});

describe('the figure to ask for', () => {
  const figured = engineOf(
    [finding(SURGES, 0.1)],
    [
      cause('voltage-low', { [SURGES]: 0.5 }, { figures: [{ residual: 'balance', at: -2.4, because: '' }] }),
      cause('voltage-high', { [SURGES]: 0.5 }, { figures: [{ residual: 'balance', at: 2.4, because: '' }] }),
      cause('gas-low', { [SURGES]: 0.5 }, { figures: [{ residual: 'flow', at: -1.8, because: '' }] }),
    ],
  );
  const ask = (sets: LikelySet[], unknown: Parameters<typeof nextFigure>[2]) => nextFigure(figured, sets, unknown);

  it('is the one that parts the likely causes', () => {
    const between = [set(0.5, 0), set(0.5, 1)];
    expect(ask(between, ['voltageV', 'gasFlowLPerMin'])!.setting).toBe('voltageV');
    expect(ask([set(0.5), set(0.5, 2)], ['voltageV', 'gasFlowLPerMin'])!.setting).toBe('gasFlowLPerMin');
  });

  it('tells at most the one bit that parts two equal causes, and more the further apart they pull', () => {
    // Means 4.8 apart, spread hypot(0.9, 0.6): a reading settles it nearly always.
    const { bits } = ask([set(0.5, 0), set(0.5, 1)], ['voltageV'])!;
    expect(bits).toBeGreaterThan(0.9);
    expect(bits).toBeLessThan(1.001);
    const near = ask([set(0.5), set(0.5, 1)], ['voltageV'])!.bits;
    expect(near).toBeGreaterThan(0.5);
    expect(near).toBeLessThan(bits);
    const gas = ask([set(0.5), set(0.5, 2)], ['gasFlowLPerMin'])!.bits;
    expect(gas).toBeLessThan(near);
  });

  it('takes the strongest pull of a set for where the figure would lie', () => {
    const both = ask([set(0.5, 2), set(0.5, 2, 0)], ['voltageV'])!.bits;
    expect(both).toBeCloseTo(ask([set(0.5), set(0.5, 0)], ['voltageV'])!.bits, 9);
  });

  it('is none where it is known already, where it would part nothing, or where it hardly tells', () => {
    expect(ask([set(0.5, 0), set(0.5, 1)], ['gasFlowLPerMin'])).toBeNull();
    expect(ask([set(0.5, 0), set(0.5, 1)], [])).toBeNull();
    expect(ask([set(1, 0)], ['voltageV'])).toBeNull();
    expect(ask([set(0.999), set(0.001, 0)], ['voltageV'])).toBeNull();
  });
});
