import type { JSONSchema } from 'json-schema-to-ts';
import { INSTANT, name, number, words } from '../schema/parts';
import { DIAL_SCALES, PAIR_SOURCES } from '../setting/dial';
import {
  PROCESSES,
  WIRE_CLASSES,
  GROOVES,
  LINERS,
  NOZZLE_SHAPES,
  CYLINDER_KINDS,
  COOLINGS,
  POLARITIES,
  CONTROLS,
  METERS,
  type FittedPart,
} from './terms';

const share = { ...number(0, 100), description: 'per cent by volume' } as const;

const range = {
  type: 'object',
  additionalProperties: false,
  required: ['low', 'high', 'step'],
  properties: { low: number(0, 100), high: number(0, 100), step: number(0.01, 10) },
} as const;

/** A knob: its marks and what each sets. */
export const DIAL_SCHEMA = {
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

/** A machine with what is fitted on it. Everything may be missing. */
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
      properties: {
        class: { enum: WIRE_CLASSES },
        diameterMm: number(0.5, 2.4),
        /** As printed on the spool. */
        grade: name(24),
      },
    },
    /** Wire on the spool, net: of a full one, and what was left when it was weighed or looked at. */
    spool: {
      type: 'object',
      additionalProperties: false,
      properties: { fullKg: number(0.1, 400), leftKg: number(0, 400), at: INSTANT },
    },
    /** The cylinder, and what its gauge or the scales said at a time. */
    cylinder: {
      type: 'object',
      additionalProperties: false,
      required: ['kind'],
      properties: {
        kind: { enum: CYLINDER_KINDS },
        volumeL: number(0.2, 200),
        pressureBar: number(0, 350),
        contentKg: number(0, 100),
        at: INSTANT,
      },
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
        nozzle: {
          type: 'object',
          additionalProperties: false,
          properties: { shape: { enum: NOZZLE_SHAPES } },
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
        diffuser: INSTANT,
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
      properties: { voltageV: DIAL_SCHEMA, wireSpeedMPerMin: DIAL_SCHEMA, arcControlPct: DIAL_SCHEMA },
    },
  },
} as const satisfies JSONSchema;
