import { startOn } from './testing/jobs';
import { CASE_FORMAT } from '../case/terms';
import type { Case } from '../case/schema';
import { RIGS } from '../cases/rigs';

const plug = (thicknessMm: number, some: object = {}) =>
  startOn({
    format: CASE_FORMAT,
    rig: RIGS.mix09,
    job: { joint: 'plug', thicknessMm, ...some },
  } as Case);

describe('a plug weld', () => {
  it('has a hole that the arc gets to the bottom of, 8 mm over the plate and 6 over sheet', () => {
    expect([0.8, 1.5, 2, 3, 6].map((thick) => plug(thick).plug!.holeMm)).toEqual([7, 8, 8, 11, 14]);
    // The upper sheet has the hole: the thinner of two.
    expect(plug(6, { otherThicknessMm: 1 }).plug!.holeMm).toBe(7);
  });

  it('is filled in the time that its metal takes: 11 mm in 3 mm plate is 285 mm3 and its crown, some 6 s', () => {
    const { plug: plan, settings } = plug(3);
    const perSecond = ((Math.PI / 4) * 0.81 * settings.wireSpeedMPerMin! * 1000 * 0.95) / 60;
    expect(plan!.fillS).toBe(Math.round((1.25 * 285) / perSecond));
    expect(plan!.fillS).toBeGreaterThan(3);
    expect(plug(1).plug!.fillS).toBeLessThan(plan!.fillS);
  });

  it('is no run: it is filled in one, not stitched, and no current it lacks is made good by passes', () => {
    for (const job of [{ position: 'overhead' }, { position: 'flat' }]) {
      const { passes, stitch, technique, outOfReach } = plug(3, job);
      expect(passes.map(({ kind }) => kind)).toEqual(['only']);
      expect(stitch).toBeNull();
      expect(technique.run).toMatch(/^Without stopping/);
      expect(outOfReach.join()).not.toMatch(/ leg/);
    }
    expect(plug(0.8).stitch).toBeNull();
    expect(plug(4, { position: 'overhead' }).outOfReach[0]).toMatch(/A wider hole/);
  });

  it('is the joint alone: no other has a hole, and none is told without a thickness', () => {
    expect(plug(3, { joint: 'lap' }).plug).toBeNull();
    expect(plug(3, { thicknessMm: undefined }).plug).toBeNull();
  });
});
