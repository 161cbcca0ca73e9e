/** Time of one step of the simulated arc, ms: a short of 2 ms is a hundred of them. */
export const STEP_MS = 1 / 48;

/** Samples a second: one a step of the simulated arc. */
export const SAMPLE_RATE = 1000 / STEP_MS;
