import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import isSame from 'fast-deep-equal';
import type { Rig } from '../../case/schema';
import { FITTED_PARTS, type FittedPart } from '../../case/terms';
import { INSTANT } from '../../schema/parts';

/** What a part of a rig has done since it was fitted. */
export const WORN_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['part', 'since', 'beads', 'arcMinutes', 'taken'],
  properties: {
    part: { enum: FITTED_PARTS },
    /** Null where nobody said when it was fitted: counted from the first bead there is. */
    since: { ...INSTANT, type: ['string', 'null'] },
    beads: { type: 'integer', minimum: 0 },
    /** About their arc time, by the pace of each; null where nobody said when the part was fitted. */
    arcMinutes: { type: ['number', 'null'], minimum: 0 },
    /**
     * What was taken of it since its content was last read: kg of wire off the spool, litres out of the cylinder. Null for parts that
     * hold nothing, or whose content nobody read.
     */
    taken: { type: ['number', 'null'], minimum: 0 },
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
  const fitted = { ...rig, fittedAt: { ...rig.fittedAt, [part]: at } };
  if (part === 'spool') return withSpool(fitted, rig.spool?.fullKg, at);
  if (part !== 'cylinder' || rig.cylinder === undefined) return fitted;
  // What a new cylinder holds its gauge has to say.
  const { kind, volumeL } = rig.cylinder;
  return { ...fitted, cylinder: { kind, ...(volumeL === undefined ? {} : { volumeL }) } };
}

/** A new spool is a full one; of a size that nobody said nothing is known. */
function withSpool({ spool: _, ...rig }: Rig, fullKg: number | undefined, at: string): Rig {
  return fullKg === undefined ? rig : { ...rig, spool: { fullKg, leftKg: fullKg, at } };
}

/** What of a rig each part is recorded by. */
const RECORDED: Record<FittedPart, (rig: Rig) => unknown> = {
  tip: ({ parts }) => parts?.tip?.sizeMm,
  nozzle: ({ nozzleBoreMm, parts }) => nozzleBoreMm && { nozzleBoreMm, shape: parts?.nozzle?.shape },
  diffuser: () => undefined,
  liner: ({ parts }) => parts?.liner,
  roll: ({ parts }) => parts?.roll,
  spool: ({ wire }) => wire,
  cylinder: ({ gas }) => gas,
};

/** Returns whether something that was recorded is now said otherwise; what is recorded for the first time is no other part. */
function isAnother(was: unknown, now: unknown): boolean {
  if (was === null || now === null || typeof was !== 'object' || typeof now !== 'object') return !isSame(was, now);
  return Object.entries(was).some(
    ([name, value]) => value !== undefined && !isSame(value, now[name as keyof typeof now]),
  );
}

/**
 * A rig as it was changed, with the parts that are others than before beginning now. A part that was not recorded before is
 * only recorded: nobody says that it was fitted.
 * @param at when
 */
export function withRefitted(before: Rig, after: Rig, at: string): Rig {
  const anew = FITTED_PARTS.filter((part) => {
    const was = RECORDED[part](before);
    return was !== undefined && isAnother(was, RECORDED[part](after));
  });
  // Another wire comes on a spool of another size.
  const bare = anew.includes('spool') ? withSpool(after, undefined, at) : after;
  return anew.reduce((rig, part) => withPartAnew(rig, part, at), bare);
}
