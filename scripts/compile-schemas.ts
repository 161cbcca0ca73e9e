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
import { CHANGE_SCHEMA } from '../core/record/change/change-schema';
import { answerSources, nameOfSources } from './judged-by';
import { CHANGE_KINDS, CHANGES, RECORD_KINDS, THINGS } from '../core/record/kinds/all';

/**
 * Turns each schema into a plain function in core/compiled/: page, worker and server then validate with the same code,
 * and the page needs no leave to evaluate text as code. Run by every command that needs it, when a source is newer.
 */
const OUT = join(__dirname, '..', 'core', 'compiled');

const SCHEMAS: Record<string, object> = {
  case: CASE_SCHEMA,
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
  ...Object.fromEntries(CHANGE_KINDS.map((kind) => [`fields-of-${kind}`, CHANGES[kind].fields])),
  ...Object.fromEntries(RECORD_KINDS.map((kind) => [`rows-of-${kind}`, THINGS[kind].schema])),
};

/** Validators that are asked for by the name of a kind. */
const TABLES: Record<string, readonly string[]> = { 'fields-of': CHANGE_KINDS, 'rows-of': RECORD_KINDS };

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
for (const [table, kinds] of Object.entries(TABLES)) {
  const lines = kinds.map((kind) => `  '${kind}': require('./${table}-${kind}'),`);
  writeFileSync(join(OUT, `${table}.js`), `'use strict';\nmodule.exports = {\n${lines.join('\n')}\n};\n`);
  const names = kinds.map((kind) => `'${kind}'`).join(' | ');
  writeFileSync(
    join(OUT, `${table}.d.ts`),
    `import type { CompiledValidator } from '../schema/validate';\ndeclare const matches: Record<${names}, CompiledValidator>;\nexport default matches;\n`,
  );
}
// What an answer is judged by, named by all that it is computed with.
const name = nameOfSources(answerSources(join(__dirname, '..')));
writeFileSync(join(OUT, 'judged-by.js'), `'use strict';module.exports.JUDGED_BY = '${name}';\n`);
writeFileSync(join(OUT, 'judged-by.d.ts'), 'export declare const JUDGED_BY: string;\n');
console.log(`${Object.keys(SCHEMAS).length} schemas compiled`);
