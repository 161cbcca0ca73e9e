import { join, resolve } from 'node:path';

/** The server's folder. */
const SOURCE = resolve(__dirname, '..');

/** What runs as a program or a thread of its own, by file, without its ending. */
export type Program =
  | 'main'
  | 'backup/main'
  | 'copies/copier'
  | 'diagnosis/diagnose.worker'
  | 'files/charts.worker'
  | 'files/import-record.worker';

/**
 * Returns how to run a part of the server by itself: from the bundle that SERVER_BUNDLE names (`scripts/bundle-server.mjs`
 * makes it; a program starts from it in a third of the time), otherwise from its source.
 */
export function runProgram(
  program: Program,
  env: Readonly<Record<string, string | undefined>> = process.env,
): { path: string; execArgv: string[] } {
  const { SERVER_BUNDLE: bundle } = env;
  if (bundle !== undefined) return { path: join(bundle, `${program}.cjs`), execArgv: [] };
  return { path: join(SOURCE, `${program}.ts`), execArgv: ['--import', 'tsx'] };
}

/** Returns how a pool of threads runs a part of the server. */
export const threadOf = (program: Program): { filename: string; execArgv: string[] } => {
  const { path, execArgv } = runProgram(program);
  return { filename: path, execArgv };
};
