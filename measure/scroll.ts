import { chromium, type Page } from '@playwright/test';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore } from '../server/db/open';
import { markBegun } from '../server/db/begin';
import takeFileIn from '../server/files/import-record.worker';
import { recordOf } from './log';
import { slowDown } from './page';
import { serve } from './server';

/** As a thumb does it: so many points every so many ms, for so long. */
const [PUSH, EVERY_MS, FOR_MS] = [240, 60, 20_000];
/** From such a time on a frame is seen to be missing, ms. */
const SEEN = 50;

type Frames = { frames: number; late: number; worst: number; rows: number };

/** Scrolls a list and looks at every frame of it. */
async function scrolled(page: Page): Promise<Frames> {
  await page.evaluate(() => {
    const seen = { last: performance.now(), gaps: [] as number[] };
    Object.assign(globalThis, { seenFrames: seen });
    const next = (now: number): void => {
      seen.gaps.push(now - seen.last);
      seen.last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  const { width, height } = page.viewportSize()!;
  await page.mouse.move(width / 2, height / 2);
  for (const until = Date.now() + FOR_MS; Date.now() < until;) {
    await page.mouse.wheel(0, PUSH);
    await page.waitForTimeout(EVERY_MS);
  }
  return page.evaluate((late) => {
    const { gaps } = (globalThis as unknown as { seenFrames: { gaps: number[] } }).seenFrames;
    const deep = Math.max(...Array.from(document.querySelectorAll('div'), ({ scrollTop }) => scrollTop));
    return {
      frames: gaps.length,
      late: gaps.filter((gap) => gap > late).length,
      worst: Math.max(...gaps),
      rows: Math.round(deep / 75),
    };
  }, SEEN);
}

/** Prints how the days scroll on a phone of a quarter of this machine's speed, with so many beads in the record. */
export async function measureScroll(beads: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-measure-'));
  try {
    const file = join(folder, 'record.json');
    writeFileSync(file, JSON.stringify(recordOf(beads)));
    const database = join(folder, 'jolly-tinker.sqlite');
    const { store, close } = openStore(database);
    markBegun(store);
    close();
    const taken = await takeFileIn({ file, database, preview: false });
    if (taken?.done !== true) throw new Error(`not taken in: ${taken?.reasons[0]}`);
    const { address, stop } = await serve(folder);
    const browser = await chromium.launch({
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    });
    try {
      for (const rate of [1, 4]) {
        const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
        const page = await context.newPage();
        // The script runner marks functions with this helper, which the page does not have.
        await page.addInitScript('globalThis.__name = (work) => work');
        await page.goto(`${address}/log/days`);
        await page
          .getByRole('link', { name: /^Bead / })
          .first()
          .waitFor();
        // What is fetched for later when the page opens is another matter.
        await page.waitForTimeout(4000);
        await slowDown(page, rate);
        const { frames, late, worst, rows } = await scrolled(page);
        console.log(
          `  ${beads} beads, days scrolled over ${rows} lines${rate === 1 ? '' : `, slowed ${rate} times`}: ${frames} frames, ${late} over ${SEEN} ms, the longest ${Math.round(worst)} ms`,
        );
        await context.close();
      }
    } finally {
      await browser.close();
      stop();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
