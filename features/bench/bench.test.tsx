import { act, waitFor } from '@testing-library/react';
import type { Case } from '@/core/case/schema';
import { refuseWaiting, waitingNow } from '@/platform/outbox';
import { replacePlatform } from '@/platform/ports';
import { beadFrom } from '@/core/record/bead-from';
import { USUAL_HABITS } from '@/core/record/habits';
import { ID, openBench, openShop, PatientWorker, settled, type Shop } from './testing/shop';
import { REST_MS } from './use-rest';

const RAN = { couponId: ID(1), setupId: ID(2), jobId: ID(4) };

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

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
    await waitFor(() => expect(shop.beads).toHaveLength(1));
    expect(shop.sent.map(({ id, kind, of }) => [id, kind, of])).toEqual([[draft.id, 'log-bead', draft.id]]);
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

  it.each([0, 5, 60, 200, 400, 600])(
    'logs one bead by two taps %i ms apart, and the next once it is touched',
    async (apart) => {
      const bench = await openBench();
      act(() => bench.current.act.tap('wire-stubs'));
      await settled(bench);
      act(() => bench.current.act.log());
      await act(async () => {
        await new Promise((later) => setTimeout(later, apart));
      });
      act(() => bench.current.act.log());
      await waitFor(() => expect(bench.current.saving.saving).toBe(false));
      await waitFor(() => expect(shop.beads.map(({ findings }) => findings)).toEqual([{ 'wire-stubs': 'present' }]));
      act(() => bench.current.act.tap('bead-flat'));
      expect(bench.current.saving.resting).toBe(false);
      await settled(bench);
      act(() => bench.current.act.log());
      await waitFor(() => expect(shop.beads).toHaveLength(2));
    },
  );

  it('logs a bead with nothing seen when that was meant: a moment later', async () => {
    const bench = await openBench();
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.saving.resting).toBe(true));
    await waitFor(() => expect(bench.current.saving.resting).toBe(false), { timeout: 3 * REST_MS });
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.beads).toHaveLength(2));
  });

  it('goes on with the next draft where the page was left while a bead was saved', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('wire-stubs'));
    await settled(bench);
    const { draft } = bench.current;
    // The server took it, and its answer never came.
    shop.beads.push({
      ...beadFrom(draft, bench.current.live.input, bench.current.live.answer!, RAN, USUAL_HABITS, new Date(0)),
      number: 1,
      takenBack: false,
      revision: 1,
    });
    const again = await openBench();
    await waitFor(() => expect(again.current.draft.id).not.toBe(draft.id));
    expect(again.current.draft.findings).toEqual({});
    await settled(again);
    act(() => again.current.act.log());
    await waitFor(() => expect(shop.beads.map(({ number }) => number)).toEqual([1, 2]));
    expect(shop.beads[1].id).toBe(shop.sent[0].of);
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

  it('logs on while the server is away: each bead waits, once, and arrives in order when it is back', async () => {
    const bench = await openBench();
    shop.state.away = true;
    const logOne = async (finding: 'bead-flat' | 'wire-stubs'): Promise<void> => {
      act(() => bench.current.act.tap(finding));
      await settled(bench);
      const { id } = bench.current.draft;
      act(() => bench.current.act.log());
      await waitFor(() => expect(bench.current.draft.id).not.toBe(id));
    };
    await logOne('bead-flat');
    await logOne('wire-stubs');
    act(() => bench.current.act.judge('better'));
    await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBe('better'));
    expect(bench.current.records.coupon.beads.map(({ number, findings }) => [number, findings])).toEqual([
      [1, { 'bead-flat': 'present' }],
      [2, { 'wire-stubs': 'present' }],
    ]);
    expect(shop.beads).toEqual([]);
    shop.state.away = false;
    await waitFor(() => expect(waitingNow()).toEqual([]), { timeout: 5000 });
    expect(shop.beads.map(({ number, outcome, findings }) => [number, outcome, findings])).toEqual([
      [1, null, { 'bead-flat': 'present' }],
      [2, 'better', { 'wire-stubs': 'present' }],
    ]);
    expect(shop.sent.map(({ kind }) => kind)).toEqual(['log-bead', 'log-bead', 'change-bead']);
  });

  it('keeps one bead where its answer is lost again and again', async () => {
    const bench = await openBench();
    shop.state.loses = 3;
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.sent.length).toBe(4), { timeout: 6000 });
    await waitFor(() => expect(waitingNow()).toEqual([]));
    expect(shop.beads).toHaveLength(1);
    expect(bench.current.records.coupon.beads.map(({ number }) => number)).toEqual([1]);
  }, 10_000);

  it('keeps what the server refuses, shows it as not logged, and goes on with what comes after', async () => {
    const bench = await openBench();
    shop.state.refuses = { code: 'wrong-fields', detail: 'setupId takes the id of a setup that is kept.' };
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(waitingNow().map(({ refused }) => refused?.code)).toEqual(['wrong-fields']));
    await waitFor(() => expect(bench.current.records.coupon.beads).toEqual([]));
    shop.state.refuses = null;
    act(() => bench.current.act.tap('wire-stubs'));
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.beads.map(({ findings }) => findings)).toEqual([{ 'wire-stubs': 'present' }]));
    expect(waitingNow()).toHaveLength(1);
    // Once the reason is gone it is sent again, by hand.
    await act(() => refuseWaiting(waitingNow()[0].seq, null));
    await waitFor(() => expect(shop.beads).toHaveLength(2));
    await waitFor(() => expect(waitingNow()).toEqual([]));
  });

  it('says so, and keeps the bead on the bench, where it can be neither kept nor sent', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    const { id } = bench.current.draft;
    const refusing = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    shop.state.away = true;
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.saving.problem).toMatch(/cannot be reached/));
    expect(bench.current.draft).toEqual(expect.objectContaining({ id, findings: { 'bead-flat': 'present' } }));
    // With a server, it goes there at once.
    shop.state.away = false;
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.beads.map((bead) => bead.id)).toEqual([id]));
    await waitFor(() => expect(bench.current.draft.id).not.toBe(id));
    refusing.mockRestore();
  });

  it('takes a logged bead back with undo, and goes on with its draft under a new id', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    const { id } = bench.current.draft;
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.draft.findings).toEqual({}));
    await waitFor(() => expect(waitingNow()).toEqual([]));
    expect(bench.current.canUndo).toBe(true);
    act(() => bench.current.act.undo());
    await waitFor(() => expect(bench.current.draft.findings).toEqual({ 'bead-flat': 'present' }));
    await waitFor(() => expect(waitingNow()).toEqual([]));
    expect(shop.sent.at(-1)).toEqual(
      expect.objectContaining({ kind: 'change-bead', of: id, fields: { takenBack: true }, against: 2 }),
    );
    expect(bench.current.draft.id).not.toBe(id);
    expect(bench.current.records.coupon.beads).toEqual([]);
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.records.coupon.beads.map(({ number }) => number)).toEqual([2]));
  });

  it('undoes a bead that waits behind another as if it had never been, and its judgement with it', async () => {
    const bench = await openBench();
    shop.state.away = true;
    for (const finding of ['bead-flat', 'wire-stubs'] as const) {
      act(() => bench.current.act.tap(finding));
      await settled(bench);
      const { id } = bench.current.draft;
      act(() => bench.current.act.log());
      await waitFor(() => expect(bench.current.draft.id).not.toBe(id));
    }
    act(() => bench.current.act.judge('worse'));
    await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBe('worse'));
    act(() => bench.current.act.undo());
    await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBeNull());
    act(() => bench.current.act.undo());
    await waitFor(() => expect(bench.current.records.coupon.beads).toHaveLength(1));
    expect(bench.current.draft.findings).toEqual({ 'wire-stubs': 'present' });
    // The first was sent, though no answer came; it may be there, so it is not simply dropped.
    await waitFor(() => expect(waitingNow().map(({ change }) => change.kind)).toEqual(['log-bead']));
    shop.state.away = false;
    await waitFor(() => expect(waitingNow()).toEqual([]), { timeout: 16_000 });
    expect(shop.beads.map(({ findings, takenBack }) => [findings, takenBack])).toEqual([
      [{ 'bead-flat': 'present' }, false],
    ]);
  }, 20_000);

  it('judges the last bead once, and undoes it to how it was judged before', async () => {
    const bench = await openBench();
    act(() => bench.current.act.judge('sound'));
    expect(shop.sent).toEqual([]);
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.records.lastBead).not.toBeNull());
    for (const outcome of ['better', 'sound', 'sound'] as const) {
      act(() => bench.current.act.judge(outcome));
      await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBe(outcome));
    }
    await waitFor(() => expect(waitingNow()).toEqual([]));
    expect(shop.sent.map(({ fields }) => ('outcome' in fields ? fields.outcome : null))).toEqual([
      null,
      'better',
      'sound',
    ]);
    act(() => bench.current.act.undo());
    await waitFor(() => expect(shop.beads[0].outcome).toBe('better'));
    act(() => bench.current.act.undo());
    await waitFor(() => expect(shop.beads[0].outcome).toBeNull());
    await waitFor(() => expect(bench.current.records.lastBead!.outcome).toBeNull());
  });
});
