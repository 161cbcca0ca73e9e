import { CASE_FORMAT, type Case } from '../case/schema';

/** The worked example of the case format: a ropey fillet, 3 mm on 6 mm, run 3.5 V under balance. */
export const EXAMPLE_CASE: Case = {
  format: CASE_FORMAT,
  job: {
    baseMetal: 'mild-steel',
    surface: ['mill-scale'],
    thicknessMm: 3,
    otherThicknessMm: 6,
    joint: 'fillet',
    position: 'horizontal',
    gapMm: 0,
    draught: 'still',
  },
  rig: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
  settings: {
    voltageV: 16.5,
    wireSpeedMPerMin: 7.5,
    stickOutMm: 12,
    gasFlowLPerMin: 11,
    arcControlPct: 50,
    travelSpeedMmPerMin: 320,
    travelAngleDeg: 10,
  },
  findings: { 'bead-ropey': 'present', 'toe-undercut': 'absent' },
};
