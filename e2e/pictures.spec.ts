import type { Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { lengthOf, rulerOf } from '../core/picture/measure';
import type { Picture } from '../core/record/shapes/picture-schema';
import type { WeldPage } from '../core/record/shapes/weld-schema';
import { BOTH_SIZES, expect, expectAccessible, test } from './harness';
import { choose, couponCalled, measuredHole, photograph, RULED, tapAt } from './photographs';

/** Returns what stands for a size that is being measured: the figure, and how far it may be off. */
async function measured(page: Page): Promise<[number, number]> {
  const text = await page
    .getByText(/^[\d.]+ ± [\d.]+ mm$/)
    .first()
    .innerText();
  const [, mm, off] = /^([\d.]+) ± ([\d.]+) mm$/.exec(text)!;
  return [Number(mm), Number(off)];
}

test('a photograph of a bead is attached, measured by touch within what it says of itself, and kept', async ({
  page,
}) => {
  const id = await couponCalled(page, 'Towpath grating, bearing bars');
  const { scale, sizes, ...rest } = RULED.measuring!;
  const [first, second] = sizes;
  const truth = (of: typeof first): number => lengthOf(rulerOf({ scale, ...rest })!, of.from, of.to, rest.fineness).mm;
  await page.goto(`/coupon/${id}`);
  await choose(page, 'Photograph bead 1', photograph);
  await expect(page.getByRole('heading', { name: 'Bead 1: photograph' })).toBeVisible();
  // Nothing is measured before something of known size is.
  await expect(page.getByRole('radio', { name: 'Width' })).toHaveCount(0);
  await tapAt(page, scale!.from);
  await tapAt(page, scale!.to);
  await page.getByRole('textbox', { name: 'How long that is, mm' }).fill('0');
  await expect(page.getByText('A length from 0.2 to 2000 mm.')).toBeVisible();
  await page.getByRole('button', { name: 'Rule: 50 mm' }).click();
  await page.getByRole('radio', { name: 'Width', exact: true }).click();
  await tapAt(page, first.from);
  await tapAt(page, first.to);
  const [mm, off] = await measured(page);
  expect(Math.abs(mm - truth(first))).toBeLessThanOrEqual(off);
  expect(off).toBeLessThan(1);
  // Held by eye: never surer than 2.8 % twice over.
  expect(off).toBeGreaterThan(0.05 * mm - 0.05);
  // What is held is moved point by point: down makes it wider.
  for (let i = 0; i < 12; i += 1) await page.getByRole('button', { name: 'Down', exact: true }).click();
  expect((await measured(page))[0]).toBeGreaterThan(mm);
  for (let i = 0; i < 12; i += 1) await page.getByRole('button', { name: 'Up', exact: true }).click();
  expect((await measured(page))[0]).toBe(mm);
  await expectAccessible(page);
  // What was tapped outlives a reload.
  await page.reload();
  expect((await measured(page))[0]).toBe(mm);
  await tapAt(page, second.from);
  await tapAt(page, second.to);
  await page.getByRole('textbox', { name: 'Note' }).fill('Brushed, rule beside it.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  const group = page.getByRole('group', { name: 'Photographs of bead 1' });
  await expect(group.getByText(/^Measured in photographs: Width [\d.]+ ± [\d.]+ mm \(mean of 2\)$/)).toBeVisible();
  const sent = async (): Promise<Picture | undefined> =>
    ((await (await page.request.get(`/api/coupons/${id}/pictures`)).json()) as Picture[]).find(
      ({ note }) => note === 'Brushed, rule beside it.',
    );
  await expect.poll(sent).toMatchObject({ view: 'face', measuring: { scale: { lengthMm: 50 }, sizes: [{}, {}] } });
  // Opened again it stands as it was kept; a place taken away is gone, and the photograph taken away is gone from the coupon.
  await group
    .getByRole('button', { name: /^Photograph 1 of bead 1: Face/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Take width away' }).first().click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(group.getByText(/Width [\d.]+ ± [\d.]+ mm$/)).toBeVisible();
  await group
    .getByRole('button', { name: /^Photograph 1 of bead 1: Face/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(group.getByText(/Measured in photographs/)).toHaveCount(0);
  await expect.poll(sent).toBeUndefined();
});

test('a size measured in a photograph of a weld goes into its inspection', async ({ page }) => {
  const { welds } = (await (await page.request.get('/api/welds?text=Mooring+ring+15')).json()) as WeldPage;
  await page.goto(`/weld/${welds[0].id}`);
  await page.getByRole('button', { name: /^Photograph 1 of the weld: Face/ }).click();
  const { scale } = RULED.measuring!;
  await expect(page.getByRole('img', { name: /^Photograph of / })).toBeVisible();
  if ((await page.getByRole('radio', { name: 'Hole', exact: true }).count()) === 0) {
    await tapAt(page, scale!.from);
    await tapAt(page, scale!.to);
    await page.getByRole('textbox', { name: 'How long that is, mm' }).fill('50');
  }
  await page.getByRole('radio', { name: 'Hole', exact: true }).click();
  await tapAt(page, [0.5, 0.2]);
  await tapAt(page, [0.55, 0.2]);
  const [mm] = await measuredHole(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page
    .getByRole('button', { name: /^Inspect|^Look at|^Repair it/ })
    .first()
    .waitFor();
  await page.goto(`/weld/${welds[0].id}/inspect`);
  await page.getByRole('textbox', { name: 'Holes' }).fill('3');
  await page.getByRole('button', { name: 'Put in: hole from photographs' }).click();
  await expect(page.getByRole('textbox', { name: 'Largest hole, mm' })).toHaveValue(String(mm));
  await expect(page.getByRole('button', { name: 'Is in: hole from photographs' })).toBeDisabled();
});

test('a file that is no photograph is refused in a sentence, here or by the server, and can be thrown away', async ({
  page,
  faults,
}, info) => {
  const id = await couponCalled(page, 'Towpath grating, bearing bars');
  await page.goto(`/coupon/${id}`);
  const html = info.outputPath('bead.png');
  writeFileSync(html, '<!doctype html><script>alert(1)</script>');
  await choose(page, 'Photograph of bead 2 from a file', html);
  await expect(page.getByText('Not taken. This file is no picture that this device can show.')).toBeVisible();
  // The device can show it; only the server sees that nobody knows which way is up.
  const broken = info.outputPath('broken.jpg');
  const file = readFileSync(photograph);
  const exif = Buffer.concat([Buffer.from('Exif\0\0II*\0', 'latin1'), Buffer.from([0xf0, 0xff, 0xff, 0x7f, 0, 0])]);
  const length = Buffer.alloc(2);
  length.writeUInt16BE(exif.length + 2);
  writeFileSync(
    broken,
    Buffer.concat([file.subarray(0, 2), Buffer.from([0xff, 0xe1]), length, exif, file.subarray(2)]),
  );
  await choose(page, 'Photograph of bead 2 from a file', broken);
  await expect(page.getByRole('navigation').getByText('1 refused')).toBeVisible();
  await page.goto('/waiting');
  await expect(page.getByText(/What the camera wrote into this picture \(EXIF\) is broken/)).toBeVisible();
  await page.getByRole('button', { name: 'Throw it away', exact: true }).click();
  await page.getByRole('button', { name: 'Throw it away for good' }).click();
  await expect(page.getByRole('navigation').getByText('1 refused')).toHaveCount(0);
  expect(faults.splice(0).filter((fault) => !/422/.test(fault))).toEqual([]);
});

test(
  'two beads lie side by side, drawn or photographed, with what differs in heavy type',
  { tag: BOTH_SIZES },
  async ({ page }) => {
    const id = await couponCalled(page, 'Mooring ring, 10 mm back plate');
    await page.goto(`/coupon/${id}`);
    await page.getByRole('button', { name: 'Side by side' }).click();
    const left = page.getByRole('group', { name: /^Left: / });
    const right = page.getByRole('group', { name: /^Right: / });
    await left.getByRole('radio', { name: '1: left' }).click();
    await left.getByRole('radio', { name: 'Etched section: left' }).click();
    await right.getByRole('radio', { name: 'Etched section: right' }).click();
    await expect(page.getByRole('img', { name: 'Bead 1: Etched section' })).toBeVisible();
    await expect(page.getByRole('img', { name: 'Bead 3: Etched section' })).toBeVisible();
    const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });
    await expect(row('Judged')).toHaveText('Judgednot judgedsound');
    await expect(row('Volts')).toHaveText('Volts17.4 V22.2 V');
    await expect(row('Penetration, in photographs')).toHaveText(/0\.\d ± 0\.\d mm\d(\.\d)? ± 0\.\d mm/);
    await expectAccessible(page);
  },
);
