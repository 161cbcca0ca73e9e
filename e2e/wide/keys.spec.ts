import { expect, newCoupon, setKnob, test } from '../harness';

test('the keys work the bench on a wide screen', async ({ page }) => {
  await newCoupon(page, 'Keyboard plate');
  await setKnob(page, 'Volts', '18');
  await page.locator('body').press('ArrowUp');
  await expect(page.getByRole('button', { name: 'Volts, 18.2 V' })).toBeVisible();
  await page.locator('body').press('u');
  await expect(page.getByRole('button', { name: 'Volts, 18 V' })).toBeVisible();
  await page.locator('body').press('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
  await page.locator('body').press('/');
  await expect(page.getByRole('searchbox', { name: 'Word to find' })).toBeFocused();
  await page.getByRole('searchbox', { name: 'Word to find' }).blur();
  await page.locator('body').press('n');
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
});

test('a key that is held logs one bead', async ({ page }) => {
  await newCoupon(page, 'Leaning plate');
  await setKnob(page, 'Volts', '18');
  await expect(page.getByRole('button', { name: 'Log bead 1' })).toBeEnabled();
  for (let i = 0; i < 10; i++) {
    await page.keyboard.down('n');
    await page.waitForTimeout(100);
  }
  await page.keyboard.up('n');
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeEnabled();
  await page.waitForTimeout(500);
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
});
