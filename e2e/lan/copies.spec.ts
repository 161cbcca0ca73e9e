import { mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '../harness';
import { OwnServer } from '../own-server';
import { signIn, PHRASE, test as workshop } from './workshop';

const at = mkdtempSync(join(tmpdir(), 'jolly-copied-'));
const copies = join(at, 'copies');

/** The same workshop, copied all the time. */
const test = workshop.extend({
  server: async ({ browserName: _ }, give, info) => {
    const port = 4470 + info.parallelIndex * 10;
    const env = { LAN_PORT: String(port + 1), PASS_PHRASE: PHRASE, HOST_NAMES: 'localhost', COPY_TO: copies };
    const server = new OwnServer(port, ['--lan', '--weeks'], env);
    await server.start();
    await give(server);
    await server.clear();
    rmSync(at, { recursive: true, force: true });
  },
});

test('everyone sees that the record is copied, and when it is not; taking a record in is the keeper’s', async ({
  keeper,
  phone,
}) => {
  await keeper.goto('/log/files');
  await expect(keeper.getByText('All of it is copied, up to some seconds ago.')).toBeVisible({ timeout: 20_000 });
  await expect(keeper.getByText(`To ${copies}, with every moment of the last 30 days.`)).toBeVisible();
  await expect(keeper.getByRole('button', { name: 'Open a JSON file' })).toBeVisible();

  const { page } = await phone();
  await signIn(page, 'Phone');
  // Its disk is pulled, and leaves an empty folder behind.
  renameSync(copies, `${copies}.pulled`);
  mkdirSync(copies);
  await page.goto('/log/files');
  await expect(page.getByText('Take a record in')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Open a JSON file' })).toHaveCount(0);
  await expect(page.getByRole('alert').filter({ hasText: 'Is its disk in place?' })).toBeVisible({ timeout: 40_000 });
  await page.goto('/log');
  await expect(page.getByRole('alert').filter({ hasText: 'The record is not copied since' })).toBeVisible();

  rmSync(copies, { recursive: true });
  renameSync(`${copies}.pulled`, copies);
  await page.goto('/log/files');
  await expect(page.getByText('All of it is copied, up to some seconds ago.')).toBeVisible({ timeout: 40_000 });
});
