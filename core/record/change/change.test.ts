import { validateChange } from './change';
import { changeWords, fieldWords } from '../words/change-words';
import { isPendingChange } from '../pending/is-pending-change';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const CHANGE = {
  ...{ id: ID(1), kind: 'change-bead', of: ID(2), device: ID(3), madeAt: '2026-05-04T09:00:00.000Z', against: 4 },
  fields: { outcome: 'sound' },
};
const wrong = (change: object): string[] => validateChange(change).problems?.map(({ field }) => field) ?? [];

describe('a change', () => {
  it('is read by its kind, and a wrong field is named as the thing itself names it', () => {
    expect(validateChange(CHANGE)).toEqual({ value: CHANGE, problems: null });
    expect(wrong({ ...CHANGE, fields: { outcome: 'fine' } })).toEqual(['outcome']);
    expect(wrong({ ...CHANGE, kind: 'change-coupon', fields: { title: 'Pin' } })).toEqual([]);
    expect(wrong({ ...CHANGE, kind: 'change-coupon', fields: { note: 'Pin' } })).toContain('note');
    expect(wrong({ ...CHANGE, kind: 'change-rig', fields: { note: 'new tip' } })).toEqual([]);
    expect(wrong({ ...CHANGE, kind: 'begin-rig', fields: {} })).toEqual(expect.arrayContaining(['name', 'setup']));
    expect(wrong({ ...CHANGE, kind: 'log-bead', fields: {} })).toContain('couponId');
    expect(wrong({ ...CHANGE, kind: 'correct-job', fields: { id: ID(4), at: CHANGE.madeAt, job: {} } })).toEqual([]);
    const gas = { argonPct: 90, co2Pct: 30 };
    const refit = { id: ID(4), fittedAt: CHANGE.madeAt, rig: { gas }, arcControlRising: 'softer', display: 'dial' };
    expect(wrong({ ...CHANGE, kind: 'refit', fields: refit })[0]).toMatch(/^rig\.gas/);
  });

  it.each(['id', 'kind', 'of', 'device', 'madeAt', 'against', 'fields'])('needs its %s', (field) => {
    const { [field as 'id']: _, ...rest } = CHANGE;
    expect(wrong(rest)).toEqual([field]);
    expect(isPendingChange(rest)).toBe(false);
  });

  it('takes nothing else, and no revision below none', () => {
    expect(wrong({ ...CHANGE, extra: 1 })).toEqual(['extra']);
    expect(wrong({ ...CHANGE, against: -1 })).toEqual(['against']);
    expect(wrong({ ...CHANGE, kind: 'paint' })).toEqual(['kind']);
    expect(isPendingChange({ ...CHANGE, sure: true })).toBe(true);
  });
});

describe('a change in words', () => {
  const named = { bead: 3, name: 'Hinge' };
  it.each([
    ['log-bead', {}, 'Bead 3 logged'],
    ['change-bead', { outcome: 'same' }, 'Bead 3 judged “no change”'],
    ['change-bead', { outcome: null }, 'Bead 3: judgement taken back'],
    ['change-bead', { note: 'cold toe' }, 'Bead 3 noted: “cold toe”'],
    ['change-bead', { note: '' }, 'Note on bead 3 cleared'],
    ['change-bead', { takenBack: true }, 'Bead 3 taken back'],
    ['change-bead', { outcome: 'sound', note: 'x' }, 'Bead 3 judged “sound”; Bead 3 noted: “x”'],
    ['begin-coupon', { title: 'Pin' }, 'New coupon: Pin'],
    ['begin-coupon', {}, 'New coupon: Hinge'],
    ['change-coupon', { title: 'Pin' }, 'Hinge named “Pin”'],
    ['change-coupon', { putAway: true }, 'Hinge put away'],
    ['change-coupon', { rigId: 'x' }, 'Hinge moved to another rig'],
    ['correct-job', {}, 'Job of Hinge corrected'],
    ['begin-rig', { name: 'Dock' }, 'New rig: Dock'],
    ['change-rig', { putAway: false }, 'Hinge brought back'],
    ['refit', {}, 'Hinge refitted'],
  ] as const)('%s %j', (kind, fields, words) => expect(changeWords({ kind, fields }, named)).toBe(words));

  it('says what it can where the thing is not known', () => {
    const nothing = { bead: null, name: null };
    expect(changeWords({ kind: 'log-bead', fields: {} }, nothing)).toBe('A bead logged');
    expect(changeWords({ kind: 'change-coupon', fields: { title: 'Pin' } }, nothing)).toBe('The coupon named “Pin”');
    expect(changeWords({ kind: 'refit', fields: {} }, nothing)).toBe('The rig refitted');
  });

  it('says what stands in a field', () => {
    expect(fieldWords('outcome', 'same')).toBe('“no change”');
    expect(fieldWords('outcome', null)).toBe('not judged');
    expect(fieldWords('note', '')).toBe('nothing');
    expect(fieldWords('putAway', true)).toBe('put away');
    expect(fieldWords('takenBack', false)).toBe('kept');
    expect(fieldWords('title', 'Pin')).toBe('“Pin”');
  });
});
