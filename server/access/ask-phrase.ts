import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';
import { PASS_PHRASE } from '../../core/access/pass-phrase';
import type { Store } from '../db/engine/store';
import { StartError } from '../errors/start-error';
import { hasPassPhrase, isPassPhrase, phraseProblem, setPassPhrase } from './pass-phrase';

/** Asks in the terminal without showing what is typed. */
async function askHidden(question: string): Promise<string> {
  process.stdout.write(question);
  const nowhere = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: nowhere, terminal: true });
  try {
    return await new Promise<string>((done, fail) => {
      lines.question('', done);
      lines.once('SIGINT', () => fail(new StartError('No pass phrase was set.')));
      lines.once('close', () => fail(new StartError('No pass phrase was set.')));
    });
  } finally {
    lines.removeAllListeners('close');
    lines.close();
    process.stdout.write('\n');
  }
}

/** Asks twice, until both are the same and long enough. */
async function askNewPhrase(): Promise<string> {
  for (;;) {
    const phrase = await askHidden(`Pass phrase of this workshop (${PASS_PHRASE.least} letters or more): `);
    const problem = phraseProblem(phrase);
    if (problem !== null) console.log(problem);
    else if ((await askHidden('Once more: ')) === phrase) return phrase;
    else console.log('The two are not the same.');
  }
}

type Asked = {
  /** From PASS_PHRASE or the file that PASS_PHRASE_FILE names. */
  given: string | null;
  /** Whether another is wanted though one was set. */
  another: boolean;
  isTerminal: boolean;
};

/**
 * Sees to it that there is a pass phrase: the one that is given, the one of before, or one that is asked for.
 * @throws StartError where there is none, and nobody to ask: without one the network is not let in
 */
export async function ensurePassPhrase(
  store: Store,
  { given, another, isTerminal }: Asked,
  now: Date,
  ask: () => Promise<string> = askNewPhrase,
): Promise<void> {
  if (given !== null) {
    const problem = phraseProblem(given);
    if (problem !== null) throw new StartError(`PASS_PHRASE and PASS_PHRASE_FILE: ${problem}`);
    if (!(await isPassPhrase(store, given))) await setPassPhrase(store, given, now);
    return;
  }
  if (hasPassPhrase(store) && !another) return;
  if (!isTerminal)
    throw new StartError(
      'Without a pass phrase the network is not let in: everyone in reach could read and write the record. ' +
        'Start it once in a terminal, or give one by PASS_PHRASE_FILE or PASS_PHRASE.',
    );
  await setPassPhrase(store, await ask(), now);
}
