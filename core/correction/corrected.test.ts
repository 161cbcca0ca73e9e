import fc from 'fast-check';
import { answer } from '../answer';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import { MAIN_SETTINGS, SETTINGS } from '../setting/table';
import { NO_OTHER_WAY } from './correct';
import { settingsMoved, variant } from './testing/work';

const BALANCED = { voltageV: 20 };

describe('the corrected settings', () => {
  const TOO_THICK = {
    job: { thicknessMm: 12, otherThicknessMm: 12 },
    rig: { wire: { class: 'solid-steel', diameterMm: 0.6 } },
  };

  it('are today’s, or away from them by what is worth a turn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 14, max: 26, noNaN: true }),
        fc.double({ min: 3, max: 12, noNaN: true }),
        fc.constantFrom('bead-ropey', 'bead-flat', 'holes-through', 'wire-stubs', 'holes-scattered'),
        (voltageV, wireSpeedMPerMin, id) => {
          const today = { ...EXAMPLE_CASE.settings, voltageV, wireSpeedMPerMin };
          const { settings, moves } = answer(variant({ settings: today, findings: { [id]: 'present' } })).correction;
          for (const name of MAIN_SETTINGS) {
            const turn = Math.abs(settings[name]! - today[name]!);
            expect(turn === 0 || turn >= SETTINGS[name].worthMoving).toBe(true);
            expect(settingsMoved(moves).some(({ setting }) => setting === name)).toBe(turn > 0);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('are turned to by volts and wire together, where one alone would be worse than none', () => {
    const uphill = variant({
      job: { thicknessMm: 10, otherThicknessMm: 10, position: 'vertical-up' },
      rig: { ...EXAMPLE_CASE.rig, wire: { class: 'solid-steel', diameterMm: 1.2 } },
      settings: { voltageV: 28, wireSpeedMPerMin: 8, stickOutMm: 15, gasFlowLPerMin: 14 },
      findings: { 'bead-piled': 'present' },
    });
    const turned = settingsMoved(answer(uphill).correction.moves).map(({ setting }) => setting);
    expect(turned).toEqual(['wireSpeedMPerMin', 'voltageV', 'stickOutMm']);
  });

  it('are told with what they do, before and after, and the other way round beside them', () => {
    const { arc, correction } = answer(EXAMPLE_CASE);
    expect(correction.before).toEqual(expect.objectContaining({ currentA: arc.currentA, heatRatio: arc.heatRatio }));
    expect(Math.abs(correction.after!.voltageErrorV!)).toBeLessThan(Math.abs(correction.before!.voltageErrorV!));
    const sheet = answer(
      variant({
        job: { thicknessMm: 2, otherThicknessMm: 2 },
        settings: { voltageV: 17.5, wireSpeedMPerMin: 6 },
        findings: { 'sound-popping': 'present' },
      }),
    ).correction;
    expect(sheet.alternative.after!.voltageErrorV).not.toBe(sheet.after!.voltageErrorV);
    const nothing = answer(variant({ settings: BALANCED, findings: {} })).correction;
    expect(nothing.alternative).toEqual(NO_OTHER_WAY);
  });

  it('come after the remedy where the likeliest cause is none of theirs, and without it where nothing is likely', () => {
    const rig = { ...EXAMPLE_CASE.rig };
    const hot = answer(
      variant({ rig, settings: BALANCED, findings: { 'tip-fused': 'present', 'check-tip': 'present' } }),
    ).correction;
    expect(hot.moves[0]).toEqual({
      kind: 'remedy',
      seen: true,
      cause: 'tip-worn',
      do: 'Change the tip.',
      because: 'The bore is oval or burnt; the current jumps about.',
      expect: 'run the same settings again and compare',
      caution: 'Hot; welder off.',
    });
    expect(settingsMoved(hot.moves)).toEqual([]);
  });

  it('name the cause that each turn cures', () => {
    const found = answer(
      variant({
        settings: { ...BALANCED, gasFlowLPerMin: 3, stickOutMm: 24 },
        findings: { 'holes-scattered': 'present' },
      }),
    ).correction;
    const because = Object.fromEntries(settingsMoved(found.moves).map((move) => [move.setting, move.because]));
    expect(because.gasFlowLPerMin).toMatch(/too little gas/i);
    expect(because.stickOutMm).toMatch(/further off/);
    const turn = (name: string, settings: object, findings: object) =>
      settingsMoved(answer(variant({ settings: { ...BALANCED, ...settings }, findings })).correction.moves).find(
        ({ setting }) => setting === name,
      )!.because;
    expect(turn('gasFlowLPerMin', { gasFlowLPerMin: 40 }, { 'holes-scattered': 'present' })).toMatch(/turbulent/);
    expect(turn('stickOutMm', { stickOutMm: 3 }, { 'nozzle-clogged': 'present', 'tip-fused': 'present' })).toMatch(
      /nearer than/,
    );
  });

  it('say what the wire cannot reach, upward and downward, and nothing where the plate is not known', () => {
    const cold = { 'toe-cold-lap': 'present', 'back-no-mark': 'present' };
    const reach = (change: Parameters<typeof variant>[0]) => answer(variant(change)).correction.outOfReach;
    const [note] = reach({ ...TOO_THICK, settings: { voltageV: 17, wireSpeedMPerMin: 9 }, findings: cold });
    const [wanted, reached] = [...note.matchAll(/(\d+) A/g)].map(([, amps]) => Number(amps));
    expect(reached).toBeLessThan(0.85 * wanted);
    const thin = {
      job: { thicknessMm: 0.8, otherThicknessMm: 0.8 },
      rig: { wire: { class: 'solid-steel', diameterMm: 1.2 } },
      settings: { voltageV: 18, wireSpeedMPerMin: 3 },
      findings: { 'holes-through': 'present' },
    };
    expect(reach(thin).join()).toContain('Thinner wire');
    expect(reach({ settings: BALANCED, findings: {} })).toEqual([]);
    const { job: _, ...noJob } = variant({ ...thin });
    expect(answer(noJob as Case).correction.outOfReach).toEqual([]);
    const cored = { wire: { class: 'tubular-gas-shielded', diameterMm: 0.9 } };
    expect(reach({ ...thin, rig: cored }).join()).toContain('Thinner wire');
  });

  it('keep no gas flow where the wire needs none', () => {
    const rig = { process: 'fcaw-self-shielded', wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null };
    const { settings } = answer(variant({ rig, settings: { gasFlowLPerMin: undefined }, findings: {} })).correction;
    expect(settings.gasFlowLPerMin).toBeUndefined();
    expect(settings.voltageV).toBeDefined();
  });

  it('without the wire are today’s, with technique and remedy alone', () => {
    const rig = { ...EXAMPLE_CASE.rig, wire: undefined };
    const found = answer(
      variant({ rig, findings: { 'nozzle-clogged': 'present', 'holes-scattered': 'present' } }),
    ).correction;
    expect(found.settings).toEqual(EXAMPLE_CASE.settings);
    expect(found.moves.map(({ kind }) => kind)).toEqual(['remedy']);
    expect(found).toEqual(expect.objectContaining({ before: null, after: null, alternative: NO_OTHER_WAY }));
  });
});
