import { CAUSES } from '../knowledge';
import { carriedFindings, curedBy } from './carried';

const checkOf = (id: string) => CAUSES.find((cause) => cause.id === id)!.check;

describe('what is known of the next bead', () => {
  it('is what was looked at on the rig, and nothing that the last bead itself showed', () => {
    const findings = {
      'bead-ropey': 'present',
      [checkOf('tip-worn')]: 'absent',
      [checkOf('gas-leak')]: 'present',
    } as const;
    expect(carriedFindings(findings, [])).toEqual({
      [checkOf('tip-worn')]: 'absent',
      [checkOf('gas-leak')]: 'present',
    });
  });

  it('is that what was cured is no longer so', () => {
    expect(carriedFindings({ [checkOf('gas-leak')]: 'present' }, ['gas-leak'])).toEqual({
      [checkOf('gas-leak')]: 'absent',
    });
    expect(carriedFindings({}, ['nozzle-blocked'])).toEqual({ [checkOf('nozzle-blocked')]: 'absent' });
    // A trial of the knobs is no look, and an id of another day says nothing.
    expect(carriedFindings({ [checkOf('voltage-low')]: 'present' }, ['voltage-low', 'retired-cause'])).toEqual({});
  });

  it('takes the cures from the moves that were made', () => {
    expect(
      curedBy([{ kind: 'remedy', cause: 'gas-leak' }, { kind: 'setting', cause: 'x' }, { kind: 'remedy' }]),
    ).toEqual(['gas-leak']);
  });
});
