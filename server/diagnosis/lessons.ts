import { cause } from '../../core/knowledge';
import type { ChartCell } from '../../core/answer/own-chart';
import { caseOf } from '../../core/record/draft/case-of';
import { causeHistory } from '../../core/learning/cause-history';
import { teachingOf, type Teaching } from '../../core/learning/teaching';
import { savedSettingsOfRig } from '../db/records/saved-settings';
import { findRig } from '../db/records/rigs';
import type { Unreadable } from '../db/tables/rows';
import type { Store } from '../db/engine/store';
import { taughtBeads, type TaughtBead } from '../db/records/taught-beads';
import type { Thinking } from './pool';

/** Judged beads that a belief is made from, the newest: by then it is as narrow as beads can make it. */
const MOST_JUDGED = 60;
/** What so many beads say is kept in memory, so that a rig is not worked through anew for every coupon. */
const MOST_KEPT = 2_000;

/** Sound beads that are offered to be run again, the newest. */
const MOST_PROVEN = 40;

const isSound = ({ outcome }: TaughtBead): boolean => outcome === 'sound';

type Evidence = number[] | null;
const kept = new WeakMap<Store, Map<string, Evidence>>();

/** Returns what each bead says, worked out once: nothing that happens later to rig or coupon changes it, only its judgement. */
async function evidenceOfAll(
  store: Store,
  beads: readonly TaughtBead[],
  learn: Thinking['learn'],
): Promise<Evidence[]> {
  const known = kept.get(store) ?? new Map<string, Evidence>();
  kept.set(store, known);
  const keyOf = (one: TaughtBead): string => `${one.bead.id} ${isSound(one)}`;
  const fresh = beads.filter((one) => !known.has(keyOf(one)));
  const learned =
    fresh.length === 0 ? [] : await learn(fresh.map((one) => ({ input: one.input, sound: isSound(one) })));
  fresh.forEach((one, i) => known.set(keyOf(one), learned[i] ?? null));
  const evidence = beads.map((one) => known.get(keyOf(one)) ?? null);
  for (const key of known.keys()) {
    if (known.size <= MOST_KEPT) break;
    known.delete(key);
  }
  return evidence;
}

/**
 * A rig's own settings chart, as it has taught.
 * @param at now, for what fades
 * @returns null where there is no such rig
 */
export async function chartOf(
  context: Parameters<typeof lessonsOf>[0] & Pick<Thinking, 'chart'>,
  rigId: string,
  at: Date,
): Promise<ChartCell[] | null> {
  const [rig, teaching] = [findRig(context.store, rigId), await lessonsOf(context, rigId, at)];
  if (rig === null || teaching === null) return null;
  const input = caseOf(rig.setup, {}, { settings: {}, readings: {}, findings: {} }, {});
  const taught = teaching.steps.length > 0 || teaching.runOutScale !== null;
  const known = taught ? { ...input, experience: { machine: teaching.machine } } : input;
  return context.chart({ input: known, proven: teaching.proven ?? [] });
}

/**
 * Returns what a rig has taught so far.
 * @param at now, for what fades
 * @returns null where there is no such rig
 */
export async function lessonsOf(
  { store, learn, report }: { store: Store; learn: Thinking['learn']; report: (row: Unreadable) => void },
  rigId: string,
  at: Date,
): Promise<Teaching | null> {
  const rig = findRig(store, rigId);
  if (rig === null) return null;
  const { learnsSince: since, runOutScale } = rig;
  const beads = taughtBeads(store, { rigId, since }, report);
  const judged = beads.filter(({ outcome }) => outcome !== null).slice(0, MOST_JUDGED);
  const evidence = await evidenceOfAll(store, judged, learn);
  const teaching = teachingOf(
    { rigId, since, runOutScale },
    judged.map(({ bead: { id, couponId, number, ranAt, outcome }, title }, i) => ({
      ...{ beadId: id, couponId, title, number, ranAt, outcome },
      evidence: evidence[i],
    })),
    causeHistory(beads, rig.setup.rig, at.toISOString()).map((one) => ({ ...one, name: cause(one.cause).name })),
  );
  const proved = savedSettingsOfRig(store, rigId, report);
  const others = judged.filter((one) => isSound(one) && !proved.some(({ beadId }) => beadId === one.bead.id));
  return {
    ...teaching,
    proven: [
      ...proved,
      ...others
        .slice(0, MOST_PROVEN)
        .map(({ bead: { id, couponId, number, ranAt, settings }, title, rig: fitted, input }) => ({
          ...{ beadId: id, couponId, number, ranAt, settings, title, rig: fitted },
          job: input.job ?? {},
        })),
    ],
  };
}
