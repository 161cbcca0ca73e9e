import { completeMix } from '../case/gas-mix';
import type { Case, Job, Joint, Rig } from '../case/schema';
import { PROOFS } from './proofs';
import type { SoundBead } from './sound-bead-schema';

/** Joints that are welded alike. */
const ALIKE: Record<Joint, 'corner' | 'flat' | 'edge' | 'plug'> = {
  fillet: 'corner',
  lap: 'corner',
  butt: 'flat',
  'bead-on-plate': 'flat',
  corner: 'edge',
  plug: 'plug',
};
/** Thickness may differ by so much, as a ratio; a share of a gas by so many points, a wire by so many mm. */
const NEAR = { thickness: 1.2, gasPct: 5, wireMm: 0.06 };

const thick = ({ thicknessMm, otherThicknessMm }: Job): [thin: number, thick: number] | null =>
  thicknessMm === undefined
    ? null
    : [Math.min(thicknessMm, otherThicknessMm ?? thicknessMm), Math.max(thicknessMm, otherThicknessMm ?? thicknessMm)];

/** Same wire, mode and, within a few points, gas. */
function sameRig(a: Rig, b: Rig): boolean {
  if (a.wire?.class !== b.wire?.class || (a.mode ?? 'conventional') !== (b.mode ?? 'conventional')) return false;
  if (Math.abs((a.wire?.diameterMm ?? 0) - (b.wire?.diameterMm ?? 0)) > NEAR.wireMm) return false;
  if (!a.gas || !b.gas) return (a.gas ?? null) === (b.gas ?? null);
  const [x, y] = [completeMix(a.gas), completeMix(b.gas)];
  return (['argonPct', 'co2Pct', 'oxygenPct', 'heliumPct'] as const).every(
    (share) => Math.abs(x[share] - y[share]) <= NEAR.gasPct,
  );
}

/** Returns how far two plates are apart, as a ratio of thickness; null where they are not alike at all. */
function apart(a: Job, b: Job): number | null {
  const [own, other] = [thick(a), thick(b)];
  if (own === null || other === null || a.baseMetal !== b.baseMetal || a.position !== b.position) return null;
  if (a.joint === undefined || b.joint === undefined || ALIKE[a.joint] !== ALIKE[b.joint]) return null;
  const ratios = own.map((mm, i) => Math.max(mm / other[i], other[i] / mm));
  const most = Math.max(...ratios);
  return most > NEAR.thickness ? null : most * (a.joint === b.joint ? 1 : 1.1);
}

/** Returns how strongly one was proved: a kept one over one that was only judged sound, a cut over a bent one. */
const proofOf = ({ kept }: SoundBead): number =>
  kept === undefined ? -1 : Math.max(...kept.how.map((one) => PROOFS.indexOf(one)));

/**
 * The proven setting of a rig that a job is most like: the same metal, position and kind of joint, thickness within a fifth,
 * on the same wire and gas. Of those that are as near, the better proved, then the newest.
 * @param proven sound beads of the rig
 * @param input the job and what is fitted now
 * @returns null where nothing is alike, or its volts or wire were not known
 */
export function soundBeadFor(proven: readonly SoundBead[], { job = {}, rig = {} }: Case): SoundBead | null {
  const alike = proven.flatMap((one) => {
    const { voltageV, wireSpeedMPerMin, trimPct } = one.settings;
    const far = sameRig(one.rig, rig) ? apart(one.job, job) : null;
    const isKnown = wireSpeedMPerMin !== undefined && (voltageV ?? trimPct) !== undefined;
    return far === null || !isKnown ? [] : [{ one, far }];
  });
  const best = alike.sort(
    (a, b) => a.far - b.far || proofOf(b.one) - proofOf(a.one) || (a.one.ranAt < b.one.ranAt ? 1 : -1),
  )[0];
  return best?.one ?? null;
}
