import type { Outcome } from '../record/shapes/bead-schema';
import { changesOf } from './changes-of-plate';

describe('the judged changes of a plate', () => {
  const run = (voltageV: number, outcome: Outcome | null, fields: object = {}) => ({
    ...{ setupId: 's', settings: { voltageV }, outcome, cured: [] },
    ...fields,
  });
  const of = (...beads: ReturnType<typeof run>[]): string[] =>
    changesOf(beads, 's').map(({ before, after, outcome }) => `${before.voltageV} to ${after.voltageV} ${outcome}`);

  it('are those from bead to bead that were judged, since the last sound one', () => {
    expect(of()).toEqual([]);
    expect(of(run(18, 'worse'))).toEqual([]);
    expect(of(run(18, null), run(19, 'better'), run(20, null), run(21, 'worse'))).toEqual([
      '18 to 19 better',
      '20 to 21 worse',
    ]);
    expect(of(run(18, null), run(19, 'worse'), run(17, 'sound'), run(16, 'same'))).toEqual(['17 to 16 same']);
    expect(of(run(18, null), run(19, 'sound'))).toEqual([]);
  });

  it('are none where something was cured or refitted in between', () => {
    expect(of(run(18, null, { cured: ['tip-worn'] }), run(19, 'worse'))).toEqual([]);
    expect(of(run(18, null, { setupId: 'older' }), run(19, 'worse'))).toEqual([]);
    expect(of(run(18, null), run(19, 'worse', { setupId: 'other' }))).toEqual([]);
    // Beads of an older day say nothing of cures.
    expect(of(run(18, null, { cured: undefined }), run(19, 'worse'))).toEqual(['18 to 19 worse']);
  });
});
