import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import type { FieldEvidence } from '../evidence/table';
import { meanOf } from '../knowledge/strength';
import type { Circumstance } from '../knowledge/shapes/types';
import type { Engine } from './engine';

/** How a factor on a prior is named as evidence. */
export type PriorEvidence = { evidence: FieldEvidence; factor: number; because: string };

const among = (list: readonly string[] | undefined, value: string | undefined): boolean =>
  list === undefined || (value !== undefined && list.includes(value));

/**
 * Returns whether a case matches a circumstance. Unknown never matches: what is missing is not assumed.
 * @param when named fields must all match, a list means any of
 */
export function matches(
  when: Circumstance,
  input: Pick<Case, 'job' | 'rig'>,
  { usesGas }: Pick<ArcSetup, 'usesGas'>,
): boolean {
  const { job = {}, rig = {} } = input;
  const thin = job.thicknessMm === undefined ? undefined : Math.min(job.thicknessMm, job.otherThicknessMm ?? Infinity);
  const thick = job.thicknessMm === undefined ? undefined : Math.max(job.thicknessMm, job.otherThicknessMm ?? 0);
  return (
    among(when.process, rig.process) &&
    among(when.wireClass, rig.wire?.class) &&
    among(when.baseMetal, job.baseMetal) &&
    (when.surface === undefined || (job.surface ?? []).some((surface) => when.surface?.includes(surface))) &&
    among(when.joint, job.joint) &&
    among(when.position, job.position) &&
    among(when.draught, job.draught) &&
    among(when.workpiece, job.workpiece) &&
    among(when.place, job.place) &&
    among(when.critical, job.critical) &&
    (when.thinUpToMm === undefined || (thin !== undefined && thin <= when.thinUpToMm)) &&
    (when.thickFromMm === undefined || (thick !== undefined && thick >= when.thickFromMm)) &&
    (when.unequal === undefined || (thin !== undefined && thick !== undefined && thick >= 1.8 * thin)) &&
    (when.gapFromMm === undefined || (job.gapMm !== undefined && job.gapMm >= when.gapFromMm)) &&
    (when.notPulse === undefined || rig.mode !== 'pulse') &&
    (when.pulse === undefined || rig.mode === 'pulse') &&
    (when.noGas === undefined || !usesGas)
  );
}

/** Returns what a circumstance is about, as an evidence id: the field of the case it looks at. */
function evidenceOf(when: Circumstance): FieldEvidence {
  if (when.surface) return 'job:surface';
  if (when.draught) return 'job:draught';
  if (when.joint) return 'job:joint';
  if (when.position) return 'job:position';
  if (when.baseMetal) return 'job:baseMetal';
  if (when.thinUpToMm ?? when.thickFromMm ?? when.unequal) return 'job:thicknessMm';
  if (when.gapFromMm) return 'job:gapMm';
  if (when.place) return 'job:place';
  return 'rig:wire';
}

/** Returns what causes bring out in these circumstances alone, by finding: the column of the cause and how strongly. */
function linksHere(engine: Engine, input: Case, setup: ArcSetup): Map<string, (readonly [number, number])[]> {
  const strengths = new Map<string, (readonly [number, number])[]>();
  engine.causes.forEach(({ linksWhen = [] }, column) => {
    for (const { when, links } of linksWhen) {
      if (!matches(when, input, setup)) continue;
      for (const [id, strength] of links)
        strengths.set(id, [...(strengths.get(id) ?? []), [column, meanOf(strength)] as const]);
    }
  });
  return strengths;
}

/**
 * The engine with the chances of each finding as they are on this job and rig: white powder beside a self-shielded bead
 * tells nothing, and too many volts make holes with a tubular wire. The engine it is made from stays as it is.
 */
export function inCircumstances(engine: Engine, input: Case, setup: ArcSetup): Engine {
  const changed = new Map(
    engine.knowledge.findings.flatMap(({ id, leakWhen }) =>
      leakWhen !== undefined && matches(leakWhen.when, input, setup) ? [[id as string, leakWhen.leak] as const] : [],
    ),
  );
  const linked = linksHere(engine, input, setup);
  if (changed.size + linked.size === 0) return engine;
  const nodes = engine.nodes.map((node) => {
    const stronger = linked.get(node.id);
    const here = { ...node, leak: changed.get(node.id) ?? node.leak };
    if (stronger === undefined) return here;
    const strength = node.strength.slice();
    for (const [column, mean] of stronger) strength[column] = Math.max(strength[column], mean);
    return { ...here, strength };
  });
  return { ...engine, nodes, nodeById: new Map(nodes.map((node) => [node.id, node])) };
}

/** Returns what the beads before on this plate say of a cause. @param times how many times likelier they make it, as odds */
function fromBeads(times: number): PriorEvidence {
  const because =
    times > 1 ? 'the beads before on this plate point to it' : 'the beads before on this plate speak against it';
  return { evidence: 'coupon:beads', factor: times, because };
}

function fromChanges(times: number): PriorEvidence {
  const because =
    times > 1 ? 'what was changed on this plate points to it' : 'a change that would have helped against it did not';
  return { evidence: 'coupon:changes', factor: times, because };
}

/** With several beads a cause may begin surer than circumstances alone can make it. */
const HIGHEST_SUSPECTED = 0.8;

/** Highest chance a prior can be raised to by circumstances alone: even galvanised plate is sometimes well stripped. */
const HIGHEST_PRIOR = 0.6;

/**
 * The chance of a cause before anything is seen on this job and rig, and what raised or lowered it.
 * Of several factors about the same field the strongest holds, so that "rust and oil" does not count twice.
 * @param column of the cause
 * @param input the case
 * @returns prior 0 to 0.6, to 0.8 where beads before on the plate spoke, with the factors that apply
 */
export function priorOf(
  engine: Engine,
  column: number,
  input: Case,
  setup: ArcSetup,
): { prior: number; factors: PriorEvidence[] } {
  const cause = engine.causes[column];
  const byField = new Map<string, PriorEvidence>();
  for (const { when, factor, because } of cause.priorFactors ?? []) {
    if (!matches(when, input, setup)) continue;
    const evidence = evidenceOf(when);
    const held = byField.get(evidence);
    const stronger = held === undefined || Math.abs(Math.log(factor || 1e-9)) > Math.abs(Math.log(held.factor || 1e-9));
    if (stronger) byField.set(evidence, { evidence, factor, because });
  }
  const ofJob = [...byField.values()];
  const prior = ofJob.reduce((product, { factor }) => product * factor, engine.priors[column].mean);
  const taught = engine.taught[column];
  const because = taught > 1 ? 'it was the cause on this rig before' : 'it was seldom the cause on this rig';
  const factors = taught === 1 ? ofJob : [...ofJob, { evidence: 'rig:experience' as const, factor: taught, because }];
  const usual = Math.min(HIGHEST_PRIOR, prior);
  const [beads, changes] = [engine.suspected.get(column), engine.changed.get(column)];
  if (beads === undefined && changes === undefined) return { prior: usual, factors };
  const odds = ((beads ?? 1) * (changes ?? 1) * usual) / (1 - usual);
  return {
    prior: Math.min(HIGHEST_SUSPECTED, odds / (1 + odds)),
    factors: [
      ...factors,
      ...(beads === undefined ? [] : [fromBeads(beads)]),
      ...(changes === undefined ? [] : [fromChanges(changes)]),
    ],
  };
}
