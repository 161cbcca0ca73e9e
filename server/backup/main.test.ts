import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { runProgram } from '../system/program';
import { openWorkshop, type Workshop } from '../testing/workshop';
import { itOnSqlite } from '../testing/engine';

const ROOT = resolve(__dirname, '..', '..');
let shop: Workshop;
beforeEach(async () => {
  shop = await openWorkshop();
});
afterEach(() => shop.stop());

describe('backup and restore', () => {
  itOnSqlite(
    'are commands of their own, which end with a sentence',
    async () => {
      const to = join(shop.folder, 'by-command.sqlite');
      const { path, execArgv } = runProgram('backup/main');
      const run = (...args: string[]) =>
        spawnSync(process.execPath, [...execArgv, path, ...args], {
          cwd: ROOT,
          encoding: 'utf8',
          env: { ...process.env, DATA_DIR: shop.folder },
        });
      expect(run('backup', to).stdout).toMatch(
        /^Backed up to \S+, and checked: 3 rigs, \d+ coupons, \d+ beads\.\nPictures in \S+: 7 copied, 0 there already\.\n$/,
      );
      expect(run('restore', to)).toEqual(
        expect.objectContaining({ status: 1, stderr: expect.stringContaining('in use') }),
      );
      expect(run('backup')).toEqual(
        expect.objectContaining({ status: 1, stderr: expect.stringContaining('Say which file') }),
      );
      shop.close();
      expect(run('restore', to).stdout).toMatch(
        /Restored and checked: 3 rigs.*\nPictures in .*\nWhat was there before is kept as/,
      );
    },
    30_000,
  );
});
