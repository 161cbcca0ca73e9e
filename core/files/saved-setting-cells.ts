import type { UnitSystem } from '../quantity/units';
import { dialsOf } from '../record/draft/case-of';
import type { SavedSetting } from '../record/shapes/saved-setting-schema';
import { proofWords } from '../record/words/proof-words';
import { SETTING_NAMES, type SettingName } from '../setting/table';
import { jobCells, settingCells, type Cells, type Marks } from './bead-cells';
import { csvOf, type Decimal } from './spreadsheet';

/** The settings that any of some kept settings has. */
const usedIn = (settings: readonly SavedSetting[]): SettingName[] =>
  SETTING_NAMES.filter((name) => settings.some(({ bead }) => bead.settings[name] !== undefined));

function provenCells(
  { title, rigName, job, setup, bead, provenAt, by, how, run, note, welds }: SavedSetting,
  names: readonly SettingName[],
  units: UnitSystem,
  decimal: Decimal,
  marks: Marks,
): Cells {
  return {
    title,
    rig: rigName,
    ...jobCells(job, setup.rig, units, decimal),
    ...settingCells(bead.settings, dialsOf(setup), names, units, decimal, marks),
    run: run ?? '',
    'proved by': by,
    how: proofWords(how),
    'proved at': provenAt,
    welds,
    note,
  };
}

/**
 * Kept settings for a spreadsheet: a line each, with the job, what was fitted, the figures in the reader's units and on the machine's
 * own knobs, and who proved them how.
 */
export const provenCsv = (settings: readonly SavedSetting[], units: UnitSystem, decimal: Decimal): string =>
  csvOf(
    settings.map((one) => provenCells(one, usedIn(settings), units, decimal, 'of this machine')),
    decimal,
  );

/** Lines of every kept setting there is, each with the same columns. @param withHead whether their heads stand first */
export const savedSettingsCsv = (
  settings: readonly SavedSetting[],
  units: UnitSystem,
  decimal: Decimal,
  withHead: boolean,
): string =>
  csvOf(
    settings.map((one) => ({
      ...provenCells(one, SETTING_NAMES, units, decimal, 'of any'),
      'put away': one.putAway ? 'yes' : '',
      'coupon id': one.couponId,
      id: one.id,
    })),
    decimal,
    withHead,
  );
