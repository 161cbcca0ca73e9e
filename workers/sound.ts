import type { Case } from '../core/case/schema';
import type { Settings } from '../core/setting/table';
import type { ArcRun } from '../core/sound/arc-run';
import type { NoiseBeside } from '../core/sound/shop-noise';
import type { Sounded } from '../core/sound/sounding';

/** What is asked of the worker: the arc of a case with these settings, or one that is given whole, with what is heard beside it. */
export type SoundAsked = { seconds: number } & (
  { input: Case; settings: Settings; seed: number } | { run: ArcRun; noise: NoiseBeside | null }
);
/** What it tells: pieces of sound as they are worked out, then what they came to; or that there is nothing to be simulated. */
export type SoundTold =
  { kind: 'piece'; samples: Float32Array<ArrayBuffer> } | { kind: 'ended'; sounded: Sounded } | { kind: 'none' };

type SoundWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

const start = (): SoundWorker => new Worker(new URL('./sound.worker.ts', window.location.href));

/**
 * Has an arc simulated in a worker of its own, which ends with it.
 * @param onPiece called with each piece of sound while the next is worked out
 * @param spawn starts the worker; tests put another in its place
 * @returns what it came to, null where there is nothing to be simulated; and how to stop it, after which it never ends
 */
export function simulateSound(
  asked: SoundAsked,
  onPiece: (samples: Float32Array<ArrayBuffer>) => void,
  spawn: () => SoundWorker = start,
): { ended: Promise<Sounded | null>; stop: () => void } {
  const worker = spawn();
  const ended = new Promise<Sounded | null>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<SoundTold>) => {
      if (data.kind === 'piece') return onPiece(data.samples);
      worker.terminate();
      done(data.kind === 'ended' ? data.sounded : null);
    };
    worker.onerror = () => {
      worker.terminate();
      fail(new Error('The sound could not be worked out'));
    };
  });
  worker.postMessage(asked);
  return { ended, stop: () => worker.terminate() };
}
