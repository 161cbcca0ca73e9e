import type { Proof } from '../../start/proofs';

/** How a bead was judged, and what each way can and cannot show. */
export const PROOF_WORDS: Record<Proof, { label: string; shows: string }> = {
  looked: { label: 'Looked at', shows: 'Face, toes and back. It shows nothing of the root.' },
  bent: { label: 'Bent', shows: 'Bent over the root and over the face: an edge that is not fused opens.' },
  broken: { label: 'Broken', shows: 'Broken along the fillet: fused metal tears, a cold edge peels off clean.' },
  cut: { label: 'Cut and etched', shows: 'Cut across, ground to about 400, etched: penetration and legs by rule.' },
};

/** "looked at and bent". */
export function proofWords(how: readonly Proof[]): string {
  const names = how.map((one) => PROOF_WORDS[one].label.toLowerCase());
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
