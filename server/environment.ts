import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Lan } from './access/network';
import { copyPlace, type CopyPlace } from './copies/place';
import { engineFrom } from './db/engine/connection';
import { StartError } from './errors/start-error';

/** Root of the project. */
export const ROOT = resolve(__dirname, '..');

export type Environment = {
  port: number;
  host: string;
  /** Further names the server goes by. */
  hostNames: string[];
  databaseFile: string;
  /** Where the network comes in: null where it does not. */
  lan: Lan | null;
  /** Where the record is copied to all the time; null for nowhere. */
  copyTo: CopyPlace | null;
};

type Variables = Record<string, string | undefined>;

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

function portFrom(text: string, name = 'PORT'): number {
  const port = Number(text);
  if (text.trim() === '' || !Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartError(`${name} takes a whole number from 0 to 65535, not "${text}".`);
  return port;
}

/** Where the database stands, also what is here of another site's. @throws StartError when DATA_DIR is set to something odd */
export function databaseFile(env: Record<string, string | undefined> = process.env): string {
  const engine = engineFrom(env);
  if (engine.kind === 'libsql' && engine.file !== null) return resolve(engine.file);
  const folder = env.DATA_DIR ?? join(ROOT, 'data');
  if (folder.trim() === '' || /[\u0000-\u001f]/.test(folder))
    throw new StartError('DATA_DIR takes the path of a folder. Set it, or leave it away for the folder data/.');
  return join(resolve(folder), 'jolly-tinker.sqlite');
}

/** Where copies go. @throws StartError when COPY_TO is set to something odd */
export function copyTo(env: Variables = process.env): CopyPlace | null {
  if (env.COPY_TO === undefined) return null;
  if (engineFrom(env).kind === 'replica')
    throw new StartError(
      'COPY_TO copies the database of this machine. With DATABASE_URL that is copied where the libSQL server runs.',
    );
  return copyPlace(env.COPY_TO, 'COPY_TO', env);
}

/** The pass phrase, where one is given. @throws StartError when its file cannot be read */
function passPhraseFrom({ PASS_PHRASE, PASS_PHRASE_FILE }: Variables): string | null {
  if (PASS_PHRASE_FILE === undefined) return PASS_PHRASE ?? null;
  try {
    return readFileSync(PASS_PHRASE_FILE, 'utf8').replace(/\r?\n$/, '');
  } catch (error) {
    throw new StartError(`PASS_PHRASE_FILE takes the path of a file to read (${(error as Error).message}).`);
  }
}

function lanFrom(env: Variables, port: number, another: boolean): Lan {
  const { TLS_CERT, TLS_KEY, PROXIES = '0' } = env;
  if ((TLS_CERT === undefined) !== (TLS_KEY === undefined))
    throw new StartError('TLS_CERT and TLS_KEY are given together: a certificate and its key.');
  if (!/^[0-5]$/.test(PROXIES)) throw new StartError(`PROXIES takes a number from 0 to 5, not "${PROXIES}".`);
  return {
    port: portFrom(env.LAN_PORT ?? String(port === 0 ? 0 : port + 1), 'LAN_PORT'),
    host: env.HOST ?? null,
    tls: TLS_CERT === undefined || TLS_KEY === undefined ? null : { cert: TLS_CERT, key: TLS_KEY },
    proxies: Number(PROXIES),
    passPhrase: passPhraseFrom(env),
    another,
  };
}

/**
 * Returns what the environment says: PORT, HOST, HOST_NAMES (further names, with commas), DATA_DIR, COPY_TO; and for the network LAN_PORT,
 * PASS_PHRASE or PASS_PHRASE_FILE, TLS_CERT and TLS_KEY, PROXIES.
 * @param flags of the command: `--lan` lets the network in, `--new-pass-phrase` asks for another
 * @throws StartError naming the one that is not right
 */
export function readEnvironment(env: Variables = process.env, flags: readonly string[] = []): Environment {
  const port = portFrom(env.PORT ?? '4173');
  const lan = flags.includes('--lan') ? lanFrom(env, port, flags.includes('--new-pass-phrase')) : null;
  const host = lan === null || lan.proxies > 0 ? (env.HOST ?? '127.0.0.1') : '127.0.0.1';
  if (lan === null && !LOOPBACK.includes(host))
    throw new StartError(
      `HOST=${host} would let everyone in reach read and write the record. Start with --lan, which asks for a pass phrase.`,
    );
  const listed = (env.HOST_NAMES ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean);
  const isEverywhere = env.HOST === '0.0.0.0' || env.HOST === '::';
  const hostNames = env.HOST === undefined || isEverywhere ? listed : [env.HOST.toLowerCase(), ...listed];
  return { port, host, hostNames, databaseFile: databaseFile(env), lan, copyTo: copyTo(env) };
}
