import type { Quantity, UnitSystem } from '../quantity/units';
import { clamp } from '../quantity/clamp';

/**
 * The one table of the settings: everything that is said of volts, wire speed and the rest is said here.
 * Figures are in the inside unit (V, m/min, mm, L/min, %, mm/min, degrees).
 */
export type SettingEntry = {
  /** What the trade calls it. */
  name: string;
  /** A name that fits a narrow cell. */
  short: string;
  quantity: Quantity;
  /** What the case format takes. */
  minimum: number;
  maximum: number;
  /** Where − and + start when the figure is not known. */
  usual: number;
  /** One push of − or +, where the machine has no dial of its own; a round figure in either family of units. */
  nudge: Record<UnitSystem, number>;
  /** A change smaller than this is left alone: the hand on the knob is no finer. */
  worthMoving: number;
  /** Direction of a turn in words, up and down. */
  turns: readonly [up: string, down: string];
  /** `main` settings are always in sight and always corrected; `more` are a tap away. */
  row: 'main' | 'more';
  /** Whether it can be measured, read off a knob or guessed, so that the welder is asked which. */
  asksReading: boolean;
  /** Left out on a machine that has no such thing. */
  onlyIn?: 'pulse' | 'amps';
  /** Read off while welding: nothing turns it, and it holds of that bead alone. */
  onlyRead?: true;
};

export const SETTINGS = {
  voltageV: {
    name: 'Volts',
    short: 'Volts',
    quantity: 'voltage',
    minimum: 8,
    maximum: 50,
    usual: 18,
    nudge: { metric: 0.2, inch: 0.2 },
    worthMoving: 0.3,
    turns: ['volts up', 'volts down'],
    row: 'main',
    asksReading: true,
  },
  wireSpeedMPerMin: {
    name: 'Wire speed',
    short: 'Wire',
    quantity: 'wireSpeed',
    minimum: 0.5,
    maximum: 30,
    usual: 6,
    nudge: { metric: 0.2, inch: 0.127 },
    worthMoving: 0.2,
    turns: ['more wire', 'less wire'],
    row: 'main',
    asksReading: true,
  },
  stickOutMm: {
    name: 'Stick-out',
    short: 'Stick-out',
    quantity: 'length',
    minimum: 3,
    maximum: 50,
    usual: 10,
    nudge: { metric: 1, inch: 1.5875 },
    worthMoving: 1.5,
    turns: ['tip further off', 'tip closer'],
    row: 'main',
    asksReading: true,
  },
  gasFlowLPerMin: {
    name: 'Gas flow',
    short: 'Gas',
    quantity: 'gasFlow',
    minimum: 0,
    maximum: 60,
    usual: 11,
    nudge: { metric: 0.5, inch: 0.4719 },
    worthMoving: 1,
    turns: ['more gas', 'less gas'],
    row: 'main',
    asksReading: true,
  },
  travelSpeedMmPerMin: {
    name: 'Travel speed',
    short: 'Travel',
    quantity: 'travelSpeed',
    minimum: 20,
    maximum: 2500,
    usual: 350,
    nudge: { metric: 10, inch: 12.7 },
    worthMoving: 10,
    turns: ['travel faster', 'travel slower'],
    row: 'more',
    asksReading: true,
  },
  travelAngleDeg: {
    name: 'Gun angle',
    short: 'Angle',
    quantity: 'angle',
    minimum: -60,
    maximum: 60,
    usual: 10,
    nudge: { metric: 5, inch: 5 },
    worthMoving: 5,
    turns: ['push more', 'drag more'],
    row: 'more',
    asksReading: false,
  },
  arcControlPct: {
    name: 'Arc control',
    short: 'Arc control',
    quantity: 'percent',
    minimum: 0,
    maximum: 100,
    usual: 50,
    nudge: { metric: 5, inch: 5 },
    worthMoving: 5,
    turns: ['arc control softer', 'arc control crisper'],
    row: 'more',
    asksReading: false,
  },
  trimPct: {
    name: 'Pulse trim',
    short: 'Trim',
    quantity: 'percent',
    minimum: -50,
    maximum: 50,
    usual: 0,
    nudge: { metric: 5, inch: 5 },
    worthMoving: 2,
    turns: ['trim up, a longer arc', 'trim down, a shorter arc'],
    row: 'more',
    asksReading: false,
    onlyIn: 'pulse',
  },
  currentA: {
    name: 'Amps read',
    short: 'Amps',
    quantity: 'current',
    minimum: 10,
    maximum: 700,
    usual: 120,
    nudge: { metric: 5, inch: 5 },
    worthMoving: 5,
    turns: ['more amps', 'fewer amps'],
    row: 'more',
    asksReading: false,
    onlyIn: 'amps',
    onlyRead: true,
  },
} as const satisfies Record<string, SettingEntry>;

export type SettingName = keyof typeof SETTINGS;

/** A figure for each setting that is known, in the inside unit. */
export type Settings = { [name in SettingName]?: number };

/** Every setting, in the order a welder reads them off. */
export const SETTING_NAMES = Object.keys(SETTINGS) as SettingName[];

/** The settings that are always corrected. */
export type MainSetting = 'voltageV' | 'wireSpeedMPerMin' | 'stickOutMm' | 'gasFlowLPerMin';
export const MAIN_SETTINGS: readonly MainSetting[] = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'];

/** Settings whose figure is measured, read off a knob or guessed. */
export type ReadSetting = MainSetting | 'travelSpeedMmPerMin';
export const READ_SETTINGS: readonly ReadSetting[] = [...MAIN_SETTINGS, 'travelSpeedMmPerMin'];

/** What a machine may have besides: pulse, a meter for the amps. */
export type Has = Record<NonNullable<SettingEntry['onlyIn']>, boolean>;

/** The settings that a tap more shows on a machine. */
export function furtherSettings(has: Has): SettingName[] {
  return SETTING_NAMES.filter((name) => {
    const { row, onlyIn } = setting(name);
    return row === 'more' && (onlyIn === undefined || has[onlyIn]);
  });
}

/** The settings that a hand turns or holds; the others are only read. */
export const TURNED_SETTINGS: readonly SettingName[] = SETTING_NAMES.filter((name) => !setting(name).onlyRead);

/** Figures as they go on to the next bead: what was read of this one does not. */
export function toGoOnWith(settings: Settings): Settings {
  return Object.fromEntries(
    TURNED_SETTINGS.flatMap((name) => (settings[name] === undefined ? [] : [[name, settings[name]]])),
  );
}

/** Settings that a machine may carry a dial of its own for. */
export type DialSetting = 'voltageV' | 'wireSpeedMPerMin' | 'arcControlPct';

/** How a figure was got. A figure without one is taken as measured. */
export const READINGS = ['digital', 'dial', 'estimate'] as const;
export type Reading = (typeof READINGS)[number];

/** The one set of words for how a figure was got. */
const READING_WORDS: Record<Reading, string> = {
  digital: 'measured',
  dial: 'off the knob',
  estimate: 'a guess',
};

/** Returns how a figure was got, in words: a pace that was not timed was counted, for there is no knob for it. */
export function readingText(name: ReadSetting, reading: Reading): string {
  return name === 'travelSpeedMmPerMin' && reading === 'dial' ? 'counted' : READING_WORDS[reading];
}

/** The entry of one setting. */
export function setting(name: SettingName): SettingEntry {
  return SETTINGS[name];
}

/** A figure brought inside what a setting takes. */
export function withinLimits(name: SettingName, value: number): number {
  const { minimum, maximum } = SETTINGS[name];
  return clamp(value, minimum, maximum);
}

/** Returns whether a figure is one that a setting takes. */
export function takesFigure(name: SettingName, value: number): boolean {
  return value >= SETTINGS[name].minimum && value <= SETTINGS[name].maximum;
}
