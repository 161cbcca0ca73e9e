/** Returns words with their first letter large, as a sentence begins. */
export const capitalized = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
