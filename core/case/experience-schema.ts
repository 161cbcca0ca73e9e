import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CAUSE_IDS, STATED_IDS } from '../evidence/ids';
import { number } from '../schema/parts';

/** Volts and shares that a machine's figures may be off by; further is a fault, and not a machine to be known. */
export const MACHINE_OFF = { offsetV: 3, wireScale: [0.8, 1.2] } as const;

const count = number(0, 100_000);
const list = <const Items extends JSONSchema>(items: Items) => ({ type: 'array', maxItems: 100, items }) as const;

/** Causes with how many times likelier than usual they are, as odds. @param cause what names one */
export const suspectsSchema = <const Cause extends JSONSchema>(cause: Cause) =>
  list({
    type: 'object',
    additionalProperties: false,
    required: ['cause', 'times'],
    properties: { cause, times: number(0, 1000) },
  });

/** How a machine's figures stand to its arc: see `core/arc/machine.ts`. */
export const MACHINE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['offsetV', 'wireScale', 'sure'],
  properties: {
    offsetV: number(-MACHINE_OFF.offsetV, MACHINE_OFF.offsetV),
    wireScale: number(...MACHINE_OFF.wireScale),
    sure: {
      type: ['object', 'null'],
      additionalProperties: false,
      required: ['offsetSdV', 'wireScaleSd'],
      properties: { offsetSdV: number(0, 5), wireScaleSd: number(0, 0.5) },
    },
  },
} as const satisfies JSONSchema;

/**
 * Returns what rig and coupon have taught before a bead, as plain data that can be read, exported and forgotten.
 * @param cause what names a cause: one that is known, or any text for a record that may be older
 */
export const experienceSchema = <const Cause extends JSONSchema>(cause: Cause) =>
  ({
    type: 'object',
    additionalProperties: false,
    properties: {
      /** How its figures stand to its arc. */
      machine: MACHINE_SCHEMA,
      /** What the earlier beads of the same coupon left under suspicion. */
      suspects: suspectsSchema(cause),
      /** What the judged changes of figures between them say: what made a bead worse was hardly the cure. */
      changes: suspectsSchema(cause),
      /** How often a cause was confirmed by its cure, of how many bad beads. */
      causes: list({
        type: 'object',
        additionalProperties: false,
        required: ['cause', 'confirmed', 'beads'],
        properties: { cause, confirmed: count, beads: count },
      }),
      /** How often a confirmed cause brought out a finding, of how often it was looked for. */
      links: list({
        type: 'object',
        additionalProperties: false,
        required: ['cause', 'stated', 'shown', 'looked'],
        properties: { cause, stated: { enum: STATED_IDS }, shown: count, looked: count },
      }),
    },
  }) as const;

export const EXPERIENCE_SCHEMA = experienceSchema({ enum: CAUSE_IDS });
export type Experience = FromSchema<typeof EXPERIENCE_SCHEMA>;
/** A cause of the beads before, and how many times likelier than usual they make it, as odds. */
export type Suspect = NonNullable<Experience['suspects']>[number];
