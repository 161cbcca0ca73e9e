import type { Drawing } from '../../bead/appearance';
import type {
  BaseMetal,
  Case,
  Coat,
  Concern,
  Critical,
  Joint,
  Place,
  Position,
  WireClass,
  Workpiece,
} from '../../case/schema';
import type { CauseId, CheckId, FindingId, StatedId } from '../../evidence/ids';
import type { ResidualName } from '../../evidence/table';

/** The sense a finding comes by, in the order a welder uses them. */
export type Sense = 'see' | 'hear' | 'feel' | 'behind' | 'cut';

/**
 * Something the welder can notice. A `good` finding speaks against trouble: the network holds its
 * opposite, so that "good, present" counts as "trouble, absent".
 */
export type Finding = {
  id: FindingId;
  /** Trade name, short enough for a tile. */
  name: string;
  /** One plain sentence. */
  plain: string;
  sense: Sense;
  good?: true;
  /** Chance of it (or, for a good one, of its absence) when nothing is wrong that the network knows. */
  leak: number;
  /** The same where the circumstances bring it by themselves. */
  leakWhen?: { when: Circumstance; leak: number; because: string };
  drawing?: Drawing;
  /** What it is easily mistaken for. */
  mistakenFor: string;
  /** Other words for it in the trade. */
  words?: string[];
};

/** A look, a measurement or a small trial that tells of one or more causes. It is answered like a finding. */
export type Check = {
  id: CheckId;
  name: string;
  /** What to do. */
  plain: string;
  /** What is seen where all is well, and where the fault is there: the two answers, never a bare yes or no. */
  clear: string;
  fault: string;
  minutes: number;
  tools: string;
  caution?: string;
  /** What it compares by hand. Where the recorded figures already give it, nobody is asked to do so again. */
  compares?: ResidualName;
};

/** How a figure speaks for a cause: the residual lies about `at` when the cause holds, about `otherwise` (0) when not. */
export type FigureLink = { residual: ResidualName; at: number; otherwise?: number; because: string };

/**
 * A chance with how much it is worth: `weight` is the number of beads it stands for, so that what a rig teaches can
 * move it. A plain number is a judgement of the usual weight (see `core/diagnosis/engine.ts`).
 */
export type Strength = number | { mean: number; weight: number };

/** A link to a finding or check: chance that this cause alone brings it out, and why. */
type Link = readonly [stated: StatedId, strength: Strength, because: string];

/** Circumstances in which a cause is more or less usual. Every named field must match; a list is "any of". */
export type Circumstance = {
  process?: NonNullable<NonNullable<Case['rig']>['process']>[];
  wireClass?: WireClass[];
  baseMetal?: BaseMetal[];
  surface?: string[];
  joint?: Joint[];
  position?: Position[];
  draught?: string[];
  workpiece?: Workpiece[];
  place?: Place[];
  critical?: Critical[];
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
  pulse?: true;
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
  id: CauseId;
  name: string;
  plain: string;
  group: CauseGroup;
  /** Chance per bad or trial bead before anything is seen, in a mixed maintenance shop. */
  prior: Strength;
  priorFactors?: PriorFactor[];
  /** At most one cause of a set that names the same word can hold. */
  exclusive?: string;
  figures?: FigureLink[];
  links: Link[];
  /** What it brings out besides, or more of, where the circumstances make it so. */
  linksWhen?: { when: Circumstance; links: Link[] }[];
  check: CheckId;
  /** Chance that the check shows it when it is there. */
  checkStrength?: Strength;
  /** The glance that shows it before any bead is run, where the check itself wants a bead or takes long. */
  early?: CheckId;
  remedy: Remedy;
};

/** Something that can hurt. A `stop` stands above any number; none can be dismissed for good. */
export type Caution = {
  id: string;
  stop: boolean;
  text: string;
  /** Stop conditions hold when the job matches; the standing ones have none and always hold. */
  when?: Circumstance;
  concern?: Concern;
  /** The coat that it is about; said to be stripped, it is dealt with. */
  coat?: Coat;
  /**
   * The question that finds out whether the concern holds, with both answers in the words of what is so, and jobs that suggest it
   * (any of them). One is asked of every job that is no trial, once.
   */
  asks?: { text: string; clear: string; fault: string; when: Circumstance[]; ofEveryJob?: true };
  /** Of a stop: what has to be so before figures are given, said by the welder as done. */
  first?: string;
  /** Shown when one of these causes is above 20 %. */
  causes?: CauseId[];
  /** Shown when one of these findings is present. */
  findings?: StatedId[];
  /** Findings that are normal there, and so bring nothing. */
  saysNothing?: { findings: StatedId[]; when: Circumstance };
  /** Not said beside this one, which says more. */
  unless?: string;
};

/** Everything a diagnosis knows, as one value. */
export type Knowledge = {
  findings: readonly Finding[];
  checks: readonly Check[];
  causes: readonly Cause[];
  cautions: readonly Caution[];
  /** Findings that cannot both be true of one bead. */
  opposites: readonly (readonly [StatedId, StatedId])[];
};
