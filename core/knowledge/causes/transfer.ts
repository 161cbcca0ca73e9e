import type { Cause } from '../shapes/types';

/** How the metal crosses the arc: the zone between short arc and spray, and the trim of a pulsed arc. */
export const TRANSFER_CAUSES: readonly Cause[] = [
  {
    id: 'transfer-between',
    name: 'Between short arc and spray',
    plain: 'The current lies where drops are too big for a short arc and too slow for spray.',
    group: 'settings',
    prior: 0.02,
    priorFactors: [
      {
        when: { wireClass: ['tubular-self-shielded', 'tubular-gas-shielded'] },
        factor: 0.02,
        because: 'tubular wire has a transfer of its own',
      },
    ],
    figures: [{ residual: 'transferZone', at: 2, because: 'the current lies just under the spray transition' }],
    links: [
      ['spatter-big-drops', 0.6, 'drops grow larger than the wire'],
      ['spatter-heavy', 0.5, 'big drops splash'],
      ['sound-plop', 0.45, 'big drops fall slowly'],
      ['sound-popping', 0.3, 'big drops short now and then'],
      ['sound-crisp', 0.65, 'neither crackle nor hiss'],
      ['spatter-little', 0.6, 'big drops splash'],
      ['bead-uneven', 0.25, 'drops land unevenly'],
    ],
    check: 'check-current-zone',
    remedy: {
      kind: 'technique',
      plain: 'Go down into the short arc, or up into spray with the volts for it.',
      prevent: 'Stay 15 % under the spray point of this wire and gas, or 12 % over it.',
    },
  },
  {
    id: 'pulse-trim-low',
    name: 'Pulse trim too low',
    plain: 'The pulsed arc is too short: drops touch before they are thrown.',
    group: 'settings',
    prior: 0.09,
    priorFactors: [{ when: { notPulse: true }, factor: 0, because: 'the machine is not set to pulse' }],
    exclusive: 'trim',
    links: [
      ['arc-buried', 0.8, 'the arc is short'],
      ['wire-stubs', 0.4, 'the wire end dips into the puddle'],
      ['sound-popping', 0.4, 'a pulsed arc that snaps is shorting'],
      ['spatter-fine', 0.5, 'each touch throws grains'],
      ['bead-ropey', 0.3, 'a short arc cannot spread the puddle'],
      ['spatter-little', 0.6, 'each touch throws grains'],
      ['bead-narrow', 0.2, 'a short arc heats a narrow strip'],
    ],
    check: 'check-trim',
    remedy: {
      kind: 'technique',
      plain: 'Trim up a step at a time until it hums without crackle.',
      prevent: 'Note the trim for this wire and gas.',
    },
  },
  {
    id: 'pulse-trim-high',
    name: 'Pulse trim too high',
    plain: 'The pulsed arc is too long and loose.',
    group: 'settings',
    prior: 0.08,
    priorFactors: [{ when: { notPulse: true }, factor: 0, because: 'the machine is not set to pulse' }],
    exclusive: 'trim',
    links: [
      ['arc-long', 0.8, 'the arc is long'],
      ['toe-undercut', 0.35, 'the wide arc melts edges it does not fill'],
      ['bead-flat', 0.45, 'a long arc spreads the puddle wide'],
      ['wire-burns-back', 0.3, 'the arc climbs toward the tip'],
      ['arc-wanders', 0.25, 'a long arc is loose'],
      ['residue-black-soot', 0.15, 'a long arc draws in air'],
    ],
    check: 'check-trim',
    remedy: {
      kind: 'technique',
      plain: 'Trim down a step at a time until the arc stands short and quiet.',
      prevent: 'Note the trim for this wire and gas.',
    },
  },
];
