import { useEffect, useRef, useState } from 'react';
import { levelOf, type Level } from '@/core/hearing/level';
import type { Listened, Recording } from '@/core/hearing/listen';
import { NoMicrophone, type Microphone } from '@/platform/microphone';
import { platform } from '@/platform/ports';
import { listenTo, RecordingProblem } from '@/workers/listen';

/** Time to get the helmet down, s. */
const COUNT_S = 5;
/** The longest recording, s. */
const MOST_S = 90;
/** What is looked at while it is recorded: the last of it, so often, s. */
const LOOK_S = 1;
const LOOK_EVERY_S = 0.5;
/** An arc that was heard so long and is then out so long is over: nobody has to come back and tap, looks. */
const ARC_LOOKS = 4;
const OVER_LOOKS = 6;
/** The largest file that is taken, MB: four minutes of two channels. */
const MOST_MB = 50;
/** A second tap within this belongs to the first, ms. */
const TWICE_MS = 600;

export type RecordingState =
  | { kind: 'idle' }
  | { kind: 'opening' }
  | { kind: 'counting'; left: number }
  | { kind: 'recording'; seconds: number; peak: number; level: Level }
  | { kind: 'listening' }
  | { kind: 'done'; listened: Listened; recording: Recording | null; name: string | null }
  | { kind: 'problem'; text: string };

const NO_MICROPHONE: Record<NoMicrophone['why'], string> = {
  insecure:
    'This browser gives no microphone to a page that is not encrypted. Record with the telephone’s own recorder, save it as WAV, and open that.',
  missing: 'No microphone answers. Open a recording that was made otherwise, as WAV.',
  refused: 'The microphone is not allowed. Allow it in the browser’s settings of this page, or open a WAV.',
};

function joined(pieces: readonly Float32Array[]): Float32Array<ArrayBuffer> {
  const whole = new Float32Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

/** The last of what was recorded. */
function lastOf(pieces: readonly Float32Array[], samples: number): Float32Array<ArrayBuffer> {
  const last: Float32Array[] = [];
  for (let i = pieces.length - 1, held = 0; i >= 0 && held < samples; i--) {
    last.unshift(pieces[i]);
    held += pieces[i].length;
  }
  return joined(last);
}

type Session = { microphone: Microphone | null; pieces: Float32Array[]; since: number; tickNoMore?: () => void };

/** A recording of the arc, from the microphone or a file, and what was heard in it. */
export function useRecording(): {
  state: RecordingState;
  record: () => void;
  stop: () => void;
  /** Leaves off before anything is recorded. */
  leave: () => void;
  open: () => void;
  forget: () => void;
} {
  const [state, setState] = useState<RecordingState>({ kind: 'idle' });
  const session = useRef<Session | null>(null);
  const end = (): Session | null => {
    const ended = session.current;
    session.current = null;
    ended?.tickNoMore?.();
    ended?.microphone?.close();
    return ended;
  };
  // The microphone is closed when its place is left.
  useEffect(() => () => void end(), []);

  const listen = (asked: Parameters<typeof listenTo>[0], recording: Recording | null, name: string | null): void => {
    setState({ kind: 'listening' });
    listenTo(asked).then(
      (listened) => setState({ kind: 'done', listened, recording, name }),
      (error: unknown) =>
        setState({
          kind: 'problem',
          text: error instanceof RecordingProblem ? error.message : 'The recording could not be listened to.',
        }),
    );
  };

  const finish = (): void => {
    const ended = end();
    if (ended?.microphone == null || ended.pieces.length === 0) return setState({ kind: 'idle' });
    const recording: Recording = { samples: joined(ended.pieces), rate: ended.microphone.rate };
    listen({ kind: 'samples', recording }, recording, null);
  };

  const run = (own: Session, microphone: Microphone): void => {
    let [arcLooks, outLooks] = [0, 0];
    own.pieces.length = 0;
    own.tickNoMore = platform().every(1000 * LOOK_EVERY_S, () => {
      const held = own.pieces.reduce((sum, piece) => sum + piece.length, 0) / microphone.rate;
      const { peak, level } = levelOf({
        samples: lastOf(own.pieces, LOOK_S * microphone.rate),
        rate: microphone.rate,
      });
      arcLooks += level === 'arc' ? 1 : 0;
      outLooks = level === 'too-far' || level === 'no-arc' ? outLooks + 1 : 0;
      setState({ kind: 'recording', seconds: held, peak, level });
      if (held >= MOST_S || (arcLooks >= ARC_LOOKS && outLooks >= OVER_LOOKS)) finish();
    });
    setState({ kind: 'recording', seconds: 0, peak: 0, level: 'no-arc' });
  };

  const count = (own: Session, microphone: Microphone): void => {
    let left = COUNT_S;
    setState({ kind: 'counting', left });
    own.tickNoMore = platform().every(1000, () => {
      left -= 1;
      if (left > 0) return setState({ kind: 'counting', left });
      own.tickNoMore?.();
      run(own, microphone);
    });
  };

  const record = (): void => {
    if (session.current !== null) return;
    const own: Session = { microphone: null, pieces: [], since: platform().now().getTime() };
    session.current = own;
    setState({ kind: 'opening' });
    platform()
      .openMicrophone((piece) => own.pieces.push(piece))
      .then(
        (microphone) => {
          // Left meanwhile.
          if (session.current !== own) return microphone.close();
          own.microphone = microphone;
          count(own, microphone);
        },
        (error: unknown) => {
          if (session.current !== own) return;
          session.current = null;
          setState({ kind: 'problem', text: NO_MICROPHONE[error instanceof NoMicrophone ? error.why : 'missing'] });
        },
      );
  };

  const forget = (): void => {
    end();
    setState({ kind: 'idle' });
  };
  // A glove often taps twice.
  const isTwice = (): boolean => platform().now().getTime() - (session.current?.since ?? 0) <= TWICE_MS;

  return {
    state,
    record,
    stop: () => {
      if (!isTwice()) finish();
    },
    leave: () => {
      if (!isTwice()) forget();
    },
    open: () => {
      platform()
        .openBlob(['audio/wav', 'audio/x-wav', 'audio/wave', '.wav'], MOST_MB)
        .then(async (chosen) => {
          if (chosen === null) return;
          end();
          listen({ kind: 'file', bytes: await chosen.blob.arrayBuffer() }, null, chosen.name);
        })
        .catch((error: unknown) =>
          setState({ kind: 'problem', text: `${error instanceof Error ? error.message : 'The file cannot be read'}.` }),
        );
    },
    forget,
  };
}
