import { expect, expectAccessible, isPhone, test } from '../harness';

test('everything by the day: searched by a trade word, narrowed, and kept so when one comes back to it', async ({
  page,
}) => {
  await page.goto('/log');
  await page.getByRole('tab', { name: 'Day by day' }).click();
  await expect(page.getByRole('heading', { name: 'Day by day' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2, new bracket: / })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('textbox', { name: /^Find: / }).fill('porosity');
  await expect(page.getByRole('link', { name: /^Bead \d+, / }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2/ })).toHaveCount(0);
  await page.getByRole('textbox', { name: /^Find: / }).fill('');
  if (isPhone(page)) await page.getByRole('checkbox', { name: 'Narrow it' }).click();
  const filters = page.getByRole('group', { name: 'Narrow the list' });
  await filters.getByRole('checkbox', { name: 'Parts and cylinders' }).click();
  await filters.getByRole('checkbox', { name: 'Dock set' }).click();
  if (isPhone(page)) await page.getByRole('checkbox', { name: 'Narrowed by 2' }).click();
  const tip = page.getByRole('link', { name: 'Fitted, New contact tip: Dock set' });
  await expect(tip.first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead/ })).toHaveCount(0);
  await tip.first().click();
  await expect(page.getByRole('heading', { name: 'Dock set', exact: true })).toBeVisible();
  await page.goBack();
  await expect(tip.first()).toBeVisible();
  await expect(page).toHaveURL(/what=parts/);
  await page.reload();
  await expect(tip.first()).toBeVisible();
});

test('a filter that cannot be taken says so and asks nothing; what is like nothing leads back', async ({ page }) => {
  await page.goto('/log/days');
  if (isPhone(page)) await page.getByRole('checkbox', { name: 'Narrow it' }).click();
  await page.getByRole('textbox', { name: /^From the day/ }).fill('2026-02-30');
  await expect(page.getByText('A day such as 2026-05-30.')).toBeVisible();
  await page.getByRole('textbox', { name: /^From the day/ }).fill('2099-01-01');
  await expect(page.getByText('Nothing in the record is like that.')).toBeVisible();
  await page.getByRole('button', { name: 'Everything again' }).last().click();
  await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2, new bracket: / })).toBeVisible();
});

test('two years drawn: beads to sound by rig, causes, worn parts, each with its table', async ({ page }) => {
  await page.goto('/log/charts');
  const all = page.getByRole('img', {
    name: /^All rigs by the month: \d\.\d in the last year, \d\.\d in the one before\.$/,
  });
  await expect(all).toBeVisible();
  await expect(all.locator('svg').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /by the month/ })).toHaveCount(10);
  await page.getByRole('checkbox', { name: 'As a table: All rigs' }).click();
  await expect(page.getByRole('table', { name: 'All rigs' }).getByRole('row')).toHaveCount(24);
  await expect(page.getByRole('table', { name: 'Contact tip: beads that show it, by its age' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'Boat kit' }).click();
  await expect(page.getByRole('img', { name: /^Boat kit by the month/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Dock set by the month/ })).toHaveCount(0);
});
