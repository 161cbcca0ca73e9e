import type { Locator } from '@playwright/test';
import { expect, expectAccessible, isPhone, newCoupon, openVerdict, test } from './harness';

test('a drill by ear, by touch: named, told, turned right; what is mixed up comes to the list', async ({ page }) => {
  test.slow();
  await page.goto('/school');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'By ear' }).click();
  const drill = page.getByRole('region', { name: 'By ear', exact: true });
  await expect(drill.getByText('Step 2 of 8')).toBeVisible();
  const options = drill.getByRole('group', { name: 'What is it?' });
  // Nothing that says what it is stands there before it is answered; drawn it can be told without a sound.
  await drill.getByRole('checkbox', { name: 'Show it drawn' }).click();
  await expect(drill.getByRole('img', { name: 'Current over a quarter of a second', exact: true })).toBeVisible();
  await expect(drill.getByText(/^(Steady crackle|Loud, uneven pops|Sputter|Hiss)/)).toHaveCount(0);
  await expectAccessible(page);
  let turned = false;
  for (let turn = 0; turn < 10 && !turned; turn++) {
    await drill.getByRole('button', { name: 'Play the arc' }).click();
    await options.getByRole('button').nth(1).click();
    await expect(options.getByRole('button', { name: /: right$/ })).toHaveCount(1);
    // The caption says what was heard.
    await expect(drill.getByText(/^(Right\.|It is: )/).first()).toBeVisible();
    await expect(drill.getByText(/a second|No crackle/).first()).toBeVisible({ timeout: 15_000 });
    const turnIt = page.getByRole('region', { name: 'Turn it right' });
    if (await turnIt.isVisible()) {
      const low = (await options.getByRole('button', { name: /: right$/ }).textContent())!.includes('Volts low');
      const step = turnIt.getByRole('button', { name: `0.5 V ${low ? 'up' : 'down'}` });
      const answer = turnIt.getByText(/^(Right, after|Not yet)/);
      for (let i = 0; i < 14 && !turned; i++) {
        await step.click();
        await turnIt.getByRole('button', { name: 'It is right now' }).click();
        turned = /^Right/.test((await answer.textContent()) ?? '');
      }
      await expect(answer).toHaveText(/^Right, after \d+ turns?: balance is \d+\.\d V here\.$/);
      await expectAccessible(page);
    }
    await drill.getByRole('button', { name: 'Next arc' }).click();
  }
  expect(turned).toBe(true);
  // It is kept on this device.
  await page.reload();
  await expect(drill.getByText(/of the last \d+ right$/)).toBeVisible();
  await page.goto('/school/progress');
  await expect(page.getByRole('table', { name: 'By ear: what was said for what' })).toBeVisible();
  await expectAccessible(page);
});

test('a machine is set blind: beads are run until one is sound, and held against the product’s own count', async ({
  page,
}) => {
  test.slow();
  await page.goto('/school/set-blind');
  const drill = page.getByRole('region', { name: 'Set it blind', exact: true });
  const run = drill.getByRole('button', { name: /^Run bead \d+$/ });
  await expect(run).toBeVisible({ timeout: 15_000 });
  await expect(drill.getByText('Set it, and run a first bead.')).toBeVisible();
  const turn = (label: string, words: string) =>
    drill.getByRole('group', { name: label }).getByRole('button', { name: `${label} ${words}`, exact: true });
  // Far too few volts first: it stubs or is ropey, and can be heard.
  for (let i = 0; i < 3; i++) await turn('Volts', 'down, four steps').click();
  await expect(drill.getByText('12 V')).toBeVisible();
  // A glove taps twice: one bead is run.
  await run.dblclick();
  await expect(drill.getByText('Bead 1: ')).toBeVisible();
  await expect(drill.getByRole('button', { name: 'Run bead 2' })).toBeVisible();
  await expectAccessible(page);
  await drill.getByRole('button', { name: 'Play bead 1' }).click();
  // Up by a volt and more until something comes out of it.
  for (let bead = 2; bead <= 10; bead++) {
    if (!(await run.isVisible())) break;
    await turn('Volts', 'up, four steps').click();
    // Sooner after the last it would be the bounce of a glove.
    await page.waitForTimeout(600);
    await run.click();
    await expect(drill.getByText(new RegExp(`^Bead ${bead}(: |, sound: )`))).toBeVisible();
  }
  await expect(drill.getByText(/^(Sound with bead \d+|Not sound in 10 beads)\. This product took \d+/)).toBeVisible({
    timeout: 20_000,
  });
  await expect(drill.getByText(/^Hidden: \d\.\d V (less|more) reached the arc than it showed/)).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Enter');
  await expect(drill.getByRole('button', { name: 'Run bead 1' })).toBeVisible({ timeout: 15_000 });
});

test('the pace is kept to a beat, as the bench computed it; without a sound it is seen', async ({ page }) => {
  await page.addInitScript(() => {
    Object.assign(globalThis, { buzzed: [] as number[] });
    navigator.vibrate = (ms) => ((globalThis as unknown as { buzzed: unknown[] }).buzzed.push(ms), true);
  });
  await page.goto('/school/pace?pace=600');
  const pace = page.getByRole('region', { name: 'Keep the pace' });
  await expect(pace.getByText('100 mm in 10 s, a beat every 1.0 s')).toBeVisible();
  await expectAccessible(page);
  // A glove taps twice: it beats on.
  await pace.getByRole('button', { name: 'Start the beat' }).dblclick();
  // On a busy machine the third may be past before it is looked for.
  await expect(pace.getByRole('img', { name: /^Mark ([3-9]|10) of 10$/ })).toBeVisible();
  const buzzed = () => page.evaluate(() => (globalThis as unknown as { buzzed: number[] }).buzzed.length);
  expect(await buzzed()).toBeGreaterThanOrEqual(3);
  await pace.getByRole('button', { name: 'Stop' }).click();
  await expect(pace.getByRole('img', { name: 'Ten marks' })).toBeVisible();
  const then = await buzzed();
  await pace.getByRole('button', { name: '50 mm/min slower' }).click();
  await expect(pace.getByText('550 mm/min')).toBeVisible();
  await pace.getByRole('checkbox', { name: /without a sound/ }).click();
  await page.waitForTimeout(1200);
  expect(await buzzed()).toBe(then);
  await page.goto('/school/pace?pace=lots');
  await expect(pace.getByText('350 mm/min')).toBeVisible();
});

test('plates to run for real stand on the dial of a rig, and lead to the bench', async ({ page }) => {
  await page.goto('/school/coupons');
  const sheet = page.getByRole('region', { name: 'Run it for real' });
  await sheet.getByRole('radio', { name: 'Blue cart set' }).click();
  const volts = sheet.getByRole('table', { name: 'Volts, low to high' });
  await expect(volts.getByRole('row')).toHaveCount(6, { timeout: 15_000 });
  await expect(volts.getByText(/^knob \d+(\.\d)? \(\d+(\.\d)? V\)$/).first()).toBeVisible();
  await expect(volts.getByText('as computed')).toHaveCount(1);
  await expectAccessible(page);
  // Another plate, other figures; what is no thickness says so.
  const first = await volts.getByRole('row').nth(3).textContent();
  await sheet.getByRole('textbox', { name: 'Plate, mm' }).fill('2');
  await expect.poll(() => volts.getByRole('row').nth(3).textContent()).not.toBe(first);
  await sheet.getByRole('textbox', { name: 'Plate, mm' }).fill('none');
  await expect(sheet.getByText(/a thickness above 0/)).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Plate, mm' }).fill('5');
  // On paper the sheet stands alone.
  await page.emulateMedia({ media: 'print' });
  await expect(volts).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  await sheet.getByRole('link', { name: 'Put a plate on the bench, to log them' }).click();
  await expect(page.getByRole('textbox', { name: 'What is it for?' })).toBeVisible();
});

test('stick-out and angle stand in true size, as the bench computed them, once the screen was measured', async ({
  page,
}) => {
  await page.goto('/school/gun?stickOutMm=12&travelAngleDeg=-15&workAngleDeg=45&joint=fillet');
  const place = page.getByRole('region', { name: 'Hold the gun' });
  const screen = place.getByRole('region', { name: 'Measure this screen' });
  await expectAccessible(page);
  const card = screen.getByRole('img', { name: '54 mm as this screen shows them now' });
  const wide = async (of: Locator): Promise<number> => (await of.boundingBox())?.width ?? 0;
  const before = await wide(card);
  await screen.getByRole('button', { name: 'A little shorter' }).click();
  await screen.getByRole('button', { name: 'Much shorter' }).click();
  expect(await wide(card)).toBeCloseTo(before - 11, 1);
  // Held against another thing, it is the same screen.
  await screen.getByRole('radio', { name: 'A rule, 40 mm' }).click();
  const rule = await wide(screen.getByRole('img', { name: '40 mm as this screen shows them now' }));
  expect(rule / 40).toBeCloseTo((before - 11) / 53.98, 2);
  await screen.getByRole('button', { name: 'It is as long' }).dblclick();
  // The wire is as long as it says, on this screen as it was measured.
  const drawing = place.getByRole('img', { name: 'Gun in true size: stick-out 12 mm, drag 15°' });
  await expect(drawing).toBeVisible();
  const lines = async (): Promise<number[]> =>
    drawing.locator('line').evaluateAll((lines) => lines.map((line) => (line as SVGLineElement).getTotalLength()));
  expect((await lines()).some((length) => Math.abs(length - (12 * rule) / 40) < 0.5)).toBe(true);
  await expectAccessible(page);
  await place.getByRole('button', { name: 'Longer' }).click();
  await place.getByRole('button', { name: 'More push' }).click();
  await expect(place.getByRole('img', { name: 'Gun in true size: stick-out 13 mm, drag 10°' })).toBeVisible();
  await place.getByRole('radio', { name: 'From the end' }).click();
  await expect(place.getByRole('img', { name: 'Gun in true size: stick-out 13 mm, 45° to the plate' })).toBeVisible();
  // The screen stays measured; what no gun has is drawn as the usual one.
  await page.goto('/school/gun?stickOutMm=lots');
  await expect(place.getByRole('img', { name: 'Gun in true size: stick-out 10 mm, square' })).toBeVisible();
  await place.getByRole('button', { name: 'Measure this screen again' }).click();
  expect(await wide(screen.getByRole('img', { name: /as this screen/ }))).toBeCloseTo(before - 11, 0);
});

test('how to run it leads to the gun in true size, with its own figures', async ({ page }) => {
  await newCoupon(page, 'Gun practice', { thickness: '5' });
  if (isPhone(page)) await openVerdict(page);
  await page.getByRole('link', { name: 'Hold it beside the gun, in true size' }).click();
  const place = page.getByRole('region', { name: 'Hold the gun' });
  await place.getByRole('button', { name: 'It is as long' }).click();
  await expect(place.getByText(/^Stick-out \d+ mm, (push|drag) \d+°$/)).toBeVisible();
});
