import type { BrowserContext, Page } from '@playwright/test';
import jsQR from 'jsqr';
import sharp from 'sharp';
import { expect, test as base } from '../harness';
import { OwnServer } from '../own-server';

export const PHRASE = 'three old welders';

/** A workshop that lets the network in, its keeper at the machine itself, and phones that come from elsewhere. */
export const test = base.extend<{
  server: OwnServer;
  /** Where phones find it. */
  secure: string;
  keeper: Page;
  phone: (named?: string) => Promise<{ page: Page; context: BrowserContext }>;
}>({
  server: async ({ browserName: _ }, give, info) => {
    const port = 4470 + info.parallelIndex * 10;
    // Given names come first among the addresses: a machine that tests run on may have no other.
    const env = { LAN_PORT: String(port + 1), PASS_PHRASE: PHRASE, HOST_NAMES: 'localhost' };
    const server = new OwnServer(port, ['--lan', '--weeks'], env);
    await server.start();
    await give(server);
    await server.clear();
  },
  secure: async ({ server: _ }, give, info) => give(`https://localhost:${4471 + info.parallelIndex * 10}`),
  keeper: async ({ browser, server }, give) => {
    const context = await browser.newContext({ baseURL: server.address, viewport: { width: 1280, height: 800 } });
    await give(await context.newPage());
    await context.close();
  },
  phone: async ({ browser, secure, viewport, hasTouch }, give) => {
    const open: BrowserContext[] = [];
    await give(async () => {
      const context = await browser.newContext({ baseURL: secure, viewport, hasTouch, ignoreHTTPSErrors: true });
      open.push(context);
      return { context, page: await context.newPage() };
    });
    for (const context of open) await context.close();
  },
});

/** Reads the code on the keeper's screen as a phone's camera does. */
export async function scan(keeper: Page): Promise<string> {
  await keeper.goto('/devices');
  const code = keeper.getByRole('img', { name: 'Code that lets the next device in' });
  await expect(code).toBeVisible();
  const picture = sharp(await code.screenshot())
    .ensureAlpha()
    .raw();
  const { data, info } = await picture.toBuffer({ resolveWithObject: true });
  const read = jsQR(new Uint8ClampedArray(data), info.width, info.height);
  expect(read, 'the code can be read').not.toBeNull();
  return read!.data;
}

/** Comes in with the pass phrase. */
export async function signIn(page: Page, named: string, phrase = PHRASE): Promise<void> {
  await page.goto('/join');
  await page.getByRole('textbox', { name: 'Pass phrase' }).fill(phrase);
  await page.getByRole('textbox', { name: 'This device' }).fill(named);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: 'This device is in' })).toBeVisible();
}

/** Says who works with the device, who is added where they are not there yet. */
export async function beSomebody(page: Page, name: string): Promise<void> {
  await page.goto('/people');
  await expect(page.getByRole('radio', { name: 'Nobody in particular' })).toBeVisible();
  const there = page.getByRole('radio', { name, exact: true });
  if (await there.isVisible()) await there.click();
  else {
    await page.getByRole('button', { name: 'Somebody else' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
  }
  await expect(page.getByText(`This device is ${name}’s now.`)).toBeVisible();
}
