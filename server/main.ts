import { createServer } from 'node:http';
import { join, resolve } from 'node:path';
import { createApp } from './app';
import { openStore, StartError } from './db/open';
import { isEmpty } from './db/queries';
import { loadWorkshop } from './demo/load';

/** Reads PORT. @throws StartError when it is no port number */
function portFromEnvironment(): number {
  const text = process.env.PORT ?? '4173';
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartError(`PORT takes a whole number from 0 to 65535, not "${text}".`);
  return port;
}

/** Opens, migrates, fills a new database with the demo workshop, and serves until stopped. */
function main(): void {
  const port = portFromEnvironment();
  const host = process.env.HOST ?? '127.0.0.1';
  const root = resolve(__dirname, '..');
  const file = join(process.env.DATA_DIR ?? join(root, 'data'), 'jolly-tinker.sqlite');
  const { store, close } = openStore(file);
  if (isEmpty(store) && !process.argv.includes('--empty')) loadWorkshop(store);
  const server = createServer(createApp(store, join(root, 'dist')));
  server.on('error', (error: NodeJS.ErrnoException) => {
    close();
    const taken = error.code === 'EADDRINUSE';
    console.error(
      taken
        ? `Port ${port} is in use. Stop what runs there, or start with another: PORT=${port + 1} npm start`
        : `The server cannot listen on ${host}:${port} (${error.message}).`,
    );
    process.exitCode = 1;
  });
  server.listen(port, host, () => {
    const address = server.address();
    const open = typeof address === 'object' && address !== null ? address.port : port;
    console.log(`Jolly Tinker is ready: http://${host === '0.0.0.0' ? 'localhost' : host}:${open}`);
  });
  const stop = (): void => {
    server.close(() => close());
    server.closeAllConnections();
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
}

try {
  main();
} catch (error) {
  if (!(error instanceof StartError)) throw error;
  console.error(error.message);
  process.exitCode = 1;
}
