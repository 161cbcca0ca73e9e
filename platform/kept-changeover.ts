import matchesChangeover from '../core/compiled/changeover';
import type { Changeover } from '../core/record/changeover-schema';
import { shapeOfEach } from './kept';

/** The changing over of a rig to another wire, while it is under way. */
export const changeoverOn = shapeOfEach<Changeover>((rigId) => ({
  key: `changeover-${rigId}`,
  version: 2,
  matches: matchesChangeover,
  migrations: {},
  initial: null,
}));
