import type { Limits } from '../../../core/inspection/level-schema';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { findLevel, levelsBetween, setLevel } from '../records/levels';
import { levels } from '../tables/schema';
import { required, setFields, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

export const LEVELS: Storage<'levels'> = {
  table: levels,
  rows: (store, ids) =>
    storedRows(store, levels, ids).map(({ revision: _, limits, ...row }) => ({
      ...row,
      limits: JSON.parse(limits) as Limits,
    })),
  insert: (store, rows, at) =>
    insertRows(
      store,
      levels,
      rows.map(({ limits, ...level }) => ({ ...level, limits: JSON.stringify(limits), revision: at })),
    ),
  set: (store, { id, name, use, limits }, at) =>
    setRow(store, levels, id, { name, use, limits: JSON.stringify(limits), revision: at }),
  changes: {
    'change-level': (writing, { of, fields }) => {
      const now = required(findLevel(writing.store, of), of, 'level');
      return setFields(now, fields, null, () => setLevel(writing, now, fields));
    },
  },
};

export const LEVELS_SHOWN: Shown<'level', 'levels'> = {
  as: 'level',
  list: 'levels',
  table: levels,
  find: findLevel,
  between: levelsBetween,
};
