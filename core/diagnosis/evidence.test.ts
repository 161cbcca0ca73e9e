import fc from 'fast-check';
import { arcSetup } from '../arc/setup';
import { CASE_FORMAT, type Case } from '../case/schema';
import type { FindingId } from '../evidence/ids';
import type { Caution } from '../knowledge/shapes/types';
import { cautionsFor } from './cautions';
import { taughtBy } from './engine';
import { EYE, noisyOr, observe } from './observed';
import { posterior } from './posterior';
import { cause, engineOf, finding } from './testing/small';
import { findingWeight, reasonsFor } from './weight-of-evidence';

const SURGES: FindingId = 'wire-surges';
const WANDERS: FindingId = 'arc-wanders';
const EVEN: FindingId = 'bead-even';
const ENGINE = engineOf(
  [finding(WANDERS, 0.05), finding(SURGES, 0.1), finding(EVEN, 0.2, { good: true })],
  [
    cause('tip-worn', { [SURGES]: 0.2, [WANDERS]: 0.7, [EVEN]: 0.4 }, { checkStrength: 0.9 }),
    cause('liner-dirty', { [SURGES]: 0.8 }, { checkStrength: 0 }),
    cause(
      'voltage-low',
      {},
      { checkStrength: 0, figures: [{ residual: 'balance', at: -2, because: 'under balance' }] },
    ),
  ],
);
const node = (id: FindingId | 'check-tip') => ENGINE.nodeById.get(id)!;
const PRIORS = Float64Array.from([0.1, 0.2, 0.1]);
const TRUSTED = 1 - EYE.overlooks - EYE.imagines;

describe('what is observed', () => {
  it('parts trouble seen from trouble not there; a good finding counts the other way round', () => {
    const ids = (findings: Parameters<typeof observe>[1]) => {
      const { present, absent } = observe(ENGINE, findings);
      return [present.map(({ id }) => id), absent.map(({ id }) => id)];
    };
    expect(ids({ [SURGES]: 'present', [WANDERS]: 'absent' })).toEqual([[SURGES], [WANDERS]]);
    expect(ids({ [EVEN]: 'present' })).toEqual([[], [EVEN]]);
    expect(ids({ [EVEN]: 'absent' })).toEqual([[EVEN], []]);
    expect(ids({ [SURGES]: 'unknown' })).toEqual([[], []]);
    expect(ids({ [SURGES]: 'present', [WANDERS]: 'present' })).toEqual([[WANDERS, SURGES], []]);
    expect(() => observe(ENGINE, { 'bead-ropey': 'unknown' })).toThrow(
      new RangeError('there is no finding "bead-ropey"'),
    );
  });

  it('gives the sums their form: leaks, strengths, and absences as a factor of each cause alone', () => {
    const network = noisyOr(
      ENGINE,
      Float64Array.from([1, 1, 1]),
      observe(ENGINE, { [WANDERS]: 'absent', [SURGES]: 'present' }),
    );
    expect([...network.odds]).toEqual([expect.closeTo(1 - TRUSTED * 0.7, 12), 1, 1]);
    expect([...network.miss]).toEqual([0.8, expect.closeTo(0.2, 12), 1]);
    expect(network.silence[0]).toBeCloseTo((0.9 * TRUSTED) / 0.9, 12);
    expect(network.group).toBe(ENGINE.group);
  });
});

describe('the weight of a finding', () => {
  it('is the log of how much likelier it is with the cause than without', () => {
    // Surges: silent with the liner at its prior in 0.9 x (1 - 0.2 x 0.8); with the tip 0.8 of that.
    const silent = 0.9 * (1 - 0.16);
    expect(findingWeight(node(SURGES), 0, true, PRIORS)).toBeCloseTo(Math.log((1 - silent * 0.8) / (1 - silent)), 12);
    expect(findingWeight(node(SURGES), 0, false, PRIORS)).toBeCloseTo(Math.log(1 - TRUSTED * 0.2), 12);
    expect(findingWeight(node(SURGES), 2, true, PRIORS)).toBe(0);
  });

  it('says of a cause that stands alone what the exact sum says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.02, max: 0.4, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        (strength, leak, prior) => {
          const alone = engineOf(
            [finding(SURGES, leak)],
            [cause('liner-dirty', { [SURGES]: strength }, { checkStrength: 0 })],
          );
          const odds = prior / (1 - prior);
          const gain = (state: 'present' | 'absent'): number => {
            const [p] = posterior(
              noisyOr(alone, Float64Array.from([odds]), observe(alone, { [SURGES]: state })),
            ).marginals;
            return Math.log(p / (1 - p) / odds);
          };
          const weight = (present: boolean): number =>
            findingWeight(alone.nodes[0], 0, present, Float64Array.from([prior]));
          expect(gain('absent')).toBeCloseTo(weight(false), 9);
          // The eye that imagines raises the leak a little: the sum speaks no louder than the weight.
          expect(gain('present')).toBeLessThanOrEqual(weight(true) + 1e-9);
          expect(gain('present')).toBeGreaterThan(0);
        },
      ),
    );
  });
});

describe('the reasons for a cause', () => {
  const reasons = (column: number, findings: Parameters<typeof observe>[1], residuals = {}, factors = [] as never[]) =>
    reasonsFor(ENGINE, column, observe(ENGINE, findings), residuals, factors, PRIORS);

  it('are said in the words of the link, and what was expected but not seen as such', () => {
    const [first, second] = reasons(0, { [WANDERS]: 'present', [SURGES]: 'absent' });
    expect(first).toEqual(
      expect.objectContaining({ evidence: `finding:${WANDERS}`, because: `tip-worn brings ${WANDERS}` }),
    );
    expect(first.weight).toBeGreaterThan(0);
    expect(second).toEqual(
      expect.objectContaining({
        evidence: `finding:${SURGES}`,
        because: `expected, not seen: tip-worn brings ${SURGES}`,
      }),
    );
    expect(second.weight).toBeLessThan(0);
  });

  it('take a good finding in its own words either way', () => {
    expect(reasons(0, { [EVEN]: 'present' })[0]).toEqual(
      expect.objectContaining({
        because: `tip-worn brings ${EVEN}`,
        weight: expect.closeTo(Math.log(1 - TRUSTED * 0.4), 9),
      }),
    );
    expect(reasons(0, { [EVEN]: 'absent' })[0].weight).toBeGreaterThan(0);
  });

  it('tell what the check of the cause showed', () => {
    expect(reasons(0, { 'check-tip': 'present' })[0]).toEqual(
      expect.objectContaining({ evidence: 'check:check-tip', because: 'the check shows it' }),
    );
    expect(reasons(0, { 'check-tip': 'absent' })[0].because).toBe('the check is clear');
  });

  it('put figures for and against, and the strongest first', () => {
    const under = reasons(2, {}, { balance: { value: -3, spread: 0 } });
    expect(under).toEqual([expect.objectContaining({ evidence: 'setting:voltageV', because: 'under balance' })]);
    const over = reasons(2, {}, { balance: { value: 1, spread: 0 } });
    expect(over[0]).toEqual(expect.objectContaining({ because: 'the volts do not lie on that side of balance' }));
    expect(over[0].weight).toBeLessThan(0);
    const factors = [
      { evidence: 'job:draught', factor: 20, because: 'it was windy' },
      { evidence: 'rig:wire', factor: 0, because: 'cannot be' },
      { evidence: 'job:joint', factor: 1.05, because: 'hardly' },
    ] as never[];
    const all = reasons(2, {}, { balance: { value: -1.5, spread: 0 } }, factors);
    expect(all.map(({ because }) => because)).toEqual(['cannot be', 'it was windy', 'under balance']);
    expect(all[0].weight).toBe(-20);
    expect(all[1].weight).toBeCloseTo(Math.log(20), 12);
  });

  it('leave out what hardly speaks, and an absence of what the cause does not bring', () => {
    expect(reasons(1, { [WANDERS]: 'absent' })).toEqual([]);
    expect(reasons(2, {}, { balance: { value: -1, spread: 0 } })).toEqual([]);
    expect(reasons(2, {}, { heat: { value: -9, spread: 0 } })).toEqual([]);
  });
});

describe('cautions', () => {
  const caution = (id: string, rest: Partial<Caution> = {}): Caution => ({
    id,
    stop: false,
    text: `mind ${id}`,
    ...rest,
  });
  const KNOWN = [
    caution('rays'),
    caution('windy', { when: { draught: ['windy'] } }),
    caution('tank', { stop: true, concern: 'closed-container' }),
    caution('hot-tip', { causes: ['tip-worn'] }),
    caution('crack', { stop: true, findings: ['crack-toe'] }),
  ];
  const of = (input: Omit<Case, 'format'>, tip = 0) => {
    const whole: Case = { format: CASE_FORMAT, ...input };
    const verdicts = [{ cause: 'tip-worn' as const, probability: tip, prior: 0.1, because: [] }];
    return cautionsFor(KNOWN, whole, arcSetup(whole), verdicts).map(({ id }) => id);
  };

  it('always hold where nothing limits them, and else by job, concern, cause or finding', () => {
    expect(of({})).toEqual(['rays']);
    expect(of({ job: { draught: 'windy' } })).toEqual(['rays', 'windy']);
    expect(of({}, 0.2)).toEqual(['rays']);
    expect(of({}, 0.21)).toEqual(['rays', 'hot-tip']);
    expect(of({ findings: { 'crack-toe': 'absent' } })).toEqual(['rays']);
  });

  it('put what stops the work before everything, else in their order', () => {
    expect(
      of({ job: { draught: 'windy', concerns: ['closed-container'] }, findings: { 'crack-toe': 'present' } }, 0.5),
    ).toEqual(['tank', 'crack', 'rays', 'windy', 'hot-tip']);
    const [stop] = cautionsFor(
      KNOWN,
      { format: CASE_FORMAT, job: { concerns: ['closed-container'] } },
      arcSetup({ format: CASE_FORMAT }),
      [],
    );
    expect(stop).toEqual({ id: 'tank', stop: true, text: 'mind tank' });
  });
});

describe('the reason of a link that a rig has taught', () => {
  it('is the same in words, whatever its strength has become', () => {
    const links = [{ cause: 'liner-dirty' as const, stated: SURGES, shown: 3, looked: 20 }];
    const taught = taughtBy(ENGINE, { links });
    expect(taught.nodeById.get(SURGES)!.strength[1]).not.toBe(0.8);
    const said = reasonsFor(taught, 1, observe(taught, { [SURGES]: 'present' }), {}, [], PRIORS);
    expect(said.map(({ because }) => because)).toEqual([`liner-dirty brings ${SURGES}`]);
  });
});
