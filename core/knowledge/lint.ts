import { CAUSES, CAUTIONS, CHECKS, EVIDENCE_IDS, FINDINGS } from '.';
import type { Cause } from './types';

/** What a cause would bring out and which figures tell of it, for comparing two causes. */
function signature(cause: Cause): string {
  const links = cause.links.map(([id, strength]) => `${id}:${strength}`).sort();
  const figures = (cause.figures ?? []).map(({ residual, at }) => `${residual}:${at}`).sort();
  return [...links, cause.check, ...figures].join('|');
}

function causeFaults(cause: Cause): string[] {
  const faults: string[] = [];
  const say = (text: string): void => void faults.push(`${cause.id}: ${text}`);
  if (!CHECKS.some(({ id }) => id === cause.check)) say(`its check "${cause.check}" does not exist`);
  if (cause.remedy.plain === '' || cause.remedy.prevent === '') say('has no remedy or no prevention');
  if (!(cause.prior > 0 && cause.prior < 0.5)) say('prior takes 0 to 0.5');
  if (cause.links.length === 0) say('links to no finding');
  const linked = cause.links.map(([id]) => id);
  if (new Set(linked).size !== linked.length) say('links twice to one finding');
  for (const [id, strength, because] of cause.links) {
    if (!EVIDENCE_IDS.includes(id)) say(`links to "${id}", which is no finding or check`);
    if (!(strength > 0 && strength < 1)) say(`strength of ${id} takes 0 to 1`);
    if (because.length < 6) say(`link to ${id} has no reason`);
  }
  for (const { factor, because } of cause.priorFactors ?? []) {
    if (!(factor >= 0) || because === '') say('a prior factor lacks its size or reason');
  }
  return faults;
}

/**
 * Faults in the knowledge: causes without check or remedy, links without reason, findings without cause or
 * drawing, causes that nothing can tell apart, cautions that name what does not exist.
 * @returns one line each; empty when all is well
 */
export function lintKnowledge(): string[] {
  const faults = CAUSES.flatMap(causeFaults);
  const ids = [...EVIDENCE_IDS, ...CAUSES.map(({ id }) => id)];
  ids.filter((id, i) => ids.indexOf(id) !== i).forEach((id) => faults.push(`${id}: stands twice`));
  const linked = new Set(CAUSES.flatMap(({ links, check }) => [...links.map(([id]) => id), check]));
  EVIDENCE_IDS.filter((id) => !linked.has(id)).forEach((id) => faults.push(`${id}: no cause brings it out`));
  FINDINGS.filter(({ drawing }) => drawing === undefined).forEach(({ id }) => faults.push(`${id}: has no drawing`));
  CHECKS.filter(({ minutes }) => !(minutes > 0)).forEach(({ id }) => faults.push(`${id}: takes no time`));
  CAUSES.forEach((a, i) => {
    const twin = CAUSES.slice(i + 1).find((b) => signature(a) === signature(b));
    if (twin !== undefined) faults.push(`${a.id} and ${twin.id}: nothing tells them apart`);
  });
  const known = new Set([...EVIDENCE_IDS, ...CAUSES.map(({ id }) => id)]);
  for (const { id, causes = [], findings = [] } of CAUTIONS) {
    [...causes, ...findings]
      .filter((name) => !known.has(name))
      .forEach((name) => faults.push(`caution ${id}: "${name}" does not exist`));
  }
  return faults;
}
