import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readWav } from '../core/hearing/wav';
import { arcWav, openHear } from './arc-wav';
import { expect, newCoupon, setKnob, test } from './harness';

/** What the browser takes for a microphone hears this, over and over. */
const WAV = join(__dirname, '..', '.cache', `microphone-${process.pid}.wav`);
writeFileSync(WAV, arcWav(20.1, 4));
test.afterAll(() => rmSync(WAV, { force: true }));

test.use({
  permissions: ['microphone'],
  launchOptions: async ({ launchOptions }, provide) =>
    provide({
      ...launchOptions,
      args: [
        ...(launchOptions.args ?? []),
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--use-file-for-fake-audio-capture=${WAV}`,
      ],
    }),
});

test('the arc is recorded at a tap, after a count, with the level said, and saved as a WAV', async ({ page }) => {
  test.slow();
  await newCoupon(page, 'Microphone');
  await setKnob(page, 'Wire speed', '7.5');
  const heard = await openHear(page);
  // A glove taps twice: it counts on.
  await heard.getByRole('button', { name: 'Record the arc' }).dblclick();
  await expect(heard.getByText(/^Helmet down: [1-5]$/)).toBeVisible();
  // Left off before it records, nothing is listened to.
  await page.waitForTimeout(700);
  await heard.getByRole('button', { name: 'Leave it' }).click();
  await expect(heard.getByRole('button', { name: 'Record the arc' })).toBeVisible();
  await expect(heard.getByRole('alert')).toHaveCount(0);
  await heard.getByRole('button', { name: 'Record the arc' }).click();
  await expect(heard.getByText(/^Recording, \d+ s$/)).toBeVisible({ timeout: 15_000 });
  await expect(heard.getByRole('meter', { name: 'How loud' })).toBeVisible();
  await expect(heard.getByText('Arc heard', { exact: true })).toBeVisible({ timeout: 15_000 });
  await page.waitForTimeout(4000);
  await heard.getByRole('button', { name: 'Stop and listen' }).click();
  // A busy machine gives a browser a sound with holes in it. What is heard in a whole one is held by listen.spec.ts.
  await expect(heard.getByText(/ clicks a second/).or(heard.getByText('Nothing is entered.'))).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    heard.getByRole('button', { name: 'Save the recording as WAV' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('microphone-arc.wav');
  const { samples, rate } = readWav(new Uint8Array(readFileSync((await file.path())!)));
  expect(samples.length / rate).toBeGreaterThan(1);
  expect(samples.some((value) => Math.abs(value) > 0.1)).toBe(true);
});
