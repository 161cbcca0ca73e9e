import { and, asc, between, eq } from 'drizzle-orm';
import type {
  StoredPicture,
  NewPicture,
  Picture,
  PictureChange,
  PictureFile,
  PictureOwner,
} from '../../../core/record/shapes/picture-schema';
import { Refusal } from '../../errors/refusal';
import { readable, toPicture, type Unreadable } from '../tables/rows';
import { beads, pictures, proven, welds } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Store } from '../engine/store';
import type { Writing } from './write';

type Report = (unreadable: Unreadable) => void;

/** Pictures with the coupon of their bead. */
const joined = (store: Store) =>
  store
    .select({ picture: pictures, couponId: beads.couponId })
    .from(pictures)
    .leftJoin(beads, eq(pictures.beadId, beads.id));
type Joined = { picture: typeof pictures.$inferSelect; couponId: string | null };

const read = ({ picture, couponId }: Joined): Picture => ({ ...toPicture(picture), couponId });

const readAll = (rows: readonly Joined[], report: Report): Picture[] =>
  readable(
    'pictures',
    rows.map((row) => ({ ...row, id: row.picture.id })),
    read,
    report,
  );

/** One picture; null where there is none. */
export function findPicture(store: Store, id: string): Picture | null {
  const row = joined(store).where(eq(pictures.id, id)).get();
  return row === undefined ? null : read(row);
}

/** The pictures of a coupon's beads, or of a weld, in the order they were taken. */
export function picturesOf(store: Store, owner: PictureOwner, report: Report): Picture[] {
  const own = 'weldId' in owner ? eq(pictures.weldId, owner.weldId) : eq(beads.couponId, owner.couponId);
  const rows = joined(store)
    .where(and(own, eq(pictures.takenBack, false)))
    .orderBy(asc(pictures.takenAt), asc(pictures.id))
    .all();
  return readAll(rows, report);
}

/** Pictures that were written in these revisions. */
export function picturesBetween(store: Store, from: number, to: number, report: Report): Picture[] {
  const rows = joined(store)
    .where(between(pictures.revision, from, to))
    .orderBy(asc(pictures.revision))
    .all();
  return readAll(rows, report);
}

/** The row of a picture. */
export function pictureRow(picture: StoredPicture, revision: number): typeof pictures.$inferInsert {
  const { file, measuring, ...row } = picture;
  return { ...row, ...file, measuring: measuring === null ? null : JSON.stringify(measuring), revision };
}

/** The coupon that a bead or a weld goes back to; null where there is no such thing. */
function couponOf(store: Store, { beadId, weldId }: NewPicture): string | null {
  if (beadId !== null)
    return store.select({ id: beads.couponId }).from(beads).where(eq(beads.id, beadId)).get()?.id ?? null;
  const row = store
    .select({ id: beads.couponId })
    .from(welds)
    .innerJoin(proven, eq(welds.provenId, proven.id))
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .where(eq(welds.id, weldId ?? ''))
    .get();
  return row?.id ?? null;
}

/**
 * Attaches a picture that is not kept yet; the same one again changes nothing.
 * @param file as it was read; null where the change came without
 * @throws Refusal where what it is of is not kept, the file is missing, or another picture has its id
 */
export function addPicture(
  { store, revision }: Writing,
  picture: NewPicture,
  file: PictureFile | null,
): { isNew: boolean; couponId: string } {
  const couponId = couponOf(store, picture);
  if (couponId === null)
    throw new Refusal('wrong-fields', [
      picture.beadId === null
        ? { field: 'weldId', takes: 'the id of a weld that is kept' }
        : { field: 'beadId', takes: 'the id of a bead that is kept' },
    ]);
  const kept = findPicture(store, picture.id);
  if (kept !== null) {
    const { beadId, weldId, takenAt } = kept;
    if (beadId !== picture.beadId || weldId !== picture.weldId || takenAt !== picture.takenAt)
      throw new Refusal('conflict', [{ field: 'id', takes: 'an id of its own' }]);
    return { isNew: false, couponId };
  }
  if (file === null)
    throw new Refusal('wrong-fields', [{ field: 'file', takes: 'the picture itself, sent with it to /api/pictures' }]);
  store
    .insert(pictures)
    .values(pictureRow({ ...picture, file, measuring: null, takenBack: false }, revision()))
    .run();
  return { isNew: true, couponId };
}

/** Turns a picture to another view, notes something on it, measures it, takes it back or brings it back. */
export function setPicture({ store, revision }: Writing, id: string, fields: PictureChange): void {
  const { measuring, ...rest } = fields;
  const measured = measuring === undefined ? {} : { measuring: measuring === null ? null : JSON.stringify(measuring) };
  setRow(store, pictures, id, { ...rest, ...measured, revision: revision() });
}

/** Returns what may change of a picture, as it stands, with the coupon it goes back to; null where there is none. */
export function pictureNow(store: Store, id: string): (Required<PictureChange> & { couponId: string | null }) | null {
  const picture = findPicture(store, id);
  if (picture === null) return null;
  const { view, note, measuring, takenBack } = picture;
  return { view, note, measuring, takenBack, couponId: couponOf(store, picture) };
}

/** Returns whether any picture has this file. */
export const isFileNamed = (store: Store, hash: string): boolean =>
  store.select({ id: pictures.id }).from(pictures).where(eq(pictures.hash, hash)).get() !== undefined;

/** The files that pictures name, each once. */
export const filesNamed = (store: Store): string[] =>
  store
    .selectDistinct({ hash: pictures.hash })
    .from(pictures)
    .orderBy(asc(pictures.hash))
    .all()
    .map(({ hash }) => hash);
