import type { Change } from '@/core/record/change/change';
import type { RigChange } from '@/core/record/kinds/rigs';
import type { NewRig, RigRecord } from '@/core/record/shapes/record-schema';
import { makeChange } from '../../../client/send-changes';

/**
 * Returns what a form changes of a rig, and nothing else.
 * @param typed the rig that was typed; what is fitted has its old id where it is the same
 * @param from as it was when the form was begun, or null for a new one
 */
export function rigChanges({ id, ...typed }: NewRig, from: RigRecord | null): Change[] {
  if (from === null) return [makeChange('begin-rig', id, typed, 0, id)];
  const { name, note, setup } = typed;
  const fields: RigChange = { ...(name === from.name ? {} : { name }), ...(note === from.note ? {} : { note }) };
  return [
    ...(Object.keys(fields).length === 0 ? [] : [makeChange('change-rig', id, fields, from.revision)]),
    ...(setup.id === from.setup.id ? [] : [makeChange('refit', id, setup, from.revision)]),
  ];
}
