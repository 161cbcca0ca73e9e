import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { Case } from '../core/case/schema';
import { processorTicks } from './processor';
import { serve } from './server';
import { summarise, type Timing } from './statistics';

const ROOT = join(__dirname, '..');
/** The built app. */
export const APP_SITE = join(ROOT, 'dist');
const SCRIPTS = join('_expo', 'static', 'js', 'web');

const gzipped = (file: string): number => gzipSync(readFileSync(file), { level: 9 }).length / 1000;

/** Gzipped size in kB of the scripts that a site's page names: what the first load fetches. */
export function firstLoadSize(site: string): number {
  const page = readFileSync(join(site, 'index.html'), 'utf8');
  const named = [...page.matchAll(/<script[^>]* src="\/([^"]+)"/g)].map(([, path]) => path);
  return named.reduce((sum, path) => sum + gzipped(join(site, path)), 0);
}

/** Gzipped size in kB of the built scripts whose name starts so. */
export function scriptSize(site: string, start: string): number {
  const files = readdirSync(join(site, SCRIPTS)).filter((name) => name.startsWith(start) && name.endsWith('.js'));
  return files.reduce((sum, name) => sum + gzipped(join(site, SCRIPTS, name)), 0);
}

/** The browser, held on one processor when `pinned`. */
function browserProgram(pinned: boolean): string {
  const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell';
  if (!pinned) return chromium;
  const program = join(ROOT, '.cache', 'pinned-chromium');
  writeFileSync(program, `#!/bin/sh\nexec taskset -c 0 ${chromium} "$@"\n`, { mode: 0o755 });
  return program;
}

/** A headless browser for as long as `work` takes. @param pinned whether it has one processor only */
export async function withBrowser<T>(work: (browser: Browser) => Promise<T>, pinned = false): Promise<T> {
  const browser = await chromium.launch({
    executablePath: browserProgram(pinned),
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    return await work(browser);
  } finally {
    await browser.close();
  }
}

/** Keeps the processor of a pinned browser busy with `others` programs beside it, for as long as `work` takes. */
export async function besideOthers<T>(others: number, work: () => Promise<T>): Promise<T> {
  const busy = Array.from({ length: others }, () =>
    spawn('taskset', ['-c', '0', process.execPath, '-e', 'for (;;);'], { stdio: 'ignore' }),
  );
  try {
    return await work();
  } finally {
    busy.forEach((one) => one.kill('SIGKILL'));
  }
}

/** The product's own server with the demo, for as long as `work` takes. */
export async function withApp<T>(work: (address: string) => Promise<T>): Promise<T> {
  const data = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  const { address, stop } = await serve(data);
  try {
    return await work(address);
  } finally {
    stop();
    rmSync(data, { recursive: true, force: true });
  }
}

const TYPES: Record<string, string> = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css' };

/** The bare shell on a server that is as plain as can be and packs each file once, for as long as `work` takes. */
export async function withShell<T>(site: string, work: (address: string) => Promise<T>): Promise<T> {
  const packed = new Map<string, Buffer>();
  const server: Server = createServer((request, response) => {
    const path = request.url ?? '/';
    if (path.startsWith('/api')) return void response.setHeader('content-type', 'application/json').end('{"ok":true}');
    const file = join(site, path);
    const found = extname(path) !== '' && existsSync(file) ? file : join(site, 'index.html');
    response.setHeader('content-type', TYPES[extname(found)] ?? 'application/octet-stream');
    const content = packed.get(found) ?? brotliCompressSync(readFileSync(found));
    packed.set(found, content);
    response.setHeader('content-encoding', 'br').end(content);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  try {
    return await work(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}

/** Slows the page's processor. @param rate 4 for a quarter of the speed */
export async function slowDown(page: Page, rate: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

/** Questions of one round: long enough for a shared processor to be shared fairly. */
const ROUND = 20;

/** The address of a script of the built page by the beginning of its name. */
export function scriptCalled(name: string): string {
  const script = readdirSync(join(APP_SITE, SCRIPTS)).find((file) => file.startsWith(name) && file.endsWith('.js'));
  if (script === undefined) throw new Error(`the built page has no script called ${name}`);
  return `/${SCRIPTS}/${script}`;
}

/** Does something on a page of the built site. */
export async function withPage<T>(browser: Browser, address: string, work: (page: Page) => Promise<T>): Promise<T> {
  const page = await browser.newPage();
  // The script runner marks functions with this helper, which the page does not have.
  await page.addInitScript('globalThis.__name = (work) => work');
  await page.goto(address, { waitUntil: 'load' });
  try {
    return await work(page);
  } finally {
    await page.close();
  }
}

/** Times of rounds, and how many of them the host gave this machine's processors to others in. */
export type Rounds = Timing & { count: number; given: number };

/**
 * Time of one case through a worker of the built page's own script, from rounds of {@link ROUND} asked at once. A round in which the
 * host gave this machine's processors to others says nothing of the program, and is only counted.
 * The browser's own throttle slows pages and not their workers: for a slow worker see {@link besideOthers}.
 */
export async function workerTimes(browser: Browser, address: string, input: Case, rounds: number): Promise<Rounds> {
  // A picture of the site: no page that is still being put together beside the worker.
  return withPage(browser, `${address}/icon.svg`, async (page) => {
    const worker = await page.evaluateHandle((url) => new Worker(url), scriptCalled('diagnosis'));
    const askRound = (): Promise<number> =>
      worker.evaluate(
        async (asked, { question, round }) => {
          const from = performance.now();
          await new Promise<void>((done, fail) => {
            asked.onmessage = ({ data }) => {
              if (data.problem !== undefined) fail(new Error(data.problem));
              else if (data.id === round - 1) done();
            };
            for (let id = 0; id < round; id++) asked.postMessage({ id, input: question, lesson: null });
          });
          return (performance.now() - from) / round;
        },
        { question: input, round: ROUND },
      );
    await askRound();
    const own: number[] = [];
    for (let i = 0; i < rounds; i++) {
      const before = processorTicks().given;
      const taken = await askRound();
      if (processorTicks().given === before) own.push(taken);
    }
    return { ...summarise(own), count: rounds, given: rounds - own.length };
  });
}

/** From navigation to a Log button that can be pressed, in ms by the page's own clock, on an empty cache. */
async function timeToBench(browser: Browser, address: string, rate: number): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await slowDown(page, rate);
  // A watcher in the page: asking from outside adds as much as a tenth of a second, more or less.
  await page.addInitScript(() => {
    new MutationObserver((_, watcher) => {
      const usable = Array.from(document.querySelectorAll('[role=button],button')).some(
        (button) =>
          /^Log bead \d+$/.test(button.getAttribute('aria-label') ?? button.textContent ?? '') &&
          button.getAttribute('aria-disabled') !== 'true',
      );
      if (!usable) return;
      (globalThis as { usableAt?: number }).usableAt = performance.now();
      watcher.disconnect();
    }).observe(document, { subtree: true, childList: true, attributes: true });
  });
  await page.goto(address, { waitUntil: 'commit' });
  const found = await page.waitForFunction(() => (globalThis as { usableAt?: number }).usableAt);
  const at = (await found.jsonValue()) as number;
  await context.close();
  return at;
}

/**
 * Times to a usable Bench of the shell and the app, loaded in turn so that a machine that grows slower meanwhile slows
 * both; `ratio` is the median of the ratios of neighbours.
 */
export async function timesToBench(
  browser: Browser,
  { shell, app }: { shell: string; app: string },
  rate: number,
  runs: number,
): Promise<{ shell: Timing; app: Timing; ratio: number }> {
  const times: { shell: number; app: number }[] = [];
  for (let i = 0; i < runs + 1; i++)
    times.push({ shell: await timeToBench(browser, shell, rate), app: await timeToBench(browser, app, rate) });
  // The first load of each starts the browser's own processes.
  const settled = times.slice(1);
  return {
    shell: summarise(settled.map((pair) => pair.shell)),
    app: summarise(settled.map((pair) => pair.app)),
    ratio: summarise(settled.map((pair) => pair.app / pair.shell)).median,
  };
}
