import { askSchool, type SchoolAsked, type SchoolTold } from './school';

/** A worker that answers what it is told to, when it is told to. */
function held() {
  const worker = {
    asked: [] as SchoolAsked[],
    stopped: 0,
    onmessage: null as ((event: MessageEvent) => unknown) | null,
    onerror: null as ((event: ErrorEvent) => unknown) | null,
    postMessage: (asked: SchoolAsked) => void worker.asked.push(asked),
    terminate: () => void (worker.stopped += 1),
    tell: (told: SchoolTold) => void worker.onmessage?.({ data: told } as MessageEvent),
  };
  return worker;
}

it('one worker answers all that is asked, and another takes its place where it breaks', async () => {
  const [first, second] = [held(), held()];
  const spawned = [first, second];
  const spawn = () => spawned.shift()!;
  const asked = { kind: 'count', blind: {} as never, seed: 1 } as const;
  const count = askSchool(asked, spawn);
  // What answers another question is not taken for an answer to this one.
  first.tell({ kind: 'first', question: {} as never });
  first.tell({ kind: 'count', beads: 2 });
  expect(await count).toEqual({ kind: 'count', beads: 2 });
  const again = askSchool(asked, spawn);
  first.tell({ kind: 'count', beads: 3 });
  expect((await again).beads).toBe(3);
  expect([first.asked.length, spawned.length]).toEqual([2, 1]);

  const broken = askSchool(asked, spawn);
  first.onerror?.({} as ErrorEvent);
  await expect(broken).rejects.toThrow('It could not be worked out');
  expect(first.stopped).toBe(1);
  const mended = askSchool(asked, spawn);
  second.tell({ kind: 'count', beads: 1 });
  expect((await mended).beads).toBe(1);
});
