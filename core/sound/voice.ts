import { normal } from '../chance/normal';
import { stream } from '../chance/stream';
import type { ArcEvent } from './arc-run';
import { VOICE, valuesOf } from './coefficients';
import { SAMPLE_RATE, STEP_MS } from './sample-rate';
import type { Trace } from './simulate';

const { abs, exp, max, PI, sin, tanh } = Math;
const voice = valuesOf(VOICE);
const STEP_S = STEP_MS / 1000;

/** A tone that dies away. */
type Ring = { from: number; hz: number; diesS: number; loud: number };

/** Taps of the room: how late, s, and how loud against what comes straight. */
const ROOM: readonly { lateS: number; loud: number }[] = [
  { lateS: 0.0067, loud: 0.28 },
  { lateS: 0.0131, loud: 0.2 },
  { lateS: 0.0229, loud: 0.12 },
];

/**
 * What an arc sounds like, from its current and voltage. The air is pressed by the change of the electrical power of the arc,
 * which is the long-known law of the sounding arc (Simon 1898): a click where it burns again, another where it goes out, nothing
 * in a short. To that come the hiss of arc and gas, the plop of a drop that falls, the thud and the whine of a wire that stands
 * in the pool; then the nozzle, which rings, and the first echoes of the room.
 * It goes on from piece to piece, as the arc does.
 */
export class ArcVoice {
  private readonly random: () => number;
  private step = 0;
  private slowPower = 0;
  private before = 0;
  private hissBefore = 0;
  private shortedS = 0;
  private rings: Ring[] = [];
  private nozzle = [0, 0];
  private readonly room = new Float32Array(Math.ceil(0.03 * SAMPLE_RATE));
  private level = 0;

  /** @param wireMm diameter of the wire, which says how large a drop is @param seed of the hiss */
  constructor(
    private readonly wireMm: number,
    seed: number,
  ) {
    this.random = stream(seed);
  }

  /**
   * @param trace what was burned since the last piece
   * @param events what happened meanwhile, with times of the whole run
   * @returns as many samples, from -1 to 1
   */
  speak({ currentA, voltageV }: Trace, events: readonly ArcEvent[]): Float32Array<ArrayBuffer> {
    const out = new Float32Array(currentA.length);
    let next = 0;
    for (let i = 0; i < out.length; i++) {
      const at = (this.step + 1) * STEP_S;
      for (; next < events.length && events[next].at <= at + STEP_S / 2; next++) this.ring(events[next], at);
      out[i] = tanh(this.sounded(at, currentA[i], voltageV[i]));
      this.step += 1;
    }
    return out;
  }

  private ring(event: ArcEvent, at: number): void {
    const { plopHz, plopLoud, thudHz, thudLoud } = voice;
    if (event.kind === 'fall') {
      // The fine drops of a spray go in without a sound.
      const large = max(0, (event.diameterMm / this.wireMm) ** 2 - 1.5) / 3;
      this.rings.push({ from: at, hz: plopHz, diesS: 0.02, loud: plopLoud * Math.min(1.5, large) });
    } else if (event.kind === 'again' && event.stubbed)
      this.rings.push({ from: at, hz: thudHz, diesS: 0.035, loud: (thudLoud * event.peakA) / 300 });
    if (this.rings.length > 12) this.rings.shift();
  }

  private sounded(at: number, currentA: number, voltageV: number): number {
    const burns = voltageV > voice.burnsOverV && currentA > 1;
    const power = burns ? (currentA * voltageV) / 1000 : 0;
    this.slowPower += (power - this.slowPower) * (1 - exp(-STEP_MS / voice.pressMs));
    const click = (this.slowPower - this.before) * voice.clickLoud;
    this.before = this.slowPower;
    const noise = normal(this.random);
    // Hiss is bright: what is alike from sample to sample is taken out.
    const hiss = (noise - 0.6 * this.hissBefore) * (voice.gasLoud + voice.arcLoud * this.slowPower);
    this.hissBefore = noise;
    this.shortedS = burns ? 0 : this.shortedS + STEP_S;
    const sings = max(0, this.shortedS - voice.singsAfterS) > 0 && currentA > 50 ? voice.singsLoud : 0;
    let tones = sings * sin(2 * PI * voice.singsHz * at);
    for (const { from, hz, diesS, loud } of this.rings) {
      const age = at - from;
      if (age < 6 * diesS) tones += loud * exp(-age / diesS) * sin(2 * PI * hz * age);
    }
    return this.inRoom(this.inNozzle(click + hiss) + tones);
  }

  /** The nozzle rings at a quarter of its length. */
  private inNozzle(pressed: number): number {
    const { nozzleHz, nozzleSharpness, nozzleLoud } = voice;
    const turn = (2 * PI * nozzleHz) / SAMPLE_RATE;
    const stays = exp(-turn / 2 / nozzleSharpness);
    const rung = pressed + 2 * stays * Math.cos(turn) * this.nozzle[0] - stays ** 2 * this.nozzle[1];
    this.nozzle = [rung, this.nozzle[0]];
    return pressed + nozzleLoud * (1 - stays) * rung;
  }

  private inRoom(straight: number): number {
    const { room } = this;
    let heard = straight;
    for (const { lateS, loud } of ROOM) {
      const back = Math.round(lateS * SAMPLE_RATE);
      heard += loud * room[(this.step - back + 4 * room.length) % room.length];
    }
    room[this.step % room.length] = straight;
    // What does not sound is taken out: a slow mean.
    this.level += (heard - this.level) * 0.002;
    return heard - this.level;
  }
}

/** Root of the mean square of some samples: how loud they are. */
export const loudness = (samples: Float32Array): number =>
  Math.sqrt(samples.reduce((sum, value) => sum + value ** 2, 0) / max(1, samples.length));

/** The largest of some samples, either way. */
export const peakOf = (samples: Float32Array): number => samples.reduce((most, value) => max(most, abs(value)), 0);
