import { stream } from '../chance/stream';
import {
  balanceOf,
  currentOf,
  drawJob,
  drawMachine,
  isWild,
  usualStickOut,
  wantedCurrent,
  wantedFlow,
  wireFor,
  type Machine,
} from './world';

/** A machine that is off in nothing, with wire and gas of one's own. */
const plain = (wire: Machine['wire'], gas: Machine['gas'], metal: Machine['metal'] = 'mild-steel'): Machine => ({
  ...{ wire, gas, metal, boreMm: 13, plates: [1, 10] },
  ...{ offsetV: 0, scale: 1, burn: 1, resistance: 1, balanceV: 0, transition: 1, plate: 1 },
});
const STEEL: Machine['wire'] = { class: 'solid-steel', diameterMm: 0.9 };
const MIXED = { argonPct: 82, co2Pct: 18 };
const DRAWN = Array.from({ length: 60 }, (_, seed) => drawMachine(stream(seed)));
const INCH_A_MINUTE = 0.0254;

it.each([
  [0.8, 2],
  [0.9, 1.6],
  [1.2, 1],
])('melts a wire of %f mm as the trade’s rule says: %f inches a minute for an amp', (diameterMm, inches) => {
  const machine = plain({ class: 'solid-steel', diameterMm }, MIXED);
  const amps = diameterMm < 1 ? 120 : 180;
  const speed = wireFor(machine, amps, 12);
  expect(speed / (inches * amps * INCH_A_MINUTE)).toBeGreaterThan(0.85);
  expect(speed / (inches * amps * INCH_A_MINUTE)).toBeLessThan(1.15);
});

it('has more amps by more wire, fewer by a longer stick-out, and finds the wire for the amps again, on any machine', () => {
  for (const machine of DRAWN)
    for (const speed of [3, 5, 8]) {
      const amps = currentOf(machine, speed, 14);
      expect(currentOf(machine, speed * 1.1, 14)).toBeGreaterThan(amps);
      expect(currentOf(machine, speed, 18)).toBeLessThanOrEqual(amps);
      expect(wireFor(machine, amps, 14)).toBeCloseTo(speed, 1);
    }
});

it('wants volts near those of charts', () => {
  // Charts of short arc: 0.9 mm in 75/25 to 82/18 at 120 A, 17 to 18.5 V; in straight CO2 two more.
  expect(balanceOf(plain(STEEL, MIXED), 120).volts).toBeCloseTo(17.8, 0);
  const mixed = balanceOf(plain(STEEL, MIXED), 120).volts;
  const straight = balanceOf(plain(STEEL, { argonPct: 0, co2Pct: 100 }), 120).volts;
  expect(straight - mixed).toBeGreaterThan(1.5);
  expect(straight - mixed).toBeLessThan(3);
  // Charts of spray: 1.2 mm in 92/8 at 260 A, 26 to 29 V.
  const spray = balanceOf(plain({ class: 'solid-steel', diameterMm: 1.2 }, { argonPct: 92, co2Pct: 8 }), 260).volts;
  expect(spray).toBeGreaterThan(26);
  expect(spray).toBeLessThan(29);
});

it('wants more amps for thicker plate, fewer against gravity and for stainless', () => {
  const machine = plain(STEEL, MIXED);
  const of = (thicknessMm: number, position: 'flat' | 'overhead' = 'flat', of: Machine = machine) =>
    wantedCurrent(of, { thicknessMm, joint: 'butt', position }).truly;
  const amps = [1.2, 2, 3, 5, 8].map((mm) => of(mm));
  expect(amps).toEqual([...amps].sort((a, b) => a - b));
  expect(new Set(amps).size).toBe(amps.length);
  expect(of(2, 'overhead')).toBeLessThan(of(2));
  expect(of(2, 'flat', plain({ ...STEEL, class: 'solid-stainless' }, MIXED, 'stainless'))).toBeCloseTo(0.9 * of(2), 5);
});

it('is wild between short arc and spray alone, and never in straight CO2', () => {
  const machine = plain({ class: 'solid-steel', diameterMm: 1.2 }, { argonPct: 92, co2Pct: 8 });
  const wild = [120, 160, 200, 239, 280, 320].map((amps) => isWild(machine, amps));
  expect(wild).toEqual([false, false, false, true, false, false]);
  const straight = plain({ class: 'solid-steel', diameterMm: 1.2 }, { argonPct: 0, co2Pct: 100 });
  for (let amps = 80; amps < 330; amps += 5) expect(isWild(straight, amps)).toBe(false);
  expect(usualStickOut(machine, 320)).toBeGreaterThan(usualStickOut(machine, 140) + 4);
});

it('wants gas by the bore, a fifth more on aluminium, none where the wire brings its own', () => {
  const flow = wantedFlow(plain(STEEL, MIXED));
  expect(flow).toBeGreaterThan(10);
  expect(flow).toBeLessThan(13);
  expect(wantedFlow({ ...plain(STEEL, MIXED), boreMm: 16 })).toBeCloseTo((flow * 16) / 13, 5);
  expect(wantedFlow(plain(STEEL, { argonPct: 100, co2Pct: 0 }, 'aluminium'))).toBeCloseTo(1.2 * flow, 5);
  expect(wantedFlow(plain({ class: 'tubular-self-shielded', diameterMm: 0.9 }, null))).toBe(0);
});

it('is drawn the same by the same seed, of every kind, each off a little in its own way, with jobs it can do', () => {
  expect(drawMachine(stream(3))).toEqual(drawMachine(stream(3)));
  expect(new Set(DRAWN.map(({ wire }) => wire.class)).size).toBe(5);
  const mean = (of: (machine: Machine) => number): number =>
    DRAWN.reduce((sum, machine) => sum + of(machine), 0) / DRAWN.length;
  expect(Math.abs(mean(({ offsetV }) => offsetV))).toBeLessThan(0.5);
  expect(mean(({ offsetV }) => offsetV ** 2)).toBeGreaterThan(0.5);
  for (const dial of ['scale', 'burn', 'resistance', 'transition', 'plate'] as const)
    expect(mean((machine) => machine[dial])).toBeCloseTo(1, 1);
  for (const machine of DRAWN) {
    const { thicknessMm } = drawJob(stream(machine.offsetV * 1e6), machine);
    expect(thicknessMm).toBeGreaterThanOrEqual(machine.plates[0]);
    expect(thicknessMm).toBeLessThanOrEqual(machine.plates[1]);
  }
});
