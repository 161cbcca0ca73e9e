import { arcSettings, readArc, type ArcReading } from '../arc/reading';
import type { Case, SettingName } from '../case/schema';
import { cause } from '../knowledge';
import { valueToDial } from '../quantity/dial';
import { expectedRisk, type Situation, type Target, type TargetName } from './objective';

/** One turn of a knob: from, to, the marks on the machine's own dial, why, and what the next bead should show. */
export type SettingMove = {
  kind: 'setting';
  setting: SettingName;
  from: number | null;
  to: number;
  dialFrom: number | null;
  dialTo: number | null;
  /** Direction in words. */
  direction: string;
  because: string;
  expect: string;
};

/** Something to clean, change or do otherwise; the numbers stay. */
export type RemedyMove = {
  kind: 'remedy';
  cause: string;
  do: string;
  because: string;
  expect: string;
  caution?: string;
};

export type Move = SettingMove | RemedyMove;

/** What a set of settings does, before and after. */
export type Effect = {
  currentA: number | null;
  voltageErrorV: number | null;
  heatRatio: number | null;
  legMm: number | null;
  penetrationMm: number | null;
  heatInputKJPerMm: number | null;
};

const DIRECTION: Record<SettingName, [up: string, down: string]> = {
  voltageV: ['volts up', 'volts down'],
  wireSpeedMPerMin: ['more wire', 'less wire'],
  stickOutMm: ['tip further off', 'tip closer'],
  gasFlowLPerMin: ['more gas', 'less gas'],
  arcControlPct: ['softer', 'crisper'],
  travelSpeedMmPerMin: ['faster', 'slower'],
  travelAngleDeg: ['push more', 'gun more upright'],
};

/** What the next bead should show once a cause is cured by a setting. */
const EXPECT: Record<string, string> = {
  'voltage-low': 'the stubbing stops, the bead lies flatter and the toes wet in',
  'wire-fast': 'the stubbing stops and the bead gets smaller and cooler',
  'voltage-high': 'the crackle comes back and the bead stands up a little',
  'wire-slow': 'the crackle comes back with a fuller, hotter bead',
  'heat-low': 'a hotter bead that wets in and marks the back',
  'heat-high': 'a cooler bead that stays in the joint',
  'stickout-long': 'a tighter, hotter arc and steadier gas cover',
  'stickout-short': 'a softer arc and a cleaner nozzle',
  'gas-low': 'the holes and the grey go away',
  'gas-high': 'the flutter and the holes go away',
  'arc-control-crisp': 'less fine spatter, a wetter puddle',
  'arc-control-soft': 'quicker starts, a stiffer puddle',
  'travel-fast': 'a fuller bead with round ripples',
  'travel-slow': 'a smaller bead with the arc on the plate',
  'angle-push-steep': 'a bead that digs in',
  'angle-drag-steep': 'a flatter bead',
};

/**
 * A move of one setting with its words.
 * @param from today's value, null when unknown
 * @param reason the cause it cures, or null when the figure was not known or nothing stands out
 */
export function settingMove(
  input: Case,
  setting: SettingName,
  from: number | null,
  to: number,
  reason: string | null,
): SettingMove {
  const dial = setting === 'voltageV' || setting === 'wireSpeedMPerMin' ? input.rig?.dials?.[setting] : undefined;
  const side = from === null || to >= from ? 0 : 1;
  return {
    kind: 'setting',
    setting,
    from,
    to,
    dialFrom: dial === undefined || from === null ? null : valueToDial(dial, from),
    dialTo: dial === undefined ? null : valueToDial(dial, to),
    direction: from === null ? 'set' : DIRECTION[setting][side],
    because: reason === null ? 'closer to what the arc model wants' : cause(reason).plain,
    expect: (reason === null ? undefined : EXPECT[reason]) ?? 'a bead nearer to balance',
  };
}

/** What the arc does at given settings. */
export function effectAt(input: Case, situation: Situation, target: Partial<Target>): Effect {
  const arc: ArcReading = readArc(situation.setup, { ...arcSettings(input), ...target }, input);
  const { currentA, voltageErrorV, heatRatio, legMm, penetrationMm, heatInputKJPerMm } = arc;
  return { currentA, voltageErrorV, heatRatio, legMm, penetrationMm, heatInputKJPerMm };
}

/**
 * Puts changed settings in the order to make them: each time the one that lowers the expected risk most.
 * @param from today's settings, model values where unknown
 * @param to the corrected settings
 * @param changed names of the settings that change
 */
export function orderByGain(
  situation: Situation,
  from: Target,
  to: Target,
  changed: readonly TargetName[],
): TargetName[] {
  const order: TargetName[] = [];
  let at = from;
  let left = [...changed];
  while (left.length > 0) {
    const here = at;
    const risks = left.map((name) => ({ name, risk: expectedRisk(situation, { ...here, [name]: to[name] }) }));
    const best = risks.reduce((least, trial) => (trial.risk < least.risk ? trial : least)).name;
    order.push(best);
    at = { ...at, [best]: to[best] };
    left = left.filter((name) => name !== best);
  }
  return order;
}
