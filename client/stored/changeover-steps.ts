import matchesChangeover from '../../core/compiled/changeover';
import type { Changeover } from '../../core/record/shapes/changeover-schema';
import { shapeOfEach } from './device-state';

/** The changing over of a rig to another wire, while it is under way. */
export const changeoverOn = shapeOfEach<Changeover>((rigId) => ({
  key: `changeover-${rigId}`,
  version: 2,
  matches: matchesChangeover,
  migrations: {},
  initial: null,
}));
