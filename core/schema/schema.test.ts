import fc from 'fast-check';
import { beyondLimits, LIMITS } from './limits';
import { ID, INSTANT } from './parts';
import { fieldProblems, MOST_PROBLEMS } from './problems';
import { validateWith, type CompiledValidator } from './validate';

const instant = new RegExp(INSTANT.pattern);
const id = new RegExp(ID.pattern);

describe('an instant', () => {
  it('is any real time of this century as the clock writes it', () => {
    fc.assert(
      fc.property(
        fc.date({
          min: new Date('2000-01-01T00:00:00.000Z'),
          max: new Date('2099-12-31T23:59:59.999Z'),
          noInvalidDate: true,
        }),
        (time) => expect(time.toISOString()).toMatch(instant),
      ),
    );
  });

  it.each([
    '2026-02-29T10:00:00.000Z',
    '2100-01-01T00:00:00.000Z',
    '1999-12-31T00:00:00.000Z',
    '2026-04-31T10:00:00.000Z',
    '2026-13-01T10:00:00.000Z',
    '2026-01-01T24:00:00.000Z',
    '2026-01-01T10:60:00.000Z',
    '2026-01-01T10:00:60.000Z',
    '2026-01-01T10:00:00Z',
    '2026-01-01T10:00:00.000+00:00',
    '2026-01-01 10:00:00.000Z',
  ])('is not %s', (text) => expect(text).not.toMatch(instant));

  it('knows the leap years', () => {
    expect('2024-02-29T10:00:00.000Z').toMatch(instant);
    expect('2000-02-29T10:00:00.000Z').toMatch(instant);
  });
});

describe('an id', () => {
  it('has one form: version 7, lower case', () => {
    expect('0190b000-0000-7000-8000-00000000000a').toMatch(id);
    expect('0190B000-0000-7000-8000-00000000000A').not.toMatch(id);
    expect('0190b000-0000-4000-8000-00000000000a').not.toMatch(id);
    expect('0190b000-0000-7000-c000-00000000000a').not.toMatch(id);
    expect('x0190b000-0000-7000-8000-00000000000a').not.toMatch(id);
  });
});

describe('the limits of any document', () => {
  const nested = (depth: number): unknown => (depth === 0 ? 1 : { a: nested(depth - 1) });

  it('let everything through that is no larger, and name the first place that is', () => {
    expect(beyondLimits({ list: new Array(LIMITS.list).fill(1), text: 'x'.repeat(LIMITS.text) })).toBeNull();
    expect(beyondLimits({ deep: { list: new Array(LIMITS.list + 1).fill(1) } })).toEqual({
      field: 'deep.list',
      takes: `a list of at most ${LIMITS.list}`,
    });
    expect(beyondLimits({ a: { note: 'x'.repeat(LIMITS.text + 1) } })?.field).toBe('a.note');
    expect(beyondLimits(nested(LIMITS.depth))).toBeNull();
    expect(beyondLimits(nested(LIMITS.depth + 2))?.takes).toContain('levels');
    expect(beyondLimits(JSON.parse('[1e999]'))?.field).toBe('0');
    const wide = Object.fromEntries(Array.from({ length: LIMITS.fields + 1 }, (_, i) => [`f${i}`, 1]));
    expect(beyondLimits(wide)).toEqual({ field: 'body', takes: `at most ${LIMITS.fields} fields` });
    const many = Object.fromEntries(Array.from({ length: 100 }, (_, i) => [`f${i}`, new Array(100).fill(1)]));
    expect(beyondLimits(many)).toEqual({ field: 'body', takes: `at most ${LIMITS.parts} values in all` });
    expect([null, 1, 'x', true].map(beyondLimits)).toEqual([null, null, null, null]);
  });
});

describe('reading a value', () => {
  const matches = ((input: unknown) => typeof input === 'number') as CompiledValidator;

  it('asks what a schema cannot say only when the schema holds', () => {
    matches.errors = [
      { instancePath: '', keyword: 'type', params: { type: 'number' }, schemaPath: '', parentSchema: {} },
    ];
    const beyond = jest.fn((value: number) => (value > 5 ? [{ field: 'body', takes: 'up to 5' }] : []));
    expect(validateWith(matches, 3, beyond)).toEqual({ value: 3, problems: null });
    expect(validateWith(matches, 7, beyond)).toEqual({ value: null, problems: [{ field: 'body', takes: 'up to 5' }] });
    expect(beyond).toHaveBeenCalledTimes(2);
    expect(validateWith(matches, 'x', beyond)).toEqual({
      value: null,
      problems: [{ field: 'body', takes: 'a number' }],
    });
    expect(beyond).toHaveBeenCalledTimes(2);
  });
});

describe('problems in words', () => {
  const error = (keyword: string, params: object, parentSchema: object = {}, instancePath = '/a/b~1c') => ({
    keyword,
    params,
    parentSchema,
    instancePath,
    schemaPath: '',
  });
  it.each([
    [error('required', { missingProperty: 'x' }), 'a.b/c.x', 'a value: it is missing'],
    [error('additionalProperties', { additionalProperty: 'y' }), 'a.b/c.y', 'nothing: there is no such field'],
    [error('propertyNames', { propertyName: 'z' }), 'a.b/c.z', 'nothing: it is no id that is known'],
    [error('enum', { allowedValues: ['p', null] }), 'a.b/c', 'one of p, null'],
    [error('const', { allowedValue: 'k' }), 'a.b/c', '"k"'],
    [error('minimum', {}, { minimum: 1, maximum: 3 }), 'a.b/c', 'a number from 1 to 3'],
    [error('maximum', {}, { minimum: 1 }), 'a.b/c', 'a number from 1'],
    [error('maximum', {}, { maximum: 3 }), 'a.b/c', 'a number up to 3'],
    [error('maxItems', {}, { maxItems: 4 }), 'a.b/c', 'a list of 0 to 4'],
    [error('maxProperties', {}, { maxProperties: 4 }), 'a.b/c', 'at most 4 fields'],
    [error('uniqueItems', {}), 'a.b/c', 'each item once'],
    [error('type', { type: 'number' }, { minimum: 1, maximum: 3 }), 'a.b/c', 'a number from 1 to 3'],
    [error('type', { type: 'integer' }, { minimum: 1, maximum: 3 }), 'a.b/c', 'a whole number from 1 to 3'],
    [error('type', { type: ['string', 'null'] }), 'a.b/c', 'text or null'],
    [error('type', { type: 'string' }, { description: 'a name' }), 'a.b/c', 'a name'],
    [error('pattern', {}, { description: 'a name' }), 'a.b/c', 'a name'],
    [error('odd', {}), 'a.b/c', 'another value'],
  ])('%j', (one, field, takes) => {
    expect(fieldProblems([one])).toEqual([{ field, takes }]);
  });

  it('name each field once, twenty at most, and leave out what is told elsewhere', () => {
    const many = Array.from({ length: 50 }, (_, i) => error('type', { type: 'number' }, {}, `/f${i % 30}`));
    expect(fieldProblems(many)).toHaveLength(MOST_PROBLEMS);
    expect(fieldProblems([error('enum', { allowedValues: [] }), error('const', { allowedValue: 1 })])).toHaveLength(1);
    expect(fieldProblems([{ ...error('enum', { allowedValues: [] }), propertyName: 'x' }])).toEqual([]);
    expect(fieldProblems(null)).toEqual([]);
    expect(fieldProblems([error('type', { type: 'object' }, {}, '')])[0].field).toBe('body');
    expect(fieldProblems([error('type', { type: 'object' }, {}, `/${'x'.repeat(500)}`)])[0].field).toHaveLength(120);
  });
});
