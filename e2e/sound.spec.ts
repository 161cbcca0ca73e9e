import type { Page } from '@playwright/test';
import { expect, expectAccessible, newCoupon, openVerdict, setAll, setKnob, closeVerdict, test } from './harness';

type Played = { contexts: number; rates: number[]; loudest: number; samples: number; closed: number };
type Watched = { played: Played };

/** Counts what goes to the loudspeaker. */
async function watchSpeaker(page: Page): Promise<() => Promise<Played>> {
  await page.addInitScript(() => {
    const played = { contexts: 0, rates: [] as number[], loudest: 0, samples: 0, closed: 0 };
    Object.assign(globalThis, { played });
    const Own = globalThis.AudioContext;
    globalThis.AudioContext = class extends Own {
      constructor(options?: AudioContextOptions) {
        super(options);
        played.contexts += 1;
        played.rates.push(this.sampleRate);
      }
      close() {
        played.closed += 1;
        return super.close();
      }
    };
    const copy = AudioBuffer.prototype.copyToChannel;
    AudioBuffer.prototype.copyToChannel = function (source, channel, start) {
      played.samples += source.length;
      for (const value of source) played.loudest = Math.max(played.loudest, Math.abs(value));
      copy.call(this, source, channel, start);
    };
  });
  return () => page.evaluate(() => (globalThis as unknown as Watched).played);
}

test('how it should sound: nothing plays unasked; before and after are told in words, drawn, and heard at a tap', async ({
  page,
}) => {
  const played = await watchSpeaker(page);
  await newCoupon(page, 'By ear');
  // Before the first bead there is only what is proposed.
  await openVerdict(page);
  await page.getByRole('checkbox', { name: 'Hear it' }).click();
  const sounds = page.getByRole('region', { name: 'How it sounds' });
  await expect(sounds.getByRole('group')).toHaveCount(1);
  await expect(sounds.getByText(/^Steady crackle\./)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Hear it' }).click();
  await expect(sounds).toBeHidden();
  await closeVerdict(page);
  await setAll(page, { volts: '16', wire: '7.5', stickOut: '12', gas: '11' });
  await openVerdict(page);
  await page.getByRole('checkbox', { name: 'Hear it' }).click();
  const [now, then] = [
    sounds.getByRole('group', { name: 'As it is set, by ear' }),
    sounds.getByRole('group', { name: 'As proposed, by ear' }),
  ];
  await expect(now.getByText(/^Loud, uneven pops\. /)).toBeVisible();
  await expect(then.getByText(/^Steady crackle\. /)).toBeVisible();
  await expect(
    now.getByRole('img', { name: /^Current over a quarter of a second, peaks up to 3\d\d A\. Loud/ }),
  ).toBeVisible();
  await expectAccessible(page);
  expect(await played()).toMatchObject({ contexts: 0, samples: 0 });

  // A glove taps twice: it plays on.
  await then.getByRole('button', { name: 'Play as proposed' }).dblclick();
  await expect(then.getByRole('button', { name: 'Stop as proposed' })).toBeVisible();
  await expect.poll(async () => (await played()).samples).toBe(2.5 * 48_000);
  const once = await played();
  expect(once).toMatchObject({ contexts: 1, rates: [48_000], closed: 0 });
  expect(once.loudest).toBeGreaterThan(0.2);
  // The other takes its place, and is left off by a tap.
  await now.getByRole('button', { name: 'Play as it is set' }).click();
  await expect(then.getByRole('button', { name: 'Play as proposed' })).toBeVisible();
  expect(await played()).toMatchObject({ contexts: 2, closed: 1 });
  await page.waitForTimeout(700);
  await now.getByRole('button', { name: 'Stop as it is set' }).click();
  await expect(now.getByRole('button', { name: 'Play as it is set' })).toBeVisible();
  expect((await played()).closed).toBe(2);
  // Heard to its end it is over by itself.
  await then.getByRole('button', { name: 'Play as proposed' }).click();
  await expect(then.getByRole('button', { name: 'Play as proposed' })).toBeVisible({ timeout: 15_000 });
  expect(await played()).toMatchObject({ contexts: 3, closed: 3 });
});

test('the sound follows the figures, and a browser without sound says so', async ({ page }) => {
  await page.addInitScript(() => Object.assign(globalThis, { AudioContext: undefined }));
  await newCoupon(page, 'By ear, turned');
  await setAll(page, { volts: '25', wire: '7', stickOut: '12', gas: '11' });
  await openVerdict(page);
  await page.getByRole('checkbox', { name: 'Hear it' }).click();
  const now = page.getByRole('group', { name: 'As it is set, by ear' });
  await expect(now.getByText(/^Hiss with slow plops\. /)).toBeVisible();
  await now.getByRole('button', { name: 'Play as it is set' }).click();
  await expect(page.getByText('Nothing here can play it: this browser has no sound.')).toBeVisible();
  await expect(now.getByRole('button', { name: 'Play as it is set' })).toBeVisible();
  await closeVerdict(page);
  await setKnob(page, 'Volts', '16');
  await openVerdict(page);
  // It was asked for once, and is there again.
  await expect(now.getByText(/^Loud, uneven pops\. /)).toBeVisible();
});
