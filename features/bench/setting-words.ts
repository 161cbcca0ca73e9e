import type { SettingName } from '@/core/case/schema';
import { settingLimits } from '@/core/case/schema';
import { QUANTITY_OF } from '@/core/record/taken-move';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';

/** The four that are always corrected come first. */
export const MAIN_SETTINGS = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'] as const;
export const MORE_SETTINGS = ['travelSpeedMmPerMin', 'travelAngleDeg', 'arcControlPct'] as const;

export const SETTING_NAME: Record<SettingName, string> = {
  voltageV: 'Volts',
  wireSpeedMPerMin: 'Wire speed',
  stickOutMm: 'Stick-out',
  gasFlowLPerMin: 'Gas flow',
  arcControlPct: 'Arc control',
  travelSpeedMmPerMin: 'Travel',
  travelAngleDeg: 'Push angle',
};

/** Names that fit a narrow cell. */
export const SHORT_NAME: Record<SettingName, string> = {
  ...SETTING_NAME,
  wireSpeedMPerMin: 'Wire',
  gasFlowLPerMin: 'Gas',
  arcControlPct: 'Arc ctrl',
  travelAngleDeg: 'Push',
};

/** One push of − or +, in the inside unit, by unit system, where the machine has no dial of its own. */
export const NUDGE: Record<SettingName, Record<UnitSystem, number>> = {
  voltageV: { metric: 0.2, inch: 0.2 },
  wireSpeedMPerMin: { metric: 0.2, inch: 0.127 },
  stickOutMm: { metric: 1, inch: 1.5875 },
  gasFlowLPerMin: { metric: 0.5, inch: 0.4719 },
  arcControlPct: { metric: 5, inch: 5 },
  travelSpeedMmPerMin: { metric: 10, inch: 12.7 },
  travelAngleDeg: { metric: 5, inch: 5 },
};

/** Where − and + start when the figure is not known. */
export const USUAL: Record<SettingName, number> = {
  voltageV: 18,
  wireSpeedMPerMin: 6,
  stickOutMm: 10,
  gasFlowLPerMin: 11,
  arcControlPct: 50,
  travelSpeedMmPerMin: 350,
  travelAngleDeg: 10,
};

/** A figure with its unit, or "not known". */
export function figureWithUnit(setting: SettingName, value: number | null | undefined, units: UnitSystem): string {
  if (value === null || value === undefined) return 'not known';
  return `${readable(value, QUANTITY_OF[setting], units)} ${unitOf(QUANTITY_OF[setting], units)}`;
}

/** What a setting takes, in the user's units: "takes 8 to 50 V". */
export function takesText(setting: SettingName, units: UnitSystem): string {
  const { minimum, maximum } = settingLimits(setting);
  const quantity = QUANTITY_OF[setting];
  return `takes ${readable(minimum, quantity, units)} to ${readable(maximum, quantity, units)} ${unitOf(quantity, units)}`;
}
