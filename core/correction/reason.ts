import type { CauseId } from '../evidence/ids';
import type { MainSetting } from '../setting/table';

/** Why a setting is turned, and what the next bead should show and sound like. */
export type Words = { because: string; expect: string };

type Way = 'up' | 'down';
/** What a turn is made for: arc length, heat, distance or cover. */
type Ground = { causes: readonly CauseId[]; words: Words };

const HOTTER = 'Volts and wire agree, but both are too low for this thickness.';
const COOLER = 'Volts and wire agree, but both are too high for this thickness.';
const heat = (causes: readonly CauseId[], because: string, expect: string): Ground => ({
  causes,
  words: { because, expect },
});
const UNDER = ['voltage-low', 'wire-fast'] as const;
const OVER = ['voltage-high', 'wire-slow'] as const;

const WILD: Ground = {
  causes: ['transfer-between'],
  words: {
    because: 'Between short arc and spray the drops are big and wild.',
    expect: 'small drops and little spatter: an even crackle below, a quiet hiss above',
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
          expect: 'the stubbing stops, the popping turns to a crackle, the bead lies flatter and the toes wet in',
        },
      },
      heat(['heat-low'], HOTTER, 'the same crackle, fuller; a hotter bead that wets in and marks the back'),
      WILD,
    ],
    down: [
      {
        causes: OVER,
        words: {
          because: 'The arc is too long for this wire speed.',
          expect: 'the hiss turns to a crackle, the bead stands up a little and the edges fill',
        },
      },
      heat(['heat-high'], COOLER, 'the same crackle, quieter; a cooler bead that stays in the joint'),
      WILD,
    ],
  },
  wireSpeedMPerMin: {
    up: [
      {
        causes: OVER,
        words: {
          because: 'The volts melt more wire than comes.',
          expect: 'the hiss turns to a crackle, with a fuller, hotter bead',
        },
      },
      heat(['heat-low'], HOTTER, 'the same crackle, fuller; a hotter bead that wets in and marks the back'),
      WILD,
    ],
    down: [
      {
        causes: UNDER,
        words: {
          because: 'More wire comes than these volts can melt.',
          expect: 'the stubbing stops, the popping turns to a crackle, the bead gets smaller and cooler',
        },
      },
      heat(['heat-high'], COOLER, 'the same crackle, quieter; a cooler bead that stays in the joint'),
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
          expect: 'a tighter, hotter arc, a sharper crackle and steadier gas cover',
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
const FOLLOWS: Words = {
  because: 'Goes with the other: volts and wire keep their balance only together.',
  expect: 'the same crackle at the new heat',
};
const NEARER: Words = {
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
 * @param over the transfer that the arc is carried over into; null where it stays in its own
 */
export function wordsFor(
  name: MainSetting,
  way: Way,
  chance: (causes: readonly CauseId[]) => number,
  together: boolean,
  over: keyof typeof CARRIED_OVER | null = null,
): Words {
  const words = ownWords(name, way, chance, together);
  const isElectrical = name === 'voltageV' || name === 'wireSpeedMPerMin';
  return over !== null && isElectrical ? { ...words, expect: CARRIED_OVER[over] } : words;
}

function ownWords(
  name: MainSetting,
  way: Way,
  chance: (causes: readonly CauseId[]) => number,
  together: boolean,
): Words {
  const grounds = GROUNDS[name][way].map((ground) => ({ ...ground, chance: chance(ground.causes) }));
  const best = grounds.reduce((most, ground) => (ground.chance > most.chance ? ground : most));
  if (best.chance >= WORTH_NAMING) return best.words;
  return together && (name === 'voltageV' || name === 'wireSpeedMPerMin') ? FOLLOWS : NEARER;
}
