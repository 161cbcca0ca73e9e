import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { FINDINGS_SCHEMA, HEARD_SCHEMA, PREFERENCES_SCHEMA, READINGS_SCHEMA, SETTINGS_SCHEMA } from '../../case/schema';
import { OUTCOMES } from '../../case/terms';
import { experienceSchema, suspectsSchema } from '../../case/experience-schema';
import { CAUSE_IDS } from '../../evidence/ids';
import { ID, INSTANT, name, note, number, REVISION } from '../../schema/parts';
import { SETTING_NAMES } from '../../setting/table';

/** What is kept of a bead: as a device logs it, as it may change, and as it is read. */

export { OUTCOMES, type Outcome } from '../../case/terms';

const moveFields = <Of extends JSONSchema>(cause: Of) =>
  ({
    kind: { enum: ['setting', 'remedy'] },
    setting: { enum: SETTING_NAMES },
    from: { type: ['number', 'null'], minimum: -60, maximum: 2500 },
    to: number(-60, 2500),
    cause,
    text: note(400),
  }) as const;

/**
 * The change made after a bead, with what belongs to it: volts and wire go together. Its words are made when it is shown,
 * in the user's units and on the rig's dial.
 */
const takenMoveSchema = <Of extends JSONSchema>(cause: Of) =>
  ({
    type: ['object', 'null'],
    additionalProperties: false,
    required: ['kind', 'text'],
    properties: {
      ...moveFields(cause),
      with: {
        type: 'array',
        maxItems: 12,
        items: {
          type: 'object',
          additionalProperties: false,
          required: ['kind', 'text'],
          properties: moveFields(cause),
        },
      },
    },
  }) as const;

export const TAKEN_MOVE_SCHEMA = takenMoveSchema({ enum: CAUSE_IDS }) satisfies JSONSchema;

/** What the diagnosis said of a bead when it was logged, with the cause's words of that day. */
export const VERDICT_SCHEMA = {
  type: ['object', 'null'],
  additionalProperties: false,
  required: ['cause', 'name', 'probability'],
  properties: { cause: { enum: CAUSE_IDS }, name: name(60), probability: number(0, 1) },
} as const satisfies JSONSchema;

const share = number(0, 1);
const signedShare = number(-1, 1);

/** How a bead was drawn when it was logged: what differs from a sound bead. */
export const APPEARANCE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    widthMm: number(0, 60),
    crownMm: number(0, 30),
    penetrationMm: number(0, 120),
    plateMm: number(0, 120),
    coldLap: share,
    undercut: share,
    sunken: share,
    backBulge: share,
    whiskers: share,
    taper: signedShare,
    uneven: share,
    lean: signedShare,
    ripples: { enum: ['round', 'pointed', 'lumps', 'dimples'] },
    holes: { enum: ['none', 'scattered', 'crater', 'start', 'wormtracks', 'one-spot', 'through', 'slag'] },
    crack: { enum: ['none', 'centre', 'crater', 'toe'] },
    spatter: share,
    spatterSizeMm: number(0, 10),
    tint: { enum: ['bright', 'grey', 'soot', 'white', 'slag', 'blue'] },
    fume: share,
    gapMm: number(0, 20),
    warp: share,
  },
} as const satisfies JSONSchema;

const FINDINGS_READ = { type: 'object', additionalProperties: FINDINGS_SCHEMA.additionalProperties } as const;

const leavesSchema = <const Cause extends JSONSchema, const Findings extends JSONSchema>(
  cause: Cause,
  findings: Findings,
) =>
  ({
    type: 'object',
    additionalProperties: false,
    required: ['findings', 'suspects'],
    properties: { findings, suspects: suspectsSchema(cause) },
  }) as const;

export const BEAD_PROPERTIES = {
  id: ID,
  couponId: ID,
  /** What was fitted when it was run. */
  setupId: ID,
  /** The plate as it was known when it was run. */
  jobId: ID,
  ranAt: INSTANT,
  settings: SETTINGS_SCHEMA,
  readings: READINGS_SCHEMA,
  /** The schools it was judged by. */
  schools: PREFERENCES_SCHEMA,
  findings: FINDINGS_SCHEMA,
  /** What was heard in a recording of it; missing where none was made. */
  heard: HEARD_SCHEMA,
  /** What its findings were called then. */
  names: { type: 'object', maxProperties: 200, additionalProperties: name(80) },
  verdict: VERDICT_SCHEMA,
  move: TAKEN_MOVE_SCHEMA,
  /** What rig and coupon had taught when it was judged; missing in a bead that was judged without. */
  experience: experienceSchema({ enum: CAUSE_IDS }),
  /** Causes whose remedy was done after it. */
  cured: { type: 'array', maxItems: 20, uniqueItems: true, items: { enum: CAUSE_IDS } },
  /** What it leaves for the next bead: looks that still hold, and what is suspected. */
  leaves: leavesSchema({ enum: CAUSE_IDS }, FINDINGS_SCHEMA),
  appearance: { ...APPEARANCE_SCHEMA, type: ['object', 'null'] },
  /** Which coefficients and knowledge judged it; null where that was not kept. */
  judgedBy: { type: ['string', 'null'], maxLength: 40, pattern: '^[0-9a-f-]*$' },
  outcome: { enum: [...OUTCOMES, null] },
  note: note(2000),
} as const;

const BEAD_REQUIRED = [
  'id',
  'couponId',
  'setupId',
  'jobId',
  'ranAt',
  'settings',
  'readings',
  'schools',
  'findings',
  'names',
  'verdict',
  'move',
  'appearance',
  'judgedBy',
  'outcome',
  'note',
] as const;

/** A bead as a device logs it. The server gives the number. */
export const NEW_BEAD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: BEAD_REQUIRED,
  properties: BEAD_PROPERTIES,
} as const satisfies JSONSchema;

/** What may change of a bead that is logged: how it was judged, its note, and whether it was taken back. */
export const BEAD_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'outcome, note or takenBack',
  properties: {
    outcome: BEAD_PROPERTIES.outcome,
    note: BEAD_PROPERTIES.note,
    takenBack: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

/**
 * Records are read more generously than they are written: an id that was retired since is shown by its old words, so
 * what is read names causes and findings by any text.
 */
export const BEAD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [...BEAD_REQUIRED, 'number', 'takenBack', 'revision'],
  properties: {
    ...BEAD_PROPERTIES,
    findings: FINDINGS_READ,
    verdict: { ...VERDICT_SCHEMA, properties: { ...VERDICT_SCHEMA.properties, cause: { type: 'string' } } },
    move: takenMoveSchema({ type: 'string' }),
    experience: experienceSchema({ type: 'string' }),
    cured: { type: 'array', items: { type: 'string' } },
    leaves: leavesSchema({ type: 'string' }, FINDINGS_READ),
    number: { type: 'integer', minimum: 1 },
    /** Who ran it and who judged it, as they were called then; null where nobody had said who they are. */
    by: { type: ['string', 'null'], maxLength: 60 },
    outcomeBy: { type: ['string', 'null'], maxLength: 60 },
    takenBack: { type: 'boolean' },
    revision: REVISION,
  },
} as const satisfies JSONSchema;

export type NewBead = FromSchema<typeof NEW_BEAD_SCHEMA>;
export type BeadChange = FromSchema<typeof BEAD_CHANGE_SCHEMA>;
export type Bead = FromSchema<typeof BEAD_SCHEMA>;
export type TakenMove = NonNullable<Bead['move']>;
