import { ENGINE } from '../answer/engine';
import type { Case } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { COVER_CASES } from '../cases/written-cover';
import { MACHINE_CASES } from '../cases/written-machine';
import { METALS_CASES } from '../cases/written-metals';
import { SETTINGS_CASES } from '../cases/written-settings';
import { TECHNIQUE_CASES } from '../cases/written-technique';
import type { CauseId } from '../evidence/ids';
import { diagnose } from './diagnose';
import type { CauseVerdict } from './verdict';

const CASES = [...COVER_CASES, ...MACHINE_CASES, ...METALS_CASES, ...SETTINGS_CASES, ...TECHNIQUE_CASES];
const BARE: Case = {
  ...EXAMPLE_CASE,
  settings: { voltageV: 18.8, wireSpeedMPerMin: 6.3, stickOutMm: 10 },
  findings: {},
};

const first = (input: Case): CauseId | null => diagnose(ENGINE, input).causes[0]?.cause ?? null;
const chanceOf = (cause: CauseId, input: Case): number =>
  diagnose(ENGINE, input).marginals[ENGINE.columnById.get(cause)!];
const withFindings = (input: Case, findings: NonNullable<Case['findings']>): Case => ({
  ...input,
  findings: { ...input.findings, ...findings },
});
const checkOf = (cause: CauseId) => ENGINE.causes[ENGINE.columnById.get(cause)!].check;

/** The first written case of each cause that is no knob. */
const ONE_OF_EACH = CASES.filter(
  ({ cause }, i) =>
    CASES.findIndex((other) => other.cause === cause) === i &&
    ENGINE.causes[ENGINE.columnById.get(cause)!].remedy.kind !== 'setting',
);
/** Beads of all kinds. */
const SOME = CASES.filter((_, i) => i % 25 === 3);

/** Returns whether another check of its own, or a figure that was measured, has shown a cause as well. */
const isSure = ({ because }: CauseVerdict, { findings = {} }: Case): boolean =>
  because.some(
    ({ evidence, weight }) =>
      (evidence.startsWith('check:') && findings[evidence.slice(6)] === 'present') ||
      (evidence.startsWith('setting:') && weight > 3),
  );

describe('a check that was made', () => {
  it.each(ONE_OF_EACH.map((one) => [one.cause, one.why, one.input] as const))(
    'does not leave the cause first that it speaks against: %s, %s',
    (_, __, input) => {
      const { cause: lead, because } = diagnose(ENGINE, input).causes[0];
      // Where the record speaks for it as clearly, the two stand against each other and that is said.
      if (because.some(({ evidence, weight }) => /^(setting|job):/.test(evidence) && weight > 1)) return;
      const { causes, notes } = diagnose(ENGINE, withFindings(input, { [checkOf(lead)]: 'absent' }));
      if (causes[0].cause !== lead) return;
      // Only where nothing else comes near it, and then that is said.
      expect(causes[1]?.probability ?? 0).toBeLessThan(0.15);
      expect(notes).toContainEqual(expect.objectContaining({ kind: 'unexplained', about: [checkOf(lead)] }));
    },
  );

  it.each(SOME.map((one) => [one.why, one.input] as const))(
    'brings those causes first that it is a sign of: %s',
    (_, input) => {
      for (const { id, check } of ENGINE.causes) {
        if (input.findings?.[check] !== undefined || chanceOf(id, input) === 0) continue;
        const { causes } = diagnose(ENGINE, withFindings(input, { [check]: 'present' }));
        const { strength } = ENGINE.nodeById.get(check)!;
        const explaining = causes.filter(({ cause }) => strength[ENGINE.columnById.get(cause)!] > 0);
        const together = explaining.reduce((sum, { probability }) => sum + probability, 0);
        expect([check, together > 0.9]).toEqual([check, true]);
        // Where one cause alone has that sign, it leads.
        const owners = strength.filter((share) => share > 0).length;
        if (owners === 1 && !isSure(causes[0], input)) expect([check, causes[0].cause]).toEqual([check, id]);
      }
    },
  );
});

describe('what the record shows by itself', () => {
  const on = (rig: Case['rig'], job: Case['job'] = {}): Case => ({
    ...EXAMPLE_CASE,
    rig: { ...EXAMPLE_CASE.rig, ...rig },
    job: { ...EXAMPLE_CASE.job, ...job },
  });
  const MISMATCHED: [CauseId, Case][] = [
    ['polarity-wrong', on({ polarity: 'electrode-negative' })],
    ['gas-wrong', on({ gas: { argonPct: 100 } })],
    ['wire-wrong', on({}, { baseMetal: 'aluminium' })],
  ];

  it.each(MISMATCHED)('leads whatever figures and bead say: %s', (cause, input) => {
    for (const { settings, findings } of CASES.filter((_, i) => i % 3 === 0).map((one) => one.input))
      expect(first({ ...input, settings, findings: { ...findings, [checkOf(cause)]: 'unknown' } })).toBe(cause);
  });

  it('is no longer so for whoever looked and found it otherwise', () => {
    const [[, input]] = MISMATCHED;
    expect(chanceOf('polarity-wrong', withFindings(input, { 'check-studs': 'absent' }))).toBeLessThan(0.05);
  });

  it('holds a gap against thickness and joint', () => {
    const sheet = (job: Case['job']): Case => ({
      ...BARE,
      job: { baseMetal: 'mild-steel', joint: 'butt', position: 'flat', ...job },
      settings: { voltageV: 17, wireSpeedMPerMin: 3, stickOutMm: 10 },
      findings: { 'holes-through': 'present' },
    });
    expect(first(sheet({ thicknessMm: 1, gapMm: 2 }))).toBe('joint-gap');
    expect(chanceOf('joint-gap', sheet({ thicknessMm: 12, gapMm: 2 }))).toBeLessThan(0.05);
    // A fillet is drawn closed, whatever the plate.
    expect(chanceOf('joint-gap', sheet({ thicknessMm: 8, gapMm: 3, joint: 'fillet' }))).toBeGreaterThan(
      chanceOf('joint-gap', sheet({ thicknessMm: 8, gapMm: 3 })),
    );
    const chances = [0, 0.2, 0.3, 0.4, 0.5, 0.7, 1, 2].map((gapMm) =>
      chanceOf('joint-gap', sheet({ thicknessMm: 1.5, gapMm })),
    );
    expect(chances).toEqual([...chances].sort((a, b) => a - b));
  });

  it('suspects a cylinder that was nearly empty, and not one with plenty', () => {
    const bottle = (pressureBar: number): Case =>
      withFindings(
        {
          ...BARE,
          rig: { ...BARE.rig, cylinder: { kind: 'compressed', volumeL: 20, pressureBar } },
          settings: { voltageV: 18.8, wireSpeedMPerMin: 6.3, stickOutMm: 10 },
        },
        { 'holes-scattered': 'present', 'residue-oxide': 'present' },
      );
    expect(first(bottle(2))).toBe('gas-empty');
    expect(chanceOf('gas-empty', bottle(120))).toBeLessThan(chanceOf('gas-empty', { ...bottle(120), rig: BARE.rig }));
  });

  it('takes a steel liner for aluminium wire as evidence of how it feeds', () => {
    const aluminium = (kind: 'steel' | 'polymer'): Case =>
      withFindings(
        {
          ...BARE,
          job: { ...BARE.job, baseMetal: 'aluminium' },
          rig: {
            process: 'gmaw',
            wire: { class: 'solid-aluminium', diameterMm: 1.2 },
            gas: { argonPct: 100 },
            parts: { liner: { kind } },
          },
        },
        { 'wire-surges': 'present' },
      );
    expect(first(aluminium('steel'))).toBe('liner-dirty');
    const { because } = diagnose(ENGINE, aluminium('steel')).causes[0];
    expect(because).toContainEqual(expect.objectContaining({ evidence: 'rig:liner' }));
    expect(chanceOf('liner-dirty', aluminium('polymer'))).toBeLessThan(chanceOf('liner-dirty', aluminium('steel')));
  });

  it('suspects a knob that stands to one side first, where the bead shows that side and the figures are right', () => {
    const knob = (arcControlPct: number): Case => ({
      ...withFindings(BARE, { 'spatter-fine': 'present' }),
      settings: { ...BARE.settings, arcControlPct },
    });
    expect(first(knob(5))).toBe('arc-control-crisp');
    expect(first(knob(50))).not.toBe('arc-control-crisp');
    expect(first({ ...knob(98), findings: { 'start-poor': 'present', 'sound-plop': 'present' } })).toBe(
      'arc-control-soft',
    );
  });
});

describe('how often and when', () => {
  const surging = withFindings(BARE, { 'wire-surges': 'present' });

  it('tells a spool or roll that turns from a liner that drags', () => {
    const beat = withFindings(surging, { 'when-beat': 'present' });
    const turns = (input: Case): number =>
      chanceOf('brake-tight', input) + chanceOf('roll-wrong', input) + chanceOf('brake-loose', input);
    expect(first(surging)).toBe('liner-dirty');
    expect(turns(beat)).toBeGreaterThan(2 * turns(surging));
    expect(first(beat)).not.toBe('liner-dirty');
  });

  it('tells what is wrong only at the start, or only once it is hot', () => {
    const poor = withFindings(BARE, { 'start-poor': 'present', 'holes-start': 'present' });
    expect(['preflow-short', 'wire-untrimmed']).toContain(first(withFindings(poor, { 'when-start': 'present' })));
    const burning = withFindings(BARE, { 'wire-burns-back': 'present', 'tip-fused': 'present' });
    expect(first(withFindings(burning, { 'when-hot': 'present' }))).toBe('gun-hot');
    const sputters = withFindings(BARE, { 'sound-sputter': 'present', 'bead-ropey': 'present' });
    expect(chanceOf('cable-loose', withFindings(sputters, { 'when-hot': 'present' }))).toBeGreaterThan(
      3 * chanceOf('cable-loose', sputters),
    );
  });

  it('does not take a plate that was warm for a setting that is hot', () => {
    const through: Case = {
      ...withFindings(BARE, { 'back-burned-through': 'present', 'bead-sunken': 'present' }),
      job: { ...BARE.job, thicknessMm: 2, otherThicknessMm: 2 },
      settings: { voltageV: 18, wireSpeedMPerMin: 5.3, stickOutMm: 10 },
    };
    const warm = withFindings(through, { 'plate-warm': 'present' });
    expect(chanceOf('heat-buildup', warm)).toBeGreaterThan(2 * chanceOf('heat-buildup', through));
    expect(chanceOf('heat-high', warm)).toBeLessThan(chanceOf('heat-high', through));
  });
});
