import { spawn } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A copy of the project of which only the packages matter, and an `npm` that writes down when it begins and ends. */
let copy: string;
const log = (): string[] =>
  existsSync(join(copy, 'log')) ? readFileSync(join(copy, 'log'), 'utf8').trim().split('\n') : [];
beforeEach(() => {
  copy = mkdtempSync(join(tmpdir(), 'jolly-packages-'));
  mkdirSync(join(copy, 'scripts'));
  mkdirSync(join(copy, 'bin'));
  copyFileSync(join(__dirname, 'prepare.mjs'), join(copy, 'scripts', 'prepare.mjs'));
  writeFileSync(join(copy, 'package-lock.json'), '{"packages":{}}');
  const npm =
    '#!/bin/sh\necho begins >> log\nsleep 0.5\nmkdir -p node_modules\necho ends >> log\nexit ${NPM_FAILS:-0}\n';
  writeFileSync(join(copy, 'bin', 'npm'), npm, { mode: 0o755 });
});
afterEach(() => rmSync(copy, { recursive: true, force: true }));

const install = (env: Record<string, string> = {}): Promise<number | null> =>
  new Promise((done) => {
    const script = "import('./scripts/prepare.mjs').then((prepare) => prepare.ensurePackages())";
    const path = `${join(copy, 'bin')}:${process.env.PATH}`;
    spawn(process.execPath, ['-e', script], { cwd: copy, env: { ...process.env, ...env, PATH: path } }).on(
      'exit',
      done,
    );
  });

describe('the packages', () => {
  it('are installed once, however many programs ask at once', async () => {
    expect(await Promise.all([install(), install(), install()])).toEqual([0, 0, 0]);
    expect(log()).toEqual(['begins', 'ends']);
  });

  it('are installed anew when what is wanted is another, and not when its file is only younger', async () => {
    await install();
    const file = join(copy, 'package-lock.json');
    utimesSync(file, new Date('2100-01-01'), new Date('2100-01-01'));
    await install();
    expect(log()).toHaveLength(2);
    writeFileSync(file, '{"packages":{"a":{}}}');
    await install();
    expect(log()).toHaveLength(4);
  });

  it('are installed though a program was killed while it did, and anew after they could not be', async () => {
    mkdirSync(join(copy, '.cache'));
    // A number that no program bears.
    writeFileSync(join(copy, '.cache', 'installing'), '4194305');
    expect(await install({ NPM_FAILS: '1' })).toBe(1);
    expect(await Promise.all([install(), install()])).toEqual([0, 0]);
    expect(log()).toEqual(['begins', 'ends', 'begins', 'ends']);
  });
});
