import { INSTANT } from '../../schema/parts';
import { RECORD_KINDS, THINGS, type RecordRows } from '../kinds/all';

/**
 * Everything that a workshop has written down, as one open document: each kind of thing a list, each thing with its own id,
 * naming others by theirs. What the server counts or numbers for itself (revisions, how a weld stands) is made anew.
 */
export const RECORD_FORMAT = 'jolly-tinker/record';
export const RECORD_VERSION = 1;

/** Things in one file, so that a file cannot fill the memory of whoever reads it. */
export const MOST_THINGS = 250_000;

export const RECORD_SCHEMA = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'The record of a welding workshop',
  type: 'object',
  additionalProperties: false,
  required: ['format', 'version', 'madeAt'],
  properties: {
    format: { const: RECORD_FORMAT },
    version: { const: RECORD_VERSION },
    madeAt: INSTANT,
    ...Object.fromEntries(
      RECORD_KINDS.map((kind) => [kind, { type: 'array', maxItems: MOST_THINGS, items: THINGS[kind].schema }]),
    ),
  },
} as const;

export type RecordFile = { format: string; version: number; madeAt: string } & Partial<RecordRows>;

/** An empty record. */
export const noRows = (): RecordRows =>
  Object.fromEntries(RECORD_KINDS.map((kind) => [kind, []])) as unknown as RecordRows;
