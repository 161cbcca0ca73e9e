import { answer } from '../answer';
import { CASE_FORMAT, type Case, type FindingState } from '../case/schema';
import type { Engine } from '../diagnosis/engine';
import { finding } from '../knowledge';
import { OPPOSITES } from '../knowledge/opposites';
import { meanOf } from '../knowledge/strength';
import type { Cause } from '../knowledge/shapes/types';
import { EYE_ITEMS, type EyeItem, type EyeQuestion } from './eye-items';
import { byLevel } from './level';

/** The rig and the plate that the beads of the School are run with: the commonest there are. */
export const SCHOOL_CASE: Case = {
  format: CASE_FORMAT,
  job: {
    baseMetal: 'mild-steel',
    thicknessMm: 5,
    otherThicknessMm: 5,
    joint: 'fillet',
    position: 'flat',
    draught: 'still',
  },
  rig: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
  },
};

const areOpposites = (a: string, b: string): boolean =>
  OPPOSITES.some(([one, other]) => (one === a && other === b) || (one === b && other === a));

/** An order drawn by lot. */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  return list
    .map((one) => ({ one, by: random() }))
    .sort((a, b) => a.by - b.by)
    .map(({ one }) => one);
}

/** Drawn findings that a cause brings out, with how often. */
const drawnLinks = (cause: Cause): [EyeItem, number][] =>
  cause.links.flatMap(([id, strength]) =>
    (EYE_ITEMS as readonly string[]).includes(id) ? [[id as EyeItem, meanOf(strength)]] : [],
  );

/** Returns what a bead of a cause shows beside the item: by lot, as often as the cause brings it out, nothing that cannot be with the rest. */
function shownWith(item: EyeItem, cause: Cause, most: number, random: () => number): EyeItem[] {
  const shown: EyeItem[] = [item];
  for (const [id, strength] of shuffled(drawnLinks(cause), random)) {
    if (shown.length > most || shown.includes(id)) continue;
    if (random() < strength && shown.every((one) => !areOpposites(one, id))) shown.push(id);
  }
  return shown;
}

const TRIES = 12;
const OPTIONS = 4;
/** A link this weak is no example of its cause. */
const EXAMPLE = 0.3;

/**
 * A bead that shows the item and more that goes with one cause of it, with the likeliest cause of all it shows.
 * @param level 1 to 8: more faults on one bead
 * @param mixed items that it is mixed up with, which are offered first
 * @param random even numbers from 0 to 1
 */
export function eyeQuestion(
  engine: Engine,
  item: EyeItem,
  level: number,
  mixed: readonly string[],
  random: () => number,
): EyeQuestion {
  const known = engine.causes.filter((cause) =>
    drawnLinks(cause).some(([id, strength]) => id === item && strength >= EXAMPLE),
  );
  const most = Math.round(byLevel(level, 1, 3));
  let shown: EyeItem[] = [item];
  let said = answer(caseOf(shown), engine);
  for (let tries = 0; tries < TRIES; tries++) {
    const cause = known[Math.floor(random() * known.length)];
    if (cause === undefined) break;
    const among = shownWith(item, cause, most, random);
    const judged = answer(caseOf(among), engine);
    [shown, said] = [among, judged];
    // A bead whose likeliest cause is another than the one it was drawn from teaches neither.
    if (judged.causes[0]?.cause === cause.id) break;
  }
  const [top] = said.causes;
  const others = shuffled(
    EYE_ITEMS.filter((id) => !shown.includes(id)),
    random,
  ).sort((a, b) => Number(mixed.includes(b)) - Number(mixed.includes(a)));
  const options = shuffled([item, ...others.slice(0, OPTIONS - 1)], random);
  const causes = shuffled(said.causes.slice(0, OPTIONS), random);
  return {
    item,
    bead: said.appearance.now,
    shows: shown.map((id) => finding(id).name),
    options: options.map((id) => ({ id, name: finding(id).name })),
    cause: {
      id: top.cause,
      name: top.name,
      why: top.plain,
      options: causes.map(({ cause, name }) => ({ id: cause, name })),
    },
  };
}

const caseOf = (shown: readonly EyeItem[]): Case => ({
  ...SCHOOL_CASE,
  findings: Object.fromEntries(shown.map((id) => [id, 'present' satisfies FindingState])),
});
