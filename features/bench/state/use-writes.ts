import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { Case, FindingState, Heard } from '@/core/case/schema';
import type { Answer } from '@/core/answer';
import type { SoundBead } from '@/core/start/sound-bead-schema';
import { nextSettings, startingSettings } from '@/core/correction/next-settings';
import type { StatedId } from '@/core/evidence/ids';
import { beadFrom, draftAfter } from '@/core/record/draft/bead-from-draft';
import {
  judgedStep,
  setFinding,
  setHeard,
  setReading,
  setSetting,
  step,
  tapFinding,
  typeSetting,
  undo,
  type Draft,
  type DraftHistory,
} from '@/core/record/draft/draft';
import type { Habits } from '@/core/record/draft/habits';
import type { Bead, BeadChange, Coupon, Outcome } from '@/core/record/shapes/record-schema';
import type { Dials } from '@/core/setting/dials';
import type { Has, ReadSetting, Reading, SettingName, Settings } from '@/core/setting/table';
import { draftOn } from '@/client/stored/device-state';
import { undoPending } from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { store, stored } from '@/platform/stored';
import type { LiveAnswer } from '@/workers/use-answer';
import { makeChange } from '../../../client/send-changes';
import { useSubmit } from '../../../client/use-records';
import { useRest } from './use-rest';
import { noteWalk } from './walk-today';

export type Records = { coupon: Coupon; dials: Dials; usesGas: boolean; has: Has; lastBead: Bead | null };
export type Live = LiveAnswer & {
  input: Case;
  /** A sound bead of this rig on a like job, where there is one. */
  proven: SoundBead | null;
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
  /** Puts what was heard in a recording with the bead; null takes it off. */
  hear: (heard: Heard | null) => void;
  /** Says how a figure was got. */
  read: (setting: ReadSetting, reading: Reading) => void;
  type: (setting: SettingName, text: string, toInside: (value: number) => number) => void;
  /** Takes over what to start with where figures are missing. */
  takeStart: () => void;
  takeMoves: () => void;
  /** Goes back to figures that a worse bead was changed from. */
  takeBack: (figures: Settings) => void;
  log: () => void;
  judge: (outcome: NonNullable<Outcome>) => void;
  undo: () => void;
};

/** The arc control that a start proposes: the hand's own figures are measured, not taken over. */
function arcControlOf({ start }: Pick<Answer, 'start'>): Settings {
  const { arcControlPct, trimPct } = start?.settings ?? {};
  return { ...(arcControlPct === undefined ? {} : { arcControlPct }), ...(trimPct === undefined ? {} : { trimPct }) };
}

/** Returns what can be done on the bench. The actions never change, so that no one is drawn again for them. */
export function useWrites(
  records: Records,
  fresh: DraftHistory,
  draft: Draft,
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
  // Log was pressed on this draft before its verdict was there, as on a slow phone: it is logged once the verdict is.
  const [due, setDue] = useState<Draft | null>(null);

  const actions = useMemo<Actions>(() => {
    const shape = () => draftOn(latest.current.records.coupon.id);
    const history = (): DraftHistory => stored(shape()) ?? latest.current.fresh;
    const change = (make: (draft: Draft) => Draft): void => {
      rest.end();
      store(shape(), step(history(), make(history().now)));
    };
    /** Returns what is put on a bead by undoing: against the newest that is known of it. */
    const changeBead = (id: string, fields: BeadChange): Promise<boolean> => {
      const { coupon } = latest.current.records;
      const bead = coupon.beads.find((one) => one.id === id);
      return put([makeChange('change-bead', id, fields, bead?.revision ?? coupon.revision)]);
    };
    return {
      tap: (finding) => change((draft) => tapFinding(draft, finding)),
      answer: (finding, state) => {
        noteWalk(latest.current.records.coupon.rig.id, finding, state);
        change((draft) => setFinding(draft, finding, state));
      },
      hear: (heard) => change((draft) => setHeard(draft, heard)),
      set: (setting, value) => change((draft) => setSetting(draft, setting, value)),
      read: (setting, reading) => change((draft) => setReading(draft, setting, reading)),
      type: (setting, text, toInside) => change((draft) => typeSetting(draft, setting, text, toInside)),
      takeStart: () => {
        const { answer } = latest.current.live;
        if (answer === null) return;
        change((draft) => ({
          ...draft,
          settings: {
            ...arcControlOf(answer),
            ...draft.settings,
            ...startingSettings(draft.settings, answer.correction),
          },
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
      takeBack: (figures) => change((draft) => ({ ...draft, settings: { ...draft.settings, ...figures } })),
      log: () => {
        const { live: said, records: kept, habits: ways } = latest.current;
        const draft = history().now;
        // Only an answer to this very draft is logged with it, and a draft is logged once.
        if (logging.current === draft.id || rest.isResting()) return;
        if (said.answer === null || !said.settled) {
          setDue(draft);
          return;
        }
        setDue(null);
        logging.current = draft.id;
        const { answer, judged } = said;
        const { coupon } = kept;
        const ran = { couponId: coupon.id, setupId: coupon.rig.setup.id, jobId: coupon.job.id };
        const { id, ...bead } = beadFrom(draft, judged ?? said.input, answer, ran, ways, platform().now());
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
          if (unlog === null || (await undoPending(unlog).catch(() => false))) return true;
          return changeBead(unlog, { takenBack: true });
        };
        if (rejudge === null && unlog === null) store(here, back);
        else void takeBack().then((isKept) => isKept && store(here, back));
      },
    };
  }, [put, rest]);

  useEffect(() => {
    if (due === draft && live.settled) actions.log();
  }, [due, draft, live.settled, actions]);
  const saving = busy || (due === draft && live.problem === null);
  return { saving: useMemo(() => ({ saving, resting, problem }), [saving, resting, problem]), actions, logging };
}
