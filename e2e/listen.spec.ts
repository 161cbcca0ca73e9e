import { writeWav } from '../core/hearing/wav';
import { shopNoise } from '../core/sound/shop-noise';
import { SAMPLE_RATE } from '../core/sound/sample-rate';
import { arcWav, openHear } from './arc-wav';
import { closeVerdict, expect, expectAccessible, isPhone, newCoupon, openVerdict, setAll, test } from './harness';

test('a recording of a stubbing arc leads to less wire or more volts, and the next one beside it', async ({ page }) => {
  // By its figures this arc may be too hot or out of balance; what is heard says that the wire is ahead of the volts.
  await newCoupon(page, 'Heard arc', { thickness: '2' });
  await setAll(page, { volts: '18.5', wire: '7.5', stickOut: '12', gas: '11' });
  await openVerdict(page);
  await expect(page.getByText(/Recording: uneven pops/)).toHaveCount(0);
  await closeVerdict(page);
  const heard = await openHear(page);
  const open = async (name: string, buffer: Buffer): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      heard.getByRole('button', { name: 'Open a WAV' }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: 'audio/wav', buffer });
  };
  // What is no recording of an arc is said, and nothing is entered.
  await open('note.wav', Buffer.from('not a recording'));
  await expect(heard.getByText(/^This is no WAV file/)).toBeVisible();
  await open(
    'grinder.wav',
    Buffer.from(writeWav({ samples: shopNoise('grinder', 3, 4).map((value) => value / 20), rate: SAMPLE_RATE })),
  );
  await expect(heard.getByText(/^Nothing is entered\./)).toBeVisible();
  await expect(heard.getByRole('button', { name: 'Put it with this bead' })).toHaveCount(0);

  await open('stubbing.wav', arcWav(17));
  await expect(heard.getByText(/^Uneven pops\. \d+ clicks a second/)).toBeVisible();
  await expect(heard.getByRole('img', { name: /^This bead: 3\.\d s of arc, \d+ a second/ })).toBeVisible();
  await expectAccessible(page);
  await heard.getByRole('button', { name: 'Put it with this bead' }).click();
  await expect(heard.getByText(/^It speaks in the verdict/)).toBeVisible();
  await openVerdict(page);
  await expect(page.getByText(/^Less wire/).first()).toBeVisible();
  await page.screenshot({ path: '/tmp/look/verdict-heard.png' });
  await page
    .getByRole('button', { name: /^Wire too fast/ })
    .first()
    .click();
  await expect(page.getByText(/Recording: uneven pops/).first()).toBeVisible();
  await closeVerdict(page);
  // Logged with it; the next bead begins without, and its recording stands beside.
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('link', { name: /^Bead 1/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Hear' }).click();
  const next = page.getByRole('region', { name: 'The arc heard' });
  if (!(await next.isVisible())) await page.getByRole('button', { name: /^Let it listen/ }).click();
  await expect(next.getByRole('button', { name: 'Record the arc' })).toBeVisible();
  await open('right.wav', arcWav(20.1));
  await expect(next.getByText(/^Steady crackle\. /)).toBeVisible();
  const table = next.getByRole('table', { name: 'This bead beside bead 1' });
  await expect(table.getByRole('row', { name: /^They come (very |rather )?uneven .* even/ })).toBeVisible();
  await expectAccessible(page);
  // It can be undone and taken off.
  await next.getByRole('button', { name: 'Put it with this bead' }).click();
  await next.getByRole('button', { name: 'Take it off this bead' }).click();
  await expect(next.getByText(/^It speaks in the verdict/)).toHaveCount(0);
  if (!isPhone(page)) {
    await page.keyboard.press('u');
    await expect(next.getByText(/^It speaks in the verdict/)).toBeVisible();
  }
});

test('where the microphone is not allowed that is said, with another way', async ({ page }) => {
  await newCoupon(page, 'No microphone');
  const heard = await openHear(page);
  await heard.getByRole('button', { name: 'Record the arc' }).click();
  await expect(heard.getByRole('alert')).toContainText(/open a WAV|Open a recording|as WAV/);
  await expect(heard.getByRole('button', { name: 'Open a WAV' })).toBeVisible();
});
