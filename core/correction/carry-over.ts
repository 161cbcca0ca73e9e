import type { FindingState, Suspect } from '../case/schema';
import type { CauseId } from '../evidence/ids';
import { CAUSES, meanOf } from '../knowledge';
import { clamp } from '../quantity/clamp';

/**
 * What one bead leaves for the next on the same plate. Rig, plate and hand stay as they are until something is cured, so
 * what was found out about them holds on, though less surely than when it was seen.
 */

type Findings = Record<string, FindingState>;
/** A cause as an answer gives it: its chance, and what that was before the bead was seen. */
type Judged = { cause: string; probability: number; prior: number };
/** How many times likelier a cause is than its prior, as odds, by cause. */
type Odds = Readonly<Record<string, number>>;

/** Causes that stand from bead to bead: what no knob cures. */
const LASTING = CAUSES.filter(({ remedy }) => remedy.kind !== 'setting').map((one) => ({
  ...one,
  usual: meanOf(one.prior),
}));
/** The lasting causes that each look is of. */
const OF_LOOK = new Map<string, CauseId[]>();
for (const { id, check, early = check } of LASTING)
  for (const look of new Set([check, early])) OF_LOOK.set(look, [...(OF_LOOK.get(look) ?? []), id]);

/**
 * How much of what one bead says of a cause holds for the next, as a share of its log-odds: a look may have been wrong,
 * and what the network does not hold comes out on both beads, so two beads are worth less than twice one. Tried from 0 to
 * 1 on the simulated shop: 0.7 needs the fewest beads.
 */
const HOLDS = 0.7;
/** No bead leaves more than this; a cure leaves the least. */
const BOUNDS = { least: 0.02, most: 400 };
/** What is not listed in an answer was under one per cent. */
const NOT_LISTED = 0.005;
/** Of a cause that was cured, or whose own check was clear, no more than this is left: more beads that show the same are no new evidence. */
const REFUTED = 0.1;
/** Odds nearer to the usual than this factor are not worth keeping. */
const WORTH_KEEPING = 1.5;

const odds = (p: number): number => p / (1 - p);

/** What is so of the plate until somebody says otherwise, whatever the bead on it showed; letting it cool ends it. */
const REMEMBERED = { 'plate-warm': ['heat-buildup', 'interpass-hot'] } as const;

/** Looks that showed a fault which was not cured since: it is still there. @param cured causes whose remedy was done */
export function findingsCarriedOver(findings: Findings, cured: readonly string[]): Record<string, 'present'> {
  const holds = (id: string): boolean =>
    OF_LOOK.get(id)?.some((cause) => !cured.includes(cause)) === true ||
    (id in REMEMBERED && !REMEMBERED[id as keyof typeof REMEMBERED].some((cause) => cured.includes(cause)));
  return Object.fromEntries(
    Object.keys(findings).flatMap((id) => (findings[id] === 'present' && holds(id) ? [[id, 'present' as const]] : [])),
  );
}

/** Returns how many times likelier than usual this coupon makes a cause, all its beads together. */
function timesLikelier(judged: Judged | undefined, usual: number, before: number): number {
  if (judged === undefined) return Math.min(1, odds(NOT_LISTED) / odds(usual));
  const { probability, prior } = judged;
  if (probability <= 0 || prior <= 0) return 1;
  return (before * odds(Math.min(0.999, probability))) / odds(Math.min(0.999, prior));
}

/**
 * Returns how many times likelier than usual each lasting cause is for the next bead, where that is worth keeping: what the beads
 * so far made of it, drawn towards the usual. What was cured is next to impossible. A fault that was seen and not cured is
 * left out, for the look itself is carried.
 * @param causes of the bead's answer
 * @param bead its findings, and what the bead before it had left
 * @param cured causes whose remedy was done since
 */
export function suspectsAfter(
  causes: readonly Judged[],
  { findings, suspects = {} }: { findings: Findings; suspects?: Odds },
  cured: readonly string[],
): Suspect[] {
  const judged = new Map(causes.map((one) => [one.cause, one]));
  const seen = findingsCarriedOver(findings, cured);
  return LASTING.filter(({ check, early = check }) => !(check in seen || early in seen)).flatMap(
    ({ id, usual, check }) => {
      if (cured.includes(id)) return [{ cause: id, times: BOUNDS.least }];
      const before = suspects[id] ?? 1;
      if (before <= REFUTED) return [{ cause: id, times: before }];
      const drawn = timesLikelier(judged.get(id), usual, before) ** HOLDS;
      // What merely was not seen may be seen on the next bead: it stays over what was looked at and clear.
      const times = findings[check] === 'absent' ? Math.min(REFUTED, drawn) : Math.max(1.1 * REFUTED, drawn);
      if (Math.abs(Math.log(times)) < Math.log(WORTH_KEEPING)) return [];
      return [{ cause: id, times: Number(clamp(times, BOUNDS.least, BOUNDS.most).toPrecision(3)) }];
    },
  );
}

/** What a bead leaves for the next: causes that are cured after it, looks that still hold, and what is suspected. */
export type Leaves = { cured: CauseId[]; findings: Record<string, 'present'>; suspects: Suspect[] };

/**
 * Returns what a bead leaves once the moves decided on after it are made.
 * @param causes of its answer
 * @param bead its findings, and what the bead before it had left
 * @param moves that are made before the next
 */
export function leavesOf(
  causes: readonly Judged[],
  bead: { findings: Findings; suspects?: Odds },
  moves: readonly { kind: string; cause?: CauseId }[],
): Leaves {
  const cured = curedBy(moves);
  return {
    cured,
    findings: findingsCarriedOver(bead.findings, cured),
    suspects: suspectsAfter(causes, bead, cured),
  };
}

/** The causes that moves cure. */
export function curedBy<Cause extends string>(moves: readonly { kind: string; cause?: Cause }[]): Cause[] {
  return moves.flatMap(({ kind, cause }) => (kind === 'remedy' && cause !== undefined ? [cause] : []));
}
