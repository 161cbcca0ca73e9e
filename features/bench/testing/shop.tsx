import '@/platform/testing/device';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import { useEffect, useState, type ReactNode } from 'react';
import type { Rig } from '@/core/case/schema';
import { validateCase } from '@/core/case/validate';
import { EXAMPLE_CASE } from '@/core/cases/example';
import type { CareKnown } from '@/core/care/due';
import type { Teaching } from '@/core/learning/teaching';
import type { Change } from '@/core/record/change/change';
import type { Changed } from '@/core/record/change/change-schema';
import type { Bead, Coupon, JobVersion, NewBead } from '@/core/record/shapes/record-schema';
import { clearDeviceDatabase } from '@/client/outbox/device-database';
import { resetOutbox } from '@/client/outbox/outbox';
import { replacePlatform } from '@/platform/ports';
import { quickTimers } from '@/platform/testing/timers';
import { forgetMemory } from '@/platform/stored';
import { answering } from '@/workers/answer-question';
import type { Question } from '@/workers/protocol';
import { startSending } from '../../../client/send-changes';
import { useCoupon } from '../../../client/use-records';
import {
  BenchProvider,
  useBenchActions,
  useBenchRecords,
  useCanUndo,
  useDraftPart,
  useLive,
  useSaving,
} from '../state/bench';

/** The nth id of a test. */
export const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;

/** A server in memory that takes the changes the page sends, each once. */
function server() {
  const beads: Bead[] = [];
  const sent: Change[] = [];
  const state = {
    away: false,
    hold: null as Promise<void> | null,
    revision: 1,
    /** So many answers are lost after what was sent is stored. */
    loses: 0,
    /** A problem document that every change is refused with. */
    refuses: null as object | null,
    /** What the rig has taught; null where nobody asked the server for it. */
    teaching: null as Teaching | null,
    /** What is known of the care of the rig. */
    care: [] as CareKnown[],
  };
  const setup = {
    id: ID(2),
    rigId: ID(3),
    fittedAt: '2026-05-01T08:00:00.000Z',
    rig: EXAMPLE_CASE.rig as Rig,
    arcControlRising: 'softer' as const,
    display: 'digital' as const,
    assumed: false,
    revision: 1,
  };
  // What stands before the figures of every job was answered.
  let job: JobVersion = {
    ...{ id: ID(4), at: '2026-05-01T08:00:00.000Z' },
    job: { ...EXAMPLE_CASE.job!, ruledOut: ['code-work'] },
  };
  let title = 'Plate';
  const rig = {
    id: ID(3),
    name: 'Dock set',
    note: '',
    putAway: false,
    learnsSince: null,
    runOutScale: null,
    setup,
    revision: 1,
  };
  const coupon = (): Coupon => ({
    id: ID(1),
    rigId: ID(3),
    rigName: 'Dock set',
    title,
    createdAt: '2026-05-04T09:00:00.000Z',
    putAway: false,
    job,
    revision: 1,
    rig,
    nextNumber: beads.length + 1,
    beads: beads.filter(({ takenBack }) => !takenBack),
    jobs: [job],
    setups: [setup],
  });
  const taken = new Map<string, Changed>();
  const change = ({ id, kind, of, fields, ...rest }: Change): Changed => {
    const before = taken.get(id);
    if (before !== undefined) return before;
    const at = beads.findIndex((bead) => bead.id === of);
    const revision = (state.revision += 1);
    if (kind === 'log-bead')
      beads.push({ ...(fields as NewBead), id: of, number: beads.length + 1, takenBack: false, revision });
    else if (kind === 'correct-job') job = fields as JobVersion;
    else beads[at] = { ...beads[at], ...fields, revision };
    const bead = beads[at < 0 ? beads.length - 1 : at];
    const entry = { id, kind, of, couponId: ID(1), ...rest, by: null, revision, fields, before: {}, overrode: [] };
    const answer = (kind === 'correct-job' ? { entry, coupon: coupon() } : { entry, bead }) as Changed;
    taken.set(id, answer);
    return answer;
  };
  const request = async (path: string, init: RequestInit): Promise<Response> => {
    if (state.away) throw new TypeError('Failed to fetch');
    const method = init.method ?? 'GET';
    if (method !== 'GET') {
      const body = JSON.parse(String(init.body)) as Change;
      sent.push(body);
      if (state.refuses !== null)
        return { ok: false, status: 409, json: async () => state.refuses } as unknown as Response;
      await state.hold;
      const answer = change(body);
      if (state.loses > 0) {
        state.loses -= 1;
        throw new TypeError('Failed to fetch');
      }
      return { ok: true, status: 200, json: async () => JSON.parse(JSON.stringify(answer)) } as Response;
    }
    await state.hold;
    if (path.endsWith('/experience') && state.teaching === null)
      return { ok: false, status: 404, json: async () => ({ code: 'not-found' }) } as unknown as Response;
    // Nothing is due on its rig but what a test says.
    if (path.endsWith('/care')) return { ok: true, status: 200, json: async () => state.care } as Response;
    if (path.endsWith('/pictures')) return { ok: true, status: 200, json: async () => [] } as unknown as Response;
    const asked = path.endsWith('/experience') ? state.teaching : coupon();
    return { ok: true, status: 200, json: async () => JSON.parse(JSON.stringify(asked)) } as Response;
  };
  /** Puts another job on the coupon, as another device would. */
  const setJob = (other: JobVersion): void => void (job = other);
  /** The same job on two plates of this thickness. */
  const setPlates = (thicknessMm: number): void =>
    setJob({ ...job, job: { ...job.job, thicknessMm, otherThicknessMm: thicknessMm } });
  const setTitle = (other: string): void => void (title = other);
  return { beads, sent, state, setup, request, coupon, setJob, setPlates, setTitle };
}

const answer = answering(validateCase);

/** A worker that answers in its own time. */
export class PatientWorker {
  static asked: { question: Question; reply: () => void; refuse: (problem: string) => void }[] = [];
  static waits = false;
  onmessage: ((event: object) => void) | null = null;
  onerror: ((event: unknown) => void) | null = null;
  postMessage(question: Question): void {
    const say = (said: object): void => this.onmessage?.({ data: { id: question.id, ...said } });
    const reply = (): void => say(answer(question));
    PatientWorker.asked.push({ question, reply, refuse: (problem) => say({ problem }) });
    if (!PatientWorker.waits) queueMicrotask(() => act(reply));
  }
  terminate(): void {
    this.onmessage = null;
  }
}

export type Shop = ReturnType<typeof server>;

/** A workshop with one coupon of the worked example's plate and rig, a device that keeps nothing yet, and a worker. */
export async function openShop(): Promise<Shop> {
  await clearDeviceDatabase();
  resetOutbox();
  let count = 100;
  const shop = server();
  PatientWorker.asked = [];
  PatientWorker.waits = false;
  const texts = new Map<string, string>();
  (globalThis as { Worker?: unknown }).Worker = PatientWorker;
  replacePlatform({
    ...quickTimers,
    now: () => new Date('2026-05-04T09:30:00.000Z'),
    newId: () => ID((count += 1)),
    request: shop.request,
    storage: {
      read: (key) => texts.get(key) ?? null,
      write: (key, text) => void texts.set(key, text),
      onForeignWrite: () => () => undefined,
    },
  });
  forgetMemory();
  return shop;
}

function Bench({ children }: { children: ReactNode }) {
  const { data } = useCoupon(ID(1));
  return data === undefined ? null : <BenchProvider coupon={data}>{children}</BenchProvider>;
}

/** The bench with what stands on it, as the page puts it together. */
export function OnBench({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { retryDelay: 0 } } }),
  );
  useEffect(() => startSending(client), [client]);
  return (
    <QueryClientProvider client={client}>
      <Bench>{children}</Bench>
    </QueryClientProvider>
  );
}

/** Everything the bench offers to its screens, once the first answer is there. */
export async function openBench() {
  const { result } = renderHook(
    () => ({
      act: useBenchActions(),
      records: useBenchRecords(),
      draft: useDraftPart((draft) => draft),
      live: useLive(),
      saving: useSaving(),
      canUndo: useCanUndo(),
    }),
    { wrapper: OnBench },
  );
  await waitFor(() => expect(result.current?.live.settled).toBe(true));
  return result;
}
/** Waits for the answer to the draft as it stands. */
export const settled = async (bench: Awaited<ReturnType<typeof openBench>>) =>
  waitFor(() => expect(bench.current.live.settled).toBe(true));
