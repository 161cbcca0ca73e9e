import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Draws public/icon.svg as the PNG icons that phones want. Run when the drawing changes. */
const PUBLIC = join(__dirname, '..', 'public');
const GROUND = '#1e4254';
/** A phone cuts a maskable icon to a shape of its own: the drawing stays within its middle four fifths. */
const ICONS = [
  { name: 'icon-192', size: 192, share: 1 },
  { name: 'icon-512', size: 512, share: 1 },
  { name: 'icon-maskable-512', size: 512, share: 0.72 },
];

async function main(): Promise<void> {
  const drawing = readFileSync(join(PUBLIC, 'icon.svg'), 'utf8');
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox'],
  });
  for (const { name, size, share } of ICONS) {
    const page = await browser.newPage({ viewport: { width: size, height: size } });
    const inner = Math.round(size * share);
    await page.setContent(
      `<style>body{margin:0;width:${size}px;height:${size}px;display:grid;place-items:center;${share < 1 ? `background:${GROUND}` : ''}}svg{width:${inner}px;height:${inner}px}</style>${drawing}`,
    );
    await page.screenshot({ path: join(PUBLIC, `${name}.png`), omitBackground: share === 1 });
    await page.close();
  }
  await browser.close();
}
void main();
