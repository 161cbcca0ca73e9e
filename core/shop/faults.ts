import type { CauseId, CheckId, FindingId } from '../evidence/ids';
import { CAUSES, meanOf } from '../knowledge';
import type { Machine, Random } from './world';

/** A fault that no knob cures: what it brings out, the look that shows it. The chances are this file's own. */
export type Fault = {
  cause: CauseId;
  shows: [FindingId, number][];
  check: CheckId;
  /** A glance that shows it less surely than its check. */
  glance?: CheckId;
  gas?: true;
};

const checkOf = (cause: CauseId): CheckId => CAUSES.find(({ id }) => id === cause)!.check;
const fault = (cause: CauseId, shows: [FindingId, number][], only: Pick<Fault, 'gas' | 'glance'> = {}): Fault => ({
  cause,
  shows,
  check: checkOf(cause),
  ...only,
});

export const FAULTS: readonly Fault[] = [
  fault(
    'nozzle-blocked',
    [
      ['holes-scattered', 0.7],
      ['nozzle-clogged', 0.85],
      ['residue-oxide', 0.3],
      ['spatter-heavy', 0.2],
    ],
    { gas: true },
  ),
  fault(
    'gas-leak',
    [
      ['holes-scattered', 0.65],
      ['residue-black-soot', 0.3],
      ['holes-start', 0.25],
    ],
    { gas: true, glance: 'check-gauge-holds' },
  ),
  fault(
    'gas-empty',
    [
      ['holes-scattered', 0.95],
      ['no-gas-heard', 0.85],
      ['spatter-heavy', 0.5],
      ['residue-black-soot', 0.5],
    ],
    { gas: true },
  ),
  fault(
    'draught',
    [
      ['holes-scattered', 0.6],
      ['holes-one-spot', 0.25],
      ['arc-flutters', 0.3],
    ],
    { gas: true, glance: 'check-air-still' },
  ),
  fault(
    'plate-dirty',
    [
      ['holes-scattered', 0.5],
      ['holes-one-spot', 0.45],
      ['spatter-fine', 0.35],
      ['arc-wanders', 0.3],
      ['fume-heavy', 0.3],
    ],
    { glance: 'check-bright' },
  ),
  fault('tip-worn', [
    ['sound-sputter', 0.6],
    ['arc-wanders', 0.5],
    ['start-poor', 0.35],
    ['wire-surges', 0.3],
  ]),
  fault('liner-dirty', [
    ['wire-surges', 0.75],
    ['sound-sputter', 0.5],
    ['wire-burns-back', 0.3],
  ]),
  fault('roll-loose', [
    ['wire-surges', 0.65],
    ['wire-burns-back', 0.35],
    ['no-feed', 0.2],
  ]),
  fault('clamp-poor', [
    ['sound-sputter', 0.55],
    ['start-poor', 0.5],
    ['arc-wanders', 0.35],
    ['bead-uneven', 0.35],
  ]),
  fault('crater-unfilled', [
    ['holes-crater', 0.75],
    ['crack-crater', 0.25],
  ]),
  fault('wire-untrimmed', [['start-poor', 0.8]]),
  fault('travel-fast', [
    ['bead-narrow', 0.75],
    ['ripples-pointed', 0.7],
    ['toe-undercut', 0.3],
  ]),
  fault('travel-slow', [
    ['bead-piled', 0.75],
    ['toe-cold-lap', 0.4],
  ]),
  fault('behind-puddle', [
    ['toe-cold-lap', 0.6],
    ['section-no-root', 0.5],
    ['bead-piled', 0.3],
  ]),
  fault('angle-work', [
    ['legs-unequal', 0.8],
    ['toe-undercut', 0.3],
  ]),
  fault(
    'wire-damp',
    [
      ['holes-wormtracks', 0.4],
      ['holes-scattered', 0.5],
    ],
    {},
  ),
];

/** Faults that hold on a job, each as often as a mixed shop has it. */
export function drawFaults(random: Random, { wire, gas }: Machine): Fault[] {
  return FAULTS.filter(({ cause, gas: needsGas }) => {
    if (needsGas === true && gas === null) return false;
    if (cause === 'wire-damp' && !wire.class.startsWith('tubular')) return false;
    return random() < meanOf(CAUSES.find(({ id }) => id === cause)!.prior);
  });
}
