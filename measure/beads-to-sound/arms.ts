import type { CauseId } from '../../core/evidence/ids';
import type { Arm, Step } from '../../core/shop/arm';
import { lookedOver, volunteered, type Knobs } from '../../core/shop/bead';
import {
  balanceOf,
  usualStickOut,
  wantedCurrent,
  wantedFlow,
  wireFor,
  type Job,
  type Machine,
} from '../../core/shop/world';

/** The chart's figures: the laws as everybody has them, the machine taken by its word. */
function chartKnobs(machine: Machine, job: Job): Knobs {
  const usual: Machine = {
    ...machine,
    burn: 1,
    resistance: 1,
    balanceV: 0,
    transition: 1,
    plate: 1,
    offsetV: 0,
    scale: 1,
  };
  const current = wantedCurrent(usual, job).chart;
  const stickOutMm = Math.round(usualStickOut(usual, current));
  return {
    voltageV: Number(balanceOf(usual, current).volts.toFixed(1)),
    wireSpeedMPerMin: Number(wireFor(usual, current, stickOutMm).toFixed(1)),
    stickOutMm,
    gasFlowLPerMin: Math.round(wantedFlow(usual)),
  };
}

/** What each symptom makes a welder do who goes by it alone, the loudest first. */
type Symptom = { shows: string[]; act: (knobs: Knobs, times: number) => Step };
const turn = (knobs: Knobs, change: Partial<Knobs>): Step => ({ knobs: { ...knobs, ...change }, cures: [] });
const cure =
  (...causes: CauseId[]) =>
  (knobs: Knobs, times: number): Step => ({ knobs, cures: [causes[times % causes.length]] });
const SYMPTOMS: Symptom[] = [
  {
    shows: ['wire-stubs', 'sound-popping', 'bead-ropey'],
    act: (knobs, times) =>
      times % 3 === 2
        ? turn(knobs, { wireSpeedMPerMin: 0.9 * knobs.wireSpeedMPerMin })
        : turn(knobs, { voltageV: knobs.voltageV + 1 }),
  },
  {
    shows: ['bead-flat', 'sound-hiss', 'arc-long', 'wire-burns-back', 'spatter-big-drops'],
    act: (knobs, times) =>
      times % 3 === 2
        ? turn(knobs, { wireSpeedMPerMin: 1.1 * knobs.wireSpeedMPerMin })
        : turn(knobs, { voltageV: knobs.voltageV - 1 }),
  },
  {
    shows: ['back-no-mark', 'toe-cold-lap'],
    act: (knobs) => turn(knobs, { wireSpeedMPerMin: 1.1 * knobs.wireSpeedMPerMin }),
  },
  {
    shows: ['holes-through', 'back-burned-through', 'back-heavy', 'bead-sunken'],
    act: (knobs) => turn(knobs, { wireSpeedMPerMin: 0.9 * knobs.wireSpeedMPerMin }),
  },
  {
    shows: [
      'holes-scattered',
      'holes-one-spot',
      'residue-oxide',
      'residue-black-soot',
      'no-gas-heard',
      'nozzle-clogged',
    ],
    act: cure('nozzle-blocked', 'plate-dirty', 'gas-empty', 'gas-leak', 'draught', 'wire-damp'),
  },
  {
    shows: ['sound-sputter', 'arc-wanders', 'wire-surges'],
    act: cure('tip-worn', 'liner-dirty', 'clamp-poor', 'roll-loose'),
  },
  { shows: ['holes-crater', 'crack-crater'], act: cure('crater-unfilled') },
  { shows: ['start-poor'], act: cure('wire-untrimmed', 'clamp-poor') },
  { shows: ['bead-narrow', 'ripples-pointed'], act: cure('travel-fast') },
  { shows: ['bead-piled'], act: cure('travel-slow', 'behind-puddle') },
  { shows: ['legs-unequal'], act: cure('angle-work') },
];

/** Trial and error: the loudest symptom, one volt or ten per cent of wire at a time. */
export function trialAndError(): Arm {
  let machine: Machine;
  const times = new Map<Symptom, number>();
  return {
    name: '(c) trial and error',
    begin: (one) => void (machine = one),
    start: (job) => {
      times.clear();
      return { knobs: chartKnobs(machine, job), cures: [] };
    },
    next: (_, knobs, bead, __, random) => {
      const said = volunteered(lookedOver(bead, random), random);
      const loud = SYMPTOMS.map((symptom) => ({
        symptom,
        count: symptom.shows.filter((id) => said[id] === 'present').length,
      }));
      const loudest = loud.reduce((most, one) => (one.count > most.count ? one : most));
      if (loudest.count === 0) return { knobs, cures: [] };
      const before = times.get(loudest.symptom) ?? 0;
      times.set(loudest.symptom, before + 1);
      return loudest.symptom.act(knobs, before);
    },
    done: () => undefined,
  };
}

/** The chart value left alone: run again until it happens to be sound. */
export function chart(): Arm {
  let machine: Machine;
  return {
    name: '(d) chart left alone',
    begin: (one) => void (machine = one),
    start: (job) => ({ knobs: chartKnobs(machine, job), cures: [] }),
    next: (_, knobs) => ({ knobs, cures: [] }),
    done: () => undefined,
  };
}
