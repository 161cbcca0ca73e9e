import { flowWindowOf } from '@/core/arc/reading';
import { arcSetup, wireSpeedAt, withWire } from '@/core/arc/setup';
import { expectedTravel } from '@/core/arc/pace';
import { usualStickOut } from '@/core/arc/stick-out';
import { wireWindow } from '@/core/arc/wire-window';
import type { FlowWindow } from '@/core/arc/gas-cover';
import type { GasMix } from '@/core/case/gas-mix';
import type { Case } from '@/core/case/schema';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { passPlan } from '@/core/start/pass-plan';

/** A flow as the reader reads it. */
export const flowText = (litres: number, units: UnitSystem): string =>
  `${readable(litres, 'gasFlow', units)} ${unitOf('gasFlow', units)}`;

/** What the gas of a job depends on: the mix, the flow, the amps, and the pace and number of its passes. */
export type GasWanted = { gas: GasMix; flow: FlowWindow; travelMmPerMin: number; currentA: number; passes: number };

/**
 * The flow that a rig wants on a job, and the pace of a pass.
 * @returns null where no gas is used, or wire or nozzle are not known
 */
export function gasWanted(input: Case): GasWanted | null {
  const setup = withWire(arcSetup(input));
  if (setup === null) return null;
  const { lowA, highA } = wireWindow(setup.wire, setup.pulse);
  const currentA = setup.currentAskedA ?? Math.sqrt(lowA * highA);
  const stickOutMm = usualStickOut(setup, currentA).wanted;
  const flow = flowWindowOf(setup, stickOutMm, currentA);
  if (flow === null) return null;
  const gapMm = input.job?.gapMm ?? 0;
  return {
    ...{ gas: setup.gas, flow, currentA },
    travelMmPerMin: expectedTravel(setup, wireSpeedAt(setup, currentA, stickOutMm)),
    passes: passPlan(setup, { gapMm, legMm: setup.passLegMm, root: null }).length,
  };
}
