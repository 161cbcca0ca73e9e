import type { Diagnosis } from '../../core/diagnosis/diagnose';
import { CAUSES } from '../../core/knowledge';

/** One judged diagnosis: where the true cause came, and the probability it got. */
export type Judged = { cause: string; rank: number; probability: number; said: string };

/** Where the true cause stands in a diagnosis. @param cause the true cause */
export function judge(cause: string, diagnosis: Diagnosis): Judged {
  const order = CAUSES.map(({ id }, column) => ({ id, probability: diagnosis.marginals[column] })).sort(
    (a, b) => b.probability - a.probability,
  );
  const rank = order.findIndex(({ id }) => id === cause) + 1;
  return { cause, rank, probability: order[rank - 1].probability, said: order[0].id };
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/** Top-1, top-3 and log loss of a list of judged cases, in a line. */
export function summary(judged: readonly Judged[]): string {
  const share = (test: (one: Judged) => boolean): number => judged.filter(test).length / judged.length;
  const loss = judged.reduce((sum, { probability }) => sum - Math.log(Math.max(1e-6, probability)), 0) / judged.length;
  return `${judged.length} cases: top-1 ${percent(share(({ rank }) => rank === 1))}, top-3 ${percent(share(({ rank }) => rank <= 3))}, log loss ${loss.toFixed(2)}`;
}

/** The pairs most often taken for one another. */
export function confusions(judged: readonly Judged[], most: number): string[] {
  const counts = new Map<string, number>();
  for (const { cause, said, rank } of judged)
    if (rank > 1) counts.set(`${cause} taken for ${said}`, (counts.get(`${cause} taken for ${said}`) ?? 0) + 1);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, most)
    .map(([pair, count]) => `${pair}: ${count}`);
}

/** Stated probability against how often it was true, in ten bins. */
export type Calibration = { rows: { said: number; was: number; count: number }[]; error: number };

/**
 * Calibration over all causes of all cases.
 * @param stated pairs of a stated probability and whether the cause held
 * @returns the bins that hold anything, and the mean gap weighted by count
 */
export function calibration(stated: readonly { probability: number; held: boolean }[]): Calibration {
  const bins = Array.from({ length: 10 }, () => ({ sum: 0, held: 0, count: 0 }));
  for (const { probability, held } of stated) {
    const bin = bins[Math.min(9, Math.floor(probability * 10))];
    bin.sum += probability;
    bin.count += 1;
    if (held) bin.held += 1;
  }
  const rows = bins
    .filter(({ count }) => count > 0)
    .map(({ sum, held, count }) => ({ said: sum / count, was: held / count, count }));
  const total = rows.reduce((sum, { count }) => sum + count, 0);
  return { rows, error: rows.reduce((sum, { said, was, count }) => sum + (count / total) * Math.abs(said - was), 0) };
}

export { percent };
