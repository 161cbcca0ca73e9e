import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { draftFromLast } from '@/core/record/draft/bead-from-draft';
import { caseOf, dialsOf } from '@/core/record/draft/case-of';
import { soundBeadFor } from '@/core/start/sound-bead-for';
import { step, type Draft, type DraftHistory } from '@/core/record/draft/draft';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { BENCH_COUPON, draftOn } from '@/client/stored/device-state';
import { platform } from '@/platform/ports';
import { store, stored, useStoredPart } from '@/platform/stored';
import { useAnswer } from '@/workers/use-answer';
import { useHabits } from '../../shared/use-habits';
import { useTeaching } from '../../../client/use-records';
import { experienceFor, lessonFor } from './lesson';
import { withWalk } from './walk-today';
import { useWrites, type Actions, type Live, type Records, type Saving } from './use-writes';

/**
 * The bench in small parts, so that a tap draws again only what shows it: what is kept of the coupon, the draft in
 * front of the welder, the live answer, and what can be done.
 */
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

/** Returns whether there is a step to go back. */
export function useCanUndo(): boolean {
  const { coupon } = useBenchRecords();
  return useStoredPart(draftOn(coupon.id), (history) => (history?.past.length ?? 0) > 0);
}

/** Returns whether a bead was there when the bench was opened, or was logged on this device. */
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
      has: {
        pulse: coupon.rig.setup.rig.mode === 'pulse',
        amps: coupon.rig.setup.rig.meters?.includes('amps') ?? false,
      },
      lastBead: coupon.beads[coupon.beads.length - 1] ?? null,
    }),
    [coupon],
  );
  const { lastBead } = records;
  // A draft that was never touched is made from the last bead there was when the bench was opened: what another device
  // logs meanwhile moves neither figures nor tiles under the hands.
  const [fresh] = useState<DraftHistory>(() => ({
    now: withWalk(draftFromLast(lastBead, platform().newId()), coupon.rig, lastBead === null),
    past: [],
  }));
  const kept = useStoredPart(draftOn(coupon.id), whole);
  const draft = (kept ?? fresh).now;
  const teaching = useTeaching(coupon.rig.id).data ?? null;
  const lesson = useMemo(() => lessonFor(coupon, teaching), [coupon, teaching]);
  const input = useMemo(() => {
    const job = { ...coupon.job.job, title: coupon.title };
    return caseOf(setup, job, { ...draft, experience: experienceFor(draft, teaching) }, habits.schools);
  }, [setup, coupon.job.job, coupon.title, draft, teaching, habits.schools]);
  const asked = useMemo(() => ({ input, lesson }), [input, lesson]);
  const proven = useMemo(() => soundBeadFor(teaching?.proven ?? [], input), [teaching, input]);
  const answered = useAnswer(asked);
  const live = useMemo<Live>(
    () => ({ ...answered, input, proven, settled: answered.answer !== null && answered.of === asked }),
    [answered, input, proven, asked],
  );
  const { saving, actions, logging } = useWrites(records, fresh, draft, live, habits);
  // What was touched here is in work here, whatever others begin.
  const isTouched = kept !== null;
  useEffect(() => {
    if (isTouched && stored(BENCH_COUPON) === null) store(BENCH_COUPON, coupon.id);
  }, [isTouched, coupon.id]);
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
