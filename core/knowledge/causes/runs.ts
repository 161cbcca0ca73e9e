import { STITCH_UNDER_MM } from '../../arc/coefficients';
import type { Cause } from '../shapes/types';

/** Starts, stops, weaves, stitches and the passes between them. */
export const RUN_CAUSES: readonly Cause[] = [
  {
    id: 'crater-unfilled',
    name: 'Crater left unfilled',
    plain: 'The trigger is let go and the gun pulled away at once.',
    group: 'technique',
    prior: 0.05,
    links: [
      ['holes-crater', 0.7, 'the crater shrinks around a pipe'],
      ['crack-crater', 0.35, 'the thin crater tears as it shrinks'],
    ],
    check: 'check-stop',
    remedy: {
      kind: 'technique',
      plain: 'Pause, step back 10 mm, hold the gas on the crater.',
      prevent: 'Crater fill or 4T where the machine has it.',
    },
  },
  {
    id: 'wire-untrimmed',
    name: 'Wire not trimmed',
    plain: 'A ball or a long end at the start.',
    group: 'technique',
    prior: 0.05,
    links: [
      ['when-start', 0.6, 'a ball or a long end is blown off first'],
      ['start-poor', 0.7, 'a ball has to be blown off first'],
      ['holes-start', 0.3, 'the first arc is long and unshielded'],
      ['spatter-big-drops', 0.1, 'the ball is thrown at the start'],
    ],
    check: 'check-wire-end',
    early: 'check-wire-end',
    remedy: {
      kind: 'technique',
      plain: 'Cut the wire to 6 to 10 mm before each start.',
      prevent: 'Cutters on the belt.',
    },
  },
  {
    id: 'weave-wide',
    name: 'Weave too wide',
    plain: 'The gun swings further than gas and puddle follow.',
    group: 'technique',
    prior: 0.02,
    priorFactors: [{ when: { position: ['vertical-up'] }, factor: 2, because: 'uphill is woven' }],
    links: [
      ['toe-undercut', 0.4, 'no pause at the sides'],
      ['slag-stuck', 0.3, 'slag is caught between the swings'],
      ['bead-uneven', 0.5, 'the swings vary'],
      ['bead-even', 0.4, 'the swings vary'],
      ['holes-scattered', 0.1, 'the puddle leaves the gas'],
      ['section-sidewall', 0.15, 'the sides are passed too fast'],
    ],
    check: 'check-weave',
    remedy: {
      kind: 'technique',
      plain: 'Straight stringers, or pause at the sides.',
      prevent: 'No wider than about eight wire diameters.',
    },
  },
  {
    id: 'stitch-wide',
    name: 'Stitches too far apart',
    plain: 'Each trigger pulse lands past the last one.',
    group: 'technique',
    prior: 0.015,
    priorFactors: [
      { when: { thinUpToMm: STITCH_UNDER_MM['mild-steel'] }, factor: 3, because: 'thin sheet is stitched' },
    ],
    links: [
      ['stitch-dimples', 0.8, 'the puddles do not overlap'],
      ['bead-even', 0.5, 'separate spots in a row'],
    ],
    check: 'check-weave',
    remedy: {
      kind: 'technique',
      plain: 'Overlap each stitch by half; wait until the red is gone before the next.',
      prevent: 'Keep a steady count.',
    },
  },
  {
    id: 'slag-left',
    name: 'Slag left between passes',
    plain: 'The last pass was welded over without cleaning it.',
    group: 'technique',
    prior: 0.02,
    priorFactors: [
      {
        when: { wireClass: ['solid-steel', 'solid-stainless', 'solid-aluminium', 'metal-cored'] },
        factor: 0.15,
        because: 'solid wire leaves little slag',
      },
      { when: { joint: ['bead-on-plate'] }, factor: 0.2, because: 'a single bead has no pass under it' },
    ],
    links: [
      ['slag-stuck', 0.65, 'old slag is caught under the new bead'],
      ['section-sidewall', 0.3, 'slag keeps the metal off the wall'],
      ['holes-wormtracks', 0.1, 'slag gives off gas'],
      ['holes-one-spot', 0.1, 'slag lies in places'],
      ['section-slag', 0.75, 'it is shut in under the next pass'],
    ],
    check: 'check-slag',
    remedy: {
      kind: 'plate',
      plain: 'Grind it out, chip and brush each pass before the next.',
      prevent: 'Flat or hollow passes that hold no slag at the toes.',
    },
  },
  {
    id: 'cold-start',
    name: 'Cold start on aluminium',
    plain: 'The plate carries the heat off before the first centimetres fuse.',
    group: 'heat',
    prior: 0.06,
    priorFactors: [
      { when: { baseMetal: ['mild-steel', 'stainless'] }, factor: 0, because: 'steel holds its heat' },
      { when: { thickFromMm: 5 }, factor: 1.6, because: 'thick plate carries more off' },
      { when: { thinUpToMm: 2 }, factor: 0.4, because: 'thin sheet is warm at once' },
    ],
    links: [
      ['when-start', 0.75, 'the plate is cold only there'],
      ['toe-cold-lap', 0.4, 'the first metal lies on cold plate'],
      ['start-poor', 0.4, 'the arc begins on cold metal'],
      ['bead-widens', 0.45, 'it spreads once the plate is warm'],
      ['holes-start', 0.25, 'the first metal freezes round its gas'],
      ['back-no-mark', 0.2, 'the start does not go through'],
      ['bead-even', 0.35, 'start and end differ'],
    ],
    check: 'check-start-cold',
    remedy: {
      kind: 'technique',
      plain: 'Start 25 mm ahead, run back over the start, then forward; hot start where the machine has it.',
      prevent: 'Start on a tab, or warm it hand-hot.',
    },
  },
];
