import type { Gas, Rig } from '@/core/case/schema';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { validateRig } from '@/core/record/change/validate-rig';
import { fieldOf, fittedFor, gasTexts, NEW_RIG, rigFrom, typedGas, valuesOf, type Begun } from './rig-form';
import { partValues } from './rig-parts';

const BEGUN: Begun = {
  rigId: '0190b000-0000-7000-8000-000000000001',
  setupId: '0190b000-0000-7000-8000-000000000002',
  at: '2026-05-04T09:00:00.000Z',
};
const KEPT: RigRecord = {
  id: BEGUN.rigId,
  name: 'Dock set',
  note: 'grey box',
  putAway: false,
  learnsSince: null,
  runOutScale: null,
  revision: 3,
  setup: {
    id: '0190b000-0000-7000-8000-000000000007',
    rigId: BEGUN.rigId,
    fittedAt: '2026-05-01T08:00:00.000Z',
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.9 },
      gas: { argonPct: 82, co2Pct: 18 },
      polarity: 'electrode-positive',
      nozzleBoreMm: 12.7,
      mode: 'pulse',
    },
    arcControlRising: 'crisper',
    display: 'dial',
    assumed: false,
    revision: 2,
  },
};
const values = valuesOf(KEPT, 'metric');
const made = (change: Partial<typeof values> = {}, from: RigRecord = KEPT) =>
  rigFrom({ ...values, ...change }, from, BEGUN, 'metric');

describe('the shares of a mix in their fields', () => {
  it('show the open share of argon, and nothing as 0', () => {
    expect(gasTexts({ co2Pct: 18 })).toEqual({ argonPct: '82', co2Pct: '18', oxygenPct: '0', heliumPct: '0' });
    expect(gasTexts({ argonPct: 50, heliumPct: 50 })).toEqual({
      argonPct: '50',
      co2Pct: '0',
      oxygenPct: '0',
      heliumPct: '50',
    });
    expect(gasTexts({ co2Pct: 99, oxygenPct: 5 }).argonPct).toBe('0');
  });

  it('come back as typed; an empty share is none, a word stays one that is refused', () => {
    expect(typedGas({ argonPct: '97,5', co2Pct: '2.5', oxygenPct: '', heliumPct: 'x' })).toEqual({
      argonPct: 97.5,
      co2Pct: 2.5,
      oxygenPct: 0,
      heliumPct: NaN,
    });
  });
});

describe('what a form begins with', () => {
  it('is the rig as it is fitted', () => {
    expect(values).toEqual({
      name: 'Dock set',
      note: 'grey box',
      wireClass: 'solid-steel',
      diameterMm: 0.9,
      gas: gasTexts(KEPT.setup.rig.gas as Gas),
      polarity: 'electrode-positive',
      bore: '12.7',
      display: 'dial',
      mode: 'pulse',
      grade: '',
      volts: { low: '', high: '', step: '' },
      wire: { low: '', high: '', step: '' },
      rising: 'crisper',
      arcMarks: { low: '', high: '' },
      controls: null,
      meters: null,
      parts: partValues({}, 'metric'),
    });
    expect(valuesOf(KEPT, 'inch').bore).toBe('0.5');
  });

  it('is the usual for what a rig does not say', () => {
    const bare = { ...KEPT, setup: { ...KEPT.setup, rig: {} } };
    expect(valuesOf(bare, 'metric')).toEqual(
      expect.objectContaining({
        wireClass: 'solid-steel',
        diameterMm: 0.9,
        gas: gasTexts({ argonPct: 82, co2Pct: 18 }),
        polarity: 'electrode-positive',
        bore: '',
      }),
    );
    expect(valuesOf({ ...KEPT, setup: { ...KEPT.setup, rig: { gas: null } } }, 'metric').gas).toBeNull();
  });
});

describe('what a wire wants beside itself', () => {
  const mix = gasTexts({ argonPct: 75, co2Pct: 25 });
  it('is no gas and the other studs for self-shielded wire, and the gas that is there for the others', () => {
    expect(fittedFor('tubular-self-shielded', mix)).toEqual({ gas: null, polarity: 'electrode-negative' });
    expect(fittedFor('solid-steel', mix)).toEqual({ gas: mix, polarity: 'electrode-positive' });
    expect(fittedFor('solid-steel', null).gas).toEqual(gasTexts({ argonPct: 82, co2Pct: 18 }));
    expect(fittedFor('solid-aluminium', null).gas).toEqual(gasTexts({ argonPct: 100 }));
  });
});

describe('the rig that is typed', () => {
  it('keeps its setup where nothing that is fitted differs, whatever it is called', () => {
    expect(made().setup).toEqual({
      id: KEPT.setup.id,
      fittedAt: KEPT.setup.fittedAt,
      rig: KEPT.setup.rig,
      display: 'dial',
      arcControlRising: 'crisper',
    });
    const renamed = made({ name: ' Yard set ', note: 'green box' });
    expect(renamed).toEqual(expect.objectContaining({ name: 'Yard set', note: 'green box', id: BEGUN.rigId }));
    expect(renamed.setup.id).toBe(KEPT.setup.id);
    const boreInches = rigFrom(valuesOf(KEPT, 'inch'), KEPT, BEGUN, 'inch');
    expect(boreInches.setup.id).toBe(KEPT.setup.id);
    expect(boreInches.setup.rig.nozzleBoreMm).toBe(12.7);
  });

  it.each([
    ['wire', { diameterMm: 1.2 }],
    ['class', { wireClass: 'solid-stainless' }],
    ['gas', { gas: gasTexts({ argonPct: 75, co2Pct: 25 }) }],
    ['no gas', { gas: null }],
    ['studs', { polarity: 'electrode-negative' }],
    ['nozzle', { bore: '16' }],
    ['no nozzle', { bore: '' }],
    ['display', { display: 'digital' }],
    ['range of volts', { volts: { low: '14', high: '28,5', step: '' } }],
    ['range of wire', { wire: { low: '1.5', high: '18', step: '0.1' } }],
    ['mode', { mode: 'conventional' }],
    ['grade', { grade: 'G3Si1' }],
    ['nozzle shape', { parts: { ...values.parts, nozzle: 'tapered' } }],
    ['step of the volts', { volts: { low: '14', high: '28', step: '0.5' } }],
    ['drive roll', { parts: { ...values.parts, groove: 'u', rollMm: '0.9' } }],
    ['contact tip', { parts: { ...values.parts, tipMm: '1', recess: '-2' } }],
    ['gun', { parts: { ...values.parts, gunA: '250', cooling: 'water' } }],
    ['rating plate', { parts: { ...values.parts, sourceA: '180', sourcePct: '35' } }],
    ['turn of the arc control', { rising: 'softer' }],
    ['marks of the arc control', { arcMarks: { low: '-5', high: '5' } }],
    ['list of what it lets be set', { controls: ['burn-back', 'slope'] }],
    ['list of its meters', { meters: ['amps'] }],
    ['machine that lets nothing else be set', { controls: [] }],
  ] as [string, Partial<typeof values>][])('is refitted by another %s, and one the schema takes', (_, change) => {
    const rig = made(change);
    expect(rig.setup).toEqual(expect.objectContaining({ id: BEGUN.setupId, fittedAt: BEGUN.at }));
    expect(validateRig(rig).problems).toBeNull();
  });

  it('says what the fields say, and keeps what has no field', () => {
    const { rig } = made({ wireClass: 'tubular-self-shielded', gas: null, bore: '16' }).setup;
    // Another wire, no cylinder and another nozzle begin again.
    expect(rig).toEqual({
      fittedAt: { spool: BEGUN.at, cylinder: BEGUN.at, nozzle: BEGUN.at },
      process: 'fcaw-self-shielded',
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      gas: null,
      polarity: 'electrode-positive',
      nozzleBoreMm: 16,
      mode: 'pulse',
    });
    expect(made({ bore: '' }).setup.rig).not.toHaveProperty('nozzleBoreMm');
  });

  it('keeps a mix as it was stated where its fields say the same', () => {
    const open = { ...KEPT, setup: { ...KEPT.setup, rig: { ...KEPT.setup.rig, gas: { co2Pct: 18 } } } };
    expect(made({}, open).setup.rig.gas).toEqual({ co2Pct: 18 });
    expect(made({ gas: gasTexts({ co2Pct: 20 }) }, open).setup.rig.gas).toEqual(typedGas(gasTexts({ co2Pct: 20 })));
  });

  it('has the range that was typed, and the one it had where nothing was', () => {
    expect(made({ volts: { low: '14', high: '28,5', step: '' } }).setup.rig.range).toEqual({
      voltageV: { low: 14, high: 28.5, step: 0.1 },
    });
    const range = { voltageV: { low: 14, high: 28, step: 0.5 }, wireSpeedMPerMin: { low: 1.6, high: 18, step: 0.2 } };
    const ranged = { ...KEPT, setup: { ...KEPT.setup, rig: { ...KEPT.setup.rig, range } } };
    const shown = valuesOf(ranged, 'inch');
    expect(shown.wire).toEqual({ low: '63', high: '709', step: '8' });
    // Shown rounded and not touched, it stays what it was.
    expect(rigFrom(shown, ranged, BEGUN, 'inch').setup.id).toBe(KEPT.setup.id);
    const wider = rigFrom({ ...shown, volts: { low: '12', high: '28', step: '0.5' } }, ranged, BEGUN, 'inch').setup.rig
      .range;
    expect(wider).toEqual({ ...range, voltageV: { low: 12, high: 28, step: 0.5 } });
    const finer = rigFrom({ ...shown, volts: { ...shown.volts, step: '0,2' } }, ranged, BEGUN, 'inch').setup.rig.range;
    expect(finer).toEqual({ ...range, voltageV: { low: 14, high: 28, step: 0.2 } });
    const none = { volts: { low: '', high: '', step: '0.5' }, wire: { low: ' ', high: '', step: '' } };
    expect(rigFrom({ ...shown, ...none }, ranged, BEGUN, 'inch').setup.rig).not.toHaveProperty('range');
  });

  it('is refused in the field where one end is missing, or both are upside down', () => {
    const wrong = (change: Partial<typeof values>) =>
      validateRig(made(change)).problems!.map(({ field }) => fieldOf(field));
    expect(wrong({ volts: { low: '14', high: '', step: '' } })).toContain('volts');
    expect(wrong({ volts: { low: '28', high: '14', step: '' } })).toContain('volts');
    expect(wrong({ wire: { low: 'x', high: '18', step: '' } })).toContain('wire');
    expect(wrong({ volts: { low: '14', high: '28', step: '0' } })).toContain('volts');
    expect(wrong({ volts: { low: '', high: '', step: '1' } })).toContain('volts');
    expect(wrong({ grade: 'x'.repeat(25) })).toEqual(['grade']);
    expect(wrong({ parts: { ...values.parts, sourceA: '180' } })).toEqual(['parts']);
    expect(wrong({ parts: { ...values.parts, gunA: '9000' } })).toEqual(['parts']);
    expect(wrong({ parts: { ...values.parts, recess: 'deep' } })).toEqual(['parts']);
  });

  it('has the parts as they were recorded where nothing was touched, and none that is not known', () => {
    const parts: Rig['parts'] = {
      roll: { sizeMm: 0.9, groove: 'v' },
      liner: { kind: 'steel', sizeMm: 1.2 },
      tip: { recessMm: 3.175, sizeMm: 0.9 },
      nozzle: { shape: 'tapered' },
    };
    const rig: Rig = { ...KEPT.setup.rig, source: { ratedPct: 35, ratedA: 180 }, gun: { ratedA: 250 }, parts };
    const fitted = { ...KEPT, setup: { ...KEPT.setup, rig } };
    for (const units of ['metric', 'inch'] as const) {
      const again = rigFrom(valuesOf(fitted, units), fitted, BEGUN, units);
      expect(again.setup.rig).toEqual(rig);
      expect(again.setup.id).toBe(KEPT.setup.id);
    }
    const shown = valuesOf(fitted, 'metric');
    const bare = rigFrom({ ...shown, parts: partValues({}, 'metric') }, fitted, BEGUN, 'metric').setup.rig;
    for (const name of ['parts', 'gun', 'source']) expect(bare).not.toHaveProperty(name);
    const noRoll = { ...shown.parts, groove: null, rollMm: null, recess: '0.5' };
    expect(rigFrom({ ...shown, parts: noRoll }, fitted, BEGUN, 'metric').setup.rig.parts).toEqual({
      liner: { kind: 'steel', sizeMm: 1.2 },
      tip: { sizeMm: 0.9, recessMm: 0.5 },
      nozzle: { shape: 'tapered' },
    });
  });

  it('has what it lets be set as it was recorded, and nothing of it once it is not known', () => {
    const rig: Rig = { ...KEPT.setup.rig, controls: ['four-step', 'pre-flow'] };
    const fitted = { ...KEPT, setup: { ...KEPT.setup, rig } };
    const shown = valuesOf(fitted, 'metric');
    expect(rigFrom(shown, fitted, BEGUN, 'metric').setup).toEqual(expect.objectContaining({ id: KEPT.setup.id, rig }));
    expect(rigFrom({ ...shown, controls: null }, fitted, BEGUN, 'metric').setup.rig).not.toHaveProperty('controls');
  });

  it('has an arc-control dial between its marks, crisp at one end and soft at the other', () => {
    const marks = { low: '0', high: '10' };
    const dial = (change: Partial<typeof values>, from?: RigRecord) =>
      made({ arcMarks: marks, ...change }, from).setup.rig.dials?.arcControlPct;
    // The dial of this rig rises toward crisp.
    expect(dial({})).toEqual({
      step: 0.5,
      points: [
        { mark: 0, value: 100 },
        { mark: 10, value: 0 },
      ],
    });
    expect(dial({ rising: 'softer' })!.points.map(({ value }) => value)).toEqual([0, 100]);
    // One that was taken down more finely is kept until its marks or its way are touched.
    const fine = { step: 1, points: [0, 4, 10].map((mark, i) => ({ mark, value: 100 - 50 * i })) };
    const volts = { step: 1, points: [1, 9].map((mark) => ({ mark, value: 14 + mark })) };
    const rig: Rig = { ...KEPT.setup.rig, dials: { arcControlPct: fine, voltageV: volts } };
    const fitted: RigRecord = { ...KEPT, setup: { ...KEPT.setup, rig } };
    expect(valuesOf(fitted, 'metric').arcMarks).toEqual(marks);
    expect(dial({}, fitted)).toEqual(fine);
    expect(dial({ rising: 'softer' }, fitted)!.points).toHaveLength(2);
    expect(dial({ arcMarks: { low: '', high: '' } }, fitted)).toBeUndefined();
    expect(made({ arcMarks: { low: '', high: '' } }, fitted).setup.rig.dials).toEqual({ voltageV: volts });
  });

  it.each([
    [{ low: '0', high: '' }],
    [{ low: '10', high: '0' }],
    [{ low: '5', high: '5' }],
    [{ low: 'x', high: '10' }],
    [{ low: '-200', high: '10' }],
  ])('refuses the arc-control marks %j beside their fields', (arcMarks) => {
    const { problems } = validateRig(made({ arcMarks }));
    expect([...new Set(problems!.map(({ field }) => fieldOf(field)))]).toEqual(['arcMarks']);
  });

  it('begins fresh with a setup of its own', () => {
    const rig = rigFrom({ ...valuesOf(NEW_RIG, 'metric'), name: 'New' }, NEW_RIG, BEGUN, 'metric');
    expect(rig).toEqual({
      id: BEGUN.rigId,
      name: 'New',
      note: '',
      setup: { id: BEGUN.setupId, fittedAt: BEGUN.at, ...NEW_RIG.setup },
    });
    expect(validateRig(rig).problems).toBeNull();
  });

  it('has each refused field found where it was typed', () => {
    expect(fieldOf('name')).toBe('name');
    expect(fieldOf('note')).toBe('note');
    expect(fieldOf('setup.rig.gas.co2Pct')).toBe('gas');
    expect(fieldOf('setup.rig.nozzleBoreMm')).toBe('bore');
    expect(fieldOf('setup.rig.wire.diameterMm')).toBe('wireClass');
    expect(fieldOf('setup.fittedAt')).toBeNull();
  });
});
