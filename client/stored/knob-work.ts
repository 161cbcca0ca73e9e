import matchesKnobWork from '../../core/compiled/knob-work';
import type { KnobsWork } from '../../core/record/shapes/knob-work-schema';
import { shapeOfEach } from './device-state';

/** The knobs of a rig while they are taken down. */
export const knobWorkOn = shapeOfEach<KnobsWork>((rigId) => ({
  key: `knobs-${rigId}`,
  version: 2,
  matches: matchesKnobWork,
  migrations: {},
  initial: {},
}));
