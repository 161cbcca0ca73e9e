import { startAnswer } from '.';
import { ownChart, type ChartCell } from './own-chart';
import { draws } from '../testing/draws';
import { DEFAULT_RIG, onJob } from '../start/testing/jobs';
import type { SoundBead } from '../start/sound-bead-schema';

const { job: _, ...RIG } = onJob({});
const chart = ownChart(RIG, []);
const cell = (thicknessMm: number, position = 'flat', of = chart): ChartCell =>
  of.find((one) => one.thicknessMm === thicknessMm && one.position === position)!;

describe('a rig’s own chart', () => {
  it('has what a start has, for each thickness and position', () => {
    const { settings, passes } = startAnswer(onJob({ thicknessMm: 3, joint: 'fillet' }));
    expect(cell(3).settings).toEqual(settings);
    expect(cell(3).passes).toBe(passes.length);
    expect(new Set(chart.map(({ position }) => position)).size).toBe(4);
    expect(chart.some(({ position, thicknessMm }) => position === 'vertical-down' && thicknessMm > 5)).toBe(false);
  });

  it('gets hotter with the plate, and is never hotter overhead than flat', () => {
    const flat = chart.filter(({ position }) => position === 'flat');
    flat
      .slice(1)
      .forEach((one, i) =>
        expect(one.settings.wireSpeedMPerMin!).toBeGreaterThanOrEqual(flat[i].settings.wireSpeedMPerMin! - 0.1),
      );
    for (const { thicknessMm, settings } of flat)
      expect(cell(thicknessMm, 'overhead').settings.wireSpeedMPerMin!).toBeLessThanOrEqual(settings.wireSpeedMPerMin!);
    expect(cell(10, 'vertical-up').outOfReach.join()).toContain('Slow down until both sides melt');
  });

  const FITTED = [
    ['0.9 mm in 82/18', { wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 82, co2Pct: 18 } }],
    ['0.8 mm in CO2', { wire: { class: 'solid-steel', diameterMm: 0.8 }, gas: { argonPct: 0, co2Pct: 100 } }],
    ['1.2 mm in 90/10', { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: { argonPct: 90, co2Pct: 10 } }],
    ['1.2 mm metal-cored', { wire: { class: 'metal-cored', diameterMm: 1.2 }, gas: { argonPct: 90, co2Pct: 10 } }],
  ] as const;
  it.each(draws(FITTED.slice(0, 2), [...FITTED]))(
    'never falls with the thickness within a transfer, and names where that changes: %s',
    (_, fitted) => {
      const cells = ownChart({ ...RIG, rig: { ...RIG.rig, ...fitted, nozzleBoreMm: 14 } }, []);
      for (const position of ['flat', 'vertical-up', 'vertical-down', 'overhead']) {
        const row = cells.filter((one) => one.position === position && one.transfer !== null);
        const turns = new Set(row.map(({ transfer }) => transfer));
        row.slice(1).forEach((one, i) => {
          const before = row[i];
          if (one.transfer !== before.transfer) {
            expect([before.transfer, one.transfer]).toEqual(['short-circuit', 'spray']);
            return;
          }
          expect(one.settings.voltageV!).toBeGreaterThanOrEqual(before.settings.voltageV! - 0.11);
          expect(one.settings.wireSpeedMPerMin!).toBeGreaterThanOrEqual(before.settings.wireSpeedMPerMin! - 0.11);
          expect(one.passes).toBeGreaterThanOrEqual(before.passes);
        });
        expect(turns.size).toBeLessThanOrEqual(2);
      }
    },
  );

  it('has a proven setting where there is one, and says so there alone', () => {
    const proven: SoundBead = {
      ...{ beadId: 'b', couponId: 'c', title: 'Rack', number: 2, ranAt: '2026-05-04T10:00:00.000Z' },
      settings: { voltageV: 18.3, wireSpeedMPerMin: 5.5 },
      job: { baseMetal: 'mild-steel', thicknessMm: 3, joint: 'fillet', position: 'flat' },
      rig: DEFAULT_RIG['mild-steel'],
    };
    const known = ownChart(RIG, [proven]);
    expect(cell(3, 'flat', known)).toEqual(expect.objectContaining({ proven: true }));
    expect(cell(3, 'flat', known).settings).toEqual({ ...cell(3).settings, voltageV: 18.3, wireSpeedMPerMin: 5.5 });
    expect(known.filter((one) => one.proven)).toHaveLength(1);
    expect(chart.some((one) => one.proven)).toBe(false);
    // On a knob the cell says the mark of the proven volts, not of the computed ones.
    const dials = {
      voltageV: { step: 0.1, low: 1, high: 20, points: [1, 20].map((mark) => ({ mark, value: 12 + mark })) },
    };
    const marked = ownChart({ ...RIG, rig: { ...RIG.rig, dials } }, [{ ...proven, rig: { ...proven.rig, dials } }]);
    expect(cell(3, 'flat', marked).marks.voltageV).toBe('knob 6.3');
  });

  it.each([
    ['a hot one on thinner plate', [[4, 21.6, 6.2]]],
    ['a cool one on thicker plate', [[5, 17.6, 4.9]]],
    [
      'two that disagree',
      [
        [4, 21.6, 6.2],
        [6, 21.1, 5.9],
      ],
    ],
  ] as const)('never falls with the thickness where it is proven: %s', (_, beads) => {
    const proven = beads.map(([thicknessMm, voltageV, wireSpeedMPerMin]): SoundBead => ({
      ...{ beadId: `b${thicknessMm}`, couponId: 'c', title: 'Rack', number: 2, ranAt: '2026-05-04T10:00:00.000Z' },
      settings: { voltageV, wireSpeedMPerMin },
      job: { baseMetal: 'mild-steel', thicknessMm, joint: 'fillet', position: 'flat' },
      rig: DEFAULT_RIG['mild-steel'],
    }));
    const flat = ownChart(RIG, proven).filter(({ position }) => position === 'flat');
    flat.slice(1).forEach((one, i) => {
      if (one.transfer !== flat[i].transfer) return;
      expect(one.settings.voltageV!).toBeGreaterThanOrEqual(flat[i].settings.voltageV!);
      expect(one.settings.wireSpeedMPerMin!).toBeGreaterThanOrEqual(flat[i].settings.wireSpeedMPerMin!);
    });
    // The thinnest of the beads stands as it was run, and its amps are those of its own wire.
    const [[thicknessMm, voltageV, wireSpeedMPerMin]] = beads;
    const proved = flat.find((one) => one.thicknessMm === thicknessMm)!;
    expect(proved).toMatchObject({ proven: true, settings: { voltageV, wireSpeedMPerMin } });
    expect(proved.currentA).not.toBe(cell(thicknessMm).currentA);
  });

  it('is said in the machine’s own marks, is for the metal of the wire, and is none without a wire', () => {
    const volts = { step: 0.5, low: 1, high: 10, points: [1, 10].map((mark) => ({ mark, value: 12 + 2 * mark })) };
    const marked = ownChart({ ...RIG, rig: { ...RIG.rig, dials: { voltageV: volts } } }, []);
    expect(marked.every(({ marks }) => /^knob \d/.test(marks.voltageV ?? ''))).toBe(true);
    const aluminium = ownChart({ ...RIG, rig: DEFAULT_RIG.aluminium }, []);
    expect(Math.min(...aluminium.map(({ thicknessMm }) => thicknessMm))).toBe(2);
    expect(ownChart({ ...RIG, rig: {} }, [])).toEqual([]);
  });
});
