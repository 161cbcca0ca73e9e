import { arcSettings, readArc, type ArcReading } from '../arc/reading';
import type { Case, SettingName } from '../case/schema';
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

const EXPECT: Record<SettingName, [up: string, down: string]> = {
  voltageV: [
    'the stubbing stops, the bead lies flatter and the toes wet in',
    'the crackle comes back and the bead stands up a little',
  ],
  wireSpeedMPerMin: ['a fuller, hotter bead with a mark behind', 'a smaller, cooler bead and no stubbing'],
  stickOutMm: ['a softer arc and a cleaner nozzle', 'a tighter, hotter arc and steadier gas cover'],
  gasFlowLPerMin: ['the holes and the grey go away', 'the flutter and the holes go away'],
  arcControlPct: ['less fine spatter, a wetter puddle', 'quicker starts, a stiffer puddle'],
  travelSpeedMmPerMin: ['a smaller bead with the arc on the plate', 'a fuller bead with round ripples'],
  travelAngleDeg: ['a flatter bead', 'a bead that digs in'],
};

/**
 * A move of one setting with its words.
 * @param from today's value, null when unknown
 * @param because why, in one line
 */
export function settingMove(
  input: Case,
  setting: SettingName,
  from: number | null,
  to: number,
  because: string,
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
    because,
    expect: from === null ? 'a start to tune from' : EXPECT[setting][side],
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
