import { STATED_IDS } from '../evidence/ids';
import { meanOf } from '.';
import type { Cause, Check, Knowledge } from './shapes/types';

/** Returns what a cause would bring out and which figures tell of it, for comparing two causes. */
function signature(cause: Cause): string {
  const links = cause.links.map(([id, strength]) => `${id}:${meanOf(strength)}`).sort();
  const figures = (cause.figures ?? []).map(({ residual, at }) => `${residual}:${at}`).sort();
  return [...links, cause.check, ...figures].join('|');
}

function causeFaults(cause: Cause, { checks }: Knowledge): string[] {
  const faults: string[] = [];
  const say = (text: string): void => void faults.push(`${cause.id}: ${text}`);
  if (!checks.some(({ id }) => id === cause.check)) say(`its check "${cause.check}" does not exist`);
  if (cause.early !== undefined && ![cause.check, ...cause.links.map(([id]) => id)].includes(cause.early))
    say(`its early look "${cause.early}" does not tell of it`);
  if (cause.remedy.plain === '' || cause.remedy.prevent === '') say('has no remedy or no prevention');
  const prior = meanOf(cause.prior);
  if (!(prior > 0 && prior < 0.5)) say('prior takes 0 to 0.5');
  if (cause.links.length === 0) say('links to no finding');
  const linked = cause.links.map(([id]) => id);
  if (new Set(linked).size !== linked.length) say('links twice to one finding');
  const whenLinked = (cause.linksWhen ?? []).flatMap(({ links }) => links);
  for (const [id, strength, because] of [...cause.links, ...whenLinked]) {
    if (!STATED_IDS.includes(id)) say(`links to "${id}", which is no finding or check`);
    if (!(meanOf(strength) > 0 && meanOf(strength) < 1)) say(`strength of ${id} takes 0 to 1`);
    if (because.length < 6) say(`link to ${id} has no reason`);
  }
  for (const { factor, because } of cause.priorFactors ?? []) {
    if (!(factor >= 0) || because === '') say('a prior factor lacks its size or reason');
  }
  return faults;
}

/** An answer that says nothing of what is seen: a truthful one to a question that points to the fault is heard as its opposite. */
const SAYS_NOTHING = /^(yes|no|yep|nope|ok|okay|fine|true|false|good|bad|right|wrong)\W*$/i;

function checkFaults({ id, name, plain, clear, fault, minutes }: Check): string[] {
  const faults: string[] = [];
  if (!(minutes > 0)) faults.push(`${id}: takes no time`);
  for (const answer of [clear, fault])
    if (answer.trim() === '' || SAYS_NOTHING.test(answer)) faults.push(`${id}: "${answer}" does not say what is seen`);
  if (clear.toLowerCase() === fault.toLowerCase()) faults.push(`${id}: both answers are the same`);
  if ([name, plain].some((text) => text.includes('?')))
    faults.push(`${id}: asks a question that a yes could answer; name what is looked at`);
  return faults;
}

/**
 * Faults in the knowledge: causes without check or remedy, links without reason, findings without cause or
 * drawing, causes that nothing can tell apart, cautions that name what does not exist.
 * @returns one line each; empty when all is well
 */
export function lintKnowledge(knowledge: Knowledge): string[] {
  const { findings, checks, causes, cautions } = knowledge;
  const faults = causes.flatMap((one) => causeFaults(one, knowledge));
  const stated: string[] = [...findings, ...checks].map(({ id }) => id);
  const ids = [...stated, ...causes.map(({ id }) => id)];
  ids.filter((id, i) => ids.indexOf(id) !== i).forEach((id) => faults.push(`${id}: stands twice`));
  const linked = new Set<string>(causes.flatMap(({ links, check }) => [...links.map(([id]) => id), check]));
  stated.filter((id) => !linked.has(id)).forEach((id) => faults.push(`${id}: no cause brings it out`));
  findings.filter(({ drawing }) => drawing === undefined).forEach(({ id }) => faults.push(`${id}: has no drawing`));
  faults.push(...checks.flatMap(checkFaults));
  causes.forEach((a, i) => {
    const twin = causes.slice(i + 1).find((b) => signature(a) === signature(b));
    if (twin !== undefined) faults.push(`${a.id} and ${twin.id}: nothing tells them apart`);
  });
  for (const { id, asks } of cautions)
    for (const answer of asks === undefined ? [] : [asks.clear, asks.fault])
      if (answer.trim() === '' || SAYS_NOTHING.test(answer))
        faults.push(`caution ${id}: "${answer}" does not say what is so`);
  for (const { id, stop, first, concern, coat } of cautions)
    if (stop && (concern ?? coat) !== undefined && first === undefined)
      faults.push(`caution ${id}: stops a job and does not say what has to be so first`);
  const known = new Set(ids);
  const cautionIds = new Set(cautions.map(({ id }) => id));
  for (const { id, causes: byCause = [], findings: byFinding = [], unless } of cautions) {
    if (unless !== undefined && !cautionIds.has(unless)) faults.push(`caution ${id}: "${unless}" does not exist`);
    [...byCause, ...byFinding]
      .filter((name) => !known.has(name))
      .forEach((name) => faults.push(`caution ${id}: "${name}" does not exist`));
  }
  return faults;
}
