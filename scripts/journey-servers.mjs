import { spawn } from 'node:child_process';
import { createServer } from 'node:http';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bundleServer } from './bundle-server.mjs';

/**
 * The servers of the journeys, started together: each project has one with a database of its own, so that journeys do not
 * meet. Answers at its own port with 200 once all of them do. One that ends takes the others with it.
 */
const SERVERS = {
  phone: { port: 4391, flags: ['--weeks'] },
  wide: { port: 4392, flags: ['--weeks'] },
  empty: { port: 4393, flags: ['--empty'] },
  years: { port: 4394, flags: [] },
};
const READY_PORT = 4390;
const ROOT = resolve(fileURLToPath(new URL('.', import.meta.url)), '..');

const bundle = process.env.SERVER_BUNDLE ?? (await bundleServer());

function start(name, { port, flags }) {
  const env = { ...process.env, PORT: String(port), DATA_DIR: join(ROOT, '.cache', `data-${name}-${process.pid}`) };
  const server = spawn(process.execPath, [join(bundle, 'main.cjs'), ...flags], {
    cwd: ROOT,
    env,
    stdio: 'inherit',
  });
  server.once('exit', (code) => {
    console.error(`The server of the journeys "${name}" ended (${code}).`);
    stop(1);
  });
  return server;
}

const servers = Object.entries(SERVERS).map(([name, of]) => start(name, of));
function stop(code) {
  for (const server of servers) {
    server.removeAllListeners('exit');
    server.kill();
  }
  process.exit(code);
}
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => stop(0));

const isUp = ({ port }) =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );
createServer(async (_, response) => {
  const all = await Promise.all(Object.values(SERVERS).map(isUp));
  response.writeHead(all.every(Boolean) ? 200 : 503).end();
}).listen(READY_PORT, '127.0.0.1');
