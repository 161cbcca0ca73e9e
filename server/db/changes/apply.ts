import isSame from 'fast-deep-equal';
import type { Change, ChangeOf } from '../../../core/record/change/change';
import type { HistoryEntry } from '../../../core/record/shapes/change-schema';
import type { PictureFile } from '../../../core/record/shapes/picture-schema';
import { beadNow, logBead, setBead } from '../records/beads';
import { newestRevision } from './changes-since';
import { beginCoupon, correctJob, couponNow, setCoupon } from '../records/coupons';
import { findEntry, keepEntry, sinceByOthers, type Overrode } from './history';
import { Refusal } from '../../errors/refusal';
import { beginRig, refit, rigNow, setRig } from '../records/rigs';
import { sameDocument } from '../tables/same-document';
import { lookAfter } from '../records/care';
import { findLevel, setLevel } from '../records/levels';
import { addPicture, pictureNow, setPicture } from '../records/pictures';
import { nameOf } from '../records/people';
import { saveSetting, savedSettingNow, setSavedSetting } from '../records/saved-settings';
import { inspect, logWeld, repair, setWeld, weldNow } from '../records/welds';
import type { Writing } from '../records/write';

/** A change from a device, or from a program, which has no id for itself. */
type IncomingOf<Kind extends Change['kind']> = Omit<ChangeOf<Kind>, 'device'> & {
  device: string | null;
  /** The file of a picture that is attached, as it was read. */
  file?: PictureFile;
};
export type Incoming = { [Kind in Change['kind']]: IncomingOf<Kind> }[Change['kind']];

type Fields = Record<string, unknown>;
/** What a change came to: whether it changed anything, which fields, what stood there, and to which coupon it belongs. */
type Effect = { isNew: boolean; couponId: string | null; fields: Fields; before: Fields };

const begun = (isNew: boolean, couponId: string | null): Effect => ({ isNew, couponId, fields: {}, before: {} });

const missing = (of: string, what: string): Refusal =>
  new Refusal('not-found', [{ field: 'of', takes: `the id of a ${what} that is kept; there is no ${of}` }]);

/** A change of single fields: what stands there already is not written again. */
function setFields(now: Fields, fields: Fields, couponId: string | null, write: () => void): Effect {
  const names = Object.keys(fields).filter((field) => !isSame(now[field], fields[field]));
  const only = (of: Fields): Fields => Object.fromEntries(names.map((name) => [name, of[name]]));
  if (names.length > 0) write();
  return { isNew: names.length > 0, couponId, fields: only(fields), before: only(now) };
}

/** Taking back what others have since judged or noted asks first. */
function askBeforeTakingBack(writing: Writing, { of, against, device, fields, sure }: IncomingOf<'change-bead'>): void {
  if (fields.takenBack !== true || sure === true) return;
  const touched = sinceByOthers(writing.store, of, against, device).flatMap((entry) => Object.entries(entry.fields));
  const made = touched.filter(
    ([field, value]) => (field === 'outcome' || field === 'note') && value !== null && value !== '',
  );
  if (made.length === 0) return;
  throw new Refusal(
    'touched-since',
    made.map(([field, value]) => ({
      field,
      takes: `a second word: on another device it was ${field === 'note' ? 'noted' : 'judged'} "${String(value)}" since`,
    })),
  );
}

/** Changes that put something with an id of its own, and the field that names it in the history. */
const WITH_ID = {
  'correct-job': 'jobId',
  refit: 'setupId',
  inspect: 'inspectionId',
  repair: 'repairId',
  care: 'careId',
} as const satisfies { [kind in Change['kind']]?: string };

/** Does what a change says. @param by who made it, by name */
function effectOf(writing: Writing, change: Incoming, by: string | null): Effect {
  const { store } = writing;
  const { of } = change;
  switch (change.kind) {
    case 'log-bead':
      return begun(logBead(writing, { ...change.fields, id: of }, by), change.fields.couponId);
    case 'change-bead': {
      const now = beadNow(store, of);
      if (now === null) throw missing(of, 'bead');
      askBeforeTakingBack(writing, change);
      return setFields(now, change.fields, now.couponId, () => setBead(writing, of, now.couponId, change.fields, by));
    }
    case 'begin-coupon': {
      const isNew = couponNow(store, of) === null;
      if (isNew) beginCoupon(writing, { ...change.fields, id: of });
      return begun(isNew, of);
    }
    case 'change-coupon': {
      const now = couponNow(store, of);
      if (now === null) throw missing(of, 'coupon');
      return setFields(now, change.fields, of, () => setCoupon(writing, of, change.fields));
    }
    case 'correct-job': {
      const now = couponNow(store, of);
      if (now === null) throw missing(of, 'coupon');
      if (!correctJob(writing, of, change.fields)) return begun(false, of);
      return { isNew: true, couponId: of, fields: { jobId: change.fields.id }, before: { jobId: now.jobId } };
    }
    case 'begin-rig': {
      const isNew = rigNow(store, of) === null;
      if (isNew) beginRig(writing, { ...change.fields, id: of });
      return begun(isNew, null);
    }
    case 'change-rig': {
      const now = rigNow(store, of);
      if (now === null) throw missing(of, 'rig');
      return setFields(now, change.fields, null, () => setRig(writing, of, change.fields));
    }
    case 'refit': {
      const now = rigNow(store, of);
      if (now === null) throw missing(of, 'rig');
      if (!refit(writing, of, change.fields)) return begun(false, null);
      return { isNew: true, couponId: null, fields: { setupId: change.fields.id }, before: { setupId: now.setupId } };
    }
    case 'prove': {
      const { couponId, isNew } = saveSetting(writing, { ...change.fields, id: of });
      return begun(isNew, couponId);
    }
    case 'change-proven': {
      const now = savedSettingNow(store, of);
      if (now === null) throw missing(of, 'kept setting');
      return setFields(now, change.fields, now.couponId, () => setSavedSetting(writing, of, change.fields));
    }
    case 'log-weld': {
      const isNew = weldNow(store, of) === null;
      if (isNew) logWeld(writing, { ...change.fields, id: of });
      return begun(isNew, weldNow(store, of)!.couponId);
    }
    case 'change-weld': {
      const now = weldNow(store, of);
      if (now === null) throw missing(of, 'weld');
      return setFields(now, change.fields, now.couponId, () => setWeld(writing, of, change.fields));
    }
    case 'inspect':
    case 'repair': {
      const now = weldNow(store, of);
      if (now === null) throw missing(of, 'weld');
      const isNew =
        change.kind === 'inspect' ? inspect(writing, of, change.fields) : repair(writing, of, change.fields);
      return { ...begun(isNew, now.couponId), fields: isNew ? { [WITH_ID[change.kind]]: change.fields.id } : {} };
    }
    case 'care': {
      if (rigNow(store, of) === null) throw missing(of, 'rig');
      if (!lookAfter(writing, of, change.fields)) return begun(false, null);
      return { isNew: true, couponId: null, fields: { [WITH_ID.care]: change.fields.id }, before: {} };
    }
    case 'add-picture': {
      const { couponId, isNew } = addPicture(writing, { ...change.fields, id: of }, change.file ?? null);
      return begun(isNew, couponId);
    }
    case 'change-picture': {
      const now = pictureNow(store, of);
      if (now === null) throw missing(of, 'picture');
      return setFields(now, change.fields, now.couponId, () => setPicture(writing, of, change.fields));
    }
    case 'change-level': {
      const now = findLevel(store, of);
      if (now === null) throw missing(of, 'level');
      return setFields(now, change.fields, null, () => setLevel(writing, now, change.fields));
    }
  }
}

/** What stands beside others of its kind: two inspections of one weld both hold. */
const ADDED: readonly string[] = [WITH_ID.inspect, WITH_ID.repair, WITH_ID.care];

/** Fields that another has changed since the revision that this change was made against. */
function overrodeBy(
  others: readonly HistoryEntry[],
  { fields, before }: Pick<Effect, 'fields' | 'before'>,
): Overrode[] {
  return Object.keys(fields).flatMap((field) => {
    if (ADDED.includes(field)) return [];
    const other = others.find((entry) => field in entry.fields);
    return other === undefined ? [] : [{ field, was: before[field], by: other.id, device: other.device }];
  });
}

/** Whether a change is the one that was taken under its id. */
function isTaken(entry: HistoryEntry, { kind, of, fields }: Incoming): boolean {
  if (entry.kind !== kind || entry.of !== of) return false;
  // What was begun is held against what is kept; what was found as it stood was not written down.
  const named = Object.keys(entry.fields);
  const withId = kind in WITH_ID ? WITH_ID[kind as keyof typeof WITH_ID] : undefined;
  const sent: Fields = withId === undefined ? { ...fields } : { [withId]: (fields as { id: string }).id };
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
  const { isNew, ...effect } = effectOf(writing, change, by);
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
