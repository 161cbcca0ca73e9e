import { ownChart, type ChartCell } from '@/core/answer/own-chart';
import { CASE_FORMAT } from '@/core/case/schema';
import { RIGS } from '@/core/cases/rigs';
import { chartCsv } from './chart-file';
import { readChart } from './chart-import';

const read = (text: string, dials = {}) => readChart(text, 'mild-steel', dials);

describe('a chart that somebody has', () => {
  it('comes back from the file that this workshop writes, in either family of units', () => {
    const cells: ChartCell[] = ownChart({ format: CASE_FORMAT, rig: RIGS.mix09 }, []).slice(0, 12);
    for (const units of ['metric', 'inch'] as const) {
      const { lines, ignored, problems } = read(chartCsv(cells, units));
      expect([ignored, problems]).toEqual([[], []]);
      expect(lines).toHaveLength(cells.length);
      lines.forEach(({ thicknessMm, position, settings }, i) => {
        expect(position).toBe(cells[i].position);
        expect(Math.abs(thicknessMm - cells[i].thicknessMm)).toBeLessThan(0.05);
        expect(Math.abs(settings.voltageV! - cells[i].settings.voltageV!)).toBeLessThan(0.06);
        expect(Math.abs(settings.wireSpeedMPerMin! - cells[i].settings.wireSpeedMPerMin!)).toBeLessThan(0.06);
      });
    }
  });

  it('is read with the names and units people write, and says what it does not use', () => {
    const { lines, ignored, problems } = read(
      '\uFEFFPlate (gauge);Position;Voltage (V);WFS;Wire feed speed (IN/MIN);Gas (CFH);remarks\n16;Vertical up;17,5;x;200;25;ok\n',
    );
    expect(problems).toEqual([]);
    expect(ignored).toEqual(['WFS', 'remarks']);
    expect(lines).toEqual([
      {
        ...{ line: 2, position: 'vertical-up', marks: {}, thicknessMm: expect.closeTo(1.518, 3) },
        settings: {
          voltageV: 17.5,
          wireSpeedMPerMin: expect.closeTo(5.08, 6),
          gasFlowLPerMin: expect.closeTo(11.8, 1),
        },
      },
    ]);
  });

  it('takes marks as they stand on the knob: numbers, taps by their letters, hours', () => {
    const taps = {
      points: [
        { mark: 1, value: 15 },
        { mark: 4, value: 21 },
      ],
      step: 1,
      scale: 'taps',
      names: ['A', 'B', 'C', 'D'],
    };
    const text = 'thickness (mm),"volts, mark","wire speed, mark"\n2,tap C,knob 4.5\n3,E,5\n';
    const { lines, problems } = read(text, { voltageV: taps });
    expect(lines.map(({ marks }) => marks)).toEqual([{ voltageV: 3, wireSpeedMPerMin: 4.5 }]);
    expect(problems).toEqual(['Line 3, volts, mark: takes A to D.']);
  });

  it.each([
    [
      'a column without its unit',
      'thickness (mm),wire speed\n2,5',
      /“wire speed” names no unit: wire speed takes m\/min or in\/min/,
    ],
    ['a thickness without one', 'thickness,volts (V)\n2,18', /“thickness” names no unit/],
    [
      'no thickness at all',
      'volts (V)\n18',
      'A chart takes a column thickness (mm), thickness (in) or thickness (gauge).',
    ],
    ['nothing but a head', 'thickness (mm),volts (V)', 'A chart takes a head and one line at least.'],
    ['an empty file', '', 'A chart takes a head and one line at least.'],
    ['a plate of no thickness', 'thickness (mm),volts (V)\n0,18', 'Line 2, thickness (mm): takes 0.3 to 100 mm.'],
    ['inches of no thickness', 'thickness (in)\n9', 'Line 2, thickness (in): takes 0.012 to 3.937 in.'],
    [
      'a gauge there is none of',
      'thickness (gauge)\n99',
      'Line 2, thickness (gauge): takes a whole gauge number from 3 to 26.',
    ],
    ['volts beyond a welder', 'thickness (mm),volts (V)\n2,400', 'Line 2, volts (V): takes 8 to 50 V.'],
    ['a position nobody welds in', 'thickness (mm),position\n2,sideways', /^Line 2, position: takes flat, horizontal/],
    ['letters for a figure', 'thickness (mm),volts (V)\n2,high', 'Line 2, volts (V): takes 8 to 50 V.'],
  ])('names the place of %s', (_, text, problem) => {
    const { lines, problems } = read(text);
    expect(problems).toEqual([typeof problem === 'string' ? problem : expect.stringMatching(problem)]);
    if (!text.includes('wire speed')) expect(lines).toEqual([]);
  });

  it('keeps the lines that are right beside one that is not, and takes no book for a chart', () => {
    const { lines, problems } = read('thickness (mm),volts (V)\n2,18\n3,400\n4,19\n');
    expect(lines.map(({ line }) => line)).toEqual([2, 4]);
    expect(problems).toHaveLength(1);
    const book = `thickness (mm)\n${'2\n'.repeat(201)}`;
    expect(read(book).problems).toEqual(['A chart takes 200 lines at most; this has 201.']);
  });
});
