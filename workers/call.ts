/**
 * One way of calling a worker: each call has a number, every message of the worker bears the number of the call it belongs to, and
 * a call that is not wanted any more is cancelled. So no reply is ever taken for the reply to another call.
 */

/** What a worker sends for a call: something on the way, its reply, or that it failed. */
type FromWorker<Reply, Part = never> =
  { id: number; reply: Reply } | { id: number; part: Part } | { id: number; failed: string };
/** What a worker is sent. */
export type ToWorker<Asked> = { id: number; asked: Asked };

/** The part of a web worker that is used; tests put another in its place. */
export type CalledWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

type Pending<Reply, Part> = {
  done: (reply: Reply) => void;
  fail: (error: Error) => void;
  onPart?: ((part: Part) => void) | undefined;
};

export type CallOptions<Part> = {
  /** Aborted, the call is cancelled: it rejects with an AbortError, and a worker that has nothing else to do is ended. */
  signal?: AbortSignal;
  onPart?: (part: Part) => void;
};

/**
 * Makes a function that calls a worker, which is started with the first call.
 * @param spawn starts the worker
 * @param failed what an error says where the worker itself broke
 * @param keeps whether the worker stays for the next call; else it ends with its last pending one
 */
export function workerCall<Asked, Reply, Part = never>(
  spawn: () => CalledWorker,
  failed: string,
  keeps: boolean,
): (asked: Asked, options?: CallOptions<Part>) => Promise<Reply> {
  let worker: CalledWorker | null = null;
  let last = 0;
  const pending = new Map<number, Pending<Reply, Part>>();

  function end(): void {
    worker?.terminate();
    worker = null;
  }

  function settle(id: number, then: (call: Pending<Reply, Part>) => void): void {
    const call = pending.get(id);
    if (call === undefined) return;
    pending.delete(id);
    if (!keeps && pending.size === 0) end();
    then(call);
  }

  function begin(): CalledWorker {
    const started = spawn();
    started.onmessage = ({ data }: MessageEvent<FromWorker<Reply, Part>>) => {
      if ('part' in data) pending.get(data.id)?.onPart?.(data.part);
      else if ('failed' in data) settle(data.id, ({ fail }) => fail(new Error(data.failed)));
      else settle(data.id, ({ done }) => done(data.reply));
    };
    started.onerror = () => {
      const broken = [...pending.values()];
      pending.clear();
      end();
      for (const { fail } of broken) fail(new Error(failed));
    };
    return started;
  }

  return (asked, { signal, onPart } = {}) =>
    new Promise<Reply>((done, fail) => {
      const cancelled = (): Error => new DOMException('The call was cancelled', 'AbortError');
      if (signal?.aborted === true) return fail(cancelled());
      worker ??= begin();
      last += 1;
      const id = last;
      pending.set(id, { done, fail, onPart });
      signal?.addEventListener('abort', () => {
        if (!pending.delete(id)) return;
        // What it works on is wanted by nobody; the next call starts another.
        if (pending.size === 0) end();
        fail(cancelled());
      });
      worker.postMessage({ id, asked } satisfies ToWorker<Asked>);
    });
}

/** Sends a message of a worker; what is transferred is not copied. */
type Post = (message: unknown, transfer: Transferable[]) => void;

/**
 * Answers calls in a worker, one after another in the order they came.
 * @param work works a call out; what it gives on the way goes out at once. What it throws fails the call.
 * @param transferred what of a reply or part is handed over instead of copied
 */
export function answerCalls<Asked, Reply, Part = never>(
  work: (asked: Asked, part: (part: Part) => void) => Reply,
  transferred: (sent: Reply | Part) => Transferable[] = () => [],
): void {
  const post = (self as unknown as { postMessage: Post }).postMessage.bind(self) as Post;
  self.onmessage = ({ data: { id, asked } }: MessageEvent<ToWorker<Asked>>) => {
    try {
      const reply = work(asked, (part) => post({ id, part }, transferred(part)));
      post({ id, reply }, transferred(reply));
    } catch (error) {
      post({ id, failed: error instanceof Error ? error.message : String(error) }, []);
    }
  };
}
