import { mixName } from '@/core/case/gas-mix';
import type { Control, Gas, Meter, Rig, WireClass } from '@/core/case/schema';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { wireSize } from '@/core/quantity/wire-size';

export const WIRE_WORDS: Record<WireClass, string> = {
  'solid-steel': 'solid steel',
  'solid-stainless': 'solid stainless',
  'solid-aluminium': 'aluminium',
  'metal-cored': 'metal-cored',
  'tubular-self-shielded': 'tubular, no gas',
  'tubular-gas-shielded': 'tubular, with gas',
};

export const POLARITY_WORDS = { 'electrode-positive': 'gun on plus', 'electrode-negative': 'gun on minus' } as const;
/** What a machine may let be set besides volts and wire. */
export const CONTROL_WORDS: Record<Control, string> = {
  'pre-flow': 'pre-flow',
  'post-flow': 'post-flow',
  'burn-back': 'burn-back',
  'run-in': 'run-in',
  'crater-fill': 'crater fill',
  'four-step': '4T trigger',
  slope: 'slope tap',
};

/** Meters that show what the arc does while it burns. */
export const METER_WORDS: Record<Meter, string> = { volts: 'volts', amps: 'amps' };

export const DISPLAY_WORDS = {
  digital: 'Digital figures',
  dial: 'Marks on the knobs',
  estimate: 'Nothing to read',
} as const;

/** Usual mixes; any other can be typed. */
export const USUAL_GASES: readonly { name: string; gas: Gas }[] = [
  { name: '82 Ar / 18 CO2', gas: { argonPct: 82, co2Pct: 18 } },
  { name: '75 Ar / 25 CO2', gas: { argonPct: 75, co2Pct: 25 } },
  { name: '92 Ar / 8 CO2', gas: { argonPct: 92, co2Pct: 8 } },
  { name: '98 Ar / 2 O2', gas: { argonPct: 98, oxygenPct: 2 } },
  { name: 'pure CO2', gas: { argonPct: 0, co2Pct: 100 } },
  { name: 'pure argon', gas: { argonPct: 100 } },
];

export const WIRE_DIAMETERS = [0.6, 0.8, 0.9, 1.0, 1.2, 1.6];

/** The process that goes with a wire. */
export function processOf(wire: WireClass): NonNullable<Rig['process']> {
  if (wire === 'tubular-self-shielded') return 'fcaw-self-shielded';
  return wire === 'tubular-gas-shielded' ? 'fcaw-gas-shielded' : 'gmaw';
}

/** "0.9 mm solid steel", ".035 in solid steel". */
export function wireWords({ wire }: Rig, units: UnitSystem): string {
  const size = wire?.diameterMm === undefined ? 'size not known' : wireSize(wire.diameterMm, units);
  return `${size}, ${wire?.class === undefined ? 'wire not known' : WIRE_WORDS[wire.class]}`;
}

/** Returns what is fitted, in one short line: "0.9 mm, 82 Ar / 18 CO2". */
export function fittedWords(rig: Rig, units: UnitSystem): string {
  const size = rig.wire?.diameterMm === undefined ? 'wire not known' : wireSize(rig.wire.diameterMm, units);
  return `${size}, ${mixName(rig.gas)}`;
}

/** Gas, nozzle and studs in one line. */
export function supplyWords({ wire, gas, nozzleBoreMm, polarity }: Rig, units: UnitSystem): string {
  // A wire whose name says that it takes no gas is not said to have none.
  const isPlain = gas === null && wire?.class === 'tubular-self-shielded';
  const parts = [
    isPlain ? null : mixName(gas),
    nozzleBoreMm === undefined ? null : `nozzle ${readable(nozzleBoreMm, 'length', units)} ${unitOf('length', units)}`,
    polarity === undefined ? null : POLARITY_WORDS[polarity],
  ];
  return parts.filter((part) => part !== null).join(', ');
}
