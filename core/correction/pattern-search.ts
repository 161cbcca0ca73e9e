/** A point of the search: a figure for each name. */
export type Point<Name extends string> = { [name in Name]: number };

export type Search<Name extends string> = {
  /** Returns what is to be made small. */
  value: (point: Point<Name>) => number;
  /** Brings a point inside the bounds. */
  clamp: (point: Point<Name>) => Point<Name>;
  /** Points to try from a point at a scale of the strides, 1 down to the finest. */
  neighbours: (point: Point<Name>, scale: number) => Point<Name>[];
  /** Most times the value may be asked for. */
  limit: number;
};

export type Found<Name extends string> = {
  point: Point<Name>;
  value: number;
  /** False when the limit was reached before no neighbour was better. */
  settled: boolean;
};

/** An improvement smaller than this is none. */
const WORTH = 1e-9;

/**
 * Pattern search (Hooke and Jeeves, 1961): go to every neighbour that is better, halve the strides when none is, stop
 * at the finest. For smooth values of few figures, where it needs no derivative and no tuning.
 * @param start where to begin
 * @param strides scale to begin with, 1 or less where the start is known to lie near the bottom, and the finest
 * @returns the best point found, and whether the search came to rest within its limit
 */
export function patternSearch<Name extends string>(
  search: Search<Name>,
  start: Point<Name>,
  { widest, finest }: { widest: number; finest: number },
): Found<Name> {
  let point = search.clamp(start);
  let value = search.value(point);
  let asked = 1;
  for (let scale = widest; scale >= finest; scale /= 2) {
    for (let improved = true; improved;) {
      improved = false;
      for (const neighbour of search.neighbours(point, scale)) {
        if (asked >= search.limit) return { point, value, settled: false };
        const candidate = search.clamp(neighbour);
        const next = search.value(candidate);
        asked += 1;
        if (next >= value - WORTH) continue;
        [point, value, improved] = [candidate, next, true];
        break;
      }
    }
  }
  return { point, value, settled: true };
}
