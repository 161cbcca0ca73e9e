import type { CauseId, StatedId } from '../evidence/ids';
import type { Engine, NetworkNode } from './engine';
import { showsGiven, type LikelySet } from './likely-sets';

/** The top cause that an answer would lead to. */
export type WouldBe = { cause: CauseId; probability: number };

/**
 * A finding or check worth answering next: expected fall in uncertainty about the causes, what it costs, and
 * what the verdict would be after either answer.
 */
export type NextCheck = {
  check: StatedId;
  bits: number;
  minutes: number;
  kind: 'finding' | 'check';
  /** Chance that it is answered as present. */
  chance: number;
  ifPresent: WouldBe | null;
  ifAbsent: WouldBe | null;
};

/** A start-up cost of every question, so that a trivial glance does not beat everything else. */
export const LOOK_MINUTES = 0.4;
/** Nothing that would tell less than this is asked. */
const WORTH_ASKING_BITS = 0.01;

/** Entropy of a yes/no chance in bits, read from a table: it is asked for tens of thousands of times a tap. */
const STEPS = 2048;
const ENTROPY = Float64Array.from({ length: STEPS + 1 }, (_, i) => {
  const p = i / STEPS;
  return p === 0 || p === 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p);
});

/** The likely sets as plain rows: first and second cause (-1 for none) and probability. */
type Rows = { first: Int16Array; second: Int16Array; probability: Float64Array };

function asRows(sets: readonly LikelySet[]): Rows {
  return {
    first: Int16Array.from(sets, ({ causes }) => causes[0] ?? -1),
    second: Int16Array.from(sets, ({ causes }) => causes[1] ?? -1),
    probability: Float64Array.from(sets, ({ probability }) => probability),
  };
}

/** Mutual information of a node and the set of causes, in bits: H(node) - sum over sets of P(set) H(node | set). */
function information({ strength, leak }: NetworkNode, { first, second, probability }: Rows): number {
  const silent = 1 - leak;
  let quietAll = 0;
  let remaining = 0;
  for (let i = 0; i < probability.length; i++) {
    const [a, b] = [first[i], second[i]];
    const quiet = silent * (a < 0 ? 1 : 1 - strength[a]) * (b < 0 ? 1 : 1 - strength[b]);
    quietAll += probability[i] * quiet;
    remaining += probability[i] * ENTROPY[(quiet * STEPS + 0.5) | 0];
  }
  return Math.max(0, ENTROPY[(quietAll * STEPS + 0.5) | 0] - remaining);
}

/** The likeliest cause once a node's answer is known. */
function verdictAfter(
  { causes: known }: Engine,
  node: NetworkNode,
  trouble: boolean,
  sets: readonly LikelySet[],
): WouldBe | null {
  const sums = new Map<number, number>();
  let total = 0;
  for (const { causes, probability } of sets) {
    const chance = showsGiven(node, causes);
    const weight = probability * (trouble ? chance : 1 - chance);
    total += weight;
    for (const c of causes) sums.set(c, (sums.get(c) ?? 0) + weight);
  }
  const best = [...sums].sort((a, b) => b[1] - a[1])[0];
  return best === undefined || total === 0 ? null : { cause: known[best[0]].id, probability: best[1] / total };
}

type Weighed = { node: NetworkNode; bits: number };

/** Everything not yet answered with what it would tell, most per minute first. */
function weigh({ nodes }: Engine, sets: readonly LikelySet[], answered: ReadonlySet<string>): Weighed[] {
  const value = ({ node, bits }: Weighed): number => bits / (node.minutes + LOOK_MINUTES);
  const rows = asRows(sets);
  const likely = sets.flatMap(({ causes }) => (causes.length === 1 ? causes : []));
  return nodes
    .filter(({ id, strength }) => !answered.has(id) && likely.some((c) => strength[c] > 0))
    .map((node) => ({ node, bits: information(node, rows) }))
    .filter(({ bits }) => bits > WORTH_ASKING_BITS)
    .sort((a, b) => value(b) - value(a));
}

/** What to look at or try next, and the findings that would tell the most, for putting their pictures first. */
export type Questions = { nextChecks: NextCheck[]; telling: StatedId[] };

const MOST_CHECKS = 6;
const MOST_TELLING = 12;

/**
 * Expected information per minute over everything not yet answered.
 * @param sets likely sets of causes with their probabilities
 * @param answered ids that the case already states
 */
export function questions(engine: Engine, sets: readonly LikelySet[], answered: ReadonlySet<string>): Questions {
  const weighed = weigh(engine, sets, answered);
  return {
    nextChecks: weighed.slice(0, MOST_CHECKS).map(({ node, bits }) => ({
      check: node.id,
      bits,
      minutes: node.minutes,
      kind: node.isCheck ? 'check' : 'finding',
      chance: sets.reduce((sum, { causes, probability }) => {
        const trouble = showsGiven(node, causes);
        return sum + probability * (node.good ? 1 - trouble : trouble);
      }, 0),
      ifPresent: verdictAfter(engine, node, !node.good, sets),
      ifAbsent: verdictAfter(engine, node, node.good, sets),
    })),
    telling: weighed
      .filter(({ node }) => !node.isCheck)
      .slice(0, MOST_TELLING)
      .map(({ node }) => node.id),
  };
}
