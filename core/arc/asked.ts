import type { GasMix } from '../case/gas-mix';
import type { Position } from '../case/schema';
import { balanceHalfWidth, balanceVoltage } from './balance';
import { wireSpeedFromCurrent } from './burn-off';
import { SPRAY_FROM_MM, SPRAY_TRANSITION } from './coefficients';
import { WIRE_RANGE } from './wire-ranges';
import { pulseFrom, quietRanges, type Quiet } from './quiet-ranges';
import { readBySize, readRows } from './read-rows';
import { isTubular, wireMetal, type Wire } from './wire';
import { clamp } from '../quantity/clamp';

/** What a spray would want and this machine does not give. */
export type SprayLacks = { voltageV: number } | { wireSpeedMPerMin: number };
/** How the metal may cross where both ways do. */
export type OtherWay = { transfer: 'short-circuit' | 'spray'; currentA: number };

/** The current that is asked of one pass, and what it leaves open. */
export type Asked = {
  currentAskedA: number;
  /** Heavy plate that the machine keeps from its spray; null where it lacks nothing. */
  sprayLacks: SprayLacks | null;
  /** The other transfer, where both do on this plate; null where only one does. */
  otherWay: OtherWay | null;
  /** Least current of a wire that cannot be run as cold as the plate wants, or not at all here; null where it can. */
  tooThickFromA: number | null;
  /** Whether the wire has no transfer here that gun, source, position and gas let it reach: no figure is right. */
  runsNowhere: boolean;
};

export type AskedOn = {
  wire: Wire;
  gas: GasMix;
  position: Position;
  pulse: boolean;
  thinnestMm: number;
  /** A butt with a root gap that nothing lies behind. */
  isOpenRoot: boolean;
  /** The most that wire, position, gun and source carry, A. */
  ceilingA: number;
  /** The most that the machine gives: volts at the arc, and wire. */
  most: { voltageV: number; wireSpeedMPerMin: number };
  /** What the welder chooses where both transfers do. */
  school: 'by-plate' | 'short-arc' | 'spray';
};

/** The window of the heat: a current under or over these shares of the one wanted is too cold or too hot; a quick spray may be hotter. */
export const HEAT_SHARES = { cold: 0.78, hot: 1.3, sprayHot: 1.4 };
/** Extension that a spray burns with, mm: its stick-out of 15 to 17 less an arc of 5. */
const SPRAY_EXTENSION_MM = 11;
/** So far up its window a self-shielded wire is asked: over that the slag boils. Source: settings that public tables give. */
const SELF_SHIELDED_UP_TO = 0.85;
/** Up to so thick a plate a short arc is a choice; on more its lack of fusion cannot be seen, mm. */
const SHORT_ARC_UP_TO_MM = 10;

const within = (value: number, { lowA, highA }: Quiet): number => clamp(value, lowA, highA);
const nothingOpen = (currentAskedA: number): Asked => ({
  ...{ currentAskedA, sprayLacks: null, otherWay: null, tooThickFromA: null, runsNowhere: false },
});

/** Returns what a machine does not give of a spray; null where it gives all. */
function lacking(currentA: number, { wire, gas, most }: AskedOn): SprayLacks | null {
  const wireSpeedMPerMin = wireSpeedFromCurrent(currentA, wire, SPRAY_EXTENSION_MM);
  if (wireSpeedMPerMin > most.wireSpeedMPerMin) return { wireSpeedMPerMin };
  const voltageV = balanceVoltage(currentA, wire, gas);
  // A bead is sound down to the edge of its window of volts.
  return voltageV - balanceHalfWidth(currentA, wire, gas) <= most.voltageV ? null : { voltageV };
}

/**
 * Current of a chart's spray on heavy plate, A: over that of a short arc, away from the cold edge of the spray, and no further than the
 * middle of the wire's range.
 */
function sprayOfCharts(wantedA: number, { lowA, highA }: Quiet): number {
  const { overWanted, overLeast } = SPRAY_TRANSITION.ofCharts;
  return Math.min(Math.max(overWanted * wantedA, overLeast * lowA), (lowA + highA) / 2);
}

/** Tubular wire by its own window, pulse by the wire's, aluminium in spray. */
function askedOfOne(wantedA: number, on: AskedOn): Asked {
  const { wire, gas, ceilingA } = on;
  if (wire.class === 'tubular-self-shielded') {
    const top = readBySize(WIRE_RANGE[wire.class], ({ highA }) => highA, wire.diameterMm);
    return nothingOpen(Math.min(wantedA, ceilingA, SELF_SHIELDED_UP_TO * top));
  }
  if (on.pulse && !isTubular(wire.class)) {
    const lowA = pulseFrom(wire);
    const tooThickFromA = lowA > HEAT_SHARES.hot * wantedA ? lowA : null;
    return { ...nothingOpen(Math.min(wantedA, ceilingA)), tooThickFromA };
  }
  const { spray } = quietRanges(wire, gas);
  if (spray === null || wireMetal(wire.class) !== 'aluminium') return nothingOpen(Math.min(wantedA, ceilingA));
  const asked = Math.max(spray.lowA, Math.min(wantedA, spray.highA, ceilingA));
  const runsNowhere = spray.lowA > ceilingA || wire.diameterMm < SPRAY_FROM_MM;
  const isTooThick = runsNowhere || spray.lowA > HEAT_SHARES.hot * wantedA;
  return { ...nothingOpen(asked), tooThickFromA: isTooThick ? spray.lowA : null, runsNowhere };
}

/**
 * The current to ask of one pass, away from the wild zone between short arc and spray: short arc on sheet and out of position,
 * spray on heavy plate wherever it is in reach, and between them what the welder chooses.
 * @param wantedA what the plate wants of one pass
 */
export function askedFor(wantedA: number, on: AskedOn): Asked {
  const { wire, gas, position, thinnestMm, ceilingA, school } = on;
  if (on.pulse || isTubular(wire.class) || wireMetal(wire.class) === 'aluminium') return askedOfOne(wantedA, on);
  const { short, spray } = quietRanges(wire, gas);
  const level = (position === 'flat' || position === 'horizontal') && !on.isOpenRoot;
  const shortA = short === null ? null : within(wantedA, { ...short, highA: Math.min(short.highA, ceilingA) });
  const leastSprayA =
    !level || spray === null || spray.lowA > ceilingA ? null : within(Math.min(wantedA, ceilingA), spray);
  const tooThickFromA = short === null || short.lowA <= HEAT_SHARES.hot * wantedA ? null : short.lowA;
  const { heavyFromMm, heavyUpTo, choiceFromMm } = SPRAY_TRANSITION;
  const isHeavy = thinnestMm >= heavyFromMm.value;
  const mostHot = isHeavy
    ? readRows(
        heavyUpTo,
        (row) => row.thicknessMm,
        ({ share }) => share,
        thinnestMm,
      )
    : HEAT_SHARES.sprayHot;
  const fits = leastSprayA !== null && thinnestMm >= choiceFromMm.value && leastSprayA <= mostHot * wantedA;
  const ofCharts =
    isHeavy && fits && spray !== null
      ? Math.max(leastSprayA, Math.min(sprayOfCharts(wantedA, spray), ceilingA, mostHot * wantedA))
      : leastSprayA;
  // A machine that does not reach the figures of charts may still reach the least of a spray.
  const sprayA = ofCharts === null || lacking(ofCharts, on) === null ? ofCharts : leastSprayA;
  const lacks = fits && sprayA !== null ? lacking(sprayA, on) : null;
  const sprays = fits && lacks === null && sprayA !== null;
  if (shortA === null) {
    // A wire that has no short arc: nothing where it cannot spray either.
    const least = spray?.lowA ?? ceilingA;
    return {
      ...nothingOpen(sprays ? sprayA : least),
      ...{ tooThickFromA: sprays ? null : least, runsNowhere: sprayA === null || lacking(sprayA, on) !== null },
    };
  }
  const isWarm = shortA >= HEAT_SHARES.cold * wantedA;
  const mayBeShort = isWarm && thinnestMm <= SHORT_ARC_UP_TO_MM;
  // Metal-cored wire is made for its spray.
  const isForSpray = isHeavy || wire.class === 'metal-cored';
  const takesSpray =
    sprays && (school === 'spray' || !isWarm || (isForSpray && !(school === 'short-arc' && mayBeShort)));
  return {
    currentAskedA: takesSpray ? sprayA : shortA,
    sprayLacks: isHeavy ? lacks : null,
    otherWay:
      !sprays || (takesSpray && !mayBeShort)
        ? null
        : takesSpray
          ? { transfer: 'short-circuit', currentA: shortA }
          : { transfer: 'spray', currentA: sprayA },
    ...{ tooThickFromA, runsNowhere: false },
  };
}
