import type { CauseId } from '../evidence/ids';
import type { MainSetting } from '../setting/table';

/** Why a setting is turned, and what the next bead should show and sound like. */
export type Words = { because: string; expect: string };

/** The arcs that look and sound differently: a crackle is right in one of them alone. */
export type ArcKind = 'short' | 'open' | 'pulse' | 'slag' | 'self-shielded';

type Way = 'up' | 'down';
/** What the next bead should show: the same in every arc, or in the words of each. */
type Expect = string | Record<ArcKind, string>;
/** What a turn is made for: arc length, heat, distance or cover. */
type Ground = { causes: readonly CauseId[]; words: { because: string; expect: Expect } };

const HOTTER = 'Volts and wire agree, but both are too low for this thickness.';
const COOLER = 'Volts and wire agree, but both are too high for this thickness.';
const heat = (causes: readonly CauseId[], because: string, expect: Expect): Ground => ({
  causes,
  words: { because, expect },
});

/** A bead that gets hotter or cooler sounds as its arc does, fuller or quieter. */
const FULLER: Expect = {
  short: 'the same crackle, fuller; a hotter bead that wets in and marks the back',
  open: 'the same hiss, fuller; a hotter bead that wets in',
  pulse: 'the same hum, fuller; a hotter bead that wets in',
  slag: 'the same arc, fuller; a hotter bead that wets in, slag over all of it',
  'self-shielded': 'the same hard crackle, fuller; a hotter bead, slag over all of it',
};
const QUIETER: Expect = {
  short: 'the same crackle, quieter; a cooler bead that stays in the joint',
  open: 'the same hiss, quieter; a cooler bead that stays in the joint',
  pulse: 'the same hum, quieter; a cooler bead that stays in the joint',
  slag: 'the same arc, quieter; a cooler bead that stays in the joint',
  'self-shielded': 'the same hard crackle, quieter; a cooler bead that stays in the joint',
};
/** An arc that was too short is longer: less stubbing. */
const LONGER: Expect = {
  short: 'the stubbing stops, the popping turns to a crackle, the bead lies flatter and the toes wet in',
  open: 'the wire no longer touches, the snapping stops, the bead lies flatter and the toes wet in',
  pulse: 'an arc that hums without touching, and a flatter bead',
  slag: 'the wire no longer stubs, the bead lies flatter under its slag',
  'self-shielded': 'the wire no longer stubs; an even, hard crackle, the bead flatter under its slag',
};
/** An arc that was too long is shorter: do not go down to a crackle where there is none to be had. */
const SHORTER: Expect = {
  short: 'the hiss turns to a crackle, the bead stands up a little and the edges fill',
  open: 'the arc shortens to 4 to 6 mm and the hiss tightens, a click now and then; the edges fill',
  pulse: 'a short, quiet arc and a narrower bead',
  slag: 'the arc tightens, the slag still covers, no worm tracks',
  'self-shielded': 'the arc tightens to an even, hard crackle, no holes under the slag',
};

const UNDER = ['voltage-low', 'wire-fast'] as const;
const OVER = ['voltage-high', 'wire-slow'] as const;

const WILD: Ground = {
  causes: ['transfer-between'],
  words: {
    because: 'Between short arc and spray the drops are big and wild.',
    expect: {
      short: 'small drops and little spatter, an even crackle',
      open: 'small drops and little spatter, a quiet hiss',
      pulse: 'small drops and little spatter, an even hum',
      slag: 'small drops and little spatter',
      'self-shielded': 'small drops and little spatter',
    },
  },
};

/** What can speak for each turn. The words are those of the turn, whichever cause of a pair it answers. */
const GROUNDS: Record<MainSetting, Record<Way, readonly Ground[]>> = {
  voltageV: {
    up: [
      {
        causes: UNDER,
        words: {
          because: 'The arc is too short for this wire speed.',
          expect: LONGER,
        },
      },
      heat(['heat-low'], HOTTER, FULLER),
      WILD,
    ],
    down: [
      {
        causes: OVER,
        words: {
          because: 'The arc is too long for this wire speed.',
          expect: SHORTER,
        },
      },
      heat(['heat-high'], COOLER, QUIETER),
      WILD,
    ],
  },
  wireSpeedMPerMin: {
    up: [
      {
        causes: OVER,
        words: {
          because: 'Too little wire for these volts.',
          expect: SHORTER,
        },
      },
      heat(['heat-low'], HOTTER, FULLER),
      WILD,
    ],
    down: [
      {
        causes: UNDER,
        words: {
          because: 'More wire comes than these volts can melt.',
          expect: LONGER,
        },
      },
      heat(['heat-high'], COOLER, QUIETER),
      WILD,
    ],
  },
  stickOutMm: {
    up: [
      {
        causes: ['stickout-short'],
        words: {
          because: 'The tip is nearer than this transfer wants.',
          expect: 'a softer arc, a cleaner nozzle and no burnt tip',
        },
      },
    ],
    down: [
      {
        causes: ['stickout-long'],
        words: {
          because: 'The tip is further off than this transfer wants.',
          expect: 'a tighter, hotter arc and steadier gas cover',
        },
      },
    ],
  },
  gasFlowLPerMin: {
    up: [
      {
        causes: ['gas-low'],
        words: { because: 'Too little gas to cover the puddle.', expect: 'the holes and the grey go away' },
      },
    ],
    down: [
      {
        causes: ['gas-high'],
        words: {
          because: 'So much gas that it turns turbulent and draws in air.',
          expect: 'the flutter and the holes go away, and the gas is quieter',
        },
      },
    ],
  },
};

/** Where nothing that was seen speaks for a turn: one figure follows another, or comes nearer to the model. */
const FOLLOWS: Ground['words'] = {
  because: 'Follows the other, so that the arc stays the same length.',
  expect: 'the same sound at the new heat',
};
const NEARER: Ground['words'] = {
  because: 'Nearer to the middle of what wire and plate usually want.',
  expect: 'a bead nearer to balance',
};
/** What is heard and seen where a turn carries the arc over into another transfer: the crackle is not the same any more. */
const CARRIED_OVER: { [over in 'to-spray' | 'to-short-arc']: string } = {
  'to-spray':
    'the crackle turns to a steady hiss: a spray, with fine drops, a wide fluid puddle and a deeper, hotter bead',
  'to-short-arc': 'the hiss turns to a crackle: a short arc, with a smaller puddle that stays where it is put',
};

/** A cause less likely than this is not what a turn is made for. */
const WORTH_NAMING = 0.1;

/**
 * The words of a turn: those of the likeliest ground for turning that way.
 * @param name what is turned
 * @param way which way
 * @param chance probability that one of these causes holds
 * @param together whether volts and wire both turn
 * @param arc that the corrected figures burn
 * @param over the transfer that the arc is carried over into; null where it stays in its own
 */
export function wordsFor(
  name: MainSetting,
  way: Way,
  chance: (causes: readonly CauseId[]) => number,
  together: boolean,
  over: keyof typeof CARRIED_OVER | null = null,
  arc: ArcKind = 'short',
): Words {
  const { because, expect } = ownWords(name, way, chance, together);
  const words = { because, expect: typeof expect === 'string' ? expect : expect[arc] };
  const isElectrical = name === 'voltageV' || name === 'wireSpeedMPerMin';
  return over !== null && isElectrical ? { ...words, expect: CARRIED_OVER[over] } : words;
}

function ownWords(
  name: MainSetting,
  way: Way,
  chance: (causes: readonly CauseId[]) => number,
  together: boolean,
): Ground['words'] {
  const grounds = GROUNDS[name][way].map((ground) => ({ ...ground, chance: chance(ground.causes) }));
  const best = grounds.reduce((most, ground) => (ground.chance > most.chance ? ground : most));
  if (best.chance >= WORTH_NAMING) return best.words;
  return together && (name === 'voltageV' || name === 'wireSpeedMPerMin') ? FOLLOWS : NEARER;
}
