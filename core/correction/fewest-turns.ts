import { SETTINGS, type MainSetting } from '../setting/table';
import { objective, type Situation, type Target } from './objective';

/** A turn of a knob that lowers risk and cost by less than this is not asked for. */
const WORTH_A_TURN = 0.01;

/**
 * Solves, then leaves out every turn that earns too little, the smallest first: with the others found anew without it
 * the risk is as low, and a hand that turns one knob less learns more from the next bead.
 * @param free settings that may change
 * @param solveWith the best target with these settings free, searched from the usual starts or from one point
 */
export function withFewestTurns(
  situation: Situation,
  free: readonly MainSetting[],
  solveWith: (names: readonly MainSetting[], from?: Target) => Target,
): Target {
  const { today } = situation;
  let names = free;
  let target = solveWith(names);
  const turn = (name: MainSetting): number => Math.abs(target[name] - (today[name] ?? target[name]));
  const turned = free
    .filter((name) => turn(name) > 0)
    .sort((a, b) => turn(a) / SETTINGS[a].worthMoving - turn(b) / SETTINGS[b].worthMoving);
  for (const name of turned) {
    const fewer = names.filter((other) => other !== name);
    const without = solveWith(fewer, { ...target, [name]: today[name] });
    if (objective(situation, without) - objective(situation, target) >= WORTH_A_TURN) continue;
    [names, target] = [fewer, without];
  }
  return target;
}
