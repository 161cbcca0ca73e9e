import { CAUSES } from '../core/knowledge';
import { BOTH_SIZES, expect, expectAccessible, newCoupon, openBench, setKnob, tapFinding, test } from './harness';

test(
  'the machines: what is fitted can be changed, and a gas that does not add up is refused beside it',
  { tag: BOTH_SIZES },
  async ({ page }) => {
    await page.goto('/rig');
    await expect(page).toHaveTitle(/^Rig/);
    await expectAccessible(page);
    await page.getByRole('link', { name: /^Boat kit/ }).click();
    await expect(page.getByRole('heading', { name: 'Boat kit' })).toBeVisible();
    await page.getByRole('radio', { name: 'solid steel', exact: true }).click();
    await page.getByRole('textbox', { name: 'CO2, %' }).fill('40');
    await page.getByRole('textbox', { name: 'CO2, %' }).blur();
    await expect(page.getByRole('alert')).toContainText('not 122 %');
    await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
    await page.getByRole('radio', { name: 'tubular, no gas' }).click();
    await page.getByRole('textbox', { name: 'Note' }).fill('New liner in May.');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('New liner in May.').first()).toBeVisible();
    await page.reload();
    await expect(page.getByText('New liner in May.').first()).toBeVisible();
  },
);

test('inches everywhere once inches are chosen', async ({ page }) => {
  await newCoupon(page, 'Inch plate');
  await setKnob(page, 'Wire speed', '7.62');
  await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
  await page.getByRole('link', { name: /^How you weld/ }).click();
  await page.getByRole('radio', { name: 'in, in/min, cfh' }).click();
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByRole('button', { name: 'Wire speed, 300 in/min' })).toBeVisible();
  await page.getByRole('button', { name: 'Wire speed, 300 in/min' }).click();
  await page.getByRole('button', { name: 'Wire speed up' }).click();
  await expect(page.getByRole('button', { name: 'Wire speed, 305 in/min' })).toBeVisible();
});

test('the job form says what a thickness takes, and asks anew what can hurt', async ({ page }) => {
  await page.goto('/job/new');
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill('900');
  await expect(page.getByRole('alert')).toHaveText('Takes 0.3 to 100 mm.');
  await expect(page.getByRole('button', { name: 'Put it on the bench' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill('1.5');
  await expect(page.getByText('about 16 gauge')).toBeVisible();
  await page.getByRole('radio', { name: 'aluminium', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText(/^Dock set has a wire of mild steel, which cracks on aluminium/);
  await page.getByRole('radio', { name: 'mild steel', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Anything else that can hurt?' }).click();
  await expect(page.getByRole('checkbox', { name: 'Tank or closed container' })).not.toBeChecked();
  await expectAccessible(page);
});

test('without the server a bead is logged all the same, what was seen before is shown, and that it is away is said', async ({
  page,
  faults,
}) => {
  await newCoupon(page, 'Offline plate');
  await tapFinding(page, 'See', 'Flat, washed out');
  await page.route('**/api/**', (route) => route.abort());
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('link', { name: 'Bead 1 waits, flat, washed out' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Coupon: Offline plate' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 1 waits, / })).toBeVisible();
  await expect(page.getByRole('navigation').getByText('1 waiting')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('navigation').getByRole('link', { name: /^Log/ }).click();
  await page.getByRole('link', { name: /1 change waits for the server/ }).click();
  await expect(page.getByRole('article')).toContainText('Bead 1 logged');
  await expectAccessible(page);
  await page.unroute('**/api/**');
  await expect(page.getByText(/^Nothing waits/)).toBeVisible({ timeout: 30_000 });
  // The browser itself reports each aborted request; those were asked for.
  const unexpected = faults.filter((text) => !text.includes('ERR_FAILED'));
  faults.splice(0, faults.length, ...unexpected);
});

test('what the server refuses is kept, said and can be put back on the bench', async ({ page, faults }) => {
  await newCoupon(page, 'Refused plate');
  await tapFinding(page, 'See', 'Flat, washed out');
  const problem = {
    status: 400,
    contentType: 'application/problem+json',
    body: JSON.stringify({ code: 'wrong-fields', detail: 'setupId takes the id of a setup that is kept.' }),
  };
  await page.route('**/api/changes', (route) => route.fulfill(problem));
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('navigation').getByText('1 refused')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bead 1/ })).toHaveCount(0);
  await page.unroute('**/api/changes');
  await page.goto('/waiting');
  await expect(page.getByRole('alert')).toContainText('setupId takes the id of a setup that is kept');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Back on the bench' }).click();
  await page.getByRole('tab', { name: 'See' }).click();
  await expect(page.getByRole('button', { name: 'Flat, washed out: seen' })).toBeVisible();
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('link', { name: 'Bead 1, flat, washed out' })).toBeVisible();
  const unexpected = faults.filter((text) => !text.includes('400'));
  faults.splice(0, faults.length, ...unexpected);
});

test('the coupon in work is asked for once, before the page is put together', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => request.url().includes('/api/') && asked.push(new URL(request.url()).pathname));
  await openBench(page);
  const taught = /^\/api\/rigs\/[0-9a-f-]{36}\/experience$/;
  // What its rig has taught is asked for once the coupon has named the rig.
  // What other devices change meanwhile is asked for after that.
  await expect.poll(() => asked.length).toBeGreaterThanOrEqual(3);
  expect(asked.slice(0, 3)).toEqual([
    '/api/coupons',
    expect.stringMatching(/^\/api\/coupons\/[0-9a-f-]{36}$/),
    expect.stringMatching(taught),
  ]);
  const opened = asked[1];
  await page.evaluate(
    (id) => localStorage.setItem('jolly.bench-coupon', JSON.stringify({ version: 2, value: id })),
    opened.split('/')[3],
  );
  // What the first visit still asks for is not counted to the second.
  await page.goto('about:blank');
  asked.splice(0);
  await openBench(page);
  await expect.poll(() => asked.length).toBeGreaterThanOrEqual(2);
  expect(asked.slice(0, 2).filter((path) => !taught.test(path))).toEqual([opened]);
});

test('an address that is not there leads on', async ({ page, faults }) => {
  await page.goto('/nowhere');
  await page.getByRole('button', { name: 'To the bench' }).click();
  await expect(page.getByRole('region', { name: /^Coupon:/ })).toBeVisible();
  await page.goto('/coupon/0190a000-0000-7000-8000-0000000000ff');
  await expect(page.getByText('No such coupon')).toBeVisible();
  // The browser itself reports the one answer that says so.
  expect(faults.splice(0)).toEqual([expect.stringContaining('404')]);
});

test('text at twice the size keeps the bench usable', { tag: BOTH_SIZES }, async ({ page }) => {
  await openBench(page);
  await page.addStyleTag({ content: 'html { font-size: 200%; }' });
  await expect(page.getByRole('button', { name: /^Log bead/ })).toBeInViewport();
  await expect(page.getByRole('navigation')).toBeInViewport();
});

test('the first load of the bench brings neither what is known of causes nor the School', async ({ page }) => {
  await page.goto('/');
  const named = await page
    .locator('script[src]')
    .evaluateAll((scripts) => scripts.map((script) => (script as HTMLScriptElement).src));
  const texts = await Promise.all(named.map(async (address) => (await page.request.get(address)).text()));
  const whole = texts.join('\n');
  // It is the first load: the findings that are tapped are in it.
  expect(whole).toContain('Ropey');
  expect(CAUSES.filter(({ plain }) => whole.includes(plain)).map(({ id }) => id)).toEqual([]);
  for (const ofSchool of ['Keep the pace', 'FSRS', 'Nothing here can play it']) expect(whole).not.toContain(ofSchool);
});
