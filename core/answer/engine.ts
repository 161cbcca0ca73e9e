import * as COEFFICIENTS from '../arc/coefficients';
import { compile } from '../diagnosis/engine';
import { fingerprint } from '../diagnosis/fingerprint';
import { KNOWLEDGE } from '../knowledge';

/** The product's knowledge, compiled once; its version also names the coefficients of the arc model. */
export const ENGINE = compile(KNOWLEDGE, fingerprint(COEFFICIENTS));
