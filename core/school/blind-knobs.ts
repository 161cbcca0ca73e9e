/** Beads after which nobody goes on. */
export const MOST_BEADS = 10;
/** What each knob takes, and its step. */
export const BLIND_KNOBS = {
  voltageV: { least: 12, most: 34, step: 0.5 },
  wireSpeedMPerMin: { least: 1, most: 16, step: 0.25 },
  stickOutMm: { least: 6, most: 25, step: 1 },
} as const;
