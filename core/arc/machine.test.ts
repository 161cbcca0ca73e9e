import fc from 'fast-check';
import { EXAMPLE_CASE } from '../cases/example';
import { AS_SHOWN, type Machine } from './machine';
import { readArc } from './reading';
import { arcSetup, balancedVolts, currentAt, currentBalancedBy, withWire, wireSpeedAt } from './setup';
import { expectedTravel } from './pace';

const on = (machine: Machine) => withWire(arcSetup(EXAMPLE_CASE, machine))!;
const ANY = fc.record({
  offsetV: fc.double({ min: -3, max: 3, noNaN: true }),
  wireScale: fc.double({ min: 0.8, max: 1.2, noNaN: true }),
  sure: fc.constant(null),
});

describe('a machine whose figures are off', () => {
  it('has the arc of its true volts and wire, whatever it shows', () => {
    fc.assert(
      fc.property(ANY, (machine) => {
        const [shown, truly] = [on(machine), on(AS_SHOWN)];
        expect(currentAt(shown, 6 / machine.wireScale, 10)).toBeCloseTo(currentAt(truly, 6, 10), 6);
        expect(balancedVolts(shown, 150) + machine.offsetV).toBeCloseTo(balancedVolts(truly, 150), 9);
        expect(expectedTravel(shown, 6 / machine.wireScale)).toBeCloseTo(expectedTravel(truly, 6), 6);
        const settings = { voltageV: 18, wireSpeedMPerMin: 6, stickOutMm: 10, travelSpeedMmPerMin: 320 };
        const asShown = {
          ...settings,
          voltageV: 18 - machine.offsetV,
          wireSpeedMPerMin: 6 / machine.wireScale,
        };
        const [a, b] = [readArc(shown, asShown), readArc(truly, settings)];
        for (const name of [
          'currentA',
          'voltageErrorV',
          'heatRatio',
          'areaMm2',
          'penetrationMm',
          'heatInputKJPerMm',
          'depositionKgPerH',
          'legMm',
        ] as const)
          expect(a[name]).toBeCloseTo(b[name]!, 6);
      }),
    );
  });

  it('turns its laws round', () => {
    fc.assert(
      fc.property(ANY, fc.double({ min: 60, max: 300, noNaN: true }), (machine, current) => {
        const shown = on(machine);
        expect(currentAt(shown, wireSpeedAt(shown, current, 12), 12)).toBeCloseTo(current, 2);
        expect(currentBalancedBy(shown, balancedVolts(shown, current))).toBeCloseTo(current, 0);
      }),
    );
  });
});
