import type { Browser } from '@playwright/test';
import { EXAMPLE_CASE } from '../core/cases/example';
import { scriptCalled, withPage } from './page';
import { summarise, type Timing } from './statistics';

/** Volts off balance, low to high: stubbing takes the longest to voice, spray the shortest. */
const VOLTS = [15, 17, 19.5, 21.5, 24];
/** Seconds of arc of each. */
const SECONDS = 2.5;

/** Returns what the worker of the built page takes for a second of arc with its sound, ms, over settings from stubbing to hiss. */
export async function soundTimes(browser: Browser, address: string): Promise<{ whole: Timing; first: Timing }> {
  return withPage(browser, address, async (page) => {
    const measured = await page.evaluate(
      async ({ url, input, volts, seconds }) => {
        const once = (voltageV: number): Promise<{ first: number; whole: number }> =>
          new Promise((done) => {
            const worker = new Worker(url);
            const from = performance.now();
            let first = 0;
            worker.onmessage = ({ data }) => {
              if (data.kind === 'piece') first ||= performance.now() - from;
              else {
                worker.terminate();
                done({ first, whole: (performance.now() - from) / seconds });
              }
            };
            worker.postMessage({ input, settings: { voltageV, wireSpeedMPerMin: 7 }, seed: 1, seconds });
          });
        const all: { first: number; whole: number }[] = [];
        for (let round = 0; round < 3; round++) for (const voltageV of volts) all.push(await once(voltageV));
        return all;
      },
      { url: scriptCalled('sound'), input: EXAMPLE_CASE, volts: VOLTS, seconds: SECONDS },
    );
    return {
      whole: summarise(measured.map(({ whole }) => whole)),
      first: summarise(measured.map(({ first }) => first)),
    };
  });
}
