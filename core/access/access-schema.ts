import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID, INSTANT, name } from '../schema/parts';
import { PASS_PHRASE } from './pass-phrase';

const PHRASE = {
  type: 'string',
  minLength: PASS_PHRASE.least,
  maxLength: PASS_PHRASE.most,
  description: `a pass phrase of ${PASS_PHRASE.least} to ${PASS_PHRASE.most} letters`,
} as const;

/** What a device comes in with: the pass phrase of the workshop, or a code that a device inside has shown. */
export const NEW_SESSION_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['device', 'name'],
  properties: {
    device: ID,
    name: name(60),
    // What is wrong is a wrong phrase, however short.
    passPhrase: { type: 'string', minLength: 1, maxLength: PASS_PHRASE.most, description: 'the pass phrase' },
    code: { type: 'string', pattern: '^[A-Za-z0-9_-]{10,60}$', description: 'a code that a device inside has shown' },
  },
} as const satisfies JSONSchema;

/** What the keeper may change of a device. */
export const DEVICE_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'name or shutOut',
  properties: { name: name(60), shutOut: { const: true, description: 'true' } },
} as const satisfies JSONSchema;

export const NEW_PASS_PHRASE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['passPhrase', 'endOthers'],
  properties: {
    passPhrase: PHRASE,
    /** Whether every device but the one that asks has to come in anew. */
    endOthers: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

/** A device that came in. */
export const DEVICE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'firstAt', 'lastAt', 'lastFrom', 'isIn', 'shutOutAt'],
  properties: {
    id: ID,
    name: { type: 'string' },
    firstAt: INSTANT,
    lastAt: INSTANT,
    lastFrom: { type: 'string' },
    isIn: { type: 'boolean' },
    shutOutAt: { ...INSTANT, type: ['string', 'null'] },
  },
} as const satisfies JSONSchema;

/** The devices, and how often a wrong pass phrase came from where in the last days. */
export const DEVICES_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['devices', 'wrongTries'],
  properties: {
    devices: { type: 'array', items: DEVICE_SCHEMA },
    wrongTries: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['from', 'count', 'lastAt'],
        properties: { from: { type: 'string' }, count: { type: 'integer' }, lastAt: INSTANT },
      },
    },
  },
} as const satisfies JSONSchema;

/** How whoever asks stands with this server. */
export const SESSION_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['isGuarded', 'isIn', 'isAtMachine', 'isKeeper', 'device', 'person', 'trust'],
  properties: {
    /** Whether it listens to the network, and so asks who comes in. */
    isGuarded: { type: 'boolean' },
    isIn: { type: 'boolean' },
    /** Asked on the machine that the server runs on: nobody is asked for a pass phrase there. */
    isAtMachine: { type: 'boolean' },
    isKeeper: { type: 'boolean' },
    device: {
      type: ['object', 'null'],
      additionalProperties: false,
      required: ['id', 'name'],
      properties: { id: ID, name: { type: 'string' } },
    },
    /** Who works with the device; null where nobody has said, and at the machine itself. */
    person: { ...ID, type: ['string', 'null'] },
    /** SHA-256 of what a device is asked to trust, and whether the workshop made it itself; null without the network. */
    trust: {
      type: ['object', 'null'],
      additionalProperties: false,
      required: ['fingerprint', 'isOurs'],
      properties: { fingerprint: { type: 'string' }, isOurs: { type: 'boolean' } },
    },
  },
} as const satisfies JSONSchema;

/** What brings the next device in: addresses to open, best first, and how long it is good. */
export const JOIN_CODE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['code', 'goodUntil', 'addresses'],
  properties: {
    code: { type: 'string' },
    goodUntil: INSTANT,
    addresses: { type: 'array', items: { type: 'string' } },
  },
} as const satisfies JSONSchema;

export type NewSession = FromSchema<typeof NEW_SESSION_SCHEMA>;
export type DeviceChange = FromSchema<typeof DEVICE_CHANGE_SCHEMA>;
export type NewPassPhrase = FromSchema<typeof NEW_PASS_PHRASE_SCHEMA>;
export type Device = FromSchema<typeof DEVICE_SCHEMA>;
export type Devices = FromSchema<typeof DEVICES_SCHEMA>;
export type Session = FromSchema<typeof SESSION_SCHEMA>;
export type JoinCode = FromSchema<typeof JOIN_CODE_SCHEMA>;
