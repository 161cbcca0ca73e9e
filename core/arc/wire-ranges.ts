/** The part of the table of coefficients that says what each wire is run at. Usable current of each wire in A, and of tubular wires the volts; outside it the wire is the wrong one. */
type Amps = { diameterMm: number; lowA: number; highA: number };
type AmpsAndVolts = Amps & { lowV: number; highV: number };
export const WIRE_RANGE: {
  solidShort: readonly Amps[];
  solidSpray: readonly Amps[];
  metalCoredShort: readonly Amps[];
  metalCoredSpray: readonly Amps[];
  aluminium: readonly Amps[];
  'tubular-self-shielded': readonly AmpsAndVolts[];
  'tubular-gas-shielded': readonly AmpsAndVolts[];
} = {
  /** In short arc. Source: overlapping ranges of usual charts. From 1.4 mm on no short arc is proposed. */
  solidShort: [
    { diameterMm: 0.6, lowA: 30, highA: 100 },
    { diameterMm: 0.8, lowA: 40, highA: 160 },
    { diameterMm: 0.9, lowA: 50, highA: 180 },
    { diameterMm: 1.0, lowA: 60, highA: 200 },
    { diameterMm: 1.2, lowA: 90, highA: 220 },
  ],
  /** In spray, or pulse over the transition. Source: the same; wire of 0.6 mm is not sprayed. */
  solidSpray: [
    { diameterMm: 0.8, lowA: 150, highA: 210 },
    { diameterMm: 0.9, lowA: 165, highA: 250 },
    { diameterMm: 1.0, lowA: 190, highA: 280 },
    { diameterMm: 1.2, lowA: 230, highA: 360 },
    { diameterMm: 1.6, lowA: 280, highA: 430 },
  ],
  /** Metal-cored wire: out of position and on sheet in short arc, else like a spray. Source: windows that public tables of such wires share. */
  metalCoredShort: [
    { diameterMm: 0.9, lowA: 70, highA: 140 },
    { diameterMm: 1.0, lowA: 80, highA: 160 },
    { diameterMm: 1.2, lowA: 100, highA: 190 },
  ],
  metalCoredSpray: [
    { diameterMm: 0.9, lowA: 150, highA: 250 },
    { diameterMm: 1.0, lowA: 165, highA: 280 },
    { diameterMm: 1.2, lowA: 200, highA: 360 },
    { diameterMm: 1.6, lowA: 260, highA: 450 },
  ],
  /** Aluminium in argon, spray alone. Source: charts for aluminium wire; the low end is its transition. */
  aluminium: [
    { diameterMm: 0.8, lowA: 95, highA: 150 },
    { diameterMm: 0.9, lowA: 105, highA: 175 },
    { diameterMm: 1.0, lowA: 115, highA: 210 },
    { diameterMm: 1.2, lowA: 135, highA: 280 },
    { diameterMm: 1.6, lowA: 180, highA: 400 },
  ],
  /** Source: windows that public tables of such wires share; 1.6 mm from the next smaller by area. */
  'tubular-self-shielded': [
    { diameterMm: 0.8, lowA: 60, highA: 150, lowV: 14, highV: 18 },
    { diameterMm: 0.9, lowA: 80, highA: 190, lowV: 15, highV: 20 },
    { diameterMm: 1.2, lowA: 120, highA: 250, lowV: 16, highV: 22 },
    { diameterMm: 1.6, lowA: 170, highA: 330, lowV: 17, highV: 25 },
  ],
  'tubular-gas-shielded': [
    { diameterMm: 0.9, lowA: 100, highA: 220, lowV: 20, highV: 26 },
    { diameterMm: 1.2, lowA: 150, highA: 300, lowV: 22, highV: 30 },
    { diameterMm: 1.6, lowA: 200, highA: 400, lowV: 23, highV: 34 },
  ],
};
