import { expect, newCoupon, tapFinding, test } from '../harness';

const sequence = [0, 5, 60, 200, 400, 600];

test('two taps on Log, however far apart, log one bead', async ({ page }) => {
  await newCoupon(page, 'Glove plate');
  for (const [bead, apart] of sequence.entries()) {
    await tapFinding(page, 'See', 'Flat, washed out');
    const log = page.getByRole('button', { name: `Log bead ${bead + 1}` });
    const box = (await log.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await expect(log).toBeEnabled();
    await page.mouse.click(x, y);
    await page.waitForTimeout(apart);
    await page.mouse.click(x, y);
    await expect(page.getByRole('button', { name: `Log bead ${bead + 2}` })).toBeEnabled();
  }
  await expect(page.getByRole('link', { name: /^Bead \d+, / })).toHaveCount(sequence.length);
});

test('leaving the page while a bead is saved neither loses nor doubles it', async ({ page }) => {
  await newCoupon(page, 'Hurried plate');
  await tapFinding(page, 'See', 'Flat, washed out');
  // The server stores it; its answer never comes back.
  await page.route('**/api/changes', async (route) => {
    await route.fetch();
    await new Promise(() => undefined);
  });
  const stored = page.waitForRequest('**/api/changes');
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await stored;
  await page.waitForTimeout(500);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.reload();
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeEnabled();
  await expect(page.getByRole('link', { name: /^Bead \d+, / })).toHaveCount(1);
  await page.getByRole('tab', { name: 'See' }).click();
  await expect(page.getByRole('button', { name: 'Flat, washed out: not looked' })).toBeVisible();
});
