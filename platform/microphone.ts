/** A microphone that hands on what it hears until it is closed. */
export type Microphone = {
  /** Samples a second. */
  rate: number;
  close: () => void;
};

/** Why there is no microphone: the browser gives none to a page that is not its own machine's or encrypted, there is none, or it is not allowed. */
export class NoMicrophone extends Error {
  constructor(readonly why: 'insecure' | 'missing' | 'refused') {
    super(why);
  }
}

/** What a telephone does for talk would spoil an arc: it takes out echoes and noise, and turns up what is faint. */
const AS_IT_IS: MediaTrackConstraints = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };

/**
 * Opens the microphone of the browser, which asks the reader first.
 * @param onPiece called with each piece of what is heard, some twelve a second
 * @throws NoMicrophone
 */
export async function openMicrophone(onPiece: (samples: Float32Array<ArrayBuffer>) => void): Promise<Microphone> {
  const devices = (globalThis.navigator as Partial<Navigator>).mediaDevices as MediaDevices | undefined;
  if (devices?.getUserMedia === undefined) throw new NoMicrophone('insecure');
  const stream = await devices.getUserMedia({ audio: AS_IT_IS }).catch((error: unknown) => {
    const name = error instanceof Error ? error.name : '';
    throw new NoMicrophone(name === 'NotFoundError' || name === 'NotReadableError' ? 'missing' : 'refused');
  });
  const end = (): void => stream.getTracks().forEach((track) => track.stop());
  try {
    const context = new AudioContext();
    await context.audioWorklet.addModule('/microphone.js');
    const tap = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
    tap.port.onmessage = ({ data }: MessageEvent<Float32Array<ArrayBuffer>>) => onPiece(data);
    context.createMediaStreamSource(stream).connect(tap);
    await context.resume();
    return {
      rate: context.sampleRate,
      close: () => {
        tap.port.onmessage = null;
        end();
        void context.close().catch(() => undefined);
      },
    };
  } catch {
    end();
    throw new NoMicrophone('missing');
  }
}
