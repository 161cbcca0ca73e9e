import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import isSame from 'fast-deep-equal';
import type { Rig } from '../case/schema';
import { FITTED_PARTS, type FittedPart } from '../case/terms';
import { INSTANT } from '../schema/parts';

/** What a part of a rig has done since it was fitted. */
export const WORN_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['part', 'since', 'beads', 'arcMinutes'],
  properties: {
    part: { enum: FITTED_PARTS },
    /** Null where nobody said when it was fitted: counted from the first bead there is. */
    since: { ...INSTANT, type: ['string', 'null'] },
    beads: { type: 'integer', minimum: 0 },
    /** About their arc time, by the pace of each; null where nobody said when the part was fitted. */
    arcMinutes: { type: ['number', 'null'], minimum: 0 },
  },
} as const satisfies JSONSchema;

export type Worn = FromSchema<typeof WORN_SCHEMA>;

/** Parts that a rig has: gas comes with a cylinder, and a wire that makes its own has none. */
export function partsOf({ gas }: Rig): FittedPart[] {
  return FITTED_PARTS.filter((part) => part !== 'cylinder' || gas !== null);
}

/**
 * A rig with a part fitted anew: what is fitted stays as it is, but that the part begins again.
 * @param at when
 */
export function withPartAnew(rig: Rig, part: FittedPart, at: string): Rig {
  return { ...rig, fittedAt: { ...rig.fittedAt, [part]: at } };
}

/** What of a rig each part is recorded by. */
const RECORDED: Record<FittedPart, (rig: Rig) => unknown> = {
  tip: ({ parts }) => parts?.tip?.sizeMm,
  nozzle: ({ nozzleBoreMm }) => nozzleBoreMm,
  liner: ({ parts }) => parts?.liner,
  roll: ({ parts }) => parts?.roll,
  spool: ({ wire }) => wire,
  cylinder: ({ gas }) => gas,
};

/**
 * A rig as it was changed, with the parts that are others than before beginning now. A part that was not recorded before is
 * only recorded: nobody says that it was fitted.
 * @param at when
 */
export function withRefitted(before: Rig, after: Rig, at: string): Rig {
  const anew = FITTED_PARTS.filter((part) => {
    const was = RECORDED[part](before);
    return was !== undefined && !isSame(was, RECORDED[part](after));
  });
  return anew.reduce((rig, part) => withPartAnew(rig, part, at), after);
}
