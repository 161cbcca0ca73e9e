import { hasFigures, startAnswer } from '.';
import { OUT_OF_POSITION } from '../arc/coefficients';
import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import type { Transfer } from '../arc/transfer';
import { wireMetal } from '../arc/wire';
import type { BaseMetal, Case, Job, Position } from '../case/schema';
import { MAIN_SETTINGS, type SettingName, type Settings } from '../setting/table';
import { soundBeadFor } from '../start/sound-bead-for';
import type { SoundBead } from '../start/sound-bead-schema';
import { marksOf } from '../start/start';

/** One cell of a rig's own chart: what to set on a plate in a position. */
export type ChartCell = {
  thicknessMm: number;
  position: Position;
  settings: Settings;
  /** The same on the machine's own dials. */
  marks: { [name in SettingName]?: string };
  currentA: number | null;
  /** How the metal crosses at the computed figures; null where none are given. */
  transfer: Transfer | null;
  passes: number;
  /** True where a bead judged sound on this rig stands behind the figures; false where they are computed. */
  proven: boolean;
  /** What machine, wire or position do not allow here. */
  outOfReach: string[];
};

/** Thicknesses of a chart, mm, by the metal of the wire. */
const THICKNESSES: Record<BaseMetal, readonly number[]> = {
  'mild-steel': [0.8, 1, 1.5, 2, 3, 4, 5, 6, 8, 10],
  stainless: [1, 1.5, 2, 3, 4, 5, 6],
  aluminium: [2, 3, 4, 5, 6, 8],
};
/** Positions of a chart; downhill is for sheet and thin plate. */
const POSITIONS: readonly { position: Position; upToMm: number }[] = [
  { position: 'flat', upToMm: Infinity },
  { position: 'vertical-up', upToMm: Infinity },
  { position: 'vertical-down', upToMm: OUT_OF_POSITION.downUpToMm },
  { position: 'overhead', upToMm: Infinity },
];

/**
 * A rig's own settings chart for fillets, by thickness and position, on what is fitted and as the machine has taught. A cell
 * with a proven setting has its figures, and says so. Volts and wire never fall as the plate thickens, within a transfer.
 * @param input the rig, with what is known of its machine; its job is not asked
 * @param proven sound beads of the rig
 * @returns empty where the wire is not known
 */
export function ownChart(input: Case, proven: readonly SoundBead[]): ChartCell[] {
  const wire = input.rig?.wire;
  if (wire?.class === undefined || wire.diameterMm === undefined) return [];
  const baseMetal = wireMetal(wire.class);
  return POSITIONS.flatMap(({ position, upToMm }) => {
    const thicknesses = THICKNESSES[baseMetal].filter((thicknessMm) => thicknessMm <= upToMm);
    const onPlate = (thicknessMm: number): Case => ({
      ...input,
      job: { baseMetal, thicknessMm, position, joint: 'fillet', draught: 'still' },
    });
    const row = thicknesses.map((thicknessMm) => cellOf(onPlate(thicknessMm), proven));
    return neverFalling(row, (cell, settings) => ({ ...cell, ...setAt(onPlate(cell.thicknessMm), settings) }));
  });
}

/** Figures of a cell with what the arc model says of them. */
function setAt(input: Case, settings: Settings): Pick<ChartCell, 'settings' | 'marks' | 'currentA' | 'transfer'> {
  const { currentA, transfer } = readArc(arcSetup(input, input.experience?.machine), settings);
  return { settings, marks: marksOf(settings, input.rig?.dials), currentA, transfer };
}

/** One cell as it is proven, else as it is computed. */
function cellOf(input: Case, proven: readonly SoundBead[]): ChartCell {
  const { thicknessMm, position } = input.job as Required<Pick<Job, 'thicknessMm' | 'position'>>;
  const start = startAnswer(input);
  if (!hasFigures(start))
    return { thicknessMm, position, ...NO_FIGURES, outOfReach: start.held.map(({ text }) => text) };
  const { settings, passes, outOfReach } = start;
  const known = soundBeadFor(proven, input);
  // What was proven has its own volts, wire, stick-out and gas; the rest is as computed.
  const all = known === null ? settings : { ...settings, ...mainOf(known.settings) };
  return { thicknessMm, position, ...setAt(input, all), passes: passes.length, proven: known !== null, outOfReach };
}

const PAIR = ['voltageV', 'wireSpeedMPerMin'] as const;

/** A cell at other settings. */
type Reset = (cell: ChartCell, settings: Settings) => ChartCell;

/** A cell with volts and wire no lower, or no higher, than those of its neighbour in the same transfer. */
function heldTo(cell: ChartCell, other: ChartCell | undefined, bound: 'least' | 'most', reset: Reset): ChartCell {
  if (other === undefined || cell.transfer === null || cell.transfer !== other.transfer) return cell;
  const nearer = bound === 'least' ? Math.max : Math.min;
  const moved = PAIR.flatMap((name) => {
    const [own, held] = [cell.settings[name], other.settings[name]];
    return own === undefined || held === undefined || nearer(own, held) === own ? [] : [[name, held] as const];
  });
  if (moved.length === 0) return cell;
  return { ...reset(cell, { ...cell.settings, ...Object.fromEntries(moved) }), proven: false };
}

/**
 * A row in which neither volts nor wire fall as the plate thickens, within a transfer. What was sound on a plate is enough for a
 * thinner one, and no thicker one is given less. Volts and wire that each come from one of two neighbours lie no further out of
 * balance than the one of them that is further out. Of two proven ones that disagree the thinner one's holds: it fuses both.
 * @param row of one position, thinnest first
 */
function neverFalling(row: readonly ChartCell[], reset: Reset): ChartCell[] {
  const enough = row.map((cell, i) =>
    cell.proven
      ? cell
      : heldTo(
          cell,
          row.slice(i + 1).find(({ proven }) => proven),
          'most',
          reset,
        ),
  );
  return enough.reduce<ChartCell[]>((done, cell) => [...done, heldTo(cell, done[done.length - 1], 'least', reset)], []);
}

/** A cell of a rig that has to be put right first. */
const NO_FIGURES = {
  ...{ settings: {}, marks: {}, currentA: null, transfer: null, passes: 0, proven: false },
} satisfies Partial<ChartCell>;

const mainOf = (settings: Settings): Settings =>
  Object.fromEntries(MAIN_SETTINGS.flatMap((name) => (settings[name] === undefined ? [] : [[name, settings[name]]])));
