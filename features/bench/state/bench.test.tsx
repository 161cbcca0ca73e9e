import { act, waitFor } from '@testing-library/react';
import type { Case } from '@/core/case/schema';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { replacePlatform } from '@/platform/ports';
import { heldTimers } from '@/platform/testing/timers';
import { store, stored } from '@/platform/stored';
import { beadFrom } from '@/core/record/draft/bead-from-draft';
import { USUAL_HABITS } from '@/core/record/draft/habits';
import { ID, openBench, openShop, PatientWorker, settled, type Shop } from '../testing/shop';

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
    expect(bench.current.live.of!.input).toBe(bench.current.live.input);
    expect(bench.current.live.answer!.causes[0].cause).toBe('voltage-low');
    act(() => bench.current.act.takeMoves());
    expect(bench.current.draft.settings.voltageV).toBeGreaterThan(18);
    act(() => bench.current.act.undo());
    expect(bench.current.draft.settings.voltageV).toBe(16.5);
  });

  it('of a coupon that was touched here is that of this device from then on, and of one only looked at is not', async () => {
    const bench = await openBench();
    expect(stored(BENCH_COUPON)).toBeNull();
    act(() => bench.current.act.tap('wire-stubs'));
    expect(stored(BENCH_COUPON)).toBe(ID(1));
    // One that was chosen stays.
    act(() => store(BENCH_COUPON, ID(9)));
    act(() => bench.current.act.tap('bead-flat'));
    expect(stored(BENCH_COUPON)).toBe(ID(9));
  });

  it('offers what to start with, and takes it over only where figures are missing', async () => {
    const bench = await openBench();
    act(() => bench.current.act.set('voltageV', 17));
    await settled(bench);
    act(() => bench.current.act.takeStart());
    expect(bench.current.draft.settings).toEqual({
      voltageV: 17,
      wireSpeedMPerMin: expect.any(Number),
      // Around half, as a start has it; what was set before is left.
      arcControlPct: 50,
      stickOutMm: 10,
      gasFlowLPerMin: 11,
    });
  });

  it('takes over the trim of a pulsing machine in place of its volts', async () => {
    shop.setup.rig = { ...shop.setup.rig, mode: 'pulse' };
    const pulsing = await openBench();
    act(() => pulsing.current.act.takeStart());
    expect(pulsing.current.draft.settings).toEqual(
      expect.objectContaining({ trimPct: 0, wireSpeedMPerMin: expect.any(Number) }),
    );
    expect(pulsing.current.draft.settings).not.toHaveProperty('arcControlPct');
    expect(pulsing.current.records.has).toEqual({ pulse: true, amps: false });
  });

  it('takes over no arc control where a bead was told of: then there is nothing to start with', async () => {
    const bench = await openBench();
    act(() => bench.current.act.tap('bead-ropey'));
    await settled(bench);
    act(() => bench.current.act.takeStart());
    expect(bench.current.draft.settings).toEqual(expect.objectContaining({ wireSpeedMPerMin: expect.any(Number) }));
    expect(bench.current.draft.settings).not.toHaveProperty('arcControlPct');
    expect(bench.current.draft.settings).not.toHaveProperty('trimPct');
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
      const { timers, held } = heldTimers();
      replacePlatform(timers);
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
      await waitFor(() => expect(bench.current.saving.resting).toBe(true));
      expect(held()).toHaveLength(1);
      expect(held()[0]).toBeGreaterThan(apart);
      act(() => bench.current.act.tap('bead-flat'));
      expect(bench.current.saving.resting).toBe(false);
      await settled(bench);
      act(() => bench.current.act.log());
      await waitFor(() => expect(shop.beads).toHaveLength(2));
    },
  );

  it('logs a bead with nothing seen when that was meant: a moment later', async () => {
    const { timers, pass } = heldTimers();
    replacePlatform(timers);
    const bench = await openBench();
    act(() => bench.current.act.log());
    await waitFor(() => expect(bench.current.saving.resting).toBe(true));
    act(pass);
    await waitFor(() => expect(bench.current.saving.resting).toBe(false));
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

  describe('with Log pressed before the verdict is there', () => {
    /** A bench whose worker is still at it, with Log pressed twice; a write goes out a turn later. */
    const pressedEarly = async () => {
      const bench = await openBench();
      PatientWorker.waits = true;
      act(() => bench.current.act.tap('bead-ropey'));
      expect(bench.current.live.settled).toBe(false);
      act(() => bench.current.act.log());
      act(() => bench.current.act.log());
      await act(() => new Promise((later) => setTimeout(later, 30)));
      expect(shop.sent).toEqual([]);
      expect(bench.current.saving.saving).toBe(true);
      return bench;
    };
    const reply = (): void => act(() => PatientWorker.asked[PatientWorker.asked.length - 1].reply());

    it('logs nothing with the verdict of an earlier draft, and the draft once its own is there', async () => {
      const bench = await pressedEarly();
      const { id } = bench.current.draft;
      const asked: Case = PatientWorker.asked[PatientWorker.asked.length - 1].question.input;
      expect(asked.findings).toEqual({ 'bead-ropey': 'present' });
      reply();
      expect(bench.current.live.settled).toBe(true);
      const { probability } = bench.current.live.answer!.causes[0];
      await waitFor(() => expect(shop.beads).toHaveLength(1));
      expect(shop.beads[0]).toEqual(expect.objectContaining({ id, findings: { 'bead-ropey': 'present' } }));
      expect(shop.beads[0].verdict!.probability).toBe(probability);
      await waitFor(() => expect(bench.current.saving.saving).toBe(false));
      reply();
      await act(() => new Promise((later) => setTimeout(later, 30)));
      expect(shop.beads).toHaveLength(1);
    });

    it.each(['a tap', 'undo', 'a tap and its undo'] as const)('logs nothing by itself after %s', async (what) => {
      const bench = await pressedEarly();
      if (what !== 'undo') act(() => bench.current.act.tap('wire-stubs'));
      if (what !== 'a tap') act(() => bench.current.act.undo());
      expect(bench.current.saving.saving).toBe(false);
      // The newest of what waited is asked after what was in work.
      reply();
      reply();
      await waitFor(() => expect(bench.current.live.settled).toBe(true));
      await act(() => new Promise((later) => setTimeout(later, 30)));
      expect(shop.sent).toEqual([]);
    });
  });
});
