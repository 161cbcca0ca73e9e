import type { RecordKind } from '../../../core/record/kinds/all';
import { BEADS, BEADS_SHOWN } from './beads';
import { CARE_DONE } from './care';
import { COUPONS, COUPONS_SHOWN, JOBS } from './coupons';
import { LEVELS, LEVELS_SHOWN } from './levels';
import { PICTURES, PICTURES_SHOWN } from './pictures';
import { RIGS, RIGS_SHOWN, SETUPS } from './rigs';
import { SAVED_SETTINGS, SAVED_SETTINGS_SHOWN } from './saved-settings';
import { WELDS, WELDS_SHOWN } from './welds';
import type { Changed } from '../../../core/record/change/change-schema';
import type { Store } from '../engine/store';
import type { Effect, Incoming, Report, Storage } from './storage';
import type { Writing } from '../records/write';

/** How each kind of thing of the record is stored. */
export const STORED: { [Kind in RecordKind]: Storage<Kind> } = {
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
};

/** What devices are told of, by the list of their answers. */
export const SHOWN = {
  rigs: RIGS_SHOWN,
  coupons: COUPONS_SHOWN,
  beads: BEADS_SHOWN,
  proven: SAVED_SETTINGS_SHOWN,
  welds: WELDS_SHOWN,
  levels: LEVELS_SHOWN,
  pictures: PICTURES_SHOWN,
} as const;
export type AnyShown = (typeof SHOWN)[keyof typeof SHOWN];

type Take = (writing: Writing, change: Incoming, by: string | null) => Effect;
const TAKES = Object.assign({}, ...Object.values(STORED).map(({ changes }) => changes)) as Record<
  Incoming['kind'],
  Take
>;

/** Does what a change says. @param by who made it, by name @throws Refusal where it cannot be done */
export const takeChange: Take = (writing, change, by) => TAKES[change.kind](writing, change, by);

/** Returns what is now so of the thing that a change was of, under its name; null where there is none. */
export function shownAs(as: AnyShown['as'], store: Store, id: string, report: Report): Omit<Changed, 'entry'> {
  const shown = Object.values(SHOWN).find((one) => one.as === as)!;
  return { [as]: shown.find(store, id, report) };
}
