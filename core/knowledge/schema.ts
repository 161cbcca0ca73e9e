import type { JSONSchema } from 'json-schema-to-ts';
import { FIGURES } from '../evidence/table';

/** The shape of the knowledge as JSON Schema: what the types say, held against the data at test time. */
const sentence = { type: 'string', minLength: 6, maxLength: 200 } as const;
/** What is seen, short enough for a button. */
const seen = { type: 'string', minLength: 4, maxLength: 40 } as const;
const id = { type: 'string', pattern: '^[a-z]+(-[a-z]+)*$' } as const;
const chance = { type: 'number', exclusiveMinimum: 0, exclusiveMaximum: 1 } as const;

export const FINDING_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'plain', 'sense', 'leak', 'drawing', 'words', 'mistakenFor'],
  properties: {
    id,
    name: { type: 'string', minLength: 3, maxLength: 28 },
    plain: sentence,
    sense: { enum: ['see', 'hear', 'feel', 'behind', 'cut'] },
    good: { const: true },
    leak: chance,
    leakWhen: {
      type: 'object',
      additionalProperties: false,
      required: ['when', 'leak', 'because'],
      properties: { when: { type: 'object', minProperties: 1 }, leak: chance, because: sentence },
    },
    drawing: { type: 'object' },
    mistakenFor: sentence,
    words: { type: 'array', minItems: 1, items: { type: 'string' } },
  },
} as const satisfies JSONSchema;

export const CHECK_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'plain', 'clear', 'fault', 'minutes', 'tools'],
  properties: {
    id: { type: 'string', pattern: '^check-[a-z-]+$' },
    name: { type: 'string', minLength: 3, maxLength: 34 },
    plain: sentence,
    clear: seen,
    fault: seen,
    minutes: { type: 'number', exclusiveMinimum: 0, maximum: 60 },
    tools: { type: 'string', minLength: 3 },
    caution: sentence,
    compares: { enum: Object.keys(FIGURES) },
  },
} as const satisfies JSONSchema;

export const CAUSE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'plain', 'group', 'prior', 'links', 'check', 'remedy'],
  properties: {
    id,
    name: { type: 'string', minLength: 3, maxLength: 28 },
    plain: sentence,
    group: { enum: ['settings', 'heat', 'technique', 'cover', 'plate', 'feed', 'electrics'] },
    prior: chance,
    priorFactors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['when', 'factor', 'because'],
        properties: {
          when: { type: 'object', minProperties: 1 },
          factor: { type: 'number', minimum: 0, maximum: 100 },
          because: sentence,
        },
      },
    },
    exclusive: { type: 'string' },
    figures: {
      type: 'array',
      items: {
        type: 'object',
        required: ['residual', 'at', 'because'],
        properties: {
          residual: { type: 'string' },
          at: { type: 'number' },
          otherwise: { type: 'number' },
          because: sentence,
        },
      },
    },
    links: { type: 'array', minItems: 1, items: { type: 'array', minItems: 3, maxItems: 3 } },
    linksWhen: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['when', 'links'],
        properties: {
          when: { type: 'object', minProperties: 1 },
          links: { type: 'array', minItems: 1, items: { type: 'array', minItems: 3, maxItems: 3 } },
        },
      },
    },
    check: { type: 'string', pattern: '^check-' },
    checkStrength: chance,
    early: { type: 'string', pattern: '^check-' },
    remedy: {
      type: 'object',
      additionalProperties: false,
      required: ['kind', 'plain', 'prevent'],
      properties: {
        kind: { enum: ['setting', 'technique', 'part', 'plate'] },
        plain: sentence,
        prevent: sentence,
        caution: { type: 'string', minLength: 4 },
      },
    },
  },
} as const satisfies JSONSchema;
