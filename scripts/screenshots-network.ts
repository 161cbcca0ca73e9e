import { devices, type Browser, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { hostname } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 } from 'uuid';

/** Takes the pictures of the workshop way: a phone that comes in, and the keeper's screen. */
const ROOT = join(__dirname, '..');
const PORT = 4398;
const LAN_PORT = 4399;
const PASS_PHRASE = 'three old welders';
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
const BETWEEN = 12;

async function settled(page: Page, path: string): Promise<void> {
  await page.goto(path, { waitUntil: 'load' });
  await page.waitForLoadState('networkidle', { timeout: 4000 }).catch(() => undefined);
  await page.waitForTimeout(400);
}

/** Phones side by side in one picture. */
async function beside(pictures: readonly Buffer[], file: string): Promise<void> {
  const width = pictures.length * (PHONE.width + BETWEEN) - BETWEEN;
  await sharp({ create: { width, height: PHONE.height, channels: 3, background: '#ffffff' } })
    .composite(pictures.map((input, i) => ({ input, left: i * (PHONE.width + BETWEEN), top: 0 })))
    .png()
    .toFile(file);
}

/** @param out folder of the pictures @param data an empty folder */
export async function shootNetwork(browser: Browser, out: string, data: string): Promise<void> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', '--lan', '--weeks'], {
    cwd: ROOT,
    env: {
      ...{ ...process.env, PORT: String(PORT), LAN_PORT: String(LAN_PORT), PASS_PHRASE },
      ...{ DATA_DIR: data, HOST: '127.0.0.1', HOST_NAMES: 'workshop.local,localhost' },
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((ready) =>
    server.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('ready') && ready()),
  );
  const secure = {
    baseURL: `https://localhost:${LAN_PORT}`,
    ignoreHTTPSErrors: true,
    reducedMotion: 'reduce',
  } as const;
  try {
    const phone = await browser.newContext({
      ...{ ...secure, viewport: PHONE, serviceWorkers: 'block', userAgent: devices['Pixel 7'].userAgent },
    });
    const page = await phone.newPage();
    const shots: Buffer[] = [];
    await settled(page, '/join');
    shots.push(await page.screenshot());
    await settled(page, '/trust');
    shots.push(await page.screenshot());
    await page.request.post('/api/session', {
      data: { device: v7(), name: 'Wout’s phone', passPhrase: PASS_PHRASE },
      headers: { origin: `https://localhost:${LAN_PORT}` },
    });
    await settled(page, '/people');
    shots.push(await page.screenshot());
    await beside(shots, join(out, 'coming-in-phones.png'));
    await phone.close();
    for (const name of ['Tablet at the saw', 'Ilse’s phone']) {
      const other = await browser.newContext(secure);
      const headers = { origin: `https://localhost:${LAN_PORT}` };
      await other.request.post('/api/session', { data: { device: v7(), name, passPhrase: PASS_PHRASE }, headers });
      await other.close();
    }
    const keeper = await browser.newContext({
      ...{ baseURL: `http://127.0.0.1:${PORT}`, viewport: WIDE, reducedMotion: 'reduce' },
    });
    const desk = await keeper.newPage();
    await settled(desk, '/devices');
    // What the machine is called that pictures are taken on says nothing to a reader.
    await desk.getByText(`${hostname()}.local`).evaluateAll((lines) => lines.forEach((line) => line.remove()));
    await desk.screenshot({ path: join(out, 'devices-wide.png') });
    await keeper.close();
    console.log('coming-in-phones\ndevices-wide');
  } finally {
    server.kill();
  }
}
