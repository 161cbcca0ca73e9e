import { expect, expectAccessible, test } from '../harness';

test('an empty workshop leads from nothing to a first bead', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('An empty bench')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'New coupon' }).click();
  await expect(page.getByText('No rig yet')).toBeVisible();
  await page.getByRole('button', { name: 'Set up a rig' }).click();
  await page.getByRole('textbox', { name: 'What the workshop calls it' }).fill('Yard set');
  await page.getByRole('radiogroup', { name: 'Wire diameter' }).getByRole('radio', { name: '0.8 mm' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('link', { name: /^Yard set/ })).toBeVisible();
  await page.goto('/log');
  await expect(page.getByText('Nothing logged yet')).toBeVisible();
  await page.getByRole('button', { name: 'New coupon' }).click();
  await page.getByRole('textbox', { name: 'What is it for?' }).fill('First plate');
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill('2');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByRole('region', { name: 'Coupon: First plate' })).toBeVisible();
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('button', { name: /^Volts, \d/ })).toBeVisible();
});
