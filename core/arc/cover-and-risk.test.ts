import fc from 'fast-check';
import type { Case } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { completeMix } from '../case/gas-mix';
import { cylinderMinutes, flowWindow, gasDensity, nozzleReynolds, trueFlow } from './gas-cover';
import { readArc } from './reading';
import { arcSetup } from './setup';
import {
  burnBackRisk,
  burnThroughRisk,
  lackOfFusionRisk,
  porosityRisk,
  spatterRisk,
  stubbingRisk,
  undercutRisk,
} from './risk';

const mix = (co2Pct: number) => completeMix({ co2Pct });
const ARGON = completeMix({ argonPct: 100 });

describe('gas cover', () => {
  const cover = {
    boreMm: 13,
    gas: mix(18),
    baseMetal: 'mild-steel',
    joint: 'fillet',
    draught: 'still',
    stickOutMm: 12,
    school: 'ample',
    currentA: null,
    spray: 0,
  } as const;
  it('is laminar at 11 L/min on a 13 mm nozzle and turbulent at 35', () => {
    expect(nozzleReynolds(11, 13, mix(18))).toBeLessThan(2300);
    expect(nozzleReynolds(35, 13, mix(18))).toBeGreaterThan(4000);
  });

  it('wants 11 L/min on a 13 mm nozzle, 7.8 in the lean school, more in a breeze', () => {
    expect(flowWindow(cover).wanted).toBeCloseTo(11, 0);
    expect(flowWindow({ ...cover, school: 'lean' }).wanted).toBeCloseTo(7.8, 1);
    expect(flowWindow({ ...cover, draught: 'breeze' }).wanted).toBeGreaterThan(12);
  });

  it('wants more with the current and in spray: 15 to 20 L/min through 16 mm at 300 A', () => {
    const at = (currentA: number, spray: number): number =>
      flowWindow({ ...cover, boreMm: 16, gas: mix(8), currentA, spray }).wanted;
    expect(at(100, 0)).toBe(at(150, 0));
    expect(at(250, 0)).toBeGreaterThan(at(150, 0) * 1.1);
    expect(at(300, 1)).toBeGreaterThan(15);
    expect(at(300, 1)).toBeLessThan(20);
    expect(at(500, 1)).toBe(at(350, 1));
  });

  it('keeps low < wanted < high for any nozzle and mix', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 22, noNaN: true }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 5, max: 40 }),
        (boreMm, helium, stickOutMm) => {
          const gas = completeMix({ argonPct: 100 - helium, heliumPct: helium });
          const { low, wanted, high } = flowWindow({ ...cover, boreMm, gas, stickOutMm });
          expect(low).toBeLessThan(wanted);
          expect(wanted).toBeLessThan(high);
        },
      ),
    );
  });

  it('reads an argon flowmeter on helium as about three times the true scale', () => {
    const helium = completeMix({ argonPct: 0, heliumPct: 100 });
    expect(trueFlow(10, ARGON, helium)).toBeCloseTo(10 * Math.sqrt(gasDensity(ARGON) / gasDensity(helium)), 9);
    expect(trueFlow(10, ARGON, helium)).toBeCloseTo(31.6, 0);
  });

  it('empties a 50 L cylinder at 200 bar and 10 L/min in 1000 minutes', () => {
    expect(cylinderMinutes(200, 50, 10)).toBe(1000);
    expect(() => cylinderMinutes(200, 50, 0)).toThrow('gas flow');
  });
});

describe('risks', () => {
  const BALANCE = fc.double({ min: -12, max: 12, noNaN: true });
  it('stay between 0 and 1', () => {
    fc.assert(
      fc.property(
        BALANCE,
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (balance, ratio, flow) => {
          const risks = [
            stubbingRisk(balance),
            burnBackRisk(balance),
            spatterRisk(balance, 18, 50),
            lackOfFusionRisk(ratio, balance),
            burnThroughRisk(ratio, 0.2, ratio),
            undercutRisk(balance, ratio),
            porosityRisk(flow, { low: 7, high: 24 }),
          ];
          for (const risk of risks) {
            expect(risk).toBeGreaterThanOrEqual(0);
            expect(risk).toBeLessThanOrEqual(1);
          }
        },
      ),
    );
  });

  it('are all small for a balanced bead at the right heat and flow', () => {
    const risks = [
      stubbingRisk(0),
      burnBackRisk(0),
      spatterRisk(0, 18, 50),
      lackOfFusionRisk(1, 0),
      burnThroughRisk(1, 0, 1),
      undercutRisk(0, 1),
      porosityRisk(11, { low: 7, high: 24 }),
    ];
    for (const risk of risks) expect(risk).toBeLessThan(0.2);
  });

  it('rise the way the trade says', () => {
    expect(stubbingRisk(-3)).toBeGreaterThan(0.9);
    expect(burnBackRisk(4)).toBeGreaterThan(0.9);
    expect(lackOfFusionRisk(0.5, 0)).toBeGreaterThan(0.8);
    expect(burnThroughRisk(1.8, 0, 1)).toBeGreaterThan(0.9);
    expect(porosityRisk(2, { low: 7, high: 24 })).toBeGreaterThan(0.9);
    expect(porosityRisk(40, { low: 7, high: 24 })).toBeGreaterThan(0.9);
  });
});

describe('reading a case', () => {
  it('reads the worked example: about 168 A, balance about 20 V, 3.7 V under, short circuit', () => {
    const arc = readArc(arcSetup(EXAMPLE_CASE), EXAMPLE_CASE.settings ?? {});
    expect(arc.currentA).toBeCloseTo(168.7, 0);
    expect(arc.balancedVoltageV).toBeCloseTo(20.2, 0);
    expect(arc.voltageErrorV).toBeCloseTo(-3.7, 0);
    expect(arc.transfer).toBe('short-circuit');
    expect(arc.legMm).toBeCloseTo(5.3, 1);
  });

  it('leaves unknown what cannot be known', () => {
    const bare = { format: EXAMPLE_CASE.format } as const;
    const arc = readArc(arcSetup(bare), {});
    expect(arc.currentA).toBeNull();
    expect(arc.gasFlowWantedLPerMin!).toBeGreaterThan(8);
  });

  it('takes the metal from the wire where it is not stated: aluminium wants its own flow', () => {
    const rig = {
      wire: { class: 'solid-aluminium', diameterMm: 1.2 },
      gas: { argonPct: 100 },
      nozzleBoreMm: 16,
    } as const;
    const flow = (job: Case['job']): number | null =>
      readArc(arcSetup({ format: EXAMPLE_CASE.format, rig, ...(job === undefined ? {} : { job }) }), {})
        .gasFlowWantedLPerMin;
    expect(flow(undefined)).toBe(flow({ baseMetal: 'aluminium' }));
    expect(flow(undefined)).not.toBe(flow({ baseMetal: 'mild-steel' }));
  });
});
