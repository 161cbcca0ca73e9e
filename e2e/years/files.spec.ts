import { readFileSync, writeFileSync } from 'node:fs';
import { expect, expectAccessible, test } from '../harness';
import { OwnServer } from '../own-server';

type Whole = {
  madeAt: string;
  beads: { outcome: string | null }[];
  coupons: { id: string; title: string }[];
} & Record<string, unknown>;
const read = (path: string): Whole => JSON.parse(readFileSync(path, 'utf8')) as Whole;
const without = ({ madeAt: _, ...rest }: Whole): object => rest;

test('everything goes out as one file, into an empty workshop, and comes out of that the same', async ({
  page,
  faults,
}, info) => {
  test.setTimeout(120_000);
  await page.goto('/log/files');
  await expectAccessible(page);
  const save = async (): Promise<Whole> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Everything as JSON' }).click(),
    ]);
    return read((await file.path())!);
  };
  const record = await save();
  expect(record.beads.length).toBeGreaterThan(1500);
  const path = info.outputPath('workshop.json');
  writeFileSync(path, JSON.stringify(record));
  const server = new OwnServer(4440 + info.parallelIndex, ['--empty']);
  await server.start();
  try {
    await page.goto(`${server.address}/log/files`);
    const open = async (file: string): Promise<void> => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Open a JSON file' }).click(),
      ]);
      await chooser.setFiles(file);
    };
    // A file that is spoiled is refused whole, with the field that is wrong.
    const spoiled = info.outputPath('spoiled.json');
    writeFileSync(spoiled, JSON.stringify({ ...record, beads: [{ ...record.beads[0], outcome: 'fine' }] }));
    await open(spoiled);
    await expect(page.getByText(/^bead 1: outcome takes /)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Take it in' })).toHaveCount(0);
    await open(path);
    const beads = page
      .getByRole('region', { name: 'What workshop.json comes to' })
      .getByRole('row', { name: /^Beads/ });
    await expect(beads).toHaveText(`Beads${record.beads.length}00`, { timeout: 30_000 });
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('workshop.json is taken in.')).toBeVisible({ timeout: 60_000 });
    expect(without(await save())).toEqual(without(record));
    await open(path);
    await expect(page.getByText('All of it is here already, as it stands in the file.')).toBeVisible({
      timeout: 30_000,
    });
    await page.goto(`${server.address}/log/days`);
    await expect(page.getByRole('link', { name: /^Bead 2, Sluice rack 2, new bracket: / })).toBeVisible();
    // The photographs come as a ZIP of their own: said to be missing, refused where it is none, else whole, and shown.
    const coupon = record.coupons.find(({ title }) => title === 'Sluice rack 2, new bracket')!;
    await page.goto(`${server.address}/coupon/${coupon.id}`);
    await expect(page.getByText('Its file is not here now').first()).toBeVisible();
    await page.goto('/log/files');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Photographs as ZIP' }).click(),
    ]);
    const zip = info.outputPath('photographs.zip');
    await download.saveAs(zip);
    const openZip = async (file: string): Promise<void> => {
      await page.goto(`${server.address}/log/files`);
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Open a ZIP' }).click(),
      ]);
      await chooser.setFiles(file);
    };
    const none = info.outputPath('none.zip');
    writeFileSync(none, 'PK but nothing more');
    await openZip(none);
    await expect(page.getByText(/^This is no ZIP of pictures\./)).toBeVisible();
    await openZip(zip);
    const photographs = page.getByRole('row', { name: /^Photographs/ });
    await expect(photographs).toHaveText(/^Photographs[1-9]\d*00$/);
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText(/ is taken in\.$/)).toBeVisible();
    await page.goto(`${server.address}/coupon/${coupon.id}`);
    const image = page.getByRole('button', { name: 'Photograph 1 of bead 1: Face' }).locator('img');
    await expect.poll(() => image.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(100);
    // What the browser says of files that were missing until then.
    faults.splice(0, faults.length, ...faults.filter((fault) => !fault.includes('404')));
  } finally {
    // The page listens to that server still.
    await page.goto('about:blank');
    await server.clear();
  }
});

test('a list that somebody has goes in once, its columns named by hand', async ({ page }, info) => {
  const path = info.outputPath('yard-book.csv');
  writeFileSync(
    path,
    `When;Work;mm;Spannung;Seen
30.3.2026;Yard book hinge ${info.project.name};4;18,5;porosity
30.3.2026;Yard book hinge ${info.project.name};4;190;
`,
  );
  await page.goto('/log/files');
  const open = async (): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Open a CSV file' }).click(),
    ]);
    await chooser.setFiles(path);
    await expect(page.getByText('yard-book.csv: 2 lines')).toBeVisible();
    const columns = page.getByRole('group', { name: 'Columns' });
    for (const [head, field] of [
      ['Work', 'What it was for'],
      ['mm', 'Thickness'],
      ['Spannung', 'Volts'],
    ]) {
      await columns.getByRole('checkbox', { name: `left out: ${head}` }).click();
      await columns
        .getByRole('radiogroup', { name: `What ${head} holds` })
        .getByRole('radio', { name: field, exact: true })
        .click();
    }
    await page.getByRole('radio', { name: '18,5' }).last().click();
    await page.getByRole('radio', { name: '30.5.2026' }).click();
    await page.getByRole('radiogroup', { name: 'Run on' }).getByRole('radio', { name: 'Dock set' }).click();
    await page.getByRole('button', { name: 'Look at it' }).click();
  };
  await open();
  await expect(page.getByText('Line 3, “Spannung” takes 8 to 50 V; it has “190”.')).toBeVisible();
  writeFileSync(path, readFileSync(path, 'utf8').replace('190', '19'));
  await open();
  const region = page.getByRole('region', { name: 'What yard-book.csv comes to' });
  await expect(region.getByRole('row', { name: /^Beads/ })).toHaveText('Beads200');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText('yard-book.csv is taken in: 2 beads.')).toBeVisible();
  await open();
  await expect(page.getByText('All of it is here already, as it stands in the file.')).toBeVisible();
  await page.goto(`/log/days?text=${encodeURIComponent(`hinge ${info.project.name}`)}`);
  await expect(page.getByRole('link', { name: /^Bead 1, Yard book hinge/ }).first()).toBeVisible();
});
