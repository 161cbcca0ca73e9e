import { CHANGE_KINDS, CHANGES, RECORD_KINDS, THINGS } from './all';
import type { ChangeDescriptor, ThingDescriptor } from './descriptor';

const things = RECORD_KINDS.map((list) => [list, THINGS[list] as ThingDescriptor] as const);

describe.each(things)('the descriptor of %s', (_, { schema, mayChange, names, changes }) => {
  it('speaks of fields that the thing has', () => {
    for (const field of [...mayChange, ...names.map(([field]) => field)])
      expect(Object.keys(schema.properties)).toContain(field);
    expect(schema.required).toContain('id');
  });

  it('names lists of the record', () => {
    for (const [, list] of names) expect(RECORD_KINDS).toContain(list);
  });

  it('has a name for each that nothing else has, and its changes are among all', () => {
    for (const [kind, change] of Object.entries(changes)) expect(CHANGES).toHaveProperty([kind], change);
  });

  it('names every other thing by an id', () => {
    const ids = Object.keys(schema.properties).filter((field) => field.endsWith('Id'));
    // The coupon of a saved setting is its bead's.
    const said = new Set([
      ...names.map(([field]) => field),
      ...(names.some(([, list]) => list === 'beads') ? ['couponId'] : []),
    ]);
    expect(ids.filter((field) => !said.has(field))).toEqual([]);
  });
});

it('every thing is called otherwise, and every change belongs to one thing', () => {
  const called = things.map(([, { name }]) => name);
  expect(new Set(called).size).toBe(called.length);
  const kinds = things.flatMap(([, { changes }]) => Object.keys(changes));
  expect([...kinds].sort()).toEqual([...CHANGE_KINDS].sort());
});

it('what begins something has its id in its schema, and what is put to it is named in the history by a field of its own', () => {
  const changes = CHANGE_KINDS.map((kind) => CHANGES[kind] as ChangeDescriptor);
  for (const { begins, fields, puts, beside } of changes) {
    const { required = [] } = fields as { required?: readonly string[] };
    expect(required.includes('id')).toBe(begins || puts !== undefined);
    if (beside) expect(puts).toBeDefined();
  }
  const puts = changes.flatMap((one) => one.puts ?? []);
  expect(new Set(puts).size).toBe(puts.length);
});
