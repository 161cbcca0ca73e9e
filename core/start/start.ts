import type { ArcReading } from '../arc/reading';
import { type WireSetup } from '../arc/setup';
import { expectedTravel, heatToFuse } from '../arc/pace';
import type { Case } from '../case/schema';
import type { Correction } from '../correction/correct';
import { nextBeadAt, type NextBead } from '../correction/next-bead';
import { dialFor, type Dials } from '../setting/dials';
import type { SettingName, Settings } from '../setting/table';
import { dialText } from '../setting/words';
import { passPlan, type Pass } from './pass-plan';
import { plateHeat, type PlateHeat } from './plate-heat';
import { plugPlan, type PlugPlan } from './plug';
import { protectionFor, type Protection } from './protection';
import { misfitsOf, type Misfit } from './rig-check';
import { otherSides } from './other-side';
import { stitchPlan, type StitchPlan } from './stitch';
import { techniqueFor, type Technique } from './technique';
import { slopeFor, timesFor, type Times } from './times';
import { wireChoice, type WireChoice } from './wire-choice';

/** Everything to set and to know before the first bead. */
export type Start = {
  /** What of the rig does not fit and only wears or spatters; what makes the figures wrong holds the whole start back. */
  misfits: Misfit[];
  /** Figures in the inside units: the four main ones as in a correction, with arc control, pace and angle; trim in pulse. */
  settings: Settings;
  /** The same on the machine's own dials, as they stand on it: "knob 5.5". */
  marks: { [name in SettingName]?: string };
  /** The other transfer with its figures, where both do on this plate: what it gives and what it costs. */
  otherWay: OtherStart | null;
  /** What another school would do on this sheet, a line each with its figures and its reason. */
  otherSides: string[];
  passes: Pass[];
  technique: Technique;
  times: Times;
  /** Where a tap for the slope of the source stands; null where there is none. */
  slope: 'steep' | 'flat' | null;
  /** How sheet is stitched; null where a bead is drawn in one. */
  stitch: StitchPlan | null;
  /** The hole of a plug weld, and the time to fill it; null for every other joint, or where no thickness is known. */
  plug: PlugPlan | null;
  /** Which sizes of this wire suit the plate; null where its thickness is not known. */
  wire: WireChoice | null;
  /** What the arc should be: amps, transfer, leg of a pass, heat input. */
  expected: Pick<
    ArcReading,
    'currentA' | 'currentWantedA' | 'transfer' | 'legMm' | 'heatInputKJPerMm' | 'depositionKgPerH'
  >;
  /** Light and fume: the filter for this arc, and what is done about the coats. */
  protection: Protection;
  /** How warm the plate has to be, and how hot it may get; null where its thickness is not known. */
  plateHeat: PlateHeat | null;
  /** How the first bead should look and sound; null where nothing steady can be expected. */
  looksAndSounds: NextBead | null;
  /** What does not fit before anything is struck: a wire of the wrong size, a gas that never runs steadily. */
  notes: string[];
  outOfReach: string[];
};

/** Figures for the other transfer, and why it would be chosen. */
export type OtherStart = {
  transfer: 'short-circuit' | 'spray';
  settings: Settings;
  marks: Start['marks'];
  currentA: number;
  because: string;
};

/** Why one transfer is chosen over the other where both do. Source: the trade's own reasons. */
const BECAUSE: Record<OtherStart['transfer'], string> = {
  'short-circuit':
    'Short arc: a small puddle that bridges gaps and stays where it is put, with less heat; on heavy plate it can lie on without fusing.',
  spray: 'Spray: hotter, quicker, deeper, next to no spatter; only flat or level, with a tight joint and clean plate.',
};

/** The school that takes a transfer. */
const SCHOOL_OF = { 'short-circuit': 'short-arc', spray: 'spray' } as const;

/** Returns what the other transfer would be started with; null where only one does on this plate. */
function otherStart(input: Case, { otherWay }: WireSetup, correctOf: (input: Case) => Settings): OtherStart | null {
  if (otherWay === null) return null;
  const { transfer, currentA } = otherWay;
  const { voltageV, wireSpeedMPerMin, stickOutMm } = correctOf({
    ...input,
    preferences: { ...input.preferences, transfer: SCHOOL_OF[transfer] },
  });
  if (voltageV === undefined || wireSpeedMPerMin === undefined || stickOutMm === undefined) return null;
  const settings = { voltageV, wireSpeedMPerMin, stickOutMm };
  return { transfer, settings, marks: marksOf(settings, input.rig?.dials), currentA, because: BECAUSE[transfer] };
}

/** A gap in a plate thicker than that is closed by a root pass of its own, run as on a plate of the land, mm. */
const OPEN_ROOT = { gapMm: 1, overMm: 4, landMm: 3 };

const isOpenRoot = ({ joint, thinnestMm }: WireSetup, gapMm: number): boolean =>
  joint === 'butt' && gapMm >= OPEN_ROOT.gapMm && (thinnestMm ?? 0) > OPEN_ROOT.overMm;

/** Returns what the root of a gap is run with: as an open root in a plate as thick as the land that is left. */
function rootOf(input: Case, correctOf: (input: Case) => Settings): Pass['settings'] {
  const { otherThicknessMm: _, ...job } = input.job ?? {};
  const { voltageV, wireSpeedMPerMin } = correctOf({ ...input, job: { ...job, thicknessMm: OPEN_ROOT.landMm } });
  return voltageV === undefined || wireSpeedMPerMin === undefined ? null : { voltageV, wireSpeedMPerMin };
}

/** A pace in tens, as it is said. */
const roundedPace = (mmPerMin: number): number => Math.round(mmPerMin / 10) * 10;

/** Arc control to begin with, 0 crisp to 100 soft. Source: the trade's "around half", crisper over gaps, softer for stainless. */
const ARC_CONTROL = { usual: 50, overGaps: 35, stainless: 60 };
/** A gap from which the puddle has to freeze fast, mm. */
const GAP_MM = 1;

function arcControlFor({ baseMetal, joint }: WireSetup, gapMm: number): number {
  if (gapMm >= GAP_MM && joint === 'butt') return ARC_CONTROL.overGaps;
  return baseMetal === 'stainless' ? ARC_CONTROL.stainless : ARC_CONTROL.usual;
}

const sizes = (of: readonly number[]): string => of.map((size) => `${size.toFixed(1)} mm`).join(' or ');

function notesOf(setup: WireSetup, choice: WireChoice | null, reading: ArcReading): string[] {
  const notes: string[] = [];
  if (choice !== null && !choice.fitted)
    notes.push(
      `For this plate the wire is usually ${sizes(choice.suits)}; ${setup.wire.diameterMm.toFixed(1)} mm is fitted.`,
    );
  if (reading.transfer === 'unstable')
    notes.push('No stable arc can be had with this gas on this wire: change the gas before the figures.');
  if (reading.transfer === 'globular')
    notes.push('This gas does not spray: at this heat the drops are coarse, and some spatter is to be lived with.');
  return notes;
}

/**
 * Returns what to start with on a job: the figures that a correction proposes where nothing is known yet, and the hand that goes
 * with them.
 * @param input a valid case; its settings are not asked
 * @param correction of that case without settings, on a machine as it has taught
 * @param setup the surroundings of that case
 * @param readAt what the arc model says of settings
 * @param correctOf what is proposed for another case: for the root pass of a gap, which is run as on a plate of its own
 * @returns null where the wire is not known, or a figure of the arc cannot be had
 */
export function startOf(
  input: Case,
  { settings, outOfReach }: Pick<Correction, 'settings' | 'outOfReach'>,
  setup: WireSetup | null,
  readAt: (settings: Settings) => ArcReading,
  correctOf: (input: Case) => Settings,
): Start | null {
  const { wireSpeedMPerMin } = settings;
  if (setup === null || wireSpeedMPerMin === undefined) return null;
  const { thicknessMm, otherThicknessMm, gapMm = 0, lengthMm = null } = input.job ?? {};
  const thinnestMm = setup.thinnestMm;
  const ratio = thinnestMm === null ? 1 : Math.max(thicknessMm ?? 0, otherThicknessMm ?? 0) / thinnestMm;
  const arcControlPct = arcControlFor(setup, gapMm);
  // As it is said and counted at the plate: what it lays and brings is that pace's.
  const travelMmPerMin = roundedPace(expectedTravel(setup, wireSpeedMPerMin, settings.stickOutMm));
  const at = (figures: Settings): ArcReading =>
    readAt({ ...settings, ...figures, travelSpeedMmPerMin: travelMmPerMin, arcControlPct });
  const reading = at({});
  const root = isOpenRoot(setup, gapMm) ? rootOf(input, correctOf) : null;
  const passes = passPlan(setup, {
    gapMm,
    legMm: reading.legMm ?? 0,
    root: root === null ? null : { settings: root, legMm: at(root).legMm ?? 0 },
  });
  const currentA = reading.currentA ?? 0;
  const stitch =
    thinnestMm === null || setup.joint === 'plug'
      ? null
      : stitchPlan(
          { baseMetal: setup.baseMetal, thinnestMm, gapMm, lengthMm, school: input.preferences?.sheet },
          reading.heatInputKJPerMm ?? 0.1,
        );
  const technique = techniqueFor(setup, { ratio, gapMm }, travelMmPerMin, stitch !== null);
  const choice =
    thicknessMm === undefined
      ? null
      : wireChoice(setup.wire, {
          thickMm: Math.max(thicknessMm, otherThicknessMm ?? 0),
          currentA: setup.plateWantsA ?? currentA,
          position: setup.position,
        });
  const { voltageV, ...noVolts } = settings;
  const all: Settings = {
    // A pulsing machine sets its own volts by the trim.
    ...(setup.pulse || voltageV === undefined ? noVolts : settings),
    travelSpeedMmPerMin: technique.travelSpeedMmPerMin,
    travelAngleDeg: technique.travelAngleDeg,
    ...(setup.pulse ? { trimPct: 0 } : { arcControlPct }),
  };
  return {
    settings: all,
    marks: marksOf(all, input.rig?.dials),
    otherWay: otherStart(input, setup, correctOf),
    otherSides: otherSides(input, setup, correctOf),
    passes,
    technique,
    times: timesFor(setup, { currentA, wireSpeedMPerMin, stitched: stitch !== null }, input.rig?.controls),
    slope: setup.pulse ? null : slopeFor(arcControlPct, reading.transfer === 'spray', input.rig?.controls),
    stitch,
    plug: thinnestMm === null || setup.joint !== 'plug' ? null : plugPlan(setup, thinnestMm, wireSpeedMPerMin),
    misfits: misfitsOf(setup, input.rig ?? {}, currentA),
    wire: choice,
    expected: {
      currentA: reading.currentA,
      currentWantedA: reading.currentWantedA,
      transfer: reading.transfer,
      legMm: reading.legMm,
      heatInputKJPerMm: reading.heatInputKJPerMm,
      depositionKgPerH: reading.depositionKgPerH,
    },
    protection: protectionFor(setup, input.job ?? {}, currentA, reading.transfer === 'spray'),
    plateHeat:
      thicknessMm === undefined
        ? null
        : plateHeat(setup.baseMetal, Math.max(thicknessMm, otherThicknessMm ?? 0), input.job?.carbonEquivalent),
    looksAndSounds: nextBeadAt(reading.transfer, setup.wire.class),
    notes: notesOf(setup, choice, reading),
    outOfReach: [...outOfReach, ...(outOfReach.length === 0 ? shortOfHeat(setup, reading) : [])],
  };
}

/** A pass with less heat than this share of what the plate needs is said to be cold. */
const ENOUGH_HEAT = 0.85;

/** Heat that a pass brings at the slowest pace the position holds, against what the plate needs to fuse. */
function shortOfHeat(setup: WireSetup, { heatInputKJPerMm: brings }: ArcReading): string[] {
  const needs = heatToFuse(setup);
  if (brings === null || brings >= ENOUGH_HEAT * needs) return [];
  return [
    `A pass of the size that this position holds brings about ${brings.toFixed(2)} kJ/mm; the plate wants about ${needs.toFixed(2)} to fuse. Turn the part and weld it flat, or run it with a tubular wire; cut and etch a trial before it counts.`,
  ];
}

/** Settings as they stand on a machine's own dials. */
export function marksOf(settings: Settings, dials: Dials | undefined): Start['marks'] {
  return Object.fromEntries(
    (Object.entries(settings) as [SettingName, number][]).flatMap(([name, value]) => {
      const mark = dialText(dialFor(dials, name), value);
      return mark === null ? [] : [[name, mark]];
    }),
  );
}

/** Returns what of a case a start is worked out from: everything but figures and what a bead showed. */
export function withoutBead({ settings: _, readings: __, findings: ___, heard: ____, ...rest }: Case): Case {
  return rest;
}
