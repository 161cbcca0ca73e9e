import type { Page } from '@playwright/test';
import { ONE_MORE_ANSWER, closeVerdict, expect, newCoupon, openVerdict, setAll, tapFinding, test } from '../harness';

/** The figure on a knob of the bench. */
async function figureOn(page: Page, setting: string): Promise<number> {
  const knob = page.getByRole('button', { name: new RegExp(`^${setting}, [0-9.]+ `) });
  const name = (await knob.getAttribute('aria-label')) ?? '';
  return Number(/, ([0-9.]+) /.exec(name)![1]);
}

test('a cold bead on sheet gets more wire and the volts for it, and is not halved for being sheet', async ({
  page,
}) => {
  await newCoupon(page, 'Cold sheet', { thickness: '1' });
  await setAll(page, { volts: '14.5', wire: '2.4', stickOut: '10', gas: '11' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await tapFinding(page, 'See', 'Cold lap');
  await tapFinding(page, 'Behind', 'No mark behind');
  await openVerdict(page);
  await expect(page.getByText('More wire', { exact: true })).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: 'Log bead 1', disabled: false }).click();
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
  const wire = await figureOn(page, 'Wire speed');
  expect(wire).toBeGreaterThan(2.5);
  expect(wire).toBeLessThan(3.6);
  expect(await figureOn(page, 'Volts')).toBeGreaterThan(14.8);
});

test(
  'burn-through on sheet takes wire out at once, with the volts that go with it',
  { tag: ONE_MORE_ANSWER },
  async ({ page }) => {
    await newCoupon(page, 'Blown sheet', { thickness: '1' });
    await setAll(page, { volts: '17.5', wire: '5.5', stickOut: '10', gas: '11' });
    await tapFinding(page, 'See', 'Blown through');
    await openVerdict(page);
    await expect(page.getByRole('button', { name: /^Too hot for the plate.*very likely/ })).toBeVisible();
    await expect(page.getByText('Less wire', { exact: true })).toBeVisible();
    await closeVerdict(page);
    await page.getByRole('button', { name: 'Log bead 1', disabled: false }).click();
    await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
    expect(await figureOn(page, 'Wire speed')).toBeLessThan(4);
    expect(await figureOn(page, 'Volts')).toBeLessThan(16.6);
  },
);

test(
  'an overhead plate stays overhead: what the puddle holds up is the limit, however cold the bead',
  { tag: ONE_MORE_ANSWER },
  async ({ page }) => {
    await newCoupon(page, 'Overhead plate', { thickness: '8', position: 'overhead' });
    await openVerdict(page);
    await expect(page.getByText(/overhead a pass of this wire holds up about \d+ A/)).toBeVisible();
    await page.getByRole('button', { name: 'Use these figures' }).click();
    await closeVerdict(page);
    const wire = await figureOn(page, 'Wire speed');
    expect(wire).toBeLessThan(5);
    await tapFinding(page, 'See', 'Cold lap');
    await tapFinding(page, 'Behind', 'No mark behind');
    await openVerdict(page);
    await expect(page.getByText(/overhead a pass of this wire holds up about \d+ A/)).toBeVisible();
    await closeVerdict(page);
    await page.getByRole('button', { name: 'Log bead 1', disabled: false }).click();
    await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
    expect(await figureOn(page, 'Wire speed')).toBeLessThan(wire + 0.5);
  },
);
