import type { NearSums, NoisyOr } from './noisy-or';

type Touch = { finding: number; strength: number };

/** A cause as the sums take it: its odds, what it touches, and the others that cannot hold with it. */
type NearCause = { odds: number; touches: readonly Touch[]; group: number };

/** The present findings, those with the fewest links first: the sums run through long stretches for the others. */
function byLinks({ odds, silence, miss }: NoisyOr, near: readonly number[]): number[] {
  const links = Array.from(silence, (_, f) => near.filter((cause) => miss[f * odds.length + cause] < 1).length);
  return Array.from(links.keys()).sort((a, b) => links[a] - links[b]);
}

function causesOf({ odds, group, miss }: NoisyOr, near: readonly number[], findings: readonly number[]): NearCause[] {
  return near.map((cause, i) => ({
    odds: odds[cause],
    touches: findings
      .map((f, finding): Touch => ({ finding, strength: 1 - miss[f * odds.length + cause] }))
      .filter(({ strength }) => strength > 0),
    // One that stands alone is a group of its own.
    group: group[cause] >= 0 ? group[cause] : -1 - i,
  }));
}

/** Causes of one group, one after the other. */
function groupsOf(causes: readonly NearCause[]): NearCause[][] {
  const groups = new Map<number, NearCause[]>();
  for (const cause of causes) groups.set(cause.group, [...(groups.get(cause.group) ?? []), cause]);
  return [...groups.values()];
}

/** Adds to `into` what a cause makes of weighted states: each finding it touches it explains, or not. */
function explain({ odds, touches }: NearCause, from: Float64Array, into: Float64Array, scratch: Float64Array): void {
  let source = from;
  for (const { finding, strength } of touches) {
    const bit = 1 << finding;
    for (let first = 0; first < scratch.length; first += 2 * bit) {
      for (let u = first; u < first + bit; u++) {
        const explained = strength * source[u];
        scratch[u + bit] = source[u + bit] + explained;
        scratch[u] = source[u] - explained;
      }
    }
    source = scratch;
  }
  for (let u = 0; u < into.length; u++) into[u] += odds * source[u];
}

/** The same where nothing is explained yet. */
function explainAlone({ odds, touches }: NearCause, into: Float64Array): void {
  const spread = (t: number, state: number, weight: number): void => {
    if (t === touches.length) {
      into[state] += weight;
      return;
    }
    const { finding, strength } = touches[t];
    spread(t + 1, state, weight * (1 - strength));
    spread(t + 1, state + (1 << finding), weight * strength);
  };
  spread(0, 0, odds);
}

/** The weight of every state of explained findings over all pairs of causes that may hold together. */
function pairsByState(groups: readonly NearCause[][], findings: number): Float64Array {
  const [one, two, before, scratch] = Array.from({ length: 4 }, () => new Float64Array(1 << findings));
  for (const group of groups) {
    before.set(one);
    for (const cause of group) {
      explain(cause, before, two, scratch);
      explainAlone(cause, one);
    }
  }
  return two;
}

/** Chance that each finding shows once a cause is there as well. @param chances that it shows without */
function shownWith({ touches }: NearCause, chances: Float64Array): Float64Array {
  const shown = chances.slice();
  for (const { finding, strength } of touches) shown[finding] += strength * (1 - shown[finding]);
  return shown;
}

/** Chance that all findings show, over weighted states of which are explained; the others show by their own chances. */
function allShow(weights: Float64Array, chances: Float64Array, scratch: Float64Array): number {
  let from = weights;
  for (let f = chances.length - 1; f >= 0; f--) {
    const [half, chance] = [1 << f, chances[f]];
    for (let u = 0; u < half; u++) scratch[u] = from[u] * chance + from[u + half];
    from = scratch;
  }
  return from[0];
}

const product = (chances: Float64Array): number => chances.reduce((all, chance) => all * chance, 1);

/** Sum over the causes outside a group of their odds and the chance that all findings show with each. */
function withOneMore(causes: readonly NearCause[], group: number, chances: Float64Array): number {
  const base = product(chances);
  const gain = chances.map((chance) => (1 - chance) / chance);
  let sum = 0;
  for (const cause of causes) {
    if (cause.group === group) continue;
    let weight = cause.odds * base;
    for (const { finding, strength } of cause.touches) weight *= 1 + strength * gain[finding];
    sum += weight;
  }
  return sum;
}

/**
 * The sums over all sets of up to three near causes without going through the sets of three: the weights of all pairs
 * are kept by which findings they explain, and each cause is put to all of them at once. The pairs that it is in itself,
 * or one that it excludes, come off again; that is the one subtraction, of a part from its whole, and costs no more than
 * the last digits. Cost: the causes times two to the power of the findings, and the pairs; `sumBySets` is its
 * counterpart for many findings.
 * @param tail what the far causes add to a set of each size
 */
export function sumByFindings(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const findings = byLinks(network, near);
  const causes = causesOf(network, near, findings);
  const groups = groupsOf(causes);
  const pairs = pairsByState(groups, findings.length);
  const outside = Float64Array.from(findings, (f) => 1 - network.silence[f]);
  const members = new Map(groups.map((group) => [group[0].group, group]));
  const scratch = new Float64Array(pairs.length);
  const bySize = [product(outside), 0, 0, 0];
  const sums = new Float64Array(near.length);
  causes.forEach((cause, i) => {
    const shown = shownWith(cause, outside);
    const own = (members.get(cause.group) ?? []).reduce(
      (sum, held) => sum + held.odds * withOneMore(causes, cause.group, shownWith(held, shown)),
      0,
    );
    const weights = [
      product(shown),
      withOneMore(causes, cause.group, shown),
      Math.max(0, allShow(pairs, shown, scratch) - own),
    ];
    weights.forEach((weight, others) => {
      sums[i] += cause.odds * weight * tail[others + 1];
      // A set of so many is met once from each of its causes.
      bySize[others + 1] += (cause.odds * weight) / (others + 1);
    });
  });
  const total = bySize.reduce((sum, weight, size) => sum + weight * tail[size], 0);
  return { sums, bySize: bySize.slice(0, 3), total };
}
