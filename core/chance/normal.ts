/**
 * A number of the normal curve of mean 0 and deviation 1, by the sum of twelve even ones: none over 6, which suits scatter of things
 * that have ends.
 * @param random even numbers from 0 to 1
 */
export function normal(random: () => number): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random();
  return sum;
}

/** Returns a number of the normal curve of mean 0 and deviation 1, with all of its tails (Box and Muller 1958). @param random even, 0 to 1 */
export const normalWithTails = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
