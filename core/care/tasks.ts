import type { FittedPart } from '../case/terms';
import type { StatedId } from '../evidence/ids';

export const CARE_TASKS = [
  'nozzle',
  'tip',
  'diffuser',
  'liner',
  'rolls',
  'cable',
  'clamp',
  'regulator',
  'leaks',
  'inside',
] as const;
export type CareTask = (typeof CARE_TASKS)[number];

/** One thing that is looked after on a machine, how often, and how. */
export type Care = {
  id: CareTask;
  name: string;
  /** What it is about, where that is a part that is fitted anew: a new one begins again. */
  part: FittedPart | null;
  /** Due after so much arc time, so many days, or both: whichever comes first. Judged from shop habit, hard use. */
  every: { arcMinutes?: number; days?: number };
  /** What a bead or the machine shows when it is due before its time. */
  shownBy: readonly StatedId[];
  steps: readonly string[];
  caution: string | null;
};

const OFF = 'Welder off before hands go into gun or feeder; a nozzle is hot long after the arc.';

/** Everything that is looked after, what comes soonest first. */
export const CARE: readonly Care[] = [
  {
    ...{ id: 'nozzle', name: 'Clean the nozzle', part: 'nozzle', every: { arcMinutes: 60 }, caution: OFF },
    shownBy: ['nozzle-clogged', 'check-nozzle', 'holes-scattered', 'spatter-heavy'],
    steps: [
      'Take the nozzle off: know whether it is pushed or screwed before it is twisted.',
      'Scrape the spatter out with a round scraper, never by knocking it on the bench: a nozzle that is oval covers on one side.',
      'Look through the diffuser behind it: every hole open.',
      'A thin film of paste or spray inside, and on it goes, straight.',
    ],
  },
  {
    ...{ id: 'tip', name: 'Look at the contact tip', part: 'tip', every: { arcMinutes: 480 }, caution: OFF },
    shownBy: ['arc-wanders', 'tip-fused', 'wire-surges', 'check-tip', 'arc-flutters'],
    steps: [
      'Nozzle off. Look at the bore from the front: round, or worn to a slot?',
      'Wire in, wiggle it: a tip that lets it tilt gives current now here, now there.',
      'Fit a new one of the wire’s size, firm with the right key. It is replaced, never drilled or squeezed.',
    ],
  },
  {
    ...{ id: 'diffuser', name: 'Clean the diffuser', part: 'diffuser', every: { arcMinutes: 1200 }, caution: OFF },
    shownBy: ['holes-one-spot', 'holes-scattered'],
    steps: [
      'Nozzle and tip off, diffuser out.',
      'Every gas hole clear; the seat of the tip bright and flat.',
      'Replace it when the thread is loose or the holes are burnt wide.',
    ],
  },
  {
    ...{ id: 'liner', name: 'Blow the liner out', part: 'liner', every: { arcMinutes: 900 }, caution: OFF },
    shownBy: ['wire-surges', 'wire-birdnest', 'check-liner', 'no-feed'],
    steps: [
      'Wire out of the gun, tip off, rolls open.',
      'Dry air from the gun end, with the cable straight, until no dust comes.',
      'Push the wire through by hand: where it scrapes the liner is kinked or worn, and is changed whole, cut to its maker’s length.',
    ],
  },
  {
    ...{ id: 'rolls', name: 'Clean the drive rolls', part: 'roll', every: { arcMinutes: 2400 }, caution: OFF },
    shownBy: ['wire-surges', 'wire-birdnest', 'check-roll-groove', 'no-feed'],
    steps: [
      'Open the rolls; brush copper and flux out of the groove, no oil.',
      'Look at the groove in slanting light: a rounded edge slips.',
      'Close them, and set the tension: the wire feeds against dry wood from 50 mm, and slips when it is stopped dead.',
    ],
  },
  {
    ...{ id: 'cable', name: 'Look along the gun cable', part: null, every: { days: 30 }, caution: OFF },
    shownBy: ['machine-cuts-out', 'check-cable'],
    steps: [
      'Run a gloved hand along it: no cut, no soft or hot place, no kink.',
      'Gun seated in the machine to its stop, screw tight.',
      'A bare conductor takes the gun out of use until it is mended by someone who may.',
    ],
  },
  {
    ...{ id: 'clamp', name: 'Clean the work clamp', part: null, every: { days: 30 }, caution: 'Welder off.' },
    shownBy: ['arc-wanders', 'start-poor', 'check-clamp', 'arc-flutters'],
    steps: [
      'Jaws bright, spring strong, the bolt of the lead tight.',
      'A lead that is warm at the clamp after a run has lost strands: shorten and press a new lug.',
      'Clamp on clean metal of the part itself, near the weld.',
    ],
  },
  {
    ...{ id: 'regulator', name: 'Look at the regulator', part: null, every: { days: 90 } },
    caution: 'Screw backed off before the valve is opened slowly, nobody in front of it. No oil, no grease.',
    shownBy: ['check-gas-set', 'no-gas-heard'],
    steps: [
      'Seal in its groove, thread clean, glass whole.',
      'Valve opened slowly, screw backed off: the outlet gauge stays at nothing.',
      'Flow at the nozzle with a tube: what the ball says, and what comes.',
    ],
  },
  {
    ...{ id: 'leaks', name: 'Look for gas leaks', part: null, every: { days: 90 } },
    caution: 'Argon and CO2 sink and push the air out of pits and holds.',
    shownBy: ['check-gas-soap', 'check-gas-nozzle', 'holes-start'],
    steps: [
      'Open the valve, close it again, nothing welded: the gauge holds for five minutes, or something leaks.',
      'Soapy water on every joint from the cylinder to the feeder: bubbles show where.',
      'Tighten or change the seal, and look once more.',
    ],
  },
  {
    ...{ id: 'inside', name: 'Blow the machine out', part: null, every: { days: 180 } },
    caution: 'Plug pulled, and some minutes waited. What is inside belongs to someone who is qualified for it.',
    shownBy: ['machine-cuts-out'],
    steps: [
      'Plug pulled; covers only as far as its book lets its user go.',
      'Dry air at low pressure, from a hand’s width off; the fan held so that it does not spin.',
      'Grilles free, a hand’s width from every wall.',
    ],
  },
];
