import { closeVerdict, expect, expectAccessible, newCoupon, openVerdict, test } from '../harness';

test('what a machine lets be set is said once, and a start says what the hand does in place of the rest', async ({
  page,
}) => {
  await page.goto('/rig');
  await page.getByRole('button', { name: 'Another rig' }).click();
  await page.getByRole('textbox', { name: 'What the workshop calls it' }).fill('Bare set');
  for (const control of ['burn-back', 'slope tap'])
    await page.getByRole('checkbox', { name: control, exact: true }).click();
  await page.getByRole('checkbox', { name: 'amps', exact: true }).click();
  await expect(page.getByText(/^A start names figures for these/)).toBeVisible();
  const marks = ['Its marks from', 'to'].map((name) => page.getByRole('textbox', { name, exact: true }));
  await marks[0].fill('-5');
  await expect(page.getByText(/^Arc control takes the first and the last mark/)).toBeVisible();
  await marks[1].fill('5');
  await expect(page.getByText(/^Arc control takes the first and the last mark/)).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await newCoupon(page, 'Bare plate', { thickness: '3', rig: 'Bare set' });
  await openVerdict(page);
  await expect(page.getByText(/^Steep tap: /)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Start and end of the arc' }).click();
  await expect(page.getByText(/^Burn-back 0\.1\d? s, 2T\.$/)).toBeVisible();
  await expect(page.getByText(/^No post-flow: hold the nozzle/)).toBeVisible();
  await expect(page.getByText(/^Gas [\d.]+ s/)).toHaveCount(0);
  await closeVerdict(page);
  await page.getByRole('button', { name: 'More settings: travel, angle, arc control' }).click();
  await page.getByRole('button', { name: /^Arc control, / }).click();
  await page.getByRole('textbox', { name: 'Arc control, %' }).fill('70');
  await expect(page.getByRole('button', { name: 'Arc control, 70 %, knob 2' })).toBeVisible();
  // With a meter for the amps they are typed as read, and do not go on to the next bead.
  await page.getByRole('button', { name: /^Wire speed, / }).click();
  await page.getByRole('textbox', { name: 'Wire speed, m/min' }).fill('6');
  await page.getByRole('button', { name: 'Amps read, not known' }).click();
  await expect(page.getByRole('button', { name: 'Amps read up' })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Amps read, A' }).fill('80');
  await openVerdict(page);
  await expect(
    page.getByText(/^The meter says 80 A, clearly under the 1\d\d A that this wire speed gives/),
  ).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('button', { name: 'Amps read, not known' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Wire speed, 6 m/ })).toBeVisible();
  // It is one of the facts of the machine: said of it again when its form is opened.
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await page.getByRole('link', { name: /^Bare set/ }).click();
  await expect(page.getByRole('checkbox', { name: 'slope tap', exact: true })).toBeChecked();
  await page.getByRole('checkbox', { name: 'burn-back', exact: true }).click();
  await page.getByRole('checkbox', { name: 'slope tap', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'none of these', exact: true })).toBeChecked();
});
