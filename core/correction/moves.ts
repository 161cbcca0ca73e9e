import type { ArcReading } from '../arc/reading';
import type { CauseId } from '../evidence/ids';
import type { Cause } from '../knowledge/types';
import { valueToDial } from '../setting/dial';
import { dialFor, type Dials } from '../setting/dials';
import type { MainSetting, SettingName } from '../setting/table';
import { directionText } from '../setting/words';
import { expectedRisk, type Situation, type Target } from './objective';

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
  cause: CauseId;
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

/** What the next bead should show once a cause is cured by a setting. */
const EXPECT: { [id in CauseId]?: string } = {
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
 * @param dials of the machine, for the marks
 * @param from today's value, null when unknown
 * @param reason the cause it cures, or null when the figure was not known or nothing stands out
 */
export function settingMove(
  dials: Dials | undefined,
  setting: SettingName,
  from: number | null,
  to: number,
  reason: Cause | null,
): SettingMove {
  const dial = dialFor(dials, setting);
  return {
    kind: 'setting',
    setting,
    from,
    to,
    dialFrom: dial === null || from === null ? null : valueToDial(dial, from),
    dialTo: dial === null ? null : valueToDial(dial, to),
    direction: directionText(setting, from, to),
    because: reason === null ? 'closer to what the arc model wants' : reason.plain,
    expect: (reason === null ? undefined : EXPECT[reason.id]) ?? 'a bead nearer to balance',
  };
}

/** The part of a reading that compares two settings. */
export function effectOf(reading: ArcReading): Effect {
  const { currentA, voltageErrorV, heatRatio, legMm, penetrationMm, heatInputKJPerMm } = reading;
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
  changed: readonly MainSetting[],
): MainSetting[] {
  const order: MainSetting[] = [];
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
