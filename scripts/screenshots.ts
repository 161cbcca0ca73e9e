import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { completeMix } from '../core/case/gas-mix';
import { writeWav } from '../core/hearing/wav';
import { soundOf } from '../core/sound/sounding';
import { SAMPLE_RATE } from '../core/sound/sample-rate';
import { shootNetwork } from './screenshots-network';

/** Takes one picture of each main view from the demo data, into docs/screenshots/. */
const ROOT = join(__dirname, '..');
const OUT = join(ROOT, 'docs', 'screenshots');
const PORT = 4397;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

type Shot = {
  name: string;
  path: string;
  size: typeof PHONE;
  scheme?: 'light' | 'dark';
  act?: (page: Page) => Promise<void>;
};

/** The bead of the worked example: stubbing, ropey, 3.5 V under balance. */
async function badBead(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Volts, / }).click();
  await page.getByRole('textbox', { name: 'Volts, V' }).fill('16.5');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('tab', { name: 'See' }).click();
  await page.getByRole('button', { name: 'Ropey, humped: not looked' }).click();
  // A hand does not tap faster.
  await page.waitForTimeout(500);
  await page.getByRole('button', { name: 'Cold lap: not looked' }).click();
  await page.evaluate(() =>
    document.querySelectorAll('div').forEach((box) => box.scrollTop > 0 && (box.scrollTop = 0)),
  );
}

/** Two beads logged while the server cannot be reached. */
async function away(page: Page): Promise<void> {
  await page.route('**/api/**', (route) => route.abort());
  for (const [name, number] of [
    ['Flat, washed out', 3],
    ['Uneven', 4],
  ] as const) {
    await page.getByRole('tab', { name: 'See' }).click();
    await page.getByRole('button', { name: `${name}: not looked` }).click();
    await page.getByRole('button', { name: `Log bead ${number}`, disabled: false }).click();
    await page.getByRole('button', { name: `Log bead ${number + 1}` }).waitFor();
  }
  await page.getByRole('navigation').getByText('2 waiting').waitFor();
}

/** A fillet that was looked at and measured: its legs are sound, its toe is not. */
async function inspection(page: Page): Promise<void> {
  for (const none of ['Cracks', 'Not fused', 'Holes'])
    await page.getByRole('button', { name: `None: ${none}` }).click();
  for (const [tag, figure] of [
    ['Flat leg', '5.5'],
    ['Undercut', '0.9'],
    ['Upright leg', '5'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${tag}: `) }).click();
    await page.getByRole('textbox', { name: `${tag}, mm` }).fill(figure);
  }
  await page
    .getByRole('heading', { name: 'Measured' })
    .evaluate((heading) => heading.scrollIntoView({ block: 'start' }));
}

/** A recording of a stubbing arc, opened and put with the bead. */
async function listen(page: Page): Promise<void> {
  await page.getByRole('tab', { name: 'Hear' }).click();
  await page.getByRole('button', { name: /^Let it listen/ }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open a WAV' }).click(),
  ]);
  const { samples } = soundOf(
    {
      ...{ wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: completeMix({ co2Pct: 18 }), voltageV: 16.8 },
      ...{ wireSpeedMPerMin: 7.5, stickOutMm: 12, arcControlPct: 50, seed: 5 },
    },
    6,
  );
  const buffer = Buffer.from(writeWav({ samples: samples.map((value) => value / 2), rate: SAMPLE_RATE }));
  await chooser.setFiles({ name: 'arc.wav', mimeType: 'audio/wav', buffer });
  await page.getByRole('button', { name: 'Put it with this bead' }).click();
  const heard = page.getByRole('region', { name: 'The arc heard' });
  await heard.getByText(/^It speaks in the verdict/).waitFor();
  await heard.evaluate((box) => box.scrollIntoView({ block: 'start' }));
}

/** A question of the ear, answered; the first that can be turned right. */
async function byEar(page: Page): Promise<void> {
  const turn = page.getByRole('region', { name: 'Turn it right' });
  for (let i = 0; i < 12 && !(await turn.isVisible()); i++) {
    if (i > 0) await page.keyboard.press('Enter');
    await page.keyboard.press(String(1 + (i % 4)));
    await page
      .getByText(/ a second|times a second|No crackle/)
      .first()
      .waitFor();
  }
}

/** A coupon that no bead was run on yet, on the rig with two knobs. */
async function freshCoupon(page: Page): Promise<void> {
  await page.getByRole('textbox', { name: 'What is it for?' }).fill('Sluice rack 3, gusset');
  await page.getByRole('radio', { name: 'Blue cart set' }).click();
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill('2.5');
  await page.getByRole('textbox', { name: 'Other part, mm' }).fill('5');
  await page.getByRole('radio', { name: 'Nobody could be hurt', exact: true }).click();
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await page.getByRole('button', { name: 'How to run it' }).click();
  await page.getByRole('img', { name: /^Gun at/ }).waitFor();
}

const SHOTS: Shot[] = [
  { name: 'bench-phone', path: '/', size: PHONE, act: badBead },
  { name: 'bench-wide', path: '/', size: WIDE, act: badBead },
  {
    name: 'verdict-phone',
    path: '/',
    size: PHONE,
    act: async (page) => {
      await badBead(page);
      await page.getByRole('button', { name: /^Verdict:/ }).click();
    },
  },
  {
    name: 'verdict-why-phone',
    path: '/',
    size: PHONE,
    act: async (page) => {
      await badBead(page);
      await page.getByRole('button', { name: /^Verdict:/ }).click();
      await page.getByRole('button', { name: /^Voltage too low/ }).click();
      await page.getByText('Likely causes').scrollIntoViewIfNeeded();
      await page.getByText('Likely causes').evaluate((heading) => heading.scrollIntoView({ block: 'start' }));
    },
  },
  { name: 'listen-phone', path: '/', size: PHONE, act: listen },
  { name: 'school-wide', path: '/school/by-ear', size: WIDE, act: byEar },
  { name: 'rig-taught-phone', path: '/rig/taught/0190a000-0000-7000-8000-000000000001', size: PHONE },
  { name: 'days-wide', path: '/log/days', size: WIDE },
  {
    name: 'charts-phone',
    path: '/log/charts',
    size: PHONE,
    act: (page) => page.getByText('What worn parts do').evaluate((heading) => heading.scrollIntoView({ block: 'end' })),
  },
  { name: 'weld-phone', path: '/weld/0190a000-0000-7000-8006-000000000000', size: PHONE },
  { name: 'inspect-phone', path: '/weld/0190a000-0000-7000-8006-000000000200/inspect', size: PHONE, act: inspection },
  { name: 'repair-phone', path: '/weld/0190a000-0000-7000-8006-000000190200/repair', size: PHONE },
  { name: 'rig-wide', path: '/rig', size: WIDE },
  { name: 'knobs-phone', path: '/rig/knobs/0190a000-0000-7000-8000-000000000002', size: PHONE },
  {
    name: 'measure-phone',
    path: '/coupon/0190a000-0000-7000-8001-000000000001/picture/0190a000-0000-7000-8008-000000000002',
    size: PHONE,
    act: (page) => page.getByRole('radio', { name: 'Width', exact: true }).click(),
  },
  // Last: what waits in these may arrive once they are closed.
  { name: 'away-phone', path: '/', size: PHONE, act: away },
  // Begins a coupon of its own, so that those before it see the demo as it is loaded.
  { name: 'start-phone', path: '/job/new', size: PHONE, act: freshCoupon },
];

async function reachable(): Promise<void> {
  for (let attempt = 0; attempt < 100; attempt++) {
    const ok = await fetch(`${ADDRESS}/api/health`)
      .then((response) => response.ok)
      .catch(() => false);
    if (ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not come up');
}

async function main(): Promise<void> {
  const only = process.argv[2];
  const data = mkdtempSync(join(tmpdir(), 'jolly-shots-'));
  mkdirSync(OUT, { recursive: true });
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(PORT), DATA_DIR: data },
    stdio: 'inherit',
  });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    await reachable();
    for (const { name, path, size, scheme = 'light', act } of SHOTS.filter(
      (shot) => only === undefined || shot.name.startsWith(only),
    )) {
      const context = await browser.newContext({ viewport: size, colorScheme: scheme, reducedMotion: 'reduce' });
      const page = await context.newPage();
      await page.goto(ADDRESS + path, { waitUntil: 'load' });
      // A page listens to the server for good, so it may never be idle; what it shows has come within this.
      await page.waitForLoadState('networkidle', { timeout: 4000 }).catch(() => undefined);
      if (path === '/') await page.getByRole('button', { name: /^Log bead/, disabled: false }).waitFor();
      await act?.(page);
      await page.waitForTimeout(400);
      await page.screenshot({ path: join(OUT, `${name}.png`) });
      await context.close();
      console.log(name);
    }
    if (only === undefined || 'network'.startsWith(only)) await shootNetwork(browser, OUT, join(data, 'lan'));
  } finally {
    await browser.close();
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}

void main();
