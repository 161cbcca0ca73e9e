import { balanceHalfWidth, balanceVoltage } from '../../arc/balance';
import { flowWindowOf } from '../../arc/reading';
import { arcSetup, wireSpeedAt, withWire, type WireSetup } from '../../arc/setup';
import { usualStickOut } from '../../arc/stick-out';
import { wireMetal } from '../../arc/wire';
import { wireWindow } from '../../arc/wire-window';
import { CASE_FORMAT, JOINTS, POSITIONS, type Case, type FindingState } from '../../case/schema';
import { RIGS, type RigName } from '../../cases/rigs';
import { columnOf } from '../../diagnosis/engine';
import { showsGiven } from '../../diagnosis/likely-sets';
import { ENGINE } from '../../answer/engine';
import type { CauseId } from '../../evidence/ids';
import type { MainSetting } from '../../setting/table';
import { clamp } from '../../quantity/clamp';

/** What is spoiled, as a welder would name it. */
export const FAULTS = [
  'volts',
  'wire too fast',
  'wire too slow',
  'cold',
  'hot',
  'stick-out',
  'gas low',
  'gas high',
] as const;
export type Fault = (typeof FAULTS)[number];

/** A sound setting spoiled in one or two figures, with the findings such a bead shows. */
export type Spoiled = {
  faults: Fault[];
  input: Case;
  sound: Record<MainSetting, number>;
  flow: { low: number; high: number } | null;
};

/** Plates that a rig is used for, mm. */
const PLATES: { rig: RigName; thinMm: number; thickMm: number }[] = [
  { rig: 'mix09', thinMm: 1.2, thickMm: 10 },
  { rig: 'mix08', thinMm: 0.8, thickMm: 5 },
  { rig: 'co209', thinMm: 1.5, thickMm: 8 },
  { rig: 'spray12', thinMm: 3, thickMm: 20 },
  { rig: 'self09', thinMm: 2, thickMm: 8 },
  { rig: 'flux12', thinMm: 5, thickMm: 20 },
  { rig: 'alu12', thinMm: 3, thickMm: 12 },
  { rig: 'stain09', thinMm: 1.2, thickMm: 6 },
];

type Draw = {
  between: (low: number, high: number) => number;
  pick: <T>(list: readonly T[]) => T;
  chance: (p: number) => boolean;
};
const drawing = (random: () => number): Draw => ({
  between: (low, high) => low + (high - low) * random(),
  pick: (list) => list[Math.floor(random() * list.length)],
  chance: (p) => random() < p,
});

/** Machines: of unknown range, with steps of the display, or with marks on the knobs. */
function machine({ pick, chance }: Draw): Pick<NonNullable<Case['rig']>, 'range' | 'dials'> {
  if (chance(0.4)) return {};
  const range = {
    voltageV: { low: 12, high: 36, step: pick([0.1, 0.2, 0.5]) },
    wireSpeedMPerMin: { low: 1.5, high: 20, step: pick([0.1, 0.2]) },
  };
  if (chance(0.7)) return { range };
  const voltageV = {
    step: 0.5,
    points: [
      { mark: 1, value: 13 },
      { mark: 20, value: 34 },
    ],
  };
  const wireSpeedMPerMin = {
    step: 0.1,
    points: [
      { mark: 1, value: 1.5 },
      { mark: 10, value: 19 },
    ],
  };
  return { range, dials: { voltageV, wireSpeedMPerMin } };
}

type Sound = { setup: WireSetup; current: number; settings: Record<MainSetting, number> };

/** A setting a good welder would leave alone: near balance, near the heat the plate wants, usual distance and flow. */
function soundSetting(base: Case, draw: Draw): Sound | null {
  const setup = withWire(arcSetup(base));
  if (setup === null || setup.currentAskedA === null) return null;
  const { lowA } = wireWindow(setup.wire);
  const current = Math.min(setup.currentAskedA * draw.between(0.94, 1.06), setup.ceiling?.currentA ?? Infinity);
  if (current < lowA) return null;
  const { wanted, low, high } = usualStickOut(setup, current);
  const stickOutMm = wanted + draw.between(-0.3, 0.3) * Math.min(wanted - low, high - wanted);
  const window = flowWindowOf(setup, stickOutMm, current);
  return {
    setup,
    current,
    settings: {
      voltageV:
        balanceVoltage(current, setup.wire, setup.gas) +
        draw.between(-0.3, 0.3) * balanceHalfWidth(current, setup.wire, setup.gas),
      wireSpeedMPerMin: wireSpeedAt(setup, current, stickOutMm),
      stickOutMm,
      gasFlowLPerMin: window === null ? 0 : window.wanted * draw.between(0.95, 1.05),
    },
  };
}

/** Spoils the settings by one fault. @returns the cause, or null where this rig cannot have it */
function spoil(fault: Fault, { setup, current, settings }: Sound, draw: Draw): CauseId | null {
  const halfWidth = balanceHalfWidth(current, setup.wire, setup.gas);
  const window = flowWindowOf(setup, settings.stickOutMm, current);
  switch (fault) {
    case 'volts': {
      const low = draw.chance(0.5);
      settings.voltageV += (low ? -1 : 1) * draw.between(2, 4) * halfWidth;
      return low ? 'voltage-low' : 'voltage-high';
    }
    case 'wire too fast':
      settings.wireSpeedMPerMin *= draw.between(1.35, 1.7);
      return 'wire-fast';
    case 'wire too slow':
      settings.wireSpeedMPerMin /= draw.between(1.35, 1.7);
      return 'wire-slow';
    case 'cold':
    case 'hot': {
      const heat = fault === 'cold' ? draw.between(0.5, 0.7) : draw.between(1.45, 1.8);
      const there = clamp(current * heat, 20, 480);
      settings.voltageV +=
        balanceVoltage(there, setup.wire, setup.gas) - balanceVoltage(current, setup.wire, setup.gas);
      settings.wireSpeedMPerMin = wireSpeedAt(setup, there, settings.stickOutMm);
      return fault === 'cold' ? 'heat-low' : 'heat-high';
    }
    case 'stick-out': {
      const long = draw.chance(0.7);
      const { low, high } = usualStickOut(setup, current);
      settings.stickOutMm = long ? high + draw.between(3, 9) : Math.max(3, low - draw.between(1.5, 4));
      return long ? 'stickout-long' : 'stickout-short';
    }
    case 'gas low':
      if (window === null) return null;
      settings.gasFlowLPerMin = window.low * draw.between(0.3, 0.75);
      return 'gas-low';
    case 'gas high':
      if (window === null) return null;
      settings.gasFlowLPerMin = Math.min(60, window.high * draw.between(1.25, 1.8));
      return 'gas-high';
  }
}

/** Faults that lie in the same figures cannot be told apart when they come together. */
const ELECTRICAL: readonly Fault[] = ['volts', 'wire too fast', 'wire too slow', 'cold', 'hot'];
const SHARE_A_FIGURE = (a: Fault, b: Fault): boolean =>
  a === b || [a, b].every((fault) => ELECTRICAL.includes(fault)) || [a, b].every((fault) => fault.startsWith('gas'));

/** How often a finding is looked for, and how often the eye misses it. */
const LOOKED_FOR = 0.7;
const MISSED = 0.1;

function findingsOf(causes: readonly CauseId[], draw: Draw): Record<string, FindingState> {
  const columns = causes.map((cause) => columnOf(ENGINE, cause));
  const findings: Record<string, FindingState> = {};
  let shown = 0;
  for (const node of ENGINE.nodes) {
    if (node.isCheck || node.minutes > 1 || !draw.chance(LOOKED_FOR)) continue;
    const trouble = draw.chance(showsGiven({ ...node, leak: 0 }, columns)) && !draw.chance(MISSED);
    findings[node.id] = trouble !== node.good ? 'present' : 'absent';
    if (trouble) shown += 1;
  }
  // Less than two things to see, and nobody would have asked.
  return shown >= 2 ? findings : findingsOf(causes, draw);
}

/** Jobs that are drawn until one has a sound setting that the fault can spoil; most have. */
const MOST_DRAWN = 1000;

/**
 * Draws a job on a rig with a sound setting, and spoils one figure of it, in one of five jobs two.
 * @param random a stream of numbers from 0 to 1
 * @param fault what is spoiled first
 * @throws Error where none can be spoiled so
 */
export function drawSpoiled(random: () => number, fault: Fault): Spoiled {
  const draw = drawing(random);
  for (let drawn = 0; drawn < MOST_DRAWN; drawn++) {
    const { rig: name, thinMm, thickMm } = draw.pick(PLATES);
    const rig = { ...RIGS[name], ...machine(draw) };
    const thicknessMm = Number((thinMm * (thickMm / thinMm) ** random()).toFixed(1));
    const input: Case = {
      format: CASE_FORMAT,
      job: {
        baseMetal: wireMetal(rig.wire.class),
        thicknessMm,
        joint: draw.pick(JOINTS),
        position: draw.pick(POSITIONS),
        draught: 'still',
      },
      rig,
    };
    const good = soundSetting(input, draw);
    if (good === null) continue;
    const second = draw.pick(FAULTS);
    const faults = draw.chance(0.2) && !SHARE_A_FIGURE(fault, second) ? [fault, second] : [fault];
    const sound = { ...good.settings };
    const causes = faults.map((one) => spoil(one, good, draw));
    if (causes.some((cause) => cause === null)) continue;
    const rounded = Object.fromEntries(
      Object.entries(good.settings).map(([setting, value]) => [
        setting,
        Number(value.toFixed(setting === 'stickOutMm' ? 0 : 1)),
      ]),
    );
    const { setup } = good;
    if (!setup.usesGas) delete rounded.gasFlowLPerMin;
    return {
      faults,
      input: { ...input, settings: rounded, findings: findingsOf(causes as CauseId[], draw) },
      sound,
      flow: flowWindowOf(setup, sound.stickOutMm, good.current),
    };
  }
  throw new Error(`no job with a sound setting that ${fault} can spoil among ${MOST_DRAWN}`);
}

/** How far a corrected setting may lie from the sound one: volts, a share of the wire, millimetres. */
const LANDED = { voltageV: 0.8, wireShare: 0.1, stickOutMm: 3 };

/** Returns whether corrected figures came back to the sound ones; which did not. */
export function missedBy({ sound, flow }: Spoiled, to: { [name in MainSetting]?: number }): MainSetting[] {
  const missed: MainSetting[] = [];
  if (Math.abs((to.voltageV ?? 0) - sound.voltageV) > LANDED.voltageV) missed.push('voltageV');
  if (Math.abs((to.wireSpeedMPerMin ?? 0) / sound.wireSpeedMPerMin - 1) > LANDED.wireShare)
    missed.push('wireSpeedMPerMin');
  if (Math.abs((to.stickOutMm ?? 0) - sound.stickOutMm) > LANDED.stickOutMm) missed.push('stickOutMm');
  const gas = to.gasFlowLPerMin ?? 0;
  if (flow !== null && (gas < flow.low || gas > flow.high)) missed.push('gasFlowLPerMin');
  return missed;
}
