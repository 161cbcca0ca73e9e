/** The clock of this machine. Nothing else of the server reads it: what is asked for hears the time from its context, and so do tests. */
export const clock = (): Date => new Date();
