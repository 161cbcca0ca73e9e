import type { Rig } from '@/core/case/schema';
import { fromUser, readable, type UnitSystem } from '@/core/quantity/units';
import { typedFigure } from '../../shared/record-form';

export const GROOVE_WORDS = { v: 'smooth V', u: 'smooth U', knurled: 'knurled' } as const;
export const LINER_WORDS = { steel: 'steel', polymer: 'polymer' } as const;
export const NOZZLE_WORDS = { straight: 'straight', tapered: 'tapered' } as const;
export const COOLING_WORDS = { air: 'air', water: 'water' } as const;
/** Wires that liners are sold up to, mm. */
export const LINER_SIZES = [0.8, 1.0, 1.2, 1.6, 2.0, 2.4];

/** What is chosen and typed of the parts; null and empty where it is not known. */
export type PartValues = {
  groove: string | null;
  rollMm: string | null;
  liner: string | null;
  linerMm: string | null;
  tipMm: string | null;
  nozzle: string | null;
  recess: string;
  gunA: string;
  cooling: string | null;
  sourceA: string;
  sourcePct: string;
};

const text = (figure: number | undefined): string => (figure === undefined ? '' : String(figure));
const choice = (figure: number | undefined): string | null => (figure === undefined ? null : String(figure));

/** The parts of a rig in their fields. */
export function partValues({ parts = {}, gun = {}, source }: Rig, units: UnitSystem): PartValues {
  const { roll = {}, liner = {}, tip = {} } = parts;
  return {
    groove: roll.groove ?? null,
    rollMm: choice(roll.sizeMm),
    liner: liner.kind ?? null,
    linerMm: choice(liner.sizeMm),
    tipMm: choice(tip.sizeMm),
    nozzle: parts.nozzle?.shape ?? null,
    recess: tip.recessMm === undefined ? '' : readable(tip.recessMm, 'length', units),
    gunA: text(gun.ratedA),
    cooling: gun.cooling ?? null,
    sourceA: text(source?.ratedA),
    sourcePct: text(source?.ratedPct),
  };
}

/** Only what is known. */
const known = <T extends object>(fields: T): { [K in keyof T]?: Exclude<T[K], null | undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== null && value !== undefined)) as never;
const orNothing = <T extends object>(name: string, fields: T): object =>
  Object.keys(fields).length === 0 ? {} : { [name]: fields };
const figure = (chosen: string | null): number | null => (chosen === null ? null : Number(chosen));

/**
 * The parts that were chosen and typed; what is not known is left out. A recess that was shown rounded and not touched stays
 * what it was.
 */
export function partsFrom(values: PartValues, from: Rig, units: UnitSystem): Pick<Rig, 'parts' | 'gun' | 'source'> {
  const typed = typedFigure(values.recess);
  const same = values.recess === partValues(from, units).recess;
  const recessMm = same
    ? from.parts?.tip?.recessMm
    : typed === undefined
      ? undefined
      : fromUser(typed, 'length', units);
  const parts = {
    ...orNothing('roll', known({ groove: values.groove, sizeMm: figure(values.rollMm) })),
    ...orNothing('liner', known({ kind: values.liner, sizeMm: figure(values.linerMm) })),
    ...orNothing('tip', known({ sizeMm: figure(values.tipMm), recessMm })),
    ...orNothing('nozzle', known({ shape: values.nozzle })),
  };
  const [ratedA, ratedPct] = [typedFigure(values.sourceA), typedFigure(values.sourcePct)];
  return {
    ...orNothing('parts', parts),
    ...orNothing('gun', known({ ratedA: typedFigure(values.gunA), cooling: values.cooling })),
    // One of the two without the other is refused by name, not dropped.
    ...orNothing('source', known({ ratedA, ratedPct })),
  } as Pick<Rig, 'parts' | 'gun' | 'source'>;
}
