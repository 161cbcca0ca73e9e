import { useCallback, useMemo } from 'react';
import { v7 as newId } from 'uuid';
import type { Case, FindingState, Reading, SettingName } from '@/core/case/schema';
import { movesNow, nextSettings } from '@/core/correction/next-settings';
import { caseOf } from '@/core/record/case-of';
import { takenMove } from '@/core/record/taken-move';
import type { Bead, CouponSummary, Outcome, RigRecord } from '@/core/record/schema';
import { useStored } from '@/ui/use-stored';
import { useAnswer, type LiveAnswer } from '@/workers/use-answer';
import { usePreferences, type Habits } from '../preferences/use-preferences';
import { useCoupons, useDeleteBead, usePutBead, useRigs } from '../records/use-records';
import {
  EMPTY_DRAFT,
  setFinding,
  setSetting,
  step,
  tapFinding,
  typeSetting,
  undo,
  type Draft,
  type DraftHistory,
  type ReadSetting,
} from './draft';

/** Key of the coupon in work. */
export const BENCH_COUPON = 'bench-coupon';

/** What the bench works on once the records are there. */
export type Bench = {
  coupon: CouponSummary;
  rig: RigRecord;
  rigs: RigRecord[];
  draft: Draft;
  /** The bead in front of the welder, as a case. */
  input: Case;
  live: LiveAnswer;
  habits: Habits;
  setHabits: (next: Habits) => void;
  lastBead: Bead | null;
  canUndo: boolean;
  saving: boolean;
  saveProblem: string | null;
  act: {
    tap: (finding: string) => void;
    answer: (finding: string, state: FindingState) => void;
    set: (setting: SettingName, value: number | null) => void;
    /** Says how a figure was got. */
    read: (setting: ReadSetting, reading: Reading) => void;
    type: (setting: SettingName, text: string, toInside: (value: number) => number) => void;
    useMoves: () => void;
    log: () => void;
    judge: (outcome: Outcome) => void;
    undo: () => void;
  };
};

export type BenchState =
  | { status: 'loading' }
  | { status: 'failed'; message: string; retry: () => void }
  | { status: 'empty' }
  | ({ status: 'ready' } & Bench);

/** The bead to run next on a coupon: the last one's settings with the change that was decided on. */
function freshDraft(coupon: CouponSummary): Draft {
  const last = coupon.beads[coupon.beads.length - 1];
  if (last === undefined) return EMPTY_DRAFT;
  const turned =
    last.move?.kind === 'setting' && last.move.setting !== undefined && last.move.to !== undefined
      ? { [last.move.setting]: last.move.to }
      : {};
  return { ...EMPTY_DRAFT, settings: { ...last.settings, ...turned } };
}

/** Everything the bench shows and does. */
export function useBench(): BenchState {
  const rigs = useRigs();
  const coupons = useCoupons();
  const putBead = usePutBead();
  const deleteBead = useDeleteBead();
  const [habits, setHabits] = usePreferences();
  const [chosenCoupon] = useStored<string | null>(BENCH_COUPON, null);

  const coupon = coupons.data?.find(({ id }) => id === chosenCoupon) ?? coupons.data?.[0];
  const rig = rigs.data?.find(({ id }) => id === coupon?.rigId);
  const [stored, setStored] = useStored<DraftHistory | null>(`draft-${coupon?.id ?? 'none'}`, null);
  const fresh = useMemo<DraftHistory>(
    () => ({ now: coupon === undefined ? EMPTY_DRAFT : freshDraft(coupon), past: [] }),
    [coupon],
  );
  const history = stored ?? fresh;
  const draft = history.now;

  const input = useMemo(
    () => (rig === undefined || coupon === undefined ? null : caseOf(rig, coupon, draft, habits.schools)),
    [rig, coupon, draft, habits.schools],
  );
  const live = useAnswer(input);

  const change = useCallback((next: Draft) => setStored(step(history, next)), [history, setStored]);

  if (rigs.isError || coupons.isError) {
    const failed = rigs.error ?? coupons.error;
    const retry = (): void => void Promise.all([rigs.refetch(), coupons.refetch()]);
    return { status: 'failed', message: failed?.message ?? 'The records cannot be read.', retry };
  }
  if (rigs.data === undefined || coupons.data === undefined) return { status: 'loading' };
  if (coupon === undefined || rig === undefined || input === null) return { status: 'empty' };

  const lastBead = coupon.beads[coupon.beads.length - 1] ?? null;
  const log = (): void => {
    const { answer } = live;
    if (answer === null || live.pending || putBead.isPending) return;
    const moves = movesNow(answer.correction, habits.changes);
    const [top] = answer.causes;
    const bead: Bead = {
      id: newId(),
      couponId: coupon.id,
      number: (lastBead?.number ?? 0) + 1,
      ranAt: new Date().toISOString(),
      settings: draft.settings,
      ...(input.readings === undefined ? {} : { readings: input.readings }),
      findings: draft.findings,
      verdict: top === undefined ? null : { cause: top.cause, probability: top.probability },
      move: moves[0] === undefined ? null : takenMove(moves[0]),
      outcome: null,
      note: '',
    };
    const next: Draft = {
      ...EMPTY_DRAFT,
      readings: draft.readings,
      settings: nextSettings(draft.settings, answer.correction, habits.changes),
    };
    putBead.mutate(bead, { onSuccess: () => setStored(step(history, next, bead.id)) });
  };

  return {
    status: 'ready',
    coupon,
    rig,
    rigs: rigs.data,
    draft,
    input,
    live,
    habits,
    setHabits,
    lastBead,
    canUndo: history.past.length > 0,
    saving: putBead.isPending,
    saveProblem: putBead.error?.message ?? deleteBead.error?.message ?? null,
    act: {
      tap: (finding) => change(tapFinding(draft, finding)),
      answer: (finding, state) => change(setFinding(draft, finding, state)),
      set: (setting, value) => change(setSetting(draft, setting, value)),
      read: (setting, reading) => change({ ...draft, readings: { ...draft.readings, [setting]: reading } }),
      type: (setting, text, toInside) => change(typeSetting(draft, setting, text, toInside)),
      useMoves: () => {
        if (live.answer !== null)
          change({ ...draft, settings: nextSettings(draft.settings, live.answer.correction, habits.changes) });
      },
      log,
      judge: (outcome) => {
        if (lastBead !== null) putBead.mutate({ ...lastBead, outcome });
      },
      undo: () => {
        const back = undo(history);
        if (back.unlog === null) setStored(back.history);
        else deleteBead.mutate(back.unlog, { onSuccess: () => setStored(back.history) });
      },
    },
  };
}
