import { sounding } from '../core/sound/sounding';
import { arcRunOf } from '../core/sound/run-of';
import type { SoundAsked, SoundTold } from './sound';

const tell = (told: SoundTold, given: Transferable[] = []): void =>
  (self as unknown as { postMessage: (told: SoundTold, given: Transferable[]) => void }).postMessage(told, given);

/** Burns one arc and tells what it sounds like, piece by piece. */
self.onmessage = ({ data }: MessageEvent<SoundAsked>) => {
  const run = 'run' in data ? data.run : arcRunOf(data.input, data.settings, data.seed);
  if (run === null) return tell({ kind: 'none' });
  const arc = sounding(run, data.seconds, 'run' in data ? data.noise : null);
  for (let next = arc.next(); ; next = arc.next()) {
    if (next.done === true) return tell({ kind: 'ended', sounded: next.value });
    const { samples } = next.value;
    tell({ kind: 'piece', samples }, [samples.buffer]);
  }
};
