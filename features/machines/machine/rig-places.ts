/** The sides of a rig that have a page of their own. */
const RIG_PARTS = ['taught', 'knobs', 'gas', 'chart', 'parts', 'care', 'change'] as const;
export type RigPart = (typeof RIG_PARTS)[number];

/** Returns whether an address names a side of a rig. */
export const isRigPart = (name: string): name is RigPart => (RIG_PARTS as readonly string[]).includes(name);
