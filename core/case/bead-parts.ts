import type { JSONSchema } from 'json-schema-to-ts';
import { STATED_IDS } from '../evidence/ids';
import { number } from '../schema/parts';
import { READINGS, SETTINGS, type ReadSetting } from '../setting/table';

/** Returns what one setting takes, from the table of settings. */
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
