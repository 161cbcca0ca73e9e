import { NETWORK, type NetworkNode } from './network';
import type { NoisyOr, Posterior } from './posterior';

/** A finding or check worth answering next: expected fall in uncertainty about the causes, and what it costs. */
export type NextCheck = { check: string; bits: number; minutes: number; kind: 'finding' | 'check' };

/** Causes carried into the estimate; the rest together rarely hold more than a few per cent. */
const MOST_LIKELY = 22;
/** A start-up cost of every question, so that a trivial glance does not beat everything else. */
const OVERHEAD_MINUTES = 0.4;

type LikelySet = { causes: number[]; probability: number };

/** The sets of up to two of the likeliest causes with their probabilities, scaled to sum to 1. */
function likelySets({ odds, group, silence, miss }: NoisyOr, marginals: Float64Array): LikelySet[] {
  const count = odds.length;
  const top = Array.from(marginals.keys())
    .filter((c) => odds[c] > 0)
    .sort((a, b) => marginals[b] - marginals[a])
    .slice(0, MOST_LIKELY);
  const weight = (causes: number[]): number => {
    let product = causes.reduce((odd, c) => odd * odds[c], 1);
    for (let f = 0; f < silence.length; f++) {
      product *= 1 - causes.reduce((quiet, c) => quiet * miss[f * count + c], silence[f]);
    }
    return product;
  };
  const sets: LikelySet[] = [{ causes: [], probability: weight([]) }];
  top.forEach((a, i) => {
    sets.push({ causes: [a], probability: weight([a]) });
    for (const b of top.slice(i + 1)) {
      if (group[a] < 0 || group[a] !== group[b]) sets.push({ causes: [a, b], probability: weight([a, b]) });
    }
  });
  const total = sets.reduce((sum, { probability }) => sum + probability, 0);
  return sets.map((set) => ({ ...set, probability: set.probability / total }));
}

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Mutual information of a node and the set of causes, in bits: H(node) - sum over sets of P(set) H(node | set). */
function information(node: NetworkNode, sets: readonly LikelySet[]): number {
  let shows = 0;
  let remaining = 0;
  for (const { causes, probability } of sets) {
    let quiet = 1 - node.leak;
    for (const c of causes) quiet *= 1 - node.strength[c];
    shows += probability * (1 - quiet);
    remaining += probability * entropy(quiet);
  }
  return Math.max(0, entropy(shows) - remaining);
}

/**
 * What to look at or try next: expected information per minute over everything not yet answered.
 * @param network odds and present findings
 * @param result its posterior
 * @param answered ids that the case already states
 * @param most how many to return
 * @returns best first; nothing that would tell less than a hundredth of a bit
 */
export function nextChecks(network: NoisyOr, result: Posterior, answered: ReadonlySet<string>, most = 6): NextCheck[] {
  const sets = likelySets(network, result.marginals);
  const value = ({ bits, minutes }: NextCheck): number => bits / (minutes + OVERHEAD_MINUTES);
  return NETWORK.nodes
    .filter(({ id }) => !answered.has(id))
    .map((node): NextCheck => ({
      check: node.id,
      bits: information(node, sets),
      minutes: node.minutes,
      kind: node.id.startsWith('check-') ? 'check' : 'finding',
    }))
    .filter(({ bits }) => bits > 0.01)
    .sort((a, b) => value(b) - value(a))
    .slice(0, most);
}
