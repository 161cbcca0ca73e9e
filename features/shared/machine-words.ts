import type { Machine } from '@/core/arc/machine';

/** Nearer than this a machine is as it shows. */
const AS_SHOWN = { offsetV: 0.25, wirePct: 1.5 };

const givenOrTaken = (spread: number | undefined, unit: string, digits: number): string =>
  spread === undefined ? '' : `, give or take ${spread.toFixed(digits)} ${unit}`;

/** Returns how a machine's volts stand to its arc, in a sentence. */
export function voltsWords({ offsetV, sure }: Machine): string {
  const spread = givenOrTaken(sure?.offsetSdV, 'V', 1);
  if (Math.abs(offsetV) < AS_SHOWN.offsetV) return `Its volts reach the arc as shown${spread}.`;
  return `About ${Math.abs(offsetV).toFixed(1)} V ${offsetV < 0 ? 'less' : 'more'} reaches the arc than it shows${spread}.`;
}

/** Returns how a machine's wire runs against what is set, in a sentence. */
export function wireSpeedWords({ wireScale, sure }: Machine): string {
  const pct = 100 * (wireScale - 1);
  const spread = givenOrTaken(sure === null ? undefined : 100 * sure.wireScaleSd, '%', 0);
  if (Math.abs(pct) < AS_SHOWN.wirePct) return `Its wire runs as set${spread}.`;
  return `Its wire runs about ${Math.abs(pct).toFixed(0)} % ${pct < 0 ? 'slower' : 'faster'} than set${spread}.`;
}

/** Returns what of a machine is worth a word on the bench: figures that stand clear of what is shown; null where none does. */
export function learnedWords(machine: Machine | undefined): string | null {
  if (machine === undefined) return null;
  const words = [
    ...(Math.abs(machine.offsetV) < AS_SHOWN.offsetV ? [] : [voltsWords(machine)]),
    ...(100 * Math.abs(machine.wireScale - 1) < AS_SHOWN.wirePct ? [] : [wireSpeedWords(machine)]),
  ];
  return words.length === 0 ? null : words.join(' ');
}
