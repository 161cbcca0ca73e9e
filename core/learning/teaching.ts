import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { Machine } from '../arc/machine';
import { MACHINE_SCHEMA } from '../case/experience-schema';
import type { Experience } from '../case/schema';
import { CAUSE_IDS } from '../evidence/ids';
import { BEAD_PROPERTIES } from '../record/shapes/bead-schema';
import { ID, INSTANT, number } from '../schema/parts';
import { SOUND_BEAD_SCHEMA } from '../start/sound-bead-schema';
import type { JudgedChange } from './changes-of-plate';
import {
  afterEvidence,
  beforeBeads,
  machineOf,
  OFFSETS_V,
  SCALES,
  type JudgedBead,
  type MachineBelief,
} from './machine-belief';

/** A bead that taught, and what was believed of the machine after it. */
const STEP_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['beadId', 'couponId', 'title', 'number', 'ranAt', 'outcome', 'machine'],
  properties: {
    beadId: ID,
    couponId: ID,
    title: { type: 'string' },
    number: { type: 'integer', minimum: 1 },
    ranAt: INSTANT,
    outcome: BEAD_PROPERTIES.outcome,
    machine: MACHINE_SCHEMA,
  },
} as const satisfies JSONSchema;

/** What a rig has taught: read, exported, and what the next answer on it is worked out with. */
export const TEACHING_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['rigId', 'since', 'runOutScale', 'belief', 'before', 'machine', 'causes', 'steps'],
  properties: {
    rigId: ID,
    /** What was run before is forgotten; null where nothing is. */
    since: { ...INSTANT, type: ['string', 'null'] },
    /** Measured wire speed over the set one; null where no run-out was timed. */
    runOutScale: { type: ['number', 'null'] },
    /** The chance of each pair of voltage offset and wire scale. */
    belief: {
      type: 'object',
      additionalProperties: false,
      required: ['weights', 'beads'],
      properties: {
        weights: {
          type: 'array',
          minItems: OFFSETS_V.length * SCALES.length,
          maxItems: OFFSETS_V.length * SCALES.length,
          items: number(0, 1),
        },
        beads: { type: 'integer', minimum: 0 },
      },
    },
    /** What is believed of any machine, and of this one now. */
    before: MACHINE_SCHEMA,
    machine: MACHINE_SCHEMA,
    /** Causes that it is known for, with their names. */
    causes: {
      type: 'array',
      maxItems: 100,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['cause', 'name', 'confirmed', 'beads'],
        properties: {
          cause: { enum: CAUSE_IDS },
          name: { type: 'string' },
          confirmed: number(0, 100_000),
          beads: number(0, 100_000),
        },
      },
    },
    /** The beads that taught, in the order they were run. */
    steps: { type: 'array', items: STEP_SCHEMA },
    /** Its sound beads, the newest first: settings to run again on a like job. Left out by older servers. */
    proven: { type: 'array', items: SOUND_BEAD_SCHEMA },
  },
} as const satisfies JSONSchema;

export type Teaching = FromSchema<typeof TEACHING_SCHEMA>;
export type TeachingStep = Teaching['steps'][number];
/** A judged bead with what it says of the machine. */
export type TeachingBead = Omit<TeachingStep, 'machine'> & { evidence: readonly number[] | null };

/** Five digits say all that a belief of some beads can. */
const rounded = ({ weights, beads }: MachineBelief): Teaching['belief'] => ({
  weights: weights.map((weight) => Number(weight.toPrecision(5))),
  beads,
});

const shown = (machine: Machine): TeachingStep['machine'] => ({
  offsetV: Number(machine.offsetV.toFixed(3)),
  wireScale: Number(machine.wireScale.toFixed(4)),
  sure:
    machine.sure === null
      ? null
      : {
          offsetSdV: Number(machine.sure.offsetSdV.toFixed(3)),
          wireScaleSd: Number(machine.sure.wireScaleSd.toFixed(4)),
        },
});

/**
 * Returns what a rig has taught, from its judged beads: the same beads give the same, in whatever order they came in.
 * @param beads with what each says; one that says nothing is passed over
 */
export function teachingOf(
  { rigId, since, runOutScale }: Pick<Teaching, 'rigId' | 'since' | 'runOutScale'>,
  beads: readonly TeachingBead[],
  causes: Teaching['causes'],
): Teaching {
  const ordered = [...beads].sort((a, b) => (a.ranAt < b.ranAt ? -1 : a.ranAt > b.ranAt ? 1 : a.number - b.number));
  let belief = beforeBeads(runOutScale);
  const steps = ordered.flatMap(({ evidence, ...bead }): TeachingStep[] => {
    if (evidence === null) return [];
    belief = afterEvidence(belief, evidence);
    return [{ ...bead, machine: shown(machineOf(belief)) }];
  });
  return {
    ...{ rigId, since, runOutScale, causes, steps },
    belief: rounded(belief),
    before: shown(machineOf(beforeBeads())),
    machine: shown(machineOf(belief)),
  };
}

/** What an answer on a rig begins with: what the rig has taught, and judged beads that are not among that yet. */
export type Lesson = {
  /** Null where it is not known, as on a device that never saw it. */
  belief: MachineBelief | null;
  runOutScale: number | null;
  beads: readonly (JudgedBead & { id: string })[];
  /** What was changed from bead to bead of this plate, and how that was judged. */
  changes: readonly JudgedChange[];
};

/**
 * The machine as the next answer on a rig takes it.
 * @param evidence of the lesson's beads
 * @returns undefined where nothing was learned: the machine is taken by its word
 */
export function machineFor(
  { belief, runOutScale }: Pick<Lesson, 'belief' | 'runOutScale'>,
  evidence: readonly (readonly number[] | null)[],
): Experience['machine'] {
  const after = evidence.reduce<MachineBelief>(afterEvidence, belief ?? beforeBeads(runOutScale));
  return after.beads > 0 || runOutScale !== null ? shown(machineOf(after)) : undefined;
}
