import { withinCurrentRange } from '../../arc/balance';
import { arcSetup, balancedVolts, withWire } from '../../arc/setup';
import { wireMetal } from '../../arc/wire';
import { CASE_FORMAT, POSITIONS, type Case, type EarlierBead, type Rig } from '../../case/schema';
import { OUTCOMES } from '../../case/terms';
import { CAUSE_IDS, CHECK_IDS, FINDING_IDS } from '../../evidence/ids';
import type { Settings } from '../../setting/table';
import { clamp } from '../../quantity/clamp';

const STEEL_GASES = [
  { argonPct: 82, co2Pct: 18 },
  { argonPct: 75, co2Pct: 25 },
  { argonPct: 90, co2Pct: 10 },
  { argonPct: 98, oxygenPct: 2 },
  { co2Pct: 100 },
] as const;

type Pick = <T>(of: readonly T[]) => T;

/** A rig of any metal, wire, gas and machine, recorded in part; a few of them fitted wrong. */
function rigOf(pick: Pick, random: () => number): Rig {
  const wireClass = pick([
    ...(['solid-steel', 'solid-steel', 'solid-steel', 'solid-stainless', 'solid-aluminium'] as const),
    'metal-cored' as const,
    ...(['tubular-self-shielded', 'tubular-gas-shielded'] as const),
  ]);
  const diameterMm = pick(
    wireClass.startsWith('tubular') || wireClass === 'metal-cored' ? [0.9, 1.2] : [0.6, 0.8, 0.9, 1.0, 1.2, 1.6],
  );
  const usesGas = wireClass !== 'tubular-self-shielded';
  const gas =
    wireClass === 'solid-aluminium'
      ? { argonPct: 100 }
      : wireClass === 'solid-stainless'
        ? { argonPct: 98, co2Pct: 2 }
        : pick(STEEL_GASES);
  const rig = {
    process: usesGas ? (wireClass === 'tubular-gas-shielded' ? 'fcaw-gas-shielded' : 'gmaw') : 'fcaw-self-shielded',
    wire: { class: wireClass, diameterMm },
    gas: usesGas ? gas : null,
    polarity: usesGas ? 'electrode-positive' : 'electrode-negative',
    ...(random() < 0.7 ? { nozzleBoreMm: pick([10, 13, 16, 19]) } : {}),
    ...(random() < 0.08 && !wireClass.startsWith('tubular') ? { mode: 'pulse' as const } : {}),
    ...(random() < 0.35
      ? {
          range: {
            voltageV: { low: 13, high: pick([22, 28, 36]), step: pick([0.1, 0.5]) },
            wireSpeedMPerMin: { low: 1.5, high: pick([9, 14, 20]), step: pick([0.1, 0.2]) },
          },
        }
      : {}),
    ...(random() < 0.15 ? { source: { ratedA: pick([140, 200, 300]), ratedPct: pick([20, 35, 60]) } } : {}),
    ...(random() < 0.15 ? { gun: { ratedA: pick([150, 250, 400]) } } : {}),
  } as Rig;
  // Now and then somebody else changed the leads or the cylinder.
  if (random() < 0.04) return { ...rig, polarity: usesGas ? 'electrode-negative' : 'electrode-positive' };
  return random() < 0.03 && usesGas ? { ...rig, gas: null } : rig;
}

const PROCEDURES: readonly NonNullable<NonNullable<Case['job']>['procedure']>[] = [
  { transfer: 'spray' },
  { transfer: 'short-circuit' },
  { voltageV: { low: 17, high: 20 } },
  { currentA: { low: 120, high: 180 } },
];

type Findings = NonNullable<Case['findings']>;

/** Up to three of the ids, each there or not. */
const drawFindings = (ids: readonly string[], pick: Pick, random: () => number): Findings =>
  Object.fromEntries(
    Array.from({ length: Math.floor(random() * 4) }, () => [pick(ids), random() < 0.8 ? 'present' : 'absent']),
  ) as Findings;

/** A bead that was run before: its figures, what it showed, how it was judged, and what was then turned, done or looked at. */
function drawEarlier(settings: () => Settings, pick: Pick, random: () => number): EarlierBead {
  return {
    settings: settings(),
    findings: drawFindings(FINDING_IDS, pick, random),
    outcome: pick([...OUTCOMES, null]),
    ...(random() < 0.4 ? { changed: settings() } : {}),
    ...(random() < 0.3 ? { cured: [pick(CAUSE_IDS)] } : {}),
    ...(random() < 0.3 ? { looked: drawFindings(CHECK_IDS, pick, random) } : {}),
  };
}

/**
 * Draws a case over metals, wires, gases, positions, joints, thickness, machines, procedures, figures, findings and the beads before;
 * many of them say little, some are absurd: whatever is drawn, the answer has to be one.
 * @param random a stream of numbers from 0 to 1
 */
export function drawWhole(random: () => number): Case {
  const pick: Pick = (of) => of[Math.floor(random() * of.length)];
  const between = (low: number, high: number): number => low + (high - low) * random();
  const rig = rigOf(pick, random);
  const metal = wireMetal(rig.wire!.class!);
  const thicknessMm = Number((0.6 * (25 / 0.6) ** random()).toFixed(1));
  const job: Case['job'] = {
    baseMetal: random() < 0.04 ? pick(['mild-steel', 'aluminium'] as const) : metal,
    thicknessMm,
    ...(random() < 0.25 ? { otherThicknessMm: Number((thicknessMm * between(1, 3)).toFixed(1)) } : {}),
    ...(random() < 0.85 ? { joint: pick(['fillet', 'butt', 'lap', 'corner', 'bead-on-plate', 'plug'] as const) } : {}),
    ...(random() < 0.85 ? { position: pick(POSITIONS) } : {}),
    ...(random() < 0.6 ? { draught: pick(['still', 'breeze'] as const) } : {}),
    ...(random() < 0.15 ? { gapMm: pick([0.5, 1, 2, 3]) } : {}),
    ...(random() < 0.16 ? { procedure: pick(PROCEDURES) } : {}),
  };
  const base: Case = { format: CASE_FORMAT, job, rig };
  if (random() < 0.15) return base;
  const setup = withWire(arcSetup(base))!;
  const drawSettings = (): Settings => {
    const near = withinCurrentRange((setup.currentAskedA ?? 120) * between(0.5, 1.7));
    return {
      ...(random() < 0.95 ? { voltageV: Number((balancedVolts(setup, near) + between(-5, 5)).toFixed(1)) } : {}),
      ...(random() < 0.95 ? { wireSpeedMPerMin: Number(clamp(near / between(15, 40), 1, 24).toFixed(1)) } : {}),
      ...(random() < 0.7 ? { stickOutMm: Math.round(between(6, 24)) } : {}),
      ...(random() < 0.6 && setup.usesGas ? { gasFlowLPerMin: Number(between(4, 25).toFixed(1)) } : {}),
      ...(random() < 0.3 ? { travelSpeedMmPerMin: Math.round(between(100, 700)) } : {}),
    };
  };
  const settings = drawSettings();
  const findings = drawFindings([...FINDING_IDS, ...(random() < 0.3 ? CHECK_IDS : [])], pick, random);
  const earlier =
    random() < 0.7
      ? []
      : Array.from({ length: 1 + Math.floor(random() * 3) }, () => drawEarlier(drawSettings, pick, random));
  const schools = random() < 0.2 ? { imbalance: pick(['by-heat', 'volts', 'wire'] as const) } : null;
  return {
    ...{ ...base, settings, findings },
    ...(schools === null ? {} : { preferences: schools }),
    ...(earlier.length === 0 ? {} : { earlier }),
  };
}
