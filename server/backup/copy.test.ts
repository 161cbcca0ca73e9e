import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { connect } from '../db/engine/connection';
import type { CouponPage } from '../../core/record/shapes/record-schema';
import { pageOfCoupons } from '../db/records/coupons';
import { isNew } from '../db/begin';
import { openStore } from '../db/open';
import { StartError } from '../errors/start-error';
import { couponOn, openWorkshop, type Workshop } from '../testing/workshop';
import { backupCommand, clearCommand, restoreCommand } from './command';
import { backUp, restore } from './copy';
import { itOnSqlite } from '../testing/engine';

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
      shop.change('change-coupon', coupons[0].id, { title: 'Named meanwhile' }),
    ]);
    expect(contents).toEqual({ rigs: 3, coupons: coupons.length, beads: expect.any(Number) });
    expect(titles(to)).toHaveLength(coupons.length);
    expect(readdirSync(join(shop.folder, 'safe')).filter((name) => name.includes('unfinished'))).toEqual([]);
  });

  itOnSqlite('is put back with what it replaces kept, once the server is stopped', async () => {
    const copy = join(shop.folder, 'copy.sqlite');
    await backUp(shop.file, copy);
    const [rig] = (await shop.send('GET', '/rigs')).json as { id: string }[];
    const later = couponOn(rig.id, { title: 'After the backup' });
    await shop.begin(later);
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
    for (const from of [text, join(shop.folder, 'nothing.sqlite'), shop.folder])
      expect(() => restore(from, shop.file, 'now')).toThrow(StartError);
    for (const from of [text, shop.folder])
      expect(() => restore(from, shop.file, 'now')).toThrow(/^\S+ is no database of this product \(\S.+\)\.$/);
    expect(readFileSync(shop.file)).toEqual(before);
    expect(existsSync(`${shop.file}.before-now`)).toBe(false);
  });

  it('replaces an older one only when it is whole, and needs a database to copy', async () => {
    const to = join(shop.folder, 'copy.sqlite');
    writeFileSync(to, 'an older one');
    await expect(backUp(join(shop.folder, 'none.sqlite'), to)).rejects.toThrow(
      /^There is no database at \S+ to back up\.$/,
    );
    expect(readFileSync(to, 'utf8')).toBe('an older one');
    await backUp(shop.file, to);
    expect(titles(to)).toHaveLength(titles(shop.file).length);
  });

  it('that names a row which is not there is no whole one', async () => {
    const copy = join(shop.folder, 'copy.sqlite');
    await backUp(shop.file, copy);
    const broken = connect(copy);
    broken.pragma('foreign_keys = OFF');
    broken.exec('DELETE FROM rigs');
    broken.close();
    shop.close();
    expect(() => restore(copy, shop.file, 'now')).toThrow(
      /copy\.sqlite is damaged \(a row of \w+ names one that is not there\)\.$/,
    );
    expect(() => restore(join(shop.folder, 'none'), shop.file, 'now')).toThrow(/^There is no file \S+none\.$/);
  });

  it('goes where there was nothing, and what cannot be read is kept as it is', async () => {
    const copy = join(shop.folder, 'copy.sqlite');
    await backUp(shop.file, copy);
    const elsewhere = join(shop.folder, 'new', 'place.sqlite');
    expect(restore(copy, elsewhere, 'now').kept).toBeNull();
    expect(titles(elsewhere)).toEqual(titles(copy));
    const spoilt = join(shop.folder, 'spoilt.sqlite');
    writeFileSync(spoilt, 'x'.repeat(4096));
    writeFileSync(`${spoilt}-wal`, '');
    const { kept } = restore(copy, spoilt, 'now');
    expect(kept).toBe(`${spoilt}.before-now`);
    expect(readFileSync(kept!, 'utf8')).toBe('x'.repeat(4096));
    expect(titles(spoilt)).toEqual(titles(copy));
    expect(readdirSync(shop.folder).filter((name) => name.includes('unfinished'))).toEqual([]);
  });
});

describe('its commands', () => {
  const NOW = new Date('2026-05-04T09:30:00.000Z');
  const standing = () => ({ database: shop.file, now: NOW, place: null });

  itOnSqlite('say what was copied, from where to where, and what was kept', async () => {
    const to = join(shop.folder, 'by-command.sqlite');
    const { rigs, coupons, beads } = await backUp(shop.file, join(shop.folder, 'counted.sqlite'));
    const held = `${rigs} rigs, ${coupons} coupons, ${beads} beads`;
    const files = `7 copied, 0 there already.`;
    expect(await backupCommand(to, standing())).toEqual([
      `Backed up to ${to}, and checked: ${held}.`,
      `Pictures in ${to}.pictures: ${files}`,
    ]);
    shop.close();
    expect(await restoreCommand(to, {}, standing())).toEqual([
      `Restored and checked: ${held}.`,
      `Pictures in ${join(shop.folder, 'pictures')}: 0 copied, 7 there already.`,
      `What was there before is kept as ${shop.file}.before-2026-05-04T09-30-00-000Z.`,
    ]);
    const fresh = join(shop.folder, 'fresh', 'fresh.sqlite');
    expect(await restoreCommand(to, {}, { ...standing(), database: fresh })).toEqual([
      `Restored and checked: ${held}.`,
      `Pictures in ${join(shop.folder, 'fresh', 'pictures')}: ${files}`,
    ]);
  });

  itOnSqlite('clear the record, which can be put back with its pictures', async () => {
    expect(() => clearCommand(standing())).toThrow('The database is in use. Stop the server first.');
    const before = titles(shop.file);
    shop.close();
    const kept = `${shop.file}.before-2026-05-04T09-30-00-000Z`;
    expect(clearCommand(standing())).toEqual([
      'The record is empty: no rig, no coupon, no bead, nobody, and no pass phrase.',
      `What was there before is kept. To put it back: npm run restore -- ${kept}`,
    ]);
    expect(titles(shop.file)).toEqual([]);
    expect(existsSync(join(shop.folder, 'pictures'))).toBe(false);
    // It is begun: the demo workshop does not come in again.
    const { store, close } = openStore(shop.file);
    expect(isNew(store)).toBe(false);
    close();
    const later = { ...standing(), now: new Date('2026-05-04T09:31:00.000Z') };
    expect((await restoreCommand(kept, {}, later))[1]).toMatch(/: 7 copied, 0 there already\.$/);
    expect(titles(shop.file)).toEqual(before);
  });

  it('ask which file where none is named', async () => {
    await expect(backupCommand(undefined, standing())).rejects.toThrow('Say which file: npm run backup -- FILE');
    await expect(restoreCommand(undefined, {}, standing())).rejects.toThrow(StartError);
  });
});
