import type { Coupon } from '@/core/record/shapes/record-schema';

const SETUP = {
  id: '0190a000-0000-7000-8000-0000000000a1',
  display: 'dial',
  arcControlRising: 'softer',
  rig: {
    wire: { class: 'solid-steel', diameterMm: 0.8 },
    gas: { argonPct: 82, co2Pct: 18 },
    dials: {
      voltageV: {
        step: 0.5,
        points: [
          { mark: 4, value: 16.5 },
          { mark: 8, value: 26.5 },
        ],
      },
    },
  },
};
const JOB = { id: '0190a000-0000-7000-8000-0000000000b1', at: '', job: { thicknessMm: 3, joint: 'fillet' } };

const bead = (number: number, some: object) => ({
  id: `0190a000-0000-7000-8000-0000000000c${number}`,
  number,
  setupId: SETUP.id,
  jobId: JOB.id,
  ranAt: `2026-05-04T0${8 + number}:00:00.000Z`,
  readings: {},
  schools: {},
  findings: {},
  names: {},
  verdict: null,
  move: null,
  outcome: null,
  note: '',
  judgedBy: null,
  ...some,
});

/** A coupon of two beads on a machine whose volts are marks: a cold one, and the sound one after it. */
export const CRISP = {
  id: '0190a000-0000-7000-8000-000000000001',
  title: 'Hatch hinge',
  createdAt: '2026-05-04T08:00:00.000Z',
  rigName: 'Cart set',
  setups: [SETUP],
  jobs: [JOB],
  beads: [
    bead(1, {
      settings: { voltageV: 16.5, wireSpeedMPerMin: 5, travelAngleDeg: -10 },
      findings: { 'bead-ropey': 'present', 'toe-cold-lap': 'present', 'holes-scattered': 'absent' },
      names: { 'bead-ropey': 'Ropey, humped', 'toe-cold-lap': 'Cold lap', 'holes-scattered': 'Holes all over' },
      verdict: { cause: 'voltage-low', name: 'Volts too low', probability: 0.82 },
      move: { kind: 'setting', setting: 'voltageV', from: 16.5, to: 19, text: 'volts up, 16.5 → 19 V' },
    }),
    bead(2, { settings: { voltageV: 19, wireSpeedMPerMin: 5, travelAngleDeg: -10 }, outcome: 'sound' }),
  ],
} as unknown as Coupon;
