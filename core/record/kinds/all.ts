import { BEADS } from './beads';
import { CARE_DONE } from './care';
import { COUPONS, JOBS } from './coupons';
import { LEVELS } from './levels';
import { PICTURES } from './pictures';
import { RIGS, SETUPS } from './rigs';
import { SAVED_SETTINGS } from './saved-settings';
import { WELDS } from './welds';
import type { ChangeDescriptor, ThingDescriptor } from './descriptor';

/** Every kind of thing that the record holds, by the list it stands in; each after those it names, as far as that goes. */
export const THINGS = {
  rigs: RIGS,
  setups: SETUPS,
  coupons: COUPONS,
  jobs: JOBS,
  beads: BEADS,
  proven: SAVED_SETTINGS,
  welds: WELDS,
  care: CARE_DONE,
  levels: LEVELS,
  pictures: PICTURES,
} as const satisfies { readonly [list: string]: ThingDescriptor };

export type RecordKind = keyof typeof THINGS;
export const RECORD_KINDS = Object.keys(THINGS) as RecordKind[];
/** Everything there is, each kind a list. */
export type RecordRows = { [Kind in RecordKind]: NonNullable<(typeof THINGS)[Kind]['row']>[] };

/** Every kind of change, by its name. */
export const CHANGES = {
  ...BEADS.changes,
  ...COUPONS.changes,
  ...JOBS.changes,
  ...RIGS.changes,
  ...SETUPS.changes,
  ...SAVED_SETTINGS.changes,
  ...WELDS.changes,
  ...LEVELS.changes,
  ...CARE_DONE.changes,
  ...PICTURES.changes,
} as const satisfies { readonly [kind: string]: ChangeDescriptor };

export type ChangeKind = keyof typeof CHANGES;
export const CHANGE_KINDS = Object.keys(CHANGES) as ChangeKind[];
/** What each kind of change puts. What is begun has its id in `of`. */
export type FieldsOf = { [Kind in ChangeKind]: NonNullable<(typeof CHANGES)[Kind]['takes']> };
