import { dialEnds, dialToValue, valueToDial, type Dial } from './dial';
import { roundToStep, type UnitSystem } from '../quantity/units';
import { SETTINGS, withinLimits, type DialSetting, type SettingName } from './table';
import { clamp } from '../quantity/clamp';

/** Which way a machine's arc-control dial runs as its marks rise. */
export const ARC_CONTROL_RISING = ['softer', 'crisper'] as const;
export type ArcControlRising = (typeof ARC_CONTROL_RISING)[number];

/** The dials of a machine, by setting. */
export type Dials = { [name in DialSetting]?: Dial };

/** Inside, 100 % is soft; a machine whose dial rises toward crisp reads the other way round. */
const CRISP_DIAL: Dial = {
  step: 5,
  points: [
    { mark: 0, value: 100 },
    { mark: 100, value: 0 },
  ],
};

/**
 * The dials of a machine with its arc control among them, so that knob, move and record read the same one.
 * @param dials as taken down
 * @param rising which way the arc-control dial runs; a dial that was taken down goes before it
 */
export function dialsWith(dials: Dials, rising: ArcControlRising): Dials {
  return rising === 'softer' || dials.arcControlPct !== undefined ? dials : { ...dials, arcControlPct: CRISP_DIAL };
}

/** The machine's own dial for a setting, or null where it has none. */
export function dialFor(dials: Dials | undefined, name: SettingName): Dial | null {
  if (name !== 'voltageV' && name !== 'wireSpeedMPerMin' && name !== 'arcControlPct') return null;
  return dials?.[name] ?? null;
}

/** What is left out of {@link nudged} comes from the table of settings. */
type Nudge = { name: SettingName; value: number | undefined; dial: Dial | null; units: UnitSystem };

/**
 * One push of the knob from where a setting stands: a mark of the machine's dial, or a round step.
 * @param direction +1 or -1
 * @returns the new value in the inside unit, inside what the setting takes; the usual value where none is known
 */
export function nudged({ name, value, dial, units }: Nudge, direction: 1 | -1): number {
  if (value === undefined) return SETTINGS[name].usual;
  if (dial !== null) {
    const { low, high } = dialEnds(dial);
    const mark = valueToDial(dial, value) + direction * dial.step;
    const next = dialToValue(dial, clamp(mark, low, high));
    return withinLimits(name, Number(next.toFixed(3)));
  }
  const stride = SETTINGS[name].nudge[units];
  // The next whole stride beyond where it stands, so that odd figures come onto the scale.
  const strides = direction > 0 ? Math.floor(value / stride + 1e-6) + 1 : Math.ceil(value / stride - 1e-6) - 1;
  return withinLimits(name, roundToStep(strides * stride, stride));
}
