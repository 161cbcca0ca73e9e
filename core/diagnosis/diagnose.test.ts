import fc from 'fast-check';
import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT, type Case, type FindingState } from '../case/schema';
import { ENGINE } from '../answer/engine';
import { STATED_IDS } from '../evidence/ids';
import { CAUSES, FINDINGS } from '../knowledge';
import { diagnose } from './diagnose';
import { figureWeight } from './residuals';

const BARE: Case = { format: CASE_FORMAT };
const withFindings = (findings: Record<string, FindingState>, base: Case = BARE): Case => ({ ...base, findings });
const chance = (input: Case, id: string): number =>
  diagnose(ENGINE, input).causes.find(({ cause }) => cause === id)?.probability ?? 0;
const SOUND_NUMBERS: Case = { ...EXAMPLE_CASE, findings: {}, settings: { ...EXAMPLE_CASE.settings, voltageV: 20 } };
const ANY_FINDINGS = fc.dictionary(fc.constantFrom(...STATED_IDS), fc.constantFrom<FindingState>('present', 'absent'), {
  maxKeys: 8,
});

/** Findings as one would tap them to report trouble: a good one is reported missing. */
const trouble = (id: string): FindingState => (ENGINE.nodeById.get(id)?.good ? 'absent' : 'present');

describe('diagnosis', () => {
  it('answers the worked example: voltage low, over 50 %, for the ropey bead and the volts', () => {
    const [top] = diagnose(ENGINE, EXAMPLE_CASE).causes;
    expect(top.cause).toBe('voltage-low');
    expect(top.probability).toBeGreaterThan(0.5);
    expect(top.because.map(({ evidence }) => evidence)).toEqual(
      expect.arrayContaining(['setting:voltageV', 'finding:bead-ropey']),
    );
  });

  it.each([
    [
      'stubbing with heat enough',
      { 'wire-stubs': 'present', 'bead-piled': 'present' },
      { voltageV: 17.5, wireSpeedMPerMin: 8 },
      { thicknessMm: 2, otherThicknessMm: 2 },
      'wire-fast',
    ],
    ['flat and hissing', { 'bead-flat': 'present', 'sound-hiss': 'present' }, { voltageV: 23.5 }, {}, 'voltage-high'],
    [
      'crisp, ropey and no mark on thick plate',
      { 'bead-ropey': 'present', 'sound-crisp': 'present', 'back-no-mark': 'present' },
      { voltageV: 17.2, wireSpeedMPerMin: 4.5 },
      { thicknessMm: 8, otherThicknessMm: 8 },
      'heat-low',
    ],
    [
      'burn-through on thin sheet',
      { 'holes-through': 'present', 'back-heavy': 'present' },
      { voltageV: 20 },
      { thicknessMm: 1.2, otherThicknessMm: 1.2 },
      'heat-high',
    ],
    [
      'holes and a clogged nozzle',
      { 'holes-scattered': 'present', 'nozzle-clogged': 'present' },
      { voltageV: 20 },
      {},
      'nozzle-blocked',
    ],
    [
      'white powder and smoke on galvanised',
      { 'residue-white': 'present', 'fume-heavy': 'present' },
      { voltageV: 20 },
      { surface: ['zinc'] },
      'plate-zinc',
    ],
    ['fading run', { 'bead-fades': 'present' }, { voltageV: 20 }, {}, 'stickout-drift'],
    ['whiskers through a gap', { 'back-whiskers': 'present' }, { voltageV: 20 }, { gapMm: 2 }, 'joint-gap'],
  ] as const)('names the cause of %s', (_, findings, settings, job, expected) => {
    const input = {
      ...EXAMPLE_CASE,
      job: { ...EXAMPLE_CASE.job, ...job },
      settings: { ...EXAMPLE_CASE.settings, ...settings },
      findings,
    } as Case;
    expect(diagnose(ENGINE, input).causes[0].cause).toBe(expected);
  });

  it('drops gas causes for wire that needs none', () => {
    const selfShielded: Case = {
      ...BARE,
      rig: { process: 'fcaw-self-shielded', wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null },
    };
    for (const id of ['gas-low', 'gas-high', 'gas-empty', 'gas-wrong']) {
      expect(chance(withFindings({ 'holes-scattered': 'present' }, selfShielded), id)).toBe(0);
    }
  });

  it.each([
    ['steel, pulse', { ...BARE, rig: { mode: 'pulse' } }],
    ['aluminium', { ...BARE, job: { baseMetal: 'aluminium' } }],
    ['tubular', { ...BARE, rig: { wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 } } }],
  ] as [string, Case][])('raises every linked cause above its prior by one finding alone (%s)', (_, base) => {
    const before = diagnose(ENGINE, base).marginals;
    for (const { id } of FINDINGS) {
      const node = ENGINE.nodeById.get(id)!;
      const after = diagnose(ENGINE, withFindings({ [id]: trouble(id) }, base)).marginals;
      before.forEach((prior, column) => {
        // A weak link can be outweighed at once by causes that explain the finding far better.
        if (prior > 0 && node.strength[column] >= 0.3) expect(after[column]).toBeGreaterThan(prior);
      });
    }
  });

  it('never lowers the only cause a finding is linked to, whatever else is known', () => {
    const single = ENGINE.nodes.filter(({ strength }) => strength.filter((s) => s > 0).length === 1);
    expect(single.length).toBeGreaterThan(10);
    fc.assert(
      fc.property(fc.constantFrom(...single), ANY_FINDINGS, (node, others) => {
        const cause = CAUSES[node.strength.findIndex((s) => s > 0)].id;
        const { [node.id]: _, ...rest } = others;
        const without = chance(withFindings(rest, SOUND_NUMBERS), cause);
        expect(
          chance(withFindings({ ...rest, [node.id]: trouble(node.id) }, SOUND_NUMBERS), cause),
        ).toBeGreaterThanOrEqual(without - 1e-12);
      }),
      { numRuns: 60 },
    );
  });

  it('does not care about the order of taps, and removing a finding restores the verdict exactly', () => {
    fc.assert(
      fc.property(ANY_FINDINGS, (findings) => {
        const reversed = Object.fromEntries(Object.entries(findings).reverse());
        expect(diagnose(ENGINE, withFindings(reversed)).causes).toEqual(
          diagnose(ENGINE, withFindings(findings)).causes,
        );
        const undone: Record<string, FindingState> = { ...findings, 'bead-ropey': 'unknown' };
        const { 'bead-ropey': _, ...rest } = findings;
        expect(diagnose(ENGINE, withFindings(undone)).causes).toEqual(diagnose(ENGINE, withFindings(rest)).causes);
      }),
      { numRuns: 40 },
    );
  });

  it('lets good findings count: a crisp sound speaks against imbalance', () => {
    const under = withFindings({ 'bead-ropey': 'present' }, SOUND_NUMBERS);
    const crisp = withFindings({ 'bead-ropey': 'present', 'sound-crisp': 'present' }, SOUND_NUMBERS);
    expect(chance(crisp, 'voltage-low')).toBeLessThan(chance(under, 'voltage-low'));
  });

  it('trusts an estimate less than a digital reading', () => {
    const estimated: Case = { ...EXAMPLE_CASE, findings: {}, readings: { voltageV: 'estimate' } };
    expect(chance(estimated, 'voltage-low')).toBeLessThan(chance({ ...EXAMPLE_CASE, findings: {} }, 'voltage-low'));
    const link = { residual: 'balance', at: -2.4, because: '' } as const;
    expect(figureWeight(link, { value: -3, spread: 2 })).toBeLessThan(figureWeight(link, { value: -3, spread: 0.5 }));
  });

  it('asks for quick looks at gas and plate first when there is nothing but holes all over', () => {
    const checks = diagnose(
      ENGINE,
      withFindings({ 'holes-scattered': 'present' }, { ...EXAMPLE_CASE, settings: {} }),
    ).nextChecks;
    expect(checks.slice(0, 4).map(({ check }) => check)).toEqual(expect.arrayContaining(['nozzle-clogged']));
    const quick = [
      'check-bright',
      'nozzle-clogged',
      'check-nozzle',
      'check-cylinder',
      'check-gas-nozzle',
      'no-gas-heard',
      'check-gas-set',
    ];
    expect(checks.slice(0, 3).every(({ check }) => quick.includes(check))).toBe(true);
    expect(checks.every(({ bits, minutes }) => bits > 0 && minutes > 0)).toBe(true);
  });

  it('puts stop conditions before everything', () => {
    const zinc = diagnose(ENGINE, { ...BARE, job: { surface: ['zinc'], concerns: ['closed-container'] } }).cautions;
    expect(
      zinc
        .slice(0, 2)
        .map(({ id, stop }) => `${id} ${stop}`)
        .sort(),
    ).toEqual(['closed-container true', 'zinc-fume true']);
    expect(diagnose(ENGINE, BARE).cautions.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['rays-and-burns', 'fume', 'shock', 'no-proof']),
    );
    expect(diagnose(ENGINE, withFindings({ 'crack-toe': 'present' })).cautions[0].id).toBe('crack');
  });

  it('refuses a finding it does not know', () => {
    expect(() => diagnose(ENGINE, withFindings({ 'bead-purple': 'present' }))).toThrow('bead-purple');
  });
});

describe('a check that only compares figures', () => {
  const burned: Case = {
    format: CASE_FORMAT,
    job: { baseMetal: 'mild-steel', joint: 'butt', position: 'flat' },
    rig: { process: 'gmaw', wire: { class: 'solid-steel', diameterMm: 0.8 }, gas: { argonPct: 82, co2Pct: 18 } },
    findings: { 'back-heavy': 'present' },
  };
  const asked = (input: Case) => diagnose(ENGINE, input).nextChecks.map(({ check }) => check);

  it('is asked where the plate is not known, and not where the figures have answered it', () => {
    expect(asked({ ...burned, settings: { wireSpeedMPerMin: 6 } })).toContain('check-heat-thin');
    const known = { ...burned, job: { ...burned.job, thicknessMm: 3 }, settings: { wireSpeedMPerMin: 6 } };
    expect(asked(known).filter((id) => id.startsWith('check-heat'))).toEqual([]);
    expect(asked({ ...known, settings: {} })).toContain('check-heat-thin');
  });
});
