import { hasFigures, startAnswer, type StartAnswer } from '../../answer';
import fc from 'fast-check';
import { CASE_FORMAT, DRAUGHTS, JOINTS, POSITIONS, type BaseMetal, type Case, type Rig } from '../../case/schema';

/** A rig as it would be fitted for each metal. */
export const DEFAULT_RIG: Record<BaseMetal, Rig> = {
  'mild-steel': {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 82, co2Pct: 18 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
  stainless: {
    process: 'gmaw',
    wire: { class: 'solid-stainless', diameterMm: 0.9 },
    gas: { argonPct: 98, co2Pct: 2 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
  aluminium: {
    process: 'gmaw',
    wire: { class: 'solid-aluminium', diameterMm: 1.2 },
    gas: { argonPct: 100 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
};

/** A case of a job on a rig, mild steel laid flat where nothing else is said. */
export function onJob(job: object, rig: object = {}): Case {
  return {
    format: CASE_FORMAT,
    job: { baseMetal: 'mild-steel', joint: 'bead-on-plate', position: 'flat', draught: 'still', ...job },
    rig: { ...DEFAULT_RIG['mild-steel'], ...rig },
  } as Case;
}

/** What a sound first bead shows. */
export const GOOD_SIGNS = {
  'bead-even': 'present',
  'toe-wetted': 'present',
  'sound-crisp': 'present',
  'spatter-little': 'present',
} as const;

const SCHOOLS = {
  gasFlow: fc.constantFrom('ample' as const, 'lean' as const),
  stickOut: fc.constantFrom('standard' as const, 'tight' as const),
  heat: fc.constantFrom('as-wanted' as const, 'a-bit-hot' as const),
};

/** The wire that is usually run on mild steel of a thickness. */
const steelWire = (thicknessMm: number): number =>
  thicknessMm < 1.2 ? 0.6 : thicknessMm < 2.5 ? 0.8 : thicknessMm < 6 ? 0.9 : 1.2;

/** A machine that is set by marks from 1 to 10, some of them stiff in their steps. */
const knob = (low: number, high: number, step: number) => ({
  ...{ step, low: 1, high: 10 },
  points: [
    { mark: 1, value: low, by: 'meter' as const },
    { mark: 10, value: high, by: 'meter' as const },
  ],
});
const DIALS = { voltageV: knob(13, 31, 0.25), wireSpeedMPerMin: knob(1.5, 18, 0.25) };

/** Jobs in other metals and with tubular wire, on the rigs that do them. */
const otherRigs = fc.constantFrom<{ baseMetal: BaseMetal; leastMm: number; rig: Rig }>(
  { baseMetal: 'stainless', leastMm: 1, rig: DEFAULT_RIG.stainless },
  { baseMetal: 'aluminium', leastMm: 2.5, rig: DEFAULT_RIG.aluminium },
  {
    ...{ baseMetal: 'mild-steel', leastMm: 2 },
    rig: {
      ...{ process: 'fcaw-self-shielded', gas: null, polarity: 'electrode-negative' },
      wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
    },
  },
  {
    ...{ baseMetal: 'mild-steel', leastMm: 5 },
    rig: {
      ...DEFAULT_RIG['mild-steel'],
      process: 'fcaw-gas-shielded',
      wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 },
    },
  },
);

const PLATE = {
  joint: fc.constantFrom(...JOINTS),
  position: fc.constantFrom(...POSITIONS),
  draught: fc.constantFrom(...DRAUGHTS),
};

/** Jobs in other metals than plain steel on solid wire. */
export const otherJobs = fc
  .record({ ...PLATE, other: otherRigs, more: fc.double({ min: 0, max: 8, noNaN: true }) })
  .map(({ other: { baseMetal, leastMm, rig }, more, ...job }): Case => {
    const { gas, ...rest } = rig;
    const thicknessMm = Number((leastMm + more).toFixed(1));
    return onJob({ ...job, baseMetal, thicknessMm }, { ...rest, gas });
  });

/** Jobs in mild steel on solid wire that can be welded, with a wire that does them. */
export const startJobs = fc
  .record({
    thicknessMm: fc.double({ min: 0.8, max: 12, noNaN: true }).map((mm) => Number(mm.toFixed(1))),
    ...PLATE,
    marked: fc.boolean(),
    mode: fc.constantFrom('conventional' as const, 'conventional' as const, 'pulse' as const),
    co2: fc.constantFrom(8, 18, 25, 100),
    preferences: fc.record(SCHOOLS),
  })
  .map(({ mode, co2, preferences, marked, ...job }): Case => {
    const wire = { class: 'solid-steel', diameterMm: steelWire(job.thicknessMm) };
    const gas = { argonPct: 100 - co2, co2Pct: co2 };
    return { ...onJob(job, { mode, wire, gas, ...(marked ? { dials: DIALS } : {}) }), preferences };
  });

/** A start with its figures. @throws Error where they are held back */
export function startOn(input: Case): StartAnswer {
  const start = startAnswer(input);
  if (!hasFigures(start)) throw new Error(`held back: ${start.held.map(({ text }) => text).join(' ')}`);
  return start;
}
