import { readArc } from '../../core/arc/reading';
import { arcSetup } from '../../core/arc/setup';
import { CASE_FORMAT, type Case } from '../../core/case/schema';
import { stream } from '../../core/chance/stream';
import { balancedClicksPerS, heardMost, heardWeights } from '../../core/hearing/likelihood';
import { listen, type Listened } from '../../core/hearing/listen';
import { arcRunOf } from '../../core/sound/run-of';
import { mixed, SHOP_NOISES, shopNoise, type ShopNoise } from '../../core/sound/shop-noise';
import { soundOf } from '../../core/sound/sounding';
import { SAMPLE_RATE } from '../../core/sound/sample-rate';
import { percent } from './score';

/** Seconds of each arc, arcs of each side and level, recordings of each noise. */
const SECONDS = 3;
const ARCS = 40;
const NOISES = 30;
/** How far the noise is under the arc, dB. */
const UNDER = [30, 20, 10, 5] as const;

type Side = 'low' | 'right' | 'high';
/** Volts off balance that a welder would call so. */
const OFF: Record<Side, readonly [number, number]> = { low: [-3.5, -1.8], right: [-0.7, 0.7], high: [1.8, 3] };
const SIDES = Object.keys(OFF) as Side[];

/** Wires with the speeds they are run at in short arc, and mixes: none of them is what the listening was set on. */
const WIRES = [
  [0.8, 4.5, 8],
  [0.9, 4, 9],
  [1.0, 3.5, 7],
  [1.2, 2.8, 5],
] as const;
const CO2 = [8, 15, 25, 100];

type Burned = { samples: Float32Array; ratePerS: number; wireMm: number; wireSpeed: number };

/** An arc on a side of balance, with everything else drawn. */
function burned(random: () => number, side: Side, seed: number): Burned {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const [wireMm, slow, fast] = pick(WIRES);
  const co2Pct = pick(CO2);
  const input: Case = {
    format: CASE_FORMAT,
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: wireMm },
      gas: { argonPct: 100 - co2Pct, co2Pct },
    },
  };
  const settings = {
    wireSpeedMPerMin: slow + (fast - slow) * random(),
    stickOutMm: 10 + 5 * random(),
    arcControlPct: 20 + 60 * random(),
  };
  const { balancedVoltageV } = readArc(arcSetup(input), settings);
  const [from, to] = OFF[side];
  const run = arcRunOf(input, { ...settings, voltageV: balancedVoltageV! + from + (to - from) * random() }, seed)!;
  const { samples, sounded } = soundOf(run, SECONDS);
  return { samples, ratePerS: sounded.figures.ratePerS, wireMm, wireSpeed: settings.wireSpeedMPerMin };
}

/** Which side a recording says, where it says one. */
function sideOf({ heard }: Listened, balanced: number | null): Side | 'comes and goes' | null {
  if (heard === null) return null;
  const most = heardMost(heardWeights(heard, balanced));
  if (most === 'sound-crisp') return 'right';
  if (most === 'sound-popping') return 'low';
  return most === 'sound-sputter' ? 'comes and goes' : 'high';
}

type Told = { side: Side; known: ReturnType<typeof sideOf>; unknown: ReturnType<typeof sideOf>; shorts: boolean };

const rightShare = (among: readonly Told[], by: 'known' | 'unknown'): string =>
  percent(among.filter((one) => one[by] === one.side).length / among.length);

/** The same arcs at each level of noise. */
function arcs(): void {
  const random = stream(777_000);
  const burnedArcs = SIDES.flatMap((side, k) =>
    Array.from({ length: ARCS }, (_, i) => ({
      side,
      seed: 50_000 + 100 * k + i,
      arc: burned(random, side, 50_000 + 100 * k + i),
    })),
  );
  for (const under of UNDER) {
    const errors: number[] = [];
    const all = burnedArcs.map(({ side, seed, arc: { samples, ratePerS, wireMm, wireSpeed } }, i): Told => {
      const noise = shopNoise(SHOP_NOISES[i % SHOP_NOISES.length], SECONDS, seed + 7);
      const listened = listen({ samples: mixed(samples, noise, under).map((value) => value / 2), rate: SAMPLE_RATE });
      const shorts = ratePerS >= 10;
      if (shorts && listened.heard !== null) errors.push(listened.heard.clicksPerS / ratePerS - 1);
      const known = sideOf(listened, balancedClicksPerS(wireMm, wireSpeed));
      return { side, shorts, known, unknown: sideOf(listened, null) };
    });
    const told = all.filter(({ shorts }) => shorts);
    const silent = all.filter(({ shorts }) => !shorts);
    const within = errors.filter((error) => Math.abs(error) < 0.1).length / errors.length;
    const mean = errors.reduce((sum, error) => sum + Math.abs(error), 0) / errors.length;
    const bySide = SIDES.map(
      (side) =>
        `${side} ${rightShare(
          told.filter((one) => one.side === side),
          'known',
        )}`,
    );
    console.log(
      `    noise ${under} dB under: clicks within 10 % in ${percent(within)}, mean error ${percent(mean)}; side right ${rightShare(told, 'known')} (${bySide.join(', ')}), ${rightShare(told, 'unknown')} where wire and speed are not known; of ${silent.length} without shorts ${silent.filter(({ known }) => known === null).length} left open`,
    );
  }
}

function noises(): void {
  const heard: Partial<Record<ShopNoise | 'silence' | 'two at once', number>> = {};
  const listenTo = (samples: Float32Array, loud: number): boolean => {
    const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0) || 1;
    return listen({ samples: samples.map((value) => (loud * value) / peak), rate: SAMPLE_RATE }).heard !== null;
  };
  const count = (kind: keyof typeof heard, isArc: boolean): void => {
    heard[kind] = (heard[kind] ?? 0) + Number(isArc);
  };
  for (let i = 0; i < NOISES; i++) {
    const loud = [0.8, 0.2, 0.05][i % 3];
    for (const kind of SHOP_NOISES) count(kind, listenTo(shopNoise(kind, SECONDS, 90_000 + i), loud));
    const [one, other] = [SHOP_NOISES[i % 4], SHOP_NOISES[(i + 1 + (i % 3)) % 4]];
    const both = mixed(shopNoise(one, SECONDS, 91_000 + i), shopNoise(other, SECONDS, 92_000 + i), [15, 5, 0][i % 3]);
    count('two at once', listenTo(both, loud));
    count('silence', listenTo(shopNoise('rumble', SECONDS, 93_000 + i), [0, 0.001, 0.01][i % 3]));
  }
  console.log(
    `    taken for an arc, of ${NOISES} each: ${Object.entries(heard)
      .map(([kind, arcsHeard]) => `${kind} ${arcsHeard}`)
      .join(', ')}`,
  );
}

/** How well a recording of a simulated arc is heard, on settings that the listening was not set on, in a shop's noise. */
export function sound(): void {
  console.log(`(d) arcs by ear: ${ARCS} of each side at each level, three seconds each, simulated`);
  arcs();
  noises();
}
