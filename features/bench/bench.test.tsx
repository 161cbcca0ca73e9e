import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';
import { EXAMPLE_CASE } from '@/core/cases/example';
import type { Bead, Coupon, NewBead } from '@/core/record/schema';
import { replacePlatform } from '@/platform/ports';
import { forgetMemory } from '@/platform/stored';
import type { Question } from '@/workers/protocol';
import { useCoupon } from '../shared/use-records';
import { BenchProvider, useBenchActions, useBenchRecords, useCanUndo, useDraftPart, useLive, useSaving } from './bench';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;

/** A server in memory that takes what the page sends; `hold` keeps its answers back, `away` makes it unreachable. */
function server() {
  const beads: Bead[] = [];
  const sent: { method: string; path: string; body: unknown }[] = [];
  const state = { away: false, hold: null as Promise<void> | null };
  const setup = {
    id: ID(2),
    rigId: ID(3),
    fittedAt: '2026-05-01T08:00:00.000Z',
    rig: EXAMPLE_CASE.rig!,
    arcControlRising: 'softer' as const,
    display: 'digital' as const,
    assumed: false,
    revision: 1,
  };
  const job = { id: ID(4), at: '2026-05-01T08:00:00.000Z', job: EXAMPLE_CASE.job! };
  const rig = { id: ID(3), name: 'Dock set', note: '', putAway: false, setup, revision: 1 };
  const coupon = (): Coupon => ({
    id: ID(1),
    rigId: ID(3),
    rigName: 'Dock set',
    title: 'Plate',
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
  const write = (method: string, path: string, body: object): Bead => {
    const id = path.split('/')[3];
    const at = beads.findIndex((bead) => bead.id === id);
    if (method === 'PUT' && at < 0) {
      beads.push({ ...(body as NewBead), number: beads.length + 1, takenBack: false, revision: 1 });
      return beads[beads.length - 1];
    }
    beads[at] = { ...beads[at], ...body };
    return beads[at];
  };
  const request = async (path: string, init: RequestInit): Promise<Response> => {
    if (state.away) throw new TypeError('Failed to fetch');
    const method = init.method ?? 'GET';
    const body = init.body === undefined ? {} : JSON.parse(String(init.body));
    if (method !== 'GET') sent.push({ method, path, body });
    await state.hold;
    const said = method === 'GET' ? coupon() : write(method, path, body);
    return { ok: true, status: 200, json: async () => JSON.parse(JSON.stringify(said)) } as Response;
  };
  return { beads, sent, state, request, coupon };
}

/** A worker that answers in its own time. */
class PatientWorker {
  static asked: { question: Question; reply: () => void }[] = [];
  static waits = false;
  onmessage: ((event: object) => void) | null = null;
  onerror: ((event: unknown) => void) | null = null;
  postMessage(question: Question): void {
    const reply = (): void => this.onmessage?.({ data: { id: question.id, answer: answer(question.input) } });
    PatientWorker.asked.push({ question, reply });
    if (!PatientWorker.waits) queueMicrotask(() => act(reply));
  }
  terminate(): void {
    this.onmessage = null;
  }
}

let count = 100;
let shop: ReturnType<typeof server>;
beforeEach(() => {
  shop = server();
  PatientWorker.asked = [];
  PatientWorker.waits = false;
  const texts = new Map<string, string>();
  (globalThis as { Worker?: unknown }).Worker = PatientWorker;
  replacePlatform({
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
});
afterEach(() => replacePlatform(null));

function Bench({ children }: { children: ReactNode }) {
  const { data } = useCoupon(ID(1));
  return data === undefined ? null : <BenchProvider coupon={data}>{children}</BenchProvider>;
}

async function openBench() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { retryDelay: 0 } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <Bench>{children}</Bench>
    </QueryClientProvider>
  );
  const { result } = renderHook(
    () => ({
      act: useBenchActions(),
      records: useBenchRecords(),
      draft: useDraftPart((draft) => draft),
      live: useLive(),
      saving: useSaving(),
      canUndo: useCanUndo(),
    }),
    { wrapper },
  );
  await waitFor(() => expect(result.current?.live.settled).toBe(true));
  return result;
}
const settled = async (bench: Awaited<ReturnType<typeof openBench>>) =>
  waitFor(() => expect(bench.current.live.settled).toBe(true));

describe('the bench', () => {
  it('follows every tap with a verdict on that very draft', async () => {
    const bench = await openBench();
    act(() => bench.current.act.set('voltageV', 16.5));
    act(() => bench.current.act.set('wireSpeedMPerMin', 7.5));
    act(() => bench.current.act.tap('wire-stubs'));
    expect(bench.current.draft.findings).toEqual({ 'wire-stubs': 'present' });
    await settled(bench);
    expect(bench.current.live.of).toBe(bench.current.live.input);
    expect(bench.current.live.answer!.causes[0].cause).toBe('voltage-low');
    act(() => bench.current.act.takeMoves());
    expect(bench.current.draft.settings.voltageV).toBeGreaterThan(18);
    act(() => bench.current.act.undo());
    expect(bench.current.draft.settings.voltageV).toBe(16.5);
  });

  it('offers what to start with, and takes it over only where figures are missing', async () => {
    const bench = await openBench();
    act(() => bench.current.act.set('voltageV', 17));
    await settled(bench);
    act(() => bench.current.act.takeStart());
    expect(bench.current.draft.settings).toEqual({
      voltageV: 17,
      wireSpeedMPerMin: expect.any(Number),
      stickOutMm: 10,
      gasFlowLPerMin: 11,
    });
  });

  it('logs a draft once however often Log is pressed, with its own verdict and setup, and goes on to the next', async () => {
    const bench = await openBench();
    act(() => bench.current.act.set('voltageV', 16.5));
    act(() => bench.current.act.set('wireSpeedMPerMin', 7.5));
    act(() => bench.current.act.tap('wire-stubs'));
    await settled(bench);
    const { draft, live } = bench.current;
    act(() => {
      bench.current.act.log();
      bench.current.act.log();
    });
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.records.coupon.beads).toHaveLength(1));
    await waitFor(() => expect(bench.current.saving.saving).toBe(false));
    expect(shop.sent.filter(({ method }) => method === 'PUT')).toHaveLength(1);
    const [bead] = shop.beads;
    expect(bead).toEqual(
      expect.objectContaining({
        id: draft.id,
        setupId: ID(2),
        jobId: ID(4),
        findings: { 'wire-stubs': 'present' },
        ranAt: '2026-05-04T09:30:00.000Z',
      }),
    );
    expect(bead.verdict!.probability).toBe(live.answer!.causes[0].probability);
    expect(bench.current.draft.id).not.toBe(draft.id);
    expect(bench.current.draft.findings).toEqual({});
    expect(bench.current.draft.settings.voltageV).toBeGreaterThan(18);
    expect(bench.current.records.lastBead!.id).toBe(bead.id);
  });

  it('logs nothing while the verdict is still of an earlier draft', async () => {
    const bench = await openBench();
    PatientWorker.waits = true;
    act(() => bench.current.act.tap('bead-ropey'));
    expect(bench.current.live.settled).toBe(false);
    // A write goes out a turn later; it has to be waited for to be missed.
    await act(async () => {
      bench.current.act.log();
      await new Promise((later) => setTimeout(later, 30));
    });
    expect(shop.sent).toEqual([]);
    const asked: Case = PatientWorker.asked[PatientWorker.asked.length - 1].question.input;
    expect(asked.findings).toEqual({ 'bead-ropey': 'present' });
    act(() => PatientWorker.asked[PatientWorker.asked.length - 1].reply());
    expect(bench.current.live.settled).toBe(true);
  });

  it('keeps the draft when the server is away, says so, and logs the same bead when it is back', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    const { id } = bench.current.draft;
    shop.state.away = true;
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.saving.problem).toMatch(/cannot be reached/));
    expect(bench.current.draft).toEqual(expect.objectContaining({ id, findings: { 'bead-flat': 'present' } }));
    shop.state.away = false;
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.beads.map((bead) => bead.id)).toEqual([id]));
  });

  it('takes a logged bead back with undo, and goes on with its draft under a new id', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    const { id } = bench.current.draft;
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.draft.findings).toEqual({}));
    await waitFor(() => expect(bench.current.saving.saving).toBe(false));
    expect(bench.current.canUndo).toBe(true);
    act(() => bench.current.act.undo());
    await waitFor(() => expect(bench.current.draft.findings).toEqual({ 'bead-flat': 'present' }));
    expect(shop.sent[shop.sent.length - 1]).toEqual({
      method: 'PATCH',
      path: `/api/beads/${id}`,
      body: { takenBack: true },
    });
    expect(bench.current.draft.id).not.toBe(id);
    expect(bench.current.records.coupon.beads).toEqual([]);
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.records.coupon.beads.map(({ number }) => number)).toEqual([2]));
  });

  it('judges the last bead', async () => {
    const bench = await openBench();
    act(() => bench.current.act.judge('sound'));
    expect(shop.sent).toEqual([]);
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.records.lastBead).not.toBeNull());
    act(() => bench.current.act.judge('sound'));
    await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBe('sound'));
  });
});
