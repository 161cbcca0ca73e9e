import { CAUSES, CHECKS, FINDINGS } from '../knowledge';
import type { NoisyOr } from './posterior';

/**
 * The knowledge laid out for the sums: one row per finding or check, one column per cause.
 * A good finding's row is that of its opposite.
 */
export type Network = {
  causeIds: readonly string[];
  group: Int16Array;
  nodes: readonly NetworkNode[];
  nodeById: ReadonlyMap<string, NetworkNode>;
};

export type NetworkNode = {
  id: string;
  index: number;
  good: boolean;
  leak: number;
  minutes: number;
  /** Strength of each cause, 0 where there is no link. */
  strength: Float64Array;
};

/** Minutes to answer a finding from a bead just run: a glance, turning the plate, or cutting and etching. */
const MINUTES: Record<string, number> = { see: 0.15, hear: 0.3, feel: 0.3, behind: 0.3, cut: 15 };

function buildNetwork(): Network {
  const groups = [...new Set(CAUSES.flatMap((cause) => cause.exclusive ?? []))];
  const entries = [
    ...FINDINGS.map(({ id, leak, sense, good }) => ({ id, leak, good: good === true, minutes: MINUTES[sense] })),
    ...CHECKS.map(({ id, leak, minutes }) => ({ id, leak, good: false, minutes })),
  ];
  const nodes = entries.map((entry, index): NetworkNode => ({
    ...entry,
    index,
    strength: new Float64Array(CAUSES.length),
  }));
  const nodeById = new Map(nodes.map((node) => [node.id, node]));
  CAUSES.forEach((cause, column) => {
    const links = [...cause.links, [cause.check, cause.checkStrength ?? 0.9] as const];
    for (const [id, strength] of links) {
      const node = nodeById.get(id);
      if (node === undefined)
        throw new RangeError(`cause "${cause.id}" links to "${id}", which is no finding or check`);
      node.strength[column] = Math.max(node.strength[column], strength);
    }
  });
  return {
    causeIds: CAUSES.map(({ id }) => id),
    group: Int16Array.from(CAUSES, ({ exclusive }) => (exclusive === undefined ? -1 : groups.indexOf(exclusive))),
    nodes,
    nodeById,
  };
}

/** The network of the whole knowledge, built once. */
export const NETWORK: Network = buildNetwork();

/** Evidence as the network holds it: rows where trouble shows and rows where it is known not to. */
export type Observed = { present: NetworkNode[]; absent: NetworkNode[] };

/**
 * Sorts a case's findings into trouble seen and trouble known not to be there; a good finding turns round.
 * The order is the lexicon's, so the order of taps cannot matter.
 * @param findings state by finding or check id; "unknown" counts as not stated
 * @throws RangeError for an unknown id
 */
export function observe(
  findings: Record<string, 'present' | 'absent' | 'unknown'>,
  network: Network = NETWORK,
): Observed {
  const observed: Observed = { present: [], absent: [] };
  for (const id of Object.keys(findings)) {
    if (!network.nodeById.has(id)) throw new RangeError(`there is no finding "${id}"`);
  }
  for (const node of network.nodes) {
    const state = findings[node.id] ?? 'unknown';
    if (state === 'unknown') continue;
    const trouble = (state === 'present') !== node.good;
    (trouble ? observed.present : observed.absent).push(node);
  }
  return observed;
}

/**
 * The eye that reports findings: it overlooks some trouble and imagines a little. Source: inspection studies put
 * visual detection of clear weld defects at about nine in ten; the false share is kept small, for tapping takes intent.
 * For what is seen this raises the leak; for what is not, it lets a cause off a little.
 */
export const EYE = { overlooks: 0.1, imagines: 0.01 };
const TRUSTED = 1 - EYE.overlooks - EYE.imagines;

/** How much of a link's strength an absence speaks with. */
export function absentStrength(strength: number): number {
  return TRUSTED * strength;
}

/**
 * Puts evidence and the odds of each cause into the form the sums take.
 * @param odds of each cause from prior and figures
 * @param observed trouble seen and trouble absent
 */
export function noisyOr(odds: Float64Array, observed: Observed, network: Network = NETWORK): NoisyOr {
  const count = odds.length;
  const withAbsent = Float64Array.from(odds, (value, c) =>
    observed.absent.reduce((product, node) => product * (1 - absentStrength(node.strength[c])), value),
  );
  const miss = new Float64Array(observed.present.length * count);
  observed.present.forEach((node, f) => node.strength.forEach((strength, c) => (miss[f * count + c] = 1 - strength)));
  return {
    odds: withAbsent,
    group: network.group,
    silence: Float64Array.from(observed.present, ({ leak }) => ((1 - leak) * TRUSTED) / (1 - EYE.overlooks)),
    miss,
  };
}
