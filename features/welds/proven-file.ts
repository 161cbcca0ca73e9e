import { mixName } from '@/core/case/gas-mix';
import { unitOf, type UnitSystem } from '@/core/quantity/units';
import { dialsOf } from '@/core/record/case-of';
import type { ProvenSetting } from '@/core/record/proven-schema';
import { dialFor } from '@/core/setting/dials';
import { SETTING_NAMES, SETTINGS } from '@/core/setting/table';
import { dialText } from '@/core/setting/words';
import { proofWords } from '@/core/record/proof-words';
import { csvOf, figureIn, headOf, lengthIn, type Decimal } from '@/core/files/spreadsheet';

/**
 * Kept settings for a spreadsheet: a line each, with the job, what was fitted, the figures in the reader's units and on the machine's
 * own knobs, and who proved them how.
 */
export function provenCsv(settings: readonly ProvenSetting[], units: UnitSystem, decimal: Decimal): string {
  const used = SETTING_NAMES.filter((name) => settings.some(({ bead }) => bead.settings[name] !== undefined));
  const length = unitOf('length', units);
  return csvOf(
    settings.map(({ title, rigName, job, setup, bead, provenAt, by, how, run, note, welds }) => {
      const dials = dialsOf(setup);
      const { wire, gas } = setup.rig;
      return {
        title,
        rig: rigName,
        metal: job.baseMetal ?? '',
        [`thickness (${length})`]: lengthIn(job.thicknessMm, units, decimal),
        [`other part (${length})`]: lengthIn(job.otherThicknessMm, units, decimal),
        joint: job.joint ?? '',
        position: job.position ?? '',
        wire: wire?.class ?? '',
        [`wire (${length})`]: lengthIn(wire?.diameterMm, units, decimal),
        gas: mixName(gas),
        ...Object.fromEntries(
          used.flatMap((name) => {
            const value = [headOf(name, units), figureIn(bead.settings[name], name, units, decimal)];
            const mark = dialText(dialFor(dials, name), bead.settings[name]);
            return mark === null ? [value] : [value, [`${SETTINGS[name].name.toLowerCase()}, mark`, mark]];
          }),
        ),
        run: run ?? '',
        'proved by': by,
        how: proofWords(how),
        'proved at': provenAt,
        welds,
        note,
      };
    }),
    decimal,
  );
}
