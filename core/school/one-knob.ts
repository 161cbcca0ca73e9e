import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import type { BeadAppearance } from '../bead/appearance';
import { beadAppearance } from '../bead/appearance-of';
import { CASE_FORMAT, type Case, type Settings } from '../case/schema';
import { marksOf } from '../knowledge/marks';
import type { ArcRun } from '../sound/arc-run';
import { arcRunOf } from '../sound/run-of';
import { byLevel } from './level';

/** Knobs that are turned alone. */
export const KNOBS = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm'] as const;
export type Knob = (typeof KNOBS)[number];

type KnobBead = { settings: Settings; bead: BeadAppearance; run: ArcRun | null };
/** Five beads of one job, one figure turned from low to high; the right one is somewhere among them. */
export type KnobQuestion = { knob: Knob; input: Case; beads: KnobBead[]; right: number };

const JOB: Case['job'] = {
  baseMetal: 'mild-steel',
  thicknessMm: 4,
  otherThicknessMm: 4,
  joint: 'fillet',
  position: 'flat',
};
const BEADS = 5;

/** Returns what a bead shows whose volts are so far from balance, or whose tip stands so far off. */
function shownBy(offV: number, stickOffMm: number): string[] {
  return [
    ...(offV < -1.3 ? ['bead-ropey'] : []),
    ...(offV < -2.4 ? ['toe-cold-lap', 'spatter-heavy'] : []),
    ...(offV > 1.6 ? ['bead-flat'] : []),
    ...(offV > 2.6 ? ['toe-undercut', 'spatter-big-drops'] : []),
    ...(stickOffMm > 6 ? ['bead-ropey', 'holes-scattered'] : []),
    ...(stickOffMm < -4 ? ['spatter-fine'] : []),
  ];
}

/**
 * Five beads with one knob turned from low to high.
 * @param level 1 to 8: the steps get smaller
 * @param random even numbers from 0 to 1
 */
export function knobQuestion(knob: Knob, level: number, random: () => number): KnobQuestion {
  const diameterMm = [0.8, 0.9, 1.0][Math.floor(random() * 3)];
  const input: Case = {
    ...{ format: CASE_FORMAT, job: JOB },
    rig: { process: 'gmaw', wire: { class: 'solid-steel', diameterMm }, gas: { argonPct: 82, co2Pct: 18 } },
  };
  const setup = arcSetup(input);
  const wire = { 0.8: 7.5, 0.9: 7, 1: 5.5 }[diameterMm] ?? 7;
  const stickOut = usualStickOut(setup, null).wanted;
  const volts = readArc(setup, { wireSpeedMPerMin: wire, stickOutMm: stickOut }).balancedVoltageV ?? 18;
  // The right one is never at an end: there is something on either side to tell it by. A tip cannot come much nearer than half.
  const right = 1 + Math.floor(random() * (knob === 'stickOutMm' ? 2 : BEADS - 2));
  const step = {
    voltageV: byLevel(level, 2, 1.1),
    wireSpeedMPerMin: byLevel(level, 0.24, 0.14),
    stickOutMm: byLevel(level, 0.4, 0.25),
  }[knob];
  const seed = Math.floor(random() * 1e6);
  const beads = Array.from({ length: BEADS }, (_, i): KnobBead => {
    const off = i - right;
    const settings: Settings = {
      voltageV: round(volts + (knob === 'voltageV' ? off * step : 0), 10),
      wireSpeedMPerMin: round(wire * (knob === 'wireSpeedMPerMin' ? (1 + step) ** off : 1), 10),
      stickOutMm: round(stickOut * (knob === 'stickOutMm' ? (1 + step) ** off : 1), 2),
      travelSpeedMmPerMin: 350,
    };
    const arc = readArc(setup, settings);
    const shown = shownBy(arc.voltageErrorV ?? 0, settings.stickOutMm! - stickOut);
    const marks = marksOf(Object.fromEntries(shown.map((id) => [id, 'present'])));
    return { settings, bead: beadAppearance(setup, arc, settings, marks), run: arcRunOf(input, settings, seed) };
  });
  return { knob, input, beads, right };
}

const round = (value: number, per: number): number => Math.round(per * value) / per;
