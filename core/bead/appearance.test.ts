import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT, type Case } from '../case/schema';
import { FINDINGS, marksOf } from '../knowledge';
import { SOUND_BEAD, type BeadAppearance } from './appearance';
import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import { beadAppearance } from './appearance-of';

const drawn = (input: Case): BeadAppearance => {
  const setup = arcSetup(input);
  const settings = input.settings ?? {};
  return beadAppearance(setup, readArc(setup, settings), settings, marksOf(input.findings ?? {}));
};

const at = (voltageV: number, findings: Case['findings'] = {}): Case => ({
  ...EXAMPLE_CASE,
  settings: { ...EXAMPLE_CASE.settings, voltageV },
  findings,
});

describe('what a bead looks like', () => {
  it('is narrow and tall under balance, wide and low over it', () => {
    const [low, good, high] = [16, 20.2, 24].map((volts) => drawn(at(volts)));
    expect(low.widthMm).toBeLessThan(good.widthMm);
    expect(good.widthMm).toBeLessThan(high.widthMm);
    expect(low.crownMm).toBeGreaterThan(high.crownMm);
    expect(low.coldLap).toBeGreaterThan(0.5);
    expect(good.coldLap).toBe(0);
    expect(high.undercut).toBeGreaterThan(0);
  });

  it('is a sound bead when nothing is known', () => {
    expect(drawn({ format: CASE_FORMAT })).toEqual(SOUND_BEAD);
  });

  it('carries the mark of every finding that was seen, and none of one that was not', () => {
    for (const { id, drawing, good } of FINDINGS) {
      if (good || drawing === undefined || !('bead' in drawing)) continue;
      const clean = drawn(at(20.2));
      expect(drawn(at(20.2, { [id]: 'absent' }))).toEqual(clean);
      expect(drawn(at(20.2, { [id]: 'present' }))).not.toEqual(clean);
    }
  });

  it('keeps the loudest of two marks: ropey and cold-lapped stays narrow', () => {
    expect(drawn(at(20.2, { 'bead-ropey': 'present', 'toe-cold-lap': 'present' })).widthMm).toBe(5);
  });
});
