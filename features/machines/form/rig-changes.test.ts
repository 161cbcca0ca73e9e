import type { NewRig, RigRecord } from '@/core/record/shapes/record-schema';
import { forgetMemory } from '@/platform/stored';
import { rigChanges } from './rig-changes';

beforeEach(forgetMemory);
const setup = { id: 'setup', fittedAt: 'x', rig: {}, arcControlRising: 'softer', display: 'dial' } as NewRig['setup'];
const KEPT = { id: 'r', name: 'Dock', note: '', putAway: false, setup, revision: 7 } as unknown as RigRecord;
const made = (change: Partial<NewRig> = {}, from: RigRecord | null = KEPT) =>
  rigChanges({ id: 'r', name: 'Dock', note: '', setup, ...change }, from).map(({ kind, of, fields, against }) => ({
    ...{ kind, of, fields, against },
  }));

describe('what the rig form changes', () => {
  it('is only what was changed, against what the form began with', () => {
    expect(made()).toEqual([]);
    expect(made({ note: 'new tip' })).toEqual([
      { kind: 'change-rig', of: 'r', fields: { note: 'new tip' }, against: 7 },
    ]);
    expect(made({ name: 'Anvil' })[0].fields).toEqual({ name: 'Anvil' });
    const next = { ...setup, id: 'setup-2' };
    expect(made({ name: 'Anvil', setup: next }).map(({ kind }) => kind)).toEqual(['change-rig', 'refit']);
    expect(made({ setup: next })).toEqual([{ kind: 'refit', of: 'r', fields: next, against: 7 }]);
  });

  it('of a new rig is all of it', () =>
    expect(made({}, null)).toEqual([
      { kind: 'begin-rig', of: 'r', fields: { name: 'Dock', note: '', setup }, against: 0 },
    ]));
});
