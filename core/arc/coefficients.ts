/**
 * The coefficients of the arc model's laws, each with its source or reason; slopes and weights stand with their laws; with a tolerance where that is used,
 * in the residual that the coefficient feeds (core/diagnosis/residuals.ts).
 * Units inside: mm, m/min, V, A, L/min, mm/min, kJ/mm. docs/arc-model.md tells how well they hold.
 */
type Fixed = { value: number; source: string };
/** A coefficient that may be off by `tolerance`, as a share of its value. */
export type Coefficient = Fixed & { tolerance: number };

const fixed = (value: number, source: string): Fixed => ({ value, source });
const coefficient = (value: number, tolerance: number, source: string): Coefficient => ({ value, tolerance, source });

const LESNEWICH = 'Lesnewich 1958 form w = aI + bLI^2';

export const BURN_OFF = {
  /** Wire diameter the two terms are stated for. */
  referenceDiameterMm: 1.2,
  arcTerm: coefficient(
    0.305,
    0.1,
    `${LESNEWICH}; mm/s per A at 1.2 mm, set so that all four trade rules hold at 10 to 14 mm`,
  ),
  resistanceTerm: fixed(4.6e-5, `${LESNEWICH}; mm/s per mm A^2 at 1.2 mm`),
  diameterPower: fixed(1.85, 'pure area gives 2; 1.85 fits the rules of thumb for 0.6 to 1.2 mm together'),
  /** Factors on the two terms for each class of wire. */
  byWire: {
    'solid-steel': { arc: 1, resistance: 1, source: 'reference' },
    'solid-stainless': {
      arc: 0.95,
      resistance: 1.8,
      source:
        'cold, stainless resists five times as much, but hot steel catches up; 1.8 gives the 10 to 15 % lower current seen on charts',
    },
    'solid-aluminium': {
      arc: 2.72,
      resistance: 0.03,
      source: '0.83 mm/s per A at 1.2 mm: charts give about 7.5 m/min at 150 A; resistance heating is negligible',
    },
    'metal-cored': {
      arc: 1.15,
      resistance: 1.15,
      source: 'current runs in the sheath and the core is little resistance: about 15 % more wire per amp than solid',
    },
    'tubular-self-shielded': {
      arc: 0.6,
      resistance: 0.5,
      source:
        'public tables of thin self-shielded wire: 0.8 mm 2.8 m/min at 100 A, 0.9 mm 2.8 at 120, 1.2 mm 2.3 at 150; the flux in it takes up room that no current has to melt; within 20 %',
    },
    'tubular-gas-shielded': {
      arc: 1.2,
      resistance: 1.5,
      source: 'current runs in the sheath only: 15 to 25 % more wire per amp, more heating',
    },
  },
} as const;

export const ARC_LENGTH_MM = {
  shortCircuit: fixed(2, 'arc of 1 to 3 mm, averaged over the short circuits'),
  spray: fixed(5, 'visible arc of 4 to 6 mm'),
  gradientVPerMm: fixed(1, 'column of 0.7 V/mm in argon to 1.4 V/mm in CO2; the shop rule of a volt a millimetre'),
} as const;

export const BALANCE = {
  baseV: fixed(14, 'conventional load line for MIG/MAG, IEC 60974-1: U = 14 + 0.05 I'),
  slopeVPerA: fixed(0.05, 'conventional load line for MIG/MAG, IEC 60974-1'),
  /** Offset in short circuit against the CO2 share, straight between the points. */
  shortCircuitByCo2: [
    { co2Pct: 0, offsetV: -2.6 },
    { co2Pct: 7.5, offsetV: -2.5 },
    { co2Pct: 25, offsetV: -2.2 },
    { co2Pct: 100, offsetV: -0.3 },
  ],
  /** Offset of spray in steel with 10 % CO2 by wire, straight between: a thicker wire sprays under the load line. */
  sprayByDiameter: [
    { diameterMm: 0.8, offsetV: 0.8 },
    { diameterMm: 0.9, offsetV: 0.7 },
    { diameterMm: 1.2, offsetV: 0.6 },
    { diameterMm: 1.6, offsetV: -1.5 },
  ],
  sprayPerCo2PctV: fixed(
    0.15,
    '1.2 mm in 90/10 sounds right at 26 to 28 V at 250 A and 28 to 30 V at 300 A, in 98/2 one to two volts lower',
  ),
  globularV: fixed(0.6, 'globular transfer in CO2-rich gas runs a little above the load line'),
  aluminiumV: fixed(0.7, 'aluminium spray in argon; below transition about 1.5 V under it'),
  /** Over the transition of 1.2 mm wire the balance of aluminium rises more slowly than the load line. */
  aluminiumFrom: {
    currentA: 150,
    lessVPerA: 0.0185,
    source: 'charts: 22 V at 150 A, 24 at 200, 25.5 at 250, 27 at 300',
  },
  aluminiumShortCircuitV: fixed(-0.8, 'aluminium below its spray transition'),
  /** Offset of self-shielded wire by size: its window of volts and amps lies well under the load line. */
  selfShieldedByDiameter: [
    { diameterMm: 0.8, offsetV: -3.2 },
    { diameterMm: 0.9, offsetV: -3.2 },
    { diameterMm: 1.2, offsetV: -4.2 },
  ],
  gasShieldedTubularV: fixed(0, 'gas-shielded tubular wire, mixed gas; CO2 wants about 1.5 V more'),
  gasShieldedTubularCo2V: fixed(1.5, 'from 25 % to pure CO2'),
  heliumVPerPct: fixed(0.03, 'helium raises the arc voltage by about 3 V at 100 %, ionisation 24.6 against 15.8 eV'),
  /** How far the offsets may be off, volts: short circuit is the best charted, globular the least. */
  toleranceV: { shortCircuit: 0.4, spray: 0.7, globular: 1.5, aluminium: 1, selfShielded: 1, gasShielded: 1.2 },
  /** Half-width of the good window, volts. */
  halfWidthV: { shortCircuitMixed: 1.0, shortCircuitCo2: 1.2, spray: 1.5, tubular: 1.3 },
} as const;

/**
 * Thinner sheet is stitched, mm; from there on a bead can be drawn in one. Source: trade practice, by metal: a hand-drawn bead
 * of the thinnest wire keeps ahead of the hole from about 1.2 mm of steel, and aluminium leads its heat into the whole sheet.
 */
export const STITCH_UNDER_MM = { 'mild-steel': 1.2, stainless: 1.2, aluminium: 2 } as const;

/** Mean current that pulse begins at, as a share of the least of the wire's spray. */
export const PULSE_FROM = fixed(
  0.45,
  'pulse charts begin at 60 A with 1.2 mm aluminium and at 120 A with 1.6 mm steel',
);

/** Wire thicker than this has no short arc that is proposed, thinner than that no spray, mm. */
export const SHORT_UP_TO_MM = 1.3;
export const SPRAY_FROM_MM = 0.75;

/** Spray transition current in A for argon with 2 to 5 % oxygen (steel) or argon (aluminium), straight between diameters. */
export const SPRAY_TRANSITION = {
  steel: [
    { diameterMm: 0.6, currentA: 115 },
    { diameterMm: 0.8, currentA: 150 },
    { diameterMm: 0.9, currentA: 165 },
    { diameterMm: 1.2, currentA: 220 },
    { diameterMm: 1.6, currentA: 275 },
  ],
  aluminium: [
    { diameterMm: 0.8, currentA: 95 },
    { diameterMm: 0.9, currentA: 105 },
    { diameterMm: 1.2, currentA: 135 },
    { diameterMm: 1.6, currentA: 180 },
  ],
  perCo2Pct: fixed(0.011, 'about 10 % more at 8 to 10 % CO2'),
  stainlessFactor: fixed(0.93, 'stainless turns to spray a little earlier: lower surface tension, hotter wire'),
  noSprayAboveCo2Pct: fixed(20, 'above about 20 % CO2 the drop is pushed back and stays globular'),
  metalCored: {
    factor: 0.88,
    noSprayAboveCo2Pct: 26,
    source: 'the thin sheath is hotter at the same current: fine drops begin sooner, and up to 25 % CO2',
  },
  /** Between short arc and spray drops are large and wild: as shares of the transition, where that begins and ends. */
  wildFrom: fixed(0.85, 'the top of a quiet short arc'),
  wildTo: fixed(1.12, 'an eighth over, and the spray streams'),
  /** Plate that nothing falls through: there the short arc is the dangerous end, for its lack of fusion cannot be seen. */
  heavyFromMm: fixed(
    8,
    'short arc on plate of 8 mm and more is known for cold laps; a spray there has nothing to burn through',
  ),
  /** A chart's spray on heavy plate, as shares of the current wanted and over the least of the spray: 1.2 mm at 280 to 320 A on 8 to 20 mm. */
  ofCharts: { overWanted: 1.25, overLeast: 1.02 },
  /** Current over the current wanted up to which a spray is taken on heavy plate, by thickness: charts spray 12 mm at 350 A. */
  heavyUpTo: [
    { thicknessMm: 8, share: 1.4 },
    { thicknessMm: 12, share: 1.6 },
  ],
  /** Both transfers do from here on, up to heavyFromMm: then it is a choice that the welder sees. */
  choiceFromMm: fixed(5, 'from 5 mm a spray has enough plate to lie on; charts give both from 5 to 8'),
  /** Aluminium is run over its transition by so much; what has no short arc that fuses is not offered one. */
  aluminiumFrom: fixed(1.05, 'aluminium in short arc is cold and dirty: spray or pulse'),
  /** Width of the blend between the two balances, as a share of the transition current. */
  blend: fixed(0.035, 'streaming sets in over some ten amps; a step would make the advice jump'),
} as const;

export const HEAT_WANTED = {
  /** One pass on steel: `root * sqrt(t) - less`, t in mm; aluminium: `perPower * t^power`. */
  steel: {
    rootA: coefficient(
      85,
      0.15,
      'through the middle of the bands that charts and practice share: 45 to 65 A at 0.8 mm, 90 to 125 at 2, 135 to 170 at 4, 165 to 240 from 6 on',
    ),
    lessA: 17.5,
    levelsAtMm: fixed(8.5, 'from about 6 mm on more passes, not more current'),
  },
  aluminium: {
    perPowerA: coefficient(
      50.4,
      0.15,
      'before the factor of the metal: 63 A at 1 mm, 130 at 3, 205 at 6, as charts give flat',
    ),
    power: 0.66,
    levelsAtMm: fixed(12, 'aluminium leads heat away: one pass goes on growing for longer'),
  },
  /** How sharply a pass stops growing: the power of the smooth minimum of thickness and the thickness it levels at. */
  levelling: 4,
  byJoint: { 'bead-on-plate': 1, butt: 1, fillet: 1.1, lap: 1.1, corner: 0.9, plug: 1.15 },
  openRootFactor: fixed(0.9, 'an open root passes heat to nothing'),
  byPosition: { flat: 1, horizontal: 1, 'vertical-up': 0.87, 'vertical-down': 0.95, overhead: 0.87 },
  byMetal: { 'mild-steel': 1, stainless: 0.9, aluminium: 1.25 },
  thinnerLimit: fixed(
    1.4,
    'the thinner part stands about 1.4 times its own current when the arc is aimed at the thicker',
  ),
} as const;

/**
 * What one pass can carry against gravity. Vertical-up and overhead are short circuit, whatever the plate, at 17 to 20 V in
 * mixed gas; more, and the puddle runs. Source: trade practice, about 12 %.
 */
export const OUT_OF_POSITION = {
  solidSteel: [
    { diameterMm: 0.6, highA: 70 },
    { diameterMm: 0.8, highA: 90 },
    { diameterMm: 0.9, highA: 110 },
    { diameterMm: 1.0, highA: 130 },
    { diameterMm: 1.2, highA: 160 },
    { diameterMm: 1.6, highA: 190 },
  ],
  overheadFactor: fixed(
    1.07,
    'overhead the puddle hangs from the plate and does not run: 4.3 m/min and more of 1.0 and 1.2 mm wire are held',
  ),
  pulseFactor: fixed(1.1, 'pulse freezes between drops, so a little more stays up'),
  aluminiumFactor: fixed(1.15, 'aluminium freezes fast; it is run in spray or pulse'),
  tubularShare: fixed(0.75, 'slag holds the puddle: three quarters of the top of its window'),
  /** Vertical-down is for sheet, gaps and roots. */
  downUpToMm: 5,
} as const;

export const PASSES = {
  /** Largest single pass by position, as the leg of a fillet, mm. Source: usual limits of procedures for solid wire. */
  largestLegMm: { flat: 8, horizontal: 6, 'vertical-up': 8, 'vertical-down': 4.5, overhead: 5 },
  /** Butts over this are bevelled, mm; thinner ones are square. */
  bevelFromMm: 6,
  /** A fillet as large as the plate up to here, mm, then a share of it. */
  legUpToMm: 6,
  legShareAbove: fixed(0.7, 'a fillet of 0.7 of the plate carries what the plate does'),
  bevelPerMm2: fixed(0.577, 'area of a V of 60 degrees, t^2 tan 30'),
} as const;

/**
 * Usual stick-out, contact tip to work, mm: the window follows the transfer, not the wire alone. Source: trade practice;
 * in spray the arc itself takes 4 to 6 mm of it.
 */
/**
 * Pace that a hand holds by position, mm/min, and in spray where that differs. Source: trade practice and procedures: uphill 80 to 220,
 * overhead 150 to 350, downhill 300 to 600, flat and horizontal 200 to 600 in short arc and 250 to 800 in spray.
 */
export const PACE = {
  flat: { low: 200, high: 600 },
  horizontal: { low: 200, high: 600 },
  'vertical-up': { low: 80, high: 220 },
  'vertical-down': { low: 300, high: 600 },
  overhead: { low: 150, high: 350 },
  spray: { low: 250, high: 800 },
  /** Aluminium is led fast in every position: slow, it runs away. */
  aluminium: { low: 250, high: 1100 },
  /** Slag holds the puddle of tubular wire, which lays less metal an amp. */
  tubular: { low: 140, high: 700 },
} as const;

/**
 * Heat that a pass needs to fuse steel, kJ/mm, by the thinner part. Source: heat input of single passes that charts and procedures
 * share: 0.10 at 1 mm, 0.22 at 2, 0.35 at 3, 0.5 at 5, 0.6 at 6, 0.8 from 10 on.
 */
export const FUSING_HEAT = [
  { thicknessMm: 0, kJPerMm: 0 },
  { thicknessMm: 1, kJPerMm: 0.1 },
  { thicknessMm: 2, kJPerMm: 0.22 },
  { thicknessMm: 3, kJPerMm: 0.35 },
  { thicknessMm: 5, kJPerMm: 0.5 },
  { thicknessMm: 6, kJPerMm: 0.6 },
  { thicknessMm: 10, kJPerMm: 0.8 },
] as const;

export const STICK_OUT = {
  shortCircuit: { low: 7, wanted: 10, high: 14 },
  tightShortCircuit: { low: 6, wanted: 8, high: 11 },
  /** Spray and globular in steel, up to 1.0 mm and from 1.2 mm, straight between. */
  open: [
    { diameterMm: 1.0, low: 12, wanted: 15, high: 20 },
    { diameterMm: 1.2, low: 14, wanted: 17, high: 22 },
    { diameterMm: 1.6, low: 18, wanted: 20, high: 24 },
  ],
  aluminium: { low: 10, wanted: 14, high: 19 },
  gasShielded: { low: 12, wanted: 16, high: 22 },
  selfShielded: [
    { diameterMm: 0.9, low: 10, wanted: 14, high: 20 },
    { diameterMm: 1.2, low: 12, wanted: 17, high: 24 },
    { diameterMm: 1.6, low: 14, wanted: 22, high: 30 },
  ],
  /** The tight school's share of a window where the short circuit does not say its own. */
  tightShare: fixed(0.87, 'a tip a step nearer all round: 15 mm becomes 13'),
} as const;

export const BEAD = {
  efficiency: {
    mixedGas: 0.95,
    co2: 0.92,
    tubular: 0.83,
    source: 'share of the wire that stays in the joint; the rest is spatter, slag and fume',
  },
  densityGPerCm3: { steel: 7.85, aluminium: 2.7 },
  arcEfficiency: fixed(0.8, 'EN 1011-1, gas metal arc'),
  widthMm: fixed(
    10.5,
    'width = 10.5 mm at 1 kJ/mm with the root of heat input: 7.4 mm at 0.5 kJ/mm, a usual bead on plate',
  ),
  widthPerVolt: fixed(0.06, 'each volt over balance widens the bead by about 6 %, under it narrows it'),
  penetration: fixed(
    0.1504,
    'Jackson form (I^4/(v V^2))^(1/3), set so that 200 A, 24 V, 350 mm/min, CO2, drag gives 3 mm',
  ),
  penetrationMixedGas: fixed(0.85, 'argon mixes penetrate less than CO2'),
  penetrationPerPushDegree: fixed(0.008, 'pushing by 15 degrees costs about a quarter against dragging'),
} as const;

export const GAS = {
  wantedPerBoreMm: fixed(0.85, 'ample school: 10 to 12 L/min on a 13 mm nozzle'),
  leanPerBoreMm: fixed(0.6, 'lean school: 7 to 9 L/min on a small nozzle'),
  lowestPerBoreMm: coefficient(0.55, 0.15, 'under this the column no longer covers the puddle'),
  morePerHeliumPct: fixed(0.012, 'helium is light: about twice the flow at 75 to 100 %'),
  morePer100A: fixed(
    0.15,
    'the column has to cover a larger, hotter puddle: 13 mm takes 11 L/min at 150 A and 14 at 300',
  ),
  moreFromA: 150,
  moreToA: 350,
  moreInSpray: fixed(0.1, 'the plasma jet of a spray arc draws gas along: 15 to 20 L/min through 16 mm'),
  /** The nozzle that is taken where none is recorded, by wire, mm. Source: what guns for these wires are sold with. */
  usualBore: { upToMm: 1.05, thinMm: 13, thickMm: 16, aluminiumMm: 16 },
  spoilFactor: fixed(1.2, 'aluminium, an outside corner or a breeze want about a fifth more'),
  laminarReynolds: fixed(2300, 'pipe flow stays laminar below this'),
  turbulentReynolds: coefficient(4000, 0.1, 'clearly turbulent: air is drawn in'),
  /** Kinematic viscosity in m^2/s and density in kg/m^3 at 20 C. */
  gases: {
    argon: { viscosity: 1.33e-5, density: 1.661 },
    co2: { viscosity: 0.8e-5, density: 1.842 },
    oxygen: { viscosity: 1.5e-5, density: 1.331 },
    helium: { viscosity: 11.7e-5, density: 0.1664 },
  },
} as const;
