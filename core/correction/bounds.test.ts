import { balanceVoltage } from '../arc/balance';
import { flowWindowOf } from '../arc/reading';
import { currentAt } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { wireWindow } from '../arc/wire-window';
import { completeMix } from '../case/gas-mix';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import { boundsFor, searchStarts } from './bounds';
import { situation, STEADY } from './testing/situation';

const on = (rig: object): Case => ({ ...EXAMPLE_CASE, rig: { ...EXAMPLE_CASE.rig, ...rig } });
const BASE = situation();
const USUAL = usualStickOut(BASE.setup, null).wanted;
const close = (a: number, b: number): boolean => Math.abs(a / b - 1) < 1e-4;

describe('what can be set', () => {
  it('is what the wire carries where the machine’s range is not known', () => {
    const { wireSpeedMPerMin: wire, voltageV } = boundsFor(EXAMPLE_CASE, BASE);
    const usable = wireWindow(BASE.setup.wire);
    expect(close(currentAt(BASE.setup, wire.low, USUAL), usable.lowA)).toBe(true);
    expect(close(currentAt(BASE.setup, wire.high, USUAL), usable.highA)).toBe(true);
    expect(wire.step).toBe(0.1);
    expect(voltageV).toEqual({ low: 12, high: 38, step: 0.1 });
  });

  it('is what one pass holds up in the position, and what tubular wire takes in volts', () => {
    const overhead = situation({}, { ...EXAMPLE_CASE, job: { ...EXAMPLE_CASE.job, position: 'overhead' } });
    const { wireSpeedMPerMin: wire } = boundsFor(EXAMPLE_CASE, overhead);
    expect(close(currentAt(overhead.setup, wire.high, 10), 117.7)).toBe(true);
    const tubular = on({ wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null });
    const { voltageV } = boundsFor(tubular, situation({}, tubular));
    expect([voltageV.low, voltageV.high]).toEqual([15, 20]);
    const weak = on({ ...tubular.rig, range: { voltageV: { low: 16, high: 18.5, step: 0.5 } } });
    expect(boundsFor(weak, situation({}, tubular)).voltageV).toEqual({ low: 16, high: 18.5, step: 0.5 });
  });

  it('is no more than its knob turns to, whatever the plate says', () => {
    const volts = { step: 0.5, low: 1, high: 10, points: [3, 7].map((mark) => ({ mark, value: 12 + mark })) };
    const knob = boundsFor(on({ dials: { voltageV: volts } }), BASE).voltageV;
    expect(knob).toEqual({ low: 13, high: 22, step: 0.1 });
    const range = { voltageV: { low: 15, high: 30, step: 0.2 } };
    expect(boundsFor(on({ range, dials: { voltageV: volts } }), BASE).voltageV).toEqual({
      low: 15,
      high: 22,
      step: 0.2,
    });
    const apart = { voltageV: { low: 25, high: 30, step: 0.2 } };
    expect(boundsFor(on({ range: apart, dials: { voltageV: volts } }), BASE).voltageV).toEqual({
      low: 13,
      high: 22,
      step: 0.2,
    });
  });

  it('is what the machine reaches where that is less', () => {
    const small = on({
      range: { voltageV: { low: 15, high: 22, step: 0.5 }, wireSpeedMPerMin: { low: 4, high: 8, step: 0.2 } },
    });
    const bounds = boundsFor(small, BASE);
    expect(bounds.voltageV).toEqual({ low: 15, high: 22, step: 0.5 });
    expect(bounds.wireSpeedMPerMin).toEqual({ low: 4, high: 8, step: 0.2 });
    const onlyVolts = boundsFor(on({ range: { voltageV: { low: 15, high: 22, step: 0.5 } } }), BASE);
    expect(onlyVolts.wireSpeedMPerMin.step).toBe(0.1);
  });

  it('is the machine’s nearest end where machine and wire do not meet', () => {
    const of = (low: number, high: number) =>
      boundsFor(on({ range: { wireSpeedMPerMin: { low, high, step: 0.1 } } }), BASE).wireSpeedMPerMin;
    expect(of(15, 20)).toEqual({ low: 15, high: 15, step: 0.1 });
    expect(of(0.5, 1)).toEqual({ low: 1, high: 1, step: 0.1 });
  });

  it('is the usual stick-out of the wire and the flow window of the nozzle', () => {
    const { stickOutMm, gasFlowLPerMin } = boundsFor(EXAMPLE_CASE, BASE);
    // From the short arc's nearest to the farthest that spray takes with this wire.
    expect(stickOutMm).toEqual({ low: expect.closeTo(7, 1), high: expect.closeTo(20, 0), step: 1 });
    const { low, high } = flowWindowOf(BASE.setup, 10, 150)!;
    expect(gasFlowLPerMin).toEqual({ low: expect.closeTo(low, 6), high: expect.closeTo(high, 6), step: 0.5 });
    const bare = situation({ setup: { ...BASE.setup, usesGas: false } });
    expect(boundsFor(EXAMPLE_CASE, bare).gasFlowLPerMin).toEqual({ low: 0, high: 30, step: 0.5 });
  });

  it('reaches out to where distance and flow stand today, and a wire speed a little over its ceiling', () => {
    const today = { ...BASE.today, stickOutMm: 26, gasFlowLPerMin: 3 };
    const { stickOutMm, gasFlowLPerMin } = boundsFor(EXAMPLE_CASE, situation({ today }));
    expect([stickOutMm.high, gasFlowLPerMin.low]).toEqual([26, 3]);
    const top = boundsFor(EXAMPLE_CASE, BASE).wireSpeedMPerMin.high;
    const wire = (wireSpeedMPerMin: number): number =>
      boundsFor(EXAMPLE_CASE, situation({ today: { ...BASE.today, wireSpeedMPerMin } })).wireSpeedMPerMin.high;
    expect(wire(top * 1.1)).toBeCloseTo(top * 1.1, 9);
    expect(wire(top * 1.2)).toBe(top);
    expect(wire(top * 0.5)).toBe(top);
  });

  it('is never more than the field takes', () => {
    const wide = on({ range: { voltageV: { low: 1, high: 99, step: 1 } } });
    expect(boundsFor(wide, BASE).voltageV).toEqual({ low: 8, high: 50, step: 1 });
    const helium = completeMix({ argonPct: 0, heliumPct: 100 });
    const wideNozzle = situation({ setup: { ...BASE.setup, gas: helium, boreMm: 29 } });
    expect(boundsFor(EXAMPLE_CASE, wideNozzle).gasFlowLPerMin.high).toBe(60);
  });
});

describe('where the search starts', () => {
  const starts = (today: Partial<typeof STEADY>, setup = BASE.setup) => {
    const held = situation({ setup, today: { ...BASE.today, ...today } });
    return searchStarts(held, boundsFor(EXAMPLE_CASE, held));
  };

  it('is today, today brought into balance, and the model’s own choice', () => {
    const [today, balanced, tidy, , model] = starts({ ...STEADY, voltageV: 15, stickOutMm: 18 });
    expect(today).toEqual({ ...STEADY, voltageV: 15, stickOutMm: 18 });
    const amps = currentAt(BASE.setup, STEADY.wireSpeedMPerMin, 18);
    expect(balanced).toEqual({ ...today, voltageV: balanceVoltage(amps, BASE.setup.wire, BASE.setup.gas) });
    expect(tidy).toEqual({ ...today, stickOutMm: model.stickOutMm, gasFlowLPerMin: model.gasFlowLPerMin });
    expect(close(currentAt(BASE.setup, model.wireSpeedMPerMin, model.stickOutMm), BASE.setup.currentAskedA!)).toBe(
      true,
    );
    expect(model.voltageV).toBeCloseTo(balanceVoltage(BASE.setup.currentAskedA!, BASE.setup.wire, BASE.setup.gas), 6);
    const { wanted } = flowWindowOf(BASE.setup, model.stickOutMm, BASE.setup.currentAskedA)!;
    expect(model).toEqual(expect.objectContaining({ stickOutMm: expect.closeTo(10, 0), gasFlowLPerMin: wanted }));
  });

  it('takes the model’s value for each figure that is not known', () => {
    const [empty, , , , model] = starts({});
    expect(empty).toEqual(model);
    expect(starts({ gasFlowLPerMin: 9 })[0]).toEqual({ ...model, gasFlowLPerMin: 9 });
    expect(starts({ stickOutMm: 13, voltageV: 17 })[0]).toEqual({ ...model, stickOutMm: 13, voltageV: 17 });
  });

  it('keeps the current in what the wire carries, whatever the plate wants', () => {
    const usable = wireWindow(BASE.setup.wire);
    const wants = (currentAskedA: number | null): number => {
      const model = starts({}, { ...BASE.setup, currentAskedA })[4];
      return currentAt(BASE.setup, model.wireSpeedMPerMin, model.stickOutMm);
    };
    expect(close(wants(900), usable.highA)).toBe(true);
    expect(close(wants(5), usable.lowA)).toBe(true);
    expect(close(wants(null), (usable.lowA + usable.highA) / 2)).toBe(true);
  });

  it('keeps the wire speed in what the machine reaches, and has no flow where there is no gas', () => {
    const held = situation({ setup: { ...BASE.setup, usesGas: false } });
    const slow = on({ range: { wireSpeedMPerMin: { low: 2, high: 3, step: 0.1 } } });
    const fast = on({ range: { wireSpeedMPerMin: { low: 12, high: 14, step: 0.1 } } });
    expect(searchStarts(held, boundsFor(slow, held))[4]).toEqual(
      expect.objectContaining({ wireSpeedMPerMin: 3, gasFlowLPerMin: 0 }),
    );
    expect(searchStarts(held, boundsFor(fast, held))[4].wireSpeedMPerMin).toBe(12);
  });
});
