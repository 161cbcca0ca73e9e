/** Where the chart library puts a value: its plot begins at `left` and `top`, and uses three quarters of the height. */
export type ChartBox = { width: number; height: number; left: number; top: number };

export type ChartScale = { x: (value: number) => number; y: (value: number) => number };

/** Share of the height that the library plots on; the rest is for the labels below. */
const PLOT = 3 / 4;

/**
 * The scale of a line chart whose points stand evenly from one end of x to the other.
 * @param box the chart on the screen, in pixels
 * @param points how many
 * @param x ends of the x axis
 * @param y least and most of all that is drawn as lines
 */
export function chartScale(
  { width, height, left, top }: ChartBox,
  points: number,
  x: readonly [number, number],
  y: readonly [number, number],
): ChartScale {
  const perPoint = (width - left) / points;
  return {
    x: (value) => left + ((value - x[0]) / (x[1] - x[0])) * (points - 1) * perPoint,
    y: (value) => (1 - (value - y[0]) / (y[1] - y[0])) * height * PLOT + top,
  };
}
