import type { Finding } from '../types';

/** The other side of the plate. */
export const BACK: readonly Finding[] = [
  {
    id: 'back-no-mark',
    name: 'No mark behind',
    plain: 'The back shows no heat line at all.',
    sense: 'behind',
    leak: 0.04,
    words: ['cold', 'no penetration', 'no heat tint'],
    drawing: { view: 'back', bead: { penetrationMm: 0.3 } },
  },
  {
    id: 'back-heavy',
    name: 'Heavy drip behind',
    plain: 'Metal hangs out of the back.',
    sense: 'behind',
    leak: 0.015,
    words: ['excess penetration', 'drop through', 'icicles'],
    drawing: { view: 'section', bead: { penetrationMm: 4.4, backBulge: 1, crownMm: 0.8, widthMm: 9 } },
  },
  {
    id: 'back-burned-through',
    name: 'Burnt through behind',
    plain: 'Open hole or ragged melted edge at the back.',
    sense: 'behind',
    leak: 0.008,
    words: ['burn-through', 'hole'],
    drawing: { view: 'back', bead: { holes: 'through', backBulge: 0.8 } },
  },
  {
    id: 'back-whiskers',
    name: 'Whiskers behind',
    plain: 'Bits of wire stick out of the back.',
    sense: 'behind',
    leak: 0.004,
    words: ['wire ends', 'needles'],
    drawing: { view: 'section', bead: { whiskers: 1, gapMm: 1.5 } },
  },
  {
    id: 'back-even',
    name: 'Even line behind',
    plain: 'A straight, even heat line or bead at the back.',
    sense: 'behind',
    good: true,
    leak: 0.2,
    words: ['good', 'penetration'],
    drawing: { view: 'back', bead: { penetrationMm: 3.6, backBulge: 0.15 } },
  },
];

export const SECTION: readonly Finding[] = [
  {
    id: 'section-no-root',
    name: 'Root not fused',
    plain: 'Cut and etched: the root corner is not melted in.',
    sense: 'cut',
    leak: 0.02,
    words: ['lack of penetration', 'root', 'no fusion'],
    drawing: { view: 'section', bead: { penetrationMm: 0, gapMm: 0.5, crownMm: 2.4 } },
  },
  {
    id: 'section-sidewall',
    name: 'Side not fused',
    plain: 'Cut and etched: a line between bead and side wall.',
    sense: 'cut',
    leak: 0.012,
    words: ['sidewall', 'lack of fusion'],
    drawing: { view: 'section', bead: { penetrationMm: 0.6, coldLap: 0.8, lean: -0.5 } },
  },
  {
    id: 'section-good',
    name: 'Fused into the root',
    plain: 'Cut and etched: root and sides are melted in.',
    sense: 'cut',
    good: true,
    leak: 0.2,
    words: ['good', 'etch', 'macro'],
    drawing: { view: 'section', bead: { penetrationMm: 2.6 } },
  },
];
