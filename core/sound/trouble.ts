import { normal } from '../chance/normal';
import type { Troubles } from './arc-run';

/** What troubles do to an arc at a moment. */
type TroubleNow = {
  /** Share of the wire that comes. */
  feedShare: number;
  longerMm: number;
  /** Resistance besides leads and wire, ohm. */
  ohm: number;
  /** Volts more at the spots. */
  spotsV: number;
  /** How restless the pool is; 1 is a quiet one. */
  restless: number;
};

/** How long a wire that sticks stands still, and a contact that breaks up stays bad, s. */
const STUCK_S = { least: 0.05, most: 0.35 };
const BAD_S = { least: 0.01, most: 0.12 };
/** How often, at the worst, times a second. */
const PER_SECOND = { stuck: 2.2, bad: 6 };
/** Resistance of a tip or clamp while it is bad: enough that the arc nearly goes out. */
const BAD_OHM = 0.12;
/** Volts that the spots jump by in air, and how fast they do, times a second. */
const AIR = { volts: 4, perSecond: 60 };

const NOTHING: TroubleNow = { feedShare: 1, longerMm: 0, ohm: 0, spotsV: 0, restless: 1 };

/** What is wrong with a run, moment by moment. */
export class Trouble {
  private stuckUntil = 0;
  private badUntil = 0;
  private spotsV = 0;
  private before = 0;
  private readonly none: boolean;

  constructor(
    private readonly troubles: Troubles,
    private readonly random: () => number,
  ) {
    this.none = Object.values(troubles).every((much) => much === 0);
  }

  /** @param at time of the run, s; each later than the one before */
  at(at: number): TroubleNow {
    if (this.none) return NOTHING;
    const { stickOutDriftMmPerS = 0, surge = 0, badContact = 0, gasLost = 0 } = this.troubles;
    const passed = at - this.before;
    this.before = at;
    const between = ({ least, most }: { least: number; most: number }): number =>
      least + this.random() * (most - least);
    if (surge > 0 && this.random() < PER_SECOND.stuck * surge * passed) this.stuckUntil = at + between(STUCK_S);
    if (badContact > 0 && this.random() < PER_SECOND.bad * badContact * passed) this.badUntil = at + between(BAD_S);
    if (gasLost > 0 && this.random() < AIR.perSecond * passed)
      this.spotsV = AIR.volts * gasLost * Math.abs(normal(this.random));
    return {
      feedShare: at < this.stuckUntil ? 1 - surge : 1 + 0.25 * surge,
      longerMm: stickOutDriftMmPerS * at,
      ohm: at < this.badUntil ? BAD_OHM * badContact : 0,
      spotsV: gasLost > 0 ? this.spotsV : 0,
      restless: 1 + 3 * gasLost,
    };
  }
}
