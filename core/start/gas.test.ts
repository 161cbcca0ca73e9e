import { trueFlow } from '../arc/gas-cover';
import { completeMix } from '../case/gas-mix';
import { gasesCompared, type GasCompared } from './gas-compared';
import { ballFor, litresLeft, supplyFor } from './gas-supply';
import { DEFAULT_RIG, onJob } from './testing/jobs';

describe('what is left in a cylinder', () => {
  it('is its volume times its pressure, but for what the regulator leaves: 20 L at 200 bar are 3900 L', () => {
    expect(litresLeft({ kind: 'compressed', pressureBar: 200, waterVolumeL: 20 })).toBe(3900);
    expect(litresLeft({ kind: 'compressed', pressureBar: 3, waterVolumeL: 20 })).toBe(0);
    // A small throw-away bottle: 0.95 L at 100 bar is gone in eight minutes at 11 L/min.
    expect(litresLeft({ kind: 'compressed', pressureBar: 100, waterVolumeL: 0.95 }) / 11).toBeCloseTo(8.2, 1);
  });

  it('is weighed where it is CO2: 10 kg are some 5500 L, whatever the gauge says', () => {
    expect(litresLeft({ kind: 'liquid-co2', contentKg: 10 })).toBeCloseTo(5470, 0);
  });

  it('refuses what no cylinder holds', () => {
    expect(() => litresLeft({ kind: 'compressed', pressureBar: 400, waterVolumeL: 20 })).toThrow('pressure in bar');
    expect(() => litresLeft({ kind: 'compressed', pressureBar: 100, waterVolumeL: 0 })).toThrow('volume in L');
    expect(() => litresLeft({ kind: 'liquid-co2', contentKg: -1 })).toThrow('CO2 in kg');
  });
});

describe('what a cylinder does', () => {
  const job = { lengthMm: 2000, passes: 2 };
  it('is arc time, metres and whether it finishes, with the gas beside the arc counted', () => {
    // 12 L/min at 300 mm/min are 40 L a metre, and 15 % beside the arc: 46 L.
    const supply = supplyFor(460, 12, 300, job, null);
    expect(supply.weldM).toBeCloseTo(10, 9);
    expect(supply.arcMinutes).toBeCloseTo(460 / 13.8, 9);
    expect(supply.jobLitres).toBeCloseTo(184, 9);
    expect(supply.finishes).toBe(true);
    expect(supplyFor(180, 12, 300, job, null).finishes).toBe(false);
    expect(supplyFor(180, 12, 300, { lengthMm: null, passes: 2 }, null)).toEqual(
      expect.objectContaining({ finishes: null, jobLitres: null }),
    );
  });

  it('costs a metre by its price: a throw-away bottle many times what a large one does', () => {
    const costOf = (price: number, litres: number): number =>
      supplyFor(litres, 12, 300, job, { price, litres }).costPerM!;
    expect(costOf(60, 4000)).toBeCloseTo(0.69, 2);
    expect(costOf(30, 95) / costOf(60, 4000)).toBeCloseTo(30 / 95 / (60 / 4000), 6);
    expect(supplyFor(460, 12, 300, job, null).costPerM).toBeNull();
    expect(() => supplyFor(460, 0, 300, job, null)).toThrow('gas flow');
    expect(() => supplyFor(460, 12, 0, job, null)).toThrow('travel speed');
  });
});

it('says where the ball of a flowmeter for another gas has to stand: the way back of the true flow', () => {
  const [argon, co2, mix] = [{ argonPct: 100 }, { co2Pct: 100 }, { co2Pct: 18 }].map(completeMix);
  expect(trueFlow(ballFor(12, co2, argon), co2, argon)).toBeCloseTo(12, 9);
  // Argon is lighter than CO2: on a CO2 scale less is shown than flows.
  expect(ballFor(12, co2, argon)).toBeLessThan(12);
  expect(ballFor(12, argon, mix)).toBeGreaterThan(12);
  expect(ballFor(12, mix, mix)).toBe(12);
});

describe('gases compared for a job', () => {
  const gases = gasesCompared(onJob({ thicknessMm: 5 }));
  const named = (name: string, all: readonly GasCompared[] = gases): GasCompared =>
    all.find((gas) => gas.name === name)!;

  it('have the trade’s differences: CO2 deep, rough and higher in volts; lean mixes quiet; argon on steel never', () => {
    expect(named('pure CO2').penetration!).toBeGreaterThan(named('92 Ar / 8 CO2').penetration!);
    expect(named('pure CO2').spatter).toBeGreaterThan(named('82 Ar / 18 CO2').spatter);
    expect(named('pure CO2').voltageV - named('82 Ar / 18 CO2').voltageV).toBeGreaterThan(1.2);
    expect(named('pure argon')).toEqual(expect.objectContaining({ suits: false, transfer: 'unstable' }));
    expect(named('82 Ar / 18 CO2')).toEqual(expect.objectContaining({ fitted: true, penetration: 1, suits: true }));
    expect(gases.filter(({ fitted }) => fitted)).toHaveLength(1);
    // Where nobody said what is fitted, none is.
    expect(gasesCompared(onJob({ thicknessMm: 5 }, { gas: undefined })).some(({ fitted }) => fitted)).toBe(false);
  });

  it('are others for stainless and aluminium, and none for wire without gas', () => {
    const stainless = gasesCompared(onJob({ baseMetal: 'stainless', thicknessMm: 3 }, DEFAULT_RIG.stainless));
    expect(stainless.filter(({ suits }) => suits).map(({ name }) => name)).toEqual(['98 Ar / 2 CO2']);
    const aluminium = gasesCompared(onJob({ baseMetal: 'aluminium', thicknessMm: 4 }, DEFAULT_RIG.aluminium));
    expect(aluminium.filter(({ suits }) => suits).map(({ name }) => name)).toEqual(['pure argon']);
    const slag = {
      process: 'fcaw-self-shielded',
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
      gas: null,
    };
    expect(gasesCompared(onJob({ thicknessMm: 5 }, slag))).toEqual([]);
    expect(gasesCompared({ format: 'jolly-tinker/case@1' })).toEqual([]);
  });

  it('still compare where neither plate nor nozzle is known, through the usual nozzle', () => {
    const bare = gasesCompared(onJob({ thicknessMm: undefined }, { nozzleBoreMm: undefined }));
    expect(bare).toHaveLength(gases.length);
    expect(bare[0].flowLPerMin!).toBeGreaterThan(8);
    expect(bare[0].voltageV).toBeGreaterThan(14);
  });
});
