import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ROOT } from './prepare.mjs';

/** `npm start`: installs and builds what is missing or stale, then serves app and API on one port. */
ensurePackages();
ensureBuild();
// Only now is it there to be asked for.
const { bundleServer } = await import('./bundle-server.mjs');
const bundle = await bundleServer();
const server = spawn(process.execPath, [join(bundle, 'main.cjs'), ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production', SERVER_BUNDLE: bundle },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
