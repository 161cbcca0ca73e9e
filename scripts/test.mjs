import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensurePackages, ensureValidators, ROOT, run, say, tool } from './prepare.mjs';

/**
 * `npm test`: type check, lint, unit and API tests, interface tests; the last line counts the tests. With `--full` what docs/testing.md
 * lists as long as well.
 */
const FULL = process.argv.includes('--full');
const RESULTS = join(ROOT, '.cache');
const UNIT = join(RESULTS, 'unit.json');
const LIBSQL = join(RESULTS, 'libsql.json');
const INTERFACE = join(RESULTS, 'interface.json');

ensurePackages();
ensureValidators();
const CHROMIUM = ensureChromium();
mkdirSync(RESULTS, { recursive: true });
for (const file of [UNIT, LIBSQL, INTERFACE]) rmSync(file, { force: true });

// The build keeps one core busy while types and lint keep the other.
const building = spawn(process.execPath, [join(ROOT, 'scripts', 'build.mjs')], { stdio: 'inherit' });
const built = new Promise((done) => building.once('exit', (code) => done(code === 0)));

// Only now is it there to be asked for.
const { bundleServer } = await import('./bundle-server.mjs');
const env = { SERVER_BUNDLE: await bundleServer(), ...(FULL ? { TESTS: 'full' } : {}) };
const steps = [
  // The compiler of native code takes a third of the time; the lint still needs the one before it.
  ['types', () => run(process.execPath, [join(ROOT, 'node_modules', 'typescript-7', 'bin', 'tsc'), '--noEmit'])],
  ['lint', () => run(tool('eslint'), ['.', '--max-warnings', '0'])],
  ['nothing unused', () => run(tool('knip'), [], { quiet: true })],
  ['arrows between the rooms', () => run('npm', ['run', '--silent', 'arrows'], { quiet: true })],
  ['unit and API tests', () => run(tool('jest'), ['--ci', '--json', `--outputFile=${UNIT}`, '--silent'], { env })],
  FULL && [
    'API tests on libSQL',
    () =>
      run(tool('jest'), ['--config', 'jest.libsql.config.js', '--ci', '--json', `--outputFile=${LIBSQL}`, '--silent'], {
        env: { ...env, DATABASE_URL: 'file:' },
      }),
  ],
  ['build', () => built],
  [
    'interface tests',
    () => run(tool('playwright'), ['test'], { env: { ...env, CHROMIUM, PLAYWRIGHT_JSON_OUTPUT_NAME: INTERFACE } }),
  ],
  FULL && [
    'ten minutes of fifty devices',
    () => run(process.execPath, ['scripts/run.mjs', '--no-page', 'measure/load.ts']),
  ],
].filter((step) => step !== false);
let failedSteps = 0;
for (const [name, step] of steps) {
  const from = performance.now();
  const isFine = await step();
  if (!isFine) failedSteps += 1;
  say(`${name}: ${isFine ? 'fine' : 'failed'}, ${Math.round((performance.now() - from) / 1000)} s`);
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const unit = read(UNIT);
const libsql = read(LIBSQL);
const browser = read(INTERFACE)?.stats;
const passed =
  (unit?.numPassedTests ?? 0) + (libsql?.numPassedTests ?? 0) + (browser?.expected ?? 0) + (browser?.flaky ?? 0);
const failedTests = (unit?.numFailedTests ?? 0) + (libsql?.numFailedTests ?? 0) + (browser?.unexpected ?? 0);
// A step that fails without a failing test (types, lint, a run that broke off) still counts as one.
const failed = Math.max(failedTests, failedSteps);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
