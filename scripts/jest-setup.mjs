import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureValidators } from './prepare.mjs';

/** Before any test: the compiled schemas are those of the sources, and there is a folder for what suites share. */
export default function setUp() {
  ensureValidators();
  process.env.JEST_SHARED = mkdtempSync(join(tmpdir(), 'jolly-tests-'));
}
