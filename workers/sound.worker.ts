import { sounding } from '../core/sound/sounding';
import { arcRunOf } from '../core/sound/run-of';
import { answerCalls } from './call';
import type { SoundAsked, SoundPart, SoundReply } from './sound';

/** Burns one arc and gives what it sounds like, piece by piece. */
function burn(asked: SoundAsked, piece: (samples: SoundPart) => void): SoundReply {
  const run = 'run' in asked ? asked.run : arcRunOf(asked.input, asked.settings, asked.seed);
  if (run === null) return null;
  const arc = sounding(run, asked.seconds, 'run' in asked ? asked.noise : null);
  for (let next = arc.next(); ; next = arc.next()) {
    if (next.done === true) return next.value;
    piece(next.value.samples);
  }
}

answerCalls<SoundAsked, SoundReply, SoundPart>(burn, (sent) => (sent instanceof Float32Array ? [sent.buffer] : []));
