/** A bead of a machine, for counting how worn a part was when it was run. */
export type RanOn = {
  /** When the part was fitted that it was run on; null where nobody said. */
  fittedAt: string | null;
  arcMinutes: number;
  /** Whether it shows what the part causes when it is worn. */
  shows: boolean;
};

export type AgeBin = { fromMin: number; toMin: number; beads: number; showing: number };

/** Bins that are drawn: few enough to be told apart, each with beads enough to mean something. */
const BINS = 6;
const FEWEST = 12;

/** A width that reads well: 1, 2 or 5 times a power of ten, so that so many bins hold the oldest. */
function binWidth(oldest: number): number {
  const raw = Math.max(1, oldest / BINS);
  const power = 10 ** Math.floor(Math.log10(raw));
  return ([1, 2, 5, 10].find((step) => step * power >= raw) ?? 10) * power;
}

/**
 * Beads by how long the arc had burned on a part when they were run, and how many of them show what it causes.
 * @param beads of one machine in the order they were run; welds between them burn the part as well, and are beads that
 *   show nothing and are not counted (`counts` false)
 * @returns bins from a new part on; none where no part is known to have been fitted
 */
export function partAges(beads: readonly (RanOn & { counts: boolean })[]): AgeBin[] {
  let fitted: string | null = null;
  let burned = 0;
  const aged: { age: number; shows: boolean }[] = [];
  for (const { fittedAt, arcMinutes, shows, counts } of beads) {
    if (fittedAt !== fitted) [fitted, burned] = [fittedAt, 0];
    if (fitted !== null && counts) aged.push({ age: burned, shows });
    burned += arcMinutes;
  }
  if (aged.length < FEWEST) return [];
  // The oldest tenth stands together: single beads on a very old part would make bins that mean nothing.
  const ages = aged.map(({ age }) => age).sort((a, b) => a - b);
  const width = binWidth(ages[Math.floor(0.95 * (ages.length - 1))]);
  const bins = Array.from({ length: BINS }, (_, i): AgeBin => ({
    ...{ fromMin: i * width, toMin: (i + 1) * width, beads: 0, showing: 0 },
  }));
  for (const { age, shows } of aged) {
    const bin = bins[Math.min(BINS - 1, Math.floor(age / width))];
    bin.beads += 1;
    if (shows) bin.showing += 1;
  }
  return bins.filter(({ beads: count }) => count > 0);
}
