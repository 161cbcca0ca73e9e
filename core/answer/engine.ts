import { JUDGED_BY } from '../compiled/judged-by';
import { compile } from '../diagnosis/engine';
import { KNOWLEDGE } from '../knowledge';

/** The product's knowledge, compiled once; its version names everything in core that an answer is computed with. */
export const ENGINE = { ...compile(KNOWLEDGE), version: JUDGED_BY };
