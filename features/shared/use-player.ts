import { useEffect, useRef, useState } from 'react';
import { platform } from '@/platform/ports';
import type { Speaker } from '@/platform/speaker';

/** A second tap within this belongs to the first, ms: a glove often taps twice. */
const TWICE_MS = 600;

/** Begins to play, and calls back when it has been heard; null where the browser has no sound. */
export type Play = (onHeard: () => void) => Speaker | null;

/** One loudspeaker for the sounds of a place: what begins ends what was playing, and nothing sounds on after the place is left. */
export function usePlayer(): {
  /** Which sound is playing. */
  playing: string | null;
  /** Whether the browser has shown that it has no sound. */
  mute: boolean;
  /** Begins a sound, or ends it where it is playing. */
  toggle: (which: string, play: Play) => void;
  hush: () => void;
} {
  const [playing, setPlaying] = useState<{ which: string; speaker: Speaker; since: number } | null>(null);
  const [mute, setMute] = useState(false);
  const now = useRef(playing);
  useEffect(() => {
    now.current = playing;
  }, [playing]);
  useEffect(() => () => now.current?.speaker.close(), []);
  const hush = (): void => {
    playing?.speaker.close();
    setPlaying(null);
  };
  const toggle = (which: string, play: Play): void => {
    if (playing?.which === which) {
      if (platform().now().getTime() - playing.since >= TWICE_MS) hush();
      return;
    }
    playing?.speaker.close();
    const speaker = play(() => {
      speaker?.close();
      setPlaying((one) => (one?.speaker === speaker ? null : one));
    });
    setMute(speaker === null);
    setPlaying(speaker === null ? null : { which, speaker, since: platform().now().getTime() });
  };
  return { playing: playing?.which ?? null, mute, toggle, hush };
}
