import type { CompiledValidator } from '../core/schema/validate';
import { shapeOfEach } from './kept';
import type { StoredShape } from './stored';

/** What the device keeps of the work after the bench: who works here, and what was measured of a weld and not yet kept. */

/** The name that was last signed with. */
export const WHO: StoredShape<string> = {
  key: 'who',
  version: 2,
  matches: ((value: unknown) => typeof value === 'string') as CompiledValidator,
  migrations: {},
  initial: '',
};

/** An inspection that was begun: the level it is held to, the figures as they were typed, and in which units. */
export type InspectionDraft = {
  levelId: string | null;
  texts: { [measure in string]?: string };
  units: 'metric' | 'inch';
  note: string;
};

const isDraft = ((value: unknown) =>
  value === null ||
  (typeof value === 'object' && 'texts' in value && 'units' in value && 'note' in value)) as CompiledValidator;

export const inspectionOn = shapeOfEach<InspectionDraft | null>((weldId) => ({
  key: `inspection-${weldId}`,
  version: 2,
  matches: isDraft,
  migrations: {},
  initial: null,
}));

/** Steps of a repair that were ticked, by the inspection they follow. */
export const repairOn = shapeOfEach<string[]>((inspectionId) => ({
  key: `repair-${inspectionId}`,
  version: 2,
  matches: ((value: unknown) =>
    Array.isArray(value) && value.every((one) => typeof one === 'string')) as CompiledValidator,
  migrations: {},
  initial: [],
}));
