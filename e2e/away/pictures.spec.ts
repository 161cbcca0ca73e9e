import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Picture } from '../../core/record/shapes/picture-schema';
import type { CouponPage } from '../../core/record/shapes/record-schema';
import { expect } from '../harness';
import { pageStored, mark, test } from './device';

const FOLDER = join(__dirname, '..', '..', 'server', 'demo', 'pictures');
const [{ file }] = JSON.parse(readFileSync(join(FOLDER, 'drawn.json'), 'utf8')) as { file: { hash: string } }[];

test('a photograph taken with the server away is shown, measured and kept through a restart, and arrives once', async ({
  server,
  device,
}) => {
  const { coupons } = await server.get<CouponPage>('/coupons?text=Towpath');
  const [{ id }] = coupons;
  let { page, context } = await device('phone');
  await page.goto(`/coupon/${id}`);
  await expect(page.getByRole('heading', { name: /^Bead 1/ })).toBeVisible();
  await pageStored(page);
  // The place where photographs are measured is fetched while the server is there.
  await server.stop();
  await page.reload();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Photograph bead 1', exact: true }).click(),
  ]);
  await chooser.setFiles(join(FOLDER, `${file.hash}.jpg`));
  const stage = page.getByRole('img', { name: 'Photograph of bead 1, face' });
  await expect(stage).toBeVisible();
  const box = (await stage.boundingBox())!;
  const tap = (x: number, y: number): Promise<void> =>
    page.touchscreen.tap(box.x + x * box.width, box.y + y * box.width);
  await tap(0.12, 0.46);
  await tap(0.88, 0.48);
  await page.getByRole('textbox', { name: 'How long that is, mm' }).fill('50');
  await page.getByRole('radio', { name: 'Width', exact: true }).click();
  await tap(0.5, 0.19);
  await tap(0.5, 0.3);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'Photograph 1 of bead 1: Face, waits' })).toBeVisible();
  await expect(page.getByText(/^Measured in photographs: Width /)).toBeVisible();
  await expect(mark(page, '2 waiting')).toBeVisible();
  await context.close();

  ({ page, context } = await device('phone'));
  await page.goto(`/coupon/${id}`);
  // The file is on the device, and is shown from there.
  const thumb = page.getByRole('button', { name: 'Photograph 1 of bead 1: Face, waits' }).locator('img');
  await expect.poll(() => thumb.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
  await server.start();
  await expect(mark(page, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  const pictures = await server.get<Picture[]>(`/coupons/${id}/pictures`);
  expect(pictures).toMatchObject([
    { view: 'face', measuring: { scale: { lengthMm: 50 }, sizes: [{ id: 'widthMm' }] } },
  ]);
  await expect(page.getByRole('button', { name: 'Photograph 1 of bead 1: Face', exact: true })).toBeVisible();
  // What was looked at once is there without the server.
  await page.reload();
  await expect(page.getByRole('button', { name: 'Photograph 1 of bead 1: Face', exact: true })).toBeVisible();
  const shown = page.getByRole('button', { name: 'Photograph 1 of bead 1: Face', exact: true }).locator('img');
  await expect.poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
  await server.stop();
  await page.reload();
  await expect.poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
});
