import type { FieldProblem } from '../../schema/problems';
import {
  NEW_PICTURE_SCHEMA,
  PICTURE_CHANGE_SCHEMA,
  STORED_PICTURE_SCHEMA,
  type NewPicture,
  type PictureChange,
  type StoredPicture,
} from '../shapes/picture-schema';
import { beginning, changing, thing } from './descriptor';

/** A picture is of one bead or of one weld. */
const ownerProblems = ({ beadId, weldId }: Pick<NewPicture, 'beadId' | 'weldId'>): FieldProblem[] =>
  (beadId === null) === (weldId === null)
    ? [{ field: 'beadId', takes: 'the id of a bead, or weldId that of a weld: a picture is of one of them' }]
    : [];

/** A photograph of a bead or of a weld. */
export const PICTURES = thing<StoredPicture>()({
  name: 'picture',
  schema: STORED_PICTURE_SCHEMA,
  problems: ownerProblems,
  mayChange: ['view', 'note', 'measuring', 'takenBack'],
  names: [
    ['beadId', 'beads'],
    ['weldId', 'welds'],
  ],
  changes: {
    'add-picture': beginning<NewPicture>({ of: 'picture', fields: NEW_PICTURE_SCHEMA, problems: ownerProblems }),
    'change-picture': changing<PictureChange>({ of: 'picture', fields: PICTURE_CHANGE_SCHEMA }),
  },
});
