import type { Page } from '@playwright/test';
import { expect, expectAccessible, test } from '../harness';
import { OwnServer } from '../own-server';

/** What a new user may tap from an empty workshop to settings on the machine's own knobs, and on a known rig. */
// One of them says whether anyone could be hurt if the weld breaks: asked of every job that is no trial.
const MOST_TAPS = { new: 26, known: 5 };

const server = new OwnServer(4398, ['--empty']);
test.beforeAll(() => server.start());
test.afterAll(() => server.clear());

/** Taps, and counts them. */
function counting(page: Page) {
  let taps = 0;
  return {
    taps: (): number => taps,
    tap: async (role: 'button' | 'radio' | 'link', name: string | RegExp): Promise<void> => {
      taps += 1;
      await page.getByRole(role, { name, exact: true }).click();
    },
    type: async (label: string | RegExp, text: string): Promise<void> => {
      await page.getByRole('textbox', { name: label, exact: true }).fill(text);
    },
  };
}

test('a machine with bare marks, 1 to 10 and 0 to 100, is set by them from an empty workshop on', async ({ page }) => {
  const { tap, taps, type } = counting(page);
  await page.goto(server.address);
  await tap('button', 'New coupon');
  await tap('button', 'Set up a rig');
  await type('What the workshop calls it', 'Yard box');
  await tap('radio', 'Marks on the knobs');
  await tap('button', 'Keep it');
  await expect(page.getByRole('heading', { name: 'Yard box: its knobs' })).toBeVisible();

  // The wire's knob, 0 to 100, by two run-outs: 340 mm and 1050 mm in six seconds are 3.4 and 10.5 m/min.
  await type('From', '0');
  await type('To', '100');
  await type('Set to within', '1');
  await type('Knob at', '20');
  await tap('button', 'Take this pair down');
  await expect(page.getByText(/^A run-out takes the length/)).toBeVisible();
  await type('Came out, mm', '340');
  await tap('button', 'Take this pair down');
  await expect(page.getByText('knob 20 → 3.4 m/min, run-out')).toBeVisible();
  await expect(page.getByText(/^Wire: a knob takes two pairs at least/)).toBeVisible();
  await type('Knob at', '70');
  await type('Came out, mm', '1050');
  await tap('button', 'Take this pair down');
  await expect(page.getByText(/^Between its pairs a mark is good to about/)).toBeVisible();
  await expectAccessible(page);

  // The volts' knob, 1 to 10: what was typed is there after a reload.
  await tap('radio', 'Volts');
  await type('Knob at', '2');
  await type('Volts, V', '16');
  await page.reload();
  await tap('radio', 'Volts');
  await expect(page.getByRole('textbox', { name: 'Volts, V' })).toHaveValue('16');
  await tap('button', 'Take this pair down');
  await type('Knob at', '8');
  await type('Volts, V', '15');
  await tap('button', 'Take this pair down');
  await expect(page.getByText(/^That pair runs backward/)).toBeVisible();
  await type('Volts, V', '25');
  await tap('button', 'Take this pair down');
  await tap('button', 'Keep these knobs');
  await tap('button', 'A coupon for this rig');

  await type('Thickness, mm', '3');
  await tap('radio', 'Nobody could be hurt');
  await tap('button', 'Put it on the bench');
  const start = page.getByRole('region', { name: 'Start with' });
  await expect(start.getByText(/^knob 4$/)).toBeVisible();
  await expect(start.getByText(/^knob 3\d$/)).toBeVisible();
  await tap('button', 'Use these figures');
  await expect(page.getByRole('button', { name: /^Volts, 19 V, knob 4$/ })).toBeVisible();
  expect(taps()).toBeLessThanOrEqual(MOST_TAPS.new);

  // On the known rig a new job gives its settings at once.
  const again = counting(page);
  await again.tap('link', 'New coupon');
  await again.type('Thickness, mm', '1.5');
  await again.tap('radio', 'Nobody could be hurt');
  await again.tap('button', 'Put it on the bench');
  await expect(start.getByText(/^knob [123](\.5)?$/)).toBeVisible();
  expect(again.taps()).toBeLessThanOrEqual(MOST_TAPS.known);
  await expectAccessible(page);
});

test('a switch with taps is set by its taps, and its wire knob by the clock', async ({ page }) => {
  const { tap, type } = counting(page);
  await page.goto(`${server.address}/rig`);
  await tap('button', 'Another rig');
  await type('What the workshop calls it', 'Old tap set');
  await tap('radio', 'Marks on the knobs');
  await tap('button', 'Keep it');
  await tap('radio', 'bare, by the clock');
  for (const [mark, length] of [
    ['8', '250'],
    ['2:30', '1000'],
  ]) {
    await type('Knob at', mark);
    await type('Came out, mm', length);
    await tap('button', 'Take this pair down');
  }
  await expect(page.getByText('knob 2:30 → 10 m/min, run-out')).toBeVisible();
  await tap('radio', 'Volts');
  await tap('radio', 'a switch with taps');
  for (const [name, volts] of [
    ['A', '15.5'],
    ['F', '24'],
  ]) {
    await tap('radio', name);
    await type('Volts, V', volts);
    await tap('button', 'Take this pair down');
  }
  await tap('button', 'Keep these knobs');
  await tap('button', 'A coupon for this rig');
  await expect(page.getByRole('radio', { name: 'Old tap set' })).toBeChecked();
  await type('Thickness, mm', '3');
  await tap('radio', 'Nobody could be hurt');
  await tap('button', 'Put it on the bench');
  const start = page.getByRole('region', { name: 'Start with' });
  await expect(start.getByText(/^tap [BC]$/)).toBeVisible();
  await expect(start.getByText(/^knob (9|10|11):\d\d$/)).toBeVisible();
  await tap('button', 'Use these figures');
  // Another tap of the switch is one tap.
  await page.getByRole('button', { name: /^Volts, .*tap [BC]$/ }).click();
  await page.getByRole('radiogroup', { name: 'Tap' }).getByRole('radio', { name: 'D' }).click();
  await expect(page.getByRole('button', { name: /^Volts, .*tap D$/ })).toBeVisible();
});
