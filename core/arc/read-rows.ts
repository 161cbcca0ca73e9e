/**
 * Straight line between the rows of a table, held level beyond both ends.
 * @param rows sorted by `at`
 * @param at where a row stands
 * @param figure what is read of it
 * @param x where to read
 */
export function readRows<Row>(
  rows: readonly Row[],
  at: (row: Row) => number,
  figure: (row: Row) => number,
  x: number,
): number {
  let next = 0;
  while (next < rows.length && at(rows[next]) < x) next += 1;
  if (next === 0) return figure(rows[0]);
  if (next === rows.length) return figure(rows[next - 1]);
  const [before, after] = [rows[next - 1], rows[next]];
  const share = (x - at(before)) / (at(after) - at(before));
  return figure(before) + share * (figure(after) - figure(before));
}

const diameterOf = ({ diameterMm }: { diameterMm: number }): number => diameterMm;

/** A figure by wire size, as {@link readRows} reads it. @param rows sorted by diameter */
export function readBySize<Row extends { diameterMm: number }>(
  rows: readonly Row[],
  figure: (row: Row) => number,
  diameterMm: number,
): number {
  return readRows(rows, diameterOf, figure, diameterMm);
}
