import { ensureValidators } from './prepare.mjs';

/** Before any test: the compiled schemas are those of the sources. */
export default function setUp() {
  ensureValidators();
}
