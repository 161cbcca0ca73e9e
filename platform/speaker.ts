/** A loudspeaker that plays pieces of sound one after the other. */
export type Speaker = {
  add: (samples: Float32Array<ArrayBuffer>) => void;
  /** Calls back once what was added so far has been heard. */
  whenHeard: (heard: () => void) => void;
  /** Stops at once. */
  close: () => void;
};

/** Time that the first piece is held back, so that the second is there before it ends, s. */
const AHEAD_S = 0.08;

/**
 * The loudspeaker of the browser. It may be opened only where somebody tapped: browsers keep it silent otherwise.
 * @param rate samples a second
 * @returns null where the browser has none
 */
export function openSpeaker(rate: number): Speaker | null {
  const { AudioContext: Context } = globalThis as { AudioContext?: typeof AudioContext };
  if (Context === undefined) return null;
  const context = new Context({ sampleRate: rate });
  void context.resume();
  let next = context.currentTime + AHEAD_S;
  let last: AudioBufferSourceNode | null = null;
  return {
    add: (samples) => {
      const buffer = context.createBuffer(1, samples.length, rate);
      buffer.copyToChannel(samples, 0);
      last = context.createBufferSource();
      last.buffer = buffer;
      last.connect(context.destination);
      next = Math.max(next, context.currentTime);
      last.start(next);
      next += samples.length / rate;
    },
    whenHeard: (heard) => {
      if (last === null) heard();
      else last.onended = heard;
    },
    close: () => void context.close().catch(() => undefined),
  };
}
