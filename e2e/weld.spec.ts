import { readFileSync } from 'node:fs';
import { expect, expectAccessible, newCoupon, test } from './harness';

test('a proven setting is kept, a weld made with it is rejected, repaired, and followed to sound', async ({ page }, {
  project,
  repeatEachIndex,
}) => {
  const title = `Ladder hook ${project.name} ${repeatEachIndex}`;
  await newCoupon(page, title, { thickness: '6' });
  await page.getByRole('button', { name: 'Use these figures' }).click();
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await page
    .getByRole('group', { name: /How was it\?$/ })
    .getByRole('button', { name: 'sound' })
    .click();

  // What the coupon ended in is kept from the bench, with who judged it and how.
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await expect(page.getByRole('heading', { name: 'Keep this setting' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Bent' }).click();
  await page.getByRole('textbox', { name: 'Judged by' }).fill('');
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await expect(page.getByRole('alert')).toContainText('Your name or initials');
  await page.getByRole('textbox', { name: 'Judged by' }).fill('Ada');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await expect(page.getByText(/^Bead 1, looked at and bent by Ada on /)).toBeVisible();
  await expect(page.getByText('None logged yet.')).toBeVisible();
  await expectAccessible(page);

  // The part is welded with it.
  await page.getByRole('button', { name: 'Log a weld' }).click();
  await page.getByRole('button', { name: 'Log the weld' }).click();
  await expect(page.getByText('What was welded, as the yard calls it.')).toBeVisible();
  await page.getByRole('textbox', { name: 'What was welded' }).fill(`Hook of ${title}`);
  await page.getByRole('textbox', { name: 'Length of weld, mm' }).fill('150');
  await page.getByRole('button', { name: 'Log the weld' }).click();
  await expect(page.getByRole('heading', { name: `Hook of ${title}` })).toBeVisible();

  // Looked at: the limits say so while it is typed, and what was typed outlives a reload.
  await page.getByRole('button', { name: 'Inspect it', exact: true }).click();
  const soFar = page.getByRole('status', { name: 'So far' });
  await expect(soFar).toContainText('Not looked at whole');
  for (const none of ['Cracks', 'Not fused']) await page.getByRole('button', { name: `None: ${none}` }).click();
  await page.getByRole('textbox', { name: 'Holes' }).fill('2.5');
  await expect(page.getByText('A whole number from 0 to 500.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Holes' }).fill('0');
  for (const [tag, figure] of [
    ['Upright leg', '6'],
    ['Flat leg', '6,5'],
    ['Undercut', '1.8'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${tag}: `) }).click();
    await page.getByRole('textbox', { name: `${tag}, mm` }).fill(figure);
  }
  await expect(soFar).toContainText('To repair');
  await expect(soFar).toContainText('Undercut 1.8 mm, allowed 0.7 mm');
  await expect(page.getByText(/^Throat that counts 4\.4 mm/)).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  await expect(soFar).toContainText('Undercut 1.8 mm, allowed 0.7 mm');
  await page.getByRole('radio', { name: 'Stopgap' }).click();
  await expect(soFar).toContainText('allowed 1.2 mm');
  await page.getByRole('radio', { name: 'Everyday' }).click();
  await page.getByRole('textbox', { name: 'Looked at by' }).fill('Bo');
  await page.getByRole('button', { name: 'Keep the inspection' }).click();
  await expect(page.getByRole('heading', { name: 'Inspection 1: to repair' })).toBeVisible();
  await expect(page.getByText('Bo, held to “Everyday”')).toBeVisible();
  await expectAccessible(page);

  // The repair is told step by step, with figures for the machine that is fitted now.
  await page.getByRole('button', { name: 'Repair it' }).click();
  const plan = page.getByRole('region', { name: 'Undercut' });
  await expect(plan.getByRole('checkbox', { name: /^Weld: One thin stringer along the toe/ })).toBeVisible();
  await expect(plan.getByRole('region', { name: /^Figures on / })).toContainText(' V');
  await page.getByRole('button', { name: 'It is repaired' }).click();
  await expect(page.getByText('Tick what was done')).toBeVisible();
  for (const step of await plan.getByRole('checkbox').all()) await step.click();
  await plan.getByRole('button', { name: 'Welded with these' }).click();
  await page.getByRole('textbox', { name: 'Repaired by' }).fill('Ada');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'It is repaired' }).click();
  await expect(page.getByText('It was repaired since it was last looked at.')).toBeVisible();
  await expect(page.getByText(/^Welded at .* V · /)).toBeVisible();

  // And looked at again, to the same limits.
  await page.getByRole('button', { name: 'Inspect it again' }).click();
  for (const none of ['Cracks', 'Not fused', 'Holes'])
    await page.getByRole('button', { name: `None: ${none}` }).click();
  for (const [tag, figure] of [
    ['Upright leg', '6.5'],
    ['Flat leg', '6.5'],
    ['Undercut', '0.2'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${tag}: `) }).click();
    await page.getByRole('textbox', { name: `${tag}, mm` }).fill(figure);
  }
  await expect(soFar).toContainText('Passed');
  await page.getByRole('button', { name: 'Keep the inspection' }).click();
  await expect(page.getByRole('heading', { name: 'Inspection 2: passed' })).toBeVisible();
  // It stands in the list as it stands.
  await page.goto('/weld');
  await page.getByRole('radio', { name: 'Passed' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^Hook of ${title}`) })).toContainText('Passed');
});

test('a proven setting is offered again on the next job, and says that the tip is another now and what that does', async ({
  page,
}, { project, repeatEachIndex }) => {
  // A rig of its own, so that nothing else is proven on it.
  const rig = `Weir set ${project.name} ${repeatEachIndex}`;
  await page.goto('/rig');
  await page.getByRole('button', { name: 'Another rig' }).click();
  await page.getByRole('textbox', { name: 'What the workshop calls it' }).fill(rig);
  await page.getByRole('radiogroup', { name: 'Contact tip' }).getByRole('radio', { name: '0.9 mm' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^${rig}`) })).toBeVisible();
  await newCoupon(page, `Grab rail ${project.name}`, { thickness: '3', rig });
  await page.getByRole('button', { name: 'Use these figures' }).click();
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await page
    .getByRole('group', { name: /How was it\?$/ })
    .getByRole('button', { name: 'sound' })
    .click();
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await page.getByRole('textbox', { name: 'Judged by' }).fill('Ada');
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await expect(page.getByText(/^Bead 1, looked at by Ada on /)).toBeVisible();
  // Somebody fits a larger tip.
  await page.goto('/rig');
  await page.getByRole('link', { name: new RegExp(`^${rig}`) }).click();
  await page.getByRole('radiogroup', { name: 'Contact tip' }).getByRole('radio', { name: '1.2 mm' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  // The next job like it is offered the setting, with a word about the tip.
  await newCoupon(page, `Grab rail again ${project.name}`, { thickness: '3', rig });
  const start = page.getByRole('region', { name: 'Start with' });
  await expect(start.getByText(/^Proven on this rig: Grab rail/)).toBeVisible();
  await expect(start.getByText(/looked at by Ada$/)).toBeVisible();
  await expect(start.getByText('Contact tip: 0.9 mm then, 1.2 mm now')).toBeVisible();
  await expect(start.getByText(/^A loose tip: the current jumps about/)).toBeVisible();
  await start.getByRole('button', { name: 'Use the proven figures' }).click();
  await expect(page.getByRole('button', { name: /^Volts, 1\d/ })).toBeVisible();
  // It is found in the record too, and says the same there.
  await page.goto('/proven');
  await page.getByRole('textbox', { name: 'Find by job, rig, who or note' }).fill(rig.toLowerCase());
  await page.getByRole('button', { name: 'As a file' }).click();
  await page.getByRole('radio', { name: '18,5' }).click();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'The one listed, as CSV' }).click(),
  ]);
  const lines = readFileSync(await saved.path(), 'utf8').split('\n');
  expect([saved.suggestedFilename(), lines.length]).toEqual(['kept-settings.csv', 2]);
  expect(lines[0]).toMatch(/^title;rig;metal;thickness \(mm\);/);
  await page.getByRole('link', { name: new RegExp(`Grab rail ${project.name}`) }).click();
  await expect(page.getByRole('note', { name: 'Fitted otherwise now' })).toContainText('Contact tip');
  await expectAccessible(page);
});
