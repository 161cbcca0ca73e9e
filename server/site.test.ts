import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { askSite, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
beforeAll(async () => {
  shop = await openWorkshop({ demo: false });
});
afterAll(() => shop.stop());

describe('beside the API', () => {
  it('serves the page for places, the files that are there, and a plain line for what is not', async () => {
    const site = join(shop.folder, 'site');
    for (const folder of ['_expo', 'assets']) mkdirSync(join(site, folder), { recursive: true });
    writeFileSync(join(site, 'index.html'), '<title>page</title>');
    writeFileSync(join(site, '_expo', 'a.js'), '1');
    writeFileSync(join(site, 'assets', 'a.ttf'), '1');
    const served = await openWorkshop({ site });
    expect(await askSite(served.port, '/coupon/anything')).toEqual(
      expect.objectContaining({ status: 200, json: '<title>page</title>' }),
    );
    for (const path of ['/_expo/a.js', '/assets/a.ttf'])
      expect((await askSite(served.port, path)).headers['cache-control']).toContain('immutable');
    expect((await askSite(served.port, '/')).headers['cache-control']).toBe('no-cache');
    expect(await askSite(served.port, '/log', {}, 'HEAD')).toEqual(expect.objectContaining({ status: 200, json: '' }));
    for (const path of ['/_expo/b.js', '/assets/b.ttf']) {
      const { status, json, type } = await askSite(served.port, path);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(type).toContain('text/plain');
      expect(json).toBe('There is nothing at this address.\n');
    }
    expect((await askSite(served.port, '/log', {}, 'POST')).status).toBe(404);
    await served.stop();
  });

  it('says that something went wrong where the page was never built', async () => {
    const served = await openWorkshop({ site: join(shop.folder, 'nowhere') });
    const { status, type, json } = await askSite(served.port, '/');
    expect(status).toBeGreaterThanOrEqual(400);
    expect(type).toContain('text/plain');
    expect(json).not.toMatch(/nowhere|ENOENT/);
    await served.stop();
  });

  it('sends what the build has packed to whoever takes it, and the file itself to who does not', async () => {
    const site = join(shop.folder, 'packed');
    const scripts = join(site, '_expo');
    mkdirSync(scripts, { recursive: true });
    writeFileSync(join(site, 'index.html'), '');
    // What is packed differs from the file, so that it shows which was sent.
    writeFileSync(join(scripts, 'a.js'), 'plain');
    writeFileSync(join(scripts, 'a.js.br'), brotliCompressSync('packed small'));
    writeFileSync(join(scripts, 'a.js.gz'), gzipSync('packed'));
    const served = await openWorkshop({ site });
    const ask = async (takes: string): Promise<[string | null, string]> => {
      const address = `http://127.0.0.1:${served.port}/_expo/a.js`;
      const sent = await fetch(address, { headers: { 'accept-encoding': takes } });
      expect(sent.headers.get('content-type')).toMatch(/javascript/);
      expect(sent.headers.get('cache-control')).toContain('immutable');
      return [sent.headers.get('content-encoding'), await sent.text()];
    };
    expect(await ask('identity')).toEqual([null, 'plain']);
    expect(await ask('gzip')).toEqual(['gzip', 'packed']);
    expect(await ask('gzip, deflate, br')).toEqual(['br', 'packed small']);
    await served.stop();
  });
});
