import type { Drawing } from '../bead/appearance';
import type { Case } from '../case/schema';

/** The sense a finding comes by, in the order a welder uses them. */
export type Sense = 'see' | 'hear' | 'feel' | 'behind' | 'cut' | 'check';

/**
 * Something the welder can notice. A `good` finding speaks against trouble: the network holds its
 * opposite, so that "good, present" counts as "trouble, absent".
 */
export type Finding = {
  id: string;
  /** Trade name, short enough for a tile. */
  name: string;
  /** One plain sentence. */
  plain: string;
  sense: Sense;
  good?: true;
  /** Chance of it (or, for a good one, of its absence) when nothing is wrong that the network knows. */
  leak: number;
  drawing?: Drawing;
  /** What it is easily mistaken for. */
  mistakenFor: string;
  /** Other words for it in the trade. */
  words?: string[];
};

/** A look, a measurement or a small trial that tells of one or more causes. It is answered like a finding. */
export type Check = {
  id: string;
  name: string;
  /** What to do. */
  plain: string;
  /** What the fault looks like when it is there. */
  shows: string;
  minutes: number;
  tools: string;
  caution?: string;
  /** Chance that it shows a fault that is not there. */
  leak: number;
};

/** A residual of the arc model or the rig, about 0 when all is well and 1 at the edge of normal. */
export type ResidualName =
  | 'balance'
  | 'heat'
  | 'flow'
  | 'stickOut'
  | 'travel'
  | 'push'
  | 'arcControl'
  | 'polarityMatch'
  | 'gasMatch'
  | 'wireMatch'
  | 'transferZone';

/** How a figure speaks for a cause: the residual lies about `at` when the cause holds, about `otherwise` (0) when not. */
export type FigureLink = { residual: ResidualName; at: number; otherwise?: number; because: string };

/** A link to a finding or check: chance that this cause alone brings it out, and why. */
export type Link = readonly [finding: string, strength: number, because: string];

/** Circumstances in which a cause is more or less usual. Every named field must match; a list is "any of". */
export type Circumstance = {
  process?: NonNullable<NonNullable<Case['rig']>['process']>[];
  wireClass?: string[];
  baseMetal?: string[];
  surface?: string[];
  joint?: string[];
  position?: string[];
  draught?: string[];
  /** Thinner part up to this, mm. */
  thinUpToMm?: number;
  /** Thicker part from this, mm. */
  thickFromMm?: number;
  /** One part at least 1.8 times the other. */
  unequal?: true;
  gapFromMm?: number;
  noGas?: true;
  /** Not set to pulse, or not known to be. */
  notPulse?: true;
};

export type PriorFactor = { when: Circumstance; factor: number; because: string };

export type CauseGroup = 'settings' | 'heat' | 'technique' | 'cover' | 'plate' | 'feed' | 'electrics';

export type Remedy = {
  kind: 'setting' | 'technique' | 'part' | 'plate';
  /** What to do now. */
  plain: string;
  /** How to keep it from coming back. */
  prevent: string;
  caution?: string;
};

export type Cause = {
  id: string;
  name: string;
  plain: string;
  group: CauseGroup;
  /** Chance per bad or trial bead before anything is seen, in a mixed maintenance shop. */
  prior: number;
  priorFactors?: PriorFactor[];
  /** At most one cause of a set that names the same word can hold. */
  exclusive?: string;
  figures?: FigureLink[];
  links: Link[];
  check: string;
  /** Chance that the check shows it when it is there. */
  checkStrength?: number;
  remedy: Remedy;
};
