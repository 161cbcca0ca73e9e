import { spawnSync } from 'node:child_process';
import { ensureBuild, ensureChromium, ensurePackages, ensureValidators, ROOT, tool } from './prepare.mjs';

/** Runs one TypeScript script of the project with everything it may need in place. */
ensurePackages();
const given = process.argv.slice(2);
// What needs no page needs no browser either.
const page = given[0] !== '--no-page';
if (page) ensureBuild();
else ensureValidators();
const CHROMIUM = page ? ensureChromium() : '';
const { status } = spawnSync(tool('tsx'), page ? given : given.slice(1), {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, CHROMIUM },
});
process.exit(status ?? 1);
