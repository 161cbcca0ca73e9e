import type { Answer } from '../../answer';
import { readArc } from '../../arc/reading';
import { arcSetup } from '../../arc/setup';
import { wireWindow } from '../../arc/wire-window';
import { dialToValue, valueToDial } from '../../setting/dial';
import { dialFor } from '../../setting/dials';
import { MAIN_SETTINGS, SETTINGS, type MainSetting } from '../../setting/table';
import type { Spoiled } from './spoiled';
import { PAIR } from '../moves';
import { settingsMoved } from './work';

/** A spoiled setting with what it was answered with. */
export type Answered = { spoiled: Spoiled; said: Answer };

/** What must hold of an answer: null where the property says nothing of it. */
type Property = { name: string; holds: (answered: Answered) => boolean | null };

const NEXT_TO_NOTHING = 1e-6;

/** The likeliest cause, where it is likelier than not. */
function saidToBe({ said: { causes } }: Answered): string | null {
  return causes[0] !== undefined && causes[0].probability > 0.5 ? causes[0].cause : null;
}

const figures = ({ spoiled, said }: Answered) => ({
  from: spoiled.input.settings as Record<MainSetting, number>,
  to: said.correction.settings as Record<MainSetting, number>,
});

/** Which way each cause is answered, and whether its setting is the first of volts and wire that is turned. */
const ANSWERED_BY: Record<string, readonly [setting: MainSetting, way: number, first: boolean]> = {
  'wire-fast': ['wireSpeedMPerMin', -1, true],
  'wire-slow': ['wireSpeedMPerMin', 1, true],
  'voltage-low': ['voltageV', 1, true],
  'voltage-high': ['voltageV', -1, true],
  'stickout-long': ['stickOutMm', -1, false],
  'stickout-short': ['stickOutMm', 1, false],
  'gas-low': ['gasFlowLPerMin', 1, false],
  'gas-high': ['gasFlowLPerMin', -1, false],
};

/** Words that speak against a turn: an arc that is shortened was not too short. */
const AGAINST: readonly (readonly [setting: string, way: number, words: RegExp])[] = [
  ['voltageV', 1, /too long|too high|less than/],
  ['voltageV', -1, /too short|too low/],
  ['wireSpeedMPerMin', 1, /more wire comes|too high/i],
  ['wireSpeedMPerMin', -1, /melt more wire than comes|too low/],
  ['stickOutMm', 1, /further off/],
  ['gasFlowLPerMin', -1, /too little/i],
];

/** A figure on a mark of its knob, or on a step of the machine's display. */
function isOnStep({ spoiled }: Answered, setting: string, to: number): boolean {
  const { rig } = spoiled.input;
  const dial = dialFor(rig!.dials, setting as MainSetting);
  if (dial !== null) return Math.abs(dialToValue(dial, valueToDial(dial, to)) - to) < 1e-3;
  const step = rig!.range?.[setting as 'voltageV' | 'wireSpeedMPerMin']?.step;
  return step === undefined || Math.abs(to / step - Math.round(to / step)) < NEXT_TO_NOTHING;
}

/** What must hold for every answer, beside that it lands: the same list is tested and counted. */
export const PROPERTIES: readonly Property[] = [
  {
    name: 'turns the setting of its cause first, and that way',
    holds: (answered) => {
      const stated = ANSWERED_BY[saidToBe(answered) ?? ''];
      if (stated === undefined) return null;
      const [setting, way, first] = stated;
      const { from, to } = figures(answered);
      const [turned] = settingsMoved(answered.said.correction.moves).filter((move) =>
        PAIR.some((name) => name === move.setting),
      );
      return Math.sign(to[setting] - from[setting]) === way && (!first || turned?.setting === setting);
    },
  },
  {
    name: 'brings heat by 5 % at least where it is wrong, or names what stops it',
    holds: (answered) => {
      const way = { 'heat-low': 1, 'heat-high': -1 }[saidToBe(answered) ?? ''];
      if (way === undefined) return null;
      const { before, after, outOfReach } = answered.said.correction;
      return outOfReach.length > 0 || way * Math.log(after!.currentA! / before!.currentA!) > 0.05;
    },
  },
  {
    name: 'turns each knob once',
    holds: ({ said }) => {
      const turned = settingsMoved(said.correction.moves).map(({ setting }) => setting);
      return new Set(turned).size === turned.length;
    },
  },
  {
    name: 'says of a turn what that turn does',
    holds: ({ said }) =>
      settingsMoved(said.correction.moves).every(({ setting, from, to, because }) =>
        AGAINST.every(
          ([name, way, words]) => setting !== name || Math.sign(to - from!) !== way || !words.test(because),
        ),
      ),
  },
  {
    name: 'lies on a step of the machine or a mark of its knob, inside its range',
    holds: (answered) =>
      settingsMoved(answered.said.correction.moves).every(({ setting, to }) => {
        const range = answered.spoiled.input.rig!.range?.[setting as 'voltageV' | 'wireSpeedMPerMin'];
        const inRange = range === undefined || (to >= range.low && to <= range.high);
        return inRange && isOnStep(answered, setting, to);
      }),
  },
  {
    name: 'stays inside the windows of wire and nozzle where it turns',
    holds: (answered) => {
      const { from, to } = figures(answered);
      const { wire } = answered.spoiled.input.rig!;
      const { lowV, highV } = wireWindow({ class: wire!.class!, diameterMm: wire!.diameterMm! });
      // The window of the figures that it goes with: a long stick-out lowers the limit.
      const { flowWindow } = readArc(arcSetup(answered.spoiled.input), to);
      const volts =
        to.voltageV === from.voltageV ||
        lowV === null ||
        highV === null ||
        (to.voltageV >= lowV - NEXT_TO_NOTHING && to.voltageV <= highV + NEXT_TO_NOTHING);
      const flow =
        flowWindow === null ||
        to.gasFlowLPerMin === from.gasFlowLPerMin ||
        (to.gasFlowLPerMin >= flowWindow.low - 0.5 && to.gasFlowLPerMin <= flowWindow.high + 0.5);
      return volts && flow;
    },
  },
  {
    name: 'turns nothing by less than is worth turning',
    holds: (answered) => {
      const { from, to } = figures(answered);
      return MAIN_SETTINGS.every((name) => {
        const turn = from[name] === undefined ? 0 : Math.abs(to[name] - from[name]);
        return turn === 0 || turn >= SETTINGS[name].worthMoving - NEXT_TO_NOTHING;
      });
    },
  },
];
