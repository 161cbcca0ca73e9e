import fc from 'fast-check';
import { answer } from '.';
import {
  BASE_METALS,
  CASE_FORMAT,
  DRAUGHTS,
  JOINTS,
  POSITIONS,
  SURFACES,
  WIRE_CLASSES,
  type Case,
} from '../case/schema';
import { validateCase } from '../case/validate';
import { STATED_IDS } from '../evidence/ids';
import { cause } from '../knowledge';
import { SETTINGS, type SettingName } from '../setting/table';

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });

/** Any case the schema allows, however odd: the answer may be vague, but it must come. */
const ANY_CASE: fc.Arbitrary<Case> = fc
  .record({
    job: maybe(
      fc.record({
        baseMetal: maybe(fc.constantFrom(...BASE_METALS)),
        surface: maybe(fc.uniqueArray(fc.constantFrom(...SURFACES), { maxLength: 3 })),
        thicknessMm: maybe(within(0.3, 100)),
        otherThicknessMm: maybe(within(0.3, 100)),
        joint: maybe(fc.constantFrom(...JOINTS)),
        position: maybe(fc.constantFrom(...POSITIONS)),
        gapMm: maybe(within(0, 20)),
        draught: maybe(fc.constantFrom(...DRAUGHTS)),
      }),
    ),
    rig: maybe(
      fc.record({
        wire: maybe(fc.record({ class: fc.constantFrom(...WIRE_CLASSES), diameterMm: within(0.5, 2.4) })),
        mode: maybe(fc.constantFrom('conventional' as const, 'pulse' as const)),
        gas: maybe(
          fc.oneof(
            fc.constant(null),
            fc.integer({ min: 0, max: 100 }).map((co2Pct) => ({ co2Pct })),
            fc.integer({ min: 1, max: 100 }).map((heliumPct) => ({ heliumPct })),
          ),
        ),
        polarity: maybe(fc.constantFrom('electrode-positive' as const, 'electrode-negative' as const)),
        nozzleBoreMm: maybe(within(6, 30)),
      }),
    ),
    settings: maybe(
      fc.record({
        voltageV: maybe(within(8, 50)),
        wireSpeedMPerMin: maybe(within(0.5, 30)),
        stickOutMm: maybe(within(3, 50)),
        gasFlowLPerMin: maybe(within(0, 60)),
        arcControlPct: maybe(within(0, 100)),
        travelSpeedMmPerMin: maybe(within(20, 2500)),
        travelAngleDeg: maybe(within(-60, 60)),
      }),
    ),
    findings: fc.dictionary(
      fc.constantFrom(...STATED_IDS),
      fc.constantFrom('present' as const, 'absent' as const, 'unknown' as const),
      { maxKeys: 10 },
    ),
  })
  .map((parts) => JSON.parse(JSON.stringify({ format: CASE_FORMAT, ...parts })) as Case);

describe('a wire that the plate is too thin for', () => {
  const sheet = (settings: Case['settings'], findings: Case['findings'] = {}) =>
    answer({
      format: CASE_FORMAT,
      job: { baseMetal: 'mild-steel', thicknessMm: 1.5, joint: 'corner', position: 'horizontal' },
      rig: { wire: { class: 'solid-steel', diameterMm: 1.6 }, gas: { argonPct: 82, co2Pct: 18 } },
      ...{ settings, findings },
    });

  it('is given no figures, whether a bead was looked at or not, as long as it is not known what it was run at', () => {
    for (const findings of [{}, { 'spatter-big-drops': 'present' }] as Case['findings'][]) {
      const { held, correction } = sheet({ voltageV: 27.3 }, findings);
      expect(held.map(({ text }) => text).join()).toMatch(/^Wire: 1.6 mm runs from about \d+ A/);
      expect(correction.settings.wireSpeedMPerMin).toBeUndefined();
    }
    expect(sheet({ voltageV: 27.3, wireSpeedMPerMin: 5 }, { 'spatter-big-drops': 'present' }).held).toEqual([]);
  });
});

describe('a procedure that the distance does not let be kept', () => {
  it('is given no figure for what is not known, though only a part is to be put right', () => {
    const { held, correction } = answer({
      format: CASE_FORMAT,
      job: { baseMetal: 'mild-steel', thicknessMm: 12, joint: 'plug', gapMm: 2, procedure: { transfer: 'spray' } },
      rig: {
        wire: { class: 'metal-cored', diameterMm: 0.9 },
        gas: { argonPct: 90, co2Pct: 10 },
        polarity: 'electrode-positive',
        nozzleBoreMm: 10,
      },
      settings: { voltageV: 18.5, stickOutMm: 20, gasFlowLPerMin: 23 },
      findings: { 'wire-birdnest': 'present' },
    });
    expect(held.map(({ text }) => text).join()).toMatch(/allows spray, and no setting inside that/);
    expect(correction.settings.wireSpeedMPerMin).toBeUndefined();
    expect(correction.moves.map(({ kind }) => kind)).toEqual(['remedy']);
  });
});

describe('the answer to any case', () => {
  it('comes, with probabilities in range, sorted, each cause above 1 % and explained by finite weights', () => {
    fc.assert(
      fc.property(ANY_CASE, (input) => {
        expect(validateCase(input).problems).toBeNull();
        const { causes, noCause } = answer(input);
        const listed = causes.map(({ probability }) => probability);
        expect([...listed].sort((a, b) => b - a)).toEqual(listed);
        for (const verdict of causes) {
          expect(verdict.probability).toBeGreaterThan(0.01);
          expect(verdict.probability).toBeLessThanOrEqual(1);
          expect(cause(verdict.cause).id).toBe(verdict.cause);
          for (const { weight, because } of verdict.because) {
            expect(Number.isFinite(weight)).toBe(true);
            expect(because.length).toBeGreaterThan(3);
          }
        }
        expect(noCause).toBeGreaterThanOrEqual(0);
        expect(noCause).toBeLessThanOrEqual(1);
      }),
      { numRuns: 150 },
    );
  });

  it('proposes only what a machine and a hand can be set to, and never turns a knob to where it stands', () => {
    fc.assert(
      fc.property(ANY_CASE, (input) => {
        const { settings, moves, alternative } = answer(input).correction;
        for (const [name, value] of Object.entries(settings) as [SettingName, number][]) {
          // What was stated stays as stated; what is proposed lies in the range of the field.
          const { minimum, maximum } = SETTINGS[name];
          expect(value).toBeGreaterThanOrEqual(minimum);
          expect(value).toBeLessThanOrEqual(maximum);
        }
        for (const move of [...moves, ...alternative.moves]) {
          if (move.kind === 'remedy') expect(move.do.length).toBeGreaterThan(5);
          else expect(move.to).not.toBe(move.from);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('always carries the standing cautions, stop conditions before them', () => {
    fc.assert(
      fc.property(ANY_CASE, (input) => {
        const { cautions } = answer(input);
        expect(cautions.map(({ id }) => id)).toEqual(
          expect.arrayContaining(['rays-and-burns', 'fume', 'shock', 'no-proof']),
        );
        const stops = cautions.map(({ stop }) => stop);
        expect([...stops].sort((a, b) => Number(b) - Number(a))).toEqual(stops);
      }),
      { numRuns: 60 },
    );
  });

  it('asks only what is not answered and worth asking', () => {
    fc.assert(
      fc.property(ANY_CASE, (input) => {
        const stated = Object.entries(input.findings ?? {}).flatMap(([id, state]) => (state === 'unknown' ? [] : [id]));
        const { nextChecks, askFor } = answer(input);
        for (const { check, bits, minutes } of nextChecks) {
          expect(stated).not.toContain(check);
          expect(bits).toBeGreaterThan(0);
          expect(minutes).toBeGreaterThan(0);
        }
        if (askFor !== null) expect(input.settings?.[askFor.setting]).toBeUndefined();
      }),
      { numRuns: 80 },
    );
  });
});
