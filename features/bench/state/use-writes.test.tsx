import { act, waitFor } from '@testing-library/react';
import { markRejected, pendingNow } from '@/client/outbox/outbox';
import { serverAnswered } from '@/client/server-state';
import { replacePlatform } from '@/platform/ports';
import { openBench, openShop, settled, type Shop } from '../testing/shop';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

describe('what is done on the bench', () => {
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
    act(serverAnswered);
    await waitFor(() => expect(pendingNow()).toEqual([]));
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
    await waitFor(() => expect(shop.sent.length).toBe(4));
    await waitFor(() => expect(pendingNow()).toEqual([]));
    expect(shop.beads).toHaveLength(1);
    expect(bench.current.records.coupon.beads.map(({ number }) => number)).toEqual([1]);
  });

  it('keeps what the server refuses, shows it as not logged, and goes on with what comes after', async () => {
    const bench = await openBench();
    shop.state.refuses = { code: 'wrong-fields', detail: 'setupId takes the id of a setup that is kept.' };
    act(() => bench.current.act.tap('bead-flat'));
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(pendingNow().map(({ refused }) => refused?.code)).toEqual(['wrong-fields']));
    await waitFor(() => expect(bench.current.records.coupon.beads).toEqual([]));
    shop.state.refuses = null;
    act(() => bench.current.act.tap('wire-stubs'));
    await settled(bench);
    act(() => bench.current.act.log());
    await waitFor(() => expect(shop.beads.map(({ findings }) => findings)).toEqual([{ 'wire-stubs': 'present' }]));
    // The server has it a moment before the device knows.
    await waitFor(() => expect(pendingNow()).toHaveLength(1));
    // Once the reason is gone it is sent again, by hand.
    await act(() => markRejected(pendingNow()[0].seq, null));
    await waitFor(() => expect(shop.beads).toHaveLength(2));
    await waitFor(() => expect(pendingNow()).toEqual([]));
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
    await waitFor(() => expect(pendingNow()).toEqual([]));
    expect(bench.current.canUndo).toBe(true);
    act(() => bench.current.act.undo());
    await waitFor(() => expect(bench.current.draft.findings).toEqual({ 'bead-flat': 'present' }));
    await waitFor(() => expect(pendingNow()).toEqual([]));
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
    await waitFor(() => expect(bench.current.draft.findings).toEqual({ 'wire-stubs': 'present' }));
    // The first was sent, though no answer came; it may be there, so it is not simply dropped.
    await waitFor(() => expect(pendingNow().map(({ change }) => change.kind)).toEqual(['log-bead']));
    shop.state.away = false;
    act(serverAnswered);
    await waitFor(() => expect(pendingNow()).toEqual([]));
    expect(shop.beads.map(({ findings, takenBack }) => [findings, takenBack])).toEqual([
      [{ 'bead-flat': 'present' }, false],
    ]);
  });

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
    await waitFor(() => expect(pendingNow()).toEqual([]));
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
