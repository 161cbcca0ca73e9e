import type { FieldProblem } from '../../schema/problems';
import type { NewPicture } from '../shapes/picture-schema';

/** A picture is of one bead or of one weld. */
export const pictureProblems = ({ beadId, weldId }: NewPicture): FieldProblem[] =>
  (beadId === null) === (weldId === null)
    ? [{ field: 'beadId', takes: 'the id of a bead, or weldId that of a weld: a picture is of one of them' }]
    : [];

/** The coupon whose bead a picture is of, or the weld. */
export type PictureOwner = { couponId: string } | { weldId: string };
