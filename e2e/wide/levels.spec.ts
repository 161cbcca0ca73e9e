import { expect, expectAccessible, test } from '../harness';

// The table is one for the whole workshop, and both widths share a server: it is edited at one of them.
test('the limits are this workshop’s own: edited, and what they were before stays on what was judged', async ({
  page,
}) => {
  await page.goto('/levels');
  await page.getByRole('radio', { name: 'Careful' }).click();
  const overlap = page.getByRole('textbox', { name: 'Overlap, mm' });
  await overlap.fill('11');
  await expect(page.getByText('A figure from 0 to 10 mm.')).toBeVisible();
  await overlap.fill('0.2');
  await page.getByRole('button', { name: 'Keep the limits' }).click();
  await expect(overlap).toHaveValue('0.2');
  await expectAccessible(page);
  await page.reload();
  await page.getByRole('radio', { name: 'Careful' }).click();
  await expect(overlap).toHaveValue('0.2');
  await page.getByRole('button', { name: 'As it was at first' }).click();
  await expect(overlap).toHaveValue('0');
});
