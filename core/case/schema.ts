import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { name, number, words } from '../schema/parts';
import { SETTINGS } from '../setting/table';
import { FINDINGS_SCHEMA, READINGS_SCHEMA, SETTINGS_SCHEMA } from './bead-parts';
import { EARLIER_SCHEMA } from './earlier-schema';
import { EXPERIENCE_SCHEMA } from './experience-schema';
import { HEARD_SCHEMA } from './heard-schema';
import { RIG_SCHEMA } from './rig-schema';
import {
  BASE_METALS,
  SURFACES,
  JOINTS,
  POSITIONS,
  DRAUGHTS,
  WORKPIECES,
  PLACES,
  CRITICALS,
  CONCERNS,
  COATS,
  CASE_FORMAT,
} from './terms';

export { FINDINGS_SCHEMA, READINGS_SCHEMA, SETTINGS_SCHEMA } from './bead-parts';
export type { EarlierBead } from './earlier-schema';
export type { Experience, Suspect } from './experience-schema';
export { HEARD_SCHEMA, type Heard } from './heard-schema';
export { RIG_SCHEMA } from './rig-schema';
export * from './terms';

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
    /** What the job is called: what it lifts, carries or holds is read from it. */
    title: name(200),
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
    /** How the metal crosses on plate that takes both: as its thickness asks, or always one of them. */
    transfer: { enum: ['by-plate', 'short-arc', 'spray'] },
    /** Whether sheet of 0.8 to 2 mm is stitched or run in one; by its thickness where nothing is said. */
    sheet: { enum: ['by-thickness', 'stitch', 'run'] },
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
    /** What was heard in a recording of the arc. */
    heard: HEARD_SCHEMA,
    preferences: PREFERENCES_SCHEMA,
    /** What rig and coupon have taught before this bead. */
    experience: EXPERIENCE_SCHEMA,
    /** The beads before on the same plate: what they taught is worked out from them. */
    earlier: EARLIER_SCHEMA,
  },
} as const satisfies JSONSchema;

export type Case = FromSchema<typeof CASE_SCHEMA>;
export type Job = FromSchema<typeof JOB_SCHEMA>;
export type Rig = FromSchema<typeof RIG_SCHEMA>;
export type Settings = FromSchema<typeof SETTINGS_SCHEMA>;
export type Preferences = NonNullable<Case['preferences']>;
export type FindingState = 'present' | 'absent' | 'unknown';
export type Gas = NonNullable<Rig['gas']>;
