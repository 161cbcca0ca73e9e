/**
 * The building blocks of every schema: each text, list and number of the product has a limit, and says it the same way.
 */

/** A number in a range. */
export const number = <L extends number, H extends number>(minimum: L, maximum: H) =>
  ({ type: 'number', minimum, maximum }) as const;

/** UUIDv7 in lower case: one id has one form, so that it cannot make two rows. */
export const ID = {
  type: 'string',
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
  description: 'a UUIDv7 in lower case',
} as const;

/**
 * A real instant in UTC from 2000 to 2099, written as `Date.toISOString` writes it, so that sorting the text sorts the
 * time. The pattern knows the length of every month, and leap years; leap seconds and other zones are refused.
 */
export const INSTANT = {
  type: 'string',
  pattern:
    '^(?:20\\d\\d-(?:(?:0[13578]|1[02])-(?:0[1-9]|[12]\\d|3[01])|(?:0[469]|11)-(?:0[1-9]|[12]\\d|30)|02-(?:0[1-9]|1\\d|2[0-8]))|20(?:[02468][048]|[13579][26])-02-29)T(?:[01]\\d|2[0-3]):[0-5]\\d:[0-5]\\d\\.\\d{3}Z$',
  description: 'a time such as 2026-05-04T09:30:00.000Z',
} as const;

/** A name on one line: something must stand there, and nothing that cannot be seen. */
export const name = <L extends number>(maxLength: L) =>
  ({
    type: 'string',
    minLength: 1,
    maxLength,
    pattern: '^(?=.*\\S)[^\\u0000-\\u001f\\u007f]*$',
    description: `one line of 1 to ${maxLength} letters`,
  }) as const;

/** Free text of some lines; may be empty. */
export const note = <L extends number>(maxLength: L) =>
  ({
    type: 'string',
    maxLength,
    pattern: '^[^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f]*$',
    description: `text of up to ${maxLength} letters`,
  }) as const;

/** A list of different words. */
export const words = <T extends readonly string[]>(of: T) =>
  ({ type: 'array', items: { enum: of }, uniqueItems: true, maxItems: 20 }) as const;

/** The revision at which a row was last written. */
export const REVISION = { type: 'integer', minimum: 1 } as const;
