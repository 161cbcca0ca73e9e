import { parseArgs } from 'node:util';
import { StartError } from '../errors/start-error';
import { backupCommand, clearCommand, copiesCommand, restoreCommand } from './command';

/** `npm run backup -- FILE`, `npm run restore [-- FILE | --at MOMENT | --from PLACE]`, `npm run copies` and `npm run clear`. */
async function main([what, ...given]: string[]): Promise<string[]> {
  const { values, positionals } = (() => {
    try {
      return parseArgs({
        args: given,
        options: { from: { type: 'string' }, at: { type: 'string' } },
        allowPositionals: true,
      });
    } catch (error) {
      throw new StartError((error as Error).message);
    }
  })();
  if (positionals.length > 1)
    throw new StartError(`One file is taken, not ${positionals.length}. A moment is put in quotes: --at "…"`);
  if (what === 'restore') return restoreCommand(positionals[0], values);
  if (what === 'clear') return clearCommand();
  return what === 'copies' ? copiesCommand() : backupCommand(positionals[0]);
}

main(process.argv.slice(2)).then(
  (done) => console.log(done.join('\n')),
  (error: unknown) => {
    console.error(error instanceof StartError ? error.message : error);
    process.exitCode = 1;
  },
);
