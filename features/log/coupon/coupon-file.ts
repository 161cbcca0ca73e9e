import type { Case } from '@/core/case/schema';
import { caseOfBead } from '@/core/record/draft/case-of';
import type { Bead, Coupon } from '@/core/record/shapes/record-schema';
import type { UnitSystem } from '@/core/quantity/units';
import { SETTING_NAMES } from '@/core/setting/table';
import { beadCells } from '@/core/files/bead-cells';
import { csvOf, type Decimal } from '@/core/files/spreadsheet';

/** What a program may read of a coupon: each bead as the case it posed, with what was made of it. */
export const COUPON_FILE_FORMAT = 'jolly-tinker/coupon@1';

type BeadInFile = Pick<Bead, 'number' | 'ranAt' | 'verdict' | 'move' | 'outcome' | 'note' | 'names' | 'judgedBy'> & {
  /** Null where nobody knows what it was run with. */
  case: Case | null;
};
export type CouponFile = Pick<Coupon, 'id' | 'title' | 'createdAt' | 'rigName'> & {
  format: typeof COUPON_FILE_FORMAT;
  beads: BeadInFile[];
};

/** The case that a bead posed, by its own setup and its own version of the job. */
function caseIn({ setups, jobs }: Coupon, bead: Bead): Case | null {
  const setup = setups.find(({ id }) => id === bead.setupId);
  const job = jobs.find(({ id }) => id === bead.jobId);
  return setup === undefined || job === undefined ? null : caseOfBead(bead, setup, job);
}

/** A coupon for a program: every bead in the open case format, as it was judged when it was run. */
export function couponFile(coupon: Coupon): CouponFile {
  const { id, title, createdAt, rigName, beads } = coupon;
  return {
    format: COUPON_FILE_FORMAT,
    ...{ id, title, createdAt, rigName },
    beads: beads.map((bead) => {
      const { number, ranAt, verdict, move, outcome, note, names, judgedBy } = bead;
      return { number, ranAt, case: caseIn(coupon, bead), verdict, move, outcome, note, names, judgedBy };
    }),
  };
}

/**
 * A coupon for a spreadsheet: a line a bead, in the reader's units, each named in the head of its column, with the marks of the
 * machine's own knobs. What a spreadsheet would take for a formula is made harmless.
 * @param decimal how figures are written
 */
export function couponCsv(coupon: Coupon, units: UnitSystem, decimal: Decimal): string {
  const used = SETTING_NAMES.filter((name) => coupon.beads.some(({ settings }) => settings[name] !== undefined));
  const rows = coupon.beads.map((bead) => {
    const setup = coupon.setups.find(({ id }) => id === bead.setupId);
    return beadCells(bead, setup, used, units, decimal, 'of this machine');
  });
  return csvOf(rows, decimal);
}
