import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runLoad, type Taken } from '../server/testing/load';
import { processorTicks } from './processor';

/**
 * `npm run load [-- SECONDS DEVICES]`: a workshop's phones all at once; prints how long a change takes, what was lost, and the memory.
 * Where this machine is one of several on a host, the times are said once more without the seconds in which the host gave its processors to
 * the others: what is slow then is no matter of the program.
 */
const [seconds = 600, devices = 50] = process.argv.slice(2).map(Number);

const at = (taken: readonly Taken[], share: number): number =>
  taken.map(({ ms }) => ms).sort((a, b) => a - b)[Math.min(taken.length - 1, Math.floor(share * taken.length))] ?? 0;
const line = (taken: readonly Taken[]): string =>
  `median ${at(taken, 0.5).toFixed(1)} ms, 99 of 100 within ${at(taken, 0.99).toFixed(1)} ms`;

/** A second, and which share of the processors was given to other machines in it. */
type Second = { from: number; to: number; given: number };
/** From this share on a second is not this machine's own. */
const MUCH = 0.02;

/** Watches the seconds until it is ended. @returns the seconds */
function watch(): () => Second[] {
  const watched: Second[] = [];
  let [from, before] = [performance.now(), processorTicks()];
  const look = (): void => {
    const [to, now] = [performance.now(), processorTicks()];
    watched.push({ from, to, given: (now.given - before.given) / Math.max(1, now.all - before.all) });
    [from, before] = [to, now];
  };
  const timer = setInterval(look, 1000);
  return () => {
    clearInterval(timer);
    look();
    return watched;
  };
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-load-'));
  try {
    console.log(`${devices} devices for ${seconds} s over HTTPS, a change or two each second and device …`);
    const end = watch();
    const toll = await runLoad(folder, { devices, seconds, least: 0, restMs: 2000 });
    const away = end().filter(({ given }) => given > MUCH);
    const { idle, loaded, memoryMb, changes, asked, refused, missing, doubled, judgedWrong, unheard } = toll;
    console.log(`changes ${changes}, cases asked ${asked}, refused ${refused}`);
    console.log(
      `lost ${missing}, doubled ${doubled}, judged wrong ${judgedWrong}, devices that did not hear ${unheard}`,
    );
    if (missing + doubled + judgedWrong + unheard > 0) process.exitCode = 1;
    const own = (taken: readonly Taken[]): Taken[] =>
      taken.filter(({ ms, until }) => !away.some(({ from, to }) => from < until && to > until - ms));
    const told = (one: readonly Taken[], all: readonly Taken[]): void => {
      console.log(`  a change, one device alone: ${line(one)}`);
      console.log(`  a change, all at once: ${line(all)}`);
      console.log(`  99 of 100: ${(at(all, 0.99) / at(one, 0.99)).toFixed(1)} times that of one alone`);
    };
    console.log('All of it:');
    told(idle, loaded);
    if (away.length > 0) {
      console.log(`Without ${away.length} seconds in which the host gave the processors to other machines:`);
      told(own(idle), own(loaded));
    }
    const thirds = [0, 1, 2].map((i) => memoryMb.slice((i * memoryMb.length) / 3, ((i + 1) * memoryMb.length) / 3));
    console.log(`memory of the server by thirds, MB at most: ${thirds.map((third) => Math.max(...third)).join(', ')}`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

void main();
