import { arcSetup } from '../arc/setup';
import { answer } from '../answer';
import { RIGS } from '../cases/rigs';
import { CASE_FORMAT, type Case } from '../case/schema';
import type { Circumstance, PriorFactor } from '../knowledge/shapes/types';
import { ENGINE } from '../answer/engine';
import { inCircumstances, matches, priorOf } from './circumstance';
import { diagnose } from './diagnose';
import { taughtBy } from './engine';
import { cause, engineOf, finding } from './testing/small';

const BARE: Case = { format: CASE_FORMAT };
const holds = (when: Circumstance, input: Omit<Case, 'format'>): boolean =>
  matches(when, { ...BARE, ...input } as Case, arcSetup({ ...BARE, ...input } as Case));

describe('a circumstance', () => {
  it.each<[string, Circumstance, Omit<Case, 'format'>, Omit<Case, 'format'>]>([
    ['process', { process: ['gmaw'] }, { rig: { process: 'gmaw' } }, { rig: { process: 'fcaw-self-shielded' } }],
    [
      'wire',
      { wireClass: ['solid-steel'] },
      { rig: { wire: { class: 'solid-steel' } } },
      { rig: { wire: { class: 'solid-aluminium' } } },
    ],
    ['metal', { baseMetal: ['aluminium'] }, { job: { baseMetal: 'aluminium' } }, { job: { baseMetal: 'mild-steel' } }],
    [
      'surface',
      { surface: ['zinc', 'paint'] },
      { job: { surface: ['rust', 'paint'] } },
      { job: { surface: ['rust'] } },
    ],
    ['joint', { joint: ['butt', 'lap'] }, { job: { joint: 'lap' } }, { job: { joint: 'fillet' } }],
    ['position', { position: ['overhead'] }, { job: { position: 'overhead' } }, { job: { position: 'flat' } }],
    ['draught', { draught: ['windy'] }, { job: { draught: 'windy' } }, { job: { draught: 'still' } }],
    ['thin sheet', { thinUpToMm: 2 }, { job: { thicknessMm: 2 } }, { job: { thicknessMm: 2.1 } }],
    ['thick plate', { thickFromMm: 8 }, { job: { thicknessMm: 8 } }, { job: { thicknessMm: 7.9 } }],
    [
      'unequal parts',
      { unequal: true },
      { job: { thicknessMm: 2, otherThicknessMm: 3.6 } },
      { job: { thicknessMm: 2, otherThicknessMm: 3.5 } },
    ],
    ['gap', { gapFromMm: 1 }, { job: { gapMm: 1 } }, { job: { gapMm: 0.9 } }],
    ['pulse', { notPulse: true }, { rig: { mode: 'conventional' } }, { rig: { mode: 'pulse' } }],
    ['pulse that is set', { pulse: true }, { rig: { mode: 'pulse' } }, { rig: { mode: 'conventional' } }],
    [
      'gas',
      { noGas: true },
      { rig: { wire: { class: 'tubular-self-shielded' } } },
      { rig: { wire: { class: 'solid-steel' } } },
    ],
  ])('of the %s holds where it is so, not where it is otherwise', (_, when, so, otherwise) => {
    expect(holds(when, so)).toBe(true);
    expect(holds(when, otherwise)).toBe(false);
  });

  it('never holds by what is not known, but for pulse, which must be set', () => {
    const wanted: Circumstance[] = [
      { process: ['gmaw'] },
      { wireClass: ['solid-steel'] },
      { baseMetal: ['mild-steel'] },
      { surface: ['clean'] },
      { joint: ['bead-on-plate'] },
      { position: ['flat'] },
      { draught: ['still'] },
      { thinUpToMm: 100 },
      { thickFromMm: 0 },
      { unequal: true },
      { gapFromMm: 0 },
      { noGas: true },
    ];
    for (const when of wanted) expect({ when, holds: holds(when, {}) }).toEqual({ when, holds: false });
    expect(holds({ notPulse: true }, {})).toBe(true);
    expect(holds({}, {})).toBe(true);
  });

  it('asks the thinner part for thin and the thicker for thick, whichever is named first', () => {
    for (const [thicknessMm, otherThicknessMm] of [
      [2, 9],
      [9, 2],
    ]) {
      const job = { thicknessMm, otherThicknessMm };
      expect(holds({ thinUpToMm: 2 }, { job })).toBe(true);
      expect(holds({ thinUpToMm: 1.9 }, { job })).toBe(false);
      expect(holds({ thickFromMm: 9 }, { job })).toBe(true);
      expect(holds({ thickFromMm: 9.1 }, { job })).toBe(false);
    }
    expect(holds({ unequal: true }, { job: { thicknessMm: 4 } })).toBe(false);
  });

  it('holds only where every named field does', () => {
    const when: Circumstance = { joint: ['butt'], gapFromMm: 1, thinUpToMm: 3 };
    const job = { joint: 'butt', gapMm: 1, thicknessMm: 3 } as const;
    expect(holds(when, { job })).toBe(true);
    expect(holds(when, { job: { ...job, joint: 'lap' } })).toBe(false);
    expect(holds(when, { job: { ...job, gapMm: 0 } })).toBe(false);
    expect(holds(when, { job: { ...job, thicknessMm: 4 } })).toBe(false);
  });
});

describe('the prior of a cause', () => {
  const SHEET: Case = {
    ...BARE,
    job: { thicknessMm: 2, surface: ['rust', 'oil'], draught: 'windy', joint: 'butt', position: 'flat', gapMm: 2 },
    rig: { wire: { class: 'solid-steel', diameterMm: 0.9 } },
  };
  const priorWith = (factors: PriorFactor[], prior: number, input: Case = SHEET) => {
    const engine = engineOf(
      [finding('holes-scattered', 0.1)],
      [cause('plate-dirty', { 'holes-scattered': 0.5 }, { prior, priorFactors: factors })],
    );
    return priorOf(engine, 0, input, arcSetup(input));
  };
  const factor = (when: Circumstance, times: number): PriorFactor => ({
    when,
    factor: times,
    because: `times ${times}`,
  });

  it('is multiplied by what is known of the job, each field once', () => {
    const { prior, factors } = priorWith([factor({ draught: ['windy'] }, 3), factor({ joint: ['butt'] }, 0.5)], 0.1);
    expect(prior).toBeCloseTo(0.15, 12);
    expect(factors).toEqual([
      { evidence: 'job:draught', factor: 3, because: 'times 3' },
      { evidence: 'job:joint', factor: 0.5, because: 'times 0.5' },
    ]);
    expect(priorWith([factor({ draught: ['still'] }, 3)], 0.1)).toEqual({ prior: 0.1, factors: [] });
  });

  it('takes of two factors on one field the stronger, upward or downward', () => {
    const rust = factor({ surface: ['rust'] }, 2);
    const oil = factor({ surface: ['oil'] }, 4);
    const seldom = factor({ surface: ['oil'] }, 0.1);
    for (const order of [
      [rust, oil],
      [oil, rust],
    ])
      expect(priorWith(order, 0.1).prior).toBeCloseTo(0.4, 12);
    expect(priorWith([rust, seldom], 0.1).prior).toBeCloseTo(0.01, 12);
    expect(priorWith([seldom, rust], 0.1).prior).toBeCloseTo(0.01, 12);
  });

  it('is nothing where a cause cannot be, and at most six in ten', () => {
    expect(priorWith([factor({ surface: ['oil'] }, 0), factor({ surface: ['rust'] }, 9)], 0.1).prior).toBe(0);
    expect(priorWith([factor({ draught: ['windy'] }, 50)], 0.1).prior).toBe(0.6);
  });

  it.each<[Circumstance, string]>([
    [{ surface: ['rust'] }, 'job:surface'],
    [{ draught: ['windy'] }, 'job:draught'],
    [{ joint: ['butt'] }, 'job:joint'],
    [{ position: ['flat'] }, 'job:position'],
    [{ thinUpToMm: 3 }, 'job:thicknessMm'],
    [{ thickFromMm: 1 }, 'job:thicknessMm'],
    [{ gapFromMm: 1 }, 'job:gapMm'],
    [{ wireClass: ['solid-steel'] }, 'rig:wire'],
  ])('names the field that %j looks at', (when, evidence) => {
    expect(priorWith([factor(when, 2)], 0.1).factors.map((entry) => entry.evidence)).toEqual([evidence]);
  });

  it('names metal and unequal parts too', () => {
    const input: Case = { ...BARE, job: { baseMetal: 'stainless', thicknessMm: 2, otherThicknessMm: 6 } };
    const of = (when: Circumstance) => priorWith([factor(when, 2)], 0.1, input).factors[0].evidence;
    expect(of({ baseMetal: ['stainless'] })).toBe('job:baseMetal');
    expect(of({ unequal: true })).toBe('job:thicknessMm');
    const away: Case = { ...BARE, job: { place: 'site' } };
    expect(priorWith([factor({ place: ['site'] }, 2)], 0.1, away).factors[0].evidence).toBe('job:place');
  });

  it('carries what the rig has taught as a factor of its own', () => {
    const engine = engineOf([finding('holes-scattered', 0.1)], [cause('plate-dirty', { 'holes-scattered': 0.5 })]);
    const of = (confirmed: number) =>
      priorOf(taughtBy(engine, { causes: [{ cause: 'plate-dirty', confirmed, beads: 100 }] }), 0, BARE, arcSetup(BARE));
    // A prior of 0.1 is worth 100 beads: 30 of 100 more make (10 + 30) / 200.
    expect(of(30).prior).toBeCloseTo(0.2, 12);
    expect(of(30).factors).toEqual([
      { evidence: 'rig:experience', factor: expect.closeTo(2, 12), because: 'it was the cause on this rig before' },
    ]);
    expect(of(0).factors[0]).toEqual(
      expect.objectContaining({ factor: expect.closeTo(0.5, 12), because: 'it was seldom the cause on this rig' }),
    );
    expect(priorOf(engine, 0, BARE, arcSetup(BARE)).factors).toEqual([]);
  });
});

describe('findings in circumstances', () => {
  const withPowder = {
    ...finding('residue-white', 0.003),
    leakWhen: { when: { wireClass: ['tubular-self-shielded'] }, leak: 0.6, because: 'flux' },
  };
  const engine = engineOf([withPowder as never], [cause('plate-zinc', { 'residue-white': 0.8 })]);
  const on = (wireClass: 'tubular-self-shielded' | 'solid-steel') => {
    const input: Case = { ...BARE, rig: { wire: { class: wireClass, diameterMm: 0.9 } } };
    return inCircumstances(engine, input, arcSetup(input));
  };

  it('are as usual there as the circumstances make them, and the engine stays as it was', () => {
    const held = on('tubular-self-shielded');
    expect(held.nodeById.get('residue-white')!.leak).toBe(0.6);
    expect(held.nodes.find(({ id }) => id === 'residue-white')!.leak).toBe(0.6);
    expect(on('solid-steel')).toBe(engine);
    expect(engine.nodeById.get('residue-white')!.leak).toBe(0.003);
  });

  it('are brought out more strongly by a cause where its wire makes it so, with the reason that holds there', () => {
    const over = {
      ...cause('voltage-high', { 'residue-white': 0.05 }),
      linksWhen: [
        {
          when: { wireClass: ['tubular-self-shielded' as const] },
          links: [['residue-white', 0.7, 'the core boils'] as const, ['residue-white', 0.6, 'weaker'] as const],
        },
      ],
    };
    const links = engineOf([finding('residue-white', 0.003)], [cause('plate-zinc', { 'residue-white': 0.8 }), over]);
    const held = (wireClass: 'tubular-self-shielded' | 'solid-steel') => {
      const input: Case = { ...BARE, rig: { wire: { class: wireClass, diameterMm: 0.9 } } };
      return inCircumstances(links, input, arcSetup(input));
    };
    expect([...held('tubular-self-shielded').nodeById.get('residue-white')!.strength]).toEqual([0.8, 0.7]);
    expect([...held('tubular-self-shielded').nodes.find(({ id }) => id === 'residue-white')!.strength]).toEqual([
      0.8, 0.7,
    ]);
    expect(held('solid-steel')).toBe(links);
    expect([...links.nodeById.get('residue-white')!.strength]).toEqual([0.8, 0.05]);
  });

  it('make holes a sign of too many volts with a tubular wire, and say why', () => {
    const holes = (wireClass: string) =>
      diagnose(ENGINE, {
        ...BARE,
        rig: { wire: { class: wireClass, diameterMm: 0.9 } },
        findings: { 'holes-scattered': 'present', 'holes-wormtracks': 'present' },
      } as Case).causes.find(({ cause: id }) => id === 'voltage-high');
    const [tubular, solid] = [holes('tubular-self-shielded')!, holes('solid-steel')!];
    expect(tubular.probability).toBeGreaterThan(2 * solid.probability);
    expect(tubular.because.map(({ because }) => because)).toContain(
      'over its window of volts a tubular wire shuts in gas',
    );
    expect(solid.because.map(({ because }) => because)).not.toContain(
      'over its window of volts a tubular wire shuts in gas',
    );
  });

  it('make white powder no sign of zinc beside self-shielded wire, and none on what is never galvanised', () => {
    const zinc = (rig: object, job: object): number =>
      diagnose(ENGINE, { ...BARE, rig, job, findings: { 'residue-white': 'present' } } as Case).causes.find(
        ({ cause: id }) => id === 'plate-zinc',
      )?.probability ?? 0;
    const solid = { wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 82, co2Pct: 18 } };
    const flux = {
      process: 'fcaw-self-shielded',
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      gas: null,
    };
    expect(zinc(solid, { baseMetal: 'mild-steel' })).toBeGreaterThan(0.3);
    expect(zinc(flux, { baseMetal: 'mild-steel' })).toBeLessThan(0.1);
    // A plate said to be galvanised still is.
    expect(zinc(flux, { baseMetal: 'mild-steel', surface: ['zinc'] })).toBeGreaterThan(0.5);
    expect(zinc(solid, { baseMetal: 'stainless' })).toBe(0);
    expect(zinc(solid, { baseMetal: 'aluminium' })).toBe(0);
  });

  it('of a pulsed arc speak of its trim, never of volts or wire, and something is done about it', () => {
    const pulsing = (findings: Case['findings'], trimPct?: number): ReturnType<typeof answer> =>
      answer({
        ...BARE,
        job: { baseMetal: 'mild-steel', thicknessMm: 6, joint: 'fillet', position: 'flat' },
        rig: { ...RIGS.pulse12 },
        settings: { voltageV: 27, wireSpeedMPerMin: 6, stickOutMm: 16, ...(trimPct === undefined ? {} : { trimPct }) },
        findings,
      });
    for (const [findings, trim, way] of [
      [{ 'arc-long': 'present', 'sound-hiss': 'present' }, 'pulse-trim-high', -1],
      [{ 'wire-stubs': 'present', 'sound-popping': 'present' }, 'pulse-trim-low', 1],
    ] as const) {
      const { causes, correction } = pulsing(findings, 10);
      expect(causes[0].cause).toBe(trim);
      for (const { cause: id } of causes) expect(id).not.toMatch(/^(voltage|wire)-(low|high|fast|slow)$/);
      const [move] = correction.moves;
      expect(move).toEqual(expect.objectContaining({ kind: 'setting', setting: 'trimPct' }));
      expect(move.kind === 'setting' && Math.sign(move.to - move.from!)).toBe(way);
      // Where nobody knows the trim it is said in words.
      expect(pulsing(findings).correction.moves[0]).toEqual(expect.objectContaining({ kind: 'remedy', cause: trim }));
    }
    // A hum without a crackle is how it sounds.
    expect(pulsing({ 'sound-hiss': 'present' }).causes.every(({ probability }) => probability < 0.15)).toBe(true);
  });
});
