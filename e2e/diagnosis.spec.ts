import type { Page } from '@playwright/test';
import {
  closeVerdict,
  expect,
  expectAccessible,
  newCoupon,
  openVerdict,
  setAll,
  setKnob,
  tapFinding,
  test,
} from './harness';

/** The verdict's list of causes, likeliest first. */
const topCause = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^${name}.*\\b(?:[3-9]\\d|100) %`) });

test('holes all over with a clogged nozzle: the cover is asked for first, and one tap settles it', async ({ page }) => {
  await newCoupon(page, 'Sponge plate', { thickness: '5' });
  await tapFinding(page, 'See', 'Holes all over');
  await openVerdict(page);
  const checks = page.getByRole('region', { name: 'Check next' });
  await expect(checks.getByText(/^The figure that would tell the most: /)).toBeVisible();
  await expect(checks.getByText(/^Seen: then nozzle or diffuser blocked, (very )?likely\./)).toBeVisible();
  await checks.getByRole('radio', { name: 'Nozzle full of spatter: Seen' }).click();
  await expect(topCause(page, 'Nozzle or diffuser blocked')).toBeVisible();
  await expect(page.getByText('Clean or change the nozzle, clear the diffuser holes.').first()).toBeVisible();
  await expectAccessible(page);
});

test('a procedure is kept to: what the bead wants beyond it is refused, and said', async ({ page }) => {
  await newCoupon(page, 'Signed plate', { thickness: '6' });
  await page.getByRole('link', { name: /^Job: Signed plate/ }).click();
  await page.getByRole('button', { name: 'Keep to a procedure' }).click();
  await page.getByRole('textbox', { name: 'Volts from, V' }).fill('20');
  await page.getByRole('textbox', { name: 'Volts to, V' }).fill('18');
  await expect(page.getByText('Takes a high that is not below its low.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Volts from, V' }).fill('16');
  await page.getByRole('textbox', { name: 'Volts to, V' }).fill('18');
  await page.getByRole('radio', { name: 'short circuit' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await setAll(page, { volts: '16.5', wire: '7.2', stickOut: '10', gas: '11' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await tapFinding(page, 'Feel', 'Wire pushes the gun back');
  await openVerdict(page);
  await expect(page.getByText(/^The bead would want (19|20)(\.\d)? V.*ask whoever signs it\.$/)).toBeVisible();
  await expect(page.getByText(/^16\.5 → 18 V$/).first()).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('button', { name: /^Volts, 1[678](\.\d)? V$/ })).toBeVisible();
  // Kept with the job: the next one to open it finds it.
  await page.getByRole('link', { name: /^Job: Signed plate/ }).click();
  await expect(page.getByRole('textbox', { name: 'Volts to, V' })).toHaveValue('18');
});

test('a bead that came out worse has its change taken back first', async ({ page }) => {
  // Thin enough that less wire still fuses it, thick enough that the volts are turned first.
  await newCoupon(page, 'Worse plate', { thickness: '2.5' });
  await setAll(page, { volts: '17', wire: '6.5', stickOut: '10', gas: '11' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await page.getByRole('button', { name: 'Log bead 1', disabled: false }).click();
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
  await setKnob(page, 'Volts', '19.5');
  await tapFinding(page, 'See', 'Flat, washed out');
  await page.getByRole('button', { name: 'Log bead 2', disabled: false }).click();
  const judge = page.getByRole('group', { name: /^Bead 2 is logged/ });
  await judge.getByRole('button', { name: 'worse' }).click();
  const back = page.getByRole('region', { name: 'Take back first' });
  await expect(back).toContainText('Bead 2 was worse than bead 1');
  await expect(back.getByText(/ → 17 V$/)).toBeVisible();
  await expectAccessible(page);
  await back.getByRole('button', { name: 'Taken back: use these figures' }).click();
  await expect(back).toBeHidden();
  await expect(page.getByRole('button', { name: /^Volts, 17 V/ })).toBeVisible();
  // What that change did counts: what comes next is no change of the same kind.
  const way = page.getByRole('region', { name: 'Another way' });
  await expect(way).toContainText('With what that change did, bead 1 points to');
  await expect(way).toContainText('Less wire');
  // Nothing else on the screen says otherwise.
  await expect(page.getByText(/volts up/i)).toHaveCount(0);
  await expectAccessible(page);
  await way.getByRole('button', { name: 'Use this way' }).click();
  await expect(way).toBeHidden();
});

test('before the first bead the rig is looked at, and what is not right comes before any number', async ({ page }) => {
  await newCoupon(page, 'Looked-at plate', { thickness: '5' });
  await openVerdict(page);
  const looks = page.getByRole('region', { name: 'Before the first bead' });
  const nozzle = looks.getByRole('radiogroup', { name: 'Look into the nozzle' });
  await nozzle.getByRole('radio', { name: /Spatter in it, or holes shut$/ }).click();
  await expect(page.getByText('Clean or change the nozzle, clear the diffuser holes.').first()).toBeVisible();
  await expectAccessible(page);
  await nozzle.getByRole('radio', { name: /Nozzle and gas holes clear$/ }).click();
  await expect(page.getByText('Clean or change the nozzle, clear the diffuser holes.')).toHaveCount(0);
  // What is settled gives way; it can be looked through again, and is good for the day on this rig.
  await expect(nozzle).toBeHidden();
  await looks.getByRole('checkbox', { name: 'Those found fine, 1' }).click();
  await expect(nozzle.getByRole('radio', { name: /Nozzle and gas holes clear$/ })).toBeChecked();
  await newCoupon(page, 'Looked-at plate again', { thickness: '5' });
  await openVerdict(page);
  await expect(looks.getByRole('checkbox', { name: 'Those found fine, 1' })).toBeVisible();
  await expect(nozzle).toBeHidden();
  await closeVerdict(page);
  await tapFinding(page, 'See', 'Holes all over');
  await openVerdict(page);
  await expect(looks).toBeHidden();
  // What was found fine is no more suspected before the rest.
  await expect(topCause(page, 'Nozzle or diffuser blocked')).toHaveCount(0);
});
