import type { HistoryEntry } from '../../../core/record/change/change-schema';
import { CHANGE_KINDS, CHANGES } from '../../../core/record/kinds/all';
import type { ChangeDescriptor } from '../../../core/record/kinds/descriptor';
import { Refusal } from '../../errors/refusal';
import { takeChange } from '../kinds/all';
import type { Effect, Fields, Incoming } from '../kinds/storage';
import { findEntry, keepEntry, sinceByOthers, type Overrode } from '../records/history';
import { nameOf } from '../records/people';
import type { Writing } from '../records/write';
import { sameDocument } from '../tables/same-document';
import { newestRevision } from './changes-since';

/** What stands beside others of its kind: two inspections of one weld both hold. */
const BESIDE: readonly string[] = CHANGE_KINDS.flatMap((kind) => {
  const { beside, puts }: ChangeDescriptor = CHANGES[kind];
  return beside && puts !== undefined ? [puts] : [];
});

/** Fields that another has changed since the revision that this change was made against. */
function overrodeBy(
  others: readonly HistoryEntry[],
  { fields, before }: Pick<Effect, 'fields' | 'before'>,
): Overrode[] {
  return Object.keys(fields).flatMap((field) => {
    if (BESIDE.includes(field)) return [];
    const other = others.find((entry) => field in entry.fields);
    return other === undefined ? [] : [{ field, was: before[field], by: other.id, device: other.device }];
  });
}

/** Returns whether a change is the one that was taken under its id. */
function isTaken(entry: HistoryEntry, { kind, of, fields }: Incoming): boolean {
  if (entry.kind !== kind || entry.of !== of) return false;
  // What was begun is held against what is kept; what was found as it stood was not written down.
  const named = Object.keys(entry.fields);
  const { puts }: ChangeDescriptor = CHANGES[kind];
  const sent: Fields = puts === undefined ? { ...fields } : { [puts]: (fields as { id: string }).id };
  return named.every((field) => sameDocument(JSON.stringify([entry.fields[field]]), JSON.stringify([sent[field]])));
}

/**
 * Takes a change, once: the same one sent again is answered with what it came to. Two changes of different fields both
 * hold; of two changes of one field the later holds, and its entry says what it stood over.
 * @throws Refusal when it names what is not kept, would alter what never changes, has another's id, or takes back what
 *   others have since made something of
 */
export function applyChange(writing: Writing, change: Incoming): HistoryEntry {
  const { store, revision } = writing;
  const taken = findEntry(store, change.id);
  if (taken !== null) {
    if (!isTaken(taken, change)) throw new Refusal('conflict', [{ field: 'id', takes: 'an id of its own' }]);
    return taken;
  }
  const { id, kind, of, device, madeAt, against, person = null } = change;
  const by = nameOf(store, person);
  const others = sinceByOthers(store, of, against, device);
  const { isNew, ...effect } = takeChange(writing, change, by);
  const entry: HistoryEntry = {
    ...{ id, kind, of, device, by, madeAt },
    ...effect,
    // What changed nothing takes no revision of its own.
    revision: isNew ? revision() : newestRevision(store),
    overrode: overrodeBy(others, effect),
  };
  // A program makes a new id each time, so there is nothing to know again of what changed nothing.
  if (isNew || device !== null) keepEntry(writing, entry, person);
  return entry;
}
