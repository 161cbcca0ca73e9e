import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode, type RefObject } from 'react';
import type { Case, FindingState } from '@/core/case/schema';
import { nextSettings, startingSettings } from '@/core/correction/next-settings';
import type { StatedId } from '@/core/evidence/ids';
import { beadFrom, draftAfter, draftFromLast } from '@/core/record/bead-from';
import { caseOf, dialsOf } from '@/core/record/case-of';
import {
  judgedStep,
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
import type { Bead, BeadChange, Coupon, Outcome } from '@/core/record/schema';
import type { Dials } from '@/core/setting/dials';
import type { ReadSetting, Reading, SettingName } from '@/core/setting/table';
import { draftOn } from '@/platform/kept';
import { undoWaiting } from '@/platform/outbox';
import { platform } from '@/platform/ports';
import { store, stored, useStoredPart } from '@/platform/stored';
import { useAnswer, type LiveAnswer } from '@/workers/use-answer';
import { useHabits } from '../shared/use-habits';
import { makeChange } from '../shared/sending';
import { useSubmit } from '../shared/use-records';
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

/** Whether a bead was there when the bench was opened, or was logged on this device. */
export function useIsOurs(beadId: string | null): boolean {
  const { coupon } = useBenchRecords();
  const [first] = useState(beadId);
  const isLoggedHere = useStoredPart(
    draftOn(coupon.id),
    (history) => history?.past.some(({ logged }) => logged === beadId) ?? false,
  );
  return beadId !== null && (beadId === first || isLoggedHere);
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
  // A draft that was never touched is made from the last bead there was when the bench was opened: what another device
  // logs meanwhile moves neither figures nor tiles under the hands.
  const [fresh] = useState<DraftHistory>(() => ({ now: draftFromLast(lastBead, platform().newId()), past: [] }));
  const kept = useStoredPart(draftOn(coupon.id), whole);
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
  const { saving, actions, logging } = useWrites(records, fresh, live, habits);
  // The page was left while a bead was being logged, and it was: its draft is not logged again, the next one goes on.
  const isLogged = kept !== null && coupon.beads.some(({ id }) => id === kept.now.id);
  useEffect(() => {
    if (isLogged && logging.current !== kept.now.id)
      store(draftOn(coupon.id), step(kept, draftFromLast(lastBead, platform().newId()), kept.now.id));
  }, [coupon.id, isLogged, kept, lastBead, logging]);
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
): { saving: Saving; actions: Actions; logging: RefObject<string | null> } {
  const { busy, problem, put } = useSubmit();
  const now = { records, fresh, live, habits };
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
    /** What is put on a bead by undoing: against the newest that is known of it. */
    const changeBead = (id: string, fields: BeadChange): Promise<boolean> => {
      const { coupon } = latest.current.records;
      const bead = coupon.beads.find((one) => one.id === id);
      return put([makeChange('change-bead', id, fields, bead?.revision ?? coupon.revision)]);
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
        const { live: said, records: kept, habits: ways } = latest.current;
        const draft = history().now;
        // Only an answer to this very draft is logged with it, and a draft is logged once.
        if (said.answer === null || !said.settled || logging.current === draft.id || rest.isResting()) return;
        logging.current = draft.id;
        const { answer, input } = said;
        const { coupon } = kept;
        const ran = { couponId: coupon.id, setupId: coupon.rig.setup.id, jobId: coupon.job.id };
        const { id, ...bead } = beadFrom(draft, input, answer, ran, ways, platform().now());
        const next = draftAfter(draft, answer, ways.changes, platform().newId());
        // The change has the id that the draft was begun with, so that it is there once whatever happens.
        void put([makeChange('log-bead', id, bead, 0, id)]).then((isKept) => {
          const then = stored(draftOn(coupon.id)) ?? { now: draft, past: [] };
          if (isKept && then.now.id === id) {
            store(draftOn(coupon.id), step(then, next, id));
            rest.begin();
          }
          logging.current = null;
        });
      },
      judge: (outcome) => {
        const { lastBead } = latest.current.records;
        if (lastBead === null || lastBead.outcome === outcome) return;
        const judged = { bead: lastBead.id, was: lastBead.outcome };
        const here = shape();
        const then = judgedStep(history(), judged);
        void changeBead(lastBead.id, { outcome }).then((isKept) => isKept && store(here, then));
      },
      undo: () => {
        rest.end();
        const { history: back, unlog, rejudge } = undo(history(), platform().newId());
        const here = shape();
        const takeBack = async (): Promise<boolean> => {
          if (rejudge !== null) return changeBead(rejudge.bead, { outcome: rejudge.was });
          if (unlog === null || (await undoWaiting(unlog).catch(() => false))) return true;
          return changeBead(unlog, { takenBack: true });
        };
        if (rejudge === null && unlog === null) store(here, back);
        else void takeBack().then((isKept) => isKept && store(here, back));
      },
    };
  }, [put, rest]);

  return { saving: useMemo(() => ({ saving: busy, resting, problem }), [busy, resting, problem]), actions, logging };
}
