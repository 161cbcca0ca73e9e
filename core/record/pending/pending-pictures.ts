import type { Change } from '../change/change';
import type { NewPicture, Picture } from '../shapes/picture-schema';

/** What a picture that waits on the device is shown by, in place of a file that the server would keep. */
type PendingPicture = Omit<Picture, 'file'> & { file: null };

/** A picture as it is shown: kept by the server, or waiting with its file on this device. */
export type ShownPicture = Picture | PendingPicture;

/**
 * The pictures of a coupon or a weld with what waits laid over them, in the order they were taken; without those taken back.
 * @param isOwn whether a picture that waits is of it
 */
export function picturesWith(
  pictures: readonly Picture[],
  waiting: readonly Change[],
  isOwn: (picture: NewPicture) => boolean,
  couponId: string | null,
): ShownPicture[] {
  const shown = new Map<string, ShownPicture>(pictures.map((picture) => [picture.id, picture]));
  for (const { kind, of, fields } of waiting) {
    if (kind === 'add-picture' && !shown.has(of)) {
      const picture = { ...fields, id: of };
      if (isOwn(picture))
        shown.set(of, { ...picture, file: null, measuring: null, takenBack: false, couponId, revision: 1 });
    }
    const kept = shown.get(of);
    if (kind === 'change-picture' && kept !== undefined) shown.set(of, { ...kept, ...fields });
  }
  return [...shown.values()]
    .filter(({ takenBack }) => !takenBack)
    .sort((a, b) => (a.takenAt === b.takenAt ? (a.id < b.id ? -1 : 1) : a.takenAt < b.takenAt ? -1 : 1));
}
