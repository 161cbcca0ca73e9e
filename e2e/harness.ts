import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';
import { v7 as newId } from 'uuid';

/** A test that fails on any console error, page error or failed own request it did not expect. */
export const test = base.extend<{ faults: string[] }>({
  faults: [
    async ({ page }, use) => {
      const faults: string[] = [];
      page.on('console', (message) => {
        if (message.type() === 'error') faults.push(message.text());
      });
      page.on('pageerror', (error) => faults.push(error.message));
      await use(faults);
      expect(faults, 'console errors').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

export const isPhone = (page: Page): boolean => (page.viewportSize()?.width ?? 0) < 1000;

/** No violations of WCAG A and AA on the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .options({
      runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] },
      resultTypes: ['violations'],
    })
    // The page has no frames: without looking for some, and without an empty page to sum up in, it takes a third of the time.
    .setLegacyMode(true)
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`)).toEqual(
    [],
  );
}

/** The bench, opened and answered. */
export async function openBench(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('region', { name: /^Coupon:/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Log bead/ })).toBeEnabled();
}

/** Opens the verdict where it is a sheet; on a wide screen it is open. */
export async function openVerdict(page: Page): Promise<void> {
  if (isPhone(page)) await page.getByRole('button', { name: /^Verdict:.*Open$/ }).click();
}

export async function closeVerdict(page: Page): Promise<void> {
  if (isPhone(page)) await page.getByRole('button', { name: /^Verdict:.*Close$/ }).click();
}

/** Taps a finding's tile once, under the sense it comes by. */
export async function tapFinding(page: Page, sense: string, name: string): Promise<void> {
  await page.getByRole('tab', { name: sense }).click();
  const tiles = page.getByRole('region', { name: 'What the bead shows' });
  await tiles.getByRole('button', { name: new RegExp(`^${name}: (not looked|seen|not there)$`) }).click();
}

/** Of a journey whose views differ by the width of the screen: it is walked at both sizes with every run, the others with the full one. */
export const BOTH_SIZES = '@both-sizes';

/**
 * Of a journey that shows one more answer on a page that others hold: what the answer is, the core's written cases hold with every run. It is
 * walked with the full one.
 */
export const ONE_MORE_ANSWER = '@one-more-answer';

/** Types a figure for a setting and closes the knob. */
export async function setKnob(page: Page, setting: string, figure: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${setting}, `) }).click();
  await page.getByRole('textbox', { name: new RegExp(`^${setting}, `) }).fill(figure);
  await page.getByRole('button', { name: 'Done' }).click();
}

/** A job for a coupon of a test's own. */
type OwnJob = {
  thickness?: string;
  chips?: string[];
  rig?: string;
  position?: string;
  /** Answers to what its title asks, as they stand on the page. */
  says?: string[];
  /** Whether it is said that nobody could be hurt; false leaves the question open. */
  harmless?: boolean;
  /** What the weld is part of; null leaves what the title says of it. */
  workpiece?: string | null;
};

/** Sends a change as another device does. */
export async function sendChange(page: Page, kind: string, of: string, fields: object): Promise<void> {
  const envelope = { id: newId(), kind, of, device: newId(), madeAt: new Date().toISOString(), against: 0 };
  const answer = await page.request.post('/api/changes', { data: { ...envelope, fields } });
  expect(answer.status(), await answer.text()).toBe(200);
}

/** A coupon of this test's own, so that tests do not depend on one another; it is on the bench, which is open. */
export async function newCoupon(
  page: Page,
  title: string,
  job: Pick<OwnJob, 'thickness' | 'rig' | 'position'> = {},
): Promise<void> {
  // One that the page has only just begun is still on its way to the server.
  let rigId: string | undefined;
  await expect(async () => {
    const rigs = (await (await page.request.get('/api/rigs')).json()) as { id: string; name: string }[];
    rigId = rigs.find(({ name }) => name === (job.rig ?? 'Dock set'))?.id;
    expect(rigId).toBeDefined();
  }).toPass();
  const at = new Date().toISOString();
  const plain = { gapMm: 0, baseMetal: 'mild-steel', joint: 'fillet', draught: 'still', workpiece: 'plate' };
  const danger = { place: 'workshop', critical: 'usual', ruledOut: ['code-work'] };
  const welded = { thicknessMm: Number(job.thickness ?? 5), position: job.position ?? 'flat' };
  const of = newId();
  const version = { id: newId(), at, job: { ...plain, ...danger, ...welded } };
  await sendChange(page, 'begin-coupon', of, { rigId, title, createdAt: at, job: version });
  // What stands on a bench is the device's own: put there once, before the page is read.
  await page.addInitScript((couponId) => {
    if (sessionStorage.getItem(couponId) !== null) return;
    sessionStorage.setItem(couponId, 'put on the bench');
    localStorage.setItem('jolly.bench-coupon', JSON.stringify({ version: 2, value: couponId }));
  }, of);
  await page.goto('/');
  await expectOnBench(page, title);
}

async function expectOnBench(page: Page, title: string): Promise<void> {
  await expect(page.getByRole('region', { name: `Coupon: ${title}` })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Log bead 1' })).toBeEnabled();
}

/** The same, by hand through the form of a new coupon. */
export async function newCouponByHand(page: Page, title: string, job: OwnJob = {}): Promise<void> {
  await page.goto('/job/new');
  await page.getByRole('textbox', { name: 'What is it for?' }).fill(title);
  await page.getByRole('radio', { name: job.rig ?? 'Dock set' }).click();
  // A new coupon starts as the last job; bring it back to a plain one.
  const { workpiece = 'plate or bracket' } = job;
  const part = workpiece === null ? [] : [workpiece];
  for (const choice of [...part, 'workshop', 'everyday', 'mild steel', 'fillet', job.position ?? 'flat', 'still air'])
    await page.getByRole('radio', { name: choice, exact: true }).click();
  for (const chip of await page.getByRole('checkbox', { checked: true }).all()) await chip.click();
  await page.getByRole('textbox', { name: 'Thickness, mm' }).fill(job.thickness ?? '5');
  await page.getByRole('textbox', { name: 'Other part, mm' }).fill('');
  await page.getByRole('textbox', { name: 'Gap, mm' }).fill('0');
  await page.getByRole('textbox', { name: 'Carbon equivalent, %' }).fill('');
  // What is asked of every job; what else the title names is asked beside it.
  if (job.harmless !== false) await page.getByRole('radio', { name: 'Nobody could be hurt', exact: true }).click();
  for (const said of job.says ?? []) await page.getByRole('radio', { name: said, exact: true }).click();
  for (const chip of job.chips ?? []) await page.getByRole('checkbox', { name: chip, exact: true }).click();
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expectOnBench(page, title);
}

/** Sets the four main figures of a bead. */
export async function setAll(
  page: Page,
  figures: { volts: string; wire: string; stickOut: string; gas: string },
): Promise<void> {
  await setKnob(page, 'Volts', figures.volts);
  await setKnob(page, 'Wire speed', figures.wire);
  await setKnob(page, 'Stick-out', figures.stickOut);
  await setKnob(page, 'Gas flow', figures.gas);
}
