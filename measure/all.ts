import { answer } from '../core/answer';
import { EXAMPLE_CASE } from '../core/cases/example';
import { FULL_CASE } from './cases';
import { printGrowth } from './growth';
import { scriptSize, slowDown, timeToBench, withPage, workerTimes } from './page';
import { ms, time, yardstick } from './statistics';

/** Bare shell of the same stack, gzipped, kB. */
const BARE_SHELL_KB = 313;
const SLOW = 4;

/** `npm run bench`: speed and size from one run, as figures and as multiples of a yardstick of the same run. */
async function main(): Promise<void> {
  const unit = time(300, yardstick);
  console.log(`yardstick: median ${unit.median.toFixed(2)} ms`);
  console.log(
    `diagnosis with correction, worked example, Node: ${ms(
      time(400, () => answer(EXAMPLE_CASE)),
      unit,
    )}`,
  );
  console.log(
    `full update, 12 findings and all settings, Node: ${ms(
      time(300, () => answer(FULL_CASE)),
      unit,
    )}`,
  );
  printGrowth(unit);
  await withPage(async (page, browser) => {
    console.log(`the same through the page's worker: ${ms(await workerTimes(page, EXAMPLE_CASE, 200), unit)}`);
    console.log(`full update through the worker: ${ms(await workerTimes(page, FULL_CASE, 200), unit)}`);
    await slowDown(page, SLOW);
    console.log(
      `full update through the worker, page slowed ${SLOW} times: ${ms(await workerTimes(page, FULL_CASE, 200), unit)}`,
    );
    console.log(`the same with the page slowed ${SLOW} times: ${ms(await workerTimes(page, EXAMPLE_CASE, 100), unit)}`);
    console.log(`navigation to a usable bench: ${ms(await timeToBench(browser, 1, 5), unit)}`);
    console.log(`navigation to a usable bench, slowed ${SLOW} times: ${ms(await timeToBench(browser, SLOW, 5), unit)}`);
  });
  const entry = scriptSize('entry');
  const worker = scriptSize('diagnosis');
  const ratio = (size: number): string =>
    `${size.toFixed(0)} kB gzipped, ${(size / BARE_SHELL_KB).toFixed(2)} times the bare shell's ${BARE_SHELL_KB} kB`;
  console.log(`initial JavaScript: ${ratio(entry)}; with the worker: ${ratio(entry + worker)}`);
}

void main();
