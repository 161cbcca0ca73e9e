import type { EntryPage } from '@/core/record/shapes/log-entry-schema';
import { BOTH_SIZES, expect, expectAccessible, isPhone, test } from '../harness';

test('everything by the day: searched by a trade word, narrowed, and kept so when one comes back to it', async ({
  page,
}) => {
  await page.goto('/log');
  await page.getByRole('tab', { name: 'Day by day' }).click();
  await expect(page.getByRole('heading', { name: 'Day by day' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2, new bracket: / })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('textbox', { name: /^Find: / }).pressSequentially('porosity');
  await expect(page.getByRole('textbox', { name: /^Find: / })).toHaveValue('porosity');
  await expect(page.getByRole('link', { name: /^Bead \d+, / }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2/ })).toHaveCount(0);
  await page.getByRole('textbox', { name: /^Find: / }).fill('');
  await page.getByRole('checkbox', { name: 'Narrow it' }).click();
  const filters = page.getByRole('group', { name: 'Narrow the list' });
  await filters.getByRole('checkbox', { name: 'Parts and cylinders' }).click();
  await filters.getByRole('checkbox', { name: 'Dock set' }).click();
  await page.getByRole('checkbox', { name: 'Narrowed by 2' }).click();
  const tip = page.getByRole('link', { name: 'Fitted, New contact tip: Dock set' });
  await expect(tip.first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead/ })).toHaveCount(0);
  await tip.first().click();
  await expect(page.getByRole('heading', { name: 'Dock set: its parts' })).toBeVisible();
  if (isPhone(page)) await page.goBack();
  await expect(tip.first()).toBeVisible();
  await expect(page).toHaveURL(/what=parts/);
  await page.reload();
  await expect(tip.first()).toBeVisible();
});

test(
  'what a line leads to: beside the list on a wide screen, in its place on a phone',
  { tag: BOTH_SIZES },
  async ({ page }) => {
    await page.goto('/log/days');
    const line = page.getByRole('link', { name: /^Bead 2, Sluice rack 2, new bracket: / });
    const coupon = page.getByRole('heading', { name: 'Sluice rack 2, new bracket' });
    const second = page.getByRole('article', { name: 'Bead 2' });
    if (isPhone(page)) {
      await line.click();
      await expect(coupon).toBeVisible();
      await expect(line).toBeHidden();
      await expect(page.getByRole('article')).toHaveCount(1);
      await page.goBack();
      await expect(line).toBeVisible();
      return;
    }
    // The newest stands open; its line says so.
    await expect(page.getByTestId('long-list').locator('[aria-current=page]')).toHaveCount(1);
    await line.click();
    await expect(line).toHaveAttribute('aria-current', 'page');
    await expect(second).toBeVisible();
    await expect(page.getByRole('article')).toHaveCount(1);
    await page.reload();
    await expect(line).toHaveAttribute('aria-current', 'page');
    await expect(second).toBeVisible();
    await page.getByRole('button', { name: 'All its beads' }).click();
    await expect(page.getByRole('article', { name: 'Bead 1' })).toBeVisible();
    await expect(line).toHaveAttribute('aria-current', 'page');
    // What narrows the list stands in its place while it is asked for.
    await page.getByRole('checkbox', { name: 'Narrow it' }).click();
    await expect(coupon).toHaveCount(0);
    await page.getByRole('checkbox', { name: 'Care', exact: true }).click();
    await page
      .getByRole('link', { name: /^Care, / })
      .first()
      .press('Enter');
    await expect(page.getByRole('heading', { name: /: its care$/ })).toBeVisible();
    await expect(page.getByRole('group', { name: 'Narrow the list' })).toHaveCount(0);
    await expectAccessible(page);
  },
);

test('a long way down and up again: every line of the record in its order', { tag: BOTH_SIZES }, async ({ page }) => {
  const whole: string[] = [];
  for (let after: string | null = ''; after !== null && whole.length < 400;) {
    const answer = await page.request.get(`/api/log${after === '' ? '' : `?after=${after}`}`);
    const { entries, next } = (await answer.json()) as EntryPage;
    whole.push(...entries.map(({ title, says }) => `${title}: ${says}`));
    after = next;
  }
  await page.goto('/log/days');
  const list = page.getByTestId('long-list');
  await expect(list.getByRole('link').first()).toBeVisible();
  /** Returns what stands there now, and from which place of the whole on. */
  const from = async (): Promise<number> => {
    const names = await list
      .getByRole('link')
      .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.replace(/^[^,]*, /, '')));
    const at = whole.findIndex((_, i) => names.every((name, k) => whole[i + k] === name));
    expect(at, names.join(' | ')).toBeGreaterThanOrEqual(0);
    return at;
  };
  /** One stands under the other, with no more between them than the name of a day. */
  const stands = async (): Promise<boolean> => {
    const boxes = await list
      .getByRole('link')
      .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().toJSON() as DOMRect));
    return boxes.slice(1).every(({ top }, i) => top - boxes[i].bottom > 4 && top - boxes[i].bottom < 70);
  };
  expect(await from()).toBe(0);
  const above = (await page.getByRole('checkbox', { name: 'Narrow it' }).boundingBox())!;
  const top = (await list.getByRole('link').first().boundingBox())!;
  expect(top.y - above.y - above.height).toBeLessThan(70);
  const box = (await list.getByRole('link').first().boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 10);
  let deepest = 0;
  for (let i = 0; i < 30; i += 1) {
    await page.mouse.wheel(0, 900);
    await page.waitForTimeout(60);
    deepest = Math.max(deepest, await from());
  }
  expect(deepest).toBeGreaterThan(150);
  await expect.poll(stands).toBe(true);
  for (let i = 0; i < 40; i += 1) {
    await page.mouse.wheel(0, -900);
    await page.waitForTimeout(30);
    await from();
  }
  await expect.poll(from).toBe(0);
  await expect.poll(stands).toBe(true);
  // Where one leaves it for a line, one finds it again.
  await page.mouse.wheel(0, 9000);
  await expect.poll(from).toBeGreaterThan(60);
  await page.waitForTimeout(300);
  const [deep, href] = [await from(), '/coupon/'];
  await list.locator(`[href^="${href}"]`).nth(10).click();
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  if (isPhone(page)) {
    await expect(list).toHaveCount(0);
    await page.goBack();
  }
  await expect.poll(from).toBeGreaterThan(deep - 3);
  if (isPhone(page)) return;
  // Another search is another list.
  await page.getByRole('checkbox', { name: 'Narrow it' }).click();
  await page.getByRole('checkbox', { name: 'Beads', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Day by day' })).toBeInViewport();
  await page.mouse.move(box.x + 40, box.y + 10);
  await expect(list.getByRole('link').nth(9)).toBeAttached();
  // The new list may still be growing when the wheel turns.
  await expect(async () => {
    await page.mouse.wheel(0, 5000);
    await expect(page.getByRole('heading', { name: 'Day by day' })).not.toBeInViewport({ timeout: 1000 });
  }).toPass();
  await page.getByRole('checkbox', { name: 'Beads', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Day by day' })).toBeInViewport();
});

test('a filter that cannot be taken says so and asks nothing; what is like nothing leads back', async ({ page }) => {
  await page.goto('/log/days');
  await page.getByRole('checkbox', { name: 'Narrow it' }).click();
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

test('coupons that were narrowed are so still when one comes back from one of them', async ({ page }) => {
  await page.goto('/log');
  await page.getByRole('radio', { name: 'Not sound yet' }).click();
  await page.getByRole('textbox', { name: 'Find by what it was for' }).fill('bracket');
  const line = page.getByTestId('long-list').getByRole('link', { name: /bracket/i });
  await expect(line.first()).toBeVisible();
  // All that stands there is narrowed to: counted anew until it is, for a bracket stands among all lines too.
  await expect(async () =>
    expect(await page.getByTestId('long-list').getByRole('link').count()).toBe(await line.count()),
  ).toPass();
  await line.last().click();
  await expect(page).toHaveURL(/\/coupon\//);
  await page.getByRole('button', { name: 'To the log' }).click();
  await expect(page.getByRole('radio', { name: 'Not sound yet' })).toBeChecked();
  await expect(page.getByRole('textbox', { name: 'Find by what it was for' })).toHaveValue('bracket');
});
