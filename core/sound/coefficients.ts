/**
 * Every coefficient of the simulated arc, each with its source or reason. Inside: mm, ms, A, V, ohm, mH, mm/ms.
 * What the arc model knows already (how wire melts, where it balances) is taken from there.
 */
type Fixed = { value: number; source: string };
/** The values alone, for what is worked out at every step. */
export const valuesOf = <Name extends string>(table: Record<Name, Fixed>): Record<Name, number> =>
  Object.fromEntries(Object.entries<Fixed>(table).map(([name, { value }]) => [name, value])) as Record<Name, number>;

const fixed = (value: number, source: string): Fixed => ({ value, source });

export const SOURCE = {
  slopeVPerA: fixed(0.02, 'sources of constant voltage fall 2 to 3 V per 100 A'),
  leadsOhm: fixed(0.006, 'gun cable, work lead and clamp in good order: 0.5 to 1 V per 100 A'),
  crispMh: fixed(0.15, 'arc control all the way crisp: short-circuit current rises by some 100 A/ms'),
  softMh: fixed(0.6, 'arc control all the way soft: some 30 A/ms'),
} as const;

export const WIRE_END = {
  resistivityOhmMm: {
    steel: fixed(0.85e-3, 'steel between 20 and 1000 degrees: 0.15 to 1.2 micro-ohm m, mean of what stands out'),
    aluminium: fixed(0.06e-3, 'hot aluminium'),
  },
  preheatMs: fixed(
    60,
    'a piece of wire takes 50 to 100 ms from the tip to the arc; its heat is that of the current meanwhile',
  ),
} as const;

export const COLUMN = {
  gradientVPerMm: fixed(1.0, 'column of 0.7 V/mm in argon to 1.4 V/mm in CO2, as in the arc model'),
  riseVPerA: fixed(
    0.022,
    'spots and column grow with the current; set so that the balance of the simulated arc rises by 0.05 V/A',
  ),
  /** What the drops at the spots are less than the voltage of balance: what shorts take from the mean and the column adds. */
  underBalanceV: fixed(0.5, 'set so that shorts come fastest near the balance of the arc model'),
  sprayUnderBalanceV: fixed(5, 'the same in spray, where no short takes anything: a column of 5 mm'),
  shortestMm: fixed(0.05, 'under this the drop touches'),
  leastCurrentA: fixed(8, 'an arc of some 20 V on steel goes out under about 10 A'),
} as const;

export const DROP = {
  fallsAtGlobular: fixed(2.4, 'a drop falls by its weight at two to three wire diameters'),
  fallsAtSpray: fixed(0.95, 'above the transition drops are about as wide as the wire'),
  staysOn: fixed(0.15, 'share of the drop left on the wire when a short or a fall takes it'),
  scatter: fixed(0.18, 'size at which drops part, as a share; high-speed films show a fifth'),
} as const;

export const BRIDGE = {
  contactOhm: fixed(0.01, 'short-circuit voltage of 3 to 6 V at 200 to 300 A, leads and wire taken off'),
  drawMmPerMs: fixed(0.07, 'surface tension draws a neck of half a millimetre in some 6 ms with little current'),
  pinchMmPerMsPerA: fixed(
    7e-4,
    'pinch pressure of mu I^2 / 4 pi^2 r^2 ends a short of half a millimetre in 2 to 3 ms at 250 A',
  ),
  heats: fixed(
    0.2,
    'share of the heat of the arc that the wire end gets in a short, from its overheated drop and the neck; set so that the mean current is that of the arc model',
  ),
  neckOfWire: fixed(0.55, 'the neck begins a little wider than the radius of the wire'),
  scatter: fixed(0.15, 'width of the neck at first contact, as a share'),
  fuseA2Ms: fixed(3e7, 'integral of I^2 at which a square millimetre of steel fuses, some 3e4 A^2 s'),
  blownOffMm: fixed(0.8, 'solid wire that fuses throws about its own diameter away'),
  stubbedAtWire: fixed(
    0.4,
    'less liquid than this share of a diameter under the wire, and the solid stands in the pool',
  ),
} as const;

export const POOL = {
  frequencyHz: fixed(85, 'small pools swing at 60 to 120 times a second'),
  damping: fixed(0.3, 'swings die within two or three'),
  kickMmPerMs: fixed(0.09, 'blast at re-ignition presses the pool down by a few tenths of a millimetre at 300 A'),
  restlessMm: fixed(0.14, 'ripples that nothing regular causes'),
} as const;

/** What the arc sounds like. Loudness is against a full scale of 1; judged by ear against what is said of each state. */
export const VOICE = {
  burnsOverV: fixed(11, 'a short stands under 10 V at the machine, the shortest arc over 14'),
  pressMs: fixed(0.12, 'plasma follows the power within a tenth of a millisecond'),
  clickLoud: fixed(0.85, 'a step of some 5 kW is a click of nearly full scale'),
  arcLoud: fixed(0.0018, 'hiss of a burning arc, well under its clicks'),
  gasLoud: fixed(0.002, 'gas at 10 to 15 L/min is just heard'),
  plopHz: fixed(170, 'wet drops of 2 mm'),
  plopLoud: fixed(0.18, 'heard over the hiss'),
  thudHz: fixed(105, 'gun and arm swing'),
  thudLoud: fixed(0.55, 'the loudest that the process has'),
  singsAfterS: fixed(0.008, 'a short of usual length is over by then'),
  singsHz: fixed(2700, 'high and thin'),
  singsLoud: fixed(0.05, 'under the thuds'),
  nozzleHz: fixed(4300, 'quarter wave of a nozzle of 20 mm'),
  nozzleSharpness: fixed(3, 'open at its end'),
  nozzleLoud: fixed(0.8, 'about as loud as what comes straight'),
} as const;
