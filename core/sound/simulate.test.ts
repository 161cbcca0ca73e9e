import { balanceVoltage } from '../arc/balance';
import { currentFromWireSpeed } from '../arc/burn-off';
import type { Wire } from '../arc/wire';
import { completeMix } from '../case/gas-mix';
import type { ArcRun } from './arc-run';
import { STEP_MS } from './sample-rate';
import { SimulatedArc } from './simulate';
import { traceFigures } from './trace-figures';

const steel = (diameterMm: number): Wire => ({ class: 'solid-steel', diameterMm });
/** Wires, speeds and gases that shops run in short circuit. */
const SHOPS = [
  { diameterMm: 0.8, speed: 5, co2Pct: 18 },
  { diameterMm: 0.9, speed: 7, co2Pct: 18 },
  { diameterMm: 0.9, speed: 5, co2Pct: 25 },
  { diameterMm: 1, speed: 5, co2Pct: 8 },
  { diameterMm: 1.2, speed: 4, co2Pct: 18 },
  { diameterMm: 0.9, speed: 7, co2Pct: 100 },
];
type Shop = (typeof SHOPS)[number];

const modelCurrent = ({ diameterMm, speed }: Shop): number => currentFromWireSpeed(speed, steel(diameterMm), 10);

/** A run of a shop, so many volts off the balance of the arc model. */
function runOf(shop: Shop, offV: number, change: Partial<ArcRun> = {}): ArcRun {
  const [wire, gas] = [steel(shop.diameterMm), completeMix({ co2Pct: shop.co2Pct })];
  return {
    ...{ wire, gas, wireSpeedMPerMin: shop.speed, stickOutMm: 12, arcControlPct: 50, seed: 3 },
    voltageV: balanceVoltage(modelCurrent(shop), wire, gas) + offV,
    ...change,
  };
}

const SECONDS = 1.5;
const mean = (values: Float32Array): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Returns what a run comes to over two seconds, its beginning left out. */
function burned(run: ArcRun) {
  const arc = new SimulatedArc(run);
  arc.burn(Math.round(300 / STEP_MS));
  const { currentA, voltageV, events } = arc.burn(Math.round((1000 * SECONDS) / STEP_MS));
  return { ...traceFigures(events, SECONDS), meanA: mean(currentA), meanV: mean(voltageV), events };
}

describe('a simulated arc in short circuit', () => {
  it.each(SHOPS)('crackles fastest near balance, and falls off on both sides: %j', (shop) => {
    const rates = new Map([-4, -3, -1, -0.5, 0, 2, 3, 5].map((off) => [off, burned(runOf(shop, off)).ratePerS]));
    const near = Math.max(...[-1, -0.5, 0].map((off) => rates.get(off)!));
    expect(near).toBeGreaterThan(75);
    expect(near).toBeLessThan(200);
    for (const low of [-4, -3]) expect(rates.get(low)!).toBeLessThan(0.8 * near);
    expect(rates.get(2)!).toBeLessThan(0.6 * near);
    expect(rates.get(3)!).toBeLessThan(0.35 * near);
    expect(rates.get(5)!).toBeLessThan(3);
  });

  it.each(SHOPS)(
    'is even in balance and uneven with the wire too fast, where solid wire stands in the pool: %j',
    (shop) => {
      const [low, right] = [burned(runOf(shop, -3)), burned(runOf(shop, 0))];
      expect(right.unevenness!).toBeLessThan(0.45);
      expect(low.unevenness!).toBeGreaterThan(0.55);
      expect(right.stubbed).toBeLessThan(0.05);
      expect(low.stubbed).toBeGreaterThan(0.05);
      expect(low.shorted).toBeGreaterThan(1.4 * right.shorted);
    },
  );

  it.each(SHOPS)('draws the current of the arc model, and holds the volts it is set to: %j', (shop) => {
    for (const off of [0, 0.5, 1]) {
      const run = runOf(shop, off);
      const { meanA, meanV } = burned(run);
      expect(Math.abs(meanA / modelCurrent(shop) - 1)).toBeLessThan(0.15);
      expect(Math.abs(meanV - run.voltageV)).toBeLessThan(0.6);
    }
  });

  it('crackles faster with more wire, and slower with thicker wire', () => {
    const rate = (diameterMm: number, speed: number): number =>
      burned(runOf({ diameterMm, speed, co2Pct: 18 }, 0.5)).ratePerS;
    const bySpeed = [4, 6, 8].map((speed) => rate(0.9, speed));
    expect(bySpeed[1]).toBeGreaterThan(bySpeed[0]);
    expect(bySpeed[2]).toBeGreaterThan(bySpeed[1]);
    // At one current, as charts compare them: some 130 A.
    const byWire = [rate(0.8, 7.2), rate(0.9, 5.5), rate(1.2, 2.9)];
    expect(byWire[1]).toBeLessThan(byWire[0]);
    expect(byWire[2]).toBeLessThan(byWire[1]);
  });

  it('has lower peaks and less spatter with a softer arc, and longer shorts', () => {
    const [crisp, middle, soft] = [0, 50, 100].map((arcControlPct) => burned(runOf(SHOPS[1], 0.5, { arcControlPct })));
    expect(crisp.peakA!).toBeGreaterThan(1.1 * middle.peakA!);
    expect(middle.peakA!).toBeGreaterThan(1.03 * soft.peakA!);
    expect(crisp.spatterIndex).toBeGreaterThan(middle.spatterIndex);
    expect(middle.spatterIndex).toBeGreaterThan(soft.spatterIndex);
    const each = ({ shorted, ratePerS }: typeof crisp): number => shorted / ratePerS;
    expect(each(soft)).toBeGreaterThan(1.05 * each(crisp));
  });

  it('lets big drops fall with the volts far too high, and small ones in spray', () => {
    const high = burned(runOf(SHOPS[1], 5));
    expect(high.fallsPerS).toBeGreaterThan(4);
    const wide = high.events.flatMap((event) => (event.kind === 'fall' ? [event.diameterMm] : []));
    expect(Math.min(...wide)).toBeGreaterThan(1.2 * 0.9);
    const [wire, gas] = [steel(1.2), completeMix({ co2Pct: 8 })];
    const sprayA = currentFromWireSpeed(10, wire, 10);
    const spray = burned({
      ...runOf(SHOPS[1], 0),
      wire,
      gas,
      wireSpeedMPerMin: 10,
      stickOutMm: 18,
      voltageV: balanceVoltage(sprayA, wire, gas) + 1,
    });
    expect(spray.ratePerS).toBeLessThan(5);
    expect(spray.fallsPerS).toBeGreaterThan(100);
  });
});

describe('troubles of a run', () => {
  const troubled = (troubles: ArcRun['troubles']) => burned(runOf(SHOPS[1], 0.5, { troubles }));
  const quiet = burned(runOf(SHOPS[1], 0.5));
  /** The longest time from one short to the next, s. */
  const longest = ({ events }: typeof quiet): number => {
    const at = events.flatMap((event) => (event.kind === 'short' ? [event.at] : []));
    return Math.max(...at.slice(1).map((time, i) => time - at[i]));
  };

  it('wire that sticks and a contact that breaks up leave gaps in the crackle', () => {
    expect(longest(quiet)).toBeLessThan(0.05);
    expect(longest(troubled({ surge: 1 }))).toBeGreaterThan(0.08);
    const contact = troubled({ badContact: 1 });
    expect(contact.unevenness!).toBeGreaterThan(1.5 * quiet.unevenness!);
  });

  it('a growing stick-out slows it along the run, lost gas makes it uneven', () => {
    const arc = new SimulatedArc(runOf(SHOPS[1], 0.5, { troubles: { stickOutDriftMmPerS: 3 } }));
    const parts = [1, 2, 3, 4].map(() => traceFigures(arc.burn(48_000).events, 1).ratePerS);
    expect(parts[3]).not.toBeCloseTo(parts[0], -1);
    expect(troubled({ gasLost: 1 }).unevenness!).toBeGreaterThan(1.5 * quiet.unevenness!);
  });
});

describe('a run', () => {
  it('is the same by its seed, in one piece or in many, and another by another seed', () => {
    const whole = new SimulatedArc(runOf(SHOPS[1], 0)).burn(3000);
    const arc = new SimulatedArc(runOf(SHOPS[1], 0));
    const parts = [1000, 1, 999, 1000].map((steps) => arc.burn(steps));
    expect(parts.flatMap(({ currentA }) => [...currentA])).toEqual([...whole.currentA]);
    expect(parts.flatMap(({ events }) => events)).toEqual(whole.events);
    const other = new SimulatedArc(runOf(SHOPS[1], 0, { seed: 4 })).burn(3000);
    expect([...other.currentA]).not.toEqual([...whole.currentA]);
  });

  it('keeps every figure within what a machine can show', () => {
    for (const shop of SHOPS)
      for (const off of [-9, -5, 0, 8]) {
        const { currentA, voltageV } = new SimulatedArc(runOf(shop, off)).burn(48_000);
        for (const values of [currentA, voltageV]) expect(values.every(Number.isFinite)).toBe(true);
        expect(Math.max(...currentA)).toBeLessThan(900);
        expect(Math.min(...currentA)).toBeGreaterThanOrEqual(0);
        expect(Math.min(...voltageV)).toBeGreaterThan(-5);
      }
  });

  it('is refused with a wire that the laws of melting do not hold for', () => {
    expect(() => new SimulatedArc(runOf(SHOPS[0], 0, { wire: steel(4) }))).toThrow(/wire diameter/);
    expect(() => new SimulatedArc(runOf(SHOPS[0], 0, { wireSpeedMPerMin: 60 }))).toThrow(/wire speed/);
  });
});
