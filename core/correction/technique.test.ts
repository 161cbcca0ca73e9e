import type { SettingMove } from './moves';
import { techniqueMoves } from './technique';
import { variant, workWith } from './testing/work';

const moves = (chances: Parameters<typeof workWith>[0], settings: object = {}, wantedTravel: number | null = 320) =>
  techniqueMoves(workWith(chances, variant({ settings })), wantedTravel) as SettingMove[];
const turned = (found: SettingMove[]) => found.map(({ setting, from, to }) => [setting, from, to]);

describe('technique', () => {
  it('moves nothing that no likely cause speaks for', () => {
    expect(moves({})).toEqual([]);
    expect(
      moves({ 'travel-fast': 0.3, 'arc-control-crisp': 0.3, 'angle-push-steep': 0.3 }, { travelAngleDeg: 40 }),
    ).toEqual([]);
    expect(moves({ 'voltage-low': 0.9 })).toEqual([]);
  });

  it('turns the arc control by a fifth of the dial, and not beyond its end', () => {
    expect(turned(moves({ 'arc-control-crisp': 0.5 }))).toEqual([['arcControlPct', 50, 70]]);
    expect(turned(moves({ 'arc-control-soft': 0.5 }))).toEqual([['arcControlPct', 50, 30]]);
    expect(turned(moves({ 'arc-control-crisp': 0.5 }, { arcControlPct: 90 }))).toEqual([['arcControlPct', 90, 100]]);
    expect(turned(moves({ 'arc-control-soft': 0.5 }, { arcControlPct: 10 }))).toEqual([['arcControlPct', 10, 0]]);
    expect(moves({ 'arc-control-soft': 0.5 }, { arcControlPct: 0 })).toEqual([]);
    expect(moves({ 'arc-control-soft': 0.5 }, { arcControlPct: undefined })).toEqual([]);
    expect(moves({ 'arc-control-crisp': 0.5 })[0]).toEqual(
      expect.objectContaining({ direction: 'arc control softer', expect: 'less fine spatter, a wetter puddle' }),
    );
  });

  it('brings the pace to what the wire wants, in tens, where it is a fifth off that way', () => {
    expect(turned(moves({ 'travel-fast': 0.5 }, { travelSpeedMmPerMin: 500 }, 323))).toEqual([
      ['travelSpeedMmPerMin', 500, 320],
    ]);
    expect(turned(moves({ 'travel-slow': 0.5 }, { travelSpeedMmPerMin: 200 }, 326))).toEqual([
      ['travelSpeedMmPerMin', 200, 330],
    ]);
  });

  it('says nothing of a pace that nobody timed, or that nothing is known to want', () => {
    expect(moves({ 'travel-fast': 0.5 }, { travelSpeedMmPerMin: undefined })).toEqual([]);
    expect(moves({ 'travel-fast': 0.5 }, { travelSpeedMmPerMin: 500 }, null)).toEqual([]);
    expect(moves({}, { travelSpeedMmPerMin: 200 }, 500)).toEqual([]);
  });

  it('says nothing of a pace that suits the corrected wire, or that is off the other way', () => {
    expect(moves({ 'travel-fast': 0.5 }, { travelSpeedMmPerMin: 360 })).toEqual([]);
    expect(moves({ 'travel-fast': 0.5 }, { travelSpeedMmPerMin: 200 })).toEqual([]);
    expect(moves({ 'travel-slow': 0.5 }, { travelSpeedMmPerMin: 290 })).toEqual([]);
    expect(moves({ 'travel-slow': 0.5 }, { travelSpeedMmPerMin: 500 })).toEqual([]);
    expect(moves({ 'travel-slow': 0.5 }, { travelSpeedMmPerMin: 200 }, null)).toEqual([]);
    expect(moves({ 'travel-slow': 0.5 }, { travelSpeedMmPerMin: undefined })).toEqual([]);
  });

  it('brings a steep gun to ten degrees on its own side', () => {
    expect(turned(moves({ 'angle-push-steep': 0.5 }, { travelAngleDeg: 30 }))).toEqual([['travelAngleDeg', 30, 10]]);
    expect(turned(moves({ 'angle-drag-steep': 0.5 }, { travelAngleDeg: -30 }))).toEqual([['travelAngleDeg', -30, -10]]);
    // Aluminium is pushed, whatever was done.
    const aluminium = variant({ job: { baseMetal: 'aluminium' }, settings: { travelAngleDeg: -30 } });
    expect(techniqueMoves(workWith({ 'angle-drag-steep': 0.5 }, aluminium), null)).toEqual([
      expect.objectContaining({ setting: 'travelAngleDeg', from: -30, to: 10 }),
    ]);
    expect(moves({ 'angle-push-steep': 0.5 }, { travelAngleDeg: 15 })).toEqual([]);
    expect(moves({ 'angle-push-steep': 0.5 }, { travelAngleDeg: undefined })).toEqual([]);
  });

  it('has the marks of the machine’s dial for the arc control', () => {
    const dials = {
      arcControlPct: {
        step: 1,
        points: [
          { mark: -10, value: 100 },
          { mark: 10, value: 0 },
        ],
      },
    };
    const [move] = techniqueMoves(workWith({ 'arc-control-crisp': 0.5 }, variant({ rig: { dials } })), null);
    expect(move).toEqual(expect.objectContaining({ dialFrom: 0, dialTo: -4 }));
  });
});
