import { alg, Graph } from '@dagrejs/graphlib';
import { cruise } from 'dependency-cruiser';
import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './prepare.mjs';

/**
 * `npm run arrows`: every import of every room held against `.dependency-cruiser.cjs`, and no circle of folders, those that
 * hold other folders included (the cruiser's own rule for folders leaves them out).
 */
const require = createRequire(import.meta.url);
const CODE = ['app', 'client', 'features', 'ui', 'workers', 'platform', 'core', 'server', 'measure', 'e2e', 'scripts'];
const TESTED = ['client', 'features', 'ui', 'workers', 'platform', 'core', 'server', 'e2e'];

/** Returns what the cruiser found. @param rooms folders of the project @param config file of its rules */
async function cruised(rooms, config) {
  const { forbidden, options } = require(`../${config}`);
  const ruleSet = { forbidden };
  const { output } = await cruise(rooms, { ...options, ruleSet, validate: true, baseDir: ROOT, outputType: undefined });
  return output;
}

/** Returns folders whose files import one another in a circle. @param modules as the cruiser lists them */
export function circlesOfFolders(modules) {
  const graph = new Graph();
  const isOurs = (file) => file.includes('/') && !/node_modules/.test(file);
  for (const { source, dependencies } of modules.filter(({ source }) => isOurs(source)))
    for (const { resolved } of dependencies.filter(({ resolved }) => isOurs(resolved)))
      if (dirname(source) !== dirname(resolved)) graph.setEdge(dirname(source), dirname(resolved));
  return alg.findCycles(graph);
}

/** Says what is wrong and returns how much. */
function report({ summary }) {
  for (const { rule, from, to, cycle } of summary.violations)
    console.error(`${rule.name}: ${from} → ${cycle ? cycle.map(({ name }) => name).join(' → ') : to}`);
  return summary.violations.length;
}

async function main() {
  const code = await cruised(CODE, '.dependency-cruiser.cjs');
  const circles = circlesOfFolders(code.modules);
  for (const circle of circles) console.error(`circle of folders: ${circle.join(' → ')}`);
  const wrong = report(code) + circles.length + report(await cruised(TESTED, '.dependency-cruiser.tests.cjs'));
  if (wrong > 0) process.exitCode = 1;
  else console.log(`· arrows: ${code.modules.length} files, all as they should be`);
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) await main();
