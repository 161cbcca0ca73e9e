import type { NewRig, NewSetup } from '../../core/record/shapes/record-schema';

import { demoId } from './demo-id';

/**
 * The workshop of the Withy Cut canal trust: an invented place, with machines named as a workshop would.
 */
const SHIELD = { argonPct: 82, co2Pct: 18 };

export const DOCK_SET = '0190a000-0000-7000-8000-000000000001';
export const BLUE_CART = '0190a000-0000-7000-8000-000000000002';
export const BOAT_KIT = '0190a000-0000-7000-8000-000000000003';

type ToldRig = Omit<NewRig, 'setup'> & Omit<NewSetup, 'id' | 'fittedAt'>;

const TOLD: readonly ToldRig[] = [
  {
    id: DOCK_SET,
    name: 'Dock set',
    note: 'Three-phase, by the dry dock. Digital volts and wire speed.',
    arcControlRising: 'softer',
    display: 'digital',
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.9, grade: 'G3Si1' },
      spool: { fullKg: 15, leftKg: 6.5 },
      cylinder: { kind: 'compressed', volumeL: 20, pressureBar: 140 },
      gas: SHIELD,
      polarity: 'electrode-positive',
      nozzleBoreMm: 13,
      meters: ['volts', 'amps'],
      controls: ['pre-flow', 'post-flow', 'burn-back', 'run-in', 'crater-fill', 'four-step'],
      range: { voltageV: { low: 14, high: 32, step: 0.1 }, wireSpeedMPerMin: { low: 2, high: 16, step: 0.1 } },
    },
  },
  {
    id: BLUE_CART,
    name: 'Blue cart set',
    note: 'Single-phase on the cart. Two knobs, 1 to 10. Wire knob taken down with the six-second run.',
    arcControlRising: 'crisper',
    display: 'dial',
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.8 },
      gas: SHIELD,
      polarity: 'electrode-positive',
      nozzleBoreMm: 12,
      meters: [],
      controls: ['burn-back'],
      range: { voltageV: { low: 13.5, high: 24, step: 0.1 }, wireSpeedMPerMin: { low: 1.8, high: 12, step: 0.1 } },
      dials: {
        voltageV: {
          step: 0.5,
          points: [
            { mark: 1, value: 13.5, by: 'plate' },
            { mark: 4, value: 16.8, by: 'meter' },
            { mark: 7, value: 20.4, by: 'meter' },
            { mark: 10, value: 24, by: 'plate' },
          ],
        },
        wireSpeedMPerMin: {
          step: 0.5,
          points: [
            { mark: 1, value: 1.8, by: 'plate' },
            { mark: 3, value: 3.6, by: 'run-out' },
            { mark: 6, value: 6.9, by: 'run-out' },
            { mark: 10, value: 12, by: 'plate' },
          ],
        },
      },
    },
  },
  {
    id: BOAT_KIT,
    name: 'Boat kit',
    note: 'Suitcase for the work boat and the towpath. Self-shielded wire, no gas.',
    arcControlRising: 'softer',
    display: 'dial',
    rig: {
      process: 'fcaw-self-shielded',
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      gas: null,
      polarity: 'electrode-negative',
      nozzleBoreMm: 16,
      range: { voltageV: { low: 13, high: 22, step: 0.5 }, wireSpeedMPerMin: { low: 1.5, high: 8, step: 0.1 } },
      dials: {
        voltageV: {
          step: 1,
          points: [
            { mark: 1, value: 13 },
            { mark: 7, value: 22 },
          ],
        },
      },
    },
  },
];

/** A rig whose spool and cylinder were read when it was fitted. */
function readAt(rig: NewSetup['rig'], at: string): NewSetup['rig'] {
  const { spool, cylinder } = rig;
  return {
    ...rig,
    ...(spool === undefined ? {} : { spool: { ...spool, at } }),
    ...(cylinder === undefined ? {} : { cylinder: { ...cylinder, at } }),
  };
}

/** The rigs with what was fitted on them when the demo's first coupon was made. @param fittedAt that time */
export function demoRigs(fittedAt: string): NewRig[] {
  return TOLD.map(({ rig, arcControlRising, display, ...machine }, index) => ({
    ...machine,
    setup: { id: demoId(3, index), fittedAt, rig: readAt(rig, fittedAt), arcControlRising, display },
  }));
}
