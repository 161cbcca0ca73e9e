import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import { soundBeadFor } from './sound-bead-for';
import type { SoundBead } from './sound-bead-schema';

const { job, rig } = EXAMPLE_CASE as Required<Pick<Case, 'job' | 'rig'>>;
const bead = (some: Partial<SoundBead> = {}): SoundBead => ({
  ...{ beadId: 'b', couponId: 'c', title: 'Rack', number: 2, ranAt: '2026-05-04T10:00:00.000Z' },
  ...{ settings: { voltageV: 19, wireSpeedMPerMin: 6.8 }, job, rig },
  ...some,
});
const on = (change: { job?: object; rig?: object } = {}): Case => ({
  ...EXAMPLE_CASE,
  job: { ...job, ...change.job },
  rig: { ...rig, ...change.rig },
});

describe('a proven setting', () => {
  it('is that of a like job on the same wire and gas', () => {
    expect(soundBeadFor([bead()], on())).toEqual(bead());
    expect(
      soundBeadFor([bead()], on({ job: { thicknessMm: 3.5, otherThicknessMm: 6.5, surface: ['rust'] } })),
    ).not.toBeNull();
    expect(soundBeadFor([bead()], on({ job: { joint: 'lap' } }))).not.toBeNull();
    expect(soundBeadFor([bead()], on({ rig: { gas: { argonPct: 80, co2Pct: 20 } } }))).not.toBeNull();
    expect(soundBeadFor([], on())).toBeNull();
  });

  it.each<[string, { job?: object; rig?: object }]>([
    ['metal', { job: { baseMetal: 'stainless' } }],
    ['position', { job: { position: 'overhead' } }],
    ['kind of joint', { job: { joint: 'butt' } }],
    ['thickness', { job: { thicknessMm: 3.7 } }],
    ['other part', { job: { otherThicknessMm: 4 } }],
    ['thickness that nobody knows', { job: { thicknessMm: undefined } }],
    ['wire', { rig: { wire: { class: 'solid-steel', diameterMm: 1.0 } } }],
    ['class of wire', { rig: { wire: { class: 'solid-stainless', diameterMm: 0.9 } } }],
    ['gas', { rig: { gas: { argonPct: 100, co2Pct: 0 } } }],
    ['gas that is none', { rig: { gas: null } }],
    ['mode', { rig: { mode: 'pulse' } }],
  ])('is no setting for another %s', (_, change) => {
    expect(soundBeadFor([bead()], on(change))).toBeNull();
  });

  it('is the nearest: the same joint, then the thickness, then the newest', () => {
    const near = bead({ beadId: 'near', job: { ...job, thicknessMm: 3.1 } });
    const far = bead({ beadId: 'far', job: { ...job, thicknessMm: 3.4 } });
    const lap = bead({ beadId: 'lap', job: { ...job, joint: 'lap' } });
    const newer = bead({ beadId: 'newer', ranAt: '2026-06-04T10:00:00.000Z', job: { ...job, thicknessMm: 3.1 } });
    expect(soundBeadFor([far, lap, near], on())!.beadId).toBe('near');
    expect(soundBeadFor([near, newer], on())!.beadId).toBe('newer');
    expect(soundBeadFor([newer, near], on())!.beadId).toBe('newer');
    expect(soundBeadFor([lap, far], on())!.beadId).toBe('lap');
  });

  it('of two as near is the better proved, and a kept one before one that was only judged sound', () => {
    const by = (beadId: string, ...how: ('looked' | 'bent' | 'cut')[]): SoundBead =>
      bead({ beadId, kept: { id: beadId, provenAt: '2026-05-04T12:00:00.000Z', by: 'Ada', how } });
    const newest = bead({ beadId: 'newest', ranAt: '2026-09-04T10:00:00.000Z' });
    for (const order of [0, 1]) {
      const pick = (...of: SoundBead[]): string => soundBeadFor(order === 0 ? of : of.reverse(), on())!.beadId;
      expect(pick(newest, by('looked', 'looked'))).toBe('looked');
      expect(pick(by('looked', 'looked'), by('bent', 'looked', 'bent'))).toBe('bent');
      expect(pick(by('cut', 'cut'), by('bent', 'bent', 'looked'))).toBe('cut');
    }
    // Nearness comes first: a cut of another plate says less of this one.
    const other = { ...by('cut', 'cut'), job: { ...job, thicknessMm: 3.4 } };
    expect(soundBeadFor([other, newest], on())!.beadId).toBe('newest');
  });

  it('has volts, or in pulse trim, and wire', () => {
    expect(soundBeadFor([bead({ settings: { voltageV: 19 } })], on())).toBeNull();
    expect(soundBeadFor([bead({ settings: { wireSpeedMPerMin: 6 } })], on())).toBeNull();
    const pulse = bead({ rig: { ...rig, mode: 'pulse' }, settings: { wireSpeedMPerMin: 6, trimPct: 5 } });
    expect(soundBeadFor([pulse], on({ rig: { mode: 'pulse' } }))).toEqual(pulse);
  });
});
