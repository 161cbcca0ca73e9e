import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { STATED_IDS } from '../evidence/ids';
import { INSTANT, name, number, words } from '../schema/parts';
import { DIAL_SCALES, PAIR_SOURCES } from '../setting/dial';
import { READINGS, SETTINGS, type ReadSetting } from '../setting/table';
import { EXPERIENCE_SCHEMA } from './experience-schema';
import {
  BASE_METALS,
  SURFACES,
  JOINTS,
  POSITIONS,
  DRAUGHTS,
  PROCESSES,
  WIRE_CLASSES,
  GROOVES,
  LINERS,
  COOLINGS,
  POLARITIES,
  CONTROLS,
  METERS,
  WORKPIECES,
  PLACES,
  CRITICALS,
  CONCERNS,
  COATS,
  CASE_FORMAT,
  type FittedPart,
} from './terms';

export type { Experience, Suspect } from './experience-schema';
export * from './terms';

const share = { ...number(0, 100), description: 'per cent by volume' } as const;

const range = {
  type: 'object',
  additionalProperties: false,
  required: ['low', 'high', 'step'],
  properties: { low: number(0, 100), high: number(0, 100), step: number(0.01, 10) },
} as const;

const dial = {
  type: 'object',
  additionalProperties: false,
  required: ['points', 'step'],
  properties: {
    points: {
      type: 'array',
      minItems: 2,
      maxItems: 40,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['mark', 'value'],
        properties: { mark: number(-100, 1000), value: number(0, 100), by: { enum: PAIR_SOURCES } },
      },
    },
    step: number(0.01, 50),
    /** How the marks are written on the knob. */
    scale: { enum: DIAL_SCALES },
    /** What the taps of a switch are called, in their order. */
    names: { type: 'array', minItems: 2, maxItems: 40, uniqueItems: true, items: name(8) },
    /** Where the knob begins and ends. */
    low: number(-100, 1000),
    high: number(-100, 1000),
  },
} as const;

const span = (low: number, high: number) =>
  ({
    type: 'object',
    additionalProperties: false,
    minProperties: 1,
    properties: { low: number(low, high), high: number(low, high) },
  }) as const;

/** What the procedure of a job allows. Every part may be missing; nothing outside what is stated is proposed. */
export const PROCEDURE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  properties: {
    voltageV: span(SETTINGS.voltageV.minimum, SETTINGS.voltageV.maximum),
    wireSpeedMPerMin: span(SETTINGS.wireSpeedMPerMin.minimum, SETTINGS.wireSpeedMPerMin.maximum),
    currentA: span(20, 500),
    heatInputKJPerMm: span(0.05, 5),
    transfer: { enum: ['short-circuit', 'spray', 'pulse'] },
  },
} as const satisfies JSONSchema;

export const JOB_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    baseMetal: { enum: BASE_METALS },
    surface: words(SURFACES),
    thicknessMm: number(0.3, 100),
    otherThicknessMm: number(0.3, 100),
    joint: { enum: JOINTS },
    position: { enum: POSITIONS },
    gapMm: number(0, 20),
    /** Length of the weld. */
    lengthMm: number(5, 100000),
    draught: { enum: DRAUGHTS },
    /** Carbon equivalent of the steel, where its grade is known, per cent. */
    carbonEquivalent: number(0.05, 1.5),
    workpiece: { enum: WORKPIECES },
    place: { enum: PLACES },
    critical: { enum: CRITICALS },
    /** What is so, what was asked and is not so, and of what is so, what was made safe. */
    concerns: words(CONCERNS),
    ruledOut: words(CONCERNS),
    madeSafe: words(CONCERNS),
    /** Coats that were stripped as far back as is asked. */
    stripped: words(COATS),
    procedure: PROCEDURE_SCHEMA,
  },
} as const satisfies JSONSchema;

export const RIG_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    process: { enum: PROCESSES },
    /** Pulse sets the arc length by trim instead of volts. */
    mode: { enum: ['conventional', 'pulse'] },
    wire: {
      type: 'object',
      additionalProperties: false,
      properties: { class: { enum: WIRE_CLASSES }, diameterMm: number(0.5, 2.4) },
    },
    gas: {
      type: ['object', 'null'],
      additionalProperties: false,
      properties: { argonPct: share, co2Pct: share, oxygenPct: share, heliumPct: share },
    },
    polarity: { enum: POLARITIES },
    nozzleBoreMm: number(6, 30),
    /** What the wire runs through, as far as it is known. */
    parts: {
      type: 'object',
      additionalProperties: false,
      properties: {
        roll: {
          type: 'object',
          additionalProperties: false,
          properties: { groove: { enum: GROOVES }, sizeMm: number(0.5, 2.4) },
        },
        liner: {
          type: 'object',
          additionalProperties: false,
          properties: { kind: { enum: LINERS }, sizeMm: number(0.5, 4) },
        },
        tip: {
          type: 'object',
          additionalProperties: false,
          /** How far the tip stands back in the nozzle; less than 0 for one that stands out. */
          properties: { sizeMm: number(0.5, 2.4), recessMm: number(-6, 12) },
        },
      },
    },
    /** When each part was fitted, where somebody said so: the same size fitted anew is another part. */
    fittedAt: {
      type: 'object',
      additionalProperties: false,
      properties: {
        tip: INSTANT,
        nozzle: INSTANT,
        liner: INSTANT,
        roll: INSTANT,
        spool: INSTANT,
        cylinder: INSTANT,
      } satisfies Record<FittedPart, unknown>,
    },
    /** The gun's rating, as stamped for CO2. */
    gun: {
      type: 'object',
      additionalProperties: false,
      properties: { ratedA: number(50, 700), cooling: { enum: COOLINGS } },
    },
    /** What the machine gives, and for what share of ten minutes, from its rating plate. */
    source: {
      type: 'object',
      additionalProperties: false,
      required: ['ratedA', 'ratedPct'],
      properties: { ratedA: number(30, 700), ratedPct: number(5, 100) },
    },
    /** Meters that show what the arc does while it burns; not known where nothing is said. */
    meters: words(METERS),
    /** What the machine lets be set besides; all of it where nothing is said, none of it for an empty list. */
    controls: words(CONTROLS),
    /** What the machine can be set to; the correction stays inside. */
    range: {
      type: 'object',
      additionalProperties: false,
      properties: { voltageV: range, wireSpeedMPerMin: range },
    },
    /** What the marks on the knobs stand for, taken down at the machine. */
    dials: {
      type: 'object',
      additionalProperties: false,
      properties: { voltageV: dial, wireSpeedMPerMin: dial, arcControlPct: dial },
    },
  },
} as const satisfies JSONSchema;

/** What one setting takes, from the table of settings. */
const figure = (name: keyof typeof SETTINGS) => number(SETTINGS[name].minimum, SETTINGS[name].maximum);

export const SETTINGS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    voltageV: figure('voltageV'),
    wireSpeedMPerMin: figure('wireSpeedMPerMin'),
    stickOutMm: figure('stickOutMm'),
    gasFlowLPerMin: figure('gasFlowLPerMin'),
    travelSpeedMmPerMin: figure('travelSpeedMmPerMin'),
    travelAngleDeg: figure('travelAngleDeg'),
    arcControlPct: figure('arcControlPct'),
    trimPct: figure('trimPct'),
    currentA: figure('currentA'),
  } satisfies Record<keyof typeof SETTINGS, unknown>,
} as const satisfies JSONSchema;

const READING = { enum: READINGS } as const;

/** How each figure was got; a figure without an entry is taken as measured. */
export const READINGS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    voltageV: READING,
    wireSpeedMPerMin: READING,
    stickOutMm: READING,
    gasFlowLPerMin: READING,
    travelSpeedMmPerMin: READING,
  } satisfies Record<ReadSetting, unknown>,
} as const satisfies JSONSchema;

/** What was seen and what was looked for and not there, by finding or check. */
export const FINDINGS_SCHEMA = {
  type: 'object',
  maxProperties: 200,
  propertyNames: { enum: STATED_IDS },
  additionalProperties: { enum: ['present', 'absent', 'unknown'] },
} as const satisfies JSONSchema;

/** Which school of welding the advice follows where welders disagree. */
export const PREFERENCES_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    imbalance: { enum: ['by-heat', 'volts', 'wire'] },
    gasFlow: { enum: ['ample', 'lean'] },
    stickOut: { enum: ['standard', 'tight'] },
    /** The heat that is aimed for: what the plate wants, or a bit more. */
    heat: { enum: ['as-wanted', 'a-bit-hot'] },
    gun: { enum: ['push', 'drag'] },
    run: { enum: ['straight', 'weave'] },
  },
} as const satisfies JSONSchema;

export const CASE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['format'],
  properties: {
    format: { const: CASE_FORMAT },
    job: JOB_SCHEMA,
    rig: RIG_SCHEMA,
    settings: SETTINGS_SCHEMA,
    readings: READINGS_SCHEMA,
    findings: FINDINGS_SCHEMA,
    preferences: PREFERENCES_SCHEMA,
    /** What rig and coupon have taught before this bead. */
    experience: EXPERIENCE_SCHEMA,
  },
} as const satisfies JSONSchema;

export type Case = FromSchema<typeof CASE_SCHEMA>;
export type Job = FromSchema<typeof JOB_SCHEMA>;
export type Rig = FromSchema<typeof RIG_SCHEMA>;
export type Settings = FromSchema<typeof SETTINGS_SCHEMA>;
export type Preferences = NonNullable<Case['preferences']>;
export type FindingState = 'present' | 'absent' | 'unknown';
export type Gas = NonNullable<Rig['gas']>;
