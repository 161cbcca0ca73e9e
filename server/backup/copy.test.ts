import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { CouponPage } from '../../core/record/schema';
import { pageOfCoupons } from '../db/coupons';
import { openStore } from '../db/open';
import { StartError } from '../start-error';
import { couponOn, openWorkshop, type Workshop } from '../testing/workshop';
import { backUp, restore } from './copy';

const ROOT = resolve(__dirname, '..', '..');
let shop: Workshop;
beforeEach(async () => {
  shop = await openWorkshop();
});
afterEach(() => shop.stop());

const titles = (file: string): string[] => {
  const { store, close } = openStore(file);
  const { coupons } = pageOfCoupons(store, { limit: 100 }, () => undefined);
  close();
  return coupons.map(({ title }) => title);
};

describe('a backup', () => {
  it('of a running server is whole, and says what it holds', async () => {
    const { coupons } = (await shop.send('GET', '/coupons')).json as CouponPage;
    const to = join(shop.folder, 'safe', 'copy.sqlite');
    const [contents] = await Promise.all([
      backUp(shop.file, to),
      shop.send('PUT', `/coupons/${coupons[0].id}`, couponOn(coupons[0].rigId, { id: coupons[0].id })),
    ]);
    expect(contents).toEqual({ rigs: 3, coupons: coupons.length, beads: expect.any(Number) });
    expect(titles(to)).toHaveLength(coupons.length);
    expect(readdirSync(join(shop.folder, 'safe')).filter((name) => name.includes('unfinished'))).toEqual([]);
  });

  it('is put back with what it replaces kept, once the server is stopped', async () => {
    const copy = join(shop.folder, 'copy.sqlite');
    await backUp(shop.file, copy);
    const [rig] = (await shop.send('GET', '/rigs')).json as { id: string }[];
    const later = couponOn(rig.id, { title: 'After the backup' });
    await shop.send('PUT', `/coupons/${later.id}`, later);
    expect(() => restore(copy, shop.file, 'now')).toThrow(/in use\. Stop the server first/);
    shop.close();
    const { contents, kept } = restore(copy, shop.file, 'now');
    expect(contents.rigs).toBe(3);
    expect(titles(shop.file)).not.toContain('After the backup');
    expect(titles(kept!)).toContain('After the backup');
  });

  it('that is damaged, missing or no database is never put in place', () => {
    const before = readFileSync(shop.file);
    const text = join(shop.folder, 'text.sqlite');
    writeFileSync(text, 'a text that is long enough to be taken for a database, but is none at all');
    for (const from of [text, join(shop.folder, 'nothing.sqlite')])
      expect(() => restore(from, shop.file, 'now')).toThrow(StartError);
    expect(readFileSync(shop.file)).toEqual(before);
    expect(existsSync(`${shop.file}.before-now`)).toBe(false);
  });

  it('has its commands', async () => {
    const to = join(shop.folder, 'by-command.sqlite');
    const run = (...args: string[]) =>
      spawnSync(join(ROOT, 'node_modules', '.bin', 'tsx'), ['server/backup/command.ts', ...args], {
        cwd: ROOT,
        encoding: 'utf8',
        env: { ...process.env, DATA_DIR: shop.folder },
      });
    expect(run('backup', to).stdout).toMatch(/^Backed up to \S+, and checked: 3 rigs, \d+ coupons, \d+ beads\.\n$/);
    expect(run('restore', to)).toEqual(
      expect.objectContaining({ status: 1, stderr: expect.stringContaining('in use') }),
    );
    expect(run('backup')).toEqual(
      expect.objectContaining({ status: 1, stderr: expect.stringContaining('Say which file') }),
    );
    shop.close();
    expect(run('restore', to).stdout).toMatch(/Restored and checked: 3 rigs.*\nWhat was there before is kept as/);
  }, 30_000);
});
