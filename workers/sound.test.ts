import { EXAMPLE_CASE } from '../core/cases/example';
import type { Sounded } from '../core/sound/sounding';
import { simulateSound, type SoundAsked } from './sound';

const ASKED: SoundAsked = { input: EXAMPLE_CASE, settings: { voltageV: 19, wireSpeedMPerMin: 7 }, seed: 1, seconds: 1 };

/** A worker that says what it is told to say. */
function fake() {
  const worker = {
    asked: [] as unknown[],
    stopped: 0,
    onmessage: null as ((event: MessageEvent) => unknown) | null,
    onerror: null as ((event: ErrorEvent) => unknown) | null,
    postMessage: (asked: unknown) => void worker.asked.push(asked),
    terminate: () => void (worker.stopped += 1),
    say: (said: object) => void worker.onmessage?.({ data: { id: 1, ...said } } as MessageEvent),
  };
  return worker;
}

const start = () => {
  const worker = fake();
  const pieces: number[] = [];
  const sound = simulateSound(
    ASKED,
    (samples) => pieces.push(samples.length),
    () => worker as never,
  );
  return { worker, pieces, sound };
};

describe('an arc that is simulated in a worker', () => {
  it('comes piece by piece, and the worker ends with it', async () => {
    const { worker, pieces, sound } = start();
    expect(worker.asked).toEqual([{ id: 1, asked: ASKED }]);
    worker.say({ part: new Float32Array(3) });
    worker.say({ part: new Float32Array(2) });
    expect([pieces, worker.stopped]).toEqual([[3, 2], 0]);
    const sounded = { heard: 'crisp' } as Sounded;
    worker.say({ reply: sounded });
    expect(await sound.ended).toBe(sounded);
    expect(worker.stopped).toBe(1);
  });

  it('is nothing where nothing can be simulated, fails where the worker fails, and stops when it is told to', async () => {
    const none = start();
    none.worker.say({ reply: null });
    expect([await none.sound.ended, none.worker.stopped]).toEqual([null, 1]);
    const broken = start();
    broken.worker.onerror?.({} as ErrorEvent);
    await expect(broken.sound.ended).rejects.toThrow('could not be worked out');
    expect(broken.worker.stopped).toBe(1);
    const left = start();
    left.sound.stop();
    expect(left.worker.stopped).toBe(1);
  });
});
