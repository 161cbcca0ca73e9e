import type { Page } from '@playwright/test';
import type { Bead, Coupon, CouponPage } from '../../core/record/shapes/record-schema';
import { draws } from '../../core/testing/draws';
import { expect, newCoupon, newCouponByHand, tapFinding } from '../harness';
import type { OwnServer } from '../own-server';
import { pageStored, mark, test } from './device';

const DAY_MS = 24 * 3600 * 1000;
/** Beads of each device in the hour it is away. */
const BEADS = draws(6, 15);

async function logOne(page: Page, finding: string, number: number): Promise<void> {
  await tapFinding(page, 'See', finding);
  const log = page.getByRole('button', { name: `Log bead ${number}` });
  await expect(log).toBeEnabled();
  await log.click();
  await expect(page.getByRole('button', { name: `Log bead ${number + 1}` })).toBeVisible();
}

/** A coupon as the server has it, once it has come there. */
async function couponCalled(server: OwnServer, title: string): Promise<Coupon> {
  const find = async (): Promise<string | undefined> =>
    (await server.get<CouponPage>('/coupons')).coupons.find((one) => one.title === title)?.id;
  await expect.poll(find).toBeDefined();
  return server.get<Coupon>(`/coupons/${await find()}`);
}

test('server stopped, page closed and opened, beads logged and judged: all there once, in order', async ({
  server,
  device,
}) => {
  let { page, context } = await device('phone');
  await newCoupon(page, 'Far plate');
  await pageStored(page);
  await logOne(page, 'Flat, washed out', 1);
  await expect(page.getByRole('link', { name: /^Bead 1, / })).toBeVisible();
  await server.stop();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Coupon: Far plate' })).toBeVisible();
  await logOne(page, 'Ropey, humped', 2);
  await logOne(page, 'Cold lap', 3);
  await logOne(page, 'Uneven', 4);
  await page.getByRole('button', { name: 'better', exact: true }).click();
  await expect(mark(page, '4 waiting')).toBeVisible();
  // What waits can be read.
  await page.getByRole('navigation').getByRole('link', { name: /^Log/ }).click();
  await page.getByRole('link', { name: /4 changes wait for the server/ }).click();
  await expect(page.getByRole('article')).toHaveCount(4);
  await expect(page.getByText('Bead 4 judged “better”')).toBeVisible();
  await context.close();

  ({ page, context } = await device('phone'));
  await page.goto('/');
  await expect(page.getByRole('link', { name: /^Bead \d+( waits)?, / })).toHaveCount(4);
  await expect(mark(page, '4 waiting')).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
  await expect(page.getByRole('link', { name: /^Dock set: what is fitted/ })).toBeVisible();
  await server.start();
  await expect(mark(page, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  const { beads } = await couponCalled(server, 'Far plate');
  expect(beads.map(({ number, outcome, findings }) => [number, outcome, Object.keys(findings)])).toEqual([
    [1, null, ['bead-flat']],
    [2, null, ['bead-ropey']],
    [3, null, ['toe-cold-lap']],
    [4, 'better', ['bead-uneven']],
  ]);
});

test('a coupon begun, corrected and worked on without the server stands in the log and arrives whole', async ({
  server,
  device,
}) => {
  const { page } = await device('phone');
  await page.goto('/job/new');
  await page.getByRole('textbox', { name: 'What is it for?' }).waitFor();
  await pageStored(page);
  await server.stop();
  await newCouponByHand(page, 'Lost plate', { thickness: '4' });
  await logOne(page, 'Flat, washed out', 1);
  await page.getByRole('link', { name: /^Job: Lost plate/ }).click();
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill('6');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await logOne(page, 'Uneven', 2);
  await page.getByRole('navigation').getByRole('link', { name: /^Log/ }).click();
  await expect(page.getByRole('link', { name: /Lost plate/ })).toContainText('2 beads');
  await server.start();
  await expect(mark(page, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  const { beads, jobs } = await couponCalled(server, 'Lost plate');
  expect(jobs.map(({ job }) => job.thicknessMm)).toEqual([4, 6]);
  expect(beads.map(({ number, jobId }) => [number, jobs.findIndex(({ id }) => id === jobId)])).toEqual([
    [1, 0],
    [2, 1],
  ]);
});

test('two devices on one coupon: what one writes the other sees, both notes hold, and a conflict is said on both', async ({
  server,
  device,
}) => {
  const [one, two] = [(await device('one')).page, (await device('two')).page];
  await newCoupon(one, 'Shared plate');
  const { id } = await couponCalled(server, 'Shared plate');
  await two.goto('/');
  await expect(two.getByRole('region', { name: 'Coupon: Shared plate' })).toBeVisible();
  await logOne(one, 'Flat, washed out', 1);
  // The other sees it within seconds, and its own draft is not moved.
  await tapFinding(two, 'See', 'Uneven');
  await expect(two.getByRole('link', { name: /^Bead 1, / })).toBeVisible();
  await expect(two.getByRole('button', { name: 'Uneven: seen' })).toBeVisible();
  await two.getByRole('button', { name: 'Log bead 2' }).click();
  await expect(one.getByRole('link', { name: /^Bead 2, / })).toBeVisible();

  const edit = async (page: Page, bead: number, outcome: string, note: string): Promise<void> => {
    const card = page.getByRole('article', { name: `Bead ${bead}` });
    await card.getByRole('button', { name: /^Judge/ }).click();
    if (outcome !== '') await card.getByRole('radio', { name: outcome, exact: true }).click();
    if (note !== '') await card.getByRole('textbox', { name: 'Note' }).fill(note);
  };
  for (const page of [one, two]) await page.goto(`/coupon/${id}`);
  await edit(one, 1, 'better', 'toe is cold');
  await edit(two, 2, 'no change', 'second pass');
  await edit(two, 1, 'sound', '');
  await one.getByRole('button', { name: 'Keep it' }).click();
  for (const bead of [2, 1])
    await two
      .getByRole('article', { name: `Bead ${bead}` })
      .getByRole('button', { name: 'Keep it' })
      .click();
  await expect(one.getByText(/was changed on two devices/)).toBeVisible();
  await expect(two.getByText(/was changed on two devices/)).toBeVisible();
  const now = async () =>
    (await server.get<Coupon>(`/coupons/${id}`)).beads.map(({ number, outcome, note }) => [number, outcome, note]);
  const [[, first]] = await now();
  expect(['better', 'sound']).toContain(first);
  expect(await now()).toEqual([
    [1, first, 'toe is cold'],
    [2, 'same', 'second pass'],
  ]);
  // The way back.
  const other = first === 'sound' ? 'better' : 'sound';
  await one.getByRole('button', { name: `Put “${other}” back` }).click();
  await expect.poll(now).toEqual([
    [1, other, 'toe is cold'],
    [2, 'same', 'second pass'],
  ]);
});

test('a coupon that another device begins does not slide under the hands', async ({ server, device }) => {
  const [one, two] = [(await device('one')).page, (await device('two')).page];
  await newCouponByHand(one, 'First plate');
  await couponCalled(server, 'First plate');
  await two.goto('/');
  // What to start with comes once it is worked out, and moves what stands under it.
  await expect(two.getByRole('region', { name: 'Start with' })).toBeVisible();
  await two.getByRole('button', { name: 'Find by a word' }).click();
  await two.getByRole('searchbox', { name: 'Word to find' }).fill('frying');
  await newCouponByHand(one, 'Second plate');
  await couponCalled(server, 'Second plate');
  // The other device hears of it within seconds.
  await logOne(one, 'Uneven', 1);
  await two.waitForTimeout(3000);
  await expect(two.getByRole('region', { name: 'Coupon: First plate' })).toBeVisible();
  await expect(two.getByRole('searchbox', { name: 'Word to find' })).toHaveValue('frying');
  await two.getByRole('button', { name: 'Crisp crackle: not looked' }).click();
  await two.reload();
  await expect(two.getByRole('region', { name: 'Coupon: First plate' })).toBeVisible();
});

test('two tabs of one device share what waits and send it once', async ({ server, device }) => {
  const { page, context } = await device('phone');
  await newCoupon(page, 'Tab plate');
  await pageStored(page);
  const second = await context.newPage();
  await second.goto('/');
  await expect(second.getByRole('region', { name: 'Coupon: Tab plate' })).toBeVisible();
  await server.stop();
  await logOne(page, 'Flat, washed out', 1);
  await expect(second.getByRole('button', { name: 'Log bead 2' })).toBeEnabled();
  await logOne(second, 'Uneven', 2);
  await expect(page.getByRole('button', { name: 'Log bead 3' })).toBeVisible();
  await server.start();
  for (const tab of [page, second]) await expect(mark(tab, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  const { beads } = await couponCalled(server, 'Tab plate');
  expect(beads.map(({ number, findings }) => [number, Object.keys(findings)])).toEqual([
    [1, ['bead-flat']],
    [2, ['bead-uneven']],
  ]);
});

test('two devices an hour away with beads of both, the clock of one a day wrong: all there once', async ({
  server,
  device,
}) => {
  test.slow();
  const now = new Date();
  const tomorrow = new Date(now.getTime() + DAY_MS);
  const one = (await device('one')).page;
  const two = (await device('two')).page;
  await one.clock.install({ time: now });
  await two.clock.install({ time: tomorrow });
  await newCoupon(one, 'Hour plate');
  await couponCalled(server, 'Hour plate');
  await two.goto('/');
  await expect(two.getByRole('region', { name: 'Coupon: Hour plate' })).toBeVisible();
  for (const page of [one, two]) await pageStored(page);
  await server.stop();
  const away = async (page: Page, findings: string[]): Promise<void> => {
    for (let bead = 1; bead <= BEADS; bead++) {
      await logOne(page, findings[bead % findings.length], bead);
      await page.clock.fastForward(3_600_000 / BEADS);
    }
  };
  await Promise.all([away(one, ['Flat, washed out', 'Uneven']), away(two, ['Cold lap', 'Ropey, humped', 'Uneven'])]);
  for (const page of [one, two]) await expect(mark(page, `${BEADS} waiting`)).toBeVisible();
  await server.start();
  for (const page of [one, two]) {
    await page.clock.fastForward('01:00');
    await expect(mark(page, /waiting|no server/)).toHaveCount(0, { timeout: 40_000 });
  }
  const { beads } = await couponCalled(server, 'Hour plate');
  expect(beads.map(({ number }) => number)).toEqual(Array.from({ length: 2 * BEADS }, (_, i) => i + 1));
  // Each device's own beads came in the order they were run, whatever its clock says.
  for (const [clock, findings] of [
    [now, ['bead-flat', 'bead-uneven']],
    [tomorrow, ['toe-cold-lap', 'bead-ropey', 'bead-uneven']],
  ] as const) {
    const minutes = (bead: Bead): number => (Date.parse(bead.ranAt) - clock.getTime()) / 60_000;
    const own = beads.filter((bead) => minutes(bead) >= 0 && minutes(bead) < 120);
    expect(own.map((bead) => Object.keys(bead.findings))).toEqual(
      Array.from({ length: BEADS }, (_, i) => [findings[(i + 1) % findings.length]]),
    );
    expect(minutes(own[BEADS - 1]) - minutes(own[0])).toBeGreaterThan(45);
  }
  for (const page of [one, two])
    await expect(page.getByRole('button', { name: `Log bead ${2 * BEADS + 1}` })).toBeVisible();
});
