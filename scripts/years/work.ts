import type { Job } from '../../core/case/schema';
import type { Random } from '../../core/shop/world';

/** Returns what there is to weld at the canal trust: invented, like all of the demo. */

export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];

const PLACES = [
  'Lock gate 2',
  'Lock gate 4',
  'Lock gate 7',
  'Sluice rack 1',
  'Sluice rack 3',
  'Weir bridge',
  'Swing bridge',
  'Towpath, mile 6',
  'Towpath, mile 11',
  'Dry dock',
  'North quay',
  'South quay',
  'Workshop',
  'Dredger Marten',
  'Work boat Teal',
  'Pump house',
] as const;

type Part = { name: string; plates: [thinMm: number, thickMm: number]; joints: Job['joint'][] };
const PARTS: readonly Part[] = [
  { name: 'ladder rung', plates: [3, 5], joints: ['fillet'] },
  { name: 'handrail post', plates: [2.5, 4], joints: ['fillet', 'butt'] },
  { name: 'mooring ring plate', plates: [6, 10], joints: ['fillet'] },
  { name: 'walkway grating bar', plates: [4, 6], joints: ['fillet'] },
  { name: 'paddle gear bracket', plates: [4, 8], joints: ['fillet'] },
  { name: 'gear cover', plates: [1, 1.5], joints: ['lap', 'corner'] },
  { name: 'tool chest lid', plates: [0.8, 1.2], joints: ['corner', 'lap'] },
  { name: 'gate strap', plates: [6, 10], joints: ['butt', 'fillet'] },
  { name: 'fender bracket', plates: [5, 8], joints: ['fillet'] },
  { name: 'hatch frame', plates: [2, 4], joints: ['butt', 'corner'] },
  { name: 'rack tooth', plates: [5, 8], joints: ['fillet'] },
  { name: 'bollard cap', plates: [3, 5], joints: ['lap', 'butt'] },
  { name: 'sign post foot', plates: [4, 6], joints: ['fillet'] },
  { name: 'exhaust shield', plates: [1, 2], joints: ['lap'] },
];

/** Plates that each machine is taken to, mm. */
const SUITS: Record<string, [number, number]> = { dock: [1.5, 10], cart: [0.8, 4], boat: [2.5, 8] };

export type Work = { title: string; job: Job & { thicknessMm: number } };

/** A piece of work for a machine. */
export function drawWork(random: Random, rig: string): Work {
  const [thin, thick] = SUITS[rig];
  const parts = PARTS.filter(({ plates }) => plates[1] >= thin && plates[0] <= thick);
  const part = pick(random, parts);
  const low = Math.max(thin, part.plates[0]);
  const high = Math.min(thick, part.plates[1]);
  const thicknessMm = Number((low + random() * (high - low)).toFixed(1));
  const outside = rig === 'boat' || (rig === 'cart' && random() < 0.4);
  const surface = pick(random, [['clean'], ['mill-scale'], ['clean'], ['rust'], ['paint']] as const);
  return {
    title: `${pick(random, PLACES)}, ${part.name}`,
    job: {
      baseMetal: 'mild-steel',
      surface: [...surface],
      thicknessMm,
      joint: pick(random, part.joints),
      position: pick(random, ['flat', 'flat', 'horizontal', 'horizontal', 'vertical-up', 'vertical-down', 'overhead']),
      draught: outside && random() < 0.5 ? 'breeze' : 'still',
    },
  };
}
