import fc from 'fast-check';
import { CARD_MM, HELD, heldFigure, heldGun, type Spot } from './held-gun';

const apart = ([x1, y1]: Spot, [x2, y2]: Spot): number => Math.hypot(x2 - x1, y2 - y1);
const among = (name: keyof typeof HELD) => fc.integer({ min: HELD[name].least, max: HELD[name].most });
const guns = fc.record({
  stickOut: among('stickOutMm'),
  lean: fc.integer({ min: -60, max: 60 }),
  bore: among('nozzleBoreMm'),
  recess: among('tipRecessMm'),
});

describe('the gun in its true size', () => {
  it('keeps every length, however it leans', () => {
    fc.assert(
      fc.property(guns, ({ stickOut, lean, bore, recess }) => {
        const { wire, tip, nozzle } = heldGun(stickOut, lean, bore, recess);
        expect(wire[0]).toEqual([0, 0]);
        expect(apart(...wire)).toBeCloseTo(stickOut, 9);
        // The nozzle is a wall wider than its bore to either side, square to the wire, and ends a recess before the tip.
        expect(apart(nozzle[0], nozzle[1])).toBeCloseTo(bore + 4, 9);
        expect(apart([0, 0], nozzle[0])).toBeCloseTo(Math.hypot(stickOut - recess, bore / 2 + 2), 9);
        // The tip goes into the nozzle.
        expect(apart(tip[0], tip[1])).toBeLessThan(bore);
        const middle: Spot = [(tip[0][0] + tip[1][0]) / 2, (tip[0][1] + tip[1][1]) / 2];
        expect(apart(middle, wire[1])).toBeCloseTo(0, 9);
      }),
    );
  });

  it('leans to the right by its angle, and as far to the left', () => {
    const [, [x, y]] = heldGun(10, 30, 13, 2).wire;
    expect(x).toBeCloseTo(5, 9);
    expect(y).toBeCloseTo(8.66, 2);
    fc.assert(
      fc.property(guns, ({ stickOut, lean, bore, recess }) => {
        const [one, other] = [heldGun(stickOut, lean, bore, recess), heldGun(stickOut, -lean, bore, recess)];
        expect(one.rightMm).toBeCloseTo(-other.leftMm, 9);
        expect(one.heightMm).toBeCloseTo(other.heightMm, 9);
      }),
    );
  });

  it('says what room it takes', () => {
    fc.assert(
      fc.property(guns, ({ stickOut, lean, bore, recess }) => {
        const { wire, tip, nozzle, leftMm, rightMm, heightMm } = heldGun(stickOut, lean, bore, recess);
        const all = [...wire, ...tip, ...nozzle];
        expect(all.every(([x, y]) => x >= leftMm - 1e-9 && x <= rightMm + 1e-9 && y <= heightMm + 1e-9)).toBe(true);
        expect(all.some(([x]) => x === leftMm) && all.some(([x]) => x === rightMm)).toBe(true);
      }),
    );
  });

  it('draws what can be drawn: no figure is the usual one, a wild one the last that can', () => {
    expect(heldFigure('stickOutMm', undefined)).toBe(10);
    expect(heldFigure('stickOutMm', Number('long'))).toBe(10);
    expect(heldFigure('stickOutMm', 400)).toBe(40);
    expect(heldFigure('travelAngleDeg', -90)).toBe(-30);
    expect(heldFigure('workAngleDeg', 55)).toBe(55);
  });

  it('holds the screen against a card of ISO/IEC 7810, ID-1', () => {
    expect(CARD_MM).toEqual({ long: 85.6, short: 53.98 });
  });
});
