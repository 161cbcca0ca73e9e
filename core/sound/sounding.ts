import type { ArcEvent, ArcRun } from './arc-run';
import { captionOf, heardAs, type ArcSound } from './caption';
import { layingUnder, type NoiseBeside } from './shop-noise';
import { SimulatedArc } from './simulate';
import { traceFigures, type TraceFigures } from './trace-figures';
import { SAMPLE_RATE } from './sample-rate';
import { ArcVoice } from './voice';

/** What is drawn of a run: the highest current and the voltage of each slice, and what happened, s from the first slice. */
export type DrawnTrace = { sliceS: number; currentA: number[]; voltageV: number[]; events: ArcEvent[] };

export type Piece = { samples: Float32Array<ArrayBuffer> };
export type Sounded = {
  figures: TraceFigures;
  heard: ArcSound;
  caption: ReturnType<typeof captionOf>;
  trace: DrawnTrace;
};

/** An arc needs so long to come to its own, s: that is burned and not heard. */
const SETTLES_S = 0.3;
const PIECE_S = 0.25;
const DRAWN_S = 0.25;
const SLICE_S = 0.0005;

function drawn(currentA: Float32Array, voltageV: Float32Array, events: readonly ArcEvent[], from: number): DrawnTrace {
  const each = Math.round(SLICE_S * SAMPLE_RATE);
  const slices = Array.from({ length: Math.round(DRAWN_S / SLICE_S) }, (_, i) => i * each);
  return {
    sliceS: SLICE_S,
    currentA: slices.map((at) => Math.round(Math.max(...currentA.subarray(at, at + each)))),
    voltageV: slices.map((at) => Math.round(10 * voltageV[at]) / 10),
    events: events.flatMap((event) =>
      event.at - from < DRAWN_S ? [{ ...event, at: Math.max(0, event.at - from) }] : [],
    ),
  };
}

/**
 * An arc that is heard, piece by piece, so that the first is there while the rest is worked out.
 * @param seconds how long it sounds
 * @param noise what is heard beside it
 * @returns at the end what it came to
 */
export function* sounding(run: ArcRun, seconds: number, noise: NoiseBeside | null = null): Generator<Piece, Sounded> {
  const [arc, voice] = [new SimulatedArc(run), new ArcVoice(run.wire.diameterMm, run.seed + 7)];
  const settling = arc.burn(Math.round(SETTLES_S * SAMPLE_RATE));
  voice.speak(settling, settling.events);
  const lay = noise === null ? null : layingUnder(noise, seconds);
  const happened: ArcEvent[] = [];
  let trace: DrawnTrace | null = null;
  for (let left = Math.round(seconds * SAMPLE_RATE); left > 0; left -= Math.round(PIECE_S * SAMPLE_RATE)) {
    const piece = arc.burn(Math.min(left, Math.round(PIECE_S * SAMPLE_RATE)));
    trace ??= drawn(piece.currentA, piece.voltageV, piece.events, SETTLES_S);
    happened.push(...piece.events);
    const samples = voice.speak(piece, piece.events);
    lay?.(samples);
    yield { samples };
  }
  const figures = traceFigures(happened, seconds);
  return { figures, heard: heardAs(figures), caption: captionOf(figures), trace: trace! };
}

/** The whole of an arc that is heard, at once. */
export function soundOf(run: ArcRun, seconds: number, noise: NoiseBeside | null = null): Piece & { sounded: Sounded } {
  const samples = new Float32Array(Math.round(seconds * SAMPLE_RATE));
  const pieces = sounding(run, seconds, noise);
  for (let at = 0; ;) {
    const next = pieces.next();
    if (next.done === true) return { samples, sounded: next.value };
    samples.set(next.value.samples, at);
    at += next.value.samples.length;
  }
}
