/** A list of words as the options of a choice. */
export const options = <T extends string>(words: Record<T, string>): { value: T; label: string }[] =>
  Object.entries(words).map(([value, label]) => ({ value: value as T, label: label as string }));
