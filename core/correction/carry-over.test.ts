import { answer } from '../answer';
import { CASE_FORMAT, type Case, type FindingState } from '../case/schema';
import { CAUSES, meanOf } from '../knowledge';
import { findingsCarriedOver, curedBy, suspectsAfter } from './carry-over';

const causeOf = (id: string) => CAUSES.find((cause) => cause.id === id)!;
const checkOf = (id: string) => causeOf(id).check;
const timesOf = (left: ReturnType<typeof suspectsAfter>, id: string): number | undefined =>
  left.find(({ cause }) => cause === id)?.times;

describe('what is known of the next bead', () => {
  it('is the faults that looks showed, until they are cured, and nothing that the last bead itself showed', () => {
    const findings = {
      'bead-ropey': 'present',
      [checkOf('tip-worn')]: 'absent',
      [checkOf('gas-leak')]: 'present',
    } as const;
    expect(findingsCarriedOver(findings, [])).toEqual({ [checkOf('gas-leak')]: 'present' });
    expect(findingsCarriedOver(findings, ['gas-leak'])).toEqual({});
    // A plate that was warm is warm still, until it was left to cool.
    expect(findingsCarriedOver({ 'plate-warm': 'present' }, [])).toEqual({ 'plate-warm': 'present' });
    expect(findingsCarriedOver({ 'plate-warm': 'present' }, ['heat-buildup'])).toEqual({});
    // A trial of the knobs is no look, and an id of another day says nothing.
    expect(findingsCarriedOver({ [checkOf('voltage-low')]: 'present' }, ['retired-cause'])).toEqual({});
  });

  it('takes the cures from the moves that were made', () => {
    expect(
      curedBy([{ kind: 'remedy', cause: 'gas-leak' }, { kind: 'setting', cause: 'x' }, { kind: 'remedy' }]),
    ).toEqual(['gas-leak']);
  });
});

describe('what a bead leaves under suspicion', () => {
  const NOTHING = { findings: {} };

  it('is each lasting cause by what the bead made of it, drawn towards the usual', () => {
    const prior = meanOf(causeOf('tip-worn').prior);
    const odds = (p: number) => p / (1 - p);
    const more = timesOf(suspectsAfter([{ cause: 'tip-worn', probability: 0.5, prior }], NOTHING, []), 'tip-worn')!;
    expect(more).toBeGreaterThan(2);
    expect(more).toBeLessThan(odds(0.5) / odds(prior));
    const less = timesOf(suspectsAfter([], NOTHING, []), 'tip-worn')!;
    expect(less).toBeLessThan(1);
    expect(less).toBeGreaterThan(0);
    const same = suspectsAfter([{ cause: 'tip-worn', probability: prior, prior }], NOTHING, []);
    expect(timesOf(same, 'tip-worn')).toBeUndefined();
    const impossible = suspectsAfter([{ cause: 'tip-worn', probability: 0, prior: 0 }], NOTHING, []);
    expect(timesOf(impossible, 'tip-worn')).toBeUndefined();
    for (const { times } of suspectsAfter([], NOTHING, [])) expect(times).toBeLessThan(1);
  });

  it('adds up over beads, and fades where a bead says nothing new', () => {
    const suspects = { 'tip-worn': 4 };
    const left = (probability: number, before: object = suspects) =>
      timesOf(
        suspectsAfter(
          [{ cause: 'tip-worn', probability, prior: 0.1 }],
          { findings: {}, suspects: before as never },
          [],
        ),
        'tip-worn',
      )!;
    expect(left(0.1)).toBeLessThan(4);
    expect(left(0.1)).toBeGreaterThan(1.5);
    expect(left(0.3)).toBeGreaterThan(4);
    expect(left(0.3)).toBeGreaterThan(left(0.3, {}));
  });

  it('is none of the knobs, which say themselves where they stand', () => {
    const causes = [{ cause: 'voltage-low', probability: 0.9, prior: 0.1 }];
    expect(timesOf(suspectsAfter(causes, NOTHING, []), 'voltage-low')).toBeUndefined();
  });

  it('is next to none of what was cured, and leaves to the look what a look showed', () => {
    const causes = [{ cause: 'gas-leak', probability: 0.9, prior: 0.02 }];
    expect(timesOf(suspectsAfter(causes, NOTHING, ['gas-leak']), 'gas-leak')).toBeLessThan(0.05);
    const findings = { [checkOf('gas-leak')]: 'present' } as const;
    expect(timesOf(suspectsAfter(causes, { findings }, []), 'gas-leak')).toBeUndefined();
    expect(timesOf(suspectsAfter(causes, { findings }, ['gas-leak']), 'gas-leak')).toBeLessThan(0.05);
  });

  it('holds what was cured or looked at and clear: more beads that show the same are no new evidence', () => {
    const causes = [{ cause: 'gas-leak', probability: 0.6, prior: 0.02 }];
    const clear = { findings: { [checkOf('gas-leak')]: 'absent' } as const };
    const once = timesOf(suspectsAfter(causes, clear, []), 'gas-leak')!;
    expect(once).toBeLessThanOrEqual(0.1);
    for (const before of [once, timesOf(suspectsAfter(causes, NOTHING, ['gas-leak']), 'gas-leak')!])
      expect(timesOf(suspectsAfter(causes, { findings: {}, suspects: { 'gas-leak': before } }, []), 'gas-leak')).toBe(
        before,
      );
    // What was only not seen can still be.
    let unseen = 1;
    for (let bead = 0; bead < 5; bead++)
      unseen = timesOf(suspectsAfter([], { findings: {}, suspects: { 'gas-leak': unseen } }, []), 'gas-leak') ?? 1;
    expect(unseen).toBeGreaterThan(0.1);
  });
});

describe('beads of one plate together', () => {
  const holes = (experience: Case['experience'], findings: Record<string, FindingState> = {}): Case => ({
    format: CASE_FORMAT,
    job: { baseMetal: 'mild-steel', thicknessMm: 5 },
    rig: { process: 'gmaw', wire: { class: 'solid-steel', diameterMm: 1 }, gas: { argonPct: 82, co2Pct: 18 } },
    findings: { 'holes-scattered': 'present', ...findings },
    ...(experience === undefined ? {} : { experience }),
  });
  const chance = (input: Case, id: string): number =>
    answer(input).causes.find(({ cause }) => cause === id)?.probability ?? 0;

  it('say more than one: a look at the first bead tells on the second, a cure takes the cause away', () => {
    const clear: Case = holes(undefined, { [checkOf('nozzle-blocked')]: 'absent' });
    const suspects = suspectsAfter(answer(clear).causes, { findings: clear.findings! }, []);
    expect(chance(holes({ suspects }), 'nozzle-blocked')).toBeLessThan(
      0.5 * chance(holes(undefined), 'nozzle-blocked'),
    );
    const again = suspectsAfter(answer(holes(undefined)).causes, { findings: {} }, []);
    expect(chance(holes({ suspects: again }), 'plate-dirty')).toBeGreaterThan(
      1.1 * chance(holes(undefined), 'plate-dirty'),
    );
    const ground = suspectsAfter(answer(holes(undefined)).causes, { findings: {} }, ['plate-dirty']);
    expect(chance(holes({ suspects: ground }), 'plate-dirty')).toBeLessThan(0.1);
  });

  it('say why, and never make possible what this rig cannot have', () => {
    const suspects = [
      { cause: 'nozzle-blocked', times: 20 },
      { cause: 'pulse-trim-low', times: 20 },
      { cause: 'plate-dirty', times: 0.02 },
    ] as const;
    const input = holes({ suspects: [...suspects] });
    const { causes } = answer({ ...input, rig: { ...input.rig, mode: 'conventional' } });
    const because = (id: string) =>
      causes.find(({ cause }) => cause === id)?.because.find(({ evidence }) => evidence === 'coupon:beads');
    expect(because('nozzle-blocked')).toEqual(
      expect.objectContaining({ name: 'The beads before', because: 'the beads before on this plate point to it' }),
    );
    expect(because('nozzle-blocked')!.weight).toBeGreaterThan(0);
    expect(causes.map(({ cause }) => cause)).not.toContain('pulse-trim-low');
    // What was suspected under an id of another day is passed over.
    const old = [{ cause: 'retired-cause' as 'tip-worn', times: 50 }];
    expect(answer(holes({ suspects: old })).causes).toEqual(answer(holes(undefined)).causes);
  });
});
