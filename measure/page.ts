import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Case } from '../core/case/schema';
import { summarise, type Timing } from './statistics';

const ROOT = join(__dirname, '..');
const SCRIPTS = join(ROOT, 'dist', '_expo', 'static', 'js', 'web');
const PORT = 4398;
const ADDRESS = `http://127.0.0.1:${PORT}`;

/** Gzipped size in kB of the built scripts whose name starts so. */
export function scriptSize(start: string): number {
  const files = readdirSync(SCRIPTS).filter((name) => name.startsWith(start));
  return files.reduce((sum, name) => sum + gzipSync(readFileSync(join(SCRIPTS, name)), { level: 9 }).length, 0) / 1000;
}

/** The built app on a server of its own, in headless Chromium, for as long as `work` takes. */
export async function withPage<T>(work: (page: Page, browser: Browser) => Promise<T>): Promise<T> {
  const data = mkdtempSync(join(tmpdir(), 'jolly-bench-'));
  const server: ChildProcess = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(PORT), DATA_DIR: data },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((ready) => server.stdout?.once('data', () => ready()));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
    return await work(page, browser);
  } finally {
    await browser.close();
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}

/** Slows the page's processor. @param rate 4 for a quarter of the speed */
export async function slowDown(page: Page, rate: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

/** Round trips of one case through the page's own worker. */
export async function workerTimes(page: Page, input: Case, runs: number): Promise<Timing> {
  // The script runner marks functions with this helper, which the page does not have.
  await page.addInitScript('globalThis.__name = (work) => work');
  await page.goto(ADDRESS, { waitUntil: 'networkidle' });
  const script = readdirSync(SCRIPTS).find((name) => name.startsWith('diagnosis'));
  const times = await page.evaluate(
    async ({ url, question, count }) => {
      const worker = new Worker(url);
      const ask = (id: number): Promise<void> =>
        new Promise((done) => {
          worker.onmessage = () => done();
          worker.postMessage({ id, input: question });
        });
      for (let i = 0; i < 20; i++) await ask(i);
      const measured: number[] = [];
      for (let i = 0; i < count; i++) {
        const from = performance.now();
        await ask(i);
        measured.push(performance.now() - from);
      }
      return measured;
    },
    { url: `/_expo/static/js/web/${script}`, question: input, count: runs },
  );
  return summarise(times);
}

/** From navigation to a bench that has its verdict and takes a bead, in ms, on an empty cache each time. */
export async function timeToBench(browser: Browser, rate: number, runs: number): Promise<Timing> {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await slowDown(page, rate);
    const from = performance.now();
    await page.goto(ADDRESS, { waitUntil: 'commit' });
    await page.getByRole('button', { name: /^Log bead \d+$/, disabled: false }).waitFor();
    times.push(performance.now() - from);
    await context.close();
  }
  return summarise(times);
}
