import { createContext, useContext, useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Case, FindingState } from '@/core/case/schema';
import { nextSettings, startingSettings } from '@/core/correction/next-settings';
import type { StatedId } from '@/core/evidence/ids';
import { beadFrom, draftAfter, draftFromLast } from '@/core/record/bead-from';
import { caseOf, dialsOf } from '@/core/record/case-of';
import {
  setFinding,
  setReading,
  setSetting,
  step,
  tapFinding,
  typeSetting,
  undo,
  type Draft,
  type DraftHistory,
} from '@/core/record/draft';
import type { Habits } from '@/core/record/habits';
import type { Bead, Coupon, Outcome } from '@/core/record/schema';
import type { Dials } from '@/core/setting/dials';
import type { ReadSetting, Reading, SettingName } from '@/core/setting/table';
import { draftOn } from '@/platform/kept';
import { platform } from '@/platform/ports';
import { store, stored, useStoredPart } from '@/platform/stored';
import { useAnswer, type LiveAnswer } from '@/workers/use-answer';
import { useHabits } from '../shared/use-habits';
import { useChangeBead, usePutBead } from '../shared/use-records';
import { useRest } from './use-rest';

/**
 * The bench in small parts, so that a tap draws again only what shows it: what is kept of the coupon, the draft in
 * front of the welder, the live answer, and what can be done.
 */
export type Records = { coupon: Coupon; dials: Dials; usesGas: boolean; lastBead: Bead | null };
export type Live = LiveAnswer & {
  input: Case;
  /** Whether the answer is of the draft as it stands, so that it may be logged with it. */
  settled: boolean;
};
export type Saving = {
  saving: boolean;
  /** A bead was logged this moment and nothing was touched since: Log waits, for a second tap was hardly meant. */
  resting: boolean;
  problem: string | null;
};
export type Actions = {
  tap: (finding: StatedId) => void;
  answer: (finding: StatedId, state: FindingState) => void;
  set: (setting: SettingName, value: number | null) => void;
  /** Says how a figure was got. */
  read: (setting: ReadSetting, reading: Reading) => void;
  type: (setting: SettingName, text: string, toInside: (value: number) => number) => void;
  /** Takes over what to start with where figures are missing. */
  takeStart: () => void;
  takeMoves: () => void;
  log: () => void;
  judge: (outcome: NonNullable<Outcome>) => void;
  undo: () => void;
};

const RecordsContext = createContext<Records | null>(null);
const FreshContext = createContext<DraftHistory | null>(null);
const LiveContext = createContext<Live | null>(null);
const SavingContext = createContext<Saving>({ saving: false, resting: false, problem: null });
const ActionsContext = createContext<Actions | null>(null);

function required<T>(value: T | null): T {
  if (value === null) throw new Error('this belongs on the bench');
  return value;
}

export const useBenchRecords = (): Records => required(useContext(RecordsContext));
export const useLive = (): Live => required(useContext(LiveContext));
export const useSaving = (): Saving => useContext(SavingContext);
export const useBenchActions = (): Actions => required(useContext(ActionsContext));

/** A part of the draft; the screen is drawn again only when that part changes. */
export function useDraftPart<Part>(select: (draft: Draft) => Part): Part {
  const fresh = required(useContext(FreshContext));
  const { coupon } = useBenchRecords();
  return useStoredPart(draftOn(coupon.id), (history) => select((history ?? fresh).now));
}

/** Whether there is a step to go back. */
export function useCanUndo(): boolean {
  const { coupon } = useBenchRecords();
  return useStoredPart(draftOn(coupon.id), (history) => (history?.past.length ?? 0) > 0);
}

const whole = (history: DraftHistory | null): DraftHistory | null => history;

/** Everything the bench shows and does, for one coupon. */
export function BenchProvider({ coupon, children }: { coupon: Coupon; children: ReactNode }) {
  const [habits] = useHabits();
  const { setup } = coupon.rig;
  const records = useMemo<Records>(
    () => ({
      coupon,
      dials: dialsOf(coupon.rig.setup),
      usesGas: coupon.rig.setup.rig.gas !== null,
      lastBead: coupon.beads[coupon.beads.length - 1] ?? null,
    }),
    [coupon],
  );
  const { lastBead } = records;
  // A draft that was never touched is made from the last bead; its id stays as long as that is the last one.
  const fresh = useMemo<DraftHistory>(
    () => ({ now: draftFromLast(lastBead, platform().newId()), past: [] }),
    [lastBead],
  );
  const kept = useStoredPart(draftOn(coupon.id), whole);
  // The page was left while a bead was being saved, and it was: its draft is not logged again, the next one goes on.
  const isLogged = kept !== null && coupon.beads.some(({ id }) => id === kept.now.id);
  useEffect(() => {
    if (isLogged) store(draftOn(coupon.id), step(kept, draftFromLast(lastBead, platform().newId()), kept.now.id));
  }, [coupon.id, isLogged, kept, lastBead]);
  const draft = (kept ?? fresh).now;
  const input = useMemo(
    () => caseOf(setup, coupon.job.job, draft, habits.schools),
    [setup, coupon.job.job, draft, habits.schools],
  );
  const answered = useAnswer(input);
  const live = useMemo<Live>(
    () => ({ ...answered, input, settled: answered.answer !== null && answered.of === input }),
    [answered, input],
  );
  const { saving, actions } = useWrites(records, fresh, live, habits);
  return (
    <RecordsContext.Provider value={records}>
      <FreshContext.Provider value={fresh}>
        <LiveContext.Provider value={live}>
          <SavingContext.Provider value={saving}>
            <ActionsContext.Provider value={actions}>{children}</ActionsContext.Provider>
          </SavingContext.Provider>
        </LiveContext.Provider>
      </FreshContext.Provider>
    </RecordsContext.Provider>
  );
}

/** What can be done on the bench. The actions never change, so that no one is drawn again for them. */
function useWrites(
  records: Records,
  fresh: DraftHistory,
  live: Live,
  habits: Habits,
): { saving: Saving; actions: Actions } {
  const putBead = usePutBead();
  const changeBead = useChangeBead();
  const now = { records, fresh, live, habits, putBead, changeBead };
  const latest = useRef(now);
  useEffect(() => {
    latest.current = now;
  });
  const logging = useRef<string | null>(null);
  const [resting, rest] = useRest();

  const actions = useMemo<Actions>(() => {
    const shape = () => draftOn(latest.current.records.coupon.id);
    const history = (): DraftHistory => stored(shape()) ?? latest.current.fresh;
    const change = (make: (draft: Draft) => Draft): void => {
      rest.end();
      store(shape(), step(history(), make(history().now)));
    };
    return {
      tap: (finding) => change((draft) => tapFinding(draft, finding)),
      answer: (finding, state) => change((draft) => setFinding(draft, finding, state)),
      set: (setting, value) => change((draft) => setSetting(draft, setting, value)),
      read: (setting, reading) => change((draft) => setReading(draft, setting, reading)),
      type: (setting, text, toInside) => change((draft) => typeSetting(draft, setting, text, toInside)),
      takeStart: () => {
        const { answer } = latest.current.live;
        if (answer === null) return;
        change((draft) => ({
          ...draft,
          settings: { ...draft.settings, ...startingSettings(draft.settings, answer.correction) },
        }));
      },
      takeMoves: () => {
        const {
          live: { answer },
          habits: { changes },
        } = latest.current;
        if (answer === null) return;
        change((draft) => ({ ...draft, settings: nextSettings(draft.settings, answer.correction, changes) }));
      },
      log: () => {
        const { live: said, records: kept, habits: ways, putBead: put } = latest.current;
        const draft = history().now;
        // Only an answer to this very draft is logged with it, and a draft is logged once.
        if (said.answer === null || !said.settled || logging.current === draft.id || rest.isResting()) return;
        logging.current = draft.id;
        const { answer, input } = said;
        const { coupon } = kept;
        const ran = { couponId: coupon.id, setupId: coupon.rig.setup.id, jobId: coupon.job.id };
        const bead = beadFrom(draft, input, answer, ran, ways, platform().now());
        const next = draftAfter(draft, answer, ways.changes, platform().newId());
        put.mutate(bead, {
          onSuccess: () => {
            const then = stored(draftOn(coupon.id)) ?? { now: draft, past: [] };
            if (then.now.id !== bead.id) return;
            store(draftOn(coupon.id), step(then, next, bead.id));
            rest.begin();
          },
          onSettled: () => (logging.current = null),
        });
      },
      judge: (outcome) => {
        const { lastBead } = latest.current.records;
        if (lastBead !== null) latest.current.changeBead.mutate({ id: lastBead.id, change: { outcome } });
      },
      undo: () => {
        rest.end();
        const back = undo(history(), platform().newId());
        const here = shape();
        if (back.unlog === null) return store(here, back.history);
        const change = { id: back.unlog, change: { takenBack: true } };
        latest.current.changeBead.mutate(change, { onSuccess: () => store(here, back.history) });
      },
    };
  }, [rest]);

  const isSaving = putBead.isPending;
  const problem = putBead.error?.message ?? changeBead.error?.message ?? null;
  return { saving: useMemo(() => ({ saving: isSaving, resting, problem }), [isSaving, resting, problem]), actions };
}
