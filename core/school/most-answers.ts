/** Answers that a device keeps: some months of a few minutes a day. */
export const MOST_ANSWERS = 2000;
