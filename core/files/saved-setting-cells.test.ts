import { parse } from 'papaparse';
import { EXAMPLE_CASE } from '../cases/example';
import type { SavedSetting } from '../record/shapes/saved-setting-schema';
import { provenCsv } from './saved-setting-cells';

const SETTING = {
  ...{ id: 'p', title: '=Hook', rigName: 'Dock set', provenAt: '2026-05-04T10:00:00.000Z', by: 'Ada', welds: 2 },
  ...{ how: ['looked', 'cut'], run: 'weave', note: '+ slowly' },
  job: EXAMPLE_CASE.job,
  setup: {
    ...{ arcControlRising: 'softer', display: 'digital' },
    rig: {
      ...EXAMPLE_CASE.rig,
      dials: {
        voltageV: {
          step: 0.5,
          points: [
            { mark: 1, value: 15 },
            { mark: 10, value: 24 },
          ],
        },
      },
    },
  },
  bead: { settings: { voltageV: 19.5, wireSpeedMPerMin: 7.5, travelAngleDeg: -10 } },
} as unknown as SavedSetting;

const read = (text: string, delimiter = ','): Record<string, string>[] =>
  parse<Record<string, string>>(text, { header: true, delimiter }).data;

describe('kept settings for a spreadsheet', () => {
  it('have a line each: job, what was fitted, figures with their units and marks, who proved them and how', () => {
    expect(read(provenCsv([SETTING], 'metric', 'point'))).toEqual([
      {
        ...{ title: "'=Hook", rig: 'Dock set', metal: 'mild-steel', joint: 'fillet', position: 'horizontal' },
        ...{ 'thickness (mm)': '3', 'other part (mm)': '6', wire: 'solid-steel', 'wire (mm)': '0.9' },
        ...{ gas: '82 Ar / 18 CO2', 'volts (V)': '19.5', 'volts, mark': 'knob 5.5', 'wire speed (m/min)': '7.5' },
        ...{ 'gun angle (°)': '-10', run: 'weave', 'proved by': 'Ada', how: 'looked at and cut and etched' },
        ...{ 'proved at': '2026-05-04T10:00:00.000Z', welds: '2', note: "'+ slowly" },
      },
    ]);
  });

  it('are in the units of the reader, and write a comma where that is asked for', () => {
    const [inch] = read(provenCsv([SETTING], 'inch', 'point'));
    expect([inch['wire speed (in/min)'], inch['thickness (in)']]).toEqual(['295', '0.118']);
    const [comma] = read(provenCsv([SETTING], 'metric', 'comma'), ';');
    expect([comma['volts (V)'], comma['wire (mm)'], comma['gun angle (°)']]).toEqual(['19,5', '0,9', '-10']);
  });
});
