import { rulerOf } from '../../core/picture/measure';
import { expect, test } from '../harness';
import { couponCalled, measuredHole, RULED, tapAt } from '../photographs';

// The mouse slides as a finger does.
test('a finger that slides moves what it holds finely, under a magnifier', async ({ page }) => {
  const id = await couponCalled(page, 'Swing bridge handrail, tube stub');
  await page.goto(`/coupon/${id}`);
  await page.getByRole('button', { name: /^Photograph 1 of bead 1: Face/ }).click();
  const stage = page.getByRole('img', { name: /^Photograph of / });
  await expect(stage).toBeVisible();
  await page.getByRole('radio', { name: 'Hole', exact: true }).click();
  await tapAt(page, [0.3, 0.3]);
  const box = (await stage.boundingBox())!;
  const [x, y] = [box.x + 0.4 * box.width, box.y + 0.3 * box.width];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const [before] = await measuredHole(page);
  await page.mouse.move(x + 80, y, { steps: 4 });
  const [after] = await measuredHole(page);
  await page.mouse.up();
  // 80 points of the finger are 20 of the picture.
  const scale = rulerOf(RULED.measuring!)!.mmPerWidth;
  expect(after - before).toBeCloseTo((20 / box.width) * scale, 0);
  expect(after).toBeGreaterThan(before + 0.5);
});
