import { PASS_PHRASE } from './pass-phrase';

/** Marks of people: so many colours, which are told apart by their initials as well. */
export const COLOURS = 8;

/** Letters of a pass phrase of one's own: shorter than the workshop's, for it is typed in gloves, by who is inside already. */
export const OWN_PHRASE = { least: 4, most: PASS_PHRASE.most } as const;

/** Answers that are sent at once. */
export const MOST_SENT = 40;

/** The usual initials of a name: the first letters of its first and last word. */
export function initialsOf(of: string): string {
  const words = of.trim().split(/\s+/).filter(Boolean);
  const ends = words.length > 1 ? [words[0], words[words.length - 1]] : words;
  return ends.map((word) => [...word][0].toUpperCase()).join('');
}
