import type { BaseMetal } from '../case/schema';

/** How warm a plate has to be before the first pass, and how hot it may be before the next; a procedure comes first. */
export type PlateHeat = {
  /** Least temperature at the joint before an arc is struck, °C; null where nothing is asked beyond a dry plate. */
  preheatC: number | null;
  /** Most that the plate may have when the next pass is begun, °C. */
  interpassC: number;
  /** True where no general figure is safe: only by a procedure that was tried on that steel. */
  onlyByProcedure: boolean;
  because: string;
};

/** Alloying of a steel by weight, per cent. */
export type Alloy = { c: number; mn?: number; cr?: number; mo?: number; v?: number; ni?: number; cu?: number };

/**
 * Carbon equivalent of a steel: how readily it hardens beside the bead.
 * Source: the formula of the International Institute of Welding, for more than 0.18 % of carbon.
 * @returns per cent of carbon
 */
export const carbonEquivalent = ({ c, mn = 0, cr = 0, mo = 0, v = 0, ni = 0, cu = 0 }: Alloy): number =>
  c + mn / 6 + (cr + mo + v) / 5 + (ni + cu) / 15;

/** What plain structural steel of no stated grade is taken for. */
const USUAL_CE = 0.4;

/**
 * Least preheat of ferritic steel by carbon equivalent and thickness, for low-hydrogen wires, °C. Source: rounded from the
 * tables of minimum preheat that structural rules print, plain steel (0.40) 20 °C up to 38 mm, 65 to 65 mm, 110 above; harder
 * steels by the same steps earlier (judged). Above 0.60 the tables ask for a procedure of its own.
 */
const STEEL: readonly { upToCe: number; steps: readonly (readonly [overMm: number, preheatC: number])[] }[] = [
  {
    upToCe: 0.4,
    steps: [
      [20, 20],
      [38, 65],
      [65, 110],
    ],
  },
  {
    upToCe: 0.45,
    steps: [
      [12, 20],
      [20, 75],
      [38, 110],
    ],
  },
  {
    upToCe: 0.5,
    steps: [
      [0, 50],
      [12, 100],
      [25, 150],
    ],
  },
  {
    upToCe: 0.6,
    steps: [
      [0, 100],
      [12, 150],
      [25, 200],
    ],
  },
];
/** Heat-treated aluminium loses its strength above some 120 °C; thick plate is warmed so that the start wets. */
const ALUMINIUM = { fromMm: 8, preheatC: 80, interpassC: 120 };
/** Austenitic stainless tears and rusts when it is kept hot. */
const STAINLESS_INTERPASS_C = 150;
/** Plain steel keeps its toughness up to here. */
const STEEL_INTERPASS_C = 250;

/**
 * Preheat and interpass temperature of a plate.
 * @param thickMm the thicker part, mm
 * @param ce carbon equivalent of a steel, per cent; plain structural steel where it is not known
 */
export function plateHeat(metal: BaseMetal, thickMm: number, ce: number = USUAL_CE): PlateHeat {
  if (metal === 'stainless')
    return {
      ...{ preheatC: null, interpassC: STAINLESS_INTERPASS_C, onlyByProcedure: false },
      because:
        'Stainless is welded cold: under 150 °C by touch stick before the next pass. Straw is good, blue is pickled or brushed off, grey is scrap. An open root is purged from behind with argon.',
    };
  if (metal === 'aluminium')
    return {
      ...{ preheatC: thickMm >= ALUMINIUM.fromMm ? ALUMINIUM.preheatC : null, interpassC: ALUMINIUM.interpassC },
      onlyByProcedure: false,
      because:
        'Warming helps the start on thick plate; more than that takes the strength out of a hardened alloy. Dry, degreased and brushed first.',
    };
  const row = STEEL.find(({ upToCe }) => ce <= upToCe + 1e-9);
  if (row === undefined)
    return {
      ...{ preheatC: STEEL[3].steps[2][1], interpassC: STEEL_INTERPASS_C, onlyByProcedure: true },
      because:
        'This steel hardens and cracks beside the bead: only by a procedure tried on it, with slow cooling after.',
    };
  const step = row.steps.filter(([overMm]) => thickMm > overMm).at(-1);
  return {
    ...{ preheatC: step?.[1] ?? null, interpassC: STEEL_INTERPASS_C, onlyByProcedure: false },
    because:
      step === undefined
        ? 'Plain steel of this thickness wants only to be dry and not colder than the workshop.'
        : 'Thick or hard steel draws the heat off so fast that it hardens and cracks: warm it 75 mm to either side, through its thickness, and let it cool slowly.',
  };
}
