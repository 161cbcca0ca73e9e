import { join, resolve } from 'node:path';
import { StartError } from './start-error';

/** Root of the project. */
export const ROOT = resolve(__dirname, '..');

export type Environment = {
  port: number;
  host: string;
  /** Further names the server goes by, such as the one it listens on. */
  hostNames: string[];
  databaseFile: string;
};

function portFrom(text: string): number {
  const port = Number(text);
  if (text.trim() === '' || !Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartError(`PORT takes a whole number from 0 to 65535, not "${text}".`);
  return port;
}

/** Where the database stands. @throws StartError when DATA_DIR is set to something odd */
export function databaseFile(env: Record<string, string | undefined> = process.env): string {
  const folder = env.DATA_DIR ?? join(ROOT, 'data');
  if (folder.trim() === '' || /[\u0000-\u001f]/.test(folder))
    throw new StartError('DATA_DIR takes the path of a folder. Set it, or leave it away for the folder data/.');
  return join(resolve(folder), 'jolly-tinker.sqlite');
}

/**
 * What the environment says: PORT, HOST, HOST_NAMES (further names, with commas), DATA_DIR.
 * @throws StartError naming the one that is not right
 */
export function readEnvironment(env: Record<string, string | undefined> = process.env): Environment {
  const host = env.HOST ?? '127.0.0.1';
  const isEverywhere = host === '0.0.0.0' || host === '::';
  const listed = (env.HOST_NAMES ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  return {
    port: portFrom(env.PORT ?? '4173'),
    host,
    hostNames: isEverywhere ? listed : [host, ...listed],
    databaseFile: databaseFile(env),
  };
}
