import type { Page } from '@playwright/test';
import { ONE_MORE_ANSWER, closeVerdict, expect, newCoupon, openVerdict, setAll, tapFinding, test } from '../harness';

/** The verdict's list of causes, likeliest first. */
const topCause = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^${name}.*\\b(?:[3-9]\\d|100) %`) });

test('a cold ropey bead that is balanced but too cold gets wire and volts together', async ({ page }) => {
  await newCoupon(page, 'Cold plate', { thickness: '6' });
  await setAll(page, { volts: '17.2', wire: '4.5', stickOut: '11', gas: '11' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await tapFinding(page, 'Hear', 'Crisp crackle');
  await tapFinding(page, 'Behind', 'No mark behind');
  await openVerdict(page);
  await expect(topCause(page, 'Too cold for the plate')).toBeVisible();
  await expect(page.getByText('More wire', { exact: true })).toBeVisible();
  await expect(page.getByText('Volts up', { exact: true })).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('button', { name: /^Volts, (19|20|21)(\.\d)? V$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Wire speed, (7|8|9)(\.\d)? m\/min$/ })).toBeVisible();
});

test(
  'burn-through on thin sheet against a thick bracket: less wire, or aim at the thick part',
  { tag: ONE_MORE_ANSWER },
  async ({ page }) => {
    await newCoupon(page, 'Bracket on sheet', { thickness: '1.2' });
    await page.getByRole('link', { name: /^Job: Bracket on sheet/ }).click();
    await page.getByRole('textbox', { name: 'Other part, mm' }).fill('6');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await setAll(page, { volts: '20', wire: '7.5', stickOut: '11', gas: '11' });
    await tapFinding(page, 'See', 'Blown through');
    await openVerdict(page);
    await expect(topCause(page, 'Too hot for the plate')).toBeVisible();
    await expect(page.getByText('Less wire', { exact: true })).toBeVisible();
    await expect(page.getByText(/^Edge thinner than the plate/).first()).toBeVisible();
  },
);

test('surging wire leads into the feed, by hand and wood', { tag: ONE_MORE_ANSWER }, async ({ page }) => {
  await newCoupon(page, 'Surging plate', { thickness: '5' });
  await setAll(page, { volts: '20', wire: '7.5', stickOut: '11', gas: '11' });
  await tapFinding(page, 'Feel', 'Wire surges');
  await openVerdict(page);
  const checks = page.getByRole('region', { name: 'Check next' });
  await checks
    .getByRole('radio', {
      name: /^(Feed against dry wood: Rolls slip|Pull wire by hand: Drags or jerks|Lay the gun cable straight: Feed smooths out)$/,
    })
    .first()
    .click();
  await expect(
    page.getByRole('button', {
      name: /^(Roll tension too loose|Liner dirty or kinked|Gun cable bent).*\b(?:[5-9]\d|100) %/,
    }),
  ).toBeVisible();
  await expect(page.getByText(/Welder off before hands go into the feeder/).first()).toBeVisible();
});

test('reversed polarity is found at the studs', { tag: ONE_MORE_ANSWER }, async ({ page }) => {
  await newCoupon(page, 'Swapped leads', { thickness: '4' });
  await setAll(page, { volts: '20', wire: '7.5', stickOut: '11', gas: '11' });
  await tapFinding(page, 'Feel', 'Arc wanders');
  await tapFinding(page, 'See', 'Heavy spatter');
  await tapFinding(page, 'See', 'Ropey, humped');
  await tapFinding(page, 'See', 'Blobs on the plate');
  await openVerdict(page);
  // It may be the look that is done first, or one of those after it.
  await page.getByRole('radio', { name: 'Read the studs: Swapped for this wire' }).click();
  await expect(topCause(page, 'Polarity reversed')).toBeVisible();
  await expect(page.getByText(/^Swap the leads/).first()).toBeVisible();
});

test('what does not go together is said, not averaged away', async ({ page }) => {
  await newCoupon(page, 'Odd plate', { thickness: '5' });
  await tapFinding(page, 'Hear', 'Crisp crackle');
  await tapFinding(page, 'Feel', 'Wire pushes the gun back');
  await openVerdict(page);
  await expect(
    page.getByText(/"crisp crackle" and "wire pushes the gun back" do not go together: look again/),
  ).toBeVisible();
});

test('asks for the one figure that would tell the most, and opens its knob', async ({ page }) => {
  await newCoupon(page, 'Asking plate', { thickness: '5' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await openVerdict(page);
  await expect(page.getByText('The figure that would tell the most: wire speed.')).toBeVisible();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await page.getByRole('textbox', { name: 'Wire speed, m/min' }).fill('7.5');
  await openVerdict(page);
  await expect(page.getByText('The figure that would tell the most: volts.')).toBeVisible();
});

test('a guessed figure speaks more softly than a measured one', async ({ page }) => {
  await newCoupon(page, 'Guessing plate', { thickness: '6' });
  await setAll(page, { volts: '17', wire: '7.5', stickOut: '11', gas: '11' });
  await openVerdict(page);
  await expect(topCause(page, 'Voltage too low')).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: /^Volts, 17 V/ }).click();
  await page.getByRole('radiogroup', { name: 'How volts was got' }).getByRole('radio', { name: 'a guess' }).click();
  await expect(page.getByRole('radio', { name: 'a guess' })).toBeChecked();
  await page.getByRole('button', { name: 'Done' }).click();
  await openVerdict(page);
  await expect(page.getByRole('button', { name: /^Voltage too low.*very likely/ })).toHaveCount(0);
});

test('a machine whose arc control rises toward crisp shows its own dial', async ({ page }) => {
  await newCoupon(page, 'Crisp dial plate', { thickness: '3' });
  await page.getByRole('link', { name: /^Job: Crisp dial plate/ }).click();
  await page.getByRole('radio', { name: 'Blue cart set' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'More settings: travel, angle, arc control' }).click();
  await page.getByRole('button', { name: /^Arc control, / }).click();
  await page.getByRole('textbox', { name: 'Arc control, %' }).fill('80');
  await expect(page.getByRole('button', { name: 'Arc control, 80 %, knob 20' })).toBeVisible();
});
