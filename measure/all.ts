import { answer } from '../core/answer';
import { EXAMPLE_CASE } from '../core/cases/example';
import { FULL_CASE } from './cases';
import { printGrowth } from './growth';
import {
  APP_SITE,
  besideOthers,
  firstLoadSize,
  scriptSize,
  timesToBench,
  withApp,
  withBrowser,
  withShell,
  workerTimes,
  type Rounds,
} from './page';
import { measureLog } from './log';
import { measureScroll } from './scroll';
import { measureHealth, measureRecords } from './records';
import { compareSearch } from './search';
import { buildShell } from './shell';
import { soundTimes } from './sound';
import { ms, time, yardstick, type Timing } from './statistics';

const SLOW = 4;
const PAGE_LOADS = 15;
/** Rounds of full updates: enough that the 95th of a hundred is none of the last. */
const ROUNDS = 100;
const parts = process.argv.slice(2);
const wanted = (part: string): boolean => parts.length === 0 || parts.includes(part);
const times = (a: Timing, b: Timing): string => `${(a.median / b.median).toFixed(2)} times`;
const plain = ({ median, p95 }: Timing): string => `median ${median.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms`;

/** Which of the rounds the times are of. */
const own = ({ count, given }: Rounds): string =>
  given === 0 ? '' : `(without ${given} of ${count} rounds in which the host gave the processors to others)`;

/** The sums on this machine, as multiples of a yardstick of the same run. */
function diagnosis(): Timing {
  const unit = time(300, yardstick);
  console.log(`yardstick: median ${unit.median.toFixed(2)} ms`);
  const example = time(400, () => answer(EXAMPLE_CASE));
  console.log(`diagnosis with correction, worked example, Node: ${ms(example, unit)}`);
  console.log(
    `full update, 12 findings and all settings, Node: ${ms(
      time(300, () => answer(FULL_CASE)),
      unit,
    )}`,
  );
  printGrowth(unit);
  return unit;
}

/** First load and time to a usable bench, beside the bare shell built in the same run. */
async function page(): Promise<void> {
  console.log('building the bare shell …');
  const shell = buildShell();
  const [first, bare] = [firstLoadSize(APP_SITE), firstLoadSize(shell)];
  console.log(
    `first load: ${first.toFixed(0)} kB gzipped, ${(first / bare).toFixed(2)} times the bare shell's ${bare.toFixed(0)} kB`,
  );
  console.log(`fetched beside it: worker ${scriptSize(APP_SITE, 'diagnosis').toFixed(0)} kB`);
  await withBrowser(async (browser) => {
    for (const rate of [1, SLOW]) {
      const timed = await withShell(shell, (bare) =>
        withApp((app) => timesToBench(browser, { shell: bare, app }, rate, PAGE_LOADS)),
      );
      console.log(
        `usable bench${rate === 1 ? '' : `, slowed ${rate} times`}: ${plain(timed.app)}; ${timed.ratio.toFixed(2)} times the bare shell's ${timed.shell.median.toFixed(0)} ms`,
      );
    }
  });
  await withBrowser(
    (browser) =>
      withApp(async (address) => {
        const full = await workerTimes(browser, address, FULL_CASE, ROUNDS);
        console.log(`full update through the worker: ${plain(full)} ${own(full)}`);
        const slowed = await besideOthers(SLOW - 1, () => workerTimes(browser, address, FULL_CASE, ROUNDS));
        console.log(`the same at a quarter of the processor: ${plain(slowed)}, ${times(slowed, full)} ${own(slowed)}`);
      }),
    true,
  );
}

/** A second of arc with its sound through the page's worker, beside the second that it is heard. */
async function sound(): Promise<void> {
  await withBrowser(
    (browser) =>
      withApp(async (address) => {
        const full = await soundTimes(browser, address);
        const slowed = await besideOthers(SLOW - 1, () => soundTimes(browser, address));
        for (const [at, { whole, first }] of [
          ['', full],
          [' at a quarter of the processor', slowed],
        ] as const)
          console.log(
            `a second of arc by the worker${at}: ${plain(whole)}, ${(1000 / whole.p95).toFixed(1)} times as fast as it is heard; its first piece after ${plain(first)}`,
          );
      }),
    true,
  );
}

/** Listing, opening and logging as the record grows, and a health check beside busy clients. */
async function records(): Promise<void> {
  const measured = [];
  for (const beads of [1000, 10_000, 100_000]) measured.push(await measureRecords(beads));
  const [small] = measured;
  for (const { beads, page: list, bare, made, open, log, pageKb, grewMb } of measured) {
    console.log(`${beads} beads:`);
    console.log(
      `    a page of the log, made: ${plain(made)}, ${times(made, bare)} the bare query plus JSON; over HTTP: ${plain(list)}, ${pageKb.toFixed(0)} kB`,
    );
    console.log(`    open a coupon: ${plain(open)}, ${times(open, small.open)} that at ${small.beads}`);
    console.log(`    log a bead: ${plain(log)}, ${times(log, small.log)} that at ${small.beads}`);
    console.log(`    memory grew by ${grewMb.toFixed(0)} MB over some 500 requests`);
  }
  const { idle, busy, answered } = await measureHealth(8, JSON.stringify(FULL_CASE));
  console.log(
    `health check: at rest ${plain(idle)}; beside 8 busy clients ${plain(busy)}, ${times(busy, idle)} (${answered} cases answered meanwhile)`,
  );
}

/** `npm run bench [-- diagnosis search records log scroll page sound]`: speed and size from one run, as figures and as ratios within it. */
async function main(): Promise<void> {
  if (wanted('diagnosis')) diagnosis();
  if (wanted('search')) compareSearch(500);
  if (wanted('records')) await records();
  if (wanted('log')) for (const beads of [1_000, 10_000, 100_000]) await measureLog(beads);
  if (wanted('scroll')) for (const beads of [1_000, 10_000, 100_000]) await measureScroll(beads);
  if (wanted('page')) await page();
  if (wanted('sound')) await sound();
}

void main();
