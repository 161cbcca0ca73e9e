import type { GasMix } from '../case/gas-mix';
import type { Wire } from '../arc/wire';

/** What an arc is burned with. */
export type ArcRun = {
  wire: Wire;
  gas: GasMix;
  /** Volts at the machine while it welds. */
  voltageV: number;
  wireSpeedMPerMin: number;
  /** Contact tip to work, mm. */
  stickOutMm: number;
  /** 0 crisp to 100 soft. */
  arcControlPct: number;
  /** The same seed, the same arc. */
  seed: number;
  troubles?: Troubles;
};

/** What may be wrong with a run besides its figures. */
export type Troubles = {
  /** Stick-out grows by so much in each second, mm. */
  stickOutDriftMmPerS?: number;
  /** How unevenly the wire comes, 0 to 1: at 1 it stands still now and then. */
  surge?: number;
  /** A tip worn or a clamp bad, 0 to 1: the current breaks up by moments. */
  badContact?: number;
  /** How much of the gas is gone, 0 to 1. */
  gasLost?: number;
};

/** What happens in an arc, at a time of the run in s. */
export type ArcEvent =
  /** The drop touches the pool. */
  | { kind: 'short'; at: number }
  /** The arc burns again: after how long, from what current, and how much power came at one stroke. */
  | { kind: 'again'; at: number; shortedMs: number; peakA: number; stubbed: boolean }
  /** A drop falls through the arc. */
  | { kind: 'fall'; at: number; diameterMm: number }
  /** The arc is out: too long for the source. */
  | { kind: 'out'; at: number };
