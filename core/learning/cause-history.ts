import type { Experience, Rig } from '../case/schema';
import type { CauseId } from '../evidence/ids';
import type { Outcome } from '../record/shapes/bead-schema';

/** A bead as the history of a rig's causes takes it. */
export type HistoryBead = {
  couponId: string;
  /** Beads of a coupon are run in the order of their numbers. */
  number: number;
  ranAt: string;
  outcome: Outcome | null;
  /** Causes whose remedy was done after it. */
  cured: readonly string[];
  /** What was fitted when it was run. */
  rig: Rig;
};

/** What is fitted that a cause sits in: fitting another ends what was counted of it. */
const FITTED = {
  wire: ({ wire }: Rig) => wire,
  gas: ({ gas, fittedAt }: Rig) => [gas, fittedAt?.cylinder],
  nozzle: ({ nozzleBoreMm, fittedAt }: Rig) => [nozzleBoreMm, fittedAt?.nozzle],
  liner: ({ wire, parts, fittedAt }: Rig) => [wire, parts?.liner, fittedAt?.liner],
} as const;
type Fitted = keyof typeof FITTED;

/**
 * Causes that come back to a rig after their cure, with what they end with; null for what no refit ends. What is cured by
 * fitting a new part (tip, spool, roll, cylinder) is not among them: the new part has no history. Nor are plate and hand,
 * which are not the rig's.
 */
const COMES_BACK: Partial<Record<CauseId, Fitted | null>> = {
  'gas-leak': null,
  draught: null,
  'nozzle-blocked': 'nozzle',
  'gun-not-seated': null,
  'preflow-short': null,
  'gas-impure': 'gas',
  'liner-dirty': 'liner',
  'roll-loose': 'wire',
  'roll-tight': 'wire',
  'brake-tight': 'wire',
  'brake-loose': 'wire',
  'cable-bent': null,
  'tip-recess-wrong': 'nozzle',
  'clamp-poor': null,
  'cable-loose': null,
  'supply-weak': null,
  'trigger-lead-loose': null,
  'burnback-long': null,
  'burnback-short': null,
};

/** After this many days a bead counts half: a season in a yard. */
const HALF_LIFE_DAYS = 90;
const DAY = 24 * 60 * 60 * 1000;
/** Less than this is as good as forgotten. */
const FORGOTTEN = 0.05;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const inOrder = (a: HistoryBead, b: HistoryBead): number =>
  a.ranAt < b.ranAt ? -1 : a.ranAt > b.ranAt ? 1 : a.number - b.number;

/** Cures that the next bead of the coupon bore out: shared where several were done at once. */
function confirmedAt(bead: HistoryBead, all: readonly HistoryBead[]): { cause: string; share: number }[] {
  if (bead.cured.length === 0) return [];
  const later = all.filter(({ couponId, number }) => couponId === bead.couponId && number > bead.number);
  const next = later.reduce<HistoryBead | null>(
    (first, one) => (first === null || one.number < first.number ? one : first),
    null,
  );
  if (next?.outcome !== 'sound' && next?.outcome !== 'better') return [];
  return bead.cured.map((cause) => ({ cause, share: 1 / bead.cured.length }));
}

/**
 * Returns how often each cause that comes back was confirmed by its cure on a rig, of how many bad beads: what raises its prior
 * there. Older beads count less, half after {@link HALF_LIFE_DAYS}; fitting another wire, gas, liner or nozzle,
 * or a new one of the same, ends what sat in the old one.
 * @param beads of the rig, in any order
 * @param fitted what is on it now
 * @param at the moment it is asked for, an ISO instant; later beads are left out
 * @returns causes with a confirmed count, by their order in the knowledge
 */
export function causeHistory(
  beads: readonly HistoryBead[],
  fitted: Rig,
  at: string,
): NonNullable<Experience['causes']> {
  const ordered = beads.filter(({ ranAt }) => ranAt <= at).sort(inOrder);
  const now = Date.parse(at);
  const weightOf = ({ ranAt }: HistoryBead): number => 0.5 ** ((now - Date.parse(ranAt)) / DAY / HALF_LIFE_DAYS);
  const confirmed = new Map(ordered.map((bead) => [bead, confirmedAt(bead, ordered)]));
  return Object.entries(COMES_BACK).flatMap(([cause, part]) => {
    const lastOther =
      part === null ? -1 : ordered.findLastIndex(({ rig }) => !same(FITTED[part](rig), FITTED[part](fitted)));
    const since = ordered.slice(lastOther + 1).filter(({ outcome }) => outcome !== null && outcome !== 'sound');
    const counted = ordered
      .slice(lastOther + 1)
      .flatMap((bead) =>
        (confirmed.get(bead) ?? []).filter((one) => one.cause === cause).map(({ share }) => share * weightOf(bead)),
      );
    const times = counted.reduce((sum, share) => sum + share, 0);
    if (times < FORGOTTEN) return [];
    const of = since.reduce((sum, bead) => sum + weightOf(bead), 0);
    const rounded = (x: number): number => Number(x.toFixed(3));
    return [{ cause: cause as CauseId, confirmed: rounded(times), beads: rounded(Math.max(times, of)) }];
  });
}
