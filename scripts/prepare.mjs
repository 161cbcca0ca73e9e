import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, gzipSync } from 'node:zlib';

/** Root of the project. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const CACHE = join(ROOT, '.cache');
/** What the built app is made of. */
const BUILT_FROM = [
  'app',
  'client',
  'core',
  'features',
  'platform',
  'ui',
  'workers',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'tailwind.config.js',
  'package-lock.json',
  'scripts/prepare.mjs',
  'scripts/ahead.js',
  'scripts/service-worker.mjs',
];

export const say = (text) => console.log(`· ${text}`);

/** Ends with one sentence that says the cure. */
export function giveUp(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** Runs a command in the project; shows what it prints only when asked to or when it fails. */
export function run(command, args, { quiet = false, env = {} } = {}) {
  const result = spawnSync(command, args, {
    cwd: ROOT,
    stdio: quiet ? 'pipe' : 'inherit',
    env: { ...process.env, ...env },
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (quiet && result.status !== 0) process.stderr.write(`${result.stdout ?? ''}${result.stderr ?? ''}\n`);
  return result.status === 0;
}

/** Path of a program in node_modules. */
export const tool = (name) => join(ROOT, 'node_modules', '.bin', name);

const modified = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

/** What is installed, or would be: the packages by name and number, compiled for this Node.js on this machine. */
function packagesWanted() {
  const { platform, arch, versions } = process;
  const lock = readFileSync(join(ROOT, 'package-lock.json'));
  return createHash('sha256').update(lock).update(`${platform} ${arch} ${versions.modules}`).digest('hex');
}

const wait = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);
/** After so long whoever took the lock is gone, whatever bears its number by now. */
const LONGEST_INSTALL_MS = 30 * 60_000;

/** Whether the program that wrote a lock still holds it. */
function isHeld(lock) {
  try {
    if (Date.now() - statSync(lock).mtimeMs > LONGEST_INSTALL_MS) return false;
    process.kill(Number(readFileSync(lock, 'utf8')), 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Does something while no other program of this copy does: two that install at once leave a broken half each. */
function alone(work) {
  mkdirSync(CACHE, { recursive: true });
  const lock = join(CACHE, 'installing');
  for (let told = false; ; told = true) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx' });
      // Another that found the same dead lock may take this one for it.
      wait(100);
      if (readFileSync(lock, 'utf8') === String(process.pid)) break;
    } catch (error) {
      if (!['EEXIST', 'ENOENT'].includes(error.code)) throw error;
    }
    if (!isHeld(lock)) rmSync(lock, { force: true });
    else {
      if (!told) say('another program installs the packages; this one waits');
      wait(500);
    }
  }
  try {
    work();
  } finally {
    rmSync(lock, { force: true });
  }
}

/** Installs what package-lock.json names, when that is not what is installed; once, however many programs ask at once. */
export function ensurePackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) giveUp(`Node.js 20 or newer is needed, this is ${process.versions.node}.`);
  const mark = join(ROOT, 'node_modules', '.jolly-installed');
  const isInstalled = () => existsSync(mark) && readFileSync(mark, 'utf8') === packagesWanted();
  if (isInstalled()) return;
  alone(() => {
    if (isInstalled()) return;
    say('installing packages (some minutes the first time; the database driver is compiled)');
    if (!run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']))
      giveUp(
        'The packages could not be installed. See the lines above; python3, make and g++ must be there for the database driver.',
      );
    writeFileSync(mark, packagesWanted());
  });
}

function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

function sourceHash() {
  const hash = createHash('sha256');
  for (const file of BUILT_FROM.flatMap((entry) => filesUnder(join(ROOT, entry))).filter(
    (name) => !name.includes('.test.') && !name.includes('/compiled/'),
  )) {
    hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** Sources of what is made into core/compiled/: any of core may be imported by a schema, or judge. */
const isSource = (path) =>
  /\.ts$/.test(path) && !path.includes('.test.') && !path.includes('/testing/') && !path.includes('/compiled/');

/** Compiles the JSON Schemas into core/compiled/, and names what judges, when one of their sources is newer. */
export function ensureValidators() {
  const made = modified(join(ROOT, 'core', 'compiled', 'judged-by.js'));
  const sources = [
    ...filesUnder(join(ROOT, 'core')).filter(isSource),
    join(ROOT, 'scripts', 'compile-schemas.ts'),
    join(ROOT, 'scripts', 'judged-by.ts'),
  ];
  if (made >= Math.max(...sources.map(modified))) return;
  say('compiling the schemas');
  if (!run(tool('tsx'), ['scripts/compile-schemas.ts'], { quiet: true }))
    giveUp('The schemas could not be compiled. See the lines above.');
}

/** Puts scripts/ahead.js before the page's own script: a file, since the content policy lets no script stand in the page. */
function putAhead() {
  const dist = join(ROOT, 'dist');
  const scripts = join('_expo', 'static', 'js', 'web');
  const worker = readdirSync(join(dist, scripts)).find((name) => name.startsWith('diagnosis-'));
  const page = join(dist, 'index.html');
  const html = readFileSync(page, 'utf8');
  if (worker === undefined || !html.includes('<script')) giveUp('The built page has no worker or no script in it.');
  const ahead = readFileSync(join(ROOT, 'scripts', 'ahead.js'), 'utf8');
  writeFileSync(join(dist, 'ahead.js'), ahead.replace("'WORKER'", JSON.stringify(`/${scripts}/${worker}`)));
  writeFileSync(page, html.replace('<script', '<script src="/ahead.js"></script><script'));
}

/** Puts packed copies beside what a browser fetches as text or fonts; the server sends those to whoever takes them. */
function packSite() {
  const dist = join(ROOT, 'dist');
  for (const name of readdirSync(dist, { recursive: true })) {
    if (!/\.(js|css|ttf)$/.test(name)) continue;
    const content = readFileSync(join(dist, name));
    writeFileSync(join(dist, `${name}.br`), brotliCompressSync(content));
    writeFileSync(join(dist, `${name}.gz`), gzipSync(content, { level: 9 }));
  }
}

/** Builds the app into dist/ when its sources changed since the last build. */
export function ensureBuild() {
  ensureValidators();
  const mark = join(CACHE, 'built-from');
  const hash = sourceHash();
  if (existsSync(join(ROOT, 'dist', 'index.html')) && existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  say('building the app (about a minute the first time)');
  const env = { CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', NODE_ENV: 'production' };
  if (!run(tool('expo'), ['export', '--platform', 'web', '--output-dir', 'dist'], { quiet: true, env }))
    giveUp('The app could not be built. See the lines above.');
  putAhead();
  if (!run('node', ['scripts/service-worker.mjs'], { quiet: true }))
    giveUp('The part that opens the page without the server could not be built. See the lines above.');
  packSite();
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(mark, hash);
}

/** Debian's Chromium without its windows, and with them: the first does the same on half the processor. */
const CHROMIUMS = ['chromium-headless-shell', 'chromium'].map((name) => ({ name, path: `/usr/bin/${name}` }));

/** Path of Debian's headless Chromium, installed when it is missing and may be. */
export function ensureChromium() {
  const given = process.env.CHROMIUM;
  if (given !== undefined && existsSync(given)) return given;
  const [shell] = CHROMIUMS;
  if (existsSync(shell.path)) return shell.path;
  say('installing headless Chromium from the system packages');
  const prefix = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [command, ...rest] = [...prefix, 'apt-get', ...args];
    return run(command, rest, { quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } });
  };
  const installed = apt('update') && apt('install', '-y', '--no-install-recommends', shell.name);
  const found = CHROMIUMS.find(({ path }) => existsSync(path));
  if (found === undefined)
    giveUp(`Chromium is missing. Install it with "apt-get install ${shell.name}", or set CHROMIUM to its path.`);
  if (!installed) say(`${shell.name} could not be installed; ${found.name} does the same, slower`);
  return found.path;
}
