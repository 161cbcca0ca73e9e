import type { ArcReading } from '../arc/reading';
import type { Transfer } from '../arc/transfer';
import type { CauseId } from '../evidence/ids';
import { valueToDial } from '../setting/dial';
import { dialFor, type Dials } from '../setting/dials';
import type { MainSetting, SettingName } from '../setting/table';
import { directionText } from '../setting/words';
import type { Words } from './reason';
import { objectiveIn, type Situation, type Target } from './objective';

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
  /** Whether a look showed the fault: what is seen to be wrong is put right, and is no trial. */
  seen: boolean;
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
  transfer: Transfer | null;
  arcLengthMm: number | null;
  depositionKgPerH: number | null;
  gasShare: number | null;
};

/**
 * A move of one setting with its words.
 * @param dials of the machine, for the marks
 * @param from today's value, null when unknown
 * @param words why, and what the next bead should show
 */
export function settingMove(
  dials: Dials | undefined,
  setting: SettingName,
  from: number | null,
  to: number,
  { because, expect }: Words,
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
    because,
    expect,
  };
}

/** The part of a reading that compares two settings. */
export function effectOf(reading: ArcReading): Effect {
  const { currentA, voltageErrorV, heatRatio, legMm, penetrationMm, heatInputKJPerMm } = reading;
  const { transfer, arcLengthMm, depositionKgPerH, gasShare } = reading;
  return {
    ...{ currentA, voltageErrorV, heatRatio, legMm, penetrationMm, heatInputKJPerMm },
    ...{ transfer, arcLengthMm, depositionKgPerH, gasShare },
  };
}

/** Volts and wire keep their balance only together, so where both move they are one change. */
export const PAIR: readonly MainSetting[] = ['voltageV', 'wireSpeedMPerMin'];

/**
 * Puts changed settings in the order to make them: each time the change that gains most, volts and wire as one. Of those
 * two the one that gains more by itself comes first.
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
  const moved = (at: Target, names: readonly MainSetting[]): Target =>
    names.reduce((target, name) => ({ ...target, [name]: to[name] }), at);
  const value = objectiveIn(situation);
  const risk = (at: Target, names: readonly MainSetting[]): number => value(moved(at, names));
  const pair = PAIR.filter((name) => changed.includes(name));
  const alone = changed.filter((name) => !pair.includes(name)).map((name) => [name]);
  const order: MainSetting[] = [];
  let at = from;
  let left = pair.length > 0 ? [pair, ...alone] : alone;
  while (left.length > 0) {
    const here = at;
    const best = left.reduce((least, change) => (risk(here, change) < risk(here, least) ? change : least));
    order.push(...[...best].sort((a, b) => risk(here, [a]) - risk(here, [b])));
    at = moved(here, best);
    left = left.filter((change) => change !== best);
  }
  return order;
}
