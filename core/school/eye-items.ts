import type { BeadAppearance } from '../bead/appearance';
import type { CauseId, FindingId } from '../evidence/ids';

/** What a bead shows that has to be told apart by eye. */
export const EYE_ITEMS = [
  'bead-ropey',
  'bead-flat',
  'bead-narrow',
  'bead-piled',
  'bead-uneven',
  'toe-cold-lap',
  'toe-undercut',
  'holes-scattered',
  'holes-crater',
  'holes-wormtracks',
  'spatter-heavy',
  'spatter-big-drops',
] as const satisfies readonly FindingId[];
export type EyeItem = (typeof EYE_ITEMS)[number];

export type Option = { id: string; name: string };
/** A bead that is drawn, and what is asked of it. */
export type EyeQuestion = {
  item: EyeItem;
  bead: BeadAppearance;
  /** Names of all it shows. */
  shows: string[];
  options: Option[];
  /** The likeliest cause of all it shows, among others, with why in a sentence. */
  cause: { id: CauseId; name: string; why: string; options: Option[] };
};
