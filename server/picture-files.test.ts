import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { parse } from 'papaparse';
import { v7 } from 'uuid';
import type { StoredPicture } from '../core/record/shapes/picture-schema';
import type { RecordRows } from '../core/record/kinds/all';
import type { Coupon, CouponPage } from '../core/record/shapes/record-schema';
import { backupCommand, restoreCommand } from './backup/command';
import { placeOf, shelfOf } from './pictures/shelf';
import type { PicturesReport } from './pictures/zip-in';
import { attach, attaching as attachingTo, fileOf, plate, shelved } from './testing/pictures';
import { openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let coupon: Coupon;
beforeAll(async () => {
  shop = await openWorkshop();
  const { coupons } = (await shop.send('GET', '/coupons')).json as CouponPage;
  coupon = (await shop.send('GET', `/coupons/${coupons[0].id}`)).json;
});
afterAll(() => shop.stop());
const attaching = () => attachingTo(coupon.beads[0].id);

describe('a backup', () => {
  it('has the pictures beside it, and brings back those that are gone; one that is damaged is said', async () => {
    const { json } = await attach(shop, attaching(), await plate().negate().jpeg().toBuffer());
    const { hash } = json.picture!.file;
    const copy = join(shop.folder, 'safe', 'copy.sqlite');
    const [, backed] = await backupCommand(copy, { database: shop.file });
    expect(backed).toMatch(/copy\.sqlite\.pictures: \d+ copied, 0 there already\.$/);
    expect((await backupCommand(copy, { database: shop.file }))[1]).toMatch(/: 0 copied, \d+ there already\.$/);
    const fresh = join(shop.folder, 'fresh', 'jolly-tinker.sqlite');
    const safe = placeOf(`${copy}.pictures`, hash, 'whole');
    const file = readFileSync(safe);
    writeFileSync(safe, file.subarray(9));
    const said = await restoreCommand(copy, {}, { database: fresh });
    expect(said[1]).toMatch(/\d+ copied, 0 there already\.$/);
    expect(said[2]).toContain('files of 1 pictures are missing or damaged');
    writeFileSync(safe, file);
    expect((await restoreCommand(copy, {}, { database: fresh }))[1]).toMatch(/: 1 copied, \d+ there already\.$/);
    expect(readFileSync(placeOf(shelfOf(fresh), hash, 'whole'))).toEqual(file);
  });
});

describe('pictures as files', () => {
  let empty: Workshop;
  beforeEach(async () => (empty = await openWorkshop({ demo: false })));
  afterEach(() => empty.stop());

  const zipOf = async (of: Workshop): Promise<Buffer> =>
    Buffer.from(await (await fetch(`http://127.0.0.1:${of.port}/api/record/pictures.zip`)).arrayBuffer());
  async function takeZip(into: Workshop, zip: Uint8Array, preview = false): Promise<PicturesReport> {
    const response = await fetch(`http://127.0.0.1:${into.port}/api/record/pictures.zip?preview=${preview}`, {
      method: 'POST',
      body: Buffer.from(zip) as never,
      headers: { 'content-type': 'application/zip' },
    });
    return (await response.json()) as PicturesReport;
  }

  it('go out as a ZIP and the record that names them, and come in again the same', async () => {
    const record = (await shop.send('GET', '/record')).json as RecordRows;
    expect(record.pictures.length).toBeGreaterThan(2);
    const zip = await zipOf(shop);
    // The files say nothing by themselves.
    const early = await takeZip(empty, zip);
    expect([early.done, early.refused > 0, early.reasons[0]]).toEqual([false, true, expect.stringContaining('record')]);
    await empty.send('POST', '/record?preview=false', record);
    const { pictures } = (await empty.send('GET', '/record')).json as RecordRows;
    expect(pictures).toEqual(record.pictures);
    const files = new Set(record.pictures.map(({ file }) => file.hash)).size;
    expect(await takeZip(empty, zip, true)).toEqual({ added: files, same: 0, refused: 0, reasons: [], done: false });
    expect(shelved(empty)).toEqual([]);
    expect(await takeZip(empty, zip)).toMatchObject({ added: files, done: true });
    expect(shelved(empty).sort()).toEqual(shelved(shop).sort());
    expect(await takeZip(empty, zip)).toMatchObject({ added: 0, same: files, done: true });
    const [{ hash }] = record.pictures.map(({ file }) => file);
    expect(await (await fileOf(empty, hash)).arrayBuffer()).toEqual(await (await fileOf(shop, hash)).arrayBuffer());
    expect((await zipOf(empty)).length).toBe(zip.length);
  });

  it('are taken in all or not at all', async () => {
    const { file } = (await attach(shop, attaching(), await plate().modulate({ brightness: 1.4 }).png().toBuffer()))
      .json.picture!;
    const record = (await shop.send('GET', '/record')).json as RecordRows;
    await empty.send('POST', '/record?preview=false', record);
    const whole = Buffer.from(await (await fileOf(shop, file.hash)).arrayBuffer());
    const name = `pictures/${file.hash}.jpg`;
    const changed = Buffer.from(whole);
    changed[changed.length - 40] ^= 0xff;
    const told = async (entries: Record<string, Uint8Array>, bytes?: number): Promise<string> => {
      const zip = zipSync(entries, { level: 1 }).subarray(0, bytes);
      expect(zip.length).toBeLessThan(200_000);
      const { done, refused, reasons } = await takeZip(empty, zip);
      expect([done, refused > 0]).toEqual([false, true]);
      expect(shelved(empty)).toEqual([]);
      return reasons[0];
    };
    expect(await told({ [name]: whole, '../../escaped.jpg': whole })).toContain('leads out');
    expect(await told({ [name]: whole, '/etc/escaped.jpg': whole })).toContain('leads out');
    expect(await told({ [name]: whole, 'C:\\escaped.jpg': whole })).toContain('leads out');
    expect(await told({ [name]: whole, 'pictures/readme.txt': whole })).toContain('no picture of a record');
    expect(await told({ [name]: changed })).toContain('changed since');
    expect(await told({ [name]: whole, [`pictures/${'a'.repeat(64)}.jpg`]: whole })).toContain('record');
    expect(await told({ [name]: whole }, whole.length / 2)).toMatch(/no ZIP|too early/);
    // Its one file is whole; only the list at its end is not.
    expect(await told({ [name]: whole }, -30)).toContain('too early');
    // Some kilobytes that unpack to 24 MB.
    const bomb = new Uint8Array(24 * 1024 * 1024);
    expect(await told({ [name]: bomb })).toContain('unpacks to more');
    expect((await takeZip(empty, new TextEncoder().encode('{"a":1}'))).reasons[0]).toContain('no ZIP');
    expect((await takeZip(empty, new Uint8Array())).reasons[0]).toContain('no ZIP');
    expect(existsSync(join(empty.folder, '..', 'escaped.jpg'))).toBe(false);
    expect(readdirSync(empty.folder).filter((one) => one.startsWith('incoming'))).toEqual([]);
    expect(await takeZip(empty, zipSync({ [name]: whole }))).toMatchObject({ added: 1, done: true });
    expect(statSync(placeOf(shelfOf(empty.file), file.hash, 'whole')).size).toBe(file.bytes);
  });

  it('whose record names two owners, or none that is known, is refused', async () => {
    const record = (await shop.send('GET', '/record')).json as RecordRows;
    const told = async (change: (picture: StoredPicture) => StoredPicture): Promise<string[]> => {
      const pictures = record.pictures.map((picture, i) => (i === 0 ? change(picture) : picture));
      const { json } = await empty.send('POST', '/record?preview=true', { ...record, pictures });
      return (json as { reasons: string[] }).reasons;
    };
    expect(await told((picture) => picture)).toEqual([]);
    expect((await told((picture) => ({ ...picture, weldId: record.welds[0].id })))[0]).toContain('one of them');
    expect((await told((picture) => ({ ...picture, beadId: v7() })))[0]).toContain('neither in the file nor here');
  });
});

describe('files for a spreadsheet', () => {
  const sheet = async (name: string): Promise<Record<string, string>[]> => {
    const { json } = await shop.send('GET', `/record/${name}.csv`);
    return parse<Record<string, string>>(String(json).trim(), { header: true }).data;
  };

  it('have a line for every weld, with what its newest inspection measured and its photographs', async () => {
    const record = (await shop.send('GET', '/record')).json as RecordRows;
    const lines = await sheet('welds');
    expect(lines.map(({ id }) => id).sort()).toEqual(record.welds.map(({ id }) => id).sort());
    const ring = lines.find(({ weld }) => weld === 'Mooring ring 14, north quay')!;
    // Inspected twice: the second stands here.
    expect(ring).toMatchObject({ stands: 'passed', inspections: '2', repairs: '1', repaired: 'Undercut' });
    expect([ring['undercut (mm)'], ring['upright leg (mm)'], ring.holes]).toEqual(['0.2', '8', '0']);
    expect(ring['hole by photograph (mm)']).toBe('');
  });

  it('have a line for every kept setting, with marks where its machine has a knob', async () => {
    const record = (await shop.send('GET', '/record')).json as RecordRows;
    const lines = await sheet('kept-settings');
    expect(lines.map(({ id }) => id).sort()).toEqual(record.proven.map(({ id }) => id).sort());
    expect(new Set(lines.map((line) => Object.keys(line).join())).size).toBe(1);
    expect(lines.some((line) => line['volts, mark'] !== '')).toBe(true);
    expect(lines.every((line) => line['proved by'] !== '' && Number(line['volts (V)']) > 10)).toBe(true);
  });

  it('say of a bead what was measured in its photographs', async () => {
    const measured = (await sheet('beads')).filter((line) => line['penetration by photograph (mm)'] !== '');
    expect(measured.map((line) => line.coupon)).toEqual([
      'Mooring ring, 10 mm back plate',
      'Mooring ring, 10 mm back plate',
    ]);
    const [cold, good] = measured.map((line) => Number(line['penetration by photograph (mm)']));
    expect(good).toBeGreaterThan(cold);
    expect((await shop.send('GET', '/record/welds.csv?units=feet')).status).toBe(400);
  });
});
