import { statedTotal } from '@/core/case/gas-mix';
import type { Gas, Rig, WireClass } from '@/core/case/schema';
import { fromUser, readable, type UnitSystem } from '@/core/quantity/units';
import type { NewRig, NewSetup, RigRecord } from '@/core/record/schema';
import { typedFigure } from '../shared/record-form';
import { processOf } from '../shared/rig-words';

/** What is typed and chosen for one rig; figures as they were typed. */
export type RigValues = {
  name: string;
  note: string;
  wireClass: WireClass;
  diameterMm: number;
  /** Null for a wire that needs no gas. */
  gas: Record<keyof Gas, string> | null;
  polarity: NonNullable<Rig['polarity']>;
  bore: string;
  display: NewSetup['display'];
  rising: NewSetup['arcControlRising'];
};

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

/** The values a form begins with. */
export function valuesOf({ name, note, setup }: FreshRig | RigRecord, units: UnitSystem): RigValues {
  const { rig, display, arcControlRising } = setup;
  return {
    name,
    note,
    wireClass: rig.wire?.class ?? 'solid-steel',
    diameterMm: rig.wire?.diameterMm ?? 0.9,
    gas: rig.gas === null ? null : gasTexts(rig.gas ?? { argonPct: 82, co2Pct: 18 }),
    polarity: rig.polarity ?? 'electrode-positive',
    bore: rig.nozzleBoreMm === undefined ? '' : readable(rig.nozzleBoreMm, 'length', units),
    display,
    rising: arcControlRising,
  };
}

/** The mix that was typed; a share that is no figure stays one the schema refuses. */
export function typedGas(texts: Record<keyof Gas, string>): Gas {
  return Object.fromEntries(Object.entries(texts).map(([share, text]) => [share, typedFigure(text) ?? 0])) as Gas;
}

/** What a wire wants beside itself: process, studs, and gas where it needs any. */
export function fittedFor(wireClass: WireClass, gas: RigValues['gas']): Pick<RigValues, 'gas' | 'polarity'> {
  if (wireClass === 'tubular-self-shielded') return { gas: null, polarity: 'electrode-negative' };
  const usual: Gas = wireClass === 'solid-aluminium' ? { argonPct: 100 } : { argonPct: 82, co2Pct: 18 };
  return { gas: gas ?? gasTexts(usual), polarity: 'electrode-positive' };
}

/** Ids and time for what a form may make, taken when it is begun. */
export type Begun = { rigId: string; setupId: string; at: string };

/**
 * The rig that was typed. What is fitted keeps its setup while it is the same; when it differs it is the next one.
 * @param from the rig as it was when the form was begun
 */
export function rigFrom(values: RigValues, from: FreshRig | RigRecord, begun: Begun, units: UnitSystem): NewRig {
  const { name, note, wireClass, diameterMm, gas, polarity, bore, display, rising } = values;
  const typedBore = typedFigure(bore);
  // A bore that was shown rounded and not touched stays what it was.
  const same = bore === valuesOf(from, units).bore;
  const nozzleBoreMm = same
    ? from.setup.rig.nozzleBoreMm
    : typedBore === undefined
      ? undefined
      : fromUser(typedBore, 'length', units);
  const { nozzleBoreMm: _, ...kept } = from.setup.rig;
  const rig: Rig = {
    ...kept,
    process: processOf(wireClass),
    wire: { class: wireClass, diameterMm },
    gas: gas === null ? null : sameGas(gas, from.setup.rig.gas),
    polarity,
    ...(nozzleBoreMm === undefined ? {} : { nozzleBoreMm }),
  };
  const facts = { rig, display, arcControlRising: rising };
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

function isSame(facts: Facts, { rig, display, arcControlRising }: Facts): boolean {
  const ordered = (value: Rig): string => JSON.stringify(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
  return (
    ordered(facts.rig) === ordered(rig) && facts.display === display && facts.arcControlRising === arcControlRising
  );
}

/** Where in the form a field of the record was typed. */
export function fieldOf(recordField: string): keyof RigValues | null {
  if (recordField === 'name' || recordField === 'note') return recordField;
  if (recordField.startsWith('setup.rig.gas')) return 'gas';
  if (recordField === 'setup.rig.nozzleBoreMm') return 'bore';
  return recordField.startsWith('setup.rig.wire') ? 'wireClass' : null;
}
