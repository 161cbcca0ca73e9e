import { learnedWords, voltsWords, wireSpeedWords } from './machine-words';

const machine = (offsetV: number, wireScale: number) => ({
  offsetV,
  wireScale,
  sure: { offsetSdV: 0.44, wireScaleSd: 0.031 },
});

describe('a machine in words', () => {
  it('says which way its volts and wire are off, by how much and how sure that is', () => {
    expect(voltsWords(machine(-0.84, 1))).toBe('About 0.8 V less reaches the arc than it shows, give or take 0.4 V.');
    expect(voltsWords(machine(0.84, 1))).toContain('0.8 V more reaches');
    expect(wireSpeedWords(machine(0, 0.95))).toBe('Its wire runs about 5 % slower than set, give or take 3 %.');
    expect(wireSpeedWords(machine(0, 1.05))).toContain('5 % faster');
  });

  it('calls what is next to nothing as shown', () => {
    expect(voltsWords(machine(0.1, 1))).toBe('Its volts reach the arc as shown, give or take 0.4 V.');
    expect(wireSpeedWords({ ...machine(0, 1.01), sure: null })).toBe('Its wire runs as set.');
  });

  it('has a word on the bench only for what stands clear', () => {
    expect(learnedWords(undefined)).toBeNull();
    expect(learnedWords(machine(0.2, 0.99))).toBeNull();
    expect(learnedWords(machine(0.3, 1))).toBe(voltsWords(machine(0.3, 1)));
    expect(learnedWords(machine(-0.5, 0.9))).toBe(
      `${voltsWords(machine(-0.5, 0.9))} ${wireSpeedWords(machine(-0.5, 0.9))}`,
    );
  });
});
