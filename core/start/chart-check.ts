import { readArc } from '../arc/reading';
import { arcSetup, balancedVolts, withWire, wireSpeedAt, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { wireMetal } from '../arc/wire';
import type { Case, Position } from '../case/schema';
import type { DialPoint } from '../setting/dial';
import type { FigureDial } from '../setting/dial-belief';
import type { Settings } from '../setting/table';

/** A line of a chart that somebody has: figures where it gives figures, marks where it gives marks. */
export type ChartLine = {
  /** Where it stands in its file, the head being the first line. */
  line: number;
  thicknessMm: number;
  position: Position;
  settings: Settings;
  marks: { [name in FigureDial]?: number };
};

/** What the model makes of a line. */
export type CheckedLine = ChartLine & {
  /** What the model would set there; null in pulse or where nothing holds. */
  model: { [name in FigureDial]?: number };
  currentA: number | null;
  /** Volts above those in balance, and heat over the heat wanted, both as the line gives them. */
  offV: number | null;
  heat: number | null;
  /** What stands out from the rest of the chart. */
  outlier: FigureDial[];
};

export type CheckedChart = {
  lines: CheckedLine[];
  /** What the chart as a whole is off by: its meter and leads, and its idea of heat. Null with fewer than three lines. */
  offV: number | null;
  heat: number | null;
};

/** So far from the rest of the chart a line is pointed out: 1.5 V; heat a quarter up or down. */
const FAR = { volts: 1.5, heat: Math.log(1.25) };
/** Fewer lines have no rest to stand out from. */
const ENOUGH = 3;

const median = (figures: readonly number[]): number => {
  const sorted = [...figures].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
};
const known = (figures: readonly (number | null)[]): number[] =>
  figures.filter((figure): figure is number => figure !== null);
const middleOf = (figures: readonly (number | null)[]): number | null => {
  const there = known(figures);
  return there.length < ENOUGH ? null : median(there);
};

function setupOf(input: Case, { thicknessMm, position }: ChartLine): WireSetup | null {
  const wireClass = input.rig?.wire?.class;
  const baseMetal = wireClass === undefined ? undefined : wireMetal(wireClass);
  const job = { thicknessMm, position, joint: 'fillet' as const, ...(baseMetal === undefined ? {} : { baseMetal }) };
  return withWire(arcSetup({ ...input, job }));
}

/** A chart that names no stick-out is run at the usual one for what the plate wants. */
const usualHere = (setup: WireSetup): number => usualStickOut(setup, setup.currentWantedA).wanted;

/** Figures that the model would set: the heat that the plate wants, in balance. */
function modelFor(setup: WireSetup, stickOutMm: number | undefined): CheckedLine['model'] {
  const wantedA = setup.currentWantedA;
  if (wantedA === null) return {};
  const wireSpeedMPerMin = wireSpeedAt(setup, wantedA, stickOutMm ?? usualHere(setup));
  return { wireSpeedMPerMin, ...(setup.pulse ? {} : { voltageV: balancedVolts(setup, wantedA) }) };
}

function read(input: Case, line: ChartLine): CheckedLine {
  const setup = setupOf(input, line);
  const nothing = { ...line, model: {}, currentA: null, offV: null, heat: null, outlier: [] };
  if (setup === null) return nothing;
  const { currentA, voltageErrorV, heatRatio } = readArc(setup, { stickOutMm: usualHere(setup), ...line.settings });
  return {
    ...nothing,
    ...{ currentA, offV: voltageErrorV, heat: heatRatio },
    model: modelFor(setup, line.settings.stickOutMm),
  };
}

/**
 * A chart held against the arc model, for fillets on what is fitted. A chart that is off as a whole is so by its machine;
 * lines that stand out from the rest are likelier slips of the pen.
 * @param input the rig; its job and settings are not asked
 */
export function checkChart(input: Case, lines: readonly ChartLine[]): CheckedChart {
  const { job: _, settings: __, findings: ___, ...rig } = input;
  const checked = lines.map((line) => read(rig, line));
  const offV = middleOf(checked.map((line) => line.offV));
  const heat = middleOf(checked.map((line) => line.heat));
  return {
    offV,
    heat,
    lines: checked.map((line) => {
      const farVolts = line.offV !== null && Math.abs(line.offV - (offV ?? 0)) > FAR.volts;
      const farHeat = line.heat !== null && Math.abs(Math.log(line.heat / (heat ?? 1))) > FAR.heat;
      return {
        ...line,
        outlier: [...(farVolts ? ['voltageV' as const] : []), ...(farHeat ? (['wireSpeedMPerMin'] as const) : [])],
      };
    }),
  };
}

/** Marks whose figures several lines give are one pair: as in between as they are. */
function onePerMark(pairs: readonly { mark: number; value: number }[]): { mark: number; value: number }[] {
  const marks = [...new Set(pairs.map(({ mark }) => mark))].sort((a, b) => a - b);
  return marks.map((mark) => ({
    mark,
    value: median(pairs.filter((pair) => pair.mark === mark).map(({ value }) => value)),
  }));
}

/**
 * Pairs for a machine's dial out of a chart that gives its marks: beside the figure that the chart gives, else beside the one
 * that the model would set there. Lines that stand out are left out, and so is what would run backward.
 * @returns rising in mark and figure; good to what a chart is good for
 */
export function pairsOfChart(name: FigureDial, { lines }: CheckedChart): DialPoint[] {
  const pairs = lines.flatMap(({ marks, settings, model, outlier }) => {
    const mark = marks[name];
    const value = settings[name] ?? model[name];
    return mark === undefined || value === undefined || outlier.includes(name) ? [] : [{ mark, value }];
  });
  const rising: DialPoint[] = [];
  for (const { mark, value } of onePerMark(pairs)) {
    const last = rising[rising.length - 1];
    if (last === undefined || value > last.value) rising.push({ mark, value: Number(value.toFixed(3)), by: 'chart' });
  }
  return rising;
}
