import type { Case } from '../core/case/schema';
import type { Settings } from '../core/setting/table';
import type { ArcRun } from '../core/sound/arc-run';
import type { NoiseBeside } from '../core/sound/shop-noise';
import type { Sounded } from '../core/sound/sounding';
import { workerCall, type CalledWorker } from './call';

/** What is asked of the worker: the arc of a case with these settings, or one that is given whole, with what is heard beside it. */
export type SoundAsked = { seconds: number } & (
  { input: Case; settings: Settings; seed: number } | { run: ArcRun; noise: NoiseBeside | null }
);
/** Pieces of sound as they are worked out. */
export type SoundPart = Float32Array<ArrayBuffer>;
/** What they came to; null where there is nothing to be simulated. */
export type SoundReply = Sounded | null;

const start = (): CalledWorker => new Worker(new URL('./sound.worker.ts', window.location.href));

/**
 * Has an arc simulated in a worker of its own, which ends with it.
 * @param onPiece called with each piece of sound while the next is worked out
 * @param spawn starts the worker; tests put another in its place
 * @returns what it came to, null where there is nothing to be simulated; and how to stop it, after which it never ends
 */
export function simulateSound(
  asked: SoundAsked,
  onPiece: (samples: SoundPart) => void,
  spawn: () => CalledWorker = start,
): { ended: Promise<SoundReply>; stop: () => void } {
  const call = workerCall<SoundAsked, SoundReply, SoundPart>(spawn, 'The sound could not be worked out', false);
  const left = new AbortController();
  const ended = new Promise<SoundReply>((done, fail) => {
    call(asked, { signal: left.signal, onPart: onPiece }).then(done, (error: Error) => {
      if (!left.signal.aborted) fail(error);
    });
  });
  return { ended, stop: () => left.abort() };
}
