import { runOutScale } from './run-out';

describe('a run-out of the wire', () => {
  it('tells the true speed over the set one: 600 mm in six seconds are 6 m/min', () => {
    expect(runOutScale(600, 6, 6)).toBe(1);
    expect(runOutScale(582, 6, 6)).toBe(0.97);
    expect(runOutScale(600, 5, 6)).toBe(1.2);
    expect(runOutScale(300, 3, 6)).toBe(1);
  });

  it('tells nothing where a figure is missing, is none, or cannot be of one run', () => {
    const wrong: [number | null, number | null, number | null][] = [
      [null, 6, 6],
      [600, null, 6],
      [600, 6, null],
      [0, 6, 6],
      [600, 0, 6],
      [600, 6, -1],
      [400, 6, 6],
      [900, 6, 6],
    ];
    for (const typed of wrong) expect(runOutScale(...typed)).toBeNull();
  });
});
