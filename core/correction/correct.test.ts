import { movesNow, nextSettings } from './next-settings';
import fc from 'fast-check';
import { answer } from '../answer';
import { balanceVoltage } from '../arc/balance';
import { completeMix } from '../case/gas-mix';
import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT } from '../case/schema';
import { settingsMoved, variant } from './testing/work';

const BALANCED = { voltageV: 20 };

describe('correction', () => {
  it('turns the worked example up to balance with one move, and says why less wire is no other way', () => {
    const { arc, correction } = answer(EXAMPLE_CASE);
    expect(correction.moves).toHaveLength(1);
    const [move] = settingsMoved(correction.moves);
    expect(move.setting).toBe('voltageV');
    expect(Math.abs(move.to - arc.balancedVoltageV!)).toBeLessThan(1);
    expect(correction.alternative).toMatchObject({ moves: [], after: null });
    expect(correction.alternative.withheld).toMatch(/^Turning the wire .*too cold for this plate: about 1\d\d A/);
  });

  // 2 mm of steel in a fillet wants some 110 A (40 A a millimetre, and more for a corner).
  const onSheet = (wireSpeedMPerMin: number, imbalance: 'by-heat' | 'volts' | 'wire' = 'by-heat') =>
    answer(
      variant({
        job: { thicknessMm: 2, otherThicknessMm: 2 },
        settings: { voltageV: 17.5, wireSpeedMPerMin },
        findings: { 'sound-popping': 'present' },
        preferences: { imbalance },
      }),
    ).correction;

  it('offers the other of volts and wire where the plate stands both, with what it does to the heat', () => {
    const { alternative, after } = onSheet(6);
    const [other] = settingsMoved(alternative.moves);
    expect(other).toMatchObject({ setting: 'voltageV', direction: 'volts up' });
    expect(alternative.withheld).toBeNull();
    expect(alternative.after!.currentA!).toBeGreaterThan(after!.currentA!);
  });

  it('holds back an other way that would fall through, and a school that would lie on the plate', () => {
    expect(onSheet(8).alternative.withheld).toMatch(/^Turning the volts .*too hot for this plate: about 1[67]\d A/);
    expect(onSheet(8, 'volts').settings).toEqual(onSheet(8).settings);
    const ofWire = answer({ ...EXAMPLE_CASE, preferences: { imbalance: 'wire' } }).correction;
    expect(ofWire.settings).toEqual(answer(EXAMPLE_CASE).correction.settings);
  });

  it('takes wire out where the plate is hot already', () => {
    const { moves } = answer(
      variant({
        job: { thicknessMm: 2, otherThicknessMm: 2 },
        settings: { voltageV: 17.5, wireSpeedMPerMin: 8 },
        findings: { 'wire-stubs': 'present' },
      }),
    ).correction;
    expect(settingsMoved(moves)[0].setting).toBe('wireSpeedMPerMin');
    expect(settingsMoved(moves)[0].to).toBeLessThan(8);
  });

  it('leaves balanced numbers alone when nothing is wrong, and when a remedy is what is wanted', () => {
    const sound = answer(variant({ settings: BALANCED, findings: {} })).correction;
    expect(sound.moves).toEqual([]);
    const clogged = answer(
      variant({ settings: BALANCED, findings: { 'holes-scattered': 'present', 'nozzle-clogged': 'present' } }),
    ).correction;
    expect(clogged.moves[0]).toEqual(expect.objectContaining({ kind: 'remedy', cause: 'nozzle-blocked' }));
    expect(clogged.settings).toEqual(
      expect.objectContaining({ voltageV: 20, wireSpeedMPerMin: 7.5, gasFlowLPerMin: 11 }),
    );
  });

  it('puts right whatever a look showed, beside a figure that is wrong too, and a cylinder that is empty sets the flow anew', () => {
    const short = { ...BALANCED, voltageV: 17 };
    const stubbing = { 'wire-stubs': 'present', 'sound-popping': 'present', 'bead-ropey': 'present' } as const;
    const { correction } = answer(
      variant({
        settings: short,
        findings: { ...stubbing, 'check-tip': 'present', 'sound-sputter': 'present', 'check-clamp': 'present' },
      }),
    );
    const remedies = correction.moves.flatMap((move) => (move.kind === 'remedy' && move.seen ? [move.cause] : []));
    expect(remedies).toEqual(expect.arrayContaining(['tip-worn', 'clamp-poor']));
    expect(correction.moves[0].kind).toBe('remedy');
    expect(settingsMoved(correction.moves)[0].setting).toBe('voltageV');
    const empty = answer(
      variant({
        settings: { ...BALANCED, gasFlowLPerMin: 0.5 },
        findings: { 'holes-scattered': 'present', 'no-gas-heard': 'present', 'check-cylinder': 'present' },
      }),
    ).correction;
    expect(movesNow(empty, 'one').map((move) => (move.kind === 'remedy' ? move.cause : move.setting))).toEqual([
      'gas-empty',
      'gasFlowLPerMin',
    ]);
    expect(nextSettings({ gasFlowLPerMin: 0.5 }, empty, 'one').gasFlowLPerMin).toBeGreaterThan(8);
    expect(empty.settings.voltageV).toBe(BALANCED.voltageV);
  });

  it('believes the bead over the meter: stubbing at the model balance still asks for volts', () => {
    const { moves } = answer(
      variant({
        settings: BALANCED,
        findings: { 'bead-ropey': 'present', 'wire-stubs': 'present', 'sound-popping': 'present' },
      }),
    ).correction;
    const volts = settingsMoved(moves).find(({ setting }) => setting === 'voltageV');
    expect(volts!.to).toBeGreaterThan(20.4);
  });

  it('brings flow into its window and stick-out to its usual', () => {
    const { correction } = answer(
      variant({
        settings: { ...BALANCED, gasFlowLPerMin: 3, stickOutMm: 24 },
        findings: { 'holes-scattered': 'present' },
      }),
    );
    expect(correction.settings.gasFlowLPerMin).toBeGreaterThan(7);
    expect(correction.settings.stickOutMm).toBeLessThan(15);
  });

  it('proposes starting settings in balance when nothing is known', () => {
    const { settings, moves } = answer(
      variant({
        findings: {},
        settings: {
          voltageV: undefined,
          wireSpeedMPerMin: undefined,
          stickOutMm: undefined,
          gasFlowLPerMin: undefined,
        },
      }),
    ).correction;
    expect(moves).toEqual([]);
    expect(settings.voltageV).toBeGreaterThan(19);
    expect(settings.voltageV).toBeLessThan(24);
    expect(settings.wireSpeedMPerMin).toBeGreaterThan(6);
  });

  it('lands on a mark of the machine’s own dial', () => {
    const dials = {
      voltageV: {
        step: 1,
        points: [
          { mark: 1, value: 14 },
          { mark: 10, value: 27.5 },
        ],
      },
    };
    const [move] = settingsMoved(answer(variant({ rig: { dials } })).correction.moves);
    expect(Number.isInteger(move.dialTo)).toBe(true);
    expect(move.to).toBeCloseTo(14 + (move.dialTo! - 1) * 1.5, 6);
  });

  it('follows the school that was chosen', () => {
    const turned = (imbalance: 'volts' | 'wire'): string[] =>
      settingsMoved(onSheet(6, imbalance).moves).map(({ setting }) => setting);
    expect(turned('wire')).toEqual(['wireSpeedMPerMin']);
    expect(turned('volts')).toEqual(['voltageV']);
  });

  it('says what is out of reach and what then', () => {
    const { outOfReach } = answer(
      variant({
        job: { thicknessMm: 12, otherThicknessMm: 12 },
        rig: { wire: { class: 'solid-steel', diameterMm: 0.6 } },
        settings: { voltageV: 17, wireSpeedMPerMin: 9 },
        findings: { 'toe-cold-lap': 'present', 'back-no-mark': 'present' },
      }),
    ).correction;
    expect(outOfReach.join()).toMatch(
      /this wire carries about 100 A in this gas\. Slow down until both sides melt.*thicker or tubular wire\.$/,
    );
  });

  it('never leaves the machine’s range, for any settings and job', () => {
    const range = { voltageV: { low: 14, high: 24, step: 0.5 }, wireSpeedMPerMin: { low: 2, high: 12, step: 0.1 } };
    fc.assert(
      fc.property(
        fc.double({ min: 14, max: 24, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.double({ min: 0.8, max: 15, noNaN: true }),
        fc.constantFrom('bead-ropey', 'bead-flat', 'holes-through', 'back-no-mark', 'wire-burns-back'),
        (voltageV, wireSpeedMPerMin, thicknessMm, id) => {
          const { settings } = answer(
            variant({
              rig: { range },
              job: { thicknessMm, otherThicknessMm: thicknessMm },
              settings: { voltageV, wireSpeedMPerMin },
              findings: { [id]: 'present' },
            }),
          ).correction;
          expect(settings.voltageV!).toBeGreaterThanOrEqual(14);
          expect(settings.voltageV!).toBeLessThanOrEqual(24);
          expect(settings.wireSpeedMPerMin!).toBeGreaterThanOrEqual(2);
          expect(settings.wireSpeedMPerMin!).toBeLessThanOrEqual(12);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('corrects an imbalance beyond what a meter may be off by, to within a volt and a half; a smaller one may stay', () => {
    fc.assert(
      fc.property(fc.double({ min: 13, max: 30, noNaN: true }), (voltageV) => {
        const { settings, after } = answer(variant({ settings: { voltageV }, findings: {} })).correction;
        const balance = balanceVoltage(
          after!.currentA!,
          { class: 'solid-steel', diameterMm: 0.9 },
          completeMix({ co2Pct: 18 }),
        );
        const off = Math.abs(
          voltageV - answer(variant({ settings: { voltageV }, findings: {} })).arc.balancedVoltageV!,
        );
        expect(Math.abs(settings.voltageV! - balance)).toBeLessThan(off > 3 ? 1.5 : 3.01);
      }),
      { numRuns: 40 },
    );
  });

  it('never proposes more gas than the field takes, even for helium through the widest nozzle', () => {
    const { settings } = answer({
      format: CASE_FORMAT,
      rig: { wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { heliumPct: 87, co2Pct: 13 }, nozzleBoreMm: 29 },
    }).correction;
    expect(settings.gasFlowLPerMin!).toBeLessThanOrEqual(60);
  });

  it('answers a case with nothing in it without numbers or moves', () => {
    const { correction } = answer({ format: CASE_FORMAT });
    expect(correction).toEqual(expect.objectContaining({ moves: [], settings: {}, outOfReach: [] }));
  });

  it('lets a recorded mismatch come first and tunes nothing beside it', () => {
    const stubbing = { 'wire-stubs': 'present', 'bead-ropey': 'present' };
    const mismatches: [string, object, object][] = [
      ['wire-wrong', {}, { baseMetal: 'stainless' }],
      ['polarity-wrong', { polarity: 'electrode-negative' }, {}],
      ['gas-wrong', { gas: { argonPct: 100 } }, {}],
      ['gas-wrong', { gas: null }, {}],
    ];
    for (const [cause, rig, job] of mismatches) {
      const { moves, settings } = answer(variant({ rig, job, findings: stubbing })).correction;
      expect(moves[0]).toEqual(expect.objectContaining({ kind: 'remedy', cause }));
      expect(settingsMoved(moves)).toEqual([]);
      expect(settings).toEqual(expect.objectContaining({ voltageV: 16.5, wireSpeedMPerMin: 7.5, stickOutMm: 12 }));
    }
    // What is not known stays unknown: a figure beside the wrong wire would be set.
    const bare = answer(variant({ job: { baseMetal: 'stainless' }, settings: { voltageV: undefined } })).correction;
    expect(bare.settings.voltageV).toBeUndefined();
  });

  it('moves the trim alone where a pulsed arc is too long or too short', () => {
    const pulse = {
      mode: 'pulse',
      wire: { class: 'solid-steel', diameterMm: 1.2 },
      gas: { argonPct: 92, co2Pct: 8 },
      nozzleBoreMm: 16,
    };
    const of = (findings: object, trimPct?: number) =>
      answer(
        variant({
          rig: pulse,
          job: { thicknessMm: 8, otherThicknessMm: 8 },
          // A pace that lays 6 mm of leg, the most that a horizontal pass holds up.
          settings: {
            ...{ voltageV: 24, wireSpeedMPerMin: 7, stickOutMm: 17, gasFlowLPerMin: 15, trimPct },
            travelSpeedMmPerMin: 420,
          },
          findings,
        }),
      ).correction;
    const long = { 'arc-long': 'present', 'bead-flat': 'present', 'toe-undercut': 'present' };
    const short = { 'arc-buried': 'present', 'spatter-fine': 'present', 'sound-crisp': 'present' };
    const turned = (found: ReturnType<typeof of>) => settingsMoved(found.moves).map(({ setting, to }) => [setting, to]);
    expect(turned(of(long, 5))).toEqual([['trimPct', -5]]);
    expect(turned(of(short, 5))).toEqual([['trimPct', 15]]);
    expect(of(short, 5).settings.trimPct).toBe(15);
    expect(turned(of(short, 48))).toEqual([['trimPct', 50]]);
    // Where it was not read off, it is said in words, and nothing else is turned for it.
    const unread = of(long);
    expect(turned(unread)).toEqual([]);
    expect(unread.moves).toEqual([expect.objectContaining({ kind: 'remedy', cause: 'pulse-trim-high' })]);
    expect(of(long, 5).moves.every(({ kind }) => kind === 'setting')).toBe(true);
  });

  it('turns a flow down that is far too much, and up where it is far too little', () => {
    const flow = (gasFlowLPerMin: number): number =>
      answer(variant({ settings: { ...BALANCED, gasFlowLPerMin }, findings: { 'holes-scattered': 'present' } }))
        .correction.settings.gasFlowLPerMin!;
    for (const much of [30, 35, 45]) expect(flow(much)).toBeLessThan(18);
    for (const little of [4, 5, 6, 7]) expect(flow(little)).toBeGreaterThanOrEqual(8);
  });

  it('brings a current out of the wild zone under spray by its figures', () => {
    const found = answer(
      variant({
        rig: { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: { argonPct: 92, co2Pct: 8 }, nozzleBoreMm: 16 },
        job: { thicknessMm: 8, otherThicknessMm: 8, joint: 'butt', position: 'flat' },
        settings: { voltageV: 24.5, wireSpeedMPerMin: 5.6, stickOutMm: 14, gasFlowLPerMin: 16 },
        findings: { 'spatter-big-drops': 'present', 'spatter-heavy': 'present', 'sound-plop': 'present' },
      }),
    );
    expect(found.causes[0].cause).toBe('transfer-between');
    const turned = settingsMoved(found.correction.moves);
    expect(turned.map(({ setting }) => setting)).toContain('wireSpeedMPerMin');
    expect(turned[0].because).toMatch(/drops are big and wild/);
    expect(found.correction.moves.every(({ kind }) => kind === 'setting')).toBe(true);
    const away = (amps: number): number => Math.abs(amps / 239 - 1);
    expect(away(found.correction.after!.currentA!)).toBeGreaterThan(away(found.correction.before!.currentA!));
    expect(away(found.correction.after!.currentA!)).toBeGreaterThan(0.08);
  });
});
