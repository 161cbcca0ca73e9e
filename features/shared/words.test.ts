import { jobWords } from './job-words';
import { recordResolver, typedFigure } from './record-form';
import { fittedWords, processOf, supplyWords, USUAL_GASES, wireWords } from './rig-words';

describe('a job in one line', () => {
  it('names the plates, the metal, the joint and the position', () => {
    const job = {
      thicknessMm: 3,
      otherThicknessMm: 6,
      baseMetal: 'mild-steel',
      joint: 'fillet',
      position: 'horizontal',
    } as const;
    expect(jobWords(job, 'metric')).toBe('3 on 6 mm, mild steel, fillet, horizontal');
    expect(jobWords({ ...job, otherThicknessMm: 3 }, 'metric')).toBe('3 mm, mild steel, fillet, horizontal');
    expect(jobWords({ thicknessMm: 6.35, joint: 'corner' }, 'inch')).toBe('0.25 in, outside corner');
    expect(jobWords({}, 'metric')).toBe('thickness not known');
    expect(jobWords({ position: 'vertical-up' }, 'metric')).toBe('thickness not known, vertical up');
  });
});

describe('a rig in words', () => {
  const rig = {
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    nozzleBoreMm: 12.7,
    polarity: 'electrode-positive',
  } as const;

  it('says the wire by its size in the trade', () => {
    expect(wireWords(rig, 'metric')).toBe('0.9 mm, solid steel');
    expect(wireWords(rig, 'inch')).toMatch(/^\.035 in, solid steel$/);
    expect(wireWords({}, 'metric')).toBe('size not known, wire not known');
  });

  it('says what is fitted, and what feeds it', () => {
    expect(fittedWords(rig, 'metric')).toBe('0.9 mm, 82 Ar / 18 CO2');
    expect(fittedWords({}, 'metric')).toMatch(/^wire not known, /);
    expect(supplyWords(rig, 'metric')).toBe('82 Ar / 18 CO2, nozzle 12.7 mm, gun on plus');
    expect(supplyWords({ gas: null, polarity: 'electrode-negative' }, 'metric')).toMatch(/, gun on minus$/);
    // "tubular, no gas" has said so already; steel without gas is told.
    const bare = { wire: { class: 'tubular-self-shielded' as const }, gas: null };
    expect(supplyWords({ ...bare, polarity: 'electrode-negative' }, 'metric')).toBe('gun on minus');
    expect(supplyWords({ wire: { class: 'solid-steel' }, gas: null }, 'metric')).toBe('no gas');
  });

  it('has a process for each wire, and usual mixes that are whole', () => {
    expect(processOf('tubular-self-shielded')).toBe('fcaw-self-shielded');
    expect(processOf('tubular-gas-shielded')).toBe('fcaw-gas-shielded');
    expect(processOf('solid-aluminium')).toBe('gmaw');
    for (const { gas } of USUAL_GASES) expect(Object.values(gas).reduce((sum, share) => sum + share, 0)).toBe(100);
  });
});

describe('a figure that is typed', () => {
  it('is read with comma or point, is nothing when empty, and no figure when it is none', () => {
    expect(typedFigure('2,5')).toBe(2.5);
    expect(typedFigure(' 2.5 ')).toBe(2.5);
    expect(typedFigure('  ')).toBeUndefined();
    expect(typedFigure('2,5,1')).toBeNaN();
  });
});

describe('the checks of a form', () => {
  type Typed = { title: string; other: string };
  const problems = [
    { field: 'job.title', takes: 'a title' },
    { field: 'job.title', takes: 'a shorter title' },
    { field: 'job.at', takes: 'a time' },
  ];
  const resolve = (found: typeof problems | null) =>
    recordResolver<Typed, unknown>(
      ({ title }) => ({ job: { title } }),
      (input) => {
        expect(input).toEqual({ job: { title: 'x' } });
        return found === null ? { value: input, problems: null } : { value: null, problems: found };
      },
      (field) => (field === 'job.title' ? 'title' : null),
    )({ title: 'x', other: 'y' }, undefined, {} as never);

  it('pass what the record’s schema takes, untouched', async () => {
    expect(await resolve(null)).toEqual({ values: { title: 'x', other: 'y' }, errors: {} });
  });

  it('name the first problem of each field, and what was not typed at the root', async () => {
    expect(await resolve(problems)).toEqual({
      values: {},
      errors: { title: { type: 'schema', message: 'a title' }, root: { type: 'schema', message: 'a time' } },
    });
  });
});
