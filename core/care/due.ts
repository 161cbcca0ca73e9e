import { CARE, type Care, type CareTask } from './tasks';

/** What is known of one task on one machine. */
export type CareKnown = {
  task: CareTask;
  /** When it was last done, or the part was fitted anew; null where nobody said. */
  since: string | null;
  /** Arc minutes since then; of a machine that nobody said it of, all there are. */
  arcMinutes: number;
  /** Beads since then, and those of them that show what it would cause. */
  beads: number;
  showing: number;
  /** Arc minutes that each of its last times took on this machine, from one to the next; the newest last. */
  lives?: readonly number[];
};

/** `due` is now, `soon` within a fifth of its time, `unsaid` where nobody ever said that it was done. */
export type DueState = 'due' | 'soon' | 'fine' | 'unsaid';

export type Due = CareKnown & {
  name: string;
  state: DueState;
  /** How much of its time is over, 1 and more where it is due. */
  share: number;
  /** Why it stands so, in one line. */
  because: string;
  /** The day it falls due by the calendar alone; null for what is counted by the arc. */
  dueAt: string | null;
};

const DAY_MS = 24 * 60 * 60 * 1000;
/** From this share of its time on it is soon due. */
const SOON = 0.8;
/** So many beads that show it, of so few, bring it forward: once is a bad bead, three of ten is the machine. */
const BROUGHT_FORWARD = { beads: 3, share: 0.3, ofLast: 20 };

const hours = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${Number((minutes / 60).toFixed(1))} h`;

/** How much the usual time counts beside what this machine has shown, in times that it was done. */
const USUAL_COUNTS = 2;

/**
 * After how much arc something is due on this machine: what its last times took, drawn towards what is usual the fewer they
 * are. Times are apart by factors, so their logs are averaged: one that was forgotten for a year counts no more than that.
 * @param usual arc minutes of the task as it is judged for any shop
 * @param lives arc minutes of its last times
 */
export function learnedMinutes(usual: number, lives: readonly number[]): number {
  const known = lives.filter((minutes) => minutes > 0);
  if (known.length === 0) return usual;
  const logs = known.reduce((sum, minutes) => sum + Math.log(minutes), 0);
  return Math.exp((USUAL_COUNTS * Math.log(usual) + logs) / (USUAL_COUNTS + known.length));
}

function timesOf({ every }: Care, { since, arcMinutes, lives = [] }: CareKnown, now: number) {
  const days = since === null ? null : (now - Date.parse(since)) / DAY_MS;
  const byArc = every.arcMinutes === undefined ? 0 : arcMinutes / learnedMinutes(every.arcMinutes, lives);
  const byDays = every.days === undefined || days === null ? 0 : Math.max(0, days) / every.days;
  return { days, byArc, byDays };
}

/**
 * Returns what is due on a machine: what was shown by beads before its time first, then by how much of its time is over.
 * @param known what is known of each task; of one that is left out nothing is said
 * @param now ms since 1970
 */
export function dueList(known: readonly CareKnown[], now: number): Due[] {
  const list = known.flatMap((one): Due[] => {
    const care = CARE.find(({ id }) => id === one.task);
    if (care === undefined) return [];
    const { days, byArc, byDays } = timesOf(care, one, now);
    const share = Math.max(byArc, byDays);
    const { beads, share: least } = BROUGHT_FORWARD;
    const isShown = one.showing >= beads && one.showing >= least * Math.min(one.beads, BROUGHT_FORWARD.ofLast);
    const due = isShown || share >= 1;
    const state: DueState = due ? 'due' : one.since === null ? 'unsaid' : share >= SOON ? 'soon' : 'fine';
    return [
      {
        ...one,
        name: care.name,
        state,
        share: isShown ? Math.max(1, share) : share,
        because: becauseOf(care, one, { isShown, days, byArc, byDays }),
        dueAt:
          care.every.days === undefined || one.since === null
            ? null
            : new Date(Date.parse(one.since) + care.every.days * DAY_MS).toISOString(),
      },
    ];
  });
  const ORDER: Record<DueState, number> = { due: 0, soon: 1, unsaid: 2, fine: 3 };
  return list.sort((a, b) => ORDER[a.state] - ORDER[b.state] || b.share - a.share);
}

function becauseOf(
  { every }: Care,
  { since, arcMinutes, beads, showing, lives = [] }: CareKnown,
  { isShown, days, byArc, byDays }: { isShown: boolean; days: number | null; byArc: number; byDays: number },
): string {
  if (isShown) return `${showing} of the last ${beads} beads show what it causes.`;
  if (every.arcMinutes !== undefined && (byArc >= byDays || days === null)) {
    const of = `${hours(arcMinutes)} of arc since`;
    return since === null
      ? `Nobody said when it was last done; ${of.replace(' since', '')} on this machine.`
      : lives.length === 0
        ? `${of}, every ${hours(every.arcMinutes)}.`
        : `${of}; here every ${hours(learnedMinutes(every.arcMinutes, lives))}, by ${lives.length === 1 ? 'the last time' : `the last ${lives.length} times`}.`;
  }
  if (days === null) return 'Nobody said when it was last done.';
  return `${Math.floor(days)} days since, every ${every.days} days.`;
}
