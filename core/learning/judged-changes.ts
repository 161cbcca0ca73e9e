import { readArc } from '../arc/reading';
import { setupByAmps } from '../arc/amps';
import { arcSetup, type ArcSetup } from '../arc/setup';
import type { Case, Suspect } from '../case/schema';
import { HEAT_UNIT, residualsOf } from '../diagnosis/residuals';
import type { ResidualName } from '../evidence/table';
import { CAUSES } from '../knowledge';
import type { Settings } from '../setting/table';
import type { JudgedChange } from './changes-of-plate';
import { clamp } from '../quantity/clamp';

/** Where figures stand, in the units of the residuals: under 0 too little, over 0 too much. */
type Places = Partial<Record<ResidualName, number>>;

/** A cause that a figure can lie on the side of, with that side. */
type Side = { cause: Suspect['cause']; of: ResidualName; sign: 1 | -1 };

/** What tells which of a pair holds is no place of its own: turning volts moves balance, and that is enough. */
const PLACES = ['balance', 'heat', 'flow', 'stickOut', 'travel', 'push', 'arcControl'] as const;
const SIDES: readonly Side[] = CAUSES.flatMap(({ id, figures = [] }) =>
  figures.flatMap(({ residual, at, otherwise = 0 }): Side[] =>
    PLACES.some((place) => place === residual) ? [{ cause: id, of: residual, sign: at > otherwise ? 1 : -1 }] : [],
  ),
);

/**
 * How many times likelier a judgement is where a cause held than where it did not, once a change has gone a whole unit
 * away from the cause (`away`) or towards it (`towards`). A change away from what is wrong rarely makes a bead worse, but
 * it may overshoot, be hidden by something else, or be misjudged: four to one, and not more. A change that shows nothing
 * was about something else. Set by judgement; `npm run beads-to-sound` counts what they save.
 */
const LIKELIER: Record<JudgedChange['outcome'], { away: number; towards: number }> = {
  worse: { away: 0.25, towards: 2 },
  same: { away: 0.5, towards: 0.6 },
  better: { away: 1.5, towards: 0.4 },
};
/** All changes of a coupon together say no more than this. */
const BOUNDS = { least: 0.05, most: 20 };
/** Nearer to the usual than this factor is not worth keeping. */
const WORTH_KEEPING = 1.1;

const share = (x: number): number => clamp(x, 0, 1);

function placesOf(input: Case, setup: ArcSetup, settings: Settings): Places {
  const arc = readArc(setup, settings);
  const residuals = residualsOf({ ...input, settings }, setup, arc);
  const places: Places = {};
  for (const name of PLACES) {
    const residual = residuals[name];
    if (residual !== undefined) places[name] = residual.value;
  }
  // Inside their windows heat and flow are silent as figures; a change across the window is a change all the same.
  if (arc.heatRatio !== null) places.heat = Math.log(arc.heatRatio) / HEAT_UNIT;
  if (arc.gasShare !== null && arc.gasShare > 0) places.flow = Math.log(arc.gasShare) / 0.25;
  return places;
}

/**
 * Returns what judged changes of figures say of the causes that figures can lie on the side of. Volts turned up and a bead that
 * came out worse: the volts were hardly too low, neither then nor at any figure that is no lower.
 * @param input the case of the bead that is next, with the figures it is to be run at
 * @param changes from one bead of the plate to the next, with nothing else done between them
 * @returns causes with how many times likelier they are made, where that is worth keeping
 * @throws RangeError for figures outside the arc model's range
 */
export function suspectsOfChanges(input: Case, changes: readonly JudgedChange[]): Suspect[] {
  if (changes.length === 0) return [];
  const setup = setupByAmps(arcSetup(input, input.experience?.machine), input.settings ?? {});
  const now = placesOf(input, setup, input.settings ?? {});
  const logs = new Map<Suspect['cause'], number>();
  for (const { before, after, outcome } of changes) {
    const [from, to] = [placesOf(input, setup, before), placesOf(input, setup, after)];
    const moved = (of: ResidualName): number => (to[of] ?? 0) - (from[of] ?? to[of] ?? 0);
    const inAll = PLACES.reduce((sum, of) => sum + share(Math.abs(moved(of))), 0);
    for (const { cause, of, sign } of SIDES) {
      const nearer = to[of] === undefined ? 0 : sign * moved(of);
      if (nearer === 0 || from[of] === undefined) continue;
      // What else was changed with it may be to blame as well.
      const blame = share(Math.abs(nearer)) ** 2 / inAll;
      // Figures that lie nearer to the cause than they did then may have it where those had not.
      const since = now[of] === undefined ? 0 : sign * (now[of] - from[of]);
      const holds = outcome === 'worse' && nearer > 0 ? 1 : share(1 - since / Math.max(0.25, Math.abs(nearer)));
      const { away, towards } = LIKELIER[outcome];
      logs.set(cause, (logs.get(cause) ?? 0) + blame * holds * Math.log(nearer > 0 ? towards : away));
    }
  }
  return [...logs].flatMap(([cause, log]) => {
    if (Math.abs(log) < Math.log(WORTH_KEEPING)) return [];
    const times = clamp(Math.exp(log), BOUNDS.least, BOUNDS.most);
    return [{ cause, times: Number(times.toPrecision(3)) }];
  });
}
