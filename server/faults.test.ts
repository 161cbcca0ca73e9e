import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeThroughFaults } from './testing/faults';

/** The short form of `npm run faults`. */
const folder = mkdtempSync(join(tmpdir(), 'jolly-faults-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('loses and doubles nothing where the server is killed while it writes and answers get lost', async () => {
  const toll = await writeThroughFaults(folder, { kills: 3, writers: 4, lost: 0.2, lastsMs: 300, least: 60 });
  expect(toll).toEqual({
    kills: 3,
    acknowledged: expect.any(Number),
    repeated: expect.any(Number),
    missing: 0,
    doubled: 0,
    outOfOrder: 0,
    numbersWrong: 0,
    judgedWrong: 0,
  });
  expect(toll.acknowledged).toBeGreaterThanOrEqual(60);
  expect(toll.repeated).toBeGreaterThan(3);
});
