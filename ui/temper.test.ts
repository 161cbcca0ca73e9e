import palette from './temper.json';
import { likelihoodWords, temperColour } from './temper';

describe('the temper scale', () => {
  const colours = Object.values(palette.temper);

  it('runs from the first colour to the last, and stays inside', () => {
    expect(temperColour(0)).toBe(colours[0]);
    expect(temperColour(1)).toBe(colours[colours.length - 1]);
    expect(temperColour(-1)).toBe(colours[0]);
    expect(temperColour(2)).toBe(colours[colours.length - 1]);
    const met = Array.from({ length: 101 }, (_, i) => temperColour(i / 100));
    expect([...new Set(met)]).toEqual(colours);
  });

  it('has a word for every chance, each from its own limit up', () => {
    expect([0, 0.1, 0.3, 0.6, 0.85].map(likelihoodWords)).toEqual([
      'unlikely',
      'possible',
      'possible',
      'likely',
      'very likely',
    ]);
    expect([0.099, 0.299, 0.599, 0.849].map(likelihoodWords)).toEqual(['unlikely', 'possible', 'possible', 'likely']);
  });
});
