import type { Cause } from '../shapes/types';

/** What a metal and the way it is held do to a bead: restraint, the alloy, the air behind. */
export const METAL_CAUSES: readonly Cause[] = [
  {
    id: 'restrained',
    name: 'Joint held rigid',
    plain: 'The parts cannot follow the bead as it shrinks, so it tears.',
    group: 'plate',
    prior: 0.004,
    priorFactors: [
      { when: { thickFromMm: 10 }, factor: 2.5, because: 'heavy parts do not give' },
      { when: { thinUpToMm: 2 }, factor: 0.2, because: 'sheet gives way' },
      { when: { gapFromMm: 2 }, factor: 1.6, because: 'a wide gap shrinks more' },
      { when: { joint: ['bead-on-plate'] }, factor: 0.1, because: 'a bead on plate joins nothing' },
    ],
    links: [
      ['crack-centre', 0.35, 'the middle freezes last and is pulled apart'],
      ['crack-crater', 0.2, 'the crater is the weakest place'],
      ['crack-toe', 0.15, 'the pull ends at the toe'],
    ],
    check: 'check-restraint',
    checkStrength: 0.85,
    remedy: {
      kind: 'technique',
      plain: 'Free one side, weld toward the free end, lay full, slightly crowned passes; by procedure on thick steel.',
      prevent: 'Think of the last weld first: leave it a way to shrink.',
      caution: 'A crack is never welded over; have it inspected.',
    },
  },
  {
    id: 'filler-cracks',
    name: 'Wrong filler for this alloy',
    plain: 'The mix of plate and wire freezes over a wide range and tears.',
    group: 'plate',
    prior: 0.02,
    priorFactors: [
      { when: { baseMetal: ['mild-steel', 'stainless'] }, factor: 0, because: 'this is about aluminium alloys' },
    ],
    links: [
      ['crack-centre', 0.45, 'the middle is still half liquid when it shrinks'],
      ['crack-crater', 0.4, 'the crater freezes last'],
    ],
    check: 'check-filler',
    remedy: {
      kind: 'part',
      plain:
        'Silicon wire for heat-treated alloys, magnesium wire for magnesium alloys; some alloys are not to be welded.',
      prevent: 'Know the alloy before the spool is chosen.',
      caution: 'What carries load or goes warm has its filler by procedure.',
    },
  },
  {
    id: 'purge-missing',
    name: 'No gas behind stainless',
    plain: 'Air burns the hot back of the root.',
    group: 'plate',
    prior: 0.02,
    priorFactors: [
      { when: { baseMetal: ['mild-steel', 'aluminium'] }, factor: 0, because: 'only stainless wants gas behind' },
      { when: { joint: ['fillet', 'lap', 'plug'] }, factor: 0.2, because: 'the back is not melted through' },
      { when: { joint: ['butt'] }, factor: 2, because: 'the root comes out at the back' },
    ],
    links: [
      ['back-sugared', 0.85, 'chromium burns in air'],
      ['back-even', 0.4, 'the crust hides and spoils the line'],
      ['holes-wormtracks', 0.05, 'the crust gives off gas into the next pass'],
    ],
    check: 'check-back-gas',
    early: 'check-back-gas',
    remedy: {
      kind: 'technique',
      plain: 'Argon behind the root until it is cold, or a backing bar; grind the crust off first.',
      prevent: 'Dams and hose before the tacks.',
      caution: 'Argon sinks: nobody in a closed room with it.',
    },
  },
];
