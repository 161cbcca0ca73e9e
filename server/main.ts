import { createServer } from 'node:http';
import { join } from 'node:path';
import { createApp } from './app';
import { isNew, markBegun } from './db/begin';
import { openStore } from './db/open';
import { loadWorkshop } from './demo/load';
import { shelveDemoPictures } from './demo/pictures';
import { startDiagnosisPool } from './diagnosis/pool';
import { readEnvironment, ROOT } from './environment';
import { createLog } from './http/request-log';
import { shelfOf } from './pictures/shelf';
import { startRecordPool } from './record/pool';
import { StartError } from './start-error';

/** Opens, checks, migrates, fills a new database with the demo workshop unless told not to, and serves until stopped. */
function main(): void {
  const { port, host, hostNames, databaseFile } = readEnvironment();
  const log = createLog();
  const { store, close } = openStore(databaseFile);
  if (isNew(store)) {
    // The last four weeks alone are told by hand; the two years before them are a simulated welder's.
    if (!process.argv.includes('--empty')) {
      shelveDemoPictures(shelfOf(databaseFile));
      loadWorkshop(store, Date.now(), !process.argv.includes('--weeks'));
    }
    markBegun(store);
  }
  const pool = startDiagnosisPool();
  const records = startRecordPool();
  const report = (row: object): void => log.warn(row, 'a row cannot be read and was passed over');
  const app = createApp({
    ...pool,
    ...records,
    store,
    database: databaseFile,
    log,
    report,
    site: join(ROOT, 'dist'),
    hostNames,
  });
  const server = createServer(app);
  const end = (): void => {
    void pool.close();
    void records.close();
    close();
  };
  server.on('error', (error: NodeJS.ErrnoException) => {
    end();
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
    server.close(end);
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
