/** How a bead was judged before its setting was kept, the weakest first. */
export const PROOFS = ['looked', 'bent', 'broken', 'cut'] as const;
export type Proof = (typeof PROOFS)[number];
