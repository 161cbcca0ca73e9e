import { answer, startAnswer } from '../answer';
import { stream } from '../chance/stream';
import { diagnose } from '../diagnosis/diagnose';
import { ENGINE } from '../answer/engine';
import { FINDINGS, finding } from '../knowledge';
import { OPPOSITES } from '../knowledge/opposites';
import { envelopeOf } from '../hearing/envelope';
import { onsetsOf } from '../hearing/onsets';
import { heardAs } from '../sound/caption';
import { SimulatedArc } from '../sound/simulate';
import { traceFigures } from '../sound/trace-figures';
import { SAMPLE_RATE } from '../sound/sample-rate';
import { draws } from '../testing/draws';
import { beatBar, beatS } from './beat';
import { couponSheet } from './coupons';
import { EAR_ITEMS, earQuestion, type EarItem } from './by-ear';
import { eyeQuestion, SCHOOL_CASE } from './by-eye';
import { EYE_ITEMS } from './eye-items';
import { confusionOf, mixedUp, rightByTens, toldApart } from './confusion';
import { levelAfter, LEVELS } from './level';
import { cardOf, nextItem, worthAsking } from './next-item';
import { KNOBS, knobQuestion } from './one-knob';
import { MOST_ANSWERS } from './most-answers';
import { ofDrill, withAnswer, type Answered } from './practice-schema';
import { MOST_BEADS } from './blind-knobs';
import { blindBead, blindMachine, productBeads } from './set-blind';
import { firstQuestion } from './what-first';

const START = Date.parse('2026-03-02T08:00:00Z');
const DAY = 24 * 60 * 60 * 1000;
const said = (item: string, answer = item, day = 0): Answered => ({
  ...{ at: new Date(START + day * DAY).toISOString(), drill: 'by-ear', item, said: answer, level: 2 },
});

describe('how hard it is', () => {
  it('goes up after two right ones, down after a wrong one, and stays within its ends', () => {
    const [right, wrong] = [said('right'), said('right', 'volts-low')];
    expect(levelAfter([])).toBe(2);
    expect(levelAfter([right])).toBe(2);
    expect(levelAfter([right, right])).toBe(3);
    expect(levelAfter([right, right, right, wrong])).toBe(2);
    expect(levelAfter([right, wrong, right])).toBe(1);
    expect(levelAfter(Array.from({ length: 40 }, () => right))).toBe(LEVELS.most);
    expect(levelAfter(Array.from({ length: 40 }, () => wrong))).toBe(LEVELS.least);
  });

  it('settles where about 71 of 100 are right', () => {
    // A learner who is right by chance of level: certain at the first, lost at the last.
    const random = stream(4);
    const answers: Answered[] = [];
    for (let i = 0; i < 4000; i++) {
      const chance = 1 - (levelAfter(answers.slice(-60)) - 1) / 7;
      answers.push(random() < chance ? said('right') : said('right', 'volts-low'));
    }
    const share = answers.slice(200).filter((one) => one.said === one.item).length / 3800;
    expect(share).toBeGreaterThan(0.64);
    expect(share).toBeLessThan(0.78);
  });
});

describe('what is mixed up', () => {
  const answers = [
    ...Array.from({ length: 4 }, () => said('right')),
    said('volts-low', 'comes-and-goes'),
    said('comes-and-goes', 'volts-low'),
    said('volts-low'),
    said('volts-high', 'right'),
  ];

  it('is counted both ways, and said by how often of how often asked', () => {
    const table = confusionOf(answers, EAR_ITEMS);
    expect(table.counts[EAR_ITEMS.indexOf('volts-low')][EAR_ITEMS.indexOf('comes-and-goes')]).toBe(1);
    const [worst, next] = mixedUp(table);
    expect(worst).toEqual({ one: 'volts-low', other: 'comes-and-goes', times: 2, of: 3 });
    expect(next).toEqual({ one: 'right', other: 'volts-high', times: 1, of: 5 });
    expect(toldApart(answers, EAR_ITEMS)).toEqual(['right']);
    expect(rightByTens([...answers, ...answers])).toEqual([0.7]);
    expect(mixedUp(confusionOf([], EAR_ITEMS))).toEqual([]);
  });

  it('comes next, and so does what is half forgotten', () => {
    const now = new Date(START + DAY);
    const worth = worthAsking(EAR_ITEMS, answers, now);
    const of = (item: EarItem): number => worth[EAR_ITEMS.indexOf(item)];
    expect(of('volts-low')).toBeGreaterThan(3 * of('right'));
    expect(of('comes-and-goes')).toBeGreaterThan(of('gas-gone'));
    // What was asked last is worth half: otherwise as much as any other that is new.
    const [once, other] = worthAsking(['a', 'b'], [said('a')], new Date(START + 400 * DAY));
    expect(once).toBeLessThan(other);
    const after = worthAsking(['a', 'b'], [said('a'), said('b')], new Date(START));
    expect(after[1]).toBeCloseTo(after[0] / 2, 9);
    // Right four times and then left for half a year, it is worth more again.
    const later = worthAsking(EAR_ITEMS, answers, new Date(START + 180 * DAY));
    expect(later[0]).toBeGreaterThan(1.5 * of('right'));
    const random = stream(9);
    const drawn = Array.from({ length: 300 }, () => nextItem(EAR_ITEMS, answers, now, random));
    const share = (item: EarItem): number => drawn.filter((one) => one === item).length;
    expect(share('volts-low')).toBeGreaterThan(3 * share('right'));
    expect(Math.min(...EAR_ITEMS.map(share))).toBeGreaterThan(0);
  });

  it('is remembered the longer the more often it was right, and forgotten where it was wrong', () => {
    const right = cardOf([said('right', 'right', 0), said('right', 'right', 4)])!;
    const wrong = cardOf([said('right', 'right', 0), said('right', 'volts-low', 4)])!;
    expect(right.stability).toBeGreaterThan(3 * wrong.stability);
    expect([right.lapses, wrong.lapses]).toEqual([0, 1]);
    expect(cardOf([])).toBeNull();
  });
});

it('answers are kept by drill, and no more than so many', () => {
  let practice = { answers: [] as Answered[] };
  for (let i = 0; i < MOST_ANSWERS + 5; i++) practice = withAnswer(practice, said('right', `${i}`));
  expect(practice.answers).toHaveLength(MOST_ANSWERS);
  expect(practice.answers[0].said).toBe('5');
  expect(ofDrill(practice, 'by-eye')).toEqual([]);
});

describe('by ear', () => {
  /** Returns what the arc of a question does, by its trace. */
  const doesOf = (item: EarItem, level: number, seed: number) => {
    const { run, balancedV } = earQuestion(item, level, stream(seed));
    const arc = new SimulatedArc(run);
    arc.burn(0.3 * SAMPLE_RATE);
    const figures = traceFigures(arc.burn(3 * SAMPLE_RATE).events, 3);
    return { figures, heard: heardAs(figures), off: run.voltageV - balancedV };
  };

  it.each([1, 4, 8])('each question at level %d sounds of what it is', (level) => {
    for (const seed of [1, 2, 3]) {
      const right = doesOf('right', level, seed);
      const [low, high, far] = (['volts-low', 'volts-high', 'far-too-high'] as const).map((item) =>
        doesOf(item, level, seed),
      );
      expect(right.figures.unevenness!).toBeLessThan(0.5);
      expect(low.figures.unevenness!).toBeGreaterThan(1.2 * right.figures.unevenness!);
      expect(high.figures.ratePerS).toBeLessThan(0.8 * right.figures.ratePerS);
      expect(far.figures.ratePerS).toBeLessThan(0.25 * right.figures.ratePerS);
      expect(doesOf('gas-gone', level, seed).figures.unevenness!).toBeGreaterThan(1.15 * right.figures.unevenness!);
      const bad = doesOf('comes-and-goes', level, seed);
      expect(bad.figures.unevenness!).toBeGreaterThan(1.5 * right.figures.unevenness!);
    }
  });

  it('gets finer and louder with the level, and is another each time', () => {
    const off = (level: number): number => Math.abs(doesOf('volts-low', level, 5).off);
    expect(off(1)).toBeGreaterThan(off(8) + 1);
    expect([1, 3, 5, 8].map((level) => earQuestion('right', level, stream(1)).noise?.kind)).toEqual([
      undefined,
      'rumble',
      'hammering',
      'grinder',
    ]);
    const random = stream(6);
    const runs = Array.from({ length: 6 }, () => JSON.stringify(earQuestion('right', 2, random).run));
    expect(new Set(runs).size).toBe(6);
  });
});

describe('by eye', () => {
  it.each(EYE_ITEMS)('%s is drawn on a bead with what goes with it, among others it does not show', (item) => {
    for (const level of [1, 8]) {
      const question = eyeQuestion(ENGINE, item, level, [], stream(level));
      expect(question.shows[0]).toBe(finding(item).name);
      expect(question.options).toHaveLength(4);
      expect(question.options.filter(({ name }) => question.shows.includes(name))).toHaveLength(1);
      // The drawing has its mark: it is no bead that nothing was seen on.
      expect(question.bead).not.toEqual(answer(SCHOOL_CASE).appearance.now);
      const ids = question.cause.options.map(({ id }) => id);
      expect(ids).toContain(question.cause.id);
      // The likeliest of all the diagnosis knows.
      const shown = EYE_ITEMS.filter((id) => question.shows.includes(finding(id).name));
      const findings = Object.fromEntries(shown.map((id) => [id, 'present' as const]));
      expect(diagnose(ENGINE, { ...SCHOOL_CASE, findings }).causes[0].cause).toBe(question.cause.id);
    }
  });

  it('never shows what cannot be on one bead', () => {
    for (const item of ['bead-ropey', 'bead-flat', 'bead-narrow'] as const)
      for (let seed = 1; seed <= draws(8, 25); seed++) {
        const { shows } = eyeQuestion(ENGINE, item, 8, [], stream(seed));
        const ids = EYE_ITEMS.filter((id) => shows.includes(finding(id).name));
        for (const [one, other] of OPPOSITES)
          expect(ids.includes(one as never) && ids.includes(other as never)).toBe(false);
      }
  });

  it('offers first what it is mixed up with', () => {
    const { options } = eyeQuestion(ENGINE, 'bead-ropey', 1, ['bead-narrow'], stream(3));
    expect(options.map(({ id }) => id)).toContain('bead-narrow');
  });
});

it.each(KNOBS)('%s alone is turned from low to high over five beads, the right one inside', (knob) => {
  for (const level of [1, 8])
    for (let seed = 1; seed <= 12; seed++) {
      const { input, beads, right } = knobQuestion(knob, level, stream(seed));
      const figures = beads.map(({ settings }) => settings[knob]!);
      expect(figures).toEqual([...figures].sort((a, b) => a - b));
      expect(new Set(figures).size).toBe(5);
      for (const other of KNOBS.filter((one) => one !== knob))
        expect(new Set(beads.map(({ settings }) => settings[other])).size).toBe(1);
      expect([1, 2, 3]).toContain(right);
      const off = beads.map(({ settings }) => Math.abs(diagnose(ENGINE, { ...input, settings }).arc.voltageErrorV!));
      expect(off[right]).toBeLessThan(0.6);
      if (knob !== 'stickOutMm') expect(Math.min(...off)).toBe(off[right]);
      expect(beads.every(({ run }) => run !== null)).toBe(true);
      expect(beads[right].bead).not.toEqual(beads[0].bead);
    }
});

it('what is checked first is what tells the most for its time, among three to five', () => {
  for (const level of [1, 5, 8])
    for (const seed of [1, 2, 3]) {
      const { checks, order, shows } = firstQuestion(ENGINE, level, stream(seed));
      const ids = FINDINGS.filter(({ name }) => shows.includes(name)).map(({ id }) => id);
      const findings = Object.fromEntries(ids.map((id) => [id, 'present' as const]));
      // In the order of the verdict on the same findings.
      const { nextChecks } = diagnose(ENGINE, { ...SCHOOL_CASE, findings });
      expect(order).toEqual(nextChecks.slice(0, order.length).map(({ check }) => check));
      expect(checks.map(({ id }) => id).sort()).toEqual([...order].sort());
      expect(checks.length).toBeGreaterThanOrEqual(2);
      expect(checks.length).toBeLessThanOrEqual(5);
      expect(shows.length).toBeGreaterThan(0);
      expect(shows.length).toBeLessThanOrEqual(2);
    }
});

describe('set it blind', () => {
  it('hides a machine that is the further off the higher the level, and shows a bead by what truly reaches the arc', () => {
    const off = (level: number): number =>
      Array.from({ length: 40 }, (_, i) => Math.abs(blindMachine(level, stream(i)).machine.offsetV)).reduce(
        (a, b) => a + b,
      ) / 40;
    expect(off(8)).toBeGreaterThan(2 * off(1));
    const blind = blindMachine(4, stream(3));
    expect(blind.machine.wire.class).toBe('solid-steel');
    const knobs = { voltageV: 18, wireSpeedMPerMin: 5, stickOutMm: 12 };
    // Far too few volts stub, far too many are flat and hiss; neither is sound.
    const shown = (volts: number) => [1, 2, 3, 4].map((seed) => blindBead(blind, { ...knobs, voltageV: volts }, seed));
    const [low, high] = [shown(13), shown(30)];
    expect([...low, ...high].some(({ sound }) => sound)).toBe(false);
    expect(low.flatMap(({ shows }) => shows)).toEqual(expect.arrayContaining(['Wire pushes the gun back']));
    expect(high.flatMap(({ shows }) => shows)).toEqual(expect.arrayContaining(['Flat, washed out']));
    expect(low[0].run!.voltageV).toBeCloseTo(13 + blind.machine.offsetV, 9);
  });

  it('the product finds a sound bead on nearly every machine, in few', () => {
    const counts = Array.from({ length: draws(12, 25) }, (_, i) => productBeads(blindMachine(4, stream(100 + i)), i));
    expect(counts.reduce((a, b) => a + b) / counts.length).toBeLessThan(3);
    expect(counts.filter((beads) => beads === MOST_BEADS).length).toBeLessThanOrEqual(1);
    expect(Math.min(...counts)).toBe(1);
  });
});

it('a bar of the beat is ten ticks a centimetre of travel apart, and the next goes on in step', () => {
  for (const pace of [100, 350, 800]) {
    const bar = beatBar(pace);
    expect(bar.length / SAMPLE_RATE).toBeCloseTo((60 * 100) / pace, 3);
    const ticks = onsetsOf(envelopeOf(bar, SAMPLE_RATE), [{ from: 0, to: bar.length / SAMPLE_RATE }]).map(
      ({ at }) => at,
    );
    const gaps = ticks.slice(1).map((at, i) => at - ticks[i]);
    // The first is at the very beginning, where nothing was before: nine more follow.
    expect(ticks.length).toBeGreaterThanOrEqual(9);
    for (const gap of gaps) expect(gap).toBeCloseTo(600 / pace, 2);
  }
  expect(beatS(300)).toBe(2);
});

describe('a sheet of plates to run', () => {
  it('turns one figure at a time about what the rig would be started with, low to high', () => {
    const { settings } = startAnswer(SCHOOL_CASE);
    const { sets, cautions } = couponSheet(ENGINE, SCHOOL_CASE, {});
    expect(sets.map(({ knob }) => knob)).toEqual(KNOBS);
    expect(cautions.length).toBeGreaterThan(0);
    for (const { knob, beads } of sets) {
      const figures = beads.map((bead) => bead.settings[knob]!);
      expect(figures).toHaveLength(5);
      expect(figures).toEqual([...new Set(figures)].sort((a, b) => a - b));
      expect(beads.filter(({ isRight }) => isRight).map((bead) => bead.settings)).toEqual([settings]);
      for (const other of KNOBS.filter((one) => one !== knob))
        expect(new Set(beads.map((bead) => bead.settings[other])).size).toBe(1);
    }
  });

  it('stands on the marks of a machine’s own knobs, and drops beads that a coarse one cannot tell apart', () => {
    const taps = { scale: 'taps', names: ['A', 'B', 'C'], low: 0, high: 2, step: 1 } as const;
    const points = [
      { mark: 0, value: 16 },
      { mark: 1, value: 20 },
      { mark: 2, value: 24 },
    ];
    const dials = { voltageV: { ...taps, names: [...taps.names], points } };
    const [volts] = couponSheet(ENGINE, SCHOOL_CASE, dials as never).sets;
    expect(volts.beads.length).toBeLessThan(5);
    for (const { settings, isRight } of volts.beads) if (!isRight) expect([16, 20, 24]).toContain(settings.voltageV);
    expect(() => couponSheet(ENGINE, { ...SCHOOL_CASE, rig: {} }, {})).toThrow(RangeError);
  });
});

it('says so where no hidden machine can be drawn', () => {
  expect(() => blindMachine(4, () => 0.5)).toThrow(/^no machine with steel wire/);
});
