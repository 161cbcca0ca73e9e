import { StartError } from '../start-error';
import { copyCommand } from './command';

/** `npm run backup -- FILE` and `npm run restore -- FILE`. */
const [what, file] = process.argv.slice(2);
copyCommand(what, file).then(
  (done) => console.log(done.join('\n')),
  (error: unknown) => {
    console.error(error instanceof StartError ? error.message : error);
    process.exitCode = 1;
  },
);
