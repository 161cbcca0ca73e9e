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

/**
 * Sums the weights of all sets of up to three near causes; `tail[k]` is what the far causes add to a set of size k.
 *
 * A set grows by one cause at a time. With q_f the chance that nothing in the set brings f out and r_f = q_f / (1 - q_f),
 * adding a cause multiplies the likelihood by prod (1 + s_cf r_f) over the findings it touches, and q_f by (1 - s_cf).
 * Every factor is positive, and a cause costs only its own links.
 */
export function sumBySets(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const { silence } = network;
  const { order, start, finding, strength } = packLinks(network, near);
  const odds = Float64Array.from(order, (place) => network.odds[near[place]]);
  const group = Int16Array.from(order, (place) => network.group[near[place]]);
  const n = near.length;
  const sums = new Float64Array(n);
  const bySize = [silence.reduce((product, quiet) => product * (1 - quiet), 1), 0, 0, 0];
  const quietOne = new Float64Array(silence.length);
  const ratioOne = new Float64Array(silence.length);
  const ratioTwo = new Float64Array(silence.length);
  for (let i = 0; i < n; i++) {
    quietOne.set(silence);
    let weightOne = bySize[0] * odds[i];
    for (let l = start[i]; l < start[i + 1]; l++) {
      const f = finding[l];
      weightOne *= 1 + (strength[l] * silence[f]) / (1 - silence[f]);
      quietOne[f] *= 1 - strength[l];
    }
    for (let f = 0; f < silence.length; f++) ratioOne[f] = quietOne[f] / (1 - quietOne[f]);
    bySize[1] += weightOne;
    let sumOne = weightOne * tail[1];
    for (let j = i + 1; j < n; j++) {
      if (group[j] >= 0 && group[j] === group[i]) continue;
      ratioTwo.set(ratioOne);
      let weightTwo = weightOne * odds[j];
      for (let l = start[j]; l < start[j + 1]; l++) {
        const f = finding[l];
        weightTwo *= 1 + strength[l] * ratioOne[f];
        const quiet = quietOne[f] * (1 - strength[l]);
        ratioTwo[f] = quiet / (1 - quiet);
      }
      bySize[2] += weightTwo;
      let sumThree = 0;
      for (let k = j + 1; k < n; k++) {
        const g = group[k];
        if (g >= 0 && (g === group[i] || g === group[j])) continue;
        let weightThree = weightTwo * odds[k];
        const end = start[k + 1];
        for (let l = start[k]; l < end; l++) weightThree *= 1 + strength[l] * ratioTwo[finding[l]];
        sums[k] += weightThree;
        sumThree += weightThree;
      }
      bySize[3] += sumThree;
      const sumTwo = weightTwo * tail[2] + sumThree;
      sums[j] += sumTwo;
      sumOne += sumTwo;
    }
    sums[i] += sumOne;
  }
  const total = bySize.reduce((sum, weight, size) => sum + weight * tail[size], 0);
  const inPlace = new Float64Array(n);
  order.forEach((place, i) => (inPlace[place] = sums[i]));
  return { sums: inPlace, bySize: bySize.slice(0, 3), total };
}
