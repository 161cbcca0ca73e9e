import { act, renderHook, waitFor } from '@testing-library/react';
import { answer } from '@/core/answer';
import { EXAMPLE_CASE } from '@/core/cases/example';
import type { Question } from './protocol';
import { useAnswer } from './use-answer';

/** A worker that answers at once, and counts how many of it were started. */
class Ready {
  static started: string[] = [];
  static stopped = 0;
  onmessage: ((event: object) => void) | null = null;
  constructor(url: URL) {
    Ready.started.push(String(url));
  }
  postMessage({ id, input }: Question): void {
    queueMicrotask(() => act(() => this.onmessage?.({ data: { id, answer: answer(input), judged: input } })));
  }
  terminate(): void {
    Ready.stopped += 1;
  }
}

/** A fresh copy of the module: what was started ahead is its own. */
function load(ahead?: Ready): typeof import('./use-answer') {
  Ready.started = [];
  Ready.stopped = 0;
  const place = globalThis as { Worker?: unknown; workerAhead?: unknown };
  place.Worker = Ready;
  place.workerAhead = ahead;
  let fresh: typeof import('./use-answer') | null = null;
  jest.isolateModules(() => (fresh = jest.requireActual<typeof import('./use-answer')>('./use-answer')));
  return fresh!;
}

describe('a worker that is started ahead', () => {
  it('is started once, however often it is asked for', () => {
    const { warmUp } = load();
    warmUp();
    warmUp();
    expect(Ready.started).toEqual([expect.stringContaining('diagnosis.worker')]);
  });

  it('is the one that the page has started, where it has', () => {
    const { warmUp } = load({} as Ready);
    warmUp();
    expect(Ready.started).toEqual([]);
  });
});

describe('the answer to a case', () => {
  it('comes from a worker, follows the case, and the worker goes with the screen', async () => {
    Ready.started = [];
    Ready.stopped = 0;
    const place = globalThis as { Worker?: unknown; workerAhead?: unknown };
    place.Worker = Ready;
    delete place.workerAhead;
    const nothing = { input: { format: EXAMPLE_CASE.format }, lesson: null };
    const example = { input: EXAMPLE_CASE, lesson: null };
    const { result, rerender, unmount } = renderHook(({ asked }) => useAnswer(asked), {
      initialProps: { asked: nothing as typeof example },
    });
    expect(result.current.answer).toBeNull();
    rerender({ asked: example });
    await waitFor(() => expect(result.current.answer?.causes[0].cause).toBe('voltage-low'));
    expect(result.current.of).toBe(example);
    expect(Ready.started).toHaveLength(1);
    unmount();
    expect(Ready.stopped).toBe(1);
  });
});
