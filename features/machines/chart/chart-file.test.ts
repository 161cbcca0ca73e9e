import { parse } from 'papaparse';
import type { ChartCell } from '@/core/answer/own-chart';
import { cellWords, chartCsv, turnWords } from './chart-file';

const CELL: ChartCell = {
  ...{ thicknessMm: 3, position: 'flat', currentA: 143.6, passes: 1, proven: true, outOfReach: [] },
  transfer: 'short-circuit',
  settings: { voltageV: 19, wireSpeedMPerMin: 5.8, stickOutMm: 10, gasFlowLPerMin: 11 },
  marks: { voltageV: 'knob 4' },
};
const COLD: ChartCell = {
  ...{ ...CELL, thicknessMm: 10, position: 'overhead', passes: 2, proven: false, marks: {}, currentA: null },
  outOfReach: ['The plate wants about 208 A, "in one pass"; 2 passes.'],
};
const read = (text: string): Record<string, string>[] => parse<Record<string, string>>(text, { header: true }).data;

describe('a chart as a file', () => {
  it('has its figures with their units named, the marks beside them, and survives commas and quotes', () => {
    const [warm, cold] = read(chartCsv([CELL, COLD], 'metric'));
    expect(warm).toEqual({
      'thickness (mm)': '3',
      position: 'flat',
      'volts (V)': '19',
      'volts, mark': 'knob 4',
      'wire speed (m/min)': '5.8',
      'wire speed, mark': '',
      'stick-out (mm)': '10',
      'gas flow (L/min)': '11',
      'current (A)': '144',
      transfer: 'short-circuit',
      passes: '1',
      proven: 'yes',
      'out of reach': '',
    });
    expect(cold['out of reach']).toBe(COLD.outOfReach[0]);
    expect([cold['current (A)'], cold.passes, cold.proven]).toEqual(['', '2', 'no']);
  });

  it('is in inches for who reads inches', () => {
    const [warm] = read(chartCsv([CELL], 'inch'));
    expect(warm['thickness (in)']).toBe('0.118');
    expect(warm['wire speed (in/min)']).toBe('228');
    expect(warm['gas flow (cfh)']).toBe('23');
  });
});

it('says a cell as it is set: by its mark, else by its figure, and by trim in pulse', () => {
  expect(cellWords(CELL, 'metric')).toEqual({ volts: 'knob 4', wire: '5.8 m/min' });
  expect(cellWords({ ...CELL, settings: { wireSpeedMPerMin: 5.8 }, marks: {} }, 'inch')).toEqual({
    volts: 'trim 0',
    wire: '228 in/min',
  });
});

it('draws a line across the chart where the metal crosses another way from there on', () => {
  const spray: ChartCell = { ...CELL, thicknessMm: 8, transfer: 'spray' };
  expect(turnWords(spray, CELL)).toBe('From here in spray');
  expect(turnWords(CELL, spray)).toBe('From here in short arc');
  expect(turnWords(CELL, undefined)).toBeNull();
  expect(turnWords(CELL, CELL)).toBeNull();
  // Where no figure is given nothing is crossed.
  expect(turnWords({ ...CELL, transfer: null }, spray)).toBeNull();
});
