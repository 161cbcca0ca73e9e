import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { number } from '../../schema/parts';
import { DIAL_SCALES, PAIR_SOURCES } from '../../setting/dial';

const typed = { type: 'string', maxLength: 400 } as const;

/**
 * A knob while it is taken down on a device: all that was chosen and typed, as it was typed, so that nothing of it is lost
 * to a reload. `figures` is a knob that carries real figures.
 */
const WORK = {
  type: 'object',
  additionalProperties: false,
  required: ['scale', 'low', 'high', 'step', 'names', 'points', 'by', 'mark', 'figure', 'seconds', 'length', 'wire'],
  properties: {
    scale: { enum: [...DIAL_SCALES, 'figures'] },
    low: typed,
    high: typed,
    step: typed,
    /** Names of taps, one after the other. */
    names: typed,
    points: {
      type: 'array',
      maxItems: 40,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['mark', 'value'],
        properties: { mark: number(-100, 1000), value: number(0, 100), by: { enum: PAIR_SOURCES } },
      },
    },
    /** The units that its figures are typed in; those of the reader where nothing is said. */
    units: { enum: ['metric', 'inch'] },
    /** The pair that is being taken down: how it is got, and its fields. */
    by: { enum: PAIR_SOURCES },
    mark: typed,
    figure: typed,
    seconds: typed,
    length: typed,
    wire: typed,
  },
} as const satisfies JSONSchema;

/** The work on both knobs of a rig; a knob that was not touched is left out. */
export const KNOB_WORK_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: { voltageV: WORK, wireSpeedMPerMin: WORK },
} as const satisfies JSONSchema;

export type KnobWork = FromSchema<typeof WORK>;
export type KnobsWork = FromSchema<typeof KNOB_WORK_SCHEMA>;
