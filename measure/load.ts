import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runLoad } from '../server/testing/load';

/** `npm run load [-- SECONDS DEVICES]`: a workshop's phones all at once; prints how long a change takes, what was lost, and the memory. */
const [seconds = 600, devices = 50] = process.argv.slice(2).map(Number);

const at = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(share * times.length))] ?? 0;
const line = (times: readonly number[]): string =>
  `median ${at(times, 0.5).toFixed(1)} ms, 99 of 100 within ${at(times, 0.99).toFixed(1)} ms`;

/** Processor time so far, in ticks: all of it, and what the host of this machine gave to other machines; 0 where that is not said. */
function processorTicks(): { all: number; taken: number } {
  try {
    const ticks = readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1, 9).map(Number);
    return { all: ticks.reduce((sum, one) => sum + one, 0), taken: ticks[7] };
  } catch {
    return { all: 0, taken: 0 };
  }
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-load-'));
  try {
    console.log(`${devices} devices for ${seconds} s over HTTPS, a change or two each second and device …`);
    const before = processorTicks();
    const toll = await runLoad(folder, { devices, seconds, least: 0, restMs: 2000 });
    const after = processorTicks();
    const { idle, loaded, memoryMb, changes, asked, refused, missing, doubled, judgedWrong, unheard } = toll;
    console.log(`changes ${changes}, cases asked ${asked}, refused ${refused}`);
    console.log(
      `lost ${missing}, doubled ${doubled}, judged wrong ${judgedWrong}, devices that did not hear ${unheard}`,
    );
    console.log(`a change, one device alone: ${line(idle)}`);
    console.log(`a change, all at once: ${line(loaded)}`);
    console.log(`99 of 100: ${(at(loaded, 0.99) / at(idle, 0.99)).toFixed(1)} times that of one alone`);
    const taken = (100 * (after.taken - before.taken)) / Math.max(1, after.all - before.all);
    console.log(`processor time given to other machines meanwhile: ${taken.toFixed(1)} %`);
    const thirds = [0, 1, 2].map((i) => memoryMb.slice((i * memoryMb.length) / 3, ((i + 1) * memoryMb.length) / 3));
    console.log(`memory of the server by thirds, MB at most: ${thirds.map((third) => Math.max(...third)).join(', ')}`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

void main();
