/** Returns words as the options of a choice, in their order. */
export const choicesOf = <T extends string>(words: Record<T, string>): { value: T; label: string }[] =>
  Object.entries(words).map(([value, label]) => ({ value: value as T, label: label as string }));
