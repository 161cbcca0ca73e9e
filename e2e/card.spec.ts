import { readFileSync } from 'node:fs';
import { BOTH_SIZES, expect, expectAccessible, newCoupon, test } from './harness';

test(
  'a coupon becomes a job card of one page: job, rig, settings, how it is run, and who answers for it',
  { tag: BOTH_SIZES },
  async ({ page }, { project, repeatEachIndex }) => {
    // The two widths share a server: each has a coupon of its own.
    const title = `Hatch hinge ${project.name} ${repeatEachIndex}`;
    await newCoupon(page, title, { thickness: '4' });
    await page.getByRole('button', { name: 'Use these figures' }).click();
    await page.getByRole('button', { name: 'Log bead 1' }).click();
    await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeVisible();
    await page.goto('/log');
    await page.getByRole('link', { name: new RegExp(`^${title}`) }).click();
    await page.getByRole('button', { name: 'Job card' }).click();
    await expect(page.getByRole('heading', { name: title })).toBeVisible();
    await expect(
      page.getByText(/^As bead 1 was run, .*\. Not judged sound yet: run a trial bead first\.$/),
    ).toBeVisible();
    await expect(page.getByRole('region', { name: 'Set' }).getByText(/ V$/)).toBeVisible();
    await expect(page.getByText(/^About 1\d\d A in short circuit; a leg of about/)).toBeVisible();
    await expect(page.getByText(/^Shade 1\d/)).toBeVisible();
    await expect(page.getByText('Welded by')).toBeVisible();
    await expectAccessible(page);
    const paper = (await page.pdf({ format: 'A4' })).toString('latin1');
    expect(paper.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
    // It outlives a reload, and leads back.
    await page.reload();
    await expect(page.getByText('Welded by')).toBeVisible();
    await page.getByRole('button', { name: 'Back' }).click();
    await page.getByRole('button', { name: 'Judge or note' }).click();
    await page.getByRole('radio', { name: 'sound', exact: true }).click();
    await page.getByRole('button', { name: 'Keep it' }).click();
    // The same coupon as a file.
    await page.getByRole('button', { name: 'As a file' }).click();
    const files = page.getByRole('region', { name: 'As a file' });
    await files.getByRole('radio', { name: '18,5' }).click();
    for (const kind of ['CSV', 'JSON']) {
      const [saved] = await Promise.all([
        page.waitForEvent('download'),
        files.getByRole('button', { name: kind, exact: true }).click(),
      ]);
      expect(saved.suggestedFilename()).toBe(`${title.toLowerCase().replace(/ /g, '-')}.${kind.toLowerCase()}`);
      const text = readFileSync(await saved.path(), 'utf8');
      expect(text).toMatch(kind === 'CSV' ? /^bead;run at;volts \(V\);/ : /"format": "jolly-tinker\/coupon@1"/);
    }
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Job card' }).click();
    await expect(page.getByText(/^As bead 1 was run, judged sound, /)).toBeVisible();
  },
);
