import { depositionRate, depositionEfficiency } from '../arc/bead';
import { type Wire } from '../arc/wire';
import { completeMix, type GasMix } from '../case/gas-mix';
import type { Case, Rig } from '../case/schema';
import type { Settings } from '../setting/table';
import { BESIDE_THE_ARC, litresLeft } from './gas-supply';

/** What is still on the spool in kg, and in the cylinder in litres; null where nobody read it. */
export type Stock = { wireKg: number | null; gasL: number | null };

/** What was taken of each since it was read; null where that is not known (the server counts it). */
export type Taken = { spool: number | null; cylinder: number | null };

/** Litres in a cylinder as it was read; null where its reading is not whole. */
function litresRead({ cylinder }: Pick<Rig, 'cylinder'>): number | null {
  if (cylinder === undefined) return null;
  const { kind, volumeL, pressureBar, contentKg } = cylinder;
  if (kind === 'liquid-co2') return contentKg === undefined ? null : litresLeft({ kind, contentKg });
  if (volumeL === undefined || pressureBar === undefined) return null;
  return litresLeft({ kind, pressureBar, waterVolumeL: volumeL });
}

/**
 * Returns what a rig still has: what was read, less what its beads have taken since.
 * @param rig whose spool was weighed or whose cylinder was read at a time
 * @param taken since then
 */
export function stockOf(rig: Pick<Rig, 'spool' | 'cylinder'>, taken: Taken): Stock {
  const left = (read: number | null | undefined, off: number | null): number | null =>
    read === null || read === undefined ? null : Math.max(0, read - (off ?? 0));
  return { wireKg: left(rig.spool?.leftKg, taken.spool), gasL: left(litresRead(rig), taken.cylinder) };
}

/**
 * Wire that runs off the spool in a minute of arc.
 * @param wireSpeedMPerMin above 0
 * @returns kg
 */
export function wireKgPerMinute(wireSpeedMPerMin: number, wire: Wire): number {
  // All that is fed comes off the spool, spatter and all: the rate laid down, without its efficiency.
  const laid: GasMix = completeMix({ argonPct: 100 });
  return depositionRate(wireSpeedMPerMin, wire, laid) / depositionEfficiency(wire, laid) / 60;
}

/** Wire that a job takes besides its weld: ends that are clipped, tacks, a run-in. Judged. */
const BESIDE_THE_WELD = 1.1;

/** What one pass is run with. */
export type PassRun = { settings: Settings; travelMmPerMin: number };

/**
 * Returns what the weld of a job takes.
 * @param lengthMm of the weld
 * @param runs its passes
 */
export function jobTakes(lengthMm: number, wire: Wire, runs: readonly PassRun[]): { wireKg: number; gasL: number } {
  let [wireKg, gasL] = [0, 0];
  for (const { settings, travelMmPerMin } of runs) {
    const minutes = lengthMm / travelMmPerMin;
    wireKg += BESIDE_THE_WELD * minutes * wireKgPerMinute(settings.wireSpeedMPerMin ?? 0, wire);
    gasL += BESIDE_THE_ARC * minutes * (settings.gasFlowLPerMin ?? 0);
  }
  return { wireKg, gasL };
}

const kg = (figure: number): string => `${Number(figure.toFixed(figure < 1 ? 2 : 1))} kg`;

/**
 * Returns what will not last for a job, in plain words; nothing where it will, or where it is not known.
 * @param input whose job has a length and whose rig has a wire
 */
export function stockNotes({ job, rig }: Pick<Case, 'job' | 'rig'>, stock: Stock, runs: readonly PassRun[]): string[] {
  const { class: wireClass, diameterMm } = rig?.wire ?? {};
  const lengthMm = job?.lengthMm;
  if (lengthMm === undefined || wireClass === undefined || diameterMm === undefined || runs.length === 0) return [];
  const needs = jobTakes(lengthMm, { class: wireClass, diameterMm }, runs);
  const notes: string[] = [];
  if (stock.wireKg !== null && stock.wireKg < needs.wireKg)
    notes.push(
      `The spool has about ${kg(stock.wireKg)} left, this weld takes about ${kg(needs.wireKg)}: have the next one ready.`,
    );
  if (stock.gasL !== null && stock.gasL < needs.gasL)
    notes.push(
      `The cylinder has about ${Math.round(stock.gasL)} L left, this weld takes about ${Math.ceil(needs.gasL)} L: have a full one ready.`,
    );
  return notes;
}
