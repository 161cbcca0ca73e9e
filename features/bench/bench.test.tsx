import { act, waitFor } from '@testing-library/react';
import type { Case } from '@/core/case/schema';
import { replacePlatform } from '@/platform/ports';
import { ID, openBench, openShop, PatientWorker, settled, type Shop } from './testing/shop';

let shop: Shop;
beforeEach(() => (shop = openShop()));
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
