import { withinCurrentRange } from '../arc/balance';
import { OUT_OF_POSITION } from '../arc/coefficients';
import { balancedVolts, currentAt, isColdInOnePass, type ArcSetup } from '../arc/setup';
import { globularShare, wildness } from '../arc/transfer';
import { isTubular } from '../arc/wire';
import { wireWindow } from '../arc/wire-window';
import { machineRange } from '../setting/machine-range';
import type { Situation, Target } from './objective';
import type { Bounds } from './solver';

/** This near its end the wire speed or the voltage stands at it: a step and a half of a usual machine. */
const AT_THE_END = { wireMPerMin: 0.15, volts: 0.15 };
/** Under this share of what the plate wants it stays cold, over that one a sheet does not stand it. */
const SHORT = { cold: 0.85, hot: 1.2 };

/**
 * What a bead that shows cold gets at least, as a share of today's current; where it is less, what stops it is
 * named. Source: less is no more than the eye and the meter are off by.
 */
const LEAST_RISE = 1.05;
/** A bead that is to be clearly hotter gets so much more current. */
const HOTTER = 1.08;
/** A current this much further into globular transfer is no way out. */
const ROUGHER = 0.1;

const POSITION_WORDS = { 'vertical-up': 'vertical-up', overhead: 'overhead' } as const;

/** Whose end it is: of a machine that nothing is said of, what most have. */
function whose(high: number, name: 'voltageV' | 'wireSpeedMPerMin'): string {
  const isUsual = high >= machineRange({}, name).high - AT_THE_END.volts;
  if (name === 'voltageV') return isUsual ? 'most machines stop' : 'this machine stops';
  return isUsual ? 'most machines feed' : 'this machine feeds';
}

/**
 * Returns what is short of what is wanted: the position, the wire, or the machine by its wire drive or its volts.
 * @param currentA what the corrected figures give
 * @param wantedA what is asked for of one pass
 */
function limitOf(
  { setup }: Situation,
  bounds: Bounds,
  corrected: Target,
  currentA: number,
  wantedA: number,
): string | null {
  const { ceiling, position, wire } = setup;
  const { voltageV, wireSpeedMPerMin: speed } = bounds;
  const wanted = withinCurrentRange(wantedA);
  const atTopOfWire = corrected.wireSpeedMPerMin >= speed.high - AT_THE_END.wireMPerMin;
  const volts = balancedVolts(setup, wanted);
  if (corrected.voltageV >= voltageV.high - AT_THE_END.volts && volts > voltageV.high) {
    const { highV, highA } = wireWindow(wire);
    // The volts of tubular wire end with its window, whatever the machine gives.
    if (highV !== null && voltageV.high >= highV - setup.machine.offsetV - AT_THE_END.volts)
      return `${wire.diameterMm.toFixed(1)} mm of this wire runs up to about ${highV} V and ${Math.round(highA)} A`;
    return `${whose(voltageV.high, 'voltageV')} at ${voltageV.high} V, which holds an arc of about ${Math.round(currentA)} A; that current would want ${volts.toFixed(1)} V`;
  }
  if (ceiling?.by === 'gun' && currentA >= SHORT.cold * ceiling.currentA)
    return `this gun carries about ${Math.round(ceiling.currentA)} A in this gas`;
  if (ceiling?.by === 'source' && currentA >= SHORT.cold * ceiling.currentA)
    return `this machine gives about ${Math.round(ceiling.currentA)} A for long`;
  if (ceiling?.by === 'position' && currentA >= SHORT.cold * ceiling.currentA)
    return `${POSITION_WORDS[position as keyof typeof POSITION_WORDS]} a pass of this wire holds up about ${Math.round(ceiling.currentA)} A`;
  const asked = setup.currentAskedA;
  if (!atTopOfWire) {
    // Between the short arc and a spray that nothing here carries lies a zone where no bead is quiet; and past the short
    // arc of CO2 the drops are rough.
    const plateWantsA = setup.plateWantsA ?? 0;
    const isHeld = asked !== null && asked < plateWantsA && currentA >= SHORT.cold * asked;
    const isShort = isHeld && (wantedA > asked || isColdInOnePass(plateWantsA, Infinity, asked));
    const rough = (amps: number): number => globularShare(withinCurrentRange(amps), wire, setup.gas);
    // The next hotter figure would lie in the zone under the spray.
    const isWild =
      asked !== null &&
      wantedA > asked &&
      !setup.pulse &&
      wildness(withinCurrentRange(HOTTER * currentA), wire, setup.gas) > ROUGHER;
    return isShort || isWild || rough(wanted) > rough(currentA) + ROUGHER
      ? `this wire runs quietly in this gas up to about ${Math.round(currentA)} A${sprayLacking(setup)}`
      : null;
  }
  const top = ceiling?.by === 'wire' ? ceiling.currentA : wireWindow(wire).highA;
  return currentA >= SHORT.cold * top
    ? `this wire carries about ${Math.round(top)} A in this gas`
    : `${whose(speed.high, 'wireSpeedMPerMin')} ${corrected.wireSpeedMPerMin.toFixed(1)} m/min at most, which is ${Math.round(currentA)} A`;
}

/** Returns what keeps heavy plate from the spray it would be given, in the machine's own figures. */
function sprayLacking({ sprayLacks: lacks, machine }: ArcSetup): string {
  if (lacks === null) return '';
  const wants =
    'voltageV' in lacks
      ? `${(lacks.voltageV - machine.offsetV).toFixed(1)} V`
      : `${(lacks.wireSpeedMPerMin / machine.wireScale).toFixed(1)} m/min`;
  return `, for a spray wants ${wants}, which this machine does not reach`;
}

/** Today's current where a bead of it shows cold and hardly more is offered; null where all is well. */
function coldAt({ setup, today }: Situation, showsCold: boolean, currentA: number): number | null {
  if (!showsCold || today.wireSpeedMPerMin === null || today.stickOutMm === null) return null;
  const from = currentAt(setup, today.wireSpeedMPerMin, today.stickOutMm);
  return currentA < LEAST_RISE * from ? from : null;
}

/**
 * Returns what the machine, the wire, the position or the plate does not allow, and what then: which of them is the limit, and
 * how many passes take its place.
 * @param bounds what can be set
 * @param corrected the best that can be set
 * @param showsCold whether the bead is likely too cold, whatever its figures say
 */
export function outOfReach(situation: Situation, bounds: Bounds, corrected: Target, showsCold = false): string[] {
  return [...tooThickDownhill(situation.setup), ...shortOf(situation, bounds, corrected, showsCold)];
}

/** Returns what no current makes good: downhill the puddle runs ahead of the arc on plate that it should dig into. */
function tooThickDownhill({ position, thinnestMm }: ArcSetup): string[] {
  const upTo = OUT_OF_POSITION.downUpToMm;
  if (position !== 'vertical-down' || thinnestMm === null || thinnestMm <= upTo) return [];
  return [
    `Downhill is for sheet, gaps and roots up to about ${upTo} mm: on thicker plate the puddle runs ahead of the arc and covers a root that is not fused. Weld it uphill, or turn the part.`,
  ];
}

/** Plate that is bevelled, and that a procedure preheats, from here on, mm. */
const BEVEL_FROM_MM = 6;
const PREHEAT_FROM_MM = 12;

/** Returns what makes up for amps that are not to be had, on this plate. */
function slower({ thinnestMm, joint, position }: ArcSetup): string {
  const thin = thinnestMm ?? 0;
  return [
    'Slow down until both sides melt, the arc on the front edge of the puddle: pace makes up for amps',
    ...(thin > BEVEL_FROM_MM && joint === 'butt' ? ['bevel it, and run more passes'] : []),
    ...(thin >= PREHEAT_FROM_MM ? ['preheat by procedure'] : []),
    ...(position === 'vertical-up' || position === 'overhead' ? ['or turn the part and weld it flat'] : []),
  ].join('; ');
}

function shortOf(situation: Situation, bounds: Bounds, corrected: Target, showsCold: boolean): string[] {
  const { setup } = situation;
  const wanted = setup.plateWantsA;
  if (wanted === null || setup.thinnestMm === null) return [];
  const current = currentAt(setup, corrected.wireSpeedMPerMin, corrected.stickOutMm);
  const atBottom = corrected.wireSpeedMPerMin <= bounds.wireSpeedMPerMin.low + AT_THE_END.wireMPerMin;
  const cold = coldAt(situation, showsCold, current);
  if (current < SHORT.cold * wanted || cold !== null) {
    const asked = setup.currentAskedA ?? current;
    const limit = limitOf(situation, bounds, corrected, current, Math.max(asked, LEAST_RISE * (cold ?? 0)));
    if (limit === null) return [];
    const other = isTubular(setup.wire.class) ? 'thicker wire' : 'thicker or tubular wire';
    // A plate that wants no more than it gets wants no more passes either.
    if (wanted <= LEAST_RISE * current)
      return [`The bead is cold at about ${Math.round(cold ?? current)} A; ${limit}. ${slower(setup)}; or ${other}.`];
    if (setup.joint === 'plug')
      return [
        `The plate wants about ${Math.round(wanted)} A; ${limit}. A wider hole, its lower edge melted all round before it is filled; or ${other}.`,
      ];
    return [`The plate wants about ${Math.round(wanted)} A; ${limit}. ${slower(setup)}; or ${other}.`];
  }
  if (atBottom && current > SHORT.hot * wanted) {
    return [
      `The sheet wants about ${Math.round(wanted)} A; this wire and machine go down to ${Math.round(current)} A. Thinner wire, stitch, or a backing bar.`,
    ];
  }
  return [];
}
