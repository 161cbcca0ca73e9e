import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import {
  CAUSES,
  CHECKS,
  evidenceName,
  FINDINGS,
  KNOWLEDGE,
  meanOf,
  type Cause,
  type CauseGroup,
} from '../core/knowledge';
import { lintKnowledge } from '../core/knowledge/lint';

/** `npm run knowledge`: the lint, and a readable book of the knowledge in docs/knowledge/, one page a group. */
const OUT = join(__dirname, '..', 'docs', 'knowledge');
const GROUPS: Record<CauseGroup, string> = {
  cover: 'Gas cover',
  plate: 'The plate',
  settings: 'Settings',
  heat: 'Heat',
  technique: 'Technique',
  feed: 'Wire feed',
  electrics: 'Electrics',
};

function causePage(group: CauseGroup): string {
  const causes = CAUSES.filter((cause) => cause.group === group);
  return [
    `# ${GROUPS[group]}`,
    `${causes.length} causes. Made by \`npm run knowledge\`; change core/knowledge instead.`,
    ...causes.map(causeText),
  ].join('\n\n');
}

function causeText(cause: Cause): string {
  const check = CHECKS.find(({ id }) => id === cause.check);
  const here = (cause.linksWhen ?? []).flatMap(({ links, when }) => links.map((link) => [...link, when] as const));
  const links = [...cause.links, ...here].map(([id, strength, because, when]) => {
    const good = FINDINGS.find((finding) => finding.id === id)?.good === true;
    const only = when === undefined ? '' : ` (${Object.values(when).flat().join(', ')})`;
    return `| ${good ? 'no ' : ''}${evidenceName(id).toLowerCase()}${only} | ${meanOf(strength)} | ${because} |`;
  });
  const figures = (cause.figures ?? []).map(
    ({ residual, at, because }) => `- Figures: ${because} (${residual} about ${at}).`,
  );
  const factors = (cause.priorFactors ?? []).map(({ factor, because }) => `- × ${factor} when ${because}.`);
  return [
    `## ${cause.name}`,
    `\`${cause.id}\`. ${cause.plain} Prior ${meanOf(cause.prior)}.`,
    [...factors, ...figures].join('\n'),
    ['| Brings out | Strength | Because |', '| --- | --- | --- |', ...links].join('\n'),
    `**Check** (${check?.minutes} min, ${check?.tools}): ${check?.plain} All clear: ${check?.clear}. The fault: ${check?.fault}.${check?.caution === undefined ? '' : ` Mind: ${check.caution}`}`,
    `**Remedy**: ${cause.remedy.plain} **Next time**: ${cause.remedy.prevent}${cause.remedy.caution === undefined ? '' : ` **Mind**: ${cause.remedy.caution}`}`,
  ]
    .filter((part) => part !== '')
    .join('\n\n');
}

function findingsPage(): string {
  const rows = FINDINGS.map(({ id, name, plain, sense, good, leak, mistakenFor, words = [] }) => {
    const causes = CAUSES.filter(({ links, linksWhen = [] }) =>
      [...links, ...linksWhen.flatMap((here) => here.links)].some(([linked]) => linked === id),
    ).map((cause) => cause.name.toLowerCase());
    return `| ${name}${good ? ' (good)' : ''} | ${sense} | ${plain} Not: ${mistakenFor}. | ${words.join(', ')} | ${leak} | ${causes.join(', ')} |`;
  });
  return [
    '# Findings',
    'Made by `npm run knowledge`; change core/knowledge instead.',
    [
      '| Finding | Sense | What it is | Also called | Leak | Brought out by |',
      '| --- | --- | --- | --- | --- | --- |',
      ...rows,
    ].join('\n'),
  ].join('\n\n');
}

async function main(): Promise<void> {
  const faults = lintKnowledge(KNOWLEDGE);
  faults.forEach((fault) => console.error(fault));
  mkdirSync(OUT, { recursive: true });
  readdirSync(OUT).forEach((name) => rmSync(join(OUT, name)));
  const pages: [string, string][] = [
    ...(Object.keys(GROUPS) as CauseGroup[]).map((group): [string, string] => [group, causePage(group)]),
    ['findings', findingsPage()],
  ];
  const contents = [
    '# What is known',
    `${FINDINGS.length} findings, ${CAUSES.length} causes, ${CHECKS.length} checks. Made by \`npm run knowledge\`.`,
    [...Object.entries(GROUPS), ['findings', 'Findings']].map(([file, title]) => `- [${title}](${file}.md)`).join('\n'),
  ].join('\n\n');
  for (const [name, text] of [...pages, ['README', contents] as const]) {
    writeFileSync(join(OUT, `${name}.md`), await format(text, { parser: 'markdown', printWidth: 120 }));
  }
  console.log(
    `${FINDINGS.length} findings, ${CAUSES.length} causes, ${CHECKS.length} checks: ${faults.length === 0 ? 'no faults' : `${faults.length} faults`}`,
  );
  process.exitCode = faults.length === 0 ? 0 : 1;
}

void main();
