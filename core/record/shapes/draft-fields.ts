/** The parts of a draft whose fields can be stepped back, and how many steps are kept. */
export const PARTS = ['settings', 'readings', 'findings', 'suspects', 'typed', 'heard'] as const;
export const LONGEST_PAST = 50;
