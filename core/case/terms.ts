/**
 * The case: one welder's question, the open format of API, files and tests.
 * Everything but `format` may be missing; missing is unknown, never assumed good.
 */
export const CASE_FORMAT = 'jolly-tinker/case@1';

/** The terms that a case is told in: each list is all that its field takes. */
export const BASE_METALS = ['mild-steel', 'stainless', 'aluminium'] as const;
export const SURFACES = ['clean', 'mill-scale', 'rust', 'oil', 'paint', 'zinc', 'damp'] as const;
export const JOINTS = ['bead-on-plate', 'butt', 'fillet', 'lap', 'corner', 'plug'] as const;
export const POSITIONS = ['flat', 'horizontal', 'vertical-up', 'vertical-down', 'overhead'] as const;
export const DRAUGHTS = ['still', 'breeze', 'windy'] as const;
export const PROCESSES = ['gmaw', 'fcaw-self-shielded', 'fcaw-gas-shielded'] as const;
export const WIRE_CLASSES = [
  'solid-steel',
  'solid-stainless',
  'solid-aluminium',
  'metal-cored',
  'tubular-self-shielded',
  'tubular-gas-shielded',
] as const;
/** Parts that wear or run out, and are fitted anew. */
export const FITTED_PARTS = ['tip', 'nozzle', 'diffuser', 'liner', 'roll', 'spool', 'cylinder'] as const;
export type FittedPart = (typeof FITTED_PARTS)[number];
export const GROOVES = ['v', 'u', 'knurled'] as const;
export const LINERS = ['steel', 'polymer'] as const;
/** Straight to the end, or drawn in to reach into a joint. */
export const NOZZLE_SHAPES = ['straight', 'tapered'] as const;
export type NozzleShape = (typeof NOZZLE_SHAPES)[number];
/** What is in a cylinder: gas under pressure, or CO2, which lies liquid. */
export const CYLINDER_KINDS = ['compressed', 'liquid-co2'] as const;
export const COOLINGS = ['air', 'water'] as const;
/** What a machine lets be set at the start and the end of the arc, how its trigger works, and a tap for the slope of its source. */
export const CONTROLS = ['pre-flow', 'post-flow', 'burn-back', 'run-in', 'crater-fill', 'four-step', 'slope'] as const;
/** Meters that a machine may have for the burning arc. */
export const METERS = ['volts', 'amps'] as const;
export type Meter = (typeof METERS)[number];
export type Control = (typeof CONTROLS)[number];
export const POLARITIES = ['electrode-positive', 'electrode-negative'] as const;
/** What the weld is a part of, and where it is done: both suggest what can hurt. */
export const WORKPIECES = ['plate', 'tube', 'tank', 'vehicle', 'machinery', 'structure'] as const;
export const PLACES = ['workshop', 'site', 'pit'] as const;
/** How much hangs on it: a trial, everyday work, work whose failure can hurt somebody. */
export const CRITICALS = ['trial', 'usual', 'careful'] as const;
/** Circumstances of the part that call for a stop or a caution. */
export const CONCERNS = [
  'closed-container',
  'hidden-cavity',
  'vehicle-near',
  'hydraulic-line',
  'chlorinated-residue',
  'confined-space',
  'sinking-gas',
  'old-paint',
  'cadmium-or-lead',
  'code-work',
  'fire-nearby',
] as const;
/** Coats that stop the work until they are stripped. */
export const COATS = ['zinc'] as const;

export type WireClass = (typeof WIRE_CLASSES)[number];
export type BaseMetal = (typeof BASE_METALS)[number];
export type Joint = (typeof JOINTS)[number];
export type Position = (typeof POSITIONS)[number];
export type Workpiece = (typeof WORKPIECES)[number];
export type Place = (typeof PLACES)[number];
export type Critical = (typeof CRITICALS)[number];
export type Concern = (typeof CONCERNS)[number];
export type Coat = (typeof COATS)[number];

/** How a bead was judged against the one before it. */
export const OUTCOMES = ['sound', 'better', 'same', 'worse'] as const;
export type Outcome = (typeof OUTCOMES)[number];
