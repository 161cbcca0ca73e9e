/**
 * The clock of this machine and its timers. Nothing else of the server reads or sets them: what is asked for hears the time from its
 * context, and so do tests.
 */
export { setTimeout as pause } from 'node:timers/promises';

export const clock = (): Date => new Date();

// The page's timers, which are numbers, are known to the compiler too; here they are always Node's.
type Timer = { unref: () => void };
const unheld = (timer: unknown): void => (timer as Timer).unref();

/** Does something once so many ms have gone by; it does not hold up the end of the program. @returns how it is called off */
export function after(ms: number, work: () => void): () => void {
  const timer = setTimeout(work, ms);
  unheld(timer);
  return () => clearTimeout(timer);
}

/** Does something every so many ms; it does not hold up the end of the program. @returns how to end it */
export function every(ms: number, work: () => void): () => void {
  const timer = setInterval(work, ms);
  unheld(timer);
  return () => clearInterval(timer);
}
