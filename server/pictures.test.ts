import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 } from 'uuid';
import type { Change } from '../core/record/change/change';
import type { Changed, Changes, HistoryEntry } from '../core/record/change/change-schema';
import type { Coupon, CouponPage } from '../core/record/shapes/record-schema';
import type { WeldPage } from '../core/record/shapes/weld-schema';
import { PICTURE_LIMIT_MB } from './pictures/look';
import { attach, attaching as attachingTo, fileOf, kept, plate, shelved } from './testing/pictures';
import { openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
let coupon: Coupon;
beforeAll(async () => {
  shop = await openWorkshop();
  const { coupons } = (await shop.send('GET', '/coupons')).json as CouponPage;
  coupon = (await shop.send('GET', `/coupons/${coupons[0].id}`)).json;
});
afterAll(() => shop.stop());

const attaching = (fields?: Parameters<typeof attachingTo>[1]) => attachingTo(coupon.beads[0].id, fields);
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

it('a picture that is refused takes no file away that another has just brought', async () => {
  for (let i = 0; i < 6; i += 1) {
    const file = await sharp({ create: { width: 40 + i, height: 50, channels: 3, background: 'blue' } })
      .png()
      .toBuffer();
    const refused = () => attach(shop, attaching({ beadId: v7() }), file);
    const answers = await Promise.all([refused(), attach(shop, attaching(), file), refused()]);
    expect(answers.map(({ status }) => status)).toEqual([400, 200, 400]);
    expect((await fileOf(shop, answers[1].json.picture!.file.hash)).status).toBe(200);
  }
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
