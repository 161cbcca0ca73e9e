import type { Case, Job } from '../../core/case/schema';
import type { Outcome } from '../../core/record/shapes/record-schema';
import type { Settings } from '../../core/setting/table';
import { BLUE_CART, BOAT_KIT, DOCK_SET } from './rigs';

/** A bead as the workshop would tell it; the verdict and the advised move are computed when it is loaded. */
type DemoBead = {
  settings: Settings;
  findings: NonNullable<Case['findings']>;
  outcome: Outcome | null;
  note?: string;
};
/** Times are told as days before the demo is loaded, so that the log never looks old. */
export type DemoCoupon = { rigId: string; title: string; daysAgo: number; job: Job; beads: DemoBead[] };

const seen = (...ids: string[]): NonNullable<Case['findings']> =>
  Object.fromEntries(ids.map((id) => [id, 'present' as const]));
const SOUND = seen('bead-even', 'toe-wetted', 'sound-crisp', 'spatter-little');

export const COUPONS: readonly DemoCoupon[] = [
  {
    rigId: DOCK_SET,
    title: 'Sluice rack 2, new bracket',
    daysAgo: 0,
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
    beads: [
      {
        settings: {
          voltageV: 16.5,
          wireSpeedMPerMin: 7.5,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          arcControlPct: 50,
          travelSpeedMmPerMin: 320,
          travelAngleDeg: 10,
        },
        findings: { ...seen('bead-ropey', 'wire-stubs', 'sound-popping'), 'toe-undercut': 'absent' },
        outcome: null,
      },
      {
        settings: {
          voltageV: 18.6,
          wireSpeedMPerMin: 7.5,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          arcControlPct: 50,
          travelSpeedMmPerMin: 330,
          travelAngleDeg: 10,
        },
        findings: { ...seen('bead-ropey', 'spatter-fine'), 'wire-stubs': 'absent' },
        outcome: 'better',
      },
    ],
  },
  {
    rigId: BLUE_CART,
    title: 'Swing bridge handrail, tube stub',
    daysAgo: 2,
    job: {
      baseMetal: 'mild-steel',
      surface: ['zinc'],
      thicknessMm: 2.6,
      joint: 'fillet',
      position: 'horizontal',
      draught: 'still',
    },
    beads: [
      {
        settings: { voltageV: 17.6, wireSpeedMPerMin: 5.6, stickOutMm: 11, gasFlowLPerMin: 11 },
        findings: seen('holes-scattered', 'residue-white', 'fume-heavy', 'spatter-heavy'),
        outcome: null,
        note: 'Galvanised, not stripped.',
      },
      {
        settings: { voltageV: 17.6, wireSpeedMPerMin: 5.6, stickOutMm: 11, gasFlowLPerMin: 11 },
        findings: { ...SOUND, 'residue-white': 'absent' },
        outcome: 'sound',
        note: 'Stripped 30 mm back inside and out. Zinc paint after.',
      },
    ],
  },
  {
    rigId: BLUE_CART,
    title: 'Paddle gear cover, 1.2 mm lap',
    daysAgo: 5,
    job: {
      baseMetal: 'mild-steel',
      surface: ['clean'],
      thicknessMm: 1.2,
      joint: 'lap',
      position: 'flat',
      gapMm: 0,
      draught: 'still',
    },
    beads: [
      {
        settings: { voltageV: 17.4, wireSpeedMPerMin: 5, stickOutMm: 10, gasFlowLPerMin: 10, travelSpeedMmPerMin: 420 },
        findings: seen('holes-through', 'back-burned-through', 'bead-sunken'),
        outcome: null,
      },
      {
        settings: {
          voltageV: 15.6,
          wireSpeedMPerMin: 3.4,
          stickOutMm: 10,
          gasFlowLPerMin: 10,
          travelSpeedMmPerMin: 450,
        },
        findings: seen('back-heavy', 'sound-crisp'),
        outcome: 'better',
      },
      {
        settings: {
          voltageV: 14.8,
          wireSpeedMPerMin: 2.6,
          stickOutMm: 10,
          gasFlowLPerMin: 10,
          travelSpeedMmPerMin: 430,
        },
        findings: { ...SOUND, ...seen('back-even') },
        outcome: 'sound',
      },
    ],
  },
  {
    rigId: DOCK_SET,
    title: 'Mooring ring, 10 mm back plate',
    daysAgo: 9,
    job: {
      baseMetal: 'mild-steel',
      surface: ['clean'],
      thicknessMm: 8,
      otherThicknessMm: 10,
      joint: 'fillet',
      position: 'flat',
      draught: 'still',
    },
    beads: [
      {
        settings: {
          voltageV: 17.4,
          wireSpeedMPerMin: 4.6,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          travelSpeedMmPerMin: 220,
        },
        findings: seen('bead-ropey', 'sound-crisp', 'back-no-mark', 'toe-cold-lap'),
        outcome: null,
      },
      {
        settings: {
          voltageV: 20.6,
          wireSpeedMPerMin: 7.8,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          travelSpeedMmPerMin: 240,
        },
        findings: { ...seen('sound-crisp', 'toe-wetted'), 'back-no-mark': 'present' },
        outcome: 'better',
      },
      {
        settings: {
          voltageV: 22.2,
          wireSpeedMPerMin: 8.8,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          travelSpeedMmPerMin: 240,
        },
        findings: { ...SOUND, ...seen('section-good') },
        outcome: 'sound',
        note: 'Cut and etched one: root fused both sides.',
      },
    ],
  },
  {
    rigId: BOAT_KIT,
    title: 'Work boat, engine bed lug',
    daysAgo: 14,
    job: {
      baseMetal: 'mild-steel',
      surface: ['rust'],
      thicknessMm: 4,
      joint: 'fillet',
      position: 'horizontal',
      draught: 'breeze',
    },
    beads: [
      {
        settings: { voltageV: 17, wireSpeedMPerMin: 3.4, stickOutMm: 16 },
        findings: {
          ...seen('arc-wanders', 'spatter-heavy', 'bead-ropey', 'bead-stringy', 'check-studs'),
          'sound-crisp': 'absent',
        },
        outcome: null,
        note: 'Leads were swapped for the gas wire.',
      },
      {
        settings: { voltageV: 17.5, wireSpeedMPerMin: 3.4, stickOutMm: 16 },
        findings: { ...seen('bead-even', 'toe-wetted', 'spatter-fine'), 'check-studs': 'absent' },
        outcome: 'sound',
      },
    ],
  },
  {
    rigId: DOCK_SET,
    title: 'Towpath grating, bearing bars',
    daysAgo: 20,
    job: {
      baseMetal: 'mild-steel',
      surface: ['clean'],
      thicknessMm: 5,
      joint: 'fillet',
      position: 'flat',
      draught: 'still',
    },
    beads: [
      {
        settings: {
          voltageV: 20.2,
          wireSpeedMPerMin: 7.4,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          travelSpeedMmPerMin: 300,
        },
        findings: seen('holes-scattered', 'nozzle-clogged', 'residue-oxide', 'sound-crisp'),
        outcome: null,
      },
      {
        settings: {
          voltageV: 20.2,
          wireSpeedMPerMin: 7.4,
          stickOutMm: 12,
          gasFlowLPerMin: 11,
          travelSpeedMmPerMin: 300,
        },
        findings: SOUND,
        outcome: 'sound',
        note: 'Nozzle cleaned, diffuser holes opened.',
      },
    ],
  },
  {
    rigId: BLUE_CART,
    title: 'Lock gate 4, walkway toe board',
    daysAgo: 27,
    job: {
      baseMetal: 'mild-steel',
      surface: ['mill-scale'],
      thicknessMm: 3,
      joint: 'butt',
      position: 'vertical-down',
      gapMm: 1,
      draught: 'still',
    },
    beads: [
      {
        settings: { voltageV: 18.2, wireSpeedMPerMin: 5.8, stickOutMm: 11, gasFlowLPerMin: 10 },
        findings: seen('wire-surges', 'sound-sputter', 'bead-uneven'),
        outcome: null,
      },
      {
        settings: { voltageV: 18.2, wireSpeedMPerMin: 5.8, stickOutMm: 11, gasFlowLPerMin: 10 },
        findings: { ...seen('wire-surges', 'check-liner'), 'check-glove': 'absent' },
        outcome: 'same',
      },
      {
        settings: { voltageV: 18.2, wireSpeedMPerMin: 5.8, stickOutMm: 11, gasFlowLPerMin: 10 },
        findings: { ...SOUND, 'wire-surges': 'absent' },
        outcome: 'sound',
        note: 'New liner.',
      },
    ],
  },
];
