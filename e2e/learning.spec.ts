import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  BOTH_SIZES,
  closeVerdict,
  expect,
  expectAccessible,
  newCoupon,
  openVerdict,
  sendChange,
  setAll,
  tapFinding,
  test,
} from './harness';

/** An id of the product's form. */
const freshId = (): string =>
  `0190c000-0000-7000-8000-${Math.floor(Math.random() * 2 ** 48)
    .toString(16)
    .padStart(12, '0')}`;

/** A rig that loses some 1.8 V on the way to the arc, as five sound beads on it have shown. */
async function rigThatLosesVolts(page: Page, name: string): Promise<string> {
  const [rigId, setupId, couponId, jobId] = [freshId(), freshId(), freshId(), freshId()];
  const at = '2026-05-01T08:00:00.000Z';
  const rig = {
    process: 'gmaw',
    mode: 'conventional',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  };
  const setup = { id: setupId, fittedAt: at, rig, arcControlRising: 'softer', display: 'digital' };
  await sendChange(page, 'begin-rig', rigId, { name, note: '', setup });
  const job = { baseMetal: 'mild-steel', thicknessMm: 3, joint: 'fillet', position: 'flat' };
  await sendChange(page, 'begin-coupon', couponId, { rigId, title: name, createdAt: at, job: { id: jobId, at, job } });
  for (const minute of [10, 20, 30, 40, 50]) {
    await sendChange(page, 'log-bead', freshId(), {
      ...{ couponId, setupId, jobId, ranAt: `2026-05-01T08:${minute}:00.000Z`, outcome: 'sound', note: '' },
      settings: { voltageV: 20.6, wireSpeedMPerMin: 5.7, stickOutMm: 10, gasFlowLPerMin: 11 },
      ...{ readings: {}, schools: {}, findings: {}, names: {}, verdict: null, move: null, appearance: null },
      judgedBy: null,
    });
  }
  return rigId;
}

test('a stubbing bead is sound in two on a rig that is known to lose volts', async ({ page }, { project }) => {
  const name = `Long leads ${project.name}`;
  await rigThatLosesVolts(page, name);
  await newCoupon(page, 'Rail foot', { thickness: '3', rig: name });
  // The chart's volts for this wire: right on another machine.
  await setAll(page, { volts: '18.8', wire: '5.7', stickOut: '10', gas: '11' });
  await tapFinding(page, 'See', 'Ropey, humped');
  await tapFinding(page, 'Feel', 'Wire pushes the gun back');
  await openVerdict(page);
  await expect(page.getByText(/^Learned of this rig: About 1\.\d V less reaches the arc than it shows/)).toBeVisible();
  await expect(page.getByText(/^18\.8 → (20\.[0-9]|21) V$/).first()).toBeVisible();
  await closeVerdict(page);
  await page.getByRole('button', { name: 'Log bead 1', disabled: false }).click();
  await expect(page.getByRole('button', { name: /^Volts, 2[01](\.\d)? V/ })).toBeVisible();
  await tapFinding(page, 'Hear', 'Crisp crackle');
  await tapFinding(page, 'See', 'Toes wetted in');
  await page.getByRole('button', { name: 'Log bead 2', disabled: false }).click();
  const judge = page.getByRole('group', { name: /^Bead 2 is logged/ });
  await judge.getByRole('button', { name: 'sound' }).click();
  await expect(page.getByRole('link', { name: /^Bead 2, sound/ })).toBeVisible();
});

test('what a rig has taught is seen bead by bead, kept as a file, forgotten and brought back', async ({ page }, {
  project,
}) => {
  const name = `Old drive ${project.name}`;
  const rigId = await rigThatLosesVolts(page, name);
  await page.goto(`/rig/${rigId}`);
  await page.getByRole('link', { name: /^What it has taught/ }).click();
  await expect(
    page.getByText(/^About 1\.\d V less reaches the arc than it shows, give or take 0\.\d V\.$/),
  ).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}, bead \\d: sound`) })).toHaveCount(5);
  await expectAccessible(page);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const file = JSON.parse(readFileSync(await (await saved).path(), 'utf8')) as { steps: object[]; rigId: string };
  expect([file.rigId, file.steps.length]).toEqual([rigId, 5]);
  // A run-out narrows the wire at once.
  await page.getByRole('textbox', { name: 'Wire set at, m/min' }).fill('6');
  await page.getByRole('textbox', { name: 'Came out, mm' }).fill('552');
  await expect(page.getByText('It runs 8 % slower than it is set.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this run-out' }).click();
  await expect(page.getByText(/^Its wire runs about [67] % slower than set, give or take 2 %\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget what was learned' }).click();
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.getByText(/^What was run before .* is forgotten\.$/)).toBeVisible();
  await expect(page.getByText('Its volts reach the arc as shown, give or take 1.0 V.')).toBeVisible();
  await page.getByRole('button', { name: 'Count it again' }).click();
  await expect(page.getByText(/^About [01]\.\d V less reaches the arc than it shows/)).toBeVisible();
});

test(
  'the chart of volts against wire has the bands, the move, and a table for those who do not see it',
  { tag: BOTH_SIZES },
  async ({ page }) => {
    await newCoupon(page, 'Charted plate', { thickness: '5' });
    await setAll(page, { volts: '16.5', wire: '7', stickOut: '10', gas: '11' });
    await tapFinding(page, 'See', 'Ropey, humped');
    await tapFinding(page, 'Feel', 'Wire pushes the gun back');
    await openVerdict(page);
    const chart = page.getByRole('img', {
      name: /^Volts against wire speed: balance here is .*this bead lies under it at 16\.5 V; the next is at/,
    });
    await chart.scrollIntoViewIfNeeded();
    await expect(chart).toBeVisible();
    await expect(page.getByText('in balance by the laws')).toBeVisible();
    await expect(page.getByText('Should sound:')).toBeVisible();
    await page.getByRole('checkbox', { name: 'As a table' }).click();
    const table = page.getByRole('table', { name: 'Beads by wire speed and volts' });
    await expect(table.getByRole('row', { name: 'this bead 7 16.5' })).toBeVisible();
    await expectAccessible(page);
  },
);
