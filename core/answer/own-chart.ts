import { hasFigures, startAnswer } from '.';
import { OUT_OF_POSITION } from '../arc/coefficients';
import type { Transfer } from '../arc/transfer';
import { wireMetal } from '../arc/wire';
import type { BaseMetal, Case, Position } from '../case/schema';
import { MAIN_SETTINGS, type SettingName, type Settings } from '../setting/table';
import { provenFor } from '../start/proven';
import type { Proven } from '../start/proven-schema';
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
 * with a proven setting has its figures, and says so.
 * @param input the rig, with what is known of its machine; its job is not asked
 * @param proven sound beads of the rig
 * @returns empty where the wire is not known
 */
export function ownChart(input: Case, proven: readonly Proven[]): ChartCell[] {
  const wire = input.rig?.wire;
  if (wire?.class === undefined || wire.diameterMm === undefined) return [];
  const baseMetal = wireMetal(wire.class);
  return POSITIONS.flatMap(({ position, upToMm }) =>
    THICKNESSES[baseMetal]
      .filter((thicknessMm) => thicknessMm <= upToMm)
      .map((thicknessMm): ChartCell => {
        const cell: Case = { ...input, job: { baseMetal, thicknessMm, position, joint: 'fillet', draught: 'still' } };
        const start = startAnswer(cell);
        if (!hasFigures(start))
          return { thicknessMm, position, ...NO_FIGURES, outOfReach: start.held.map(({ text }) => text) };
        const { settings, marks, passes, expected, outOfReach } = start;
        const known = provenFor(proven, cell);
        // What was proven has its own volts, wire, stick-out and gas; the rest is as computed.
        const all = known === null ? settings : { ...settings, ...mainOf(known.settings) };
        return {
          ...{
            thicknessMm,
            position,
            outOfReach,
            passes: passes.length,
            currentA: expected.currentA,
            transfer: expected.transfer,
          },
          settings: all,
          marks: known === null ? marks : marksOf(all, input.rig?.dials),
          proven: known !== null,
        };
      }),
  );
}

/** A cell of a rig that has to be put right first. */
const NO_FIGURES = {
  ...{ settings: {}, marks: {}, currentA: null, transfer: null, passes: 0, proven: false },
} satisfies Partial<ChartCell>;

const mainOf = (settings: Settings): Settings =>
  Object.fromEntries(MAIN_SETTINGS.flatMap((name) => (settings[name] === undefined ? [] : [[name, settings[name]]])));
