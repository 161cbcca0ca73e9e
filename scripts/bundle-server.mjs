import { build } from 'esbuild';
import { mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ROOT } from './prepare.mjs';

/** What runs as a program or a thread of its own: `Program` of server/system/program.ts. */
const PROGRAMS = [
  'main',
  'backup/main',
  'copies/copier',
  'diagnosis/diagnose.worker',
  'files/charts.worker',
  'files/import-record.worker',
];

/** A file of the server still finds what lies beside its source, wherever the bundle lies. */
const keepFolders = {
  name: 'keep-folders',
  setup({ onLoad }) {
    onLoad({ filter: /\/server\/.*\.ts$/ }, ({ path }) => ({
      contents: readFileSync(path, 'utf8').replaceAll('__dirname', JSON.stringify(dirname(path))),
      loader: 'ts',
    }));
  },
};

/**
 * Puts the server's programs into one file each, packages left out, which takes a second and makes each start in a third of
 * the time. @returns the folder, for SERVER_BUNDLE
 */
export async function bundleServer() {
  const folder = join(ROOT, '.cache', 'server');
  // Whoever runs from the one before goes on with it; another that makes one at the same time makes the same.
  const making = `${folder}-${process.pid}`;
  mkdirSync(making, { recursive: true });
  await build({
    absWorkingDir: ROOT,
    entryPoints: Object.fromEntries(PROGRAMS.map((name) => [name, join('server', `${name}.ts`)])),
    outdir: making,
    outExtension: { '.js': '.cjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    packages: 'external',
    sourcemap: 'inline',
    sourcesContent: false,
    plugins: [keepFolders],
    logLevel: 'error',
  });
  rmSync(folder, { recursive: true, force: true });
  renameSync(making, folder);
  return folder;
}
