/**
 * How a machine's figures stand to its arc, and how sure that is: the volts at the arc are those shown and `offsetV`; the
 * wire runs at the set speed times `wireScale`. Meter and cables make the one, the drive the other.
 */
export type Machine = {
  offsetV: number;
  wireScale: number;
  /** How sure both are, as standard deviations; null for a machine that nothing has been learned of. */
  sure: { offsetSdV: number; wireScaleSd: number } | null;
};

/** A machine that nothing is known of: taken by its word. */
export const AS_SHOWN: Machine = { offsetV: 0, wireScale: 1, sure: null };
