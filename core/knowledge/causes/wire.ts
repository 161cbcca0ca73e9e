import type { Cause } from '../shapes/types';

/** The wire itself: rust, damp, and the wrong spool. */
export const WIRE_CAUSES: readonly Cause[] = [
  {
    id: 'wire-rusty',
    name: 'Rusty or dirty wire',
    plain: 'Rust and grime ride in on the wire.',
    group: 'feed',
    prior: 0.02,
    links: [
      ['when-beat', 0.15, 'one side of the spool is rusty'],
      ['wire-surges', 0.35, 'rust drags in the liner'],
      ['holes-scattered', 0.3, 'rust brings water into the puddle'],
      ['sound-sputter', 0.35, 'rust does not conduct'],
      ['arc-wanders', 0.25, 'poor contact in the tip'],
      ['spatter-fine', 0.3, 'the contact sparks'],
      ['residue-oxide', 0.15, 'rust floats up'],
    ],
    check: 'check-wire-rust',
    remedy: {
      kind: 'part',
      plain: 'Strip off the rusty layers or change the spool.',
      prevent: 'Bag the spool overnight.',
    },
  },
  {
    id: 'wire-wrong',
    name: 'Wrong wire',
    plain: 'Class or size does not suit metal, gas or thickness.',
    group: 'feed',
    prior: 0.012,
    figures: [{ residual: 'wireMatch', at: 1.2, otherwise: -1, because: 'the spool against metal and gas' }],
    links: [
      ['arc-wanders', 0.25, 'the wire does not suit the gas'],
      ['holes-scattered', 0.3, 'gas wire without gas, or no deoxidiser'],
      ['crack-centre', 0.15, 'the mixed metal is brittle'],
      ['spatter-heavy', 0.35, 'the wire does not suit the gas'],
      ['section-sidewall', 0.1, 'a thin wire cannot carry the heat'],
      ['bead-even', 0.35, 'the wire does not suit the gas'],
    ],
    check: 'check-spool-label',
    checkStrength: 0.98,
    remedy: { kind: 'part', plain: 'Fit the wire for this metal and gas.', prevent: 'Read the spool at each job.' },
  },
  {
    id: 'wire-damp',
    name: 'Damp tubular wire',
    plain: 'Flux in the wire has drawn water.',
    group: 'feed',
    prior: 0.04,
    priorFactors: [
      {
        when: { wireClass: ['solid-steel', 'solid-stainless', 'solid-aluminium'] },
        factor: 0,
        because: 'solid wire holds no flux',
      },
    ],
    links: [
      ['holes-wormtracks', 0.6, 'steam draws tracks under the slag'],
      ['holes-scattered', 0.25, 'steam in the puddle'],
      ['spatter-fine', 0.15, 'steam pops'],
      ['crack-toe', 0.04, 'hydrogen cracks hard steel later'],
    ],
    check: 'check-dry-spool',
    remedy: {
      kind: 'part',
      plain: 'Take a fresh spool; bake the old one only as its maker says.',
      prevent: 'Keep opened spools bagged and warm.',
    },
  },
];
