import { completeMix } from '../case/gas-mix';
import type { ArcEvent, ArcRun } from './arc-run';
import { captionOf, heardAs } from './caption';
import { SimulatedArc } from './simulate';
import { sounding } from './sounding';
import { traceFigures, type TraceFigures } from './trace-figures';
import { SAMPLE_RATE } from './sample-rate';
import { ArcVoice, loudness, peakOf } from './voice';

const RUN: ArcRun = {
  wire: { class: 'solid-steel', diameterMm: 0.9 },
  gas: completeMix({ co2Pct: 18 }),
  ...{ voltageV: 19.8, wireSpeedMPerMin: 7, stickOutMm: 12, arcControlPct: 50, seed: 5 },
};

function heard(change: Partial<ArcRun>, seconds = 1.5) {
  const arc = sounding({ ...RUN, ...change }, seconds);
  const samples: number[] = [];
  for (let next = arc.next(); ; next = arc.next()) {
    if (next.done === true) return { ...next.value, samples: Float32Array.from(samples) };
    samples.push(...next.value.samples);
  }
}

describe('the voice of an arc', () => {
  it('clicks where the arc burns again, and is quiet in a short', () => {
    const arc = new SimulatedArc(RUN);
    const voice = new ArcVoice(0.9, 1);
    const settling = arc.burn(14_400);
    voice.speak(settling, settling.events);
    const piece = arc.burn(SAMPLE_RATE);
    const samples = voice.speak(piece, piece.events);
    const clicks = piece.events.flatMap((event) =>
      event.kind === 'again' ? [Math.round((event.at - 0.3) * SAMPLE_RATE)] : [],
    );
    const after = (late: number): number =>
      clicks.reduce((sum, at) => sum + loudness(samples.subarray(at + late, at + late + 24)) ** 2, 0) / clicks.length;
    expect(clicks.length).toBeGreaterThan(60);
    expect(after(0)).toBeGreaterThan(8 * after(150));
    expect(after(0)).toBeGreaterThan(8 * after(-60));
  });

  it('is nearly silent without an arc, and never over full scale', () => {
    const nothing = { currentA: new Float32Array(9600), voltageV: new Float32Array(9600) };
    expect(loudness(new ArcVoice(0.9, 1).speak(nothing, []))).toBeLessThan(0.01);
    const hard: ArcEvent[] = Array.from({ length: 40 }, (_, i) => ({
      kind: 'again',
      at: i / 1000,
      shortedMs: 40,
      peakA: 900,
      stubbed: true,
    }));
    const loud = {
      currentA: new Float32Array(9600).map((_, i) => (i % 96 < 48 ? 900 : 0)),
      voltageV: new Float32Array(9600).fill(60),
    };
    expect(peakOf(new ArcVoice(0.9, 1).speak(loud, hard))).toBeLessThanOrEqual(1);
  });

  it('sings, high and thin, once the wire has stood in the pool for longer than a short takes', () => {
    const long = { currentA: new Float32Array(2400).fill(300), voltageV: new Float32Array(2400).fill(5) };
    const samples = new ArcVoice(0.9, 1).speak(long, []);
    const at = (ms: number): number => loudness(samples.subarray(48 * ms, 48 * (ms + 4)));
    expect(at(30)).toBeGreaterThan(4 * at(2));
    // Full swings of the tone in 10 ms, by how often it passes through nothing.
    const part = samples.subarray(48 * 30, 48 * 40);
    const swings = part.filter((value, i) => i > 0 && value >= 0 && part[i - 1] < 0).length;
    expect(Math.abs(swings - 27)).toBeLessThanOrEqual(2);
  });

  it('is louder stubbing than right, and softest in spray', () => {
    const [stubs, right] = [heard({ voltageV: 16.8 }), heard({})];
    const spray = heard({
      wire: { class: 'solid-steel', diameterMm: 1.2 },
      gas: completeMix({ co2Pct: 8 }),
      voltageV: 32.5,
      wireSpeedMPerMin: 10,
      stickOutMm: 18,
    });
    expect(loudness(stubs.samples)).toBeGreaterThan(1.2 * loudness(right.samples));
    expect(loudness(spray.samples)).toBeLessThan(0.8 * loudness(right.samples));
    expect([stubs.heard, right.heard, spray.heard]).toEqual(['popping', 'crisp', 'spray']);
  });

  it('comes in pieces of the length that was asked for, the same each time', () => {
    const [one, two] = [heard({}, 0.6), heard({}, 0.6)];
    expect(one.samples).toHaveLength(0.6 * SAMPLE_RATE);
    expect([...one.samples]).toEqual([...two.samples]);
    expect([...heard({ seed: 6 }, 0.6).samples]).not.toEqual([...one.samples]);
  });

  it('is drawn as it was burned: each short that ends in the first quarter of a second, with its peak', () => {
    const { trace } = heard({});
    expect(trace.currentA.length * trace.sliceS).toBeCloseTo(0.25, 6);
    const again = trace.events.filter(({ kind }) => kind === 'again');
    expect(again.length).toBeGreaterThan(15);
    for (const event of again) {
      if (event.kind !== 'again' || event.at < 0.01) continue;
      const at = Math.round(event.at / trace.sliceS);
      expect(Math.max(...trace.currentA.slice(Math.max(0, at - 2), at + 2))).toBeGreaterThan(0.9 * event.peakA);
    }
  });
});

describe('what is heard, in words', () => {
  it.each([
    [-5, 'popping'],
    [-2, 'popping'],
    [0, 'crisp'],
    [0.5, 'crisp'],
    [2, 'slow'],
    [5, 'plop'],
  ] as const)('%d V off the balance of 19.7 V: %s', (off, as) => {
    const { figures, caption } = heard({ voltageV: 19.7 + off }, 2);
    expect(heardAs(figures)).toBe(as);
    expect(caption).toEqual(captionOf(figures));
    expect(caption.title.length + caption.text.length).toBeGreaterThan(20);
  });

  it('says a rate as the ear holds it, and what comes and goes as that', () => {
    const figures: TraceFigures = {
      ratePerS: 123,
      unevenness: 0.2,
      shorted: 0.2,
      peakA: 200,
      spatterIndex: 1,
      stubbed: 0,
      fallsPerS: 0,
      outs: 0,
    };
    expect(captionOf(figures).text).toContain('about 120 a second');
    expect(captionOf({ ...figures, ratePerS: 18.4 }).text).toContain('about 18 a second');
    expect(heardAs({ ...figures, outs: 1 })).toBe('sputter');
    expect(heardAs({ ...figures, unevenness: 0.8 })).toBe('sputter');
    expect(heardAs({ ...figures, unevenness: 0.8, stubbed: 0.1 })).toBe('popping');
    expect(heardAs({ ...figures, ratePerS: 3, fallsPerS: 20 })).toBe('plop');
    expect(heardAs({ ...figures, ratePerS: 3, unevenness: null, fallsPerS: 200 })).toBe('spray');
  });
});

describe('the figures of a trace', () => {
  it('are those of what happened', () => {
    const again = (at: number, peakA: number, stubbed = false): ArcEvent => ({
      kind: 'again',
      at,
      shortedMs: 2.5,
      peakA,
      stubbed,
    });
    const events: ArcEvent[] = [
      again(0.1, 200),
      again(0.2, 250),
      again(0.4, 300, true),
      { kind: 'fall', at: 0.5, diameterMm: 2 },
      { kind: 'out', at: 0.9 },
    ];
    const figures = traceFigures(events, 2);
    expect(figures).toMatchObject({ ratePerS: 1.5, peakA: 250, fallsPerS: 0.5, outs: 1 });
    expect(figures.shorted).toBeCloseTo(0.00375, 9);
    expect(figures.stubbed).toBeCloseTo(1 / 3, 9);
    // Gaps of 0.1 and 0.2 s: a mean of 0.15 and a deviation of 0.05.
    expect(figures.unevenness).toBeCloseTo(1 / 3, 9);
    expect(figures.spatterIndex).toBeCloseTo((200 ** 2 + 250 ** 2 + 300 ** 2) / 2 / (250 ** 2 * 100), 9);
    expect(traceFigures([], 2)).toMatchObject({ ratePerS: 0, unevenness: null, peakA: null, stubbed: 0, shorted: 0 });
  });

  it('tell an arc that goes out', () => {
    // A machine of too few volts for so much distance: the arc starves.
    const arc = new SimulatedArc({
      ...RUN,
      voltageV: 15,
      wireSpeedMPerMin: 2,
      stickOutMm: 12,
      troubles: { stickOutDriftMmPerS: 40 },
    });
    expect(traceFigures(arc.burn(2 * SAMPLE_RATE).events, 2).outs).toBeGreaterThan(0);
  });
});
