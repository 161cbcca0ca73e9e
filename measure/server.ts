import { spawn } from 'node:child_process';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');

/** A running server of the product. */
export type Served = { address: string; pid: number; stop: () => void };

/**
 * Starts the server as `npm start` does, on a port of its own choosing.
 * @param dataDir folder of its database
 * @param site folder of the site it is to serve in place of the built app
 */
export function serve(dataDir: string, env: Record<string, string> = {}): Promise<Served> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', DATA_DIR: dataDir, ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((ready, failed) => {
    let said = '';
    server.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const address = /ready: (\S+)/.exec(said)?.[1];
      if (address !== undefined) ready({ address, pid: server.pid ?? 0, stop: () => void server.kill() });
    });
    server.on('exit', () => failed(new Error(`the server ended: ${said}`)));
  });
}
