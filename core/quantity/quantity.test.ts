import fc from 'fast-check';
import { dialToValue, valueToDial, type Dial } from './dial';
import { gaugeToMm, nearestGauge } from './gauge';
import { fromUser, readable, roundToStep, toUser, unitOf, type Quantity } from './units';

describe('units', () => {
  it('reads the trade figures in both families', () => {
    expect(readable(7.5, 'wireSpeed', 'metric')).toBe('7.5');
    expect(readable(7.5, 'wireSpeed', 'inch')).toBe('295');
    expect(readable(11, 'gasFlow', 'inch')).toBe('23');
    expect(readable(9.525, 'length', 'inch')).toBe('0.375');
    expect(unitOf('gasFlow', 'inch')).toBe('cfh');
    expect(toUser(0.472, 'gasFlow', 'inch')).toBeCloseTo(1, 3);
  });

  it('round-trips for every quantity', () => {
    const quantity = fc.constantFrom<Quantity>('voltage', 'wireSpeed', 'length', 'gasFlow', 'travelSpeed', 'percent');
    fc.assert(
      fc.property(quantity, fc.double({ min: 0, max: 500, noNaN: true }), (name, value) => {
        expect(fromUser(toUser(value, name, 'inch'), name, 'inch')).toBeCloseTo(value, 9);
      }),
    );
  });

  it('rounds to a clean step', () => {
    expect(roundToStep(18.4049, 0.1)).toBe(18.4);
    expect(() => roundToStep(1, 0)).toThrow('step');
  });
});

describe('sheet gauge', () => {
  it('gives the standard thickness: 16 gauge is 0.0598 in, 11 gauge 0.1196 in', () => {
    expect(gaugeToMm(16) / 25.4).toBeCloseTo(0.0598, 4);
    expect(gaugeToMm(11) / 25.4).toBeCloseTo(0.1196, 4);
    expect(nearestGauge(1.5)).toBe(16);
    expect(nearestGauge(12)).toBeNull();
    expect(() => gaugeToMm(99)).toThrow('3 to 26');
  });
});

describe('dial', () => {
  const dial: Dial = {
    step: 0.5,
    points: [
      { mark: 1, value: 2 },
      { mark: 5, value: 6 },
      { mark: 10, value: 14 },
    ],
  };
  it('reads straight between the taken-down points, and on beyond them', () => {
    expect(dialToValue(dial, 3)).toBe(4);
    expect(dialToValue(dial, 7.5)).toBe(10);
    expect(dialToValue(dial, 11)).toBeCloseTo(15.6, 6);
  });

  it('finds the mark for a value, on the knob step and inside the knob', () => {
    expect(valueToDial(dial, 10)).toBe(7.5);
    expect(valueToDial(dial, 100)).toBe(10);
    expect(valueToDial(dial, 0)).toBe(1);
  });

  it('works for a dial that runs the other way', () => {
    const falling: Dial = {
      step: 1,
      points: [
        { mark: 0, value: 100 },
        { mark: 10, value: 0 },
      ],
    };
    expect(valueToDial(falling, 30)).toBe(7);
    expect(dialToValue(falling, 7)).toBe(30);
  });
});
