/** Letters of a pass phrase, at least and at most. */
export const PASS_PHRASE = { least: 10, most: 200 } as const;
