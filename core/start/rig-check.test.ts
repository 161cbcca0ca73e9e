import { dutyAt, gunCarries } from '../arc/carries';
import { linerSuits, rollSuits, tipSuits } from '../arc/fit';
import { arcSetup } from '../arc/setup';
import { answer } from '../answer';
import { completeMix } from '../case/gas-mix';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case, Rig } from '../case/schema';
import { PART_WORDS, rigCheck, type RigCheckItem, type RigPart } from './rig-check';
import { DEFAULT_RIG, onJob } from './testing/jobs';

const check = (rig: object = {}, job: object = {}, currentA = 140): RigCheckItem[] => {
  const input = onJob({ thicknessMm: 3, ...job }, rig);
  return rigCheck(arcSetup(input), input.rig!, input.job!.thicknessMm ?? null, currentA);
};
const of = (part: RigPart, ...asked: Parameters<typeof check>): RigCheckItem =>
  check(...asked).find((item) => item.part === part)!;
const wrong = (...asked: Parameters<typeof check>): RigPart[] =>
  check(...asked).flatMap(({ part, state }) => (state === 'wrong' ? [part] : []));

/** A rig in which everything is recorded, and everything fits. */
const FITTED: Partial<Rig> = {
  parts: {
    roll: { groove: 'v', sizeMm: 0.9 },
    liner: { kind: 'steel', sizeMm: 1.2 },
    tip: { sizeMm: 0.9, recessMm: 1 },
  },
  gun: { ratedA: 250, cooling: 'air' },
  source: { ratedA: 180, ratedPct: 60 },
};
const withPart = (part: object): object => ({ ...FITTED, parts: { ...FITTED.parts, ...part } });

describe('what a rig has to be for its wire and job', () => {
  it('is said of every part, and nothing is wrong where all of it fits', () => {
    const all = check(FITTED);
    expect(all.map(({ part }) => part)).toEqual(Object.keys(PART_WORDS));
    expect(all.map(({ state }) => state)).toEqual(all.map(() => 'fits'));
    expect(all.every(({ does, cause }) => does === null && cause === null)).toBe(true);
  });

  it('says what is not known as that, with what it has to be', () => {
    const bare = check({ gas: undefined, polarity: undefined, nozzleBoreMm: undefined });
    const unknown = bare.filter(({ state }) => state === 'not-known').map(({ part }) => part);
    expect(unknown).toEqual(['gas', 'roll', 'liner', 'tip', 'recess', 'nozzle', 'polarity', 'gun', 'source']);
    expect(bare.every(({ want }) => want.length > 4)).toBe(true);
  });

  it.each<[RigPart, object, object, number]>([
    ['wire', { wire: { class: 'solid-steel', diameterMm: 1.2 } }, { thicknessMm: 0.8 }, 60],
    ['wire', {}, { baseMetal: 'aluminium' }, 140],
    ['gas', { gas: { argonPct: 100 } }, {}, 140],
    ['gas', { gas: null }, {}, 140],
    ['roll', withPart({ roll: { groove: 'u', sizeMm: 0.9 } }), {}, 140],
    ['roll', withPart({ roll: { sizeMm: 1.2 } }), {}, 140],
    ['liner', withPart({ liner: { sizeMm: 0.8 } }), {}, 140],
    ['liner', withPart({ liner: { sizeMm: 2 } }), {}, 140],
    ['tip', withPart({ tip: { sizeMm: 1.2 } }), {}, 140],
    ['recess', withPart({ tip: { sizeMm: 0.9, recessMm: 8 } }), {}, 140],
    ['recess', withPart({ tip: { sizeMm: 0.9, recessMm: -3 } }), {}, 140],
    ['nozzle', { ...FITTED, nozzleBoreMm: 12 }, {}, 220],
    ['polarity', { ...FITTED, polarity: 'electrode-negative' }, {}, 140],
    ['gun', { ...FITTED, gun: { ratedA: 150 } }, {}, 140],
    ['source', { ...FITTED, source: { ratedA: 110, ratedPct: 20 } }, {}, 140],
  ])('finds the wrong %s, and says what it will do to the bead', (part, rig, job, currentA) => {
    expect(wrong(rig, job, currentA)).toContain(part);
    expect(of(part, rig, job, currentA).does).toMatch(/\.$/);
  });

  it('names the cause that a mismatch is known as, where there is one', () => {
    expect(of('tip', withPart({ tip: { sizeMm: 1.2 } })).cause).toBe('tip-wrong-size');
    expect(of('polarity', { ...FITTED, polarity: 'electrode-negative' }).cause).toBe('polarity-wrong');
    expect(of('gun', { ...FITTED, gun: { ratedA: 150 } }).cause).toBeNull();
  });

  it('wants a knurled roll and no gas for self-shielded wire, a U groove, soft liner and wider tip for aluminium', () => {
    const slag = {
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      gas: null,
      polarity: 'electrode-negative',
    };
    expect(check(slag).map(({ part }) => part)).not.toContain('gas');
    const fed = check({ ...slag, gas: { argonPct: 82, co2Pct: 18 } }).find(({ part }) => part === 'gas')!;
    expect(fed).toEqual(expect.objectContaining({ state: 'wrong', want: 'none: the wire makes its own' }));
    expect(of('roll', slag).want).toBe('knurled, 0.9 mm');
    expect(wrong({ ...FITTED, ...slag })).toEqual(['roll']);
    const soft = { baseMetal: 'aluminium', thicknessMm: 4 };
    expect(of('liner', DEFAULT_RIG.aluminium, soft).want).toBe('polymer, for 1.2 mm');
    expect(of('tip', DEFAULT_RIG.aluminium, soft).want).toBe('1.2 mm or 1.4 mm');
  });

  it('wants the tip back in the nozzle for spray, and near its end for the short arc', () => {
    const spray = { ...withPart({ tip: { recessMm: 5 } }), gas: { argonPct: 95, co2Pct: 5 } };
    expect(of('recess', spray, { thicknessMm: 10 }, 220).state).toBe('fits');
    expect(of('recess', spray, {}, 120).state).toBe('wrong');
  });
});

describe('a nozzle', () => {
  it('may be tapered at 140 A, where it reaches into the joint, and not at 220', () => {
    const tapered = withPart({ nozzle: { shape: 'tapered' } });
    expect(of('nozzle', { ...tapered, nozzleBoreMm: 16 }, {}, 140).state).toBe('fits');
    expect(of('nozzle', { ...tapered, nozzleBoreMm: 16 }, {}, 220)).toEqual(
      expect.objectContaining({ state: 'wrong', have: '16 mm, tapered' }),
    );
    expect(of('nozzle', { ...withPart({ nozzle: { shape: 'straight' } }), nozzleBoreMm: 16 }, {}, 220).state).toBe(
      'fits',
    );
  });
});

describe('what fits a wire', () => {
  const steel = { class: 'solid-steel', diameterMm: 0.9 } as const;
  it('is a roll, tip and liner of its size, in whatever units they are stamped', () => {
    expect(rollSuits(steel, { groove: 'v', sizeMm: 0.889 })).toBe(true);
    expect(rollSuits(steel, {})).toBe(true);
    expect(rollSuits({ class: 'solid-stainless', diameterMm: 0.9 }, { groove: 'knurled' })).toBe(false);
    expect(tipSuits(steel, 0.9)).toBe(true);
    expect(tipSuits(steel, 1.0)).toBe(false);
    expect(tipSuits({ class: 'solid-aluminium', diameterMm: 1.2 }, 1.4)).toBe(true);
    expect(linerSuits(steel, { sizeMm: 1.2 })).toBe(true);
    expect(linerSuits({ class: 'solid-aluminium', diameterMm: 1.2 }, { kind: 'steel' })).toBe(false);
  });

  it('is a gun that carries the current: a third to two fifths less in argon mixes than its stamp in CO2', () => {
    const mix = (argonPct: number) => completeMix({ argonPct, co2Pct: 100 - argonPct });
    expect(gunCarries(300, mix(0))).toBe(300);
    for (const argonPct of [75, 82, 92]) {
      expect(gunCarries(300, mix(argonPct))).toBeGreaterThanOrEqual(300 * 0.6);
      expect(gunCarries(300, mix(argonPct))).toBeLessThanOrEqual(300 * 0.67);
    }
  });

  it('is a machine that stands it: 35 % at 180 A are 79 % at 120 A, and all the time at 100 A', () => {
    expect(dutyAt(120, 180, 35)).toBeCloseTo(78.75, 2);
    expect(dutyAt(100, 180, 35)).toBe(100);
    expect(dutyAt(250, 180, 35)).toBeCloseTo(18.1, 1);
  });
});

it('puts a recorded roll or tip of the wrong size before any number', () => {
  const on = (parts: NonNullable<Rig['parts']>): Case => ({ ...EXAMPLE_CASE, rig: { ...EXAMPLE_CASE.rig, parts } });
  const [first] = answer(on({ roll: { groove: 'u', sizeMm: 0.9 } })).correction.moves;
  expect(first).toEqual(expect.objectContaining({ kind: 'remedy', cause: 'roll-wrong', seen: true }));
  const tip = answer(on({ tip: { sizeMm: 1.2 } }));
  expect(tip.correction.moves.map((move) => (move.kind === 'remedy' ? move.cause : move.setting))).toEqual([
    'tip-wrong-size',
  ]);
  // Recorded right it speaks against the cause, and changes nothing else.
  const right = answer(on({ roll: { groove: 'v', sizeMm: 0.9 }, tip: { sizeMm: 0.9 } }));
  const chance = (said: ReturnType<typeof answer>, id: string): number =>
    said.causes.find(({ cause }) => cause === id)?.probability ?? 0;
  expect(chance(right, 'tip-wrong-size')).toBeLessThanOrEqual(chance(answer(EXAMPLE_CASE), 'tip-wrong-size'));
  expect(right.correction.settings).toEqual(answer(EXAMPLE_CASE).correction.settings);
});
