import { createServer, type RequestListener } from 'node:http';
import { dirname, join } from 'node:path';
import { inAddressLine } from './access/addresses';
import { ensurePassPhrase } from './access/ask-phrase';
import { markAtMachine } from './access/caller';
import { openLan, type OpenLan } from './access/open-lan';
import { createApp } from './app';
import { noCopying, requireNoOldCopies, startCopying } from './copies/copying';
import { isNew, markBegun } from './db/begin';
import { engineFrom } from './db/engine/connection';
import { openStore } from './db/open';
import { listenToOtherSites } from './db/changes/other-sites';
import { loadWorkshop } from './demo/load';
import { shelveDemoPictures } from './demo/pictures';
import { startDiagnosisPool } from './diagnosis/pool';
import { readEnvironment, ROOT } from './environment';
import { createLog } from './http/request-log';
import { shelfOf } from './pictures/shelf';
import { startRecordPool } from './files/pool';
import { takeFileInto } from './files/import-record.worker';
import { StartError } from './errors/start-error';
import { clock } from './system/clock';

/** Says why it cannot listen, and what would help. */
function sayNotListening(error: NodeJS.ErrnoException, host: string, port: number, variable: string): void {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is in use. Stop what runs there, or start with another: ${variable}=${port + 1} npm start`
      : `The server cannot listen on ${host}:${port} (${error.message}).`,
  );
  process.exitCode = 1;
}

/** Opens, checks, migrates, fills a new database with the demo workshop unless told not to, and serves until stopped. */
async function main(): Promise<void> {
  const { port, host, hostNames, databaseFile, lan, copyTo } = readEnvironment(process.env, process.argv);
  const log = createLog();
  if (copyTo !== null) await requireNoOldCopies(databaseFile, copyTo);
  const { store, connection, close } = openStore(databaseFile);
  if (isNew(store)) {
    // The last four weeks alone are told by hand; the two years before them are a simulated welder's.
    if (!process.argv.includes('--empty')) {
      shelveDemoPictures(shelfOf(databaseFile));
      loadWorkshop(store, clock().getTime(), !process.argv.includes('--weeks'));
    }
    markBegun(store);
  }
  let network: OpenLan | null = null;
  try {
    if (lan !== null) {
      const asked = { given: lan.passPhrase, another: lan.another, isTerminal: process.stdin.isTTY === true };
      await ensurePassPhrase(store, asked, clock());
      network = await openLan({ ...lan, hostNames, folder: join(dirname(databaseFile), 'tls'), store });
    }
  } catch (error) {
    close();
    throw error;
  }
  const copying = copyTo === null ? noCopying : startCopying(databaseFile, copyTo);
  const isReplica = engineFrom(process.env).kind === 'replica';
  const listening = isReplica ? listenToOtherSites(store, connection) : () => undefined;
  const pool = startDiagnosisPool();
  const records = startRecordPool();
  const report = (row: object): void => log.warn(row, 'a row cannot be read and was passed over');
  const app = createApp({
    ...pool,
    ...records,
    ...(isReplica ? { takeFileIn: (taking) => takeFileInto(store, taking) } : {}),
    store,
    database: databaseFile,
    log,
    report,
    copies: copying.state,
    site: join(ROOT, 'dist'),
    hostNames: () => (network === null ? hostNames : network.hostNames()),
    network,
    proxies: lan?.proxies ?? 0,
  });
  // What comes from a proxy on this machine comes from elsewhere.
  const own: RequestListener = (request, response) => {
    if ((lan?.proxies ?? 0) === 0) markAtMachine(request);
    app(request, response);
  };
  const server = createServer(own);
  const end = (): void => {
    void pool.close();
    void records.close();
    listening();
    close();
    copying.close();
  };
  const stop = (): void => {
    network?.close();
    server.close(end);
    server.closeAllConnections();
  };
  server.on('error', (error: NodeJS.ErrnoException) => {
    network?.close();
    end();
    sayNotListening(error, host, port, 'PORT');
  });
  server.listen(port, host, () => {
    const address = server.address();
    const open = typeof address === 'object' && address !== null ? address.port : port;
    const ready = (): void => {
      console.log(`Jolly Tinker is ready: http://${inAddressLine(host)}:${open}`);
      network?.say();
    };
    if (network === null) return ready();
    network.listen(app, ready, (error) => {
      stop();
      sayNotListening(error, lan?.host ?? 'any address', lan?.port ?? port, 'LAN_PORT');
    });
  });
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
}

main().catch((error: unknown) => {
  if (!(error instanceof StartError)) throw error;
  console.error(error.message);
  process.exitCode = 1;
});
