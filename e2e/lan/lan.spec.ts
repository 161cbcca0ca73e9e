import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Coupon, CouponPage } from '../../core/record/shapes/record-schema';
import { expect, expectAccessible, newCoupon, openBench, tapFinding } from '../harness';
import { signIn, PHRASE, scan, test } from './workshop';

const YARD_PHONE = 'Yard phone';

test('a phone comes in by the code, works without the network, and is shut out without losing anything', async ({
  keeper,
  phone,
  server,
  secure,
}) => {
  const { page, context } = await phone();
  // Whoever did not come in sees nothing but the door.
  await page.goto('/');
  await expect(page).toHaveURL(`${secure}/join`);
  await expectAccessible(page);
  const address = await scan(keeper);
  expect(address).toMatch(new RegExp(`^${secure}/join#[A-Za-z0-9_-]{20,}$`));
  await expectAccessible(keeper);
  await page.goto('about:blank');
  await page.goto(address);
  // The code stands neither in the address nor in the history any more.
  await expect(page).toHaveURL(`${secure}/join`);
  await expect(page.getByRole('textbox', { name: 'Pass phrase' })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'This device' }).fill(YARD_PHONE);
  await page.getByRole('button', { name: 'Come in' }).dblclick();
  await expect(page.getByRole('heading', { name: 'This device is in' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'To the bench' }).click();
  await newCoupon(page, 'Yard plate');
  // This phone does not trust the certificate, so its browser keeps no page: the bench has its parts at hand all the same.
  const fetched = page.waitForResponse(/BalanceChart/);
  await openBench(page);
  await fetched;
  await context.setOffline(true);
  await tapFinding(page, 'See', 'Ropey, humped');
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('navigation').getByText('1 waiting')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByRole('navigation').getByText('1 waiting')).toBeHidden({ timeout: 20_000 });
  const find = async (): Promise<Coupon | null> => {
    const row = (await server.get<CouponPage>('/coupons')).coupons.find(({ title }) => title === 'Yard plate');
    return row === undefined ? null : server.get<Coupon>(`/coupons/${row.id}`);
  };
  await expect.poll(async () => (await find())?.beads.length).toBe(1);

  // Shut out in the middle of work.
  await tapFinding(page, 'See', 'Flat, washed out');
  await keeper.reload();
  const card = keeper.getByRole('article', { name: YARD_PHONE });
  await card.getByRole('button', { name: `Shut out ${YARD_PHONE}` }).click();
  await expectAccessible(keeper);
  await card.getByRole('button', { name: 'Shut it out' }).click();
  await expect(card.getByText(/^Shut out /)).toBeVisible();
  await expect(page.getByText(/^This device is not in any more/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Log bead 2' }).click();
  await expect(page.getByRole('navigation').getByText('1 waiting')).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  expect((await find())?.beads).toHaveLength(1);
  await page
    .getByRole('button', { name: 'Come in' })
    .or(page.getByRole('link', { name: 'Come in' }))
    .first()
    .click();
  await expect(page.getByText(/^One thing waits on this device/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Pass phrase' }).fill(PHRASE);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: 'This device is in' })).toBeVisible();
  await expect
    .poll(async () => (await find())?.beads.map(({ findings }) => Object.keys(findings)[0]), { timeout: 20_000 })
    .toEqual(['bead-ropey', 'bead-flat']);
});

test('a wrong pass phrase ten times: then it has to wait, keeps what was typed, and the code still lets it in', async ({
  keeper,
  phone,
  secure,
}) => {
  const { page } = await phone();
  await page.goto('/join');
  const typed = page.getByRole('textbox', { name: 'Pass phrase' });
  const go = page.getByRole('button', { name: 'Come in' });
  for (let i = 1; i <= 10; i++) {
    await typed.fill(`not this one ${i}`);
    const answered = page.waitForResponse(
      (response) => response.url().endsWith('/api/session') && response.request().method() === 'POST',
    );
    await go.click();
    expect((await answered).status()).toBe(401);
    await expect(page.getByText('That is not the pass phrase.')).toBeVisible();
    await expect(typed).toHaveValue(`not this one ${i}`);
    await expect(go).toBeEnabled();
  }
  await typed.fill(PHRASE);
  await go.click();
  await expect(page.getByText(/^Too many wrong pass phrases from this device. Wait 15 min/)).toBeVisible();
  await expectAccessible(page);
  await page.goto('/rig');
  await expect(page.getByText('Dock set')).toHaveCount(0);
  const address = await scan(keeper);
  await expect(keeper.getByText(/: 10 times, last /)).toBeVisible();
  await page.goto(address);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: 'This device is in' })).toBeVisible();
  await expect(page).toHaveURL(`${secure}/join`);
});

test('going out forgets the records and keeps what the server has not got', async ({ phone, server }) => {
  const { page, context } = await phone();
  await signIn(page, 'Tablet');
  await newCoupon(page, 'Going plate');
  const seen = (): Promise<number> =>
    page.evaluate(
      () =>
        new Promise<number>((done) => {
          const opening = indexedDB.open('jolly-tinker');
          opening.onsuccess = () => {
            const counting = opening.result.transaction('seen').objectStore('seen').count();
            counting.onsuccess = () => (opening.result.close(), done(counting.result));
          };
        }),
    );
  await expect.poll(seen).toBeGreaterThan(2);
  // What is logged while nothing but the way out is answered waits.
  await context.route('**/api/changes', (route) => route.abort());
  await tapFinding(page, 'See', 'Ropey, humped');
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await expect(page.getByRole('navigation').getByText('1 waiting')).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
  await page.getByRole('link', { name: /^Devices/ }).click();
  await page.getByRole('button', { name: 'Go out with this device' }).click();
  await expect(page.getByText(/^One thing from this device the server has not got yet/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await expect(page.getByText(/^One thing waits on this device/)).toBeVisible();
  expect(await seen()).toBe(0);
  expect(await page.evaluate(() => Object.keys(localStorage).sort())).toEqual(['jolly.device']);
  await page.goto('/');
  await expect(page.getByText('Going plate')).toHaveCount(0);
  await context.unroute('**/api/changes');
  await signIn(page, 'Tablet');
  await expect
    .poll(
      async () =>
        (await server.get<CouponPage>('/coupons')).coupons.find(({ title }) => title === 'Going plate')?.beadCount,
      { timeout: 20_000 },
    )
    .toBe(1);
});

test('three steps lead to trust, and what is fetched is what was shown', async ({ phone, keeper }) => {
  const { page } = await phone();
  await page.goto('/trust');
  await expect(page.getByRole('heading', { name: /^[123]\. / })).toHaveCount(3);
  await expectAccessible(page);
  for (const kind of ['iPhone, iPad', 'Computer', 'Android']) await page.getByRole('radio', { name: kind }).click();
  await expect(page.getByText(/^Settings: search them for “CA certificate”/)).toBeVisible();
  const shown = await page.getByRole('group', { name: /^SHA-256 / }).getAttribute('aria-label');
  const [fetched] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Fetch workshop.crt' }).click(),
  ]);
  expect(fetched.suggestedFilename()).toBe('workshop.crt');
  const { fingerprint256 } = new X509Certificate(readFileSync(await fetched.path()));
  expect(shown).toBe(`SHA-256 ${fingerprint256}`);
  await keeper.goto('/devices');
  await expect(keeper.getByRole('group', { name: shown! })).toBeVisible();
});

test('another pass phrase has every device come in anew', async ({ phone, keeper }) => {
  const { page } = await phone();
  await signIn(page, 'Phone');
  await openBench(page);
  await keeper.goto('/devices');
  const form = keeper.getByRole('region', { name: 'Pass phrase' });
  await form.getByRole('textbox').fill('short');
  await expect(form.getByText('takes 10 letters or more')).toBeVisible();
  await form.getByRole('textbox').fill('four young welders');
  await form.getByRole('checkbox', { name: 'Every device has to come in anew' }).click();
  await form.getByRole('button', { name: 'Set it' }).click();
  await expect(form.getByText('Set. Every device has to come in anew.')).toBeVisible();
  await expect(page.getByText(/^This device is not in any more/)).toBeVisible({ timeout: 20_000 });
  await page.goto('/join');
  await page.getByRole('textbox', { name: 'Pass phrase' }).fill(PHRASE);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByText('That is not the pass phrase.')).toBeVisible();
  await signIn(page, 'Phone', 'four young welders');
});
