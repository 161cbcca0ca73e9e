import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import {
  NEW_SAVED_SETTING_SCHEMA,
  SAVED_SETTING_CHANGE_SCHEMA,
  type NewSavedSetting,
  type SavedSettingChange,
} from '../shapes/saved-setting-schema';
import { beginning, changing, thing } from './descriptor';

const SAVED_SETTING_ROW = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_SAVED_SETTING_SCHEMA.required, 'putAway'],
  properties: { ...NEW_SAVED_SETTING_SCHEMA.properties, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

export type SavedSettingRow = FromSchema<typeof SAVED_SETTING_ROW>;

/** A setting that a sound bead was run with, saved. */
export const SAVED_SETTINGS = thing<SavedSettingRow>()({
  name: 'kept setting',
  schema: SAVED_SETTING_ROW,
  mayChange: ['note', 'putAway'],
  names: [['beadId', 'beads']],
  changes: {
    prove: beginning<NewSavedSetting>({ of: 'proven', fields: NEW_SAVED_SETTING_SCHEMA }),
    'change-proven': changing<SavedSettingChange>({ of: 'proven', fields: SAVED_SETTING_CHANGE_SCHEMA }),
  },
});
