import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensurePackages, ensureValidators, giveUp, ROOT, say, tool } from './prepare.mjs';

/**
 * `npm run mutants -- FOLDER [--lines N] [--seed N]`: makes small wrong changes in a seeded sample of a folder's lines
 * and says, file by file, how many of them the tests notice. Not part of `npm test`: a change costs about a second.
 * `page` stands for the page's logic: what it does without what it draws. A file that is run as a program of its own
 * (`server/main.ts`) is tried by itself, by the tests that start it: each change costs a start of the program.
 */
const [folder, ...flags] = process.argv.slice(2);
const flag = (name, usual) => {
  const at = flags.indexOf(`--${name}`);
  return at < 0 ? usual : Number(flags[at + 1]);
};
/** The page's logic: its plain files but those that draw, and the bench that its screens stand on. */
const isLogic = (file) =>
  (/\.ts$/.test(file) && !file.includes('/ui/bead/')) || file.endsWith('features/bench/state/bench.tsx');
const places = folder === 'page' ? ['client', 'features', 'platform', 'workers', 'ui'] : [folder];
if (folder === undefined || !places.every((place) => existsSync(join(ROOT, place))))
  giveUp('Say which folder: npm run mutants -- core/arc [--lines 250] [--seed 1]');
/** Files that are run as programs: what is wrong in them is only seen by the tests that start them. */
const PROGRAMS = ['server/main.ts', 'server/backup/main.ts'];
const isProgram = PROGRAMS.includes(folder);
const LINES = flag('lines', 250);
const SEED = flag('seed', 1);
/** Lines of one piece of the sample. */
const PIECE = 14;

ensurePackages();
ensureValidators();

function sources(path) {
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => sources(join(path, name)));
}

/** A repeatable stream of numbers from 0 to 1 (mulberry32). */
function stream(seed) {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const files = places
  .flatMap((place) => sources(join(ROOT, place)))
  .filter((file) => /\.tsx?$/.test(file) && !/\.(test|d)\.tsx?$/.test(file))
  .filter((file) => !/\/(compiled|testing|cases|demo|migrations)\//.test(file))
  .filter((file) => folder !== 'page' || isLogic(file))
  .filter((file) => isProgram || !PROGRAMS.includes(relative(ROOT, file)));
const pieces = files.flatMap((file) => {
  const length = readFileSync(file, 'utf8').split('\n').length;
  return Array.from({ length: Math.ceil(length / PIECE) }, (_, i) => ({
    file: relative(ROOT, file),
    from: i * PIECE + 1,
    to: Math.min(length, (i + 1) * PIECE),
  }));
});
const random = stream(SEED);
const sample = pieces
  .map((piece) => ({ piece, order: random() }))
  .sort((a, b) => a.order - b.order)
  .slice(0, Math.max(1, Math.round(LINES / PIECE)))
  .map(({ piece }) => piece);
say(`${sample.length} of ${pieces.length} pieces of ${folder}, seed ${SEED}`);

const report = join(ROOT, '.cache', `mutants-${folder.replace(/\W/g, '-')}.json`);
const config = join(ROOT, '.cache', 'stryker.json');
const of = isProgram ? folder : (/^(core\/\w+|core|server)/.exec(folder)?.[0] ?? 'page');
mkdirSync(join(ROOT, '.cache'), { recursive: true });
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'jest',
    jest: { projectType: 'custom', configFile: 'jest.mutants.config.js', enableFindRelatedTests: !isProgram },
    plugins: [join(ROOT, 'node_modules/@stryker-mutator/jest-runner/dist/src/index.js')],
    // What a program runs is not seen from the test that starts it.
    coverageAnalysis: isProgram ? 'off' : 'perTest',
    ignoreStatic: !isProgram,
    concurrency: 2,
    timeoutMS: isProgram ? 60_000 : 20_000,
    reporters: ['json'],
    jsonReporter: { fileName: report },
    ignorePatterns: ['dist', '.cache', '.expo', 'data', 'docs', 'e2e', 'measure', '.git'],
    tempDirName: '.cache/mutants',
    mutate: sample.map(({ file, from, to }) => `${file.replace(/[[\]]/g, '\\$&')}:${from}-${to}`),
    checkers: [],
    allowEmpty: true,
    disableTypeChecks: false,
  }),
);
const { status } = spawnSync(tool('stryker'), ['run', config], {
  cwd: ROOT,
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, MUTANTS_OF: of },
});
if (status !== 0 || !existsSync(report)) giveUp('The wrong changes could not be tried. See the lines above.');

const CAUGHT = ['Killed', 'Timeout'];
const TRIED = [...CAUGHT, 'Survived', 'NoCoverage'];
const { files: found } = JSON.parse(readFileSync(report, 'utf8'));
let [caught, tried] = [0, 0];
for (const [file, { mutants, source }] of Object.entries(found).sort()) {
  const counted = mutants.filter((mutant) => TRIED.includes(mutant.status));
  if (counted.length === 0) continue;
  const missed = counted.filter((mutant) => !CAUGHT.includes(mutant.status));
  caught += counted.length - missed.length;
  tried += counted.length;
  console.log(`${file}: ${counted.length - missed.length} of ${counted.length} caught`);
  const lines = source.split('\n');
  for (const { location, mutatorName, replacement } of missed)
    console.log(
      `    ${location.start.line}: ${lines[location.start.line - 1].trim().slice(0, 80)}  [${mutatorName}${replacement ? ` → ${replacement.replace(/\s+/g, ' ').slice(0, 60)}` : ''}]`,
    );
}
console.log(
  `${folder}: ${caught} of ${tried} wrong changes caught, ${tried === 0 ? 0 : Math.round((100 * caught) / tried)} %`,
);
