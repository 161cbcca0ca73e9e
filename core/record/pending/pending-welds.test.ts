import { EXAMPLE_CASE } from '../../cases/example';
import { LEVELS } from '../../inspection/levels';
import type { Change, ChangeOf } from '../change/change';
import type { FieldsOf, ChangeKind } from '../kinds/all';
import type { Bead, Coupon } from '../shapes/record-schema';
import {
  levelsWith,
  provenBegun,
  pendingSavedSettings,
  provenWith,
  weldBegun,
  pendingWelds,
  weldWith,
} from './pending-welds';
import type { Weld } from '../shapes/weld-schema';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const AT = '2026-05-04T10:00:00.000Z';
const waits = <Kind extends ChangeKind>(kind: Kind, of: string, fields: object): ChangeOf<Kind> => ({
  ...{ id: ID(900), kind, of, device: ID(901), madeAt: AT, against: 0 },
  fields: fields as FieldsOf[Kind],
});

const SETUP = { ...{ id: ID(3), rigId: ID(2), fittedAt: AT, arcControlRising: 'softer', display: 'digital' } };
const COUPON = {
  ...{ id: ID(1), rigId: ID(2), rigName: 'Dock set', title: 'Hook', createdAt: AT, putAway: false, revision: 4 },
  job: { id: ID(4), at: AT, job: { ...EXAMPLE_CASE.job, thicknessMm: 6, otherThicknessMm: 6 } },
  jobs: [{ id: ID(4), at: AT, job: { ...EXAMPLE_CASE.job, thicknessMm: 6, otherThicknessMm: 6 } }],
  rig: { ...{ id: ID(2), name: 'Dock set' }, setup: { ...SETUP, rig: EXAMPLE_CASE.rig } },
  setups: [],
  beads: [{ id: ID(5), setupId: ID(3), jobId: ID(4), number: 2, settings: { voltageV: 19 } } as unknown as Bead],
} as unknown as Coupon;
const PROVE = waits('prove', ID(6), {
  couponId: ID(1),
  beadId: ID(5),
  provenAt: AT,
  by: 'Ada',
  how: ['looked'],
  note: '',
});
const WELD = waits('log-weld', ID(7), {
  ...{ provenId: ID(6), title: 'Hinge', weldedAt: AT, by: 'Ada', lengthMm: 200, note: '' },
});
const inspect = (undercutMm: number, id = ID(8)): Change =>
  waits('inspect', ID(7), {
    ...{ id, inspectedAt: AT, by: 'Bo', level: LEVELS[1], note: '' },
    measured: { crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm, legUprightMm: 6, legFlatMm: 6, lengthMm: 200 },
  });
const REPAIR = waits('repair', ID(7), {
  ...{
    id: ID(9),
    inspectionId: ID(8),
    repairedAt: AT,
    by: 'Ada',
    defects: ['undercut'],
    done: [],
    settings: {},
    note: '',
  },
});

describe('a setting that waits to be kept', () => {
  it('is made of the coupon that this device knows, with its bead, job and what was fitted', () => {
    const made = provenBegun(ID(6), [PROVE], [COUPON])!;
    expect(made).toMatchObject({ id: ID(6), couponId: ID(1), title: 'Hook', rigName: 'Dock set', by: 'Ada', welds: 0 });
    expect([made.bead.number, made.setup.id, made.job.thicknessMm]).toEqual([2, ID(3), 6]);
    // Two taps where one was meant are one setting.
    expect(pendingSavedSettings([PROVE, WELD, PROVE])).toEqual([{ id: ID(6), couponId: ID(1) }]);
    expect(pendingWelds([WELD, PROVE, WELD])).toEqual([{ id: ID(7), provenId: ID(6) }]);
  });

  it('is nothing where its bead is not known, or nothing waits', () => {
    expect(provenBegun(ID(6), [PROVE], [])).toBeNull();
    expect(provenBegun(ID(6), [PROVE], [{ ...COUPON, beads: [] }])).toBeNull();
    expect(provenBegun(ID(6), [], [COUPON])).toBeNull();
  });

  it('counts the welds that wait, and takes its own notes alone', () => {
    const made = provenBegun(ID(6), [PROVE, WELD, WELD, waits('change-proven', ID(6), { note: 'Old tip' })], [COUPON])!;
    expect([made.welds, made.note]).toEqual([1, 'Old tip']);
    const other = provenWith(made, [waits('change-proven', ID(99), { putAway: true })]);
    expect(other).toEqual(made);
  });
});

describe('a weld that waits', () => {
  const setting = provenBegun(ID(6), [PROVE], [COUPON])!;
  const weld = (...more: Change[]): Weld => weldBegun(ID(7), [WELD, ...more], [setting])!;

  it('stands on its setting, and goes through inspection and repair as it will on the server', () => {
    expect(weld()).toMatchObject({ title: 'Hinge', state: 'to-inspect', rigId: ID(2), job: { thicknessMm: 6 } });
    expect(weld(inspect(2)).state).toBe('repair');
    expect(weld(inspect(2), REPAIR).state).toBe('to-inspect');
    const sound = weld(inspect(2), REPAIR, inspect(0, ID(10)));
    expect([sound.state, sound.inspections.map(({ judged }) => judged.verdict)]).toEqual([
      'accept',
      ['repair', 'accept'],
    ]);
    expect(weldBegun(ID(7), [WELD], [])).toBeNull();
  });

  it('lays nothing twice over what the server has already, and nothing of another weld', () => {
    const kept = weld(inspect(2), REPAIR);
    expect(weldWith(kept, [inspect(2), REPAIR])).toEqual(kept);
    expect(weldWith(kept, [{ ...inspect(0, ID(11)), of: ID(77) }])).toEqual(kept);
    expect(weldWith(kept, [waits('change-weld', ID(7), { title: 'Hinge 2' })]).title).toBe('Hinge 2');
  });
});

describe('the levels', () => {
  it('are the program’s where none were seen, with what waits of each', () => {
    expect(levelsWith(undefined, [])).toEqual(LEVELS);
    const edited = levelsWith(undefined, [waits('change-level', LEVELS[2].id, { name: 'Fine' })]);
    expect(edited.map(({ name }) => name)).toEqual(['Stopgap', 'Everyday', 'Fine']);
  });
});
