import { resolve } from 'node:path';
import { databaseFile } from '../environment';
import { StartError } from '../start-error';
import { backUp, restore, type Contents } from './copy';

const words = ({ rigs, coupons, beads }: Contents): string => `${rigs} rigs, ${coupons} coupons, ${beads} beads`;

/** `npm run backup -- FILE` and `npm run restore -- FILE`. */
async function main(): Promise<void> {
  const [what, given] = process.argv.slice(2);
  if (given === undefined) throw new StartError(`Say which file: npm run ${what} -- FILE`);
  const file = resolve(given);
  if (what === 'backup') {
    console.log(`Backed up to ${file}, and checked: ${words(await backUp(databaseFile(), file))}.`);
    return;
  }
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const { contents, kept } = restore(file, databaseFile(), stamp);
  console.log(`Restored and checked: ${words(contents)}.`);
  if (kept !== null) console.log(`What was there before is kept as ${kept}.`);
}

main().catch((error: unknown) => {
  console.error(error instanceof StartError ? error.message : error);
  process.exitCode = 1;
});
