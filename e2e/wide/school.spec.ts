import { expect, expectAccessible, test } from '../harness';

test('drills by keyboard: eye, knob and order', async ({ page }) => {
  await page.goto('/school/by-eye');
  const eye = page.getByRole('region', { name: 'By eye', exact: true });
  for (let turn = 0; turn < 2; turn++) {
    await expect(eye.getByRole('group', { name: 'Which of these does it show?' })).toBeVisible({ timeout: 15_000 });
    if (turn === 0) await expectAccessible(page);
    await page.keyboard.press('1');
    await expect(eye.getByText(/^It shows: /)).toBeVisible();
    await expect(eye.getByRole('group', { name: 'And the likeliest cause?' })).toBeVisible();
    await page.keyboard.press('2');
    const next = eye.getByRole('button', { name: 'Next bead' });
    await expect(next).toBeVisible();
    await page.keyboard.press('Enter');
    // What stood there for the bead before is gone.
    await expect(next).toBeHidden();
  }
  await expect(eye.getByText(/of the last 2 right$/)).toBeVisible();

  await page.goto('/school/one-knob');
  const knob = page.getByRole('region', { name: 'Turn one knob', exact: true });
  await expect(knob.getByRole('radio')).toHaveCount(5);
  await expectAccessible(page);
  await page.keyboard.press('3');
  await expect(knob.getByRole('radio', { name: 'Bead 3' })).toBeChecked();
  await page.keyboard.press('r');
  await expect(knob.getByText(/^(Right: |Bead \d is: )/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(knob.getByRole('button', { name: 'Bead 1 is right' })).toBeVisible();

  await page.goto('/school/what-first');
  const first = page.getByRole('region', { name: 'What first?', exact: true });
  const checks = first.getByRole('group', { name: 'Checks' }).getByRole('button');
  await expect(checks.first()).toBeVisible({ timeout: 15_000 });
  await expectAccessible(page);
  const count = await checks.count();
  for (let i = 0; i < count; i++) await checks.nth(i).click();
  await expect(first.getByText(/pairs in order/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(first.getByText(/^Step [12] of 8, [01] of the last 1 right$/)).toBeVisible();
  // A place of the School that is not there leads to it.
  await page.goto('/school/nothing');
  await expect(page.getByRole('heading', { name: 'School', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'What I tell apart' })).toBeVisible();
});
