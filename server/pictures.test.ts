import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import sharp, { type Sharp } from 'sharp';
import { v7 } from 'uuid';
import type { Change, ChangeOf } from '../core/record/change';
import type { Changed, Changes, HistoryEntry } from '../core/record/change-schema';
import type { KeptPicture, Picture } from '../core/record/picture-schema';
import type { Coupon, CouponPage } from '../core/record/schema';
import type { Kept } from '../core/record/record-file-schema';
import type { WeldPage } from '../core/record/weld-schema';
import { copyCommand } from './backup/command';
import { PICTURE_LIMIT_MB } from './pictures/look';
import type { TakenPictures } from './pictures/zip-in';
import { placeOf, shelfOf } from './pictures/shelf';
import { openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let coupon: Coupon;
beforeAll(async () => {
  shop = await openWorkshop();
  const { coupons } = (await shop.send('GET', '/coupons')).json as CouponPage;
  coupon = (await shop.send('GET', `/coupons/${coupons[0].id}`)).json;
});
afterAll(() => shop.stop());

/** A plate with a bright bar, 90 by 60 points. */
const plate = (): Sharp =>
  sharp({ create: { width: 90, height: 60, channels: 3, background: '#444444' } }).composite([
    { input: { create: { width: 30, height: 10, channels: 3, background: '#ffffff' } }, left: 0, top: 0 },
  ]);

const attaching = (fields: Partial<ChangeOf<'add-picture'>['fields']> = {}): ChangeOf<'add-picture'> => ({
  ...{ id: v7(), kind: 'add-picture', of: v7(), device: v7(), against: 0, madeAt: '2026-05-04T09:00:00.000Z' },
  fields: {
    ...{ beadId: coupon.beads[0].id, weldId: null, view: 'face', note: '', takenAt: '2026-05-04T08:59:00.000Z' },
    ...fields,
  },
});

type Answer = { status: number; json: Changed & { code: string; detail: string } };
async function attach(to: Workshop, change: unknown, file: Buffer | null, name = 'a.jpg'): Promise<Answer> {
  const form = new FormData();
  form.append('change', typeof change === 'string' ? change : JSON.stringify(change));
  if (file !== null) form.append('file', new Blob([new Uint8Array(file)]), name);
  const response = await fetch(`http://127.0.0.1:${to.port}/api/pictures`, { method: 'POST', body: form });
  return { status: response.status, json: (await response.json()) as Answer['json'] };
}
const fileOf = async (of: Workshop, hash: string, size = 'whole'): Promise<Response> =>
  fetch(`http://127.0.0.1:${of.port}/api/pictures/files/${hash}/${size}`);
const kept = async (of: Workshop, couponId: string): Promise<Picture[]> =>
  (await of.send('GET', `/coupons/${couponId}/pictures`)).json;
/** Every file on the shelf. */
const shelved = (of: Workshop): string[] => {
  const shelf = shelfOf(of.file);
  return existsSync(shelf)
    ? readdirSync(shelf, { recursive: true, encoding: 'utf8' }).filter((f) => /jpg/.test(f))
    : [];
};
const send = async (of: Workshop, change: Change): Promise<{ status: number; json: Changed }> =>
  of.send('POST', '/changes', change as object) as never;

describe('a picture of a bead', () => {
  it('is kept upright, without what the camera wrote, by what it holds, with a small one', async () => {
    // Turned a quarter by its camera: the bar at the top left stands at the top right of what is kept.
    const sent = await plate()
      .withExif({ IFD0: { Copyright: 'a secret place' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect(sent.includes('a secret place')).toBe(true);
    const change = attaching({ note: 'wire brushed' });
    const { status, json } = await attach(shop, change, sent);
    expect(status).toBe(200);
    const picture = json.picture!;
    expect(picture).toMatchObject({ id: change.of, couponId: coupon.id, note: 'wire brushed', measuring: null });
    expect(picture.file).toMatchObject({ width: 60, height: 90 });
    const answer = await fileOf(shop, picture.file.hash);
    expect(answer.headers.get('content-type')).toBe('image/jpeg');
    expect(answer.headers.get('content-security-policy')).toContain('sandbox');
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    const whole = Buffer.from(await answer.arrayBuffer());
    expect(whole.length).toBe(picture.file.bytes);
    const { exif, orientation, format } = await sharp(whole).metadata();
    expect([exif, orientation, format]).toEqual([undefined, undefined, 'jpeg']);
    expect(whole.includes('secret')).toBe(false);
    const points = await sharp(whole).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number): number => points.data[(y * 60 + x) * points.info.channels];
    expect([at(55, 15) > 240, at(5, 15) < 100, at(55, 60) < 100]).toEqual([true, true, true]);
    expect((await fileOf(shop, picture.file.hash, 'small')).status).toBe(200);
    expect(await kept(shop, coupon.id)).toContainEqual(picture);
  });

  it('is attached once, however often it is sent, and heard of by other devices', async () => {
    const before = shelved(shop).length;
    const change = attaching();
    const file = await plate().png().toBuffer();
    const first = await attach(shop, change, file);
    const again = await attach(shop, change, file);
    expect(again).toEqual(first);
    expect(shelved(shop).length).toBe(before + 2);
    const heard = (await shop.send('GET', `/changes?since=${first.json.entry.revision - 1}`)).json as Changes;
    expect(heard.pictures).toEqual([first.json.picture]);
    // The same photograph on another bead is one file.
    const other = await attach(shop, attaching({ beadId: coupon.beads[1].id }), file);
    expect(other.json.picture!.file).toEqual(first.json.picture!.file);
    expect(shelved(shop).length).toBe(before + 2);
  });

  it('is measured, noted and taken back by changes, which the history tells', async () => {
    const { json } = await attach(shop, attaching(), await plate().webp().toBuffer());
    const of = json.picture!.id;
    const measuring = {
      ...{ scale: { from: [0, 0], to: [0.5, 0], lengthMm: 50 }, check: null, fineness: 0.002 },
      sizes: [{ id: 'widthMm', from: [0.1, 0.1], to: [0.2, 0.1] }],
    } as const;
    const base = { of, kind: 'change-picture', device: v7(), against: json.entry.revision } as const;
    const change = (fields: object): Change =>
      ({ ...base, id: v7(), madeAt: '2026-05-04T09:10:00.000Z', fields }) as Change;
    expect((await send(shop, change({ measuring, note: 'rule' }))).json.picture).toMatchObject({
      measuring,
      note: 'rule',
    });
    // The same figures again are no news.
    const same = (await send(shop, change({ measuring }))).json.entry;
    expect(same.fields).toEqual({});
    expect((await send(shop, change({ measuring: { ...measuring, fineness: 2 } }))).status).toBe(400);
    expect((await send(shop, change({ takenBack: true }))).json.picture!.takenBack).toBe(true);
    expect((await kept(shop, coupon.id)).some(({ id }) => id === of)).toBe(false);
    const history = (await shop.send('GET', `/coupons/${coupon.id}/history`)).json as HistoryEntry[];
    expect(history.filter((entry) => entry.of === of).map(({ kind }) => kind)).toEqual([
      'add-picture',
      'change-picture',
      'change-picture',
      'change-picture',
    ]);
  });

  it('may be of a weld, and is of one thing that is kept', async () => {
    const { welds } = (await shop.send('GET', '/welds')).json as WeldPage;
    const file = await plate().jpeg().toBuffer();
    const { json } = await attach(shop, attaching({ beadId: null, weldId: welds[0].id }), file);
    expect((await shop.send('GET', `/welds/${welds[0].id}/pictures`)).json).toEqual([json.picture]);
    const before = shelved(shop).length;
    const fresh = await sharp({ create: { width: 33, height: 44, channels: 3, background: 'red' } })
      .jpeg()
      .toBuffer();
    for (const fields of [{ weldId: welds[0].id }, { beadId: null }, { beadId: v7() }, { beadId: null, weldId: v7() }])
      expect((await attach(shop, attaching(fields), fresh)).status).toBe(400);
    // What was refused leaves no file.
    expect(shelved(shop).length).toBe(before);
    expect((await shop.send('GET', `/welds/${v7()}/pictures`)).status).toBe(404);
    expect((await shop.send('GET', `/coupons/${v7()}/pictures`)).status).toBe(404);
  });
});

describe('a file that is no photograph', () => {
  const refused = async (file: Buffer | null, name?: string): Promise<string> => {
    const before = shelved(shop).length;
    const { status, json } = await attach(shop, attaching(), file, name);
    expect([status, shelved(shop).length]).toEqual([422, before]);
    expect(json.code).toBe('not-a-picture');
    // One sentence.
    expect(json.detail).toMatch(/^[A-Z][^.]*\.$/);
    return json.detail;
  };

  it('is known by what it holds, whatever its name says', async () => {
    const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>');
    expect(await refused(svg, 'bead.png')).toContain('SVG');
    expect(await refused(Buffer.from('\n<!doctype html><script>alert(1)</script>'), 'bead.png')).toContain('HTML');
    expect(await refused(await plate().tiff().toBuffer(), 'bead.jpg')).toContain('no JPEG, PNG or WebP');
    expect(await refused(await plate().gif().toBuffer(), 'bead.webp')).toContain('no JPEG, PNG or WebP');
    expect(await refused(Buffer.alloc(0))).toContain('no JPEG');
    // The head of one and the body of another.
    const head = Buffer.from([0xff, 0xd8, 0xff, 0xe0]);
    expect(await refused(Buffer.concat([head, svg]), 'bead.jpg')).toContain('damaged');
  });

  it('that ends too early is not kept by half', async () => {
    const noise = await sharp({
      create: {
        width: 300,
        height: 300,
        channels: 3,
        background: 'white',
        noise: { type: 'gaussian', mean: 128, sigma: 40 },
      },
    });
    for (const format of ['jpeg', 'png', 'webp'] as const) {
      const file = await noise.clone().toFormat(format).toBuffer();
      expect(await refused(file.subarray(0, Math.floor(file.length * 0.6)))).toMatch(/too early|damaged/);
    }
  });

  it('of more points than the memory holds is refused before it is unpacked', async () => {
    // Some hundred bytes that say they are 20,000 by 20,000 points: 1.2 GB unpacked.
    const huge = Buffer.from(await plate().jpeg().toBuffer());
    const frame = huge.indexOf(Buffer.from([0xff, 0xc0]));
    huge.writeUInt16BE(20_000, frame + 5);
    huge.writeUInt16BE(20_000, frame + 7);
    expect(await refused(huge)).toContain('20000 by 20000');
    const strip = await sharp({ create: { width: 9000, height: 8, channels: 3, background: 'white' } })
      .png()
      .toBuffer();
    expect(await refused(strip)).toContain('strip');
  });

  it('with a broken EXIF block is refused, since nobody can tell which way is up', async () => {
    const file = await plate().withMetadata({ orientation: 6 }).jpeg().toBuffer();
    const at = file.indexOf('Exif\0\0') + 6;
    expect(at).toBeGreaterThan(6);
    const broken = Buffer.from(file);
    broken.write('XX', at, 'latin1');
    expect(await refused(broken)).toContain('EXIF');
    // A list of fields that points outside of it.
    const outside = Buffer.from(file);
    outside.writeUInt32BE(0x7f_ff_ff_ff, at + 4);
    outside.writeUInt32LE(0x7f_ff_ff_f0, at + 4);
    expect(await refused(outside)).toContain('EXIF');
  });

  it('that is too large, or comes with something else, is refused before it is read', async () => {
    const large = await attach(shop, attaching(), Buffer.alloc(PICTURE_LIMIT_MB * 1024 * 1024 + 1));
    expect([large.status, large.json.code]).toEqual([413, 'too-large']);
    const file = await plate().jpeg().toBuffer();
    expect((await attach(shop, 'no json', file)).json.code).toBe('not-json');
    expect((await attach(shop, { ...attaching(), kind: 'care' }, file)).status).toBe(400);
    expect((await attach(shop, attaching(), null)).json.detail).toContain('file takes a JPEG, PNG or WebP picture');
    const bare = await shop.send('POST', '/changes', attaching() as object);
    expect([bare.status, (bare.json as { detail: string }).detail]).toEqual([
      400,
      expect.stringContaining('/api/pictures'),
    ]);
    expect((await shop.send('POST', '/pictures', {})).status).toBe(415);
  });

  it('is not reached by any other name', async () => {
    writeFileSync(join(shop.folder, 'secret.jpg'), 'x');
    for (const path of ['..%2f..%2fsecret.jpg/whole', `${'a'.repeat(64)}/whole`, `${'a'.repeat(64)}/..`, 'a/small'])
      expect((await shop.send('GET', `/pictures/files/${path}`)).status).toBe(404);
  });
});

describe('a backup', () => {
  it('has the pictures beside it, and brings back those that are gone; one that is damaged is said', async () => {
    const { json } = await attach(shop, attaching(), await plate().negate().jpeg().toBuffer());
    const { hash } = json.picture!.file;
    const copy = join(shop.folder, 'safe', 'copy.sqlite');
    const [, backed] = await copyCommand('backup', copy, shop.file);
    expect(backed).toMatch(/copy\.sqlite\.pictures: \d+ copied, 0 there already\.$/);
    expect((await copyCommand('backup', copy, shop.file))[1]).toMatch(/: 0 copied, \d+ there already\.$/);
    const fresh = join(shop.folder, 'fresh', 'jolly-tinker.sqlite');
    const safe = placeOf(`${copy}.pictures`, hash, 'whole');
    const file = readFileSync(safe);
    writeFileSync(safe, file.subarray(9));
    const said = await copyCommand('restore', copy, fresh);
    expect(said[1]).toMatch(/\d+ copied, 0 there already\.$/);
    expect(said[2]).toContain('files of 1 pictures are missing or damaged');
    writeFileSync(safe, file);
    expect((await copyCommand('restore', copy, fresh))[1]).toMatch(/: 1 copied, \d+ there already\.$/);
    expect(readFileSync(placeOf(shelfOf(fresh), hash, 'whole'))).toEqual(file);
  });
});

describe('pictures as files', () => {
  let empty: Workshop;
  beforeEach(async () => (empty = await openWorkshop({ demo: false })));
  afterEach(() => empty.stop());

  const zipOf = async (of: Workshop): Promise<Buffer> =>
    Buffer.from(await (await fetch(`http://127.0.0.1:${of.port}/api/record/pictures.zip`)).arrayBuffer());
  async function takeZip(into: Workshop, zip: Uint8Array, preview = false): Promise<TakenPictures> {
    const response = await fetch(`http://127.0.0.1:${into.port}/api/record/pictures.zip?preview=${preview}`, {
      method: 'POST',
      body: Buffer.from(zip) as never,
      headers: { 'content-type': 'application/zip' },
    });
    return (await response.json()) as TakenPictures;
  }

  it('go out as a ZIP and the record that names them, and come in again the same', async () => {
    const record = (await shop.send('GET', '/record')).json as Kept;
    expect(record.pictures.length).toBeGreaterThan(2);
    const zip = await zipOf(shop);
    // The files say nothing by themselves.
    const early = await takeZip(empty, zip);
    expect([early.done, early.refused > 0, early.reasons[0]]).toEqual([false, true, expect.stringContaining('record')]);
    await empty.send('POST', '/record?preview=false', record);
    const { pictures } = (await empty.send('GET', '/record')).json as Kept;
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
    const record = (await shop.send('GET', '/record')).json as Kept;
    await empty.send('POST', '/record?preview=false', record);
    const [{ file }] = record.pictures;
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
    const record = (await shop.send('GET', '/record')).json as Kept;
    const told = async (change: (picture: KeptPicture) => KeptPicture): Promise<string[]> => {
      const pictures = record.pictures.map((picture, i) => (i === 0 ? change(picture) : picture));
      const { json } = await empty.send('POST', '/record?preview=true', { ...record, pictures });
      return (json as { reasons: string[] }).reasons;
    };
    expect(await told((picture) => picture)).toEqual([]);
    expect((await told((picture) => ({ ...picture, weldId: record.welds[0].id })))[0]).toContain('one of them');
    expect((await told((picture) => ({ ...picture, beadId: v7() })))[0]).toContain('neither in the file nor here');
  });
});
