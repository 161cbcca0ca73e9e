import { EXAMPLE_CASE } from '../case/example';
import { CASE_FORMAT, type Case } from '../case/schema';
import { FINDINGS } from '../knowledge';
import { SOUND_BEAD } from './appearance';
import { beadAppearance } from './appearance-of';

const at = (voltageV: number, findings: Case['findings'] = {}): Case => ({
  ...EXAMPLE_CASE,
  settings: { ...EXAMPLE_CASE.settings, voltageV },
  findings,
});

describe('what a bead looks like', () => {
  it('is narrow and tall under balance, wide and low over it', () => {
    const [low, good, high] = [16, 20.2, 24].map((volts) => beadAppearance(at(volts)));
    expect(low.widthMm).toBeLessThan(good.widthMm);
    expect(good.widthMm).toBeLessThan(high.widthMm);
    expect(low.crownMm).toBeGreaterThan(high.crownMm);
    expect(low.coldLap).toBeGreaterThan(0.5);
    expect(good.coldLap).toBe(0);
    expect(high.undercut).toBeGreaterThan(0);
  });

  it('is a sound bead when nothing is known', () => {
    expect(beadAppearance({ format: CASE_FORMAT })).toEqual(SOUND_BEAD);
  });

  it('carries the mark of every finding that was seen, and none of one that was not', () => {
    for (const { id, drawing, good } of FINDINGS) {
      if (good || drawing === undefined || !('bead' in drawing)) continue;
      const clean = beadAppearance(at(20.2));
      expect(beadAppearance(at(20.2, { [id]: 'absent' }))).toEqual(clean);
      expect(beadAppearance(at(20.2, { [id]: 'present' }))).not.toEqual(clean);
    }
  });

  it('keeps the loudest of two marks: ropey and cold-lapped stays narrow', () => {
    expect(beadAppearance(at(20.2, { 'bead-ropey': 'present', 'toe-cold-lap': 'present' })).widthMm).toBe(5);
  });
});
