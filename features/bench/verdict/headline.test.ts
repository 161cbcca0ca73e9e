import { answer } from '@/core/answer';
import { EXAMPLE_CASE } from '@/core/cases/example';
import type { Case } from '@/core/case/schema';
import { movesNow, nextSettings } from '@/core/correction/next-settings';
import { headline } from './headline';
import { likelihoodWords, temperColour } from '@/ui/temper';

const balanced: Case = { ...EXAMPLE_CASE, settings: { ...EXAMPLE_CASE.settings, voltageV: 20 } };
const title = (input: Case): string => headline(answer(input), input.findings ?? {}).title;

describe('the headline', () => {
  it('names a cause that stands out', () => {
    expect(headline(answer(EXAMPLE_CASE), EXAMPLE_CASE.findings!)).toEqual(
      expect.objectContaining({ title: 'Voltage too low', kind: 'cause' }),
    );
  });

  it('asks when nothing was tapped, praises what is good, and owns up when no cause stands out', () => {
    expect(title({ ...balanced, findings: {} })).toBe('Ready for a bead');
    expect(title({ ...balanced, rig: {}, findings: {} })).toBe('Tap what the bead shows');
    expect(title({ ...balanced, findings: { 'bead-even': 'present' } })).toBe('Tap what the bead shows');
    expect(title({ ...balanced, findings: { 'bead-even': 'present', 'sound-crisp': 'present' } })).toBe('Looks sound');
    expect(title({ ...balanced, findings: { 'plate-warped': 'present' }, settings: {} })).toBe(
      'No cause stands out yet',
    );
  });

  it('has a word for every likelihood and a colour for every share', () => {
    expect([0.95, 0.7, 0.4, 0.15, 0.02].map(likelihoodWords)).toEqual([
      'very likely',
      'likely',
      'possible',
      'possible',
      'unlikely',
    ]);
    expect(temperColour(0)).not.toBe(temperColour(1));
    expect(temperColour(2)).toBe(temperColour(1));
  });
});

describe('the next bead', () => {
  it('takes one change, all at once, or none when a remedy comes first', () => {
    const { correction } = answer(EXAMPLE_CASE);
    expect(nextSettings(EXAMPLE_CASE.settings!, correction, 'one').voltageV).toBe(correction.settings.voltageV);
    const clogged: Case = { ...balanced, findings: { 'holes-scattered': 'present', 'nozzle-clogged': 'present' } };
    expect(nextSettings(clogged.settings!, answer(clogged).correction, 'one')).toEqual(clogged.settings);
  });

  it('counts wire and volts that move together as one change of heat', () => {
    const cold: Case = {
      ...EXAMPLE_CASE,
      job: { ...EXAMPLE_CASE.job, thicknessMm: 8, otherThicknessMm: 8 },
      settings: { ...EXAMPLE_CASE.settings, voltageV: 17.2, wireSpeedMPerMin: 4.5 },
      findings: { 'bead-ropey': 'present', 'sound-crisp': 'present', 'back-no-mark': 'present' },
    };
    const { correction } = answer(cold);
    const settings = movesNow(correction, 'one').flatMap((move) => (move.kind === 'setting' ? [move.setting] : []));
    expect(settings.sort()).toEqual(['voltageV', 'wireSpeedMPerMin']);
    expect(movesNow(correction, 'all').length).toBeGreaterThanOrEqual(2);
  });

  it('fills in what was not known', () => {
    const unknown: Case = { ...EXAMPLE_CASE, settings: {}, findings: {} };
    expect(nextSettings({}, answer(unknown).correction, 'one').voltageV).toBeGreaterThan(15);
  });
});
