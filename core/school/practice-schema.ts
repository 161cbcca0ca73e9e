import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { INSTANT } from '../schema/parts';
import { MOST_ANSWERS } from './most-answers';

/** What is drilled. */
export const DRILLS = ['by-ear', 'by-eye', 'its-cause', 'one-knob', 'set-blind', 'what-first'] as const;
export type Drill = (typeof DRILLS)[number];

const ITEM = { type: 'string', minLength: 1, maxLength: 40 } as const;

/** One answer: what it was, what was said that it was, how hard it was. */
export const ANSWERED_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['at', 'drill', 'item', 'said', 'level'],
  properties: {
    at: INSTANT,
    drill: { enum: DRILLS },
    /** What it was, and what was said that it was. */
    item: ITEM,
    said: ITEM,
    level: { type: 'integer', minimum: 1, maximum: 8 },
  },
} as const satisfies JSONSchema;

/** What somebody answered in the School, one after the other: all that is known of them follows from these. */
export const PRACTICE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['answers'],
  properties: {
    answers: {
      type: 'array',
      maxItems: MOST_ANSWERS,
      items: ANSWERED_SCHEMA,
    },
  },
} as const satisfies JSONSchema;

export type Practice = FromSchema<typeof PRACTICE_SCHEMA>;
export type Answered = Practice['answers'][number];

/** With one more answer; the oldest are forgotten where there are too many. */
export const withAnswer = ({ answers }: Practice, answered: Answered): Practice => ({
  answers: [...answers, answered].slice(-MOST_ANSWERS),
});

/** The answers of one drill, oldest first. */
export const ofDrill = ({ answers }: Practice, drill: Drill): Answered[] =>
  answers.filter((one) => one.drill === drill);

export const isRight = ({ item, said }: Pick<Answered, 'item' | 'said'>): boolean => item === said;
