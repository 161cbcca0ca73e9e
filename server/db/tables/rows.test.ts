import { readable, toAppearance, toBead, toJob, toRig, toSetup } from './rows';

const SETUP = { id: 's', rigId: 'r', fittedAt: '2026-05-01T08:00:00.000Z', assumed: false, revision: 2 };
const FACTS = { rig: { nozzleBoreMm: 13 }, arcControlRising: 'crisper', display: 'dial' };
const BEAD = { id: 'b', couponId: 'c', number: 1, appearance: null, shows: 'porous' } as never as Parameters<
  typeof toBead
>[0];
const bead = (facts: unknown, appearance: string | null = null) =>
  toBead({ ...BEAD, facts: typeof facts === 'string' ? facts : JSON.stringify(facts), appearance });

describe('rows that are read', () => {
  it('are a setup with what was fitted, and a rig with its setup', () => {
    const row = { ...SETUP, facts: JSON.stringify(FACTS) } as never as Parameters<typeof toSetup>[0];
    expect(toSetup(row)).toEqual({ ...SETUP, ...FACTS });
    const rig = toRig({ id: 'r', name: 'Dock set', setupId: 's', note: '', putAway: false, revision: 4 } as never, row);
    expect(rig).toEqual({
      id: 'r',
      name: 'Dock set',
      note: '',
      putAway: false,
      revision: 4,
      setup: { ...SETUP, ...FACTS },
    });
  });

  it('are a job as it was stated', () => {
    expect(toJob({ id: 'j', at: 'then', job: '{"gapMm":2}' })).toEqual({ id: 'j', at: 'then', job: { gapMm: 2 } });
  });

  it('are a bead with empty parts for what an older one did not keep', () => {
    expect(bead({})).toEqual({
      id: 'b',
      couponId: 'c',
      number: 1,
      settings: {},
      readings: {},
      schools: {},
      findings: {},
      names: {},
      verdict: null,
      move: null,
      judgedBy: null,
      appearance: null,
    });
    const facts = {
      settings: { voltageV: 17 },
      readings: { voltageV: 'dial' },
      schools: { imbalance: 'wire' },
      findings: { 'bead-flat': 'present' },
      names: { 'bead-flat': 'Flat' },
      verdict: { cause: 'voltage-high', name: 'Volts high', probability: 0.7 },
      move: { kind: 'remedy', text: 'Clean' },
      judgedBy: 'x',
    };
    expect(bead(facts, '{"width":1}')).toEqual({
      id: 'b',
      couponId: 'c',
      number: 1,
      ...facts,
      appearance: { width: 1 },
    });
  });

  it.each(['[]', 'null', '"text"', '7'])('are refused where the document is %s', (text) => {
    expect(() => bead(text)).toThrow(new SyntaxError('not an object'));
    expect(() => toJob({ id: 'j', at: '', job: text })).toThrow('not an object');
    expect(toAppearance(text)).toBeNull();
  });

  it.each(['settings', 'readings', 'schools', 'findings', 'names'])('are refused where %s is no object', (part) => {
    expect(() => bead({ [part]: [] })).toThrow(`${part} is not an object`);
    expect(() => bead({ [part]: 'text' })).toThrow(`${part} is not an object`);
    expect(bead({ [part]: null })).toEqual(bead({}));
  });

  it('are, for a drawing, what can be read, or nothing', () => {
    expect(toAppearance('{"width":1}')).toEqual({ width: 1 });
    expect(toAppearance(null)).toBeNull();
    expect(toAppearance('{"width":')).toBeNull();
  });
});

describe('rows that are read one by one', () => {
  it('leave out those that cannot be, and say which and why', () => {
    const told: unknown[] = [];
    const read = readable(
      'beads',
      [{ id: 'a' }, { id: 'b' }, { id: 'c' }, { id: 'd' }],
      ({ id }) => {
        if (id === 'b') throw new SyntaxError('broken');

        if (id === 'c') throw 'odd';
        return id.toUpperCase();
      },
      (row) => told.push(row),
    );
    expect(read).toEqual(['A', 'D']);
    expect(told).toEqual([
      { table: 'beads', id: 'b', why: 'broken' },
      { table: 'beads', id: 'c', why: 'odd' },
    ]);
  });
});
