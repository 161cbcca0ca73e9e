import '@/platform/testing/device';
import { emptyDraft } from '@/core/record/draft/draft';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { replacePlatform } from '@/platform/ports';
import { noteWalk, withWalk } from './walk-today';

const RIG = { id: 'rig', setup: { fittedAt: '2026-05-01T08:00:00.000Z' } } as RigRecord;
const at = (iso: string): void => replacePlatform({ now: () => new Date(iso) });
const carried = (rig: RigRecord = RIG, isFirst = true): object => withWalk(emptyDraft('draft'), rig, isFirst).findings;

beforeEach(() => {
  at('2026-05-04T09:00:00.000Z');
  for (const check of ['check-studs', 'check-nozzle', 'check-gap'] as const) noteWalk('rig', check, 'absent');
});
afterEach(() => replacePlatform(null));

describe('a walk that was made today', () => {
  it('speaks for the first bead of the next coupon by what only a refit changes', () => {
    expect(carried()).toEqual({ 'check-studs': 'absent' });
    expect(carried(RIG, false)).toEqual({});
    expect(carried({ ...RIG, id: 'other' })).toEqual({});
    const stated = withWalk({ ...emptyDraft('draft'), findings: { 'check-studs': 'present' } }, RIG, true);
    expect(stated.findings).toEqual({ 'check-studs': 'present' });
  });

  it('is over the next day, after a refit, and where it was found otherwise since', () => {
    expect(carried({ ...RIG, setup: { ...RIG.setup, fittedAt: '2026-05-04T09:30:00.000Z' } })).toEqual({});
    noteWalk('rig', 'check-studs', 'present');
    expect(carried()).toEqual({});
    noteWalk('rig', 'check-studs', 'absent');
    at('2026-05-05T09:00:00.000Z');
    expect(carried()).toEqual({});
  });
});
