/**
 * Returns what a test draws or looks at.
 * @param often with every run
 * @param full with `npm run test:full`
 */
export const draws = <T>(often: T, full: T): T => (process.env.TESTS === 'full' ? full : often);
