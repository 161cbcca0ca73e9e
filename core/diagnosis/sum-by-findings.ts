import type { NearSums, NoisyOr } from './noisy-or';

/** A cause as the sums take it: its odds, what it makes of each finding, and the others that cannot hold with it. */
type NearCause = { odds: number; strengths: Float64Array; touches: readonly number[]; group: number };

/** The present findings, those with the most links first: folding from the last, causes part as late as can be. */
function byLinks({ odds, silence, miss }: NoisyOr, near: readonly number[]): number[] {
  const links = Array.from(silence, (_, f) => near.filter((cause) => miss[f * odds.length + cause] < 1).length);
  return Array.from(links.keys()).sort((a, b) => links[b] - links[a]);
}

function causesOf({ odds, group, miss }: NoisyOr, near: readonly number[], findings: readonly number[]): NearCause[] {
  return near.map((cause, i) => {
    const strengths = Float64Array.from(findings, (f) => 1 - miss[f * odds.length + cause]);
    return {
      odds: odds[cause],
      strengths,
      touches: Array.from(strengths.keys()).filter((f) => strengths[f] > 0),
      // One that stands alone is a group of its own.
      group: group[cause] >= 0 ? group[cause] : -1 - i,
    };
  });
}

/** Tables over the states of explained findings: of single causes, of pairs, and room to work in. */
type Tables = { one: Float64Array; two: Float64Array; before: Float64Array; scratch: Float64Array };

/** Adds to the pairs what a cause makes of the first `states` before it: what it touches it explains, or not. */
function explain({ odds, strengths, touches }: NearCause, states: number, { before, two, scratch }: Tables): void {
  let source = before;
  for (const f of touches) {
    const [bit, strength] = [1 << f, strengths[f]];
    for (let first = 0; first < states; first += 2 * bit) {
      for (let u = first; u < first + bit; u++) {
        const explained = strength * source[u];
        scratch[u + bit] = source[u + bit] + explained;
        scratch[u] = source[u] - explained;
      }
    }
    source = scratch;
  }
  for (let u = 0; u < states; u++) two[u] += odds * source[u];
}

/** The same where nothing is explained yet. */
function explainAlone({ odds, strengths, touches }: NearCause, into: Float64Array): void {
  const spread = (t: number, state: number, weight: number): void => {
    if (t === touches.length) {
      into[state] += weight;
      return;
    }
    const f = touches[t];
    spread(t + 1, state, weight * (1 - strengths[f]));
    spread(t + 1, state + (1 << f), weight * strengths[f]);
  };
  spread(0, 0, odds);
}

/** Returns how many states of explained findings a group of causes reaches. */
const reach = (group: readonly NearCause[]): number => 1 << (Math.max(-1, ...group.flatMap((c) => c.touches)) + 1);

/**
 * The weight of every state of explained findings over all pairs of causes that may hold together. Causes that touch only
 * the first findings come first, while the later ones are explained by none and the tables are still short.
 */
function pairsByState(groups: readonly NearCause[][], findings: number): Float64Array {
  const table = (): Float64Array => new Float64Array(1 << findings);
  const tables: Tables = { one: table(), two: table(), before: table(), scratch: table() };
  const reached = groups.map((group) => ({ group, states: reach(group) })).sort((a, b) => a.states - b.states);
  for (const { group, states } of reached) {
    tables.before.set(tables.one);
    for (const cause of group) {
      explain(cause, states, tables);
      explainAlone(cause, tables.one);
    }
  }
  return tables.two;
}

/** Chance that each finding shows once a cause is there as well. @param chances that it shows without */
function shownWith({ strengths, touches }: NearCause, chances: Float64Array): Float64Array {
  const shown = chances.slice();
  for (const f of touches) shown[f] += strengths[f] * (1 - shown[f]);
  return shown;
}

/** Folds the last bit of a table away: the finding is explained, or shows by its own chance. */
function fold(table: Float64Array, chance: number): Float64Array {
  const folded = new Float64Array(table.length / 2);
  for (let u = 0; u < folded.length; u++) folded[u] = table[2 * u] * chance + table[2 * u + 1];
  return folded;
}

/**
 * For each cause the chance that all findings show, over weighted states of which are explained and with the cause there
 * as well. Findings that a cause does not touch show by the same chance for all such causes, so these fold the table
 * together, finding by finding, and part only where one of them touches it.
 * @param outside chance of each finding to show without any cause
 */
function allShow(causes: readonly NearCause[], table: Float64Array, outside: Float64Array): Float64Array {
  const result = new Float64Array(causes.length);
  const findings = outside.length;
  /** `kept` bits of touched findings stand above the `left` that were not yet met. */
  const part = (members: readonly number[], states: Float64Array, kept: readonly number[], left: number): void => {
    if (members.length === 0) return;
    if (left === 0) {
      for (const i of members) {
        const { strengths } = causes[i];
        const own = kept.reduceRight((from, f) => fold(from, outside[f] + strengths[f] * (1 - outside[f])), states);
        result[i] = own[0];
      }
      return;
    }
    const f = left - 1;
    const half = 1 << f;
    const untouched = new Float64Array(states.length / 2);
    for (let u = 0; u < untouched.length; u++) {
      // Which states of the kept findings, and which of the findings still to come.
      const from = ((u >> f) << left) + (u & (half - 1));
      untouched[u] = states[from] * outside[f] + states[from + half];
    }
    const touch = (i: number): boolean => causes[i].strengths[f] > 0;
    part(
      members.filter((i) => !touch(i)),
      untouched,
      kept,
      f,
    );
    part(members.filter(touch), states, [...kept, f], f);
  };
  part([...causes.keys()], table, [], findings);
  return result;
}

const product = (chances: Float64Array): number => chances.reduce((all, chance) => all * chance, 1);

/**
 * Sum over the causes outside a group of their odds and the chance that all findings show with each.
 * @param gain room for what each finding gains by being touched
 */
function withOneMore(causes: readonly NearCause[], group: number, chances: Float64Array, gain: Float64Array): number {
  const base = product(chances);
  for (let f = 0; f < gain.length; f++) gain[f] = (1 - chances[f]) / chances[f];
  let sum = 0;
  for (let i = 0; i < causes.length; i++) {
    const cause = causes[i];
    if (cause.group === group) continue;
    const { touches, strengths } = cause;
    let weight = cause.odds * base;
    for (let t = 0; t < touches.length; t++) weight *= 1 + strengths[touches[t]] * gain[touches[t]];
    sum += weight;
  }
  return sum;
}

/**
 * The sums over all sets of up to three near causes without going through the sets of three: the weights of all pairs
 * are kept by which findings they explain, and each cause is put to all of them at once. The pairs that it is in itself,
 * or one that it excludes, come off again; that is the one subtraction, of a part from its whole, and costs no more than
 * the last digits. `sumBySets` is its counterpart for few causes with many findings.
 * @param tail what the far causes add to a set of each size
 */
export function sumByFindings(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const findings = byLinks(network, near);
  const causes = causesOf(network, near, findings);
  const outside = Float64Array.from(findings, (f) => 1 - network.silence[f]);
  const groups = new Map<number, NearCause[]>();
  for (const cause of causes) groups.set(cause.group, [...(groups.get(cause.group) ?? []), cause]);
  const withPairs = allShow(causes, pairsByState([...groups.values()], findings.length), outside);
  const gain = outside.slice();
  const bySize = [product(outside), 0, 0, 0];
  const sums = new Float64Array(near.length);
  causes.forEach((cause, i) => {
    const shown = shownWith(cause, outside);
    const own = (groups.get(cause.group) ?? []).reduce(
      (sum, held) => sum + held.odds * withOneMore(causes, cause.group, shownWith(held, shown), gain),
      0,
    );
    const weights = [product(shown), withOneMore(causes, cause.group, shown, gain), Math.max(0, withPairs[i] - own)];
    weights.forEach((weight, others) => {
      sums[i] += cause.odds * weight * tail[others + 1];
      // A set of so many is met once from each of its causes.
      bySize[others + 1] += (cause.odds * weight) / (others + 1);
    });
  });
  const total = bySize.reduce((sum, weight, size) => sum + weight * tail[size], 0);
  return { sums, bySize: bySize.slice(0, 3), total };
}

/** About how many steps `sumByFindings` takes for so many causes, findings and links between them. */
export function stepsByFindings(causes: number, findings: number, links: number): number {
  const touched = findings > 0 ? links / (causes * findings) : 0;
  const states = 2 ** findings;
  // What a cause reaches of the states: half when it leaves the last finding alone, a quarter the last two, and so on.
  const pairs = (states * (links + causes) * 2 * touched) / (1 + touched);
  let folding = 0;
  for (let met = 0; met <= findings; met++) {
    // After so many findings each cause has a table of its own, but there are no more than can differ.
    folding += states * Math.min(causes * ((1 + touched) / 2) ** met, 1.5 ** met);
  }
  return pairs + folding + 2 * causes * (causes + links);
}
