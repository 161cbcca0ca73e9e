import type { UnitSystem } from '../quantity/units';
import { unitOf } from '../quantity/units';
import { mixName } from '../case/gas-mix';
import type { Job } from '../case/schema';
import { SIZES } from '../picture/sizes';
import type { Sized } from '../picture/measure';
import { dialsOf, type SetupFacts } from '../record/draft/case-of';
import { moveInWords } from '../record/words/move-words';
import { OUTCOME_WORDS } from '../record/words/outcome';
import type { Bead } from '../record/shapes/record-schema';
import { dialFor, type Dials } from '../setting/dials';
import { SETTING_NAMES, SETTINGS, type SettingName, type Settings } from '../setting/table';
import { dialText } from '../setting/words';
import { csvOf, figureIn, headOf, lengthIn, numberIn, type Decimal } from './spreadsheet';

export type Cells = Record<string, string | number>;

/** Settings that a machine may have a knob with marks for: in a file of many machines each has a column for them. */
const DIALLED: readonly SettingName[] = ['voltageV', 'wireSpeedMPerMin', 'arcControlPct'];

/** Whether a file has columns for the marks of one machine, or the same ones for any. */
export type Marks = 'of this machine' | 'of any';

/** Figures in the reader's units, each with the mark it stands on where the machine has a knob for it. */
export function settingCells(
  settings: Settings,
  dials: Dials,
  names: readonly SettingName[],
  units: UnitSystem,
  decimal: Decimal,
  marks: Marks,
): Cells {
  const cells = names.flatMap((name): [string, string][] => {
    const dial = dialFor(dials, name);
    const value: [string, string] = [headOf(name, units), figureIn(settings[name], name, units, decimal)];
    if (dial === null && (marks === 'of this machine' || !DIALLED.includes(name))) return [value];
    const mark = dial === null ? '' : (dialText(dial, settings[name]) ?? '');
    return [value, [`${SETTINGS[name].name.toLowerCase()}, mark`, mark]];
  });
  return Object.fromEntries(cells);
}

/** Returns what a job and what was fitted say, the same in every file. */
export function jobCells(job: Job, rig: SetupFacts['rig'] | undefined, units: UnitSystem, decimal: Decimal): Cells {
  const length = unitOf('length', units);
  return {
    metal: job.baseMetal ?? '',
    [`thickness (${length})`]: lengthIn(job.thicknessMm, units, decimal),
    [`other part (${length})`]: lengthIn(job.otherThicknessMm, units, decimal),
    joint: job.joint ?? '',
    position: job.position ?? '',
    wire: rig?.wire?.class ?? '',
    [`wire (${length})`]: lengthIn(rig?.wire?.diameterMm, units, decimal),
    gas: rig === undefined ? '' : mixName(rig.gas),
  };
}

/** Sizes that were measured in photographs, each with a column. */
export function sizeCells(sizes: readonly Sized[], units: UnitSystem, decimal: Decimal): Cells {
  const length = unitOf('length', units);
  return Object.fromEntries(
    SIZES.map(({ id, name }) => [
      `${name.toLowerCase()} by photograph (${length})`,
      lengthIn(sizes.find((size) => size.id === id)?.mm, units, decimal),
    ]),
  );
}

/** Returns what was heard in a recording of a bead; empty where none was made. */
const heardCells = (heard: Bead['heard'], decimal: Decimal): Cells => ({
  'clicks a second': heard === undefined ? '' : numberIn(heard.clicksPerS, decimal),
  'unevenness of the clicks': heard === undefined ? '' : numberIn(heard.unevenness, decimal),
});

/**
 * The cells of a bead, by the heads of their columns: its figures in the reader's units and on the machine's own knobs, what
 * it showed and what was made of it.
 * @param setup what it was run with; nothing where nobody knows
 * @param names the settings that have a column
 * @param marks whether the marks of the knobs have one
 */
export function beadCells(
  bead: Pick<
    Bead,
    'number' | 'ranAt' | 'settings' | 'findings' | 'heard' | 'names' | 'verdict' | 'move' | 'outcome' | 'note'
  >,
  setup: SetupFacts | undefined,
  names: readonly SettingName[],
  units: UnitSystem,
  decimal: Decimal,
  marks: Marks,
): Cells {
  const { number, ranAt, settings, findings, heard, names: called, verdict, move, outcome, note } = bead;
  const dials = setup === undefined ? {} : dialsOf(setup);
  const told = (state: 'present' | 'absent'): string =>
    Object.entries(findings)
      .flatMap(([id, held]) => (held === state ? [called[id] ?? id] : []))
      .join('; ');
  return {
    bead: number,
    'run at': ranAt,
    ...settingCells(settings, dials, names, units, decimal, marks),
    seen: told('present'),
    'not there': told('absent'),
    ...(heard === undefined ? {} : heardCells(heard, decimal)),
    verdict: verdict === null ? '' : verdict.name,
    'likelihood (%)': verdict === null ? '' : String(Math.round(100 * verdict.probability)),
    then: move === null ? '' : moveInWords(move, dials, units),
    judged: outcome === null ? '' : OUTCOME_WORDS[outcome],
    note,
  };
}

/** Everything that a line of the whole log says of one bead. */
export type LoggedBead = {
  bead: Bead | Omit<Bead, 'revision'>;
  setup: SetupFacts | undefined;
  job: Job;
  coupon: { id: string; title: string };
  rigName: string;
  /** What was measured in its photographs. */
  sizes: readonly Sized[];
};

/** The cells of a bead in the file of the whole log: every line has the same columns. */
function logCells(
  { bead, setup, job, coupon, rigName, sizes }: LoggedBead,
  units: UnitSystem,
  decimal: Decimal,
): Cells {
  return {
    coupon: coupon.title,
    rig: rigName,
    ...jobCells(job, setup?.rig, units, decimal),
    ...beadCells(bead, setup, SETTING_NAMES, units, decimal, 'of any'),
    ...heardCells(bead.heard, decimal),
    ...sizeCells(sizes, units, decimal),
    'coupon id': coupon.id,
    'bead id': bead.id,
  };
}

/** Lines of the whole log. @param withHead whether the heads of the columns stand first */
export const logCsv = (beads: readonly LoggedBead[], units: UnitSystem, decimal: Decimal, withHead: boolean): string =>
  csvOf(
    beads.map((one) => logCells(one, units, decimal)),
    decimal,
    withHead,
  );
