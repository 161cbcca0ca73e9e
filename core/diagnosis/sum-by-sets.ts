import type { NearSums, NoisyOr } from './noisy-or';

/**
 * The links of the near causes to the present findings, end to end: the i-th owns entries start[i] to start[i + 1]. Those with the
 * most come first, as near[order[i]]: the last of a set is met in every set of three, and should have few.
 */
type Links = { order: number[]; start: Int32Array; finding: Int16Array; strength: Float64Array };

function packLinks({ odds, silence, miss }: NoisyOr, near: readonly number[]): Links {
  const linksOf = (cause: number): { f: number; strength: number }[] => {
    const links = [];
    for (let f = 0; f < silence.length; f++) {
      const strength = 1 - miss[f * odds.length + cause];
      if (strength > 0) links.push({ f, strength });
    }
    return links;
  };
  const all = near.map((cause, place) => ({ place, links: linksOf(cause) }));
  all.sort((a, b) => b.links.length - a.links.length);
  const start = new Int32Array(near.length + 1);
  all.forEach(({ links }, i) => (start[i + 1] = start[i] + links.length));
  const links = all.flatMap((one) => one.links);
  return {
    order: all.map(({ place }) => place),
    start,
    finding: Int16Array.from(links, ({ f }) => f),
    strength: Float64Array.from(links, ({ strength }) => strength),
  };
}

/** The near causes with their links, what is summed up of them, and room to work in. */
type Sums = Links & {
  odds: Float64Array;
  group: Int16Array;
  /** Weight of the far causes that may join a set of two. */
  tailOfTwo: number;
  /** Of each cause the sets that it is in, and of all sets by their size. */
  sums: Float64Array;
  bySize: number[];
  /** Of each finding q_f and r_f with one cause, and r_f with two. */
  quietOne: Float64Array;
  ratioOne: Float64Array;
  ratioTwo: Float64Array;
};

// Each of the three loops is a function of its own: one that is entered for every set is compiled as a whole, while a loop that is
// compiled from its middle on is thrown away at its end, every time.

/** All sets of two causes and one after them. @returns their weight */
function addThird(
  { odds, group, start, finding, strength, ratioTwo, sums }: Sums,
  i: number,
  j: number,
  two: number,
): number {
  const [first, second] = [group[i], group[j]];
  let sum = 0;
  for (let k = j + 1; k < odds.length; k++) {
    const g = group[k];
    if (g >= 0 && (g === first || g === second)) continue;
    let weight = two * odds[k];
    const end = start[k + 1];
    for (let l = start[k]; l < end; l++) weight *= 1 + strength[l] * ratioTwo[finding[l]];
    sums[k] += weight;
    sum += weight;
  }
  return sum;
}

/** All sets of a cause and one or two after it. @returns their weight with what far causes add */
function addSecond(into: Sums, i: number, one: number): number {
  const { odds, group, start, finding, strength, quietOne, ratioOne, ratioTwo, sums, bySize } = into;
  let sum = 0;
  for (let j = i + 1; j < odds.length; j++) {
    if (group[j] >= 0 && group[j] === group[i]) continue;
    ratioTwo.set(ratioOne);
    let two = one * odds[j];
    for (let l = start[j]; l < start[j + 1]; l++) {
      const f = finding[l];
      two *= 1 + strength[l] * ratioOne[f];
      const quiet = quietOne[f] * (1 - strength[l]);
      ratioTwo[f] = quiet / (1 - quiet);
    }
    const three = addThird(into, i, j, two);
    bySize[2] += two;
    bySize[3] += three;
    const both = two * into.tailOfTwo + three;
    sums[j] += both;
    sum += both;
  }
  return sum;
}

/**
 * Sums the weights of all sets of up to three near causes; `tail[k]` is what the far causes add to a set of size k.
 *
 * A set grows by one cause at a time. With q_f the chance that nothing in the set brings f out and r_f = q_f / (1 - q_f),
 * adding a cause multiplies the likelihood by prod (1 + s_cf r_f) over the findings it touches, and q_f by (1 - s_cf).
 * Every factor is positive, and a cause costs only its own links.
 */
export function sumBySets(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const { silence } = network;
  const links = packLinks(network, near);
  const { order, start, finding, strength } = links;
  const room = (): Float64Array => new Float64Array(silence.length);
  const into: Sums = {
    ...links,
    odds: Float64Array.from(order, (place) => network.odds[near[place]]),
    group: Int16Array.from(order, (place) => network.group[near[place]]),
    tailOfTwo: tail[2],
    sums: new Float64Array(near.length),
    bySize: [silence.reduce((product, quiet) => product * (1 - quiet), 1), 0, 0, 0],
    ...{ quietOne: room(), ratioOne: room(), ratioTwo: room() },
  };
  const { odds, sums, bySize, quietOne, ratioOne } = into;
  for (let i = 0; i < near.length; i++) {
    quietOne.set(silence);
    let one = bySize[0] * odds[i];
    for (let l = start[i]; l < start[i + 1]; l++) {
      const f = finding[l];
      one *= 1 + (strength[l] * silence[f]) / (1 - silence[f]);
      quietOne[f] *= 1 - strength[l];
    }
    for (let f = 0; f < silence.length; f++) ratioOne[f] = quietOne[f] / (1 - quietOne[f]);
    bySize[1] += one;
    sums[i] += one * tail[1] + addSecond(into, i, one);
  }
  const total = bySize.reduce((sum, weight, size) => sum + weight * tail[size], 0);
  const inPlace = new Float64Array(near.length);
  order.forEach((place, i) => (inPlace[place] = sums[i]));
  return { sums: inPlace, bySize: bySize.slice(0, 3), total };
}
