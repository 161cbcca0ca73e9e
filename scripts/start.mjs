import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages, ROOT, tool } from './prepare.mjs';

/** `npm start`: installs and builds what is missing or stale, then serves app and API on one port. */
ensurePackages();
ensureBuild();
const server = spawn(tool('tsx'), ['server/main.ts', ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
