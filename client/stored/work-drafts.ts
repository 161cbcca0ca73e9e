import type { SizeId } from '../../core/picture/sizes';
import type { CompiledValidator } from '../../core/schema/validate';
import { shapeOfEach } from './device-state';
import type { StoredShape } from '../../platform/stored';

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

/** Two places of a picture; null where none was tapped yet. */
export type Pair = { from: readonly [number, number] | null; to: readonly [number, number] | null };

/** What is being measured in a picture: something of known size, a second such, or a size by its id. */
export type MeasureTarget = 'scale' | 'check' | SizeId;

/** The measuring of a picture as far as it went, with the known lengths as they were typed, and in which units. */
export type MeasureDraft = {
  scale: Pair & { text: string };
  check: Pair & { text: string };
  sizes: (Pair & { id: SizeId })[];
  target: MeasureTarget;
  /** The end that is moved, of a known length or of a size by its place in the list. */
  held: { at: 'scale' | 'check' | number; end: 'from' | 'to' } | null;
  fineness: number | null;
  units: 'metric' | 'inch';
  note: string;
};

const isMeasureDraft = ((value: unknown) =>
  value === null ||
  (typeof value === 'object' &&
    ['scale', 'check', 'target', 'held', 'units', 'note'].every((part) => part in value) &&
    Array.isArray((value as { sizes?: unknown }).sizes))) as CompiledValidator;

export const measuringOn = shapeOfEach<MeasureDraft | null>((pictureId) => ({
  key: `measuring-${pictureId}`,
  version: 1,
  matches: isMeasureDraft,
  migrations: {},
  initial: null,
}));
