import { svgPathProperties } from 'svg-path-properties';

export type Point = { x: number; y: number };

/** Points to a segment. An even number, so that its middle is one of them. */
const POINTS = 24;

/** The strokes of a path, each as points along it: both ends of every segment and some between. */
export function strokes(path: string): Point[][] {
  return path
    .split(/(?=M)/)
    .filter((part) => part !== '')
    .map((part) =>
      new svgPathProperties(part)
        .getParts()
        .filter(({ length }) => length > 0)
        .flatMap((segment) => [
          segment.start,
          ...Array.from({ length: POINTS - 1 }, (_, i) =>
            segment.getPointAtLength((segment.length * (i + 1)) / POINTS),
          ),
          segment.end,
        ]),
    );
}

/** All points of a path. */
export const points = (path: string): Point[] => strokes(path).flat();

/** Left, right, upper and lower edge of a path. */
export function box(path: string): { left: number; right: number; upper: number; lower: number } {
  const all = points(path);
  const [xs, ys] = [all.map((point) => point.x), all.map((point) => point.y)];
  return { left: Math.min(...xs), right: Math.max(...xs), upper: Math.min(...ys), lower: Math.max(...ys) };
}
