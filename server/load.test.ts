import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runLoad } from './testing/load';

/** The short form of `npm run load`. */
const folder = mkdtempSync(join(tmpdir(), 'jolly-load-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('loses nothing and leaves nobody unheard where fifty devices log, judge, ask and listen at once', async () => {
  const toll = await runLoad(folder, { devices: 50, seconds: 3, least: 400, restMs: 200 });
  expect(toll).toEqual({
    devices: 50,
    ...{ changes: expect.any(Number), asked: expect.any(Number) },
    ...{ refused: 0, missing: 0, doubled: 0, judgedWrong: 0, unheard: 0 },
    ...{ idle: expect.any(Array), loaded: expect.any(Array), memoryMb: expect.any(Array) },
  });
  expect(toll.changes).toBeGreaterThanOrEqual(400);
}, 180_000);
