import { currentFromWireSpeed, meltingTerms } from '../arc/burn-off';
import { balanceVoltage, withinCurrentRange } from '../arc/balance';
import { ARC_LENGTH_MM } from '../arc/coefficients';
import { sprayShare } from '../arc/transfer';
import { normal } from '../chance/normal';
import { stream } from '../chance/stream';
import type { ArcEvent, ArcRun } from './arc-run';
import { BRIDGE, COLUMN, DROP, POOL, valuesOf, WIRE_END } from './coefficients';
import { STEP_MS } from './sample-rate';
import { currentRise, sourceFor, type Source } from './source';
import { dropDiameter, dropLength, dropVolume, wireArea, wireOhm } from './wire-end';
import { Trouble } from './trouble';

const [bridge, column, drop, pool] = [valuesOf(BRIDGE), valuesOf(COLUMN), valuesOf(DROP), valuesOf(POOL)];
const { max, sqrt } = Math;
const PREHEAT_MS = WIRE_END.preheatMs.value;

/** What is measured at the machine over some time: one value a step. */
export type Trace = { currentA: Float32Array; voltageV: Float32Array };

type Phase = 'arc' | 'short' | 'out';

/**
 * An arc, step by step. The wire is fed towards the pool and melts by the laws of the arc model; the drop under it touches the
 * pool, the current rises against the choke, the neck pinches off, the arc burns again. Everything that is heard comes of that.
 * The same run and seed give the same arc.
 *
 * Steel and stainless in gas, 0.6 to 1.6 mm, and roughly tubular wire and aluminium. Not: pulse, and fields that blow the arc aside.
 * Form after the usual models of short-circuit transfer: source with choke, growth of the drop, pinch of the neck.
 */
export class SimulatedArc {
  private readonly random: () => number;
  private readonly source: Source;
  private readonly melting: { arc: number; resistance: number };
  private readonly area: number;
  private readonly spotsV: number;
  private readonly sprayed: number;
  private readonly trouble: Trouble;
  private readonly ohmPerMm: number;
  private readonly swing: number;
  private readonly ripple: number;
  private phase: Phase = 'arc';
  private step = 0;
  private currentA: number;
  /** Mean square of the current while the wire passes, A^2. */
  private preheatA2: number;
  private extensionMm: number;
  private dropMm3: number;
  private fallsAtMm3 = 0;
  private poolMm = 0;
  private poolMmPerMs = 0;
  private neckMm = 0;
  private fusedA2Ms = 0;
  private shortedMs = 0;
  private peakA = 0;
  private stubbed = false;

  /**
   * @param run what it is burned with
   * @throws RangeError for wire or wire speed outside what the laws of melting hold for
   */
  constructor(private readonly run: ArcRun) {
    const { wire, gas, voltageV, wireSpeedMPerMin, stickOutMm, arcControlPct, seed } = run;
    this.random = stream(seed);
    this.ohmPerMm = wireOhm(wire, 1);
    this.swing = (2 * Math.PI * pool.frequencyHz) / 1000;
    this.ripple = sqrt(3) * pool.restlessMm * this.swing * sqrt(STEP_MS * this.swing);
    const arcMm = ARC_LENGTH_MM.shortCircuit.value;
    const mean = currentFromWireSpeed(wireSpeedMPerMin, wire, max(1, stickOutMm - arcMm));
    this.source = sourceFor(voltageV, mean, arcControlPct);
    this.melting = meltingTerms(wire);
    this.area = wireArea(wire);
    this.sprayed = sprayShare(mean, wire, gas);
    const inBalance = balanceVoltage(withinCurrentRange(mean), wire, gas);
    const { underBalanceV, sprayUnderBalanceV, riseVPerA } = column;
    const under = underBalanceV + this.sprayed * (sprayUnderBalanceV - underBalanceV);
    this.spotsV = inBalance - under - riseVPerA * mean;
    this.trouble = new Trouble(run.troubles ?? {}, stream(seed + 1));
    this.currentA = mean;
    this.preheatA2 = mean ** 2;
    this.dropMm3 = 0.3 * wire.diameterMm ** 3;
    this.extensionMm = stickOutMm - 2;
    this.fallsAtMm3 = this.nextFall();
  }

  /** Burns on. @returns current and voltage of each step, and what happened meanwhile */
  burn(steps: number): Trace & { events: ArcEvent[] } {
    const [currentA, voltageV] = [new Float32Array(steps), new Float32Array(steps)];
    const events: ArcEvent[] = [];
    for (let i = 0; i < steps; i++) {
      voltageV[i] = this.advance(events);
      currentA[i] = this.currentA;
    }
    return { currentA, voltageV, events };
  }

  private get at(): number {
    return (this.step * STEP_MS) / 1000;
  }

  /** Size at which the next drop parts by itself, mm^3: by its weight, or by the pinch of a spray. */
  private nextFall(): number {
    const { fallsAtGlobular, fallsAtSpray, scatter } = drop;
    const widths = fallsAtGlobular + this.sprayed * (fallsAtSpray - fallsAtGlobular);
    return dropVolume(this.run.wire.diameterMm * widths * (1 + scatter * normal(this.random)));
  }

  /** One step. @returns volts at the machine */
  private advance(events: ArcEvent[]): number {
    this.step += 1;
    const trouble = this.trouble.at(this.at);
    this.swingPool(trouble.restless);
    const { stickOutMm } = this.run;
    const feed = ((this.run.wireSpeedMPerMin * trouble.feedShare) / 60) * STEP_MS;
    const distance = stickOutMm + trouble.longerMm;
    const heat = STEP_MS / PREHEAT_MS;
    this.preheatA2 += heat * (this.currentA ** 2 - this.preheatA2);
    const resistive = (this.melting.resistance * max(0, this.extensionMm) * this.preheatA2 * STEP_MS) / 1000;
    const outside = this.source.leadsOhm + this.ohmPerMm * max(0, this.extensionMm) + trouble.ohm;
    const gap = distance - this.extensionMm - dropLength(this.dropMm3, this.area) - this.poolMm;
    const loadV =
      this.phase === 'short'
        ? bridge.contactOhm * this.currentA
        : this.spotsV + trouble.spotsV + column.riseVPerA * this.currentA + column.gradientVPerMm * max(0, gap);
    // Past the choke: a short stands at a few volts there, as on a scope.
    const voltageV = this.phase === 'out' ? this.source.openCircuitV : outside * this.currentA + loadV;
    if (this.phase === 'out') this.currentA = 0;
    else this.currentA = max(0, this.currentA + currentRise(this.source, this.currentA, outside, loadV) * STEP_MS);
    if (this.phase === 'arc') {
      const melted = (this.melting.arc * this.currentA * STEP_MS) / 1000 + resistive;
      this.extensionMm += feed - melted;
      this.dropMm3 += this.area * melted;
      this.arcGoesOn(gap, events);
    } else if (this.phase === 'short') {
      const melted = (bridge.heats * this.melting.arc * this.currentA * STEP_MS) / 1000 + resistive;
      this.extensionMm += feed - melted;
      this.dropMm3 += this.area * melted;
      this.shortGoesOn(distance, events);
    } else {
      this.extensionMm += feed;
      if (gap <= column.shortestMm) this.touch(events);
    }
    return voltageV;
  }

  private swingPool(restless: number): void {
    const back = this.swing ** 2 * this.poolMm + 2 * pool.damping * this.swing * this.poolMmPerMs;
    // Even numbers do: a step is too short for the form of the scatter to matter.
    this.poolMmPerMs += restless * this.ripple * (2 * this.random() - 1) - back * STEP_MS;
    this.poolMm += this.poolMmPerMs * STEP_MS;
  }

  private arcGoesOn(gap: number, events: ArcEvent[]): void {
    if (gap <= column.shortestMm) this.touch(events);
    else if (this.dropMm3 > this.fallsAtMm3) {
      events.push({ kind: 'fall', at: this.at, diameterMm: dropDiameter(this.dropMm3) });
      this.dropMm3 *= drop.staysOn;
      this.fallsAtMm3 = this.nextFall();
    } else if (this.currentA < column.leastCurrentA) {
      events.push({ kind: 'out', at: this.at });
      this.phase = 'out';
    }
  }

  private touch(events: ArcEvent[]): void {
    events.push({ kind: 'short', at: this.at });
    this.phase = 'short';
    const { neckOfWire, scatter } = bridge;
    this.neckMm = neckOfWire * this.run.wire.diameterMm * (1 + scatter * normal(this.random));
    [this.fusedA2Ms, this.shortedMs, this.peakA, this.stubbed] = [0, 0, 0, false];
  }

  private shortGoesOn(distance: number, events: ArcEvent[]): void {
    const { drawMmPerMs, pinchMmPerMsPerA, fuseA2Ms, stubbedAtWire } = bridge;
    const { diameterMm } = this.run.wire;
    this.shortedMs += STEP_MS;
    this.peakA = max(this.peakA, this.currentA);
    // Liquid between solid wire and pool: what the neck can be drawn from.
    const liquid = distance - this.extensionMm - this.poolMm;
    if (liquid > stubbedAtWire * diameterMm) {
      const radius = max(0.1, this.neckMm);
      this.neckMm -= (drawMmPerMs + (pinchMmPerMsPerA * this.currentA * 0.5) / radius) * STEP_MS;
      if (this.neckMm <= 0) this.burnAgain(drop.staysOn * (1 + normal(this.random) * drop.scatter), 0, events);
      return;
    }
    this.stubbed = true;
    this.fusedA2Ms += this.currentA ** 2 * STEP_MS;
    if (this.fusedA2Ms > fuseA2Ms * this.area ** 2)
      this.burnAgain(0.3, bridge.blownOffMm * (0.25 + this.random()), events);
  }

  /** The arc burns again. @param parted wire that is blown off, mm */
  private burnAgain(staysOn: number, parted: number, events: ArcEvent[]): void {
    const { shortedMs, peakA, stubbed } = this;
    events.push({ kind: 'again', at: this.at, shortedMs, peakA, stubbed });
    this.phase = 'arc';
    this.dropMm3 *= max(0, staysOn);
    this.extensionMm -= parted;
    this.poolMmPerMs -= (pool.kickMmPerMs * this.currentA * (1 + 0.3 * normal(this.random))) / 300;
  }
}
