import { rmSync } from 'node:fs';

/** After all tests: what suites shared goes. */
export default function tearDown() {
  rmSync(process.env.JEST_SHARED, { recursive: true, force: true });
}
