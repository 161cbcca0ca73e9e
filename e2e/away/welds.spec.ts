import type { SavedSettingPage } from '../../core/record/shapes/saved-setting-schema';
import type { WeldPage } from '../../core/record/shapes/weld-schema';
import { expect, newCoupon } from '../harness';
import { pageStored, mark, test } from './device';

test('a setting kept, a weld logged, inspected and repaired without the server: shown at once, and all of it arrives', async ({
  server,
  device,
}) => {
  const { page } = await device('phone');
  await newCoupon(page, 'Eel pass, hinge', { thickness: '6' });
  await pageStored(page);
  await server.stop();
  await page.getByRole('button', { name: 'Use these figures' }).click();
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await page
    .getByRole('group', { name: /How was it\?$/ })
    .getByRole('button', { name: 'sound' })
    .click();
  await page.getByRole('button', { name: 'Keep the setting' }).click();
  await page.getByRole('textbox', { name: 'Judged by' }).fill('Ada');
  // Two taps where one was meant.
  await page.getByRole('button', { name: 'Keep the setting' }).dblclick();
  await expect(page.getByText(/^Bead 1, looked at by Ada on /)).toBeVisible();
  await page.getByRole('button', { name: 'Log a weld' }).click();
  await page.getByRole('textbox', { name: 'What was welded' }).fill('Hinge of the eel pass');
  await page.getByRole('textbox', { name: 'Length of weld, mm' }).fill('120');
  await page.getByRole('button', { name: 'Log the weld' }).dblclick();
  await page.getByRole('button', { name: 'Inspect it', exact: true }).click();
  for (const none of ['Not fused', 'Holes']) await page.getByRole('button', { name: `None: ${none}` }).click();
  await page.getByRole('textbox', { name: 'Cracks, mm' }).fill('8');
  await page.getByRole('button', { name: 'Keep the inspection' }).dblclick();
  await expect(page.getByRole('heading', { name: 'Inspection 1: to repair' })).toBeVisible();
  await page.getByRole('button', { name: 'Repair it' }).click();
  await page.getByRole('checkbox', { name: /^Take out: Take it out to 10 mm past each end/ }).click();
  await page.getByRole('button', { name: 'It is repaired' }).dblclick();
  await expect(page.getByText('It was repaired since it was last looked at.')).toBeVisible();
  // It outlives a reload, with the server still away, and is found in its list.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Repaired: crack' })).toBeVisible();
  await page.goto('/weld');
  await expect(page.getByRole('link', { name: /^Hinge of the eel pass/ })).toHaveCount(1);
  await page.goto('/proven');
  await expect(page.getByRole('link', { name: /Eel pass, hinge/ })).toHaveCount(1);

  await server.start();
  await expect(mark(page, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  const { welds } = await server.get<WeldPage>('/welds?text=eel');
  expect(welds).toMatchObject([
    { state: 'to-inspect', inspections: [{ judged: { verdict: 'repair' } }], repairs: [{}] },
  ]);
  const { proven } = await server.get<SavedSettingPage>('/proven?text=eel');
  expect(proven).toMatchObject([{ by: 'Ada', welds: 1 }]);
});
