import { balanceHalfWidth, withinCurrentRange } from '../arc/balance';
import { heatInput } from '../arc/heat';
import { balancedVolts, currentAt, wireSpeedAt, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { sprayTransitionCurrent, transferMode, type Transfer } from '../arc/transfer';
import { quietRanges } from '../arc/quiet-ranges';
import { isTubular } from '../arc/wire';
import type { Job } from '../case/schema';
import type { Target, Today } from './objective';
import { onSteps } from './bounds';
import type { Bound, Bounds } from './solver';

/** What a welding procedure allows on a job: a low and a high of each, and how the metal is to cross. */
export type Procedure = NonNullable<Job['procedure']>;

type Span = { low?: number | undefined; high?: number | undefined };

const narrowed = (bound: Bound, { low, high }: Span): Bound => {
  if (low === undefined && high === undefined) return bound;
  // Where a machine does not reach what is allowed, its nearest end is all there is; that is said.
  const [least, most] = [Math.max(bound.low, low ?? bound.low), Math.min(bound.high, high ?? bound.high)];
  if (least <= most) return { ...onSteps(least, most, bound.step), strict: true };
  const { low: first, high: last, step } = bound;
  const end = least > last ? Math.floor(last / step + 1e-9) * step : Math.ceil(first / step - 1e-9) * step;
  const near = Number(end.toFixed(3));
  return { ...bound, low: near, high: near, strict: true };
};

/** Shares of the spray transition that a short arc stays under and a spray stays over: the blend is narrower than that. */
const KEEPS = { short: 0.87, spray: 1.1 };

/** Currents that keep the transfer. */
function currentsOf(setup: WireSetup, { currentA = {}, transfer }: Procedure): Span {
  const transition = sprayTransitionCurrent(setup.wire, setup.gas);
  const quiet: Span =
    transition === null || setup.pulse || transfer === undefined || transfer === 'pulse'
      ? {}
      : transfer === 'spray'
        ? { low: transition * KEEPS.spray }
        : { high: transition * KEEPS.short };
  const [low, high] = [Math.max(currentA.low ?? 0, quiet.low ?? 0), Math.min(currentA.high ?? 999, quiet.high ?? 999)];
  return { ...(low > 0 ? { low } : {}), ...(high < 999 ? { high } : {}) };
}

/**
 * The limits of machine, wire and position with those of a procedure: nothing outside is proposed, in another transfer
 * mode neither.
 */
export function withinProcedure(bounds: Bounds, setup: WireSetup, procedure: Procedure | undefined): Bounds {
  if (procedure === undefined) return bounds;
  const amps = currentsOf(setup, procedure);
  const speed = (current: number): number => wireSpeedAt(setup, current, usualStickOut(setup, current).wanted);
  const byCurrent: Span = {
    ...(amps.low === undefined ? {} : { low: speed(amps.low) }),
    ...(amps.high === undefined ? {} : { high: speed(amps.high) }),
  };
  return {
    ...bounds,
    voltageV: narrowed(bounds.voltageV, procedure.voltageV ?? {}),
    wireSpeedMPerMin: narrowed(narrowed(bounds.wireSpeedMPerMin, byCurrent), procedure.wireSpeedMPerMin ?? {}),
  };
}

const TRANSFER_WORDS: { [transfer in Transfer]: string } = {
  'short-circuit': 'short circuit',
  globular: 'globular',
  spray: 'spray',
  pulse: 'pulse',
  tubular: 'tubular wire',
  unstable: 'no stable arc',
};

/** A span in words: "18 to 20 V", "20 V at most". */
function spanText({ low, high }: Span, unit: string): string {
  if (low !== undefined && high !== undefined) return `${low} to ${high} ${unit}`;
  return high === undefined ? `${low} ${unit} at least` : `${high} ${unit} at most`;
}

/**
 * Why the transfer of a procedure cannot be had with this wire, gas, position and machine; null where it can, or none is asked.
 * @param transfer that the procedure asks for
 */
export function transferOutOfReach(transfer: Procedure['transfer'], setup: WireSetup): string | null {
  const { wire, gas, pulse, position, ceiling } = setup;
  if (transfer === undefined || isTubular(wire.class)) return null;
  const asks = `Procedure: it asks for ${TRANSFER_WORDS[transfer]}`;
  if (transfer === 'pulse')
    return pulse ? null : `${asks}, and this machine is not set to pulse. Set pulse, or ask whoever signs it.`;
  if (pulse) return `${asks}, and this machine is set to pulse. Set it to no pulse, or ask whoever signs it.`;
  const { short, spray } = quietRanges(wire, gas);
  const level = position === 'flat' || position === 'horizontal' || wire.class === 'solid-aluminium';
  const has =
    transfer === 'spray' ? level && spray !== null && spray.lowA <= (ceiling?.currentA ?? Infinity) : short !== null;
  return has
    ? null
    : `${asks}, which this wire does not run in with this gas, position and machine. This bead is not in the procedure: ask whoever signs it.`;
}

/** Volts this far from the window of balance burn no sound bead, half-widths. */
const OUT_OF_BALANCE = 1.15;

/**
 * Why nothing that a procedure allows burns a sound bead here: what is nearest lies outside it, or out of balance.
 * @param to what is proposed; null where a figure is not known
 */
export function nothingInProcedure(
  procedure: Procedure | undefined,
  setup: WireSetup,
  to: { voltageV?: number | undefined; wireSpeedMPerMin?: number | undefined; stickOutMm?: number | undefined },
): string | null {
  const { voltageV, wireSpeedMPerMin, stickOutMm } = to;
  if (procedure === undefined || setup.pulse || voltageV === undefined || wireSpeedMPerMin === undefined) return null;
  const { voltageV: volts = {}, wireSpeedMPerMin: wire = {} } = procedure;
  const currentA = withinCurrentRange(
    currentAt(setup, wireSpeedMPerMin, stickOutMm ?? usualStickOut(setup, null).wanted),
  );
  const balanced = balancedVolts(setup, currentA);
  const half = balanceHalfWidth(currentA, setup.wire, setup.gas);
  const isIn = !outside(voltageV, volts, STEP_V) && !outside(wireSpeedMPerMin, wire, STEP_M_PER_MIN);
  const mode = transferMode(currentA, setup.wire, setup.gas);
  // Where the machine does not reach the transfer of the procedure, what is nearest runs in another.
  const isKept = procedure.transfer === undefined || mode === procedure.transfer || isTubular(setup.wire.class);
  if (isIn && isKept && Math.abs(voltageV - balanced) <= OUT_OF_BALANCE * half) return null;
  const allows = [
    ...(procedure.transfer === undefined || isKept ? [] : [TRANSFER_WORDS[procedure.transfer]]),
    ...(procedure.voltageV === undefined ? [] : [spanText(volts, 'V')]),
    ...(procedure.wireSpeedMPerMin === undefined ? [] : [`${spanText(wire, 'm/min')} of wire`]),
    ...(procedure.currentA === undefined ? [] : [spanText(procedure.currentA, 'A')]),
  ];
  return `Procedure: it allows ${allows.join(' and ')}, and no setting inside that burns a sound arc with this wire, plate and machine. This bead is not in the procedure: ask whoever signs it.`;
}
/** A step of a usual machine. */
const STEP_V = 0.5;
const STEP_M_PER_MIN = 0.2;

/** Figures are read to this; a rounding is no leaving. */
const ROUNDING = 1e-6;
const outside = (value: number, { low, high }: Span, slack = ROUNDING): boolean =>
  value < (low ?? -Infinity) - slack || value > (high ?? Infinity) + slack;

/** Amps that are computed are no finer than this: an edge is not left by less. */
const AMPS_SLACK = 3;

/**
 * Returns what is to be said of a procedure: where today's figures leave it, where the bead wants what it does not allow, and
 * the pace that keeps its heat input.
 * @param today as set, null where unknown
 * @param to what is proposed inside the procedure
 * @param free what would be proposed without it
 * @param travelMmPerMin pace, null where not known
 */
export function procedureNotes(
  procedure: Procedure | undefined,
  setup: WireSetup,
  today: Today,
  { to, free }: { to: Target; free: Target },
  travelMmPerMin: number | null,
): string[] {
  if (procedure === undefined) return [];
  const notes: string[] = [];
  const {
    voltageV: volts = {},
    wireSpeedMPerMin: wire = {},
    currentA: amps = {},
    heatInputKJPerMm: heat = {},
  } = procedure;
  const pulse = setup.pulse;
  const speed = today.wireSpeedMPerMin;
  if (today.voltageV !== null && outside(today.voltageV, volts))
    notes.push(`The procedure allows ${spanText(volts, 'V')}; ${today.voltageV} V leaves it.`);
  if (speed !== null && outside(speed, wire))
    notes.push(`The procedure allows ${spanText(wire, 'm/min')} of wire; ${speed} m/min leaves it.`);
  if (speed !== null) {
    const current = currentAt(setup, speed, today.stickOutMm ?? to.stickOutMm);
    if (outside(current, amps, AMPS_SLACK))
      notes.push(`The procedure allows ${spanText(amps, 'A')}; these figures give about ${Math.round(current)} A.`);
    const mode = pulse ? 'pulse' : transferMode(withinCurrentRange(current), setup.wire, setup.gas);
    if (procedure.transfer !== undefined && mode !== procedure.transfer && mode !== 'tubular')
      notes.push(
        `The procedure is for ${TRANSFER_WORDS[procedure.transfer]}; these figures run in ${TRANSFER_WORDS[mode]}.`,
      );
  }
  const wants: string[] = [];
  if (!pulse && Math.abs(free.voltageV - to.voltageV) > 0.5 && outside(free.voltageV, volts))
    wants.push(`${free.voltageV.toFixed(1)} V`);
  if (Math.abs(Math.log(free.wireSpeedMPerMin / to.wireSpeedMPerMin)) > 0.06)
    wants.push(`${free.wireSpeedMPerMin.toFixed(1)} m/min`);
  if (wants.length > 0)
    notes.push(
      `The bead would want ${wants.join(' and ')}, which the procedure does not allow: stay inside it, and ask whoever signs it.`,
    );
  const arcV = to.voltageV + setup.machine.offsetV;
  const energy = (pace: number): number => heatInput(arcV, currentAt(setup, to.wireSpeedMPerMin, to.stickOutMm), pace);
  const perMinute = energy(1000) * 1000;
  if (travelMmPerMin !== null && outside(energy(travelMmPerMin), heat)) {
    const hot = energy(travelMmPerMin) > (heat.high ?? Infinity);
    const pace = perMinute / ((hot ? heat.high : heat.low) ?? 1);
    notes.push(
      `At ${Math.round(travelMmPerMin)} mm/min the heat input is ${energy(travelMmPerMin).toFixed(2)} kJ/mm; the procedure allows ${spanText(heat, 'kJ/mm')}: travel at ${(hot ? Math.ceil : Math.floor)(pace / 10) * 10} mm/min or ${hot ? 'faster' : 'slower'}.`,
    );
  }
  return notes;
}
