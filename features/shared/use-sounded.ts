import { useEffect, useRef, useState } from 'react';
import type { Case } from '@/core/case/schema';
import { SAMPLE_RATE } from '@/core/sound/sample-rate';
import type { ArcRun } from '@/core/sound/arc-run';
import type { NoiseBeside } from '@/core/sound/shop-noise';
import type { Sounded } from '@/core/sound/sounding';
import type { Settings } from '@/core/setting/table';
import { platform } from '@/platform/ports';
import type { Speaker } from '@/platform/speaker';
import { simulateSound } from '@/workers/sound';
import type { Play } from './use-player';

/** What is heard: the arc of a case with some settings, or one that is given whole with what is heard beside it. */
export type SoundSource = { input: Case; settings: Settings } | { run: ArcRun; noise: NoiseBeside | null };

/** How long an arc is heard, s: long enough to hear whether it is even. */
const HEARD_S = 2.5;
/** The same scatter for both, so that what is otherwise is the settings. */
const SEED = 11;

type Sound = {
  /** What it came to; null while it is worked out, or where it cannot be. */
  sounded: Sounded | null;
  state: 'working' | 'there' | 'none' | 'failed';
  /** Plays it from its beginning; what is not worked out yet is played as it comes. */
  play: Play;
};

type Piece = Float32Array<ArrayBuffer>;
/** Pieces of one sound, whoever plays them, and whether there will be more. */
type CachedSound = {
  pieces: Piece[];
  whole: boolean;
  listener: { add: (piece: Piece) => void; end: () => void } | null;
};

/**
 * The sound of an arc with some settings, worked out as soon as it is asked for and played when it is asked to be.
 * @param asked the same object as long as it is the same sound; null asks for nothing
 */
export function useSounded(asked: SoundSource | null): Sound {
  const [told, setTold] = useState<{ of: typeof asked; state: Sound['state']; sounded: Sounded | null } | null>(null);
  const kept = useRef<CachedSound>({ pieces: [], whole: false, listener: null });
  useEffect(() => {
    if (asked === null) return;
    const own: CachedSound = { pieces: [], whole: false, listener: null };
    kept.current = own;
    const { ended, stop } = simulateSound(
      { ...('run' in asked ? asked : { ...asked, seed: SEED }), seconds: HEARD_S },
      (piece) => {
        own.pieces.push(piece);
        own.listener?.add(piece);
      },
    );
    const tell = (state: Sound['state'], sounded: Sounded | null): void => {
      own.whole = true;
      own.listener?.end();
      setTold({ of: asked, state, sounded });
    };
    ended.then(
      (sounded) => tell(sounded === null ? 'none' : 'there', sounded),
      () => tell('failed', null),
    );
    return stop;
  }, [asked]);
  const play = (onHeard: () => void): Speaker | null => {
    const speaker = platform().openSpeaker(SAMPLE_RATE);
    if (speaker === null) return null;
    const own = kept.current;
    own.pieces.forEach(speaker.add);
    const end = (): void => speaker.whenHeard(onHeard);
    if (own.whole) end();
    else own.listener = { add: speaker.add, end };
    return speaker;
  };
  if (told === null || told.of !== asked) return { sounded: null, state: 'working', play };
  return { sounded: told.sounded, state: told.state, play };
}
