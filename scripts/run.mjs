import { spawnSync } from 'node:child_process';
import { ensureBuild, ensureChromium, ensurePackages, ROOT, tool } from './prepare.mjs';

/** Runs one TypeScript script of the project with everything it may need in place. */
ensurePackages();
ensureBuild();
const CHROMIUM = ensureChromium();
const { status } = spawnSync(tool('tsx'), process.argv.slice(2), {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, CHROMIUM },
});
process.exit(status ?? 1);
