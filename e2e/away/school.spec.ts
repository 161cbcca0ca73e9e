import { expect, newCoupon } from '../harness';
import { pageStored, test } from './device';

test('the School and the listening open without the server, once the page has been there', async ({
  server,
  device,
}) => {
  const { page } = await device('phone');
  await newCoupon(page, 'Before the school');
  await pageStored(page);
  await server.stop();
  await page.goto('/school');
  await page.getByRole('link', { name: 'By eye' }).click();
  const eye = page.getByRole('region', { name: 'By eye', exact: true });
  await expect(eye.getByRole('group', { name: 'Which of these does it show?' })).toBeVisible({ timeout: 15_000 });
  await page.keyboard.press('1');
  await expect(eye.getByText(/^It shows: /)).toBeVisible();
  await page.goto('/school/by-ear');
  const ear = page.getByRole('region', { name: 'By ear', exact: true });
  await ear.getByRole('group', { name: 'What is it?' }).getByRole('button').first().click();
  await expect(ear.getByText(/a second|No crackle/).first()).toBeVisible({ timeout: 15_000 });
  await page.goto('/');
  await page.getByRole('tab', { name: 'Hear' }).click();
  await page.getByRole('button', { name: /^Let it listen/ }).click();
  await expect(page.getByRole('button', { name: 'Record the arc' })).toBeVisible();
});
