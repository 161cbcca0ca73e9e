// Taken out of Math once: in some engines each look into it costs more than the sum.
const { imul } = Math;

/** A repeatable stream of numbers from 0 to 1 (mulberry32). @param seed any whole number */
export function stream(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = imul(state ^ (state >>> 15), 1 | state);
    t = (t + imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
