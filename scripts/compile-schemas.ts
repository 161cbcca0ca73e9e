import Ajv from 'ajv';
import standaloneCode from 'ajv/dist/standalone';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEVICE_CHANGE_SCHEMA, NEW_PASS_PHRASE_SCHEMA, NEW_SESSION_SCHEMA } from '../core/access/access-schema';
import {
  FOLLOWING_CHANGE_SCHEMA,
  NEW_PERSON_SCHEMA,
  OWN_PHRASE_SCHEMA,
  PERSON_CHANGE_SCHEMA,
  PICK_SCHEMA,
} from '../core/access/people-schema';
import { CASE_SCHEMA } from '../core/case/schema';
import { DRAFT_HISTORY_SCHEMA } from '../core/record/shapes/draft-schema';
import { PRACTICE_SCHEMA } from '../core/school/practice-schema';
import { TRUE_SIZE_SCHEMA } from '../core/school/true-size-schema';
import { HABITS_SCHEMA } from '../core/record/shapes/habits-schema';
import { CHANGEOVER_SCHEMA } from '../core/record/shapes/changeover-schema';
import { WALK_SCHEMA } from '../core/record/shapes/walk-schema';
import { KNOB_WORK_SCHEMA } from '../core/record/shapes/knob-work-schema';
import { CHANGE_SCHEMA, COUPON_CHANGE_SCHEMA, RIG_CHANGE_SCHEMA } from '../core/record/shapes/change-schema';
import { LEVEL_CHANGE_SCHEMA } from '../core/inspection/level-schema';
import { NEW_CARE_SCHEMA } from '../core/record/shapes/care-schema';
import { NEW_PICTURE_SCHEMA, PICTURE_CHANGE_SCHEMA } from '../core/record/shapes/picture-schema';
import { NEW_SAVED_SETTING_SCHEMA, SAVED_SETTING_CHANGE_SCHEMA } from '../core/record/shapes/saved-setting-schema';
import {
  NEW_INSPECTION_SCHEMA,
  NEW_REPAIR_SCHEMA,
  NEW_WELD_SCHEMA,
  WELD_CHANGE_SCHEMA,
} from '../core/record/shapes/weld-schema';
import { answerSources, nameOfSources } from './judged-by';
import { RECORD_KINDS, ROW_SCHEMAS } from '../core/record/shapes/record-file-schema';
import {
  BEAD_CHANGE_SCHEMA,
  JOB_VERSION_SCHEMA,
  NEW_BEAD_SCHEMA,
  NEW_COUPON_SCHEMA,
  NEW_RIG_SCHEMA,
  NEW_SETUP_SCHEMA,
} from '../core/record/shapes/record-schema';

/**
 * Turns each schema into a plain function in core/compiled/: page, worker and server then validate with the same code,
 * and the page needs no leave to evaluate text as code. Run by every command that needs it, when a source is newer.
 */
const OUT = join(__dirname, '..', 'core', 'compiled');

const SCHEMAS: Record<string, object> = {
  case: CASE_SCHEMA,
  'new-rig': NEW_RIG_SCHEMA,
  'new-coupon': NEW_COUPON_SCHEMA,
  'new-bead': NEW_BEAD_SCHEMA,
  'bead-change': BEAD_CHANGE_SCHEMA,
  'coupon-change': COUPON_CHANGE_SCHEMA,
  'job-version': JOB_VERSION_SCHEMA,
  'rig-change': RIG_CHANGE_SCHEMA,
  'new-setup': NEW_SETUP_SCHEMA,
  'new-proven': NEW_SAVED_SETTING_SCHEMA,
  'proven-change': SAVED_SETTING_CHANGE_SCHEMA,
  'new-weld': NEW_WELD_SCHEMA,
  'weld-change': WELD_CHANGE_SCHEMA,
  'new-inspection': NEW_INSPECTION_SCHEMA,
  'new-repair': NEW_REPAIR_SCHEMA,
  'level-change': LEVEL_CHANGE_SCHEMA,
  'new-care': NEW_CARE_SCHEMA,
  'new-picture': NEW_PICTURE_SCHEMA,
  'picture-change': PICTURE_CHANGE_SCHEMA,
  change: CHANGE_SCHEMA,
  'draft-history': DRAFT_HISTORY_SCHEMA,
  habits: HABITS_SCHEMA,
  practice: PRACTICE_SCHEMA,
  'true-size': TRUE_SIZE_SCHEMA,
  'new-session': NEW_SESSION_SCHEMA,
  'device-change': DEVICE_CHANGE_SCHEMA,
  'new-pass-phrase': NEW_PASS_PHRASE_SCHEMA,
  'following-change': FOLLOWING_CHANGE_SCHEMA,
  'new-person': NEW_PERSON_SCHEMA,
  'person-change': PERSON_CHANGE_SCHEMA,
  pick: PICK_SCHEMA,
  'own-phrase': OWN_PHRASE_SCHEMA,
  'knob-work': KNOB_WORK_SCHEMA,
  walk: WALK_SCHEMA,
  changeover: CHANGEOVER_SCHEMA,
  ...Object.fromEntries(RECORD_KINDS.map((kind) => [`kept-${kind}`, ROW_SCHEMAS[kind]])),
};

const TYPES = `import type { CompiledValidator } from '../schema/validate';
declare const matches: CompiledValidator;
export default matches;
`;

mkdirSync(OUT, { recursive: true });
for (const [name, schema] of Object.entries(SCHEMAS)) {
  // Every error is reported, nothing is coerced.
  const ajv = new Ajv({ allErrors: true, verbose: true, strict: true, allowUnionTypes: true, code: { source: true } });
  writeFileSync(join(OUT, `${name}.js`), standaloneCode(ajv, ajv.compile(schema)));
  writeFileSync(join(OUT, `${name}.d.ts`), TYPES);
}
// What an answer is judged by, named by all that it is computed with.
const name = nameOfSources(answerSources(join(__dirname, '..')));
writeFileSync(join(OUT, 'judged-by.js'), `'use strict';module.exports.JUDGED_BY = '${name}';\n`);
writeFileSync(join(OUT, 'judged-by.d.ts'), 'export declare const JUDGED_BY: string;\n');
console.log(`${Object.keys(SCHEMAS).length} schemas compiled`);
