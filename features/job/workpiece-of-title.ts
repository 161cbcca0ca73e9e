import type { Workpiece } from '@/core/case/schema';

/** Words that say what a weld is part of; the first list that has one of them counts, the most dangerous first. */
const WORDS: readonly (readonly [Workpiece, readonly string[]])[] = [
  ['tank', ['tank', 'drum', 'barrel', 'silo', 'bowser', 'boiler', 'vessel', 'cistern', 'canister', 'container']],
  ['vehicle', ['van', 'car', 'lorry', 'truck', 'tractor', 'trailer', 'chassis', 'sill', 'exhaust', 'towbar', 'cab']],
  [
    'machinery',
    ['digger', 'excavator', 'loader', 'press', 'ram', 'bucket', 'boom', 'jack', 'crane', 'hoist', 'pump', 'winch'],
  ],
  ['structure', ['beam', 'girder', 'column', 'bridge', 'stair', 'stairs', 'railing', 'balcony', 'lintel', 'platform']],
  ['tube', ['tube', 'pipe', 'frame', 'gate', 'handrail', 'box', 'section']],
];

/** Returns what the title of a job says it is part of, or null where it names nothing known. */
export function workpieceOfTitle(title: string): Workpiece | null {
  const said = new Set(title.toLowerCase().match(/\p{L}+/gu) ?? []);
  const isSaid = (word: string): boolean => said.has(word) || said.has(`${word}s`);
  return WORDS.find(([, words]) => words.some(isSaid))?.[0] ?? null;
}
