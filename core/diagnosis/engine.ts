import type { Experience, Suspect } from '../case/schema';
import { isCheckId, type CauseId, type StatedId } from '../evidence/ids';
import { afterBeads, type Belief } from './belief';
import type { Cause, Finding, Knowledge, Sense, Strength } from '../knowledge/shapes/types';
import { fingerprint } from './fingerprint';

/**
 * Knowledge laid out for the sums: one row per finding or check, one column per cause. A good finding's row is that
 * of its opposite. An engine is a value: build one from any knowledge with {@link compile}.
 */
export type Engine = {
  knowledge: Knowledge;
  causes: readonly Cause[];
  /** Chance of each cause before anything is known of the case, by column. */
  priors: readonly Belief[];
  /** How many times likelier than usual each cause is on this rig, by column; 1 without experience. */
  taught: readonly number[];
  /** How many times likelier than usual the beads before make a cause, as odds, by column. */
  suspected: ReadonlyMap<number, number>;
  /** The same by what the changes between them did. */
  changed: ReadonlyMap<number, number>;
  /** Causes with the same number (>= 0) exclude each other; -1 for none. */
  group: Int16Array;
  nodes: readonly NetworkNode[];
  nodeById: ReadonlyMap<string, NetworkNode>;
  columnById: ReadonlyMap<string, number>;
  /** Name of this knowledge, for a record of what judged a bead. */
  version: string;
};

export type NetworkNode = {
  id: StatedId;
  index: number;
  good: boolean;
  isCheck: boolean;
  leak: number;
  minutes: number;
  /** Strength of each cause, 0 where there is no link. */
  strength: Float64Array;
  /** How many beads each strength is worth. */
  weight: Float64Array;
};

/** What a strength written down without a weight is worth: the judgement of a hand that has seen some thirty such beads. */
const LINK_WEIGHT = 30;
/** What a prior is worth: a shop's memory of its last hundred bad beads. */
const PRIOR_WEIGHT = 100;
/**
 * Chance that a check that was made shows a fault which is not there. So small that what it shows has to be explained by a cause that it
 * is a sign of: a trial that came out outweighs what was only likely.
 */
const CHECK_LEAK = 1e-5;
/** Chance that a check shows its fault when it is there, where none is stated. */
const CHECK_STRENGTH = 0.9;

/** Minutes to answer a finding from a bead just run: a glance, turning the plate, or cutting and etching. */
const MINUTES: Record<Sense, number> = { see: 0.15, hear: 0.3, feel: 0.3, behind: 0.3, cut: 15 };

const belief = (strength: Strength, weight: number): Belief =>
  typeof strength === 'number' ? { mean: strength, weight } : strength;

type Entry = Pick<NetworkNode, 'id' | 'good' | 'leak' | 'minutes'>;
const findingEntry = ({ id, good, leak, sense }: Finding): Entry => ({
  id,
  good: good === true,
  leak,
  minutes: MINUTES[sense],
});

/** Writes the links of one cause into its column. */
function addColumn(cause: Cause, column: number, nodeById: ReadonlyMap<string, NetworkNode>): void {
  const links: (readonly [StatedId, Strength])[] = [
    ...cause.links.map(([id, strength]) => [id, strength] as const),
    [cause.check, cause.checkStrength ?? CHECK_STRENGTH],
  ];
  for (const [id, strength] of links) {
    const node = nodeById.get(id);
    if (node === undefined) throw new RangeError(`cause "${cause.id}" links to "${id}", which is no finding or check`);
    const { mean, weight } = belief(strength, LINK_WEIGHT);
    if (mean <= node.strength[column]) continue;
    node.strength[column] = mean;
    node.weight[column] = weight;
  }
}

/**
 * Lays knowledge out for the sums.
 * @param knowledge findings, checks and causes; a small one will do
 * @param version what else judged a bead, such as the coefficients of the arc model; becomes part of the engine's version
 * @throws RangeError when a cause links to what is no finding or check of this knowledge
 */
export function compile(knowledge: Knowledge, version = ''): Engine {
  const { findings, checks, causes } = knowledge;
  const groups = [...new Set(causes.flatMap(({ exclusive }) => exclusive ?? []))];
  const entries = [
    ...findings.map(findingEntry),
    ...checks.map(({ id, minutes }): Entry => ({ id, leak: CHECK_LEAK, minutes, good: false })),
  ];
  const nodes = entries.map((entry, index): NetworkNode => ({
    ...entry,
    index,
    isCheck: isCheckId(entry.id),
    strength: new Float64Array(causes.length),
    weight: new Float64Array(causes.length),
  }));
  const nodeById = new Map<string, NetworkNode>(nodes.map((node) => [node.id, node]));
  causes.forEach((cause, column) => addColumn(cause, column, nodeById));
  return {
    knowledge,
    causes,
    priors: causes.map(({ prior }) => belief(prior, PRIOR_WEIGHT)),
    taught: causes.map(() => 1),
    suspected: new Map(),
    changed: new Map(),
    group: Int16Array.from(causes, ({ exclusive }) => (exclusive === undefined ? -1 : groups.indexOf(exclusive))),
    nodes,
    nodeById,
    columnById: new Map(causes.map(({ id }, column) => [id, column])),
    version: `${fingerprint(knowledge)}${version === '' ? '' : `-${version}`}`,
  };
}

/**
 * The engine as a rig's experience leaves it: chances and strengths moved by what was counted on it. The engine it is
 * made from stays as it is.
 * @throws RangeError for a cause or finding that the knowledge does not hold
 */
export function taughtBy(engine: Engine, { causes = [], links = [], suspects = [], changes = [] }: Experience): Engine {
  const nodes = engine.nodes.map((node) => ({ ...node, strength: node.strength.slice(), weight: node.weight.slice() }));
  const nodeById = new Map<string, NetworkNode>(nodes.map((node) => [node.id, node]));
  const priors = [...engine.priors];
  const taught = [...engine.taught];
  for (const { cause, confirmed, beads } of causes) {
    const column = columnOf(engine, cause);
    priors[column] = afterBeads(priors[column], confirmed, beads);
    taught[column] = priors[column].mean / engine.priors[column].mean;
  }
  for (const { cause, stated, shown, looked } of links) {
    const node = nodeById.get(stated);
    if (node === undefined) throw new RangeError(`there is no finding "${stated}"`);
    const column = columnOf(engine, cause);
    const after = afterBeads(
      { mean: node.strength[column], weight: node.weight[column] || LINK_WEIGHT },
      shown,
      looked,
    );
    node.strength[column] = after.mean;
    node.weight[column] = after.weight;
  }
  // A draft may be older than the knowledge: what that no longer holds cannot be suspected.
  const byColumn = (all: readonly Suspect[]): ReadonlyMap<number, number> =>
    new Map(
      all.flatMap(({ cause, times }) => {
        const column = engine.columnById.get(cause);
        return column === undefined ? [] : [[column, times] as const];
      }),
    );
  return {
    ...{ ...engine, priors, taught, nodes, nodeById },
    ...{ suspected: byColumn(suspects), changed: byColumn(changes) },
  };
}

/** Column of a cause. @throws RangeError for an id that the knowledge does not hold */
export function columnOf(engine: Engine, cause: string): number {
  const column = engine.columnById.get(cause);
  if (column === undefined) throw new RangeError(`there is no cause "${cause}"`);
  return column;
}

/** Returns what is known of a cause. @throws RangeError for an id that the knowledge does not hold */
export function causeOf(engine: Engine, cause: CauseId): Cause {
  return engine.causes[columnOf(engine, cause)];
}
