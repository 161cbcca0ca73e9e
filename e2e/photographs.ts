import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Measuring, Point } from '../core/picture/measure';
import type { CouponPage } from '../core/record/shapes/record-schema';
import { isPhone } from './harness';

/** The photographs of the demo, with what is true of each by the drawing it was made from. */
const FOLDER = join(__dirname, '..', 'server', 'demo', 'pictures');
const DRAWN = JSON.parse(readFileSync(join(FOLDER, 'drawn.json'), 'utf8')) as {
  file: { hash: string };
  measuring: Measuring | null;
}[];
export const RULED = DRAWN[2];
export const photograph = join(FOLDER, `${RULED.file.hash}.jpg`);

export const couponCalled = async (page: Page, title: string): Promise<string> => {
  const { coupons } = (await (await page.request.get('/api/coupons?limit=200')).json()) as CouponPage;
  return coupons.find((one) => one.title === title)!.id;
};

export async function choose(page: Page, button: string, file: string): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button, exact: true }).click(),
  ]);
  await chooser.setFiles(file);
}

/** Taps a place of the photograph, in parts of its width, as the device is tapped. */
export async function tapAt(page: Page, [x, y]: Point): Promise<void> {
  const stage = page.getByRole('img', { name: /^Photograph of / });
  await stage.scrollIntoViewIfNeeded();
  const box = (await stage.boundingBox())!;
  const [at, down] = [box.x + x * box.width, box.y + y * box.width];
  if (isPhone(page)) await page.touchscreen.tap(at, down);
  else await page.mouse.click(at, down);
}

/** The last size that is written, mm. */
export async function measuredHole(page: Page): Promise<number[]> {
  const row = page.getByText(/^[\d.]+ ± [\d.]+ mm$/).last();
  return [Number((await row.innerText()).split(' ')[0])];
}
