import { balanceHalfWidth, balanceVoltage } from '../../core/arc/balance';
import { flowWindowOf } from '../../core/arc/reading';
import { usualStickOut } from '../../core/arc/stick-out';
import { arcSetup, withWire, wireSpeedAt } from '../../core/arc/setup';
import { expectedTravel } from '../../core/arc/pace';
import { CASE_FORMAT, type Case, type FindingState, type Job } from '../../core/case/schema';
import { priorOf } from '../../core/diagnosis/circumstance';
import { showsGiven } from '../../core/diagnosis/likely-sets';
import { HEAT_UNIT, HEAT_WINDOW } from '../../core/diagnosis/residuals';
import type { NetworkNode } from '../../core/diagnosis/engine';
import { ENGINE } from '../../core/answer/engine';
import type { ResidualName } from '../../core/evidence/table';
import { CAUSES } from '../../core/knowledge';
import type { Settings } from '../../core/setting/table';
import { RIGS, type RigName } from '../../core/cases/rigs';
import { clamp } from '../../core/quantity/clamp';
import { normalWithTails } from '../../core/chance/normal';

/** A case drawn from the network: what truly holds, and what a noisy eye reports of it. */
export type DrawnCase = { causes: number[]; input: Case; truth: (node: NetworkNode) => boolean };

/** Noise: trouble overlooked, trouble imagined; and how often a finding is looked for at all, the rest is unknown. */
const MISSED = 0.1;
const IMAGINED = 0.01;
const LOOKED_FOR = 0.4;
/** Scatter of sound beads and of readings, in residual units. */
const SCATTER = 0.9;
/** How often each figure is known. */
const FIGURE_KNOWN = 0.7;

const RIG_NAMES = Object.keys(RIGS) as RigName[];
const JOBS: Job[] = [
  { baseMetal: 'mild-steel', thicknessMm: 1.5, joint: 'lap', position: 'flat', draught: 'still' },
  { baseMetal: 'mild-steel', thicknessMm: 3, joint: 'butt', position: 'vertical-down', gapMm: 1 },
  { baseMetal: 'mild-steel', thicknessMm: 5, joint: 'fillet', position: 'horizontal', surface: ['mill-scale'] },
  { baseMetal: 'mild-steel', thicknessMm: 8, joint: 'fillet', position: 'flat', surface: ['rust'], draught: 'breeze' },
];

/** Draws until some hold; at usual priors a few are enough. */
const MOST_DRAWN = 100_000;

/** Draws causes at their priors until one to three hold that may hold together. */
function drawCauses(priors: readonly number[], random: () => number): number[] {
  for (let drawn = 0; drawn < MOST_DRAWN; drawn++) {
    const held = priors.flatMap((prior, c) => (random() < prior ? [c] : []));
    const groups = held.map((c) => ENGINE.group[c]).filter((g) => g >= 0);
    if (held.length >= 1 && held.length <= 3 && new Set(groups).size === groups.length) return held;
  }
  throw new Error(`no one to three causes hold together among ${MOST_DRAWN} draws`);
}

/** Figures whose residuals lie where the causes put them, with the scatter of hands and meters. */
function drawSettings(base: Case, causes: readonly number[], random: () => number): Settings {
  const setup = arcSetup(base);
  const known = withWire(setup);
  if (known === null) return {};
  const residual = (name: ResidualName): number => {
    const pulls = causes.flatMap((c) =>
      (CAUSES[c].figures ?? []).filter((link) => link.residual === name).map(({ at }) => at),
    );
    return pulls.reduce((sum, at) => sum + at, 0) + SCATTER * normalWithTails(random);
  };
  const bounded = (value: number, low: number, high: number): number => clamp(Number(value.toFixed(1)), low, high);
  const stick = residual('stickOut');
  const { low, wanted, high } = usualStickOut(setup, null);
  const stickOutMm = bounded(wanted + stick * (stick > 0 ? high - wanted : wanted - low), 4, 45);
  // A heat that is a cause lies outside the window; else it scatters inside it, toward the side of the pair that holds.
  const beyond = residual('heat');
  const hold = causes.some((c) => (CAUSES[c].figures ?? []).some((link) => link.residual === 'heat'));
  const heat = hold ? beyond + Math.sign(beyond) * HEAT_WINDOW : residual('heatOfPair');
  const middle = (setup.currentAskedA ?? 120) * Math.exp(HEAT_UNIT * heat);
  const off = residual('balance');
  // The heat of a pair is half way between that of the wire and that of the volts, which differ by what is off.
  const apart = hold ? 0 : (off * balanceHalfWidth(bounded(middle, 25, 380), known.wire, known.gas)) / 0.05;
  const current = Math.min(380, Math.max(25, 0.4 * middle, middle - apart / 2));
  const wireSpeedMPerMin = bounded(wireSpeedAt(known, current, stickOutMm), 1, 25);
  const volts = balanceVoltage(current, known.wire, known.gas) + off * balanceHalfWidth(current, known.wire, known.gas);
  const travel = expectedTravel(known, wireSpeedMPerMin) * Math.exp(0.45 * residual('travel'));
  const window = flowWindowOf(setup, stickOutMm, current);
  // A flow that is a cause lies beyond a limit; else it scatters about what is wanted.
  const beyondFlow = residual('flow');
  const flowIsOff = causes.some((c) => (CAUSES[c].figures ?? []).some((link) => link.residual === 'flow'));
  const about = Math.exp(0.12 * normalWithTails(random));
  const flowOf = (w: { low: number; high: number; wanted: number }): number =>
    flowIsOff ? Math.max(0, (beyondFlow < 0 ? 1.15 * w.low : w.high) * (1 + 0.25 * beyondFlow)) : w.wanted * about;
  const settings: Settings = {
    wireSpeedMPerMin,
    voltageV: bounded(volts, 9, 48),
    stickOutMm,
    travelSpeedMmPerMin: bounded(travel, 30, 2000),
    ...(window === null ? {} : { gasFlowLPerMin: bounded(flowOf(window), 0, 55) }),
  };
  return Object.fromEntries(Object.entries(settings).filter(() => random() < FIGURE_KNOWN)) as Settings;
}

/**
 * Draws one case from the network with noise.
 * @param random a stream of numbers from 0 to 1
 */
export function drawCase(random: () => number): DrawnCase {
  const rig = RIGS[RIG_NAMES[Math.floor(random() * RIG_NAMES.length)]];
  const plain = JOBS[Math.floor(random() * JOBS.length)];
  const metal =
    rig.wire.class === 'solid-aluminium'
      ? 'aluminium'
      : rig.wire.class === 'solid-stainless'
        ? 'stainless'
        : 'mild-steel';
  const base: Case = { format: CASE_FORMAT, job: { ...plain, baseMetal: metal }, rig };
  const causes = drawCauses(
    CAUSES.map((_, column) => priorOf(ENGINE, column, base, arcSetup(base)).prior),
    random,
  );
  const answers = new Map<string, boolean>();
  const truth = (node: NetworkNode): boolean => {
    const known = answers.get(node.id) ?? random() < showsGiven(node, causes);
    answers.set(node.id, known);
    return known;
  };
  const findings: Record<string, FindingState> = {};
  for (const node of ENGINE.nodes) {
    if (node.isCheck || node.minutes > 1) continue;
    if (random() >= LOOKED_FOR) continue;
    const trouble = truth(node) ? random() >= MISSED : random() < IMAGINED;
    findings[node.id] = trouble !== node.good ? 'present' : 'absent';
  }
  return { causes, input: { ...base, settings: drawSettings(base, causes, random), findings }, truth };
}
