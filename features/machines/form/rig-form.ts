import { statedTotal } from '@/core/case/gas-mix';
import type { Gas, Rig, WireClass } from '@/core/case/schema';
import { fromUser, readable, type UnitSystem } from '@/core/quantity/units';
import type { NewRig, NewSetup, RigRecord } from '@/core/record/shapes/record-schema';
import { withRefitted } from '@/core/record/shapes/part-wear';
import { dialEnds } from '@/core/setting/dial';
import { SETTINGS } from '@/core/setting/table';
import sameDocument from 'fast-deep-equal';
import { typedFigure } from '../../shared/record-form';
import { processOf } from '../../shared/rig-words';
import { partsFrom, partValues, type PartValues } from './rig-parts';

/** What is typed and chosen for one rig; figures as they were typed. */
export type RigValues = {
  name: string;
  note: string;
  wireClass: WireClass;
  diameterMm: number;
  /** As printed on the spool. */
  grade: string;
  /** Null for a wire that needs no gas. */
  gas: Record<keyof Gas, string> | null;
  polarity: NonNullable<Rig['polarity']>;
  bore: string;
  display: NewSetup['display'];
  mode: NonNullable<Rig['mode']>;
  /** What the machine can be set to; both ends empty where that is not known. */
  volts: RangeTexts;
  wire: RangeTexts;
  rising: NewSetup['arcControlRising'];
  /** First and last mark on the arc-control dial; both empty for one that is read as per cent. */
  arcMarks: Ends;
  /** What can be set besides; null where that is not known. */
  controls: Rig['controls'] | null;
  /** Meters for the burning arc; null where that is not known. */
  meters: Rig['meters'] | null;
  parts: PartValues;
};

/** The ends of a range as they were typed. */
export type Ends = { low: string; high: string };
/** The same with the step that it is set in. */
type RangeTexts = Ends & { step: string };

/** A rig that is not kept yet. */
export type FreshRig = Omit<NewRig, 'setup' | 'id'> & { setup: Pick<NewSetup, 'rig' | 'arcControlRising' | 'display'> };
export const NEW_RIG: FreshRig = {
  name: '',
  note: '',
  setup: {
    arcControlRising: 'softer',
    display: 'digital',
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.9 },
      gas: { argonPct: 82, co2Pct: 18 },
      polarity: 'electrode-positive',
      nozzleBoreMm: 13,
    },
  },
};

/** The shares of a mix as they stand in their fields. */
export function gasTexts(gas: Gas): Record<keyof Gas, string> {
  const open = gas.argonPct === undefined ? Math.max(0, 100 - statedTotal(gas)) : gas.argonPct;
  return {
    argonPct: String(open),
    co2Pct: String(gas.co2Pct ?? 0),
    oxygenPct: String(gas.oxygenPct ?? 0),
    heliumPct: String(gas.heliumPct ?? 0),
  };
}

type Ranged = keyof NonNullable<Rig['range']>;
/** A range in its fields. */
function endsOf({ range }: Rig, name: Ranged, units: UnitSystem): RangeTexts {
  const kept = range?.[name];
  if (kept === undefined) return { low: '', high: '', step: '' };
  const { quantity } = SETTINGS[name];
  return {
    low: readable(kept.low, quantity, units),
    high: readable(kept.high, quantity, units),
    step: readable(kept.step, quantity, units),
  };
}

/** The smallest step of a machine whose own is not known. */
const STEP = 0.1;

/** The range that was typed: nothing where both ends are empty; as it was kept where the fields still say the same. */
function rangeFrom(typed: RangeTexts, name: Ranged, from: Rig, units: UnitSystem): NonNullable<Rig['range']>[Ranged] {
  const kept = from.range?.[name];
  const was = endsOf(from, name, units);
  if (typed.low === was.low && typed.high === was.high && typed.step === was.step) return kept;
  const inside = (text: string): number => fromUser(typedFigure(text) ?? NaN, SETTINGS[name].quantity, units);
  const noEnds = typed.low.trim() === '' && typed.high.trim() === '';
  if (noEnds && (typed.step === was.step || typed.step.trim() === '')) return undefined;
  const step = typed.step === was.step ? (kept?.step ?? STEP) : typed.step.trim() === '' ? STEP : inside(typed.step);
  return { low: inside(typed.low), high: inside(typed.high), step };
}

/** Both ranges that were typed, without those that are not known. */
function rangesFrom({ volts, wire }: RigValues, from: Rig, units: UnitSystem): Pick<Rig, 'range'> {
  const voltageV = rangeFrom(volts, 'voltageV', from, units);
  const wireSpeedMPerMin = rangeFrom(wire, 'wireSpeedMPerMin', from, units);
  const range = {
    ...(voltageV === undefined ? {} : { voltageV }),
    ...(wireSpeedMPerMin === undefined ? {} : { wireSpeedMPerMin }),
  };
  return Object.keys(range).length === 0 ? {} : { range };
}

/** The marks an arc-control dial runs between, in their fields. */
function arcMarksOf({ dials }: Rig): Ends {
  const dial = dials?.arcControlPct;
  if (dial === undefined) return { low: '', high: '' };
  const { low, high } = dialEnds(dial);
  return { low: String(low), high: String(high) };
}

/** So many turns of the hand from one end of an arc-control dial to the other. */
const ARC_TURNS = 20;

/**
 * The dials with that of the arc control as its marks were typed: crisp at one end and soft at the other, even in between.
 * As it was kept where neither marks nor way were touched, for it may have been taken down more finely.
 */
function dialsFrom({ arcMarks, rising }: RigValues, { rig, arcControlRising }: FreshRig['setup']): Pick<Rig, 'dials'> {
  const was = arcMarksOf(rig);
  const isSame = arcMarks.low === was.low && arcMarks.high === was.high && rising === arcControlRising;
  const { arcControlPct, ...others } = rig.dials ?? {};
  const isEmpty = arcMarks.low.trim() === '' && arcMarks.high.trim() === '';
  const typed = [typedFigure(arcMarks.low) ?? NaN, typedFigure(arcMarks.high) ?? NaN];
  // Marks the wrong way round are none: the schema refuses them.
  const [low, high] = typed[0] < typed[1] ? typed : [NaN, NaN];
  const soft = rising === 'softer' ? high : low;
  const made = {
    step: Math.max(0.01, Number((Math.abs(high - low) / ARC_TURNS).toFixed(2))),
    points: [low, high].map((mark) => ({ mark, value: mark === soft ? 100 : 0 })),
  };
  const dial = isSame ? arcControlPct : isEmpty ? undefined : made;
  const dials = { ...others, ...(dial === undefined ? {} : { arcControlPct: dial }) };
  return Object.keys(dials).length === 0 ? {} : { dials };
}

/** The values a form begins with. */
export function valuesOf({ name, note, setup }: FreshRig | RigRecord, units: UnitSystem): RigValues {
  const { rig, display, arcControlRising } = setup;
  return {
    name,
    note,
    wireClass: rig.wire?.class ?? 'solid-steel',
    diameterMm: rig.wire?.diameterMm ?? 0.9,
    grade: rig.wire?.grade ?? '',
    gas: rig.gas === null ? null : gasTexts(rig.gas ?? { argonPct: 82, co2Pct: 18 }),
    polarity: rig.polarity ?? 'electrode-positive',
    bore: rig.nozzleBoreMm === undefined ? '' : readable(rig.nozzleBoreMm, 'length', units),
    display,
    mode: rig.mode ?? 'conventional',
    volts: endsOf(rig, 'voltageV', units),
    wire: endsOf(rig, 'wireSpeedMPerMin', units),
    rising: arcControlRising,
    arcMarks: arcMarksOf(rig),
    controls: rig.controls ?? null,
    meters: rig.meters ?? null,
    parts: partValues(rig, units),
  };
}

/** The mix that was typed; a share that is no figure stays one the schema refuses. */
export function typedGas(texts: Record<keyof Gas, string>): Gas {
  return Object.fromEntries(Object.entries(texts).map(([share, text]) => [share, typedFigure(text) ?? 0])) as Gas;
}

/** Returns what a wire wants beside itself: process, studs, and gas where it needs any. */
export function fittedFor(wireClass: WireClass, gas: RigValues['gas']): Pick<RigValues, 'gas' | 'polarity'> {
  if (wireClass === 'tubular-self-shielded') return { gas: null, polarity: 'electrode-negative' };
  const usual: Gas = wireClass === 'solid-aluminium' ? { argonPct: 100 } : { argonPct: 82, co2Pct: 18 };
  return { gas: gas ?? gasTexts(usual), polarity: 'electrode-positive' };
}

/** Ids and time for what a form may make, taken when it is begun. */
export type Begun = { rigId: string; setupId: string; at: string };

/** Returns what a rig has that stands in no field of the form, such as when its parts were fitted. */
function withoutFields(rig: Rig): Rig {
  const typed: (keyof Rig)[] = [
    'nozzleBoreMm',
    'range',
    'dials',
    'mode',
    'controls',
    'meters',
    'parts',
    'gun',
    'source',
  ];
  return Object.fromEntries(Object.entries(rig).filter(([name]) => !typed.includes(name as keyof Rig)));
}

/**
 * The rig that was typed. What is fitted keeps its setup while it is the same; when it differs it is the next one.
 * @param from the rig as it was when the form was begun
 */
export function rigFrom(values: RigValues, from: FreshRig | RigRecord, begun: Begun, units: UnitSystem): NewRig {
  const { name, note, wireClass, diameterMm, grade, gas, polarity, bore, display, rising, mode, controls, meters } =
    values;
  const typedBore = typedFigure(bore);
  // A bore that was shown rounded and not touched stays what it was.
  const same = bore === valuesOf(from, units).bore;
  const nozzleBoreMm = same
    ? from.setup.rig.nozzleBoreMm
    : typedBore === undefined
      ? undefined
      : fromUser(typedBore, 'length', units);
  const { mode: was } = from.setup.rig;
  const kept = withoutFields(from.setup.rig);
  const rig: Rig = {
    ...kept,
    process: processOf(wireClass),
    wire: { class: wireClass, diameterMm, ...(grade.trim() === '' ? {} : { grade: grade.trim() }) },
    gas: gas === null ? null : sameGas(gas, from.setup.rig.gas),
    polarity,
    ...(nozzleBoreMm === undefined ? {} : { nozzleBoreMm }),
    ...(mode === 'conventional' && was === undefined ? {} : { mode }),
    ...(controls === null ? {} : { controls }),
    ...(meters === null ? {} : { meters }),
    ...rangesFrom(values, from.setup.rig, units),
    ...dialsFrom(values, from.setup),
    ...partsFrom(values.parts, from.setup.rig, units),
  };
  const facts = {
    rig: 'id' in from.setup ? withRefitted(from.setup.rig, rig, begun.at) : rig,
    display,
    arcControlRising: rising,
  };
  const setup =
    'id' in from.setup && isSame(facts, from.setup) ? from.setup : { id: begun.setupId, fittedAt: begun.at };
  return {
    id: begun.rigId,
    name: name.trim(),
    note,
    setup: { id: setup.id, fittedAt: setup.fittedAt, ...facts },
  };
}

/** The mix as it was kept where the fields still say the same. */
function sameGas(texts: Record<keyof Gas, string>, kept: Gas | null | undefined): Gas {
  const untouched = kept && JSON.stringify(gasTexts(kept)) === JSON.stringify(texts);
  return untouched ? kept : typedGas(texts);
}

type Facts = Pick<NewSetup, 'rig' | 'display' | 'arcControlRising'>;

const isSame = (facts: Facts, { rig, display, arcControlRising }: Facts): boolean =>
  sameDocument(facts, { rig, display, arcControlRising });

/** Where in the form a field of the record was typed. */
export function fieldOf(recordField: string): keyof RigValues | null {
  if (recordField === 'name' || recordField === 'note') return recordField;
  if (recordField.startsWith('setup.rig.gas')) return 'gas';
  if (recordField === 'setup.rig.nozzleBoreMm') return 'bore';
  if (/^setup\.rig\.(parts|gun|source)/.test(recordField)) return 'parts';
  if (recordField.startsWith('setup.rig.dials.arcControlPct')) return 'arcMarks';
  if (recordField.startsWith('setup.rig.range.voltageV')) return 'volts';
  if (recordField.startsWith('setup.rig.range')) return 'wire';
  if (recordField === 'setup.rig.wire.grade') return 'grade';
  return recordField.startsWith('setup.rig.wire') ? 'wireClass' : null;
}
