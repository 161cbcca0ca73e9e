import {
  BOTH_SIZES,
  closeVerdict,
  expect,
  expectAccessible,
  isPhone,
  newCoupon,
  newCouponByHand,
  openBench,
  openVerdict,
  setAll,
  setKnob,
  tapFinding,
  test,
} from './harness';

test('opens on the demo bench with the last settings in place', { tag: BOTH_SIZES }, async ({ page }) => {
  // Other journeys add coupons meanwhile; this one keeps to the demo's newest.
  await page.addInitScript(() => localStorage.setItem('bench-coupon', '"0190a000-0000-7000-8001-000000000000"'));
  await openBench(page);
  await expect(page).toHaveTitle(/^Bench/);
  await expect(page.getByRole('button', { name: /^Volts, \d+(\.\d)? V$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Wire speed, 7.5 m/min' })).toBeVisible();
  await expectAccessible(page);
});

test(
  'from a bad bead to corrected numbers, to the next bead, and all of it again after a reload',
  { tag: BOTH_SIZES },
  async ({ page }) => {
    await newCouponByHand(page, 'Journey plate');
    await setAll(page, { volts: '16.5', wire: '7.5', stickOut: '12', gas: '11' });
    await tapFinding(page, 'See', 'Ropey, humped');
    await tapFinding(page, 'Feel', 'Wire pushes the gun back');
    if (isPhone(page))
      await expect(page.getByRole('button', { name: /^Verdict: Voltage too low, very likely/ })).toBeVisible();

    await openVerdict(page);
    await expect(page.getByText(/^16\.5 → (19|20)(\.\d)? V$/).first()).toBeVisible();
    await expect(page.getByText('Volts up', { exact: true })).toBeVisible();
    await page
      .getByRole('button', { name: /^Voltage too low.*very likely/ })
      .last()
      .click();
    await expect(page.getByText('For it').first()).toBeVisible();
    await expect(page.getByText(/the volts lie under what this wire speed wants/).first()).toBeVisible();
    await expect(page.getByText(/^Turning the wire instead .*too cold for this plate/)).toBeVisible();
    await expect(page.getByText('Check next')).toBeVisible();
    await expect(page.getByText(/Arc rays: a helmet/)).toBeVisible();
    await expectAccessible(page);
    await closeVerdict(page);

    await page.getByRole('button', { name: 'Log bead 1' }).click();
    await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeEnabled();
    await expect(page.getByRole('button', { name: /^Volts, (19|20)(\.\d)? V$/ })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Bead 1, ropey, humped' })).toBeVisible();
    await expect(page.getByRole('img', { name: 'Bead 2, in work' })).toBeVisible();

    await tapFinding(page, 'See', 'Even, well shaped');
    await tapFinding(page, 'Hear', 'Crisp crackle');
    await page.getByRole('button', { name: 'Log bead 2' }).click();
    await page
      .getByRole('group', { name: /^Bead 2 is logged/ })
      .getByRole('button', { name: 'sound' })
      .click();
    await expect(page.getByRole('link', { name: 'Bead 2, sound' })).toBeVisible();

    await page.reload();
    await expect(page.getByRole('link', { name: 'Bead 1, ropey, humped' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Bead 2, sound' })).toBeVisible();

    await page.getByRole('navigation').getByRole('link', { name: 'Log' }).click();
    await expect(page).toHaveTitle(/^Log/);
    await expect(page.getByText('2 beads, sound with bead 2').first()).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('link', { name: /Journey plate/ }).click();
    await expect(page.getByRole('article', { name: 'Bead 1' })).toContainText('Voltage too low'.toLowerCase());
    await expect(page.getByRole('article', { name: 'Bead 1' })).toContainText('Then: volts up, 16.5 → ');
    await expectAccessible(page);
    await page.goBack();
    await expect(page).toHaveTitle(/^Log/);
  },
);

test('a double tap on a finding is one, not there is said on purpose; undo takes back each tap, and a logged bead', async ({
  page,
}) => {
  await newCoupon(page, 'Undo plate');
  const tile = page.getByRole('button', { name: /^Undercut: / });
  await tapFinding(page, 'See', 'Undercut');
  await expect(tile).toHaveAccessibleName('Undercut: seen');
  // A breath between two taps makes them two; a glove's bounce is none.
  const breathe = () => page.waitForTimeout(600);
  await breathe();
  await tile.dblclick();
  await expect(tile).toHaveAccessibleName('Undercut: not looked');
  await page.getByRole('radio', { name: 'Not there', exact: true }).click();
  await breathe();
  await tile.dblclick();
  await expect(tile).toHaveAccessibleName('Undercut: not there');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tile).toHaveAccessibleName('Undercut: not looked');
  await breathe();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tile).toHaveAccessibleName('Undercut: seen');
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('link', { name: 'Bead 1, undercut' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  // The number of a bead that was taken back is not given again.
  await expect(page.getByRole('button', { name: 'Log bead 2' })).toBeEnabled();
  await expect(page.getByRole('link', { name: 'Bead 1, undercut' })).toHaveCount(0);
  await page.getByRole('tab', { name: 'See' }).click();
  await expect(tile).toHaveAccessibleName('Undercut: seen');
});

test('a figure out of range says so beside itself, is kept through a reload, and cannot be logged', async ({
  page,
}) => {
  await newCoupon(page, 'Typing plate');
  await setKnob(page, 'Volts', '18');
  await page.getByRole('button', { name: 'Volts, 18 V' }).click();
  const field = page.getByRole('textbox', { name: 'Volts, V' });
  await field.fill('400');
  await expect(page.getByRole('alert')).toHaveText('Volts takes 8 to 50 V.');
  await expect(page.getByRole('button', { name: 'Log bead 1' })).toBeDisabled();
  await page.reload();
  await page.getByRole('button', { name: 'Volts, 18 V' }).click();
  await expect(field).toHaveValue('400');
  await field.fill('18,5');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Volts, 18.5 V' })).toBeVisible();
  await page.getByRole('button', { name: 'Volts up' }).click();
  await expect(field).toHaveValue('18.6');
});

test('finds a finding by a trade word', async ({ page }) => {
  await openBench(page);
  if (isPhone(page)) await page.getByRole('button', { name: 'Find by a word' }).click();
  await page.getByRole('searchbox', { name: 'Word to find' }).fill('frying');
  await expect(page.getByRole('button', { name: 'Crisp crackle: not looked' })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Word to find' }).fill('porosity');
  await expect(page.getByRole('button', { name: 'Holes all over: not looked' })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Word to find' }).fill('qqqq');
  await expect(page.getByText(/Nothing is called that/)).toBeVisible();
});

test('a stop condition stands above any number', async ({ page }) => {
  await newCouponByHand(page, 'Old tank', {
    ...{ thickness: '3', chips: ['zinc'] },
    says: ['Closed, or once held something'],
  });
  await openVerdict(page);
  const stops = page.getByRole('alert');
  await expect(stops.first()).toContainText('closed or once-filled container');
  await expect(page.getByText(/Zinc: strip both faces/).first()).toBeVisible();
  await expectAccessible(page);
});

test('a remedy comes before the numbers, and the check is one tap', async ({ page }) => {
  await newCoupon(page, 'Holes plate', { thickness: '5' });
  await setAll(page, { volts: '20.2', wire: '7.4', stickOut: '11', gas: '11' });
  await tapFinding(page, 'See', 'Holes all over');
  await openVerdict(page);
  await page
    .getByRole('radio', { name: /^(Nozzle full of spatter: Seen|Look into the nozzle: Spatter in it, or holes shut)$/ })
    .first()
    .click();
  await expect(page.getByText(/Clean or change the nozzle/).first()).toBeVisible();
  await expect(page.getByText(/Volts and wire stay where they are/)).toBeVisible();
});

test('a machine with marks shows its own knob beside the volts', async ({ page }) => {
  await newCoupon(page, 'Knob plate', { thickness: '2' });
  await page.getByRole('link', { name: /^Job: Knob plate/ }).click();
  await page.getByRole('radio', { name: 'Blue cart set' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await setKnob(page, 'Volts', '16.8');
  await expect(page.getByRole('button', { name: 'Volts, 16.8 V, knob 4' })).toBeVisible();
  await page.getByRole('button', { name: /^Volts, 16.8/ }).click();
  await page.getByRole('button', { name: 'Volts up' }).click();
  await expect(page.getByRole('button', { name: 'Volts, 17.4 V, knob 4.5' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Knob' }).fill('7');
  await expect(page.getByRole('button', { name: 'Volts, 20.4 V, knob 7' })).toBeVisible();
});
