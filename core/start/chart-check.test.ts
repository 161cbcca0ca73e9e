import fc from 'fast-check';
import { arcSetup, balancedVolts, withWire, wireSpeedAt } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { CASE_FORMAT, type Case } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { dialToValue, type Dial } from '../setting/dial';
import { checkChart, pairsOfChart, type ChartLine } from './chart-check';

const INPUT: Case = { format: CASE_FORMAT, rig: RIGS.mix09 };
const PLATES = [1, 1.5, 2, 3, 4, 5, 6];

/** A chart as the laws have it, with a machine that shows volts wrong and somebody who likes it hot. */
function chartOff(offV = 0, heat = 1): ChartLine[] {
  return PLATES.map((thicknessMm, i) => {
    const job = { thicknessMm, position: 'flat', joint: 'fillet', baseMetal: 'mild-steel' } as const;
    const setup = withWire(arcSetup({ ...INPUT, job }))!;
    const currentA = setup.currentWantedA! * heat;
    return {
      ...{ line: i + 2, thicknessMm, position: 'flat' as const, marks: {} },
      settings: {
        voltageV: balancedVolts(setup, currentA) + offV,
        wireSpeedMPerMin: wireSpeedAt(setup, currentA, usualStickOut(setup, setup.currentWantedA).wanted),
      },
    };
  });
}
const changed = (lines: ChartLine[], at: number, settings: ChartLine['settings']): ChartLine[] =>
  lines.map((line, i) => (i === at ? { ...line, settings: { ...line.settings, ...settings } } : line));

describe('a chart held against the model', () => {
  it('agrees with itself where it is made of the laws', () => {
    const { offV, heat, lines } = checkChart(INPUT, chartOff());
    expect(offV).toBeCloseTo(0, 0);
    expect(heat).toBeCloseTo(1, 1);
    expect(lines.flatMap(({ outlier }) => outlier)).toEqual([]);
  });

  it('says what it is off by as a whole, and blames no line for it', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), (off) => {
        const { offV, lines } = checkChart(INPUT, chartOff(off));
        expect(Math.abs(offV! - off)).toBeLessThan(0.5);
        expect(lines.flatMap(({ outlier }) => outlier)).toEqual([]);
      }),
      { numRuns: 20 },
    );
    expect(checkChart(INPUT, chartOff(0, 1.2)).heat).toBeCloseTo(1.2, 1);
  });

  it('points out the line with a slip of the pen, by what slipped', () => {
    const volts = checkChart(INPUT, changed(chartOff(1), 3, { voltageV: 25 }));
    expect(volts.lines.map(({ outlier }) => outlier)[3]).toEqual(['voltageV']);
    expect(volts.lines.filter(({ outlier }) => outlier.length > 0)).toHaveLength(1);
    const wire = checkChart(INPUT, changed(chartOff(), 5, { wireSpeedMPerMin: 3 }));
    expect(wire.lines[5].outlier).toContain('wireSpeedMPerMin');
    expect(wire.lines.filter(({ outlier }) => outlier.length > 0)).toHaveLength(1);
  });

  it('says nothing of the whole from two lines, and nothing at all without a wire', () => {
    expect(checkChart(INPUT, chartOff(2).slice(0, 2)).offV).toBeNull();
    const bare = checkChart({ format: CASE_FORMAT }, chartOff());
    expect([bare.offV, bare.heat, bare.lines[0].model]).toEqual([null, null, {}]);
  });
});

describe('marks of a chart', () => {
  const wire: Dial = {
    points: [
      { mark: 0, value: 1 },
      { mark: 100, value: 13 },
    ],
    step: 1,
  };
  const marked = (lines: ChartLine[]): ChartLine[] =>
    lines.map((line) => ({
      ...line,
      marks: { wireSpeedMPerMin: ((line.settings.wireSpeedMPerMin! - 1) / 12) * 100 },
    }));

  it('beside figures are pairs of the dial that made them', () => {
    const pairs = pairsOfChart('wireSpeedMPerMin', checkChart(INPUT, marked(chartOff())));
    expect(pairs).toHaveLength(PLATES.length);
    for (const { mark, value, by } of pairs) {
      expect(value).toBeCloseTo(dialToValue(wire, mark), 2);
      expect(by).toBe('chart');
    }
  });

  it('alone stand for what the model would set there', () => {
    const bare = marked(chartOff()).map((line) => ({ ...line, settings: {} }));
    const pairs = pairsOfChart('wireSpeedMPerMin', checkChart(INPUT, bare));
    expect(pairs).toHaveLength(PLATES.length);
    for (const { mark, value } of pairs) expect(Math.abs(value / dialToValue(wire, mark) - 1)).toBeLessThan(0.05);
  });

  it('leave out what stands out, and what would run backward; one mark is one pair', () => {
    const slipped = changed(marked(chartOff()), 5, { wireSpeedMPerMin: 2.5 });
    const pairs = pairsOfChart('wireSpeedMPerMin', checkChart(INPUT, slipped));
    expect(pairs.map(({ mark }) => mark)).not.toContain(slipped[5].marks.wireSpeedMPerMin);
    const twice = chartOff().map((line) => ({ ...line, marks: { voltageV: 3 } }));
    expect(pairsOfChart('voltageV', checkChart(INPUT, twice))).toHaveLength(1);
    const back = chartOff().map((line, i) => ({ ...line, marks: { voltageV: 10 - i } }));
    const rising = pairsOfChart('voltageV', checkChart(INPUT, back));
    expect(rising).toHaveLength(1);
    expect(pairsOfChart('voltageV', checkChart(INPUT, chartOff()))).toEqual([]);
  });
});
