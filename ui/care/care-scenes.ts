import type { CareTask } from '@/core/care/tasks';

/** The frame that each step is drawn in. */
export const SCENE = { width: 60, height: 36 };

/** One line or shape of a drawing. `act` is what is done: the arrow, the tool, what to look at. */
export type Stroke = { d: string; as: 'metal' | 'copper' | 'dark' | 'line' | 'air' | 'act' | 'act-fill' };

const r = (value: number): string => String(Math.round(value * 100) / 100);
const box = (x: number, y: number, w: number, h: number): string => `M${x} ${y}h${w}v${h}h${-w}Z`;
const ring = (x: number, y: number, radius: number): string =>
  `M${r(x - radius)} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0`;

/** An arrow from one place to another. */
function arrow(x1: number, y1: number, x2: number, y2: number): Stroke {
  const a = Math.atan2(y2 - y1, x2 - x1);
  const barb = (turn: number): string =>
    `M${x2} ${y2}L${r(x2 - 3 * Math.cos(a + turn))} ${r(y2 - 3 * Math.sin(a + turn))}`;
  return { d: `M${x1} ${y1}L${x2} ${y2}${barb(0.5)}${barb(-0.5)}`, as: 'act' };
}

/** An eye that looks at a place from one side. */
const eye = (x: number, y: number): Stroke[] => [
  { d: `M${x - 4} ${y}q4 -4 8 0q-4 4 -8 0Z`, as: 'act' },
  { d: ring(x, y, 1.2), as: 'act-fill' },
];
const cross = (x: number, y: number, s = 3): Stroke => ({
  d: `M${x - s} ${y - s}l${2 * s} ${2 * s}M${x + s} ${y - s}l${-2 * s} ${2 * s}`,
  as: 'act',
});
const tick = (x: number, y: number): Stroke => ({ d: `M${x - 3} ${y}l2.2 2.6l4 -5.6`, as: 'act' });

/** The end of a gun that points down, piece by piece; each may stand lower, as when it is taken off. */
const neck: Stroke = { d: box(26, 1, 8, 7), as: 'dark' };
const diffuser = (down = 0): Stroke[] => [
  { d: box(25, 8 + down, 10, 5), as: 'metal' },
  { d: ring(27.5, 10.5 + down, 0.8) + ring(30, 10.5 + down, 0.8) + ring(32.5, 10.5 + down, 0.8), as: 'line' },
];
const tip = (down = 0): Stroke => ({ d: box(28, 13 + down, 4, 9), as: 'copper' });
const nozzle = (down = 0): Stroke => ({ d: box(21, 6 + down, 2.4, 19) + box(36.6, 6 + down, 2.4, 19), as: 'metal' });
const spatter: Stroke = {
  d: ring(24.6, 22, 1.1) + ring(35, 20, 1.3) + ring(25, 18.5, 0.8) + ring(34.8, 23.4, 0.8),
  as: 'dark',
};

/** Two rolls with the wire between them. @param gap how far apart they stand */
const rolls = (gap: number): Stroke[] => [
  { d: ring(30, 10 - gap, 7) + ring(30, 26 + gap, 7), as: 'metal' },
  { d: ring(30, 10 - gap, 1.4) + ring(30, 26 + gap, 1.4), as: 'dark' },
];
const cable: Stroke = { d: 'M4 26C16 30 22 10 34 14S50 24 56 16', as: 'dark' };
const clamp = (open: number): Stroke[] => [
  { d: `M8 ${16 - open}H34l6 2V${20 - open}l-6 -1H8Z`, as: 'copper' },
  { d: `M8 ${24 + open}H34l6 -2V${20 + open}l-6 1H8Z`, as: 'copper' },
];
/** A regulator on its cylinder, its two gauges with their needles. @param needles angles from upright, degrees */
function regulator(needles: [number, number], open = false): Stroke[] {
  const gauge = (x: number, turn: number): Stroke[] => [
    { d: ring(x, 11, 6), as: 'metal' },
    {
      d: `M${x} 11l${r(4.6 * Math.sin((turn * Math.PI) / 180))} ${r(-4.6 * Math.cos((turn * Math.PI) / 180))}`,
      as: 'line',
    },
  ];
  return [
    { d: box(6, 20, 10, 15), as: 'dark' },
    { d: box(open ? 8 : 9, 15, open ? 6 : 4, 5), as: 'metal' },
    { d: box(16, 22, 30, 5), as: 'copper' },
    ...gauge(24, needles[0]),
    ...gauge(40, needles[1]),
  ];
}
const machine: Stroke[] = [
  { d: box(10, 6, 30, 26), as: 'dark' },
  { d: 'M14 12h10M14 15h10M14 18h10', as: 'air' },
  { d: ring(32, 22, 5.5), as: 'metal' },
];

/** What is seen in each step of each task, in the order of `CARE`. */
export const CARE_SCENES: Record<CareTask, readonly (readonly Stroke[])[]> = {
  nozzle: [
    [neck, ...diffuser(), tip(), nozzle(8), arrow(46, 14, 46, 28)],
    [nozzle(), spatter, { d: 'M44 34L35 21', as: 'act' }, arrow(10, 12, 18, 20)],
    [neck, ...diffuser(), tip(), ...eye(46, 30), { d: 'M43 28L34 12', as: 'air' }],
    [neck, ...diffuser(), tip(), nozzle(), { d: 'M24 8V24M36 8V24', as: 'air' }, arrow(46, 28, 46, 12)],
  ],
  tip: [
    [
      { d: ring(20, 18, 9), as: 'copper' },
      { d: ring(20, 18, 2), as: 'line' },
      { d: ring(44, 18, 9), as: 'copper' },
      { d: 'M42.5 16.5a2 2 0 0 1 3 0l0.8 6a2 2 0 0 1 -4.4 0Z', as: 'line' },
      tick(20, 32),
      cross(44, 32, 2),
    ],
    [
      { d: box(26, 6, 8, 18), as: 'copper' },
      { d: 'M29 4L31.6 34', as: 'line' },
      arrow(40, 31, 46, 31),
      arrow(22, 31, 16, 31),
    ],
    [neck, ...diffuser(), tip(2), { d: box(40, 16, 14, 4), as: 'act-fill' }, arrow(46, 30, 46, 23)],
  ],
  diffuser: [
    [neck, ...diffuser(8), tip(11), arrow(46, 12, 46, 26)],
    [
      { d: box(18, 8, 24, 14), as: 'metal' },
      { d: ring(24, 15, 2) + ring(30, 15, 2) + ring(36, 15, 2), as: 'line' },
      { d: 'M24 33V17M30 33V17M36 33V17', as: 'air' },
      { d: 'M18 8h24', as: 'act' },
    ],
    [
      { d: box(6, 10, 20, 14), as: 'metal' },
      { d: 'M10 17a3.4 2 0 1 0 6.8 0a3.4 2 0 1 0 -6.8 0M18 17a3 3 0 1 0 6 0a3 3 0 1 0 -6 0', as: 'line' },
      cross(16, 30),
      arrow(29, 17, 36, 17),
      { d: box(39, 10, 16, 14), as: 'metal' },
      { d: ring(44, 17, 1.4) + ring(50, 17, 1.4), as: 'line' },
    ],
  ],
  liner: [
    [
      { d: 'M2 18H44', as: 'dark' },
      { d: box(44, 15, 8, 6), as: 'copper' },
      { d: 'M26 18H2', as: 'line' },
      arrow(22, 28, 6, 28),
    ],
    [
      { d: 'M4 18H50', as: 'dark' },
      { d: 'M50 14l8 -3v14l-8 -3Z', as: 'act-fill' },
      { d: 'M46 18H14', as: 'air' },
      { d: ring(6, 13, 1) + ring(9, 24, 1.2) + ring(4, 28, 0.8), as: 'line' },
    ],
    [
      { d: 'M4 12H22q6 0 6 6t6 6H56', as: 'dark' },
      { d: 'M2 12H20', as: 'line' },
      arrow(4, 5, 16, 5),
      { d: ring(28, 18, 6), as: 'act' },
    ],
  ],
  rolls: [
    [
      ...rolls(2),
      { d: 'M44 6l-8 6', as: 'act' },
      { d: 'M36 11l-1.6 -3M37.6 9.8l-1.6 -3', as: 'act' },
      arrow(16, 24, 16, 12),
    ],
    [
      { d: 'M8 4H24L20 18L24 32H8Z', as: 'metal' },
      { d: 'M36 4H52q-6 6 -6 14t6 14H36Z', as: 'metal' },
      tick(15, 18),
      cross(42, 18, 2.4),
    ],
    [...rolls(0), { d: 'M2 18H44', as: 'line' }, { d: 'M44 11q8 2 8 7t-8 7Z', as: 'act-fill' }, arrow(30, 18, 40, 18)],
  ],
  cable: [
    [cable, { d: ring(34, 14, 5), as: 'act' }, arrow(38, 31, 52, 29)],
    [
      { d: box(30, 6, 24, 24), as: 'dark' },
      { d: box(6, 14, 24, 8), as: 'metal' },
      arrow(8, 28, 24, 28),
      { d: ring(34, 10, 1.8), as: 'act-fill' },
    ],
    [cable, { d: 'M28 12l3 3M31 11l3 4M34 12l2 4', as: 'line' }, cross(32, 14, 8)],
  ],
  clamp: [
    [
      ...clamp(3),
      { d: ring(12, 20, 2.4), as: 'metal' },
      { d: 'M36 17.5h4M36 22.5h4', as: 'act' },
      arrow(50, 12, 42, 17),
    ],
    [
      { d: 'M2 20H30', as: 'dark' },
      { d: box(30, 15, 20, 10), as: 'copper' },
      { d: 'M26 17l4 -1M26 20h4M26 23l4 1', as: 'line' },
      { d: 'M22 10q-2 -3 0 -5M26 10q-2 -3 0 -5', as: 'act' },
    ],
    [
      { d: box(4, 20, 52, 6), as: 'metal' },
      { d: 'M34 20q5 -5 10 0Z', as: 'dark' },
      { d: 'M10 12h12v8h-12ZM10 26h12v6h-12Z', as: 'copper' },
      arrow(24, 15, 34, 15),
    ],
  ],
  regulator: [
    [
      { d: ring(20, 18, 11), as: 'copper' },
      { d: ring(20, 18, 6), as: 'line' },
      { d: ring(44, 18, 9), as: 'metal' },
      { d: 'M44 18l-4 -5', as: 'line' },
      ...eye(20, 18),
    ],
    [...regulator([60, -120], true), arrow(3, 17, 11, 10), { d: ring(40, 11, 7.4), as: 'act' }],
    [
      { d: box(26, 1, 8, 11), as: 'metal' },
      { d: box(27.5, 12, 5, 22), as: 'air' },
      { d: ring(30, 22, 2), as: 'act-fill' },
      { d: 'M36 16h4M36 22h4M36 28h4', as: 'line' },
    ],
  ],
  leaks: [
    [
      ...regulator([60, 20]),
      { d: ring(54, 28, 4.6), as: 'act' },
      { d: 'M54 28v-3M54 28h2', as: 'act' },
      cross(11, 17, 2.4),
    ],
    [
      { d: 'M2 20H58', as: 'dark' },
      { d: box(22, 14, 16, 12), as: 'copper' },
      { d: ring(24, 10, 2) + ring(29, 7, 2.6) + ring(35, 10, 1.8) + ring(38, 6, 1.2), as: 'act' },
    ],
    [
      { d: 'M2 24H58', as: 'dark' },
      { d: box(22, 18, 16, 12), as: 'copper' },
      { d: 'M26 18L46 6', as: 'act' },
      { d: 'M50 10a8 8 0 0 1 -6 9l1 -3M44 19l3 1', as: 'act' },
    ],
  ],
  inside: [
    [...machine, { d: 'M40 28h6', as: 'line' }, { d: box(50, 25, 6, 6), as: 'act-fill' }, arrow(46, 34, 54, 34)],
    [
      ...machine,
      { d: 'M56 16L46 18', as: 'act' },
      { d: 'M45 17l-8 3M45 19l-8 5', as: 'air' },
      { d: 'M32 16.5v11M26.5 22h11', as: 'act' },
    ],
    [
      ...machine,
      { d: 'M56 2V34', as: 'line' },
      { d: 'M42 20h12M42 20l3 -2M42 20l3 2M54 20l-3 -2M54 20l-3 2', as: 'act' },
    ],
  ],
};
