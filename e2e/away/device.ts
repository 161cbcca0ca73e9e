import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '../harness';
import { OwnServer } from '../own-server';

/** Journeys without the server: the page comes from the device, and what is done waits there. */
export type Device = { page: Page; context: BrowserContext };

export const test = base.extend<{ server: OwnServer; device: (name: string) => Promise<Device> }>({
  server: async ({ browserName: _ }, give, info) => {
    const server = new OwnServer(4410 + info.parallelIndex * 10);
    await server.start();
    await give(server);
    await server.clear();
  },
  /** A browser with a folder of its own, as a phone has: opened again by the same name it still knows what it kept. */
  device: async ({ server, viewport, hasTouch }, give, info) => {
    const folders = new Map<string, string>();
    const open = new Set<BrowserContext>();
    const { executablePath, args } = info.project.use.launchOptions ?? {};
    await give(async (name) => {
      const folder = folders.get(name) ?? mkdtempSync(join(tmpdir(), 'jolly-phone-'));
      folders.set(name, folder);
      const context = await chromium.launchPersistentContext(folder, {
        ...(executablePath === undefined ? {} : { executablePath }),
        ...(args === undefined ? {} : { args }),
        baseURL: server.address,
        viewport,
        hasTouch,
      });
      open.add(context);
      context.on('close', () => open.delete(context));
      return { context, page: context.pages()[0] ?? (await context.newPage()) };
    });
    for (const context of open) await context.close();
    for (const folder of folders.values()) rmSync(folder, { recursive: true, force: true });
  },
});

/** Waits until the device keeps the page itself. */
export const pageStored = (page: Page): Promise<unknown> => page.evaluate(() => navigator.serviceWorker.ready);

export const mark = (page: Page, text: RegExp | string) => page.getByRole('navigation').getByText(text);
