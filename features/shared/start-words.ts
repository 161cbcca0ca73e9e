import type { Dials } from '@/core/setting/dials';
import { dialFor } from '@/core/setting/dials';
import { dialText } from '@/core/setting/words';
import type { Pass } from '@/core/start/pass-plan';
import type { PlugPlan } from '@/core/start/plug';
import type { Start } from '@/core/start/start';
import type { StitchPlan } from '@/core/start/stitch';
import type { PassRun } from '@/core/start/stock';
import type { Times } from '@/core/start/times';
import { TRANSFER_WORDS } from './transfer-words';

/** Texts are metric, as all of the product's; the screen puts them into the reader's units. */
const half = (mm: number): string => String(Math.round(mm * 2) / 2);

/** Returns what the arc should be, in a line: "About 167 A in short circuit; a leg of about 4.5 mm." */
export function expectedWords({ expected, passes, plug }: Pick<Start, 'expected' | 'passes' | 'plug'>): string {
  const { currentA, transfer } = expected;
  if (currentA === null) return '';
  const arc = `About ${Math.round(currentA)} A${transfer === null ? '' : ` in ${TRANSFER_WORDS[transfer]}`}`;
  if (plug !== null) return `${arc}.`;
  const [only] = passes;
  return passes.length === 1 ? `${arc}; a leg of about ${half(only.legMm)} mm.` : `${arc}; ${passes.length} passes.`;
}

/** The passes of a start, each with what it is run with. */
export const runsOf = ({ passes, settings, technique }: Pick<Start, 'passes' | 'settings' | 'technique'>): PassRun[] =>
  passes.map((pass) => ({
    settings: { ...settings, ...pass.settings },
    travelMmPerMin: technique.travelSpeedMmPerMin,
  }));

/** A plug as it is drilled and filled: "A hole of 11 mm, filled in about 8 s." */
export const plugWords = ({ holeMm, fillS }: PlugPlan): string =>
  `A hole of ${holeMm} mm in the upper sheet, filled in about ${fillS} s.`;

/** The pace as it is counted at the plate: "100 mm in 16 s (380 mm/min)." */
export const paceWords = ({ secondsPer100Mm, travelSpeedMmPerMin }: Start['technique']): string =>
  `100 mm in ${secondsPer100Mm} s (${travelSpeedMmPerMin} mm/min).`;

/** Returns how the gun is held: "Push, about 10°: flatter …" */
export function gunWords({ gun, travelAngleDeg, workAngleDeg, because }: Start['technique']): string {
  const lean = gun === 'square' ? 'Square' : `${gun === 'push' ? 'Push' : 'Drag'} about ${Math.abs(travelAngleDeg)}°`;
  return `${lean}, ${workAngleDeg}° to the lower part (${because}).`;
}

const KIND_WORDS: Record<Pass['kind'], string> = { only: 'One pass', root: 'Root', fill: 'Fill', cap: 'Cap' };

/** One pass in a line, with its own figures where it has some. */
export function passWords({ number, kind, legMm, settings, note }: Pass, dials: Dials): string {
  const figures = [
    [settings?.voltageV, 'V', 'voltageV'],
    [settings?.wireSpeedMPerMin, 'm/min', 'wireSpeedMPerMin'],
  ] as const;
  const own = figures.flatMap(([value, unit, name]) => {
    if (value === undefined) return [];
    const mark = dialText(dialFor(dials, name), value);
    return [`${value.toFixed(1)} ${unit}${mark === null ? '' : ` (${mark})`}`];
  });
  return `${number}. ${KIND_WORDS[kind]}, as a leg of ${half(legMm)} mm${own.length === 0 ? '' : `, at ${own.join(' and ')}`}. ${note}`.trim();
}

/** Returns how a sheet is sewn, line by line. */
export function stitchWords({ tackEveryMm, stitchMm, pitchMm, pauseS, order, backing }: StitchPlan): string[] {
  return [
    `Tack every ${tackEveryMm} mm, so that no gap opens.`,
    `Stitches of ${stitchMm} mm, each ${pitchMm} mm on from the one before: half over it. Wait about ${pauseS} s, until the glow is gone.`,
    ...(order.length > 2 ? [`From tack to tack in this order: ${order.join(', ')}.`] : []),
    ...(backing ? ['A copper or aluminium bar tight behind it takes the heat.'] : []),
    'Let it cool by itself; never water on anything that carries load.',
  ];
}

/** The filter for this arc: "Shade 11, or 12 where the pool is still seen (about 180 A)." */
export const shadeWords = ({ shade: { least, comfortable } }: Start['protection']): string =>
  comfortable === least
    ? `Shade ${least}.`
    : `Shade ${least} at least; begin with ${comfortable}, and go lighter only if the pool is not seen.`;

/** Returns what is asked of the warmth of the plate, line by line; nothing where a dry plate will do for its one pass. */
export function plateHeatWords({ plateHeat, passes }: Pick<Start, 'plateHeat' | 'passes'>): string[] {
  if (plateHeat === null) return [];
  const { preheatC, interpassC, onlyByProcedure, because } = plateHeat;
  const isPlain = preheatC === null && passes.length < 2 && interpassC >= 200;
  if (isPlain) return [];
  return [
    ...(preheatC === null ? [] : [`At least ${preheatC} °C before the arc, by crayon or gauge.`]),
    ...(passes.length < 2 && interpassC >= 200 ? [] : [`No hotter than ${interpassC} °C when the next pass is begun.`]),
    because,
    ...(preheatC === null && !onlyByProcedure ? [] : ['A procedure for this steel comes before these figures.']),
  ];
}

/** Start and end of the arc, line by line. */
export function timesWords({ preFlowS, postFlowS, burnBackS, runInMPerMin, crater, trigger, byHand }: Times): string[] {
  const gas = [preFlowS === null ? [] : [`${preFlowS} s before`], postFlowS === null ? [] : [`${postFlowS} s after`]];
  const set = [
    runInMPerMin === null ? [] : [`run-in ${runInMPerMin.toFixed(1)} m/min`],
    burnBackS === null ? [] : [`burn-back ${burnBackS} s`],
    [trigger],
  ].flat();
  return [
    ...(gas.flat().length === 0 ? [] : [`Gas ${gas.flat().join(' and ')}.`]),
    `${set[0][0].toUpperCase()}${set.join(', ').slice(1)}.`,
    'Wire clipped to a point before each start.',
    crater,
    ...byHand,
  ];
}

/** Where the tap for the slope of the source stands, and why. */
export const SLOPE_WORDS: Record<NonNullable<Start['slope']>, string> = {
  steep: 'Steep tap: a softer short arc with less spatter.',
  flat: 'Flat tap: a stiffer short arc over gaps, a steady length in spray.',
};
