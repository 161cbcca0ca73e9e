import { hasFigures, startAnswer } from '../answer';
import { CASE_FORMAT, type Case, type Job, type Preferences } from '../case/schema';

const startOf = (job: Job, preferences: Preferences = {}) => {
  const input: Case = {
    format: CASE_FORMAT,
    job: { baseMetal: 'mild-steel', joint: 'lap', position: 'flat', ...job },
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.8 },
      gas: { argonPct: 82, co2Pct: 18 },
      polarity: 'electrode-positive',
    },
    preferences,
  };
  const start = startAnswer(input);
  if (!hasFigures(start)) throw new Error('held back');
  return start;
};

describe('what another school would do', () => {
  it('is stitching where it is run, and running where it is stitched, on sheet that takes both', () => {
    expect(startOf({ thicknessMm: 1.5 }).otherSides).toEqual([expect.stringMatching(/^Others stitch this sheet/)]);
    expect(startOf({ thicknessMm: 1.5 }, { sheet: 'stitch' }).otherSides).toEqual([
      expect.stringMatching(/^Others run this sheet/),
    ]);
    expect(startOf({ thicknessMm: 1 }).otherSides).toEqual([expect.stringMatching(/^Others run this sheet/)]);
    for (const thicknessMm of [0.7, 2, 3]) expect(startOf({ thicknessMm }).otherSides).toEqual([]);
  });

  it('changes the plan with the school: stitches with their waits, or none', () => {
    expect(startOf({ thicknessMm: 1.5 }, { sheet: 'stitch' }).stitch).not.toBeNull();
    expect(startOf({ thicknessMm: 1.5 }).stitch).toBeNull();
    expect(startOf({ thicknessMm: 1 }, { sheet: 'run' }).stitch).toBeNull();
  });

  it('is the other way on an upright sheet, with the figures that way would be started with', () => {
    const [up, down] = (['vertical-up', 'vertical-down'] as const).map((position) =>
      startOf({ thicknessMm: 2.5, joint: 'fillet', position }),
    );
    expect(up.otherSides).toHaveLength(1);
    const { voltageV, wireSpeedMPerMin } = down.settings;
    expect(up.otherSides[0]).toContain(
      `downhill, at about ${voltageV!.toFixed(1)} V, ${wireSpeedMPerMin!.toFixed(1)} m/min`,
    );
    const pace = Number(/and (\d+) mm\/min/.exec(up.otherSides[0])![1]);
    expect(pace).toBeGreaterThan(up.technique.travelSpeedMmPerMin);
    expect(down.otherSides[0]).toMatch(/^Others weld this sheet uphill/);
    expect(startOf({ thicknessMm: 6, joint: 'fillet', position: 'vertical-up' }).otherSides).toEqual([]);
  });
});
