import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { addPicture, findPicture, pictureNow, pictureRow, picturesBetween, setPicture } from '../records/pictures';
import { readable, toPicture } from '../tables/rows';
import { pictures } from '../tables/schema';
import { begun, required, setFields, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

export const PICTURES: Storage<'pictures'> = {
  table: pictures,
  rows: (store, ids, report) =>
    readable('pictures', storedRows(store, pictures, ids), (row) => toPicture(row), report).map(
      ({ revision: _, ...row }) => row,
    ),
  insert: (store, rows, at) =>
    insertRows(
      store,
      pictures,
      rows.map((picture) => pictureRow(picture, at)),
    ),
  set: (store, { id, view, note, takenBack, measuring }, at) =>
    setRow(store, pictures, id, {
      ...{ view, note, takenBack, revision: at },
      measuring: measuring === null ? null : JSON.stringify(measuring),
    }),
  changes: {
    'add-picture': (writing, { of, fields, file }) => {
      const { couponId, isNew } = addPicture(writing, { ...fields, id: of }, file ?? null);
      return begun(isNew, couponId);
    },
    'change-picture': (writing, { of, fields }) => {
      const now = required(pictureNow(writing.store, of), of, 'picture');
      return setFields(now, fields, now.couponId, () => setPicture(writing, of, fields));
    },
  },
};

export const PICTURES_SHOWN: Shown<'picture', 'pictures'> = {
  as: 'picture',
  list: 'pictures',
  table: pictures,
  find: findPicture,
  between: picturesBetween,
};
