import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { HABITS_SCHEMA } from '../record/shapes/habits-schema';
import { ANSWERED_SCHEMA } from '../school/practice-schema';
import { ID, name } from '../schema/parts';
import { COLOURS, MOST_SENT, OWN_PHRASE } from './person';

const PERSON = {
  id: ID,
  name: name(60),
  initials: name(3),
  colour: { type: 'integer', minimum: 0, maximum: COLOURS - 1 },
} as const;

/** Somebody who works here, as they are picked from. */
export const PERSON_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'initials', 'colour', 'isKeeper', 'hasPassPhrase', 'putAway'],
  properties: {
    ...PERSON,
    isKeeper: { type: 'boolean' },
    hasPassPhrase: { type: 'boolean' },
    putAway: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

export const NEW_PERSON_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'initials', 'colour'],
  properties: PERSON,
} as const satisfies JSONSchema;

/** What the keeper may change of somebody. */
export const PERSON_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'name, initials, colour, isKeeper or putAway',
  properties: {
    name: PERSON.name,
    initials: PERSON.initials,
    colour: PERSON.colour,
    isKeeper: { type: 'boolean' },
    putAway: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

/** Who works with a device from now on; null for nobody in particular. */
export const PICK_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['person'],
  properties: {
    person: { ...ID, type: ['string', 'null'] },
    passPhrase: { type: 'string', minLength: 1, maxLength: OWN_PHRASE.most, description: 'their own pass phrase' },
  },
} as const satisfies JSONSchema;

/** A pass phrase of somebody's own, with the one before where there is one; null takes it away. */
export const OWN_PHRASE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['passPhrase'],
  properties: {
    passPhrase: {
      type: ['string', 'null'],
      minLength: OWN_PHRASE.least,
      maxLength: OWN_PHRASE.most,
      description: `a pass phrase of ${OWN_PHRASE.least} letters or more, or null for none`,
    },
    before: { type: 'string', minLength: 1, maxLength: OWN_PHRASE.most },
  },
} as const satisfies JSONSchema;

/** What follows somebody from device to device: how they weld, and what they answered in the School. */
export const FOLLOWING_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['habits', 'answers'],
  properties: {
    habits: { ...HABITS_SCHEMA, type: ['object', 'null'] },
    answers: { type: 'array', items: ANSWERED_SCHEMA },
  },
} as const satisfies JSONSchema;

/** What a device adds to it. */
export const FOLLOWING_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'habits or answers',
  properties: {
    habits: HABITS_SCHEMA,
    answers: { type: 'array', maxItems: MOST_SENT, items: ANSWERED_SCHEMA },
  },
} as const satisfies JSONSchema;

export type Following = FromSchema<typeof FOLLOWING_SCHEMA>;
export type FollowingChange = FromSchema<typeof FOLLOWING_CHANGE_SCHEMA>;
export type Person = FromSchema<typeof PERSON_SCHEMA>;
export type NewPerson = FromSchema<typeof NEW_PERSON_SCHEMA>;
export type PersonChange = FromSchema<typeof PERSON_CHANGE_SCHEMA>;
export type Pick = FromSchema<typeof PICK_SCHEMA>;
export type OwnPhrase = FromSchema<typeof OWN_PHRASE_SCHEMA>;
